import { TestBed } from '@angular/core/testing';
import type { FiringLog, Kiln } from '@cazuela/contract';
import type { NowItem } from '@cazuela/core';
import { ago, batch, bucket, day, firing, id, piece, RECIPE, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Units } from '../../data/units/units';
import { Home } from './home';
import { nowRow } from './now-words';

describe('what now?', () => {
  const open = async (
    has: Partial<Record<'batches' | 'buckets' | 'days' | 'firings' | 'results' | 'recipes' | 'tiles' | 'pieces' | 'kilns' | 'loads', unknown[]>>,
  ): Promise<Screen<Home>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(Home);
    for (const kind of ['batches', 'buckets', 'days', 'firings', 'results', 'recipes', 'tiles', 'pieces', 'kilns', 'loads'] as const)
      records.answer(`/${kind}`, has[kind] ?? []);
    await screen.settle();
    return screen;
  };

  it('what was written or planned and not begun is named', async () => {
    const cup = piece({ zones: { inside: [], outside: [{ id: id(), bucketId: bucket().id, method: 'dip', coatMm: 0.5 }], rim: [], foot: [] } });
    const { text } = await open({ recipes: [RECIPE], pieces: [cup] });
    expect(text).toContain('20 × Cup');
    expect(text).toContain('Nobody weighed it yet');
    const begun = await open({ recipes: [RECIPE], pieces: [cup], days: [day(cup, { date: '2020-01-01' })] });
    expect(begun.text).not.toContain('20 × Cup');
  });

  it('the interrupted batch comes first and is the one cobalt button', async () => {
    const { events: _events, ...lying } = batch({ linesDone: 1, lastAt: ago(90), lastBy: 'Inés' });
    const screen = await open({ recipes: [RECIPE], batches: [lying], buckets: [summaryOf(bucket({ sg: 1.55 }))] });
    expect(screen.all('.rows a')[0]!.textContent).toContain('Go on weighing');
    expect(screen.all('.rows a.mat-mdc-unelevated-button')).toHaveLength(1);
    expect(screen.text).toContain('Weighing stopped at line 2 of 3, Inés');
  });

  it('a hot kiln is drawn with where it stands by its curve', async () => {
    const screen = await open({ recipes: [RECIPE], firings: [firing(12)] });
    expect(screen.text).toContain('Abuela, cooling');
    expect(screen.all('svg').some((svg) => /Firing curve, peak 1,206 °C\. Now about/.test(svg.getAttribute('aria-label') ?? ''))).toBe(true);
  });

  it('a kiln that is read stands there as it was read, and opens when its potter set it', async () => {
    const kiln: Kiln = {
      id: id(),
      version: 1,
      body: { name: 'Abuela', chamber: { kind: 'round', diameterMm: 450, heightMm: 600 }, shelves: [], postsMm: [], openBelowCelsius: 60, note: '' },
    };
    const lit = firing(12);
    const log: FiringLog = {
      source: 'controller',
      beganAt: lit.body.startedAt,
      endedAt: null,
      readings: 3,
      dropped: 0,
      points: [
        { hours: 0, celsius: 20 },
        { hours: 10, celsius: 1_206 },
        { hours: 11.9, celsius: 843 },
      ],
      last: { seconds: 42_840, celsius: 843, setCelsius: null, share: 0 },
      fullPowerHours: 5,
    };
    const at = async (card: Kiln): Promise<string> => {
      const { text } = await open({ recipes: [RECIPE], kilns: [card], firings: [{ ...lit, body: { ...lit.body, kilnId: card.id }, log }] });
      expect(text).toMatch(/Abuela, 8[34]\d °C/);
      expect(text).not.toContain('Nobody logged it');
      return /Can be opened about ([^,]+), by what was read of it/.exec(text)![1]!;
    };
    const usual = await at({ ...kiln, body: { ...kiln.body, openBelowCelsius: undefined } });
    expect(await at(kiln)).not.toBe(usual);
  });

  it('nothing waiting is said, not shown as emptiness', async () => {
    expect((await open({ recipes: [RECIPE], buckets: [summaryOf(bucket())] })).text).toContain('Nothing waits.');
  });

  it('a failure is told with a way to try again', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(Home);
    records.drop('/batches');
    await screen.settle();
    expect(screen.text).toContain('cannot be reached');
    expect(screen.has('Try again')).toBe(true);
  });
});

describe('each thing that waits, in a row', () => {
  it.each([
    [
      { kind: 'outOfRange', bucketId: 'b', name: 'Humo', sg: 1.41, sgSd: 0.006, sgLow: 1.42, sgHigh: 1.46, verdict: 'tooThin', bySum: false },
      'Too thin',
      'Humo reads 1.41 ± 0.01',
      'Bring into range',
    ],
    [
      { kind: 'outOfRange', bucketId: 'b', name: 'Humo', sg: 1.47, sgSd: 0.02, sgLow: 1.42, sgHigh: 1.46, verdict: 'unsure', bySum: false },
      'Not sure',
      'Humo reads 1.47 ± 0.02',
      'Measure again',
    ],
    [
      { kind: 'outOfRange', bucketId: 'b', name: 'Humo', sg: 1.5, sgSd: 0.01, sgLow: 1.42, sgHigh: 1.46, verdict: 'tooThick', bySum: true },
      'To measure',
      'Humo, 1.50 by the sum',
      'Measure again',
    ],
    [{ kind: 'dryEnough', name: 'Pots', count: 12, nextWords: 'Dip' }, 'Dry enough', '12 × Pots', 'Open the day'],
    [{ kind: 'drying', name: 'Pots', count: 12, untilAt: ago(-5) }, 'Drying', '12 × Pots', 'Open the day'],
    [
      { kind: 'kiln', firingId: 'f', kiln: 'Abuela', celsius: 412, cooling: true, opensAt: ago(-60) },
      'Cooling',
      'Abuela, about 412 °C by its curve',
      'See the firing',
    ],
    [{ kind: 'toRead', firingId: 'f', kiln: 'Grillo', startedAt: ago(3000) }, 'To read', 'Grillo can be unloaded', 'Read the results'],
    [{ kind: 'firingToCome', firingId: 'f', kiln: 'Abuela', startsAt: ago(-600) }, 'To come', 'Abuela is to be lit', 'See the firing'],
    [{ kind: 'unfinishedDay', date: '2026-03-09', left: 3, of: 8 }, 'Left over', 'The day of Monday 9 March', 'Open that day'],
    [{ kind: 'recipeToWeigh', recipeId: 'r', name: 'Humo' }, 'Recipe', 'Humo', 'Weigh it'],
    [{ kind: 'pieceToGlaze', pieceId: 'p', name: 'Cup', count: 12 }, 'To glaze', '12 × Cup', 'Open the plan'],
    [{ kind: 'neverMeasured', bucketId: 'b', name: 'Nube' }, 'New bucket', 'Nube was never measured', 'Measure it'],
  ] as [NowItem, string, string, string][])('%#: %j', (item, tag, what, action) => {
    const records = new FakeRecords();
    records.openStudio();
    expect(nowRow(item, TestBed.inject(Units))).toMatchObject({ tag, what, action });
  });
});
