import type { Firing, Kiln } from '@cazuela/contract';
import { firing, id, piece } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { KilnStation } from '../kiln-station';

describe('the shelves of a firing', () => {
  let records: FakeRecords;
  const kiln = (name: string): Kiln => ({
    id: id(),
    version: 1,
    body: {
      name,
      chamber: { kind: 'round', diameterMm: 400, heightMm: 600 },
      shelves: [
        { id: id(), name: 'Lowest', heightMm: 40 },
        { id: id(), name: 'Top', heightMm: 420 },
      ],
      postsMm: [],
      note: '',
    },
  });
  const open = async (firings: Firing[], kilns: Kiln[]): Promise<Screen<KilnStation>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(KilnStation);
    records.answer('/kilns', kilns);
    records.answer('/firings', firings);
    records.answer('/results', []);
    records.answer('/pieces', [piece()]);
    records.answer('/days', []);
    records.answer('/loads', []);
    records.answer('/schedules', []);
    await screen.settle();
    return screen;
  };
  const put = () => records.http.expectOne((one) => one.method === 'PUT').request.body as { body: Firing['body'] };

  it('a kiln without a card asks for one, by the name that the firing has', async () => {
    const screen = await open([firing(60)], []);
    expect(screen.text).toContain('This kiln has no card yet');
    expect(screen.button(`Describe ${firing(60).body.kiln}`).getAttribute('href')).toContain('/kiln/kilns/new?name=');
  });

  it('a cone is read on a shelf with one choice, and how far it bent with another', async () => {
    const of = firing(60);
    const card = kiln(of.body.kiln);
    const screen = await open([of], [card]);
    await screen.choose('The cone that bends', '6');
    // Shelves are listed from the top.
    const read = { shelfId: card.body.shelves[1]!.id, lower: '5', upper: '6', fraction: 1 };
    expect(put().body).toMatchObject({ kilnId: card.id, witnesses: [read] });
    const again = await open([{ ...of, body: { ...of.body, kilnId: card.id, witnesses: [read] } }], [card]);
    await again.choose('How far it bent', 'half way');
    expect(put().body.witnesses).toEqual([{ ...read, fraction: 0.5 }]);
    // Beside it, and in the scale to hold it against: five pictures and its own.
    expect(again.all('cz-cone-picture')).toHaveLength(6);
    expect(new Set(again.all('cz-cone-picture path.cone').map((one) => one.getAttribute('d'))).size).toBe(5);
  });

  it('each shelf tells its cone: read there, or from what the others showed', async () => {
    const of = firing(60);
    const card = kiln(of.body.kiln);
    const witnesses = [{ shelfId: card.body.shelves[1]!.id, lower: '6', upper: '7', fraction: 1 }];
    const { text } = await open([{ ...of, body: { ...of.body, kilnId: card.id, witnesses } }], [card]);
    expect(text).toMatch(/Top cone 7 read there; \+\d+ °C/);
    expect(text).toMatch(/Lowest cone \S+ .* from .* to/);
    expect(text).toContain('Learnt from 1 cone in 1 firing');
  });

  it('a cone that no place of this firing can have seen is told, and teaches nothing', async () => {
    const of = firing(60);
    const card = kiln(of.body.kiln);
    const witnesses = [{ shelfId: card.body.shelves[1]!.id, lower: '022', upper: '021', fraction: 1 }];
    const { text } = await open([{ ...of, body: { ...of.body, kilnId: card.id, witnesses } }], [card]);
    expect(text).toContain('No place of this firing can have seen cone 022 to 021');
    expect(text).toContain('No cone was read on a shelf yet');
  });

  it('a piece that stood on a shelf saw its cone', async () => {
    const of = firing(60);
    const card = kiln(of.body.kiln);
    const witnesses = [{ shelfId: card.body.shelves[1]!.id, lower: '6', upper: '7', fraction: 1 }];
    const screen = await open([{ ...of, body: { ...of.body, kilnId: card.id, witnesses } }], [card]);
    await screen.choose('On which shelf', 'Top, cone 7');
    expect(screen.field('Cone it saw').value).toBe('7');
  });
});
