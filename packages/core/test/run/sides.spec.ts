import {
  bandRunMm,
  chanceBeyond,
  coatScaleFor,
  drawRuns,
  seededUniform,
  overlapOf,
  quickBand,
  quickFront,
  quickRun,
  runChances,
  runLayers,
  shapeOf,
  sideKey,
  sidesToRun,
  sideToRun,
  solveRun,
  runPath,
  withLayers,
  type PiecePlan,
  type RunSide,
  type SideQuestion,
  type SideToRun,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GLAZES = [
  glazeOf('iron', { flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' } }),
  glazeOf('ash', { flow: { flow: 300, lnSd: 0.7, basis: 'pottersWord' } }),
];
const ask = (plan: PiecePlan, side: RunSide, change: Partial<SideQuestion> = {}): SideQuestion => ({
  plan,
  shape: shapeOf(plan),
  glazes: GLAZES,
  side,
  ...change,
});
const laid = (plan: PiecePlan, side: RunSide, change: Partial<SideQuestion> = {}): SideToRun => sideToRun(ask(plan, side, change))!;
const solve = (side: SideToRun) =>
  solveRun({ strip: side.strip, layers: runLayers(side), overlap: overlapOf(side), stuckMm: side.stuckMm, gathers: side.gathers });
const volume = (side: SideToRun): number =>
  runLayers(side).reduce((sum, layer) => sum + layer.meltedMm.reduce((mm3, mm, cell) => mm3 + mm * side.strip.areaMm2[cell]!, 0), 0);

describe('down a handle', () => {
  const mug = planOf({ outside: [coat('ash')] }, { shapeId: 'mug', waxFootMm: 12 });

  it('the way goes round the bow to its lower joint, then down a wall as wide as the handle', () => {
    const method = runPath(shapeOf(mug), 'grip')!;
    expect(method[0]!.heightMm).toBeCloseTo(82, 6);
    expect(method.at(-1)!.heightMm).toBeCloseTo(0, 6);
    expect(method.every((point, at) => at === 0 || point.heightMm <= method[at - 1]!.heightMm + 1e-9)).toBe(true);
    expect(method[0]!.girthMm).toBe(2 * (18 + 8));
    expect(method.at(-1)!.girthMm).toBe(18);
  });

  it('brings the glaze of all its sides to one place: more reach the shelf there than down the wall', () => {
    const chance = (side: RunSide): number =>
      runChances(laid(mug, side), drawRuns(laid(mug, side), { draws: 200, random: seededUniform(3) })).reachChance;
    expect(chance('grip')).toBeGreaterThan(chance('outside'));
  });

  it('loses and makes no glaze on its way', () => {
    expect(Math.abs(solve(laid(mug, 'grip')).lostShare)).toBeLessThan(1e-9);
  });

  it('a piece without one has no such side', () => {
    expect(runPath(shapeOf({ shapeId: 'bowl' }), 'grip')).toBeUndefined();
    expect(sideToRun(ask(planOf({ outside: [coat('ash')] }, { shapeId: 'bowl' }), 'grip'))).toBeUndefined();
  });
});

describe('strips, panels, masks and textures in the run', () => {
  const strip = { id: 's', fromMm: 40, toMm: 60, layers: [coat('ash', 0.3)] };

  it('a strip lies over the outside; glazed first, the outside leaves it free', () => {
    const over = laid(planOf({ outside: [coat('iron')] }, { strips: [strip] }), 'outside');
    expect(over.layers.map((layer) => layer.name)).toEqual(['iron', 'ash']);
    const first = laid(planOf({ outside: [coat('iron')] }, { strips: [{ ...strip, first: true }] }), 'outside');
    expect(first.layers.map((layer) => layer.name)).toEqual(['iron', 'iron', 'ash']);
    expect(volume(first)).toBeLessThan(volume(over));
  });

  it('a panel has its own way down, with the outside beneath it; the rest of the wall does not know it', () => {
    const plan = planOf({ outside: [coat('iron')] }, { strips: [{ ...strip, turn: { from: 0.9, to: 0.2 } }] });
    expect(laid(plan, 'outside').layers).toHaveLength(1);
    expect(laid(plan, 'panel').layers).toHaveLength(2);
    expect(sideToRun(ask(planOf({ outside: [coat('iron')] }), 'panel'))).toBeUndefined();
  });

  it('a waxed band holds off what goes over it; over a layer, that layer stays', () => {
    const two = { outside: [coat('iron'), coat('ash', 0.3)] };
    const names = (overLayerId?: string): string[] =>
      laid(
        planOf(two, { masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 40, toMm: 50, ...(overLayerId ? { overLayerId } : {}) }] }),
        'outside',
      ).layers.map((layer) => layer.name);
    expect(names()).toEqual(['iron', 'iron', 'ash', 'ash']);
    expect(names('iron 0.5')).toEqual(['iron', 'ash', 'ash']);
  });

  it('slip and underglaze stay where they are', () => {
    const plan = planOf({ outside: [coat('ash', 0.2, { coatingKind: 'slip' }), coat('iron')] });
    expect(laid(plan, 'outside').layers.map((layer) => layer.name)).toEqual(['iron']);
  });

  it('an edge that waves starts where it is lowest', () => {
    const level = laid(planOf({ outside: [coat('iron')] }, { waxFootMm: 20 }), 'outside');
    const waving = laid(planOf({ outside: [coat('iron')] }, { waxFootMm: 20, edges: { wax: { kind: 'waving', riseMm: 16, waves: 6 } } }), 'outside');
    expect(waving.startMm - level.startMm).toBeCloseTo(8, -0.5);
  });

  it('grooves, carving and trailed slip hold a third of their depth, each on its own side', () => {
    for (const kind of ['grooves', 'carved', 'trailed'] as const) {
      const plan = planOf({ outside: [coat('iron')], inside: [coat('iron')] }, { textures: { outside: { kind, depthMm: 0.6 } } });
      for (const mm of laid(plan, 'outside').stuckMm) expect(mm).toBeCloseTo(0.25, 9);
      for (const mm of laid(plan, 'inside').stuckMm) expect(mm).toBeCloseTo(0.05, 9);
    }
  });

  it('a strip has its own surface, over the rim’s, over the outside’s; the rest of the wall keeps its own', () => {
    const grooved = { ...strip, fromMm: 60, toMm: 75, texture: { kind: 'grooves' as const, depthMm: 0.9 } };
    const plan = planOf(
      { outside: [coat('iron')] },
      {
        rimBandMm: 20,
        strips: [grooved],
        textures: { outside: { kind: 'carved', depthMm: 0.3 }, rim: { kind: 'flutes', pitchMm: 8, valleyMm: 4 } },
      },
    );
    const { strip: wall, stuckMm, gathers } = laid(plan, 'outside');
    const top = Math.max(...shapeOf(plan).outside.map((point) => point.heightMm));
    for (let cell = 0; cell < wall.count; cell++) {
      const height = wall.heightMm[cell]!;
      const [held, gathered] = height >= 60 && height <= 75 ? [0.35, 1] : height >= top - 20 ? [0.05, 2] : [0.15, 1];
      expect(stuckMm[cell]).toBeCloseTo(held, 9);
      expect(gathers[cell]).toBe(gathered);
    }
  });

  it('a grooved belt below the edge holds the run that a smooth one lets by, and no glaze is lost in it', () => {
    const plan = (depthMm: number): PiecePlan =>
      planOf(
        { outside: [coat('ash', 0.4)] },
        { shapeId: 'liddedPot', waxFootMm: 60, strips: [{ id: 'b', fromMm: 30, toMm: 62, layers: [], texture: { kind: 'grooves', depthMm } }] },
      );
    const front = (depthMm: number): number => solve(laid(plan(depthMm), 'outside')).moments.at(-1)!.frontMm!;
    expect(front(3)).toBeLessThanOrEqual(front(0.01));
    expect(Math.abs(solve(laid(plan(3), 'outside')).lostShare)).toBeLessThan(1e-9);
  });

  it('the wall below a handle’s joint has the wall’s texture, the handle itself is smooth', () => {
    const plan = planOf({ outside: [coat('ash')] }, { shapeId: 'mug', textures: { outside: { kind: 'grooves', depthMm: 0.6 } } });
    const { strip: method, stuckMm } = laid(plan, 'grip');
    const joint = shapeOf(plan).grip!.lowerMm;
    for (let cell = 0; cell < method.count; cell++) expect(stuckMm[cell]).toBeCloseTo(method.heightMm[cell]! > joint ? 0.05 : 0.25, 9);
  });

  it('every panel runs by itself; asked for one without a name, it is the one that runs furthest', () => {
    const panel = (id: string, glaze: string, mm: number) => ({ ...strip, id, layers: [coat(glaze, mm)], turn: { from: 0.9, to: 0.2 } });
    const plan = planOf({ outside: [coat('iron')] }, { strips: [panel('thick', 'iron', 0.5), panel('runny', 'ash', 0.4)] });
    const sides = sidesToRun({ plan, shape: shapeOf(plan), glazes: GLAZES });
    expect(sides.map(sideKey)).toEqual(['outside', 'thick', 'runny']);
    expect(laid(plan, 'panel').panelId).toBe('runny');
    expect(laid(plan, 'panel', { panelId: 'thick' }).layers.map((layer) => layer.name)).toEqual(['iron', 'iron']);
  });

  it('a masked panel leaves the panel’s way bare where it covers all of it, also over the front', () => {
    const masked = (from: number, to: number): number => {
      const plan = planOf(
        { outside: [coat('iron')] },
        {
          strips: [{ ...strip, turn: { from: 0.9, to: 0.2 } }],
          masks: [{ id: 'm', kind: 'tape', where: 'panel', fromMm: 30, toMm: 50, turn: { from, to } }],
        },
      );
      return volume(laid(plan, 'panel'));
    };
    expect(masked(0.85, 0.25)).toBeLessThan(0.8 * masked(0, 0.2));
    expect(masked(0, 0.2)).toBe(masked(0.5, 0.6));
  });

  it('volume is kept on every side of a piece that has all of them', () => {
    const plan = planOf(
      { inside: [coat('iron')], outside: [coat('iron')], rim: [coat('ash', 0.3)] },
      {
        shapeId: 'mug',
        strips: [strip, { ...strip, id: 'p', turn: { from: 0.9, to: 0.2 } }],
        masks: [{ id: 'm', kind: 'tape', where: 'band', fromMm: 30, toMm: 34 }],
      },
    );
    const sides = sidesToRun({ plan, shape: shapeOf(plan), glazes: GLAZES });
    expect(sides.map(sideKey)).toEqual(['outside', 'p', 'grip', 'inside']);
    for (const side of sides) expect(Math.abs(solve(side).lostShare)).toBeLessThan(1e-9);
  });
});

describe('the quick look while a hand drags', () => {
  const plans: [string, PiecePlan][] = [
    ['a wide outside', planOf({ outside: [coat('iron')] }, { shapeId: 'liddedPot', waxFootMm: 20 })],
    ['ash over iron', planOf({ outside: [coat('iron', 0.4)], rim: [coat('ash', 0.3)] }, { shapeId: 'liddedPot', waxFootMm: 20, rimBandMm: 70 })],
    ['a runny bowl', planOf({ outside: [coat('ash', 0.4)] }, { shapeId: 'bowl', waxFootMm: 25 })],
  ];
  it.each(plans)('%s: its band is near two thousand runs, within three millimetres or a fifth', (_name, plan) => {
    const drawn = runChances(laid(plan, 'outside'), drawRuns(laid(plan, 'outside'), { draws: 400, random: seededUniform(11) }));
    const quick = quickBand(quickRun(ask(plan, 'outside'))!);
    for (const key of ['middleMm', 'lowMm', 'highMm'] as const) expect(Math.abs(quick[key] - drawn[key])).toBeLessThan(Math.max(3, 0.2 * drawn[key]));
    expect(Math.abs(quick.reachChance - drawn.reachChance)).toBeLessThan(0.12);
  });

  it('a band on an upright wall runs as the exact formula says', () => {
    const tall: PiecePlan['form'] = {
      wallMm: 4,
      floorMm: 6,
      points: [
        { radiusMm: 60, heightMm: 0 },
        { radiusMm: 60, heightMm: 200 },
      ],
    };
    const plan = planOf({ outside: [coat('iron')] }, { form: tall, waxFootMm: 120 });
    const quick = quickRun(ask(plan, 'outside'))!;
    const { meltedMm } = quick.side.layers[0]!;
    const exact = bandRunMm({ meltedMm: meltedMm - 0.05, bandMm: 80, flow: 60 });
    expect(Math.abs(quickBand(quick).middleMm - exact)).toBeLessThan(Math.max(1.5, 0.15 * exact));
  });

  it('more flow never ends higher, and the chance to come further is never greater', () => {
    const quick = quickRun(ask(plans[1]![1], 'outside'))!;
    const sds = [-3, -2, -1, 0, 1, 2, 3];
    sds.slice(1).forEach((sd, at) => expect(quickFront(quick, sd)).toBeGreaterThanOrEqual(quickFront(quick, sds[at]!)));
    const chances = [0, 5, 10, 20, 40].map((mm) => chanceBeyond(quick, quick.side.startMm + mm));
    chances.slice(1).forEach((chance, at) => expect(chance).toBeLessThanOrEqual(chances[at]!));
  });

  it('the coats it asks for a wanted edge bring the edge there', () => {
    const plan = planOf({ outside: [coat('iron', 0.6)] }, { shapeId: 'liddedPot', waxFootMm: 40 });
    const quick = quickRun(ask(plan, 'outside'))!;
    const wanted = quick.side.startMm + 9;
    const scale = coatScaleFor(quick, wanted)!;
    const again = quickRun(
      ask(
        withLayers(plan, (layer) => ({ ...layer, coatMm: layer.coatMm * scale })),
        'outside',
      ),
    )!;
    expect(quickFront(again, 0)).toBeCloseTo(wanted, -0.6);
  });

  it('a bare side has nothing to look at', () => {
    expect(quickRun(ask(planOf({}), 'outside'))).toBeUndefined();
  });
});
