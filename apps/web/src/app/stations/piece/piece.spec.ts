import { NO_PLANNING } from '@cazuela/core';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Day, Piece, Result } from '@cazuela/contract';
import type { DayItem, TimedStep } from '@cazuela/core';
import { bucket, CLAY, firing, id, piece, POWDERS, RECIPE, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { WIDE_SCREEN } from '../../../testing/wide-screen';
import { Units } from '../../data/units/units';
import { PiecePlanner } from './piece-planner/piece-planner';
import { dipTrouble, waitWords } from './piece-planner/piece-words';
import { PieceShelf } from './piece-shelf/piece-shelf';

const WHITE = bucket();
const BLUE = bucket({ code: 'B2', body: { ...bucket().body, name: 'Noche Honda', colour: '#25305C' } });
const coat = (bucketId: string, coatMm = 0.4) => ({ id: id(), bucketId, method: 'dip' as const, coatMm });

describe('the piece planner', () => {
  let records: FakeRecords;
  const open = async (of: Piece): Promise<Screen<PiecePlanner>> => {
    records = new FakeRecords([WIDE_SCREEN]);
    records.openStudio();
    const screen = await Screen.open(PiecePlanner, { id: of.id });
    records.answer(`/pieces/${of.id}`, of);
    records.answer('/bodies', [CLAY]);
    records.answer('/buckets', [summaryOf(WHITE), summaryOf(BLUE)]);
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    records.answer('/coats', []);
    records.answer('/runner-tiles', []);
    await screen.settle();
    return screen;
  };
  const steps = (screen: Screen<PiecePlanner>): string[] => screen.all('.steps .words').map((step) => step.textContent!.replace(/\s+/g, ' ').trim());
  const saved = (): Piece['body'] => (records.http.match((request) => request.method === 'PUT').at(-1)!.request.body as { body: Piece['body'] }).body;
  const two = (): Piece => piece({ zones: { inside: [{ ...coat(WHITE.id), method: 'pour' }], outside: [coat(BLUE.id)], rim: [], foot: [] } });

  it('lists the steps in a safe order with seconds and waits', async () => {
    const list = steps(await open(two()));
    expect(list[0]).toMatch(/^Check edges and dust/);
    expect(list[1]).toMatch(/^Wax the foot and 10 mm up/);
    expect(list[2]).toMatch(/^Pour Leche de Higo inside, \d\.\d s/);
    expect(list[3]).toMatch(/^Dip the outside in Noche Honda, \d\.\d s/);
    expect(list[4]).toMatch(/^Wipe the foot/);
  });

  it('says how far it runs and what that rests on', async () => {
    const { text } = await open(two());
    expect(text).toMatch(/is the chance that it reaches the shelf\. Starts 10\.0 mm up, runs about [\d.]+ mm; 95 in 100 stay within [\d.]+ mm/);
    expect(text).toContain('From how you say it moves, not from a tile. A quick look; the draws follow.');
  });

  it('feet of fired pieces sharpen it: clean ones draw it down, a stuck one up, and it says so', async () => {
    const run = async (faults: Result['body']['faults'] | undefined): Promise<[number, string]> => {
      const fired = piece({ zones: { inside: [], outside: [coat(WHITE.id, 1.2)], rim: [], foot: [] }, waxFootMm: 12 });
      const screen = await open(fired);
      if (faults) {
        records.answer('/results', [result(fired, firing(40), { faults, foot: faults.length === 0 ? 'clean' : undefined })]);
        records.answer('/pieces', [fired]);
        await screen.settle();
      }
      return [Number(/runs about ([\d.]+) mm/.exec(screen.text)![1]), screen.text];
    };
    const [asTold, words] = await run(undefined);
    expect(words).not.toContain('fired piece');
    const [clean, cleanWords] = await run([]);
    expect(cleanWords).toContain('From how you say it moves, and the foot of one fired piece, not from a tile.');
    expect(clean).toBeLessThan(asTold);
    const [stuck] = await run([{ fault: 'stuck', where: 'foot' }]);
    expect(stuck).toBeGreaterThan(asTold);
  });

  it('a step moved against the rules is said at once, with the way back', async () => {
    const screen = await open(two());
    await screen.press('Earlier: Wipe the foot and check it');
    expect(screen.text).toContain('Something comes after the foot is wiped.');
    expect(saved().plan.order.at(-1)).not.toBe('wipeFoot');
    await screen.press('What to do: Something comes after the foot is wiped.');
    await screen.press('Put the steps into the safe order');
    expect(steps(screen).at(-1)).toMatch(/^Wipe the foot/);
  });

  it('a coat is added where the zone is, and every change is kept at once', async () => {
    const screen = await open(piece());
    await screen.press('A coat on the outside');
    expect(saved().plan.zones.outside).toHaveLength(1);
    await screen.press('One over it on the outside');
    await screen.press('One over it on the outside');
    expect(screen.has('One over it on the outside')).toBe(false);
  });

  it('a warning is put aside with its reason and can come back', async () => {
    const screen = await open(piece({ zones: { inside: [], outside: [coat(BLUE.id, 0.7)], rim: [], foot: [] } }));
    await screen.press(/What to do: Dry glaze is silica dust/);
    await screen.press(/Put aside: Dry glaze is silica dust/);
    await screen.type('Why it may stay so', 'nobody sands here');
    await screen.press('Keep the reason');
    expect(screen.text).toContain('Put aside (H1): nobody sands here');
    expect(screen.text).not.toContain('Dry glaze is silica dust.');
    await screen.press('Warn again');
    expect(screen.text).toContain('Dry glaze is silica dust.');
  });

  /** The draws start once a hand has rested. */
  const drawn = async (screen: Screen<PiecePlanner>): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, 320));
    await screen.settle();
  };

  it('wax too low for the run is raised with one tap', async () => {
    const screen = await open(piece({ waxFootMm: 1, zones: { inside: [], outside: [coat(BLUE.id, 1.6)], rim: [], foot: [] } }));
    expect(screen.text).toMatch(/\d+ % reach the shelf\. A quick look; the draws follow\./);
    await drawn(screen);
    expect(screen.text).toMatch(/\d+ % reach the shelf\. From 2,000 draws/);
    await screen.press(/^Wax \d+ mm up$/);
    await drawn(screen);
    expect(screen.text).not.toMatch(/% reach the shelf\. From 2,000 draws/);
  });

  it('draws the piece with its coats, wax and labels', async () => {
    const screen = await open(two());
    const drawing = screen.all('svg').find((svg) => svg.getAttribute('aria-label')?.startsWith('Cup in section'))!;
    expect(drawing.getAttribute('aria-label')).toContain('inside 1, outside 1, rim 0, foot 0. Wax 10 mm up.');
    expect(drawing.querySelectorAll('.coat')).toHaveLength(2);
    // What lies where is told in the list beside it.
    expect(screen.all('.place').map((one) => one.textContent!.replace(/\s+/g, ' ').trim())).toContain('OutsideNoche Honda 0.40 mm');
  });

  it('a piece without glaze is not put on the day', async () => {
    const screen = await open(piece());
    expect(screen.button('Put 20 on the day').disabled).toBe(true);
  });

  it('is put on the day with everything its steps need', async () => {
    const screen = await open(two());
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await screen.press('Put 20 on the day');
    records.answer('/days', []);
    const request = records.http.expectOne((one) => one.method === 'POST' && one.url.endsWith('/days'));
    const sent = request.request.body as { date: string; items: DayItem[] };
    expect(sent.date).toBe('2026-03-10');
    expect(sent.items[0]).toMatchObject({ name: 'Cup', count: 20 });
    expect(sent.items[0]!.steps[3]).toMatchObject({ bucketName: 'Noche Honda', coatMm: 0.4 });
    request.flush({
      id: id(),
      version: 1,
      date: sent.date,
      items: sent.items,
      planning: NO_PLANNING,
      events: [],
      createdAt: '2026-03-10T10:00:00.000Z',
    } satisfies Day);
    expect(navigate).toHaveBeenCalledWith(['/day'], { queryParams: { date: '2026-03-10' } });
  });
});

describe('the shelf of pieces', () => {
  it('offers ten forms, once there is a clay body', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(PieceShelf);
    records.answer('/pieces', []);
    records.answer('/bodies', []);
    records.answer('/buckets', []);
    await screen.settle();
    expect(screen.all('.forms button')).toHaveLength(10);
    expect(screen.button('Cup').disabled).toBe(true);
    expect(screen.text).toContain('Add the clay body of your pieces first');
  });

  it('a form becomes a piece with its foot waxed', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(PieceShelf);
    records.answer('/pieces', [piece()]);
    records.answer('/bodies', [CLAY]);
    records.answer('/buckets', []);
    await screen.settle();
    expect(screen.text).toContain('20 of them, Barro Claro');
    await screen.press('Platter');
    expect(records.http.expectOne((one) => one.method === 'POST').request.body).toMatchObject({
      body: { name: 'Platter', bodyId: CLAY.id, plan: { shapeId: 'platter', waxFootMm: 10 } },
    });
  });
});

describe('words of the plan', () => {
  const step = (change: Partial<TimedStep>): TimedStep => ({
    key: 'layer:a',
    kind: 'layer',
    zones: ['outside'],
    laborSeconds: 25,
    waitMinutes: 8,
    waitFor: 'handleDry',
    wallUsed: 0.2,
    ...change,
  });

  it('waits are said, and overnight is said as overnight', () => {
    expect(waitWords(step({}))).toBe('wait about 8 min');
    expect(waitWords(step({ waitFor: 'dryThrough' }))).toContain('about 12 h');
    expect(waitWords(step({ waitFor: 'nothing', waitMinutes: 0 }))).toBe('');
  });

  it('a dip that cannot give the coat says why', () => {
    const records = new FakeRecords();
    records.openStudio();
    const units = TestBed.inject(Units);
    const trouble = (dip: TimedStep['dip']): string => dipTrouble(step(dip ? { dip } : {}), units);
    expect(trouble({ kind: 'tooThickToDip' })).toContain('thin it first');
    expect(trouble({ kind: 'wallSaturated', mostMm: 0.4 })).toContain('full at 0.40 mm');
    expect(trouble({ kind: 'filmAlreadyExceeds', filmCoatMm: 0.1 })).toContain('leaves 0.10 mm');
    expect(trouble({ kind: 'noSuction', filmCoatMm: 0.1 })).toContain('0.10 mm of film');
    expect(trouble({ kind: 'tooSlow' })).toContain('dip twice');
    expect(trouble({ kind: 'ok', seconds: 2 })).toBe('');
  });
});
