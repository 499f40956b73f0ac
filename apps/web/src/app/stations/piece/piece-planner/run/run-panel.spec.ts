import { signal, type WritableSignal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { PIECE_SHAPES, sideToRun, type GlazeFacts, type PiecePlan, type PieceRunQuestion } from '@cazuela/core';
import { glazeOf } from '@cazuela/core/test/glaze-facts';
import { BehaviorSubject, Observable, throwError } from 'rxjs';
import { FakeRecords } from '../../../../../testing/records';
import { Screen } from '../../../../../testing/screen';
import { Units } from '../../../../data/units/units';
import { PieceDraft } from '../draft/piece-draft';
import { PieceRuns, type RunState } from './piece-runs';
import { PlanRun } from './plan-run';
import { QuickLooks } from './quick-looks';
import { RunDrawing } from './run-drawing';
import { doRunJob } from './run-job';
import { RunPanel } from './run-panel';
import type { RunMessage } from './run-protocol';
import { poolWords, reachWords, safeLineWords } from './run-words';

const CUP = PIECE_SHAPES.find((shape) => shape.id === 'cup')!;
const glaze = (bucketId: string, flow: number, basis: GlazeFacts['flow']['basis'] = 'pottersWord'): GlazeFacts =>
  glazeOf(bucketId, { flow: { flow, lnSd: 0.5, basis } });
const GLAZES = [glaze('Tinaja', 40), glaze('Ceniza', 300, 'startingGuess')];
const coat = (bucketId: string) => ({ id: bucketId, bucketId, method: 'dip' as const, coatMm: 0.5 });
const PLAN: PiecePlan = {
  shapeId: 'cup',
  zones: { inside: [coat('Tinaja')], outside: [coat('Tinaja'), coat('Ceniza')], rim: [], foot: [] },
  waxFootMm: 6,
  rimBandMm: 20,
  order: [],
  putAside: [],
};
const messages = (plan: PiecePlan, alone = true): RunMessage[] => {
  const said: RunMessage[] = [];
  doRunJob({ kind: 'draw', question: { plan, shape: CUP, glazes: GLAZES }, fromFilm: 0, untilFilm: 12, alone }, (message) => said.push(message));
  return said;
};

describe('a worker’s share of a run', () => {
  it('shows the picture first, then tells its progress, its draws, and ends', () => {
    const kinds = messages({ ...PLAN, zones: { ...PLAN.zones, outside: [coat('Tinaja')] } }).map((one) => one.kind);
    expect(kinds).toEqual(['moments', 'moments', 'progress', 'progress', 'drawn', 'done']);
  });

  it('the second one only draws, a bare piece is done at once', () => {
    expect(messages(PLAN, false).map((one) => one.kind)).toEqual(['progress', 'progress', 'drawn', 'done']);
    expect(messages({ ...PLAN, zones: { inside: [], outside: [], rim: [], foot: [] } }).map((one) => one.kind)).toEqual(['done']);
  });
});

describe('how far it will run', () => {
  const asked: unknown[] = [];
  /** Answered first, before the workers answer. */
  const open = async (
    of = PLAN,
    first: Observable<RunState>[] = [],
  ): Promise<Screen<RunPanel> & { moving: BehaviorSubject<boolean>; plan: WritableSignal<PiecePlan> }> => {
    const plan = signal(of);
    const moving = new BehaviorSubject(false);
    const real = new PieceRuns();
    const run = (question: PieceRunQuestion): Observable<RunState> => {
      asked.push(question);
      return first.shift() ?? real.run(question);
    };
    const records = new FakeRecords([
      QuickLooks,
      PlanRun,
      { provide: PieceDraft, useValue: { dragging$: moving } },
      { provide: PieceRuns, useValue: { run } },
    ]);
    records.openStudio();
    TestBed.inject(PlanRun).of(() => ({ plan: plan(), shape: CUP, glazes: GLAZES, overlaps: [] }));
    const screen = await Screen.open(RunPanel, { plan: of, shape: CUP });
    await settle(screen);
    return Object.assign(screen, { moving, plan });
  };
  /** As long as a drag must rest before runs are drawn. */
  const settle = async (screen: Screen<RunPanel>): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, 320));
    await screen.settle();
  };

  it('tells the chance to reach the shelf, where the edge ends, the safe line, what pools, and what it leans on', async () => {
    const { text } = await open();
    expect(text).toMatch(/\d+ % is the chance that the outside reaches the shelf\./);
    expect(text).toMatch(/It starts [\d.]+ mm up and runs about [\d.]+ mm along the wall: its edge ends [\d.]+ mm up \(four of five times/);
    expect(text).toMatch(/Lowest safe line: \d+ mm up \(yours is 6 mm\)/);
    expect(text).toContain('Inside it gathers to');
    expect(text).toContain('Ceniza: how it flows is a starting guess from the recipe;');
    expect(text).toContain('Ceniza over Tinaja was never measured here: together they are taken to run 1.3 times as far');
  });

  it('the line is one tap away, and so is the start for a wanted edge', async () => {
    const screen = await open();
    const waxed: number[] = [];
    screen.fixture.componentInstance.planned.subscribe((change) => waxed.push(change.waxFootMm!));
    await screen.press(/^Wax \d+ mm up$/);
    expect(waxed[0]).toBeGreaterThan(6);
    await screen.type('Its edge should end', '20');
    expect(screen.text).toMatch(/starts \d+ mm up/);
  });

  it('a hotter firing and grooves ask anew; a bare piece has nothing to run', async () => {
    const screen = await open();
    const before = asked.length;
    screen.plan.set({ ...PLAN, cone: '8' });
    await settle(screen);
    expect(asked.length).toBe(before + 1);
    expect(asked.at(-1)).toMatchObject({ plan: { cone: '8' } });
    expect((await open({ ...PLAN, zones: { inside: [], outside: [], rim: [], foot: [] } })).text).toContain('Nothing is on it yet that could run.');
  });

  it('a run that could not be worked out says so and is asked for again with one tap', async () => {
    const screen = await open(PLAN, [throwError(() => new Error('The run could not be worked out here.'))]);
    expect(screen.text).toContain('The run could not be worked out here.');
    const before = asked.length;
    await screen.press('Run it again');
    await settle(screen);
    expect(asked.length).toBe(before + 1);
    expect(screen.text).not.toContain('could not be worked out');
    expect(screen.text).toMatch(/is the chance that the outside reaches the shelf/);
  });

  it('a hand that moves stops the runs under way; at rest they are drawn, and stay when it comes back to where it was', async () => {
    let stops = 0;
    const underWay = new Observable<RunState>(() => () => void (stops += 1));
    const screen = await open(PLAN, [underWay]);
    const { moving } = screen;
    const before = asked.length;
    moving.next(true);
    expect(stops).toBe(1);
    moving.next(false);
    await settle(screen);
    expect(asked.length).toBe(before + 1);
    expect(screen.text).toMatch(/is the chance that the outside reaches the shelf/);
    moving.next(true);
    moving.next(false);
    await settle(screen);
    expect(asked.length).toBe(before + 1);
    expect(screen.text).toMatch(/is the chance that the outside reaches the shelf/);
  });

  it('draws a film for each layer, thicker where it gathers', () => {
    const side = sideToRun({ plan: PLAN, shape: CUP, glazes: GLAZES, side: 'outside' })!;
    const [first] = messages(PLAN).filter((one) => one.kind === 'moments');
    const paths = new RunDrawing(CUP).film(side, first!.moments.at(-1)!);
    expect(paths).toHaveLength(2);
    for (const path of paths) expect(path).not.toContain('NaN');
  });
});

describe('words of the run', () => {
  it('never say always, and pools that may crack a pot are said', () => {
    new FakeRecords().openStudio();
    const units = TestBed.inject(Units);
    const side = sideToRun({ plan: PLAN, shape: CUP, glazes: GLAZES, side: 'outside' })!;
    const chances = { middleMm: 4, lowMm: 2, highMm: 8, run95Mm: 10, nearChance: 0 };
    expect(reachWords(side, { ...chances, reachChance: 0.001 }, { plan: PLAN, units })).toMatchObject({ figure: 'under 1 %', tone: 'good' });
    expect(reachWords(side, { ...chances, reachChance: 0.999 }, { plan: PLAN, units })).toMatchObject({ figure: 'over 99 %', tone: 'stop' });
    expect(poolWords(4, units).words).toContain('may crack the pot');
    expect(safeLineWords({ kind: 'none' }, PLAN).words).toContain('on a plate with kiln wash');
    expect(safeLineWords({ kind: 'none' }, { ...PLAN, setting: 'upsideDown' }).words).toContain('the rim is lowest');
  });
});
