import { TestBed } from '@angular/core/testing';
import type { Bucket } from '@cazuela/contract';
import { bucket, POWDERS, STAIN, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Outbox } from '../../data/offline/outbox';
import { BucketPage } from './bucket-page/bucket-page';

const SURE = 'It is right all the same';

describe('what cannot be is asked about before it is booked', () => {
  let records: FakeRecords;
  const open = async (of: Bucket, bench: string, others: Bucket[] = []): Promise<Screen<BucketPage>> => {
    records = new FakeRecords();
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(BucketPage, { id: of.id });
    records.answer(`/buckets/${of.id}`, of);
    await screen.settle();
    records.answer('/powders', POWDERS);
    records.answer('/buckets', [of, ...others].map(summaryOf));
    await screen.settle();
    await screen.press(bench);
    return screen;
  };
  const nothingSent = (): unknown => records.http.expectNone((one) => one.method === 'POST');

  it('fifty litres in a bucket of sixteen: the amount or its unit', async () => {
    const screen = await open(bucket(), 'Level');
    await screen.type('It holds', '50');
    expect(screen.text).toContain('This bucket holds 16.0 L to the brim');
    expect(screen.button('Keep the level').disabled).toBe(true);
    screen.field('It holds').closest('form')!.dispatchEvent(new Event('submit'));
    nothingSent();
    await screen.check(SURE);
    expect(screen.button('Keep the level').disabled).toBe(false);
    // Said of that amount, not of the next.
    await screen.type('It holds', '60');
    expect(screen.button('Keep the level').disabled).toBe(true);
  });

  it('a pour over the rim of the other bucket, and one of more than is there', async () => {
    const other = bucket({ code: 'B2' });
    const screen = await open(bucket(), 'Pour', [other]);
    await screen.choose('Into', `B2 ${other.body.name}`);
    await screen.type('Pour', '9');
    expect(screen.text).toContain('B2 holds 16.0 L, and would have 19.0 L');
    expect(screen.button('Pour it').disabled).toBe(true);
    await screen.type('Pour', '12');
    expect(screen.text).toContain('Only 10.0 L are in it by the records');
    await screen.type('Pour', '2');
    expect(screen.button('Pour it').disabled).toBe(false);
  });

  it('stain at two hundred percent is refused, at thirty asked about', async () => {
    const screen = await open(bucket(), 'Stain it');
    await screen.choose('Stain', STAIN.name);
    await screen.type('Percent of the dry base', '200');
    expect(screen.text).toContain('at most 100');
    await screen.type('Percent of the dry base', '30');
    expect(screen.text).toContain('more than any glaze takes');
    expect(screen.button(/of stain went in/).disabled).toBe(true);
    await screen.type('Percent of the dry base', '6');
    expect(screen.button(/of stain went in/).disabled).toBe(false);
  });
});
