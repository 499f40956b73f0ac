import {
  drawAll,
  drawRuns,
  seededUniform,
  joinDraws,
  meltedMm,
  PIECE_SHAPES,
  runChances,
  runLayers,
  SAFE_CHANCE,
  safeLine,
  sideToRun,
  solveRun,
  startForEdge,
  type GlazeFacts,
  type Layer,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';

const CUP = PIECE_SHAPES.find((shape) => shape.id === 'cup')!;
const glaze = (bucketId: string, flow: number, lnSd = 0.5): GlazeFacts => glazeOf(bucketId, { flow: { flow, lnSd, basis: 'pottersWord' } });
const IRON = glaze('tinaja', 40);
const ASH = glaze('ceniza', 400);
const layer = (bucketId: string, coatMm = 0.5): Layer => ({ id: `${bucketId} ${coatMm}`, bucketId, method: 'dip', coatMm });
const plan = (zones: Partial<PiecePlan['zones']>, change: Partial<PiecePlan> = {}): PiecePlan => ({
  shapeId: 'cup',
  zones: { inside: [], outside: [], rim: [], foot: [], ...zones },
  waxFootMm: 10,
  rimBandMm: 30,
  order: [],
  putAside: [],
  ...change,
});
const side = (of: PiecePlan, more: object = {}) => sideToRun({ plan: of, shape: CUP, glazes: [IRON, ASH], side: 'outside', ...more })!;
const chances = (of: PiecePlan, more: object = {}) => runChances(side(of, more), drawRuns(side(of, more), { draws: 300, random: seededUniform(5) }));

describe('a plan laid on its piece', () => {
  it('melted where it lies: all of the outside down to the wax, the rim band over it', () => {
    const laid = side(plan({ outside: [layer('tinaja')], rim: [layer('ceniza', 0.4)] }));
    const [under, over] = runLayers(laid);
    expect(under!.meltedMm[0]).toBeCloseTo(meltedMm({ ...IRON, coatMm: 0.5 }), 9);
    expect(laid.strip.heightMm[Math.floor(laid.startMm / laid.strip.cellMm) - 1]).toBeGreaterThan(10);
    expect(over!.meltedMm[0]).toBeGreaterThan(0);
    expect(over!.meltedMm[Math.round(45 / laid.strip.cellMm)]).toBe(0);
  });

  it('a bare side is nothing to run; the inside ends in the middle of its floor', () => {
    expect(sideToRun({ plan: plan({}), shape: CUP, glazes: [IRON], side: 'outside' })).toBeUndefined();
    const inside = sideToRun({ plan: plan({ inside: [layer('tinaja')] }), shape: CUP, glazes: [IRON], side: 'inside' })!;
    const { moments, offMm3 } = solveRun({ strip: inside.strip, layers: runLayers(inside), stuckMm: inside.stuckMm });
    expect(offMm3).toBe(0);
    expect(Math.max(...moments[0]!.heightMm)).toBeGreaterThan(meltedMm({ ...IRON, coatMm: 0.5 }));
  });
});

describe('how far it will run', () => {
  it('a runner over an iron glaze goes further than the iron alone, and reaches the shelf more often', () => {
    const alone = chances(plan({ outside: [layer('tinaja')] }));
    const both = chances(plan({ outside: [layer('tinaja'), layer('ceniza', 0.4)] }));
    expect(both.middleMm).toBeGreaterThan(alone.middleMm);
    expect(both.reachChance).toBeGreaterThan(alone.reachChance);
    expect(alone.lowMm).toBeLessThanOrEqual(alone.middleMm);
    expect(alone.middleMm).toBeLessThanOrEqual(alone.highMm);
  });

  it('thicker, hotter and a glaze nobody knows: each is riskier', () => {
    const usual = plan({ outside: [layer('ceniza', 0.4)] }, { waxFootMm: 14 });
    const { reachChance, highMm, lowMm } = chances(usual);
    expect(chances(plan({ outside: [layer('ceniza', 0.7)] }, { waxFootMm: 14 })).reachChance).toBeGreaterThan(reachChance);
    expect(chances(usual, { firingRatio: 2 }).reachChance).toBeGreaterThan(reachChance);
    const unknown = chances(usual, { glazes: [glaze('ceniza', 400, 1.3)] });
    expect(unknown.highMm - unknown.lowMm).toBeGreaterThan(highMm - lowMm);
  });

  it('grooves across hold it, flutes lead it', () => {
    const usual = plan({ outside: [layer('ceniza', 0.5)] }, { waxFootMm: 14 });
    const smooth = chances(usual).reachChance;
    expect(chances(usual, { texture: { kind: 'grooves', depthMm: 0.4 } }).reachChance).toBeLessThan(smooth);
    expect(chances(usual, { texture: { kind: 'flutes', pitchMm: 6, valleyMm: 4 } }).reachChance).toBeGreaterThan(smooth);
  });

  it('the same numbers give the same draws; two workers’ halves are one whole', () => {
    const laid = side(plan({ outside: [layer('tinaja')] }));
    const draw = (seed: number) => drawRuns(laid, { draws: 40, random: seededUniform(seed) });
    expect(draw(1)).toEqual(draw(1));
    expect(joinDraws([draw(1), draw(2)]).fronts).toHaveLength(80);
  });

  it('draws are even: a glaze known exactly, put on exactly, still has the kiln', () => {
    const laid = side(plan({ outside: [layer('tinaja')] }), { glazes: [glaze('tinaja', 40, 0)] });
    const { fronts } = drawRuns(laid, { draws: 400, random: seededUniform(9), coatLnSd: 0 });
    const logs = [...fronts].map((front) => Math.log(front - laid.startMm + 1e-9));
    const mean = logs.reduce((sum, ln) => sum + ln, 0) / logs.length;
    const sd = Math.sqrt(logs.reduce((sum, ln) => sum + (ln - mean) ** 2, 0) / logs.length);
    // A wide band runs with the flow itself, so its ln scatters as the kiln's 0.25; edges are found to part of a cell.
    expect(sd).toBeGreaterThan(0.15);
    expect(sd).toBeLessThan(0.4);
  });
});

describe('a higher start', () => {
  it('never reaches the shelf more often, millimetre by millimetre', () => {
    const of = plan({ outside: [layer('tinaja', 0.5), layer('ceniza', 0.5)] });
    let before = 1;
    for (let waxFootMm = 4; waxFootMm <= 60; waxFootMm += 1) {
      const laid = side({ ...of, waxFootMm });
      const { reached } = drawRuns(laid, { draws: 30, random: seededUniform(7) });
      expect(reached / 30).toBeLessThanOrEqual(before);
      before = reached / 30;
    }
  });
});

describe('where it may start', () => {
  const runner = { shape: CUP, glazes: [IRON, ASH] };

  it('the lowest safe line reaches the shelf less than once in twenty, one lower more often', () => {
    const of = plan({ outside: [layer('ceniza', 0.4)] });
    const line = safeLine({ ...runner, plan: of });
    if (line.kind !== 'ok') throw new Error(line.kind);
    expect(line.chance).toBeLessThan(SAFE_CHANCE);
    const lower = side({ ...of, waxFootMm: line.waxFootMm - 1 });
    expect(runChances(lower, drawAll(lower)).nearChance).toBeGreaterThanOrEqual(SAFE_CHANCE);
    // A glaze that does not move may start low.
    const still = safeLine({ ...runner, plan: plan({ outside: [layer('tinaja', 0.4)] }) });
    expect(still.kind === 'ok' && still.waxFootMm).toBeLessThan(line.waxFootMm);
  });

  it('a pourer in three coats has no safe line on a cup', () => {
    const pourer = glaze('ceniza', 2000);
    expect(safeLine({ shape: CUP, glazes: [pourer], plan: plan({ outside: [layer('ceniza', 0.9), layer('ceniza', 0.8)] }) }).kind).toBe('none');
  });

  it('the start for a wanted edge lies above it by what it runs', () => {
    const of = plan({ outside: [layer('ceniza', 0.4)] });
    const start = startForEdge({ ...runner, plan: of }, 20);
    expect(start).toBeGreaterThan(20);
    const { middleMm } = chances({ ...of, waxFootMm: start });
    expect(start - middleMm).toBeCloseTo(20, -0.5);
  });
});
