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
  const open = async (inputs: object = {}, series: SeriesDocument[] = [], buckets = [white]): Promise<Screen<SeriesPage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(SeriesPage, inputs as Record<string, unknown>);
    records.answer('/buckets', buckets.map(summaryOf));
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

  it('typed in any order rises in one cup, and stays as typed in separate ones', async () => {
    const screen = await open();
    const percents = (): string[] => screen.all('tbody tr td:nth-child(2)').map((cell) => cell.textContent!.trim());
    await screen.type('Steps, percent of the dry base', '4, 0, 2');
    expect(percents()).toEqual(['0 %', '2 %', '4 %']);
    expect(screen.all('tbody tr')[0]!.textContent).toContain('nothing');
    await screen.press('separate cups');
    expect(percents()).toEqual(['4 %', '0 %', '2 %']);
  });

  it('says how much to scoop, and does not take more than the bucket holds', async () => {
    const screen = await open();
    expect(screen.text).toMatch(/Scoop 250 mL of B1 Leche de Higo, well stirred, into one cup\./);
    await screen.press('separate cups');
    await screen.type('Glaze in each cup', '3000');
    expect(screen.text).toContain('and the bucket holds');
    expect(screen.button('Keep it, get its code').disabled).toBe(true);
  });

  it('of two glazes with the same stain is blended by share', async () => {
    const screen = await open({}, [], [white, bucket({ code: 'B2', body: { ...white.body, name: 'Marisma' } })]);
    await screen.press('two buckets');
    await screen.type('Steps, percent of the other', '0, 50, 100');
    expect(screen.all('tbody tr').map((row) => [...row.children].slice(1).map((cell) => cell.textContent!.trim()))).toEqual([
      ['0 %', '100 mL', '0 mL'],
      ['50 %', '50 mL', '50 mL'],
      ['100 %', '0 mL', '100 mL'],
    ]);
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

  it('is driven at the bench, goes on from what went in, and keeps its place on the device', async () => {
    const cup = { powderId: STAIN.id, powderName: STAIN.name, stainDensity: 4, bucketId: white.id, bucketName: 'B1 Leche', sg: 1.45, density: 2.6 };
    const body: SeriesBody = { kind: 'oneCup', name: 'Black in Leche', ...cup, baseGrams: 100, drawGrams: 0, percents: [1, 2], notes: '' };
    const kept: SeriesDocument = { id: id(), version: 1, code: 'K4', body, createdAt: '2026-03-01T10:00:00.000Z', doneAt: null };
    const screen = await open({ id: kept.id }, [kept]);
    expect(screen.text).toContain('tile 1 of 2');
    expect(screen.text).toMatch(/Add 1(\.0+)? g of Stain/);
    await screen.type('Really went in', '1.5');
    await screen.press('Dipped: next');
    expect(screen.text).toMatch(/Add 0\.5\d* g of Stain/);
    expect(JSON.parse(localStorage.getItem('cazuela.here.series-bench')!)).toEqual({ [kept.id]: [1.5] });
    await screen.press('Dipped: next');
    expect(screen.text).toContain('All 2 tiles are dipped.');
    await screen.press('Back');
    expect(screen.text).toContain('tile 2 of 2');
    await screen.press('Dipped: next');
    await screen.press('Take it off shelf and bucket');
    const sent = records.http.expectOne((one) => one.method === 'POST').request.body as { weighedGrams: number[] };
    expect(sent.weighedGrams[0]).toBe(1.5);
    expect(sent.weighedGrams[1]).toBeCloseTo(0.5, 9);
  });
});
