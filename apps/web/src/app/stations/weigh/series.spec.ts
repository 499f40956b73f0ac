import type { SeriesBody, SeriesDocument } from '@cazuela/contract';
import { bucket, id, POWDERS, STAIN, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { SeriesPage } from './series-page/series-page';
import { readPercents } from './series-page/series-question';

describe('the steps of a series', () => {
  it.each([
    ['1, 2, 4', [1, 2, 4]],
    ['0,5 1,5', [0.5, 1.5]],
    ['1;2;4', [1, 2, 4]],
    ['1, 2,5, 4', [1, 2.5, 4]],
    ['one, two', undefined],
    ['', undefined],
    ['-1, 2', undefined],
  ])('“%s” are read as %s', (text, percents) => {
    expect(readPercents(text)).toEqual(percents);
  });
});

describe('a series of tiles', () => {
  let records: FakeRecords;
  const white = bucket();
  const open = async (inputs: object = {}, series: SeriesDocument[] = []): Promise<Screen<SeriesPage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(SeriesPage, inputs as Record<string, unknown>);
    records.answer('/buckets', [summaryOf(white)]);
    records.answer('/powders', POWDERS);
    records.answer('/series', series);
    await screen.settle();
    return screen;
  };

  it('in one cup adds a little less at every step, and says what is left', async () => {
    const screen = await open();
    expect(screen.all('tbody tr')).toHaveLength(5);
    expect(screen.text).toContain('of dry glaze stay in the cup at 8 %');
  });

  it('moves with the way it is made', async () => {
    const screen = await open();
    await screen.press('separate cups');
    expect(screen.text).toContain('Each cup keeps what its tile leaves');
    expect(screen.all('tbody tr')[0]!.textContent).toMatch(/\d g/);
  });

  it('whose steps fall says so, and cannot be kept', async () => {
    const screen = await open();
    await screen.type('Steps, percent of the dry base', '4, 2');
    expect(screen.text).toContain('The steps of a ladder must rise');
    expect(screen.has('Keep it, get its code')).toBe(false);
  });

  it('is kept with its bucket, stain and steps', async () => {
    const screen = await open();
    await screen.choose('Stain or oxide', 'Stain (zircon type)');
    await screen.press('Keep it, get its code');
    const sent = records.http.expectOne((one) => one.method === 'POST').request.body as { body: SeriesBody };
    expect(sent.body).toMatchObject({ kind: 'oneCup', bucketId: white.id, powderId: STAIN.id, percents: [1, 2, 4, 6, 8], drawGrams: 6 });
  });

  it('that was kept shows its codes, and is dipped once', async () => {
    const cup = { powderId: STAIN.id, powderName: STAIN.name, bucketId: white.id, bucketName: 'B1 Leche', sg: 1.45, density: 2.6 };
    const body: SeriesBody = { kind: 'cups', name: 'Black in Leche', ...cup, cupBaseGrams: 50, percents: [1, 2], notes: '' };
    const kept: SeriesDocument = { id: id(), version: 1, code: 'K3', body, createdAt: '2026-03-01T10:00:00.000Z', doneAt: null };
    const screen = await open({ id: kept.id }, [kept]);
    expect(screen.text).toContain('K3-1');
    await screen.press('The tiles are dipped');
    records.answer(`/series/${kept.id}/done`, { ...kept, version: 2, doneAt: '2026-03-10T10:00:00.000Z' }, 'POST');
    await screen.settle();
    expect(screen.text).toContain('Dipped; stain and glaze are taken off.');
  });
});
