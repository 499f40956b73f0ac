import type { Firing, Kiln } from '@cazuela/contract';
import { REFERENCE_FIRING } from '@cazuela/core';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { id } from '../../../../testing/made-up';
import { NEW_KILN, readDraft, withShelf } from './kiln-draft';
import { KilnPage } from './kiln-page';

const kiln = (): Kiln => ({
  id: id(),
  version: 2,
  body: {
    name: 'Abuela',
    chamber: { kind: 'rectangular', widthMm: 600, depthMm: 500, heightMm: 900 },
    shelves: [
      { id: id(), name: 'Lowest', heightMm: 60 },
      { id: id(), name: 'Top', heightMm: 700 },
    ],
    postsMm: [100, 150],
    note: '',
  },
});

describe('the card of a kiln', () => {
  let records: FakeRecords;
  const open = async (kilns: Kiln[], inputs: { id: string; name?: string }, firings: Firing[] = []): Promise<Screen<KilnPage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(KilnPage, inputs);
    records.answer('/kilns', kilns);
    records.answer('/firings', firings);
    records.answer('/loads', []);
    await screen.settle();
    return screen;
  };

  it('a new one takes the name its firings gave it, and is refused in words until it can be', async () => {
    const screen = await open([], { id: 'new', name: 'Grillo' });
    expect(screen.field('Name').value).toBe('Grillo');
    await screen.type('Inside high', '');
    await screen.press('Keep the kiln');
    expect(screen.text).toContain('Say how large its chamber is inside.');
    await screen.type('Inside high', '420');
    await screen.press('A shelf');
    await screen.press('Keep the kiln');
    const { body } = records.http.expectOne((one) => one.method === 'POST').request.body as { body: Kiln['body'] };
    expect(body).toMatchObject({ name: 'Grillo', chamber: { kind: 'round', heightMm: 420 }, shelves: [{ heightMm: 40 }] });
  });

  it('a shelf over the lid is refused, and posts are heights with commas', () => {
    const draft = { ...NEW_KILN, name: 'Abuela', heightMm: 300, shelves: [{ id: id(), name: 'Top', heightMm: 400 }] };
    expect(readDraft(draft)).toEqual({ problem: 'A shelf stands below the lid of its kiln.' });
    expect(readDraft({ ...draft, shelves: [], posts: 'three long' })).toEqual({
      problem: 'Posts are heights in mm with commas between them: 100, 150, 150.',
    });
    expect(readDraft({ ...draft, shelves: [], posts: '100; 150 150' })).toMatchObject({ body: { postsMm: [100, 150, 150] } });
  });

  it('the next shelf stands as far above the highest one as that above the one below it, and below the lid', () => {
    const two = withShelf(withShelf({ ...NEW_KILN, heightMm: 200 }));
    expect(two.shelves.map(({ heightMm }) => heightMm)).toEqual([40, 120]);
    expect(withShelf(withShelf(two)).shelves.at(-1)!.heightMm).toBe(199);
  });

  it('shows how hot its shelves get, and on what that stands', async () => {
    const of = kiln();
    const screen = await open([of], { id: of.id });
    expect(screen.text).toContain('No cone was read on a shelf yet: how hot each gets is a starting guess with a wide band.');
    const witnesses = [{ shelfId: of.body.shelves[1]!.id, lower: '7', upper: '8', fraction: 0.75 }];
    const body = {
      kiln: 'Abuela',
      kilnId: of.id,
      startedAt: '2026-03-01T07:00:00.000Z',
      wantedCone: '6',
      witnessCone: null,
      points: [...REFERENCE_FIRING],
    };
    const learnt = await open([of], { id: of.id }, [{ id: id(), version: 1, body: { ...body, witnesses } }]);
    expect(learnt.text).toContain('Learnt from 1 cone in 1 firing');
    expect(learnt.text).toMatch(/Top \+\d+ °C/);
  });

  it('what somebody else changed meanwhile is not overwritten', async () => {
    const of = kiln();
    const screen = await open([of], { id: of.id });
    await screen.type('Name', 'La Abuela');
    await screen.press('Keep the kiln');
    records.refuse(`/kilns/${of.id}`, 409, { code: 'stale', detail: 'Somebody changed it.' }, 'PUT');
    await screen.settle();
    expect(screen.text).toContain('Somebody changed this kiln meanwhile');
    expect(screen.field('Name').value).toBe('La Abuela');
  });

  it('tells how it cools by its logs, and that nobody knows where there is none', async () => {
    const card = kiln();
    const none = await open([card], { id: card.id });
    expect(none.text).toContain('how fast it cools is a usual guess');
    const points = Array.from({ length: 100 }, (_, at) => ({
      hours: at / 4,
      celsius: at < 40 ? 20 + 30 * at : 20 + 1_180 * Math.exp(-(at - 40) / 4 / 5),
    }));
    const startedAt = '2026-02-01T08:00:00.000Z';
    const fired: Firing = {
      id: id(),
      version: 1,
      body: { kiln: 'Abuela', kilnId: card.id, startedAt, wantedCone: '6', witnessCone: null, points: [...REFERENCE_FIRING] },
      log: { source: 'file', beganAt: startedAt, endedAt: startedAt, readings: 100, dropped: 0, points, last: null, fullPowerHours: 0 },
    };
    const one = await open([card], { id: card.id }, [fired]);
    expect(one.text).toContain('falls to a third in 5.0 h (from 1 log).');
    // A practice firing teaches nothing of the real kiln.
    const practice = await open([card], { id: card.id }, [{ ...fired, log: { ...fired.log!, source: 'practice' } }]);
    expect(practice.text).toContain('how fast it cools is a usual guess');
  });
});
