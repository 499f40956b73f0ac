import {
  areasOf,
  matchingDip,
  placeWords,
  planFault,
  precedencesOf,
  predictCoat,
  quickForecast,
  quickRun,
  safeOrder,
  shapeOf,
  sidesToRun,
  stepsOf,
  timeSteps,
  withSafeCoats,
  worstSide,
  type BodyFacts,
  type PiecePlan,
  type Strip,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const GLAZES = [glazeOf('clear'), glazeOf('iron', { lightness: 0.2 }), glazeOf('ash', { flow: { flow: 300, lnSd: 0.5, basis: 'pottersWord' } })];
const strip = (id: string, layers: Strip['layers'], change: Partial<Strip> = {}): Strip => ({ id, fromMm: 30, toMm: 50, layers, ...change });
const area = (plan: PiecePlan, id: string) => areasOf({ plan, shape: shapeOf(plan) }).find((one) => one.id === id)!;
const keys = (plan: PiecePlan): string[] => safeOrder({ plan, glazes: GLAZES }).map(({ key }) => key);
const before = (plan: PiecePlan, first: string, then: string): void => expect(keys(plan).indexOf(first)).toBeLessThan(keys(plan).indexOf(then));

describe('bands of underglaze under a clear', () => {
  const blue = coat('blue', 0.1, { method: 'brush', coatingKind: 'underglaze' });
  const plan = planOf({ outside: [coat('clear', 0.4)] }, { strips: [strip('band', [blue], { under: true })] });

  it('go on before the clear, and before the foot is waxed', () => {
    before(plan, `layer:${blue.id}`, 'layer:clear 0.4');
    before(plan, `layer:${blue.id}`, 'wax');
  });

  it('over it, they come last', () => {
    const over = { ...plan, strips: [strip('band', [blue])] };
    before(over, 'layer:clear 0.4', `layer:${blue.id}`);
  });

  it('the clear covers them: its area is whole, and nothing of it is parted', () => {
    expect(area(plan, 'outside').areaCm2).toBeCloseTo(area(planOf({ outside: [coat('clear', 0.4)] }), 'outside').areaCm2, 9);
  });

  it('a band of glaze beneath runs with what is over it', () => {
    const glazed = planOf({ outside: [coat('clear', 0.4)] }, { strips: [strip('band', [coat('ash', 0.4)], { under: true })] });
    const [side] = sidesToRun({ plan: glazed, shape: shapeOf(glazed), glazes: GLAZES });
    expect(side!.layers.map(({ layer }) => layer.bucketId)).toEqual(['ash', 'clear']);
  });
});

describe('places inside', () => {
  const plan = planOf(
    { inside: [coat('clear', 0.4, { method: 'pour' })], outside: [coat('iron', 0.4)] },
    { strips: [strip('ring', [coat('ash', 0.2, { method: 'brush' })], { face: 'inside' })] },
  );

  it('have the area of the inside there, and lift no level', () => {
    const inside = area(plan, 'ring');
    expect(inside.areaCm2).toBeGreaterThan(0);
    expect(inside.areaCm2).toBeLessThan(area({ ...plan, strips: [strip('ring', [coat('ash', 0.2)])] }, 'ring').areaCm2);
    expect(inside.displacedMl).toBe(0);
    expect(placeWords('ring', plan)).toBe('the strip 30–50 mm up inside');
  });

  it('are painted after the inside and before the outside, and wet the inside of the wall', () => {
    before(plan, 'layer:clear 0.4', 'layer:ash 0.2');
    before(plan, 'layer:ash 0.2', 'layer:iron 0.4');
    expect(stepsOf({ plan }).find(({ key }) => key === 'layer:ash 0.2')!.face).toBe('inside');
    expect(() => timeSteps({ steps: safeOrder({ plan, glazes: GLAZES }), glazes: GLAZES, body: BODY, wallMm: 5 })).not.toThrow();
  });

  it('never run to the shelf', () => {
    const alone = planOf({}, { strips: [strip('ring', [coat('ash', 0.9)], { face: 'inside' })] });
    expect(quickForecast({ plan: alone, shape: shapeOf(alone), glazes: GLAZES }).sides).toEqual([]);
  });

  it('a tile has none', () => {
    expect(planFault({ ...plan, shapeId: 'tile', waxFootMm: 0 })).toBe('A tile has no inside.');
  });

  it('a band kept bare inside is taken off the inside, and waxed before it is poured', () => {
    const masked: PiecePlan = { ...plan, masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 60, toMm: 80, face: 'inside' }] };
    expect(area(masked, 'inside').areaCm2).toBeLessThan(area(plan, 'inside').areaCm2);
    expect(area(masked, 'outside').areaCm2).toBeCloseTo(area(plan, 'outside').areaCm2, 9);
    before(masked, 'mask:m', 'layer:clear 0.4');
    expect(precedencesOf({ plan: masked, steps: stepsOf({ plan: masked }) })).not.toContainEqual(
      expect.objectContaining({ before: 'mask:m', after: 'layer:iron 0.4' }),
    );
  });
});

describe('lines and rings', () => {
  const outside = planOf({ outside: [coat('ash', 0.5)] }, { waxFootMm: 8 });
  const lines = (linesShare?: number): PiecePlan => ({
    ...outside,
    masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 10, toMm: 60, ...(linesShare === undefined ? {} : { linesShare }) }],
  });

  it('lines take their share of the band, the band all of it', () => {
    const [whole, none, tenth] = [area(outside, 'outside').areaCm2, area(lines(), 'outside').areaCm2, area(lines(0.1), 'outside').areaCm2];
    expect(whole - tenth).toBeCloseTo(0.1 * (whole - none), 6);
    expect(stepsOf({ plan: lines(0.1) }).find(({ key }) => key === 'mask:m')!.place).toBe('lines on the band 10–60 mm up');
  });

  it('glaze runs on between lines; a bare band holds nothing to run', () => {
    const reach = (plan: PiecePlan): number => worstSide(quickForecast({ plan, shape: shapeOf(plan), glazes: GLAZES }))!.reachChance;
    expect(reach(lines(0.1))).toBeCloseTo(reach(outside), 9);
    expect(reach(lines())).toBeLessThan(reach(outside));
  });

  it('a ring of wax round the drain hole is bare, and told as a ring', () => {
    const planter = (ringMm?: number): PiecePlan =>
      planOf(
        { inside: [coat('clear', 0.4)] },
        { shapeId: 'planter', masks: ringMm ? [{ id: 'm', kind: 'wax', where: 'hole', fromMm: 0, toMm: 1, ringMm }] : [] },
      );
    const hole = shapeOf(planter()).holeMm!;
    expect(area(planter(), 'inside').areaCm2 - area(planter(6), 'inside').areaCm2).toBeCloseTo(
      (Math.PI * ((hole / 2 + 6) ** 2 - (hole / 2) ** 2)) / 100,
      6,
    );
    expect(stepsOf({ plan: planter(6) }).find(({ key }) => key === 'mask:m')!.place).toBe('a ring of 6 mm round the drain hole');
    expect(planFault(planter(6))).toBeUndefined();
  });
});

describe('a handle that is left out', () => {
  const mug = planOf({ outside: [coat('ash', 0.4)] }, { shapeId: 'mug', waxFootMm: 14 });
  const bare: PiecePlan = { ...mug, masks: [{ id: 'm', kind: 'wax', where: 'handle', fromMm: 0, toMm: 1 }] };
  const runs = (plan: PiecePlan, side: string): number =>
    quickForecast({ plan, shape: shapeOf(plan), glazes: GLAZES }).sides.find((one) => one.side === side)?.reachChance ?? 0;

  it('is waxed before the dip, takes no glaze and brings none down', () => {
    before(bare, 'mask:m', 'layer:ash 0.4');
    expect(stepsOf({ plan: bare }).find(({ key }) => key === 'mask:m')!.place).toBe('the handle');
    expect(area(bare, 'outside').areaCm2).toBeLessThan(area(mug, 'outside').areaCm2);
    expect(runs(mug, 'grip')).toBeGreaterThan(runs(mug, 'outside'));
    expect(runs(bare, 'grip')).toBeLessThan(runs(mug, 'grip'));
    expect(runs(bare, 'outside')).toBeCloseTo(runs(mug, 'outside'), 9);
  });

  it('there is none on a cup', () => {
    expect(planFault({ ...bare, shapeId: 'cup' })).toBe('There is no handle to leave out on this form.');
    expect(planFault(bare)).toBeUndefined();
  });
});

describe('dips from the rim that overlap', () => {
  const dip = (id: string, fromMm: number): Strip => ({ id, fromMm, toMm: 88, fromRim: true, layers: [coat('iron', 0.2, { id: `iron ${id}` })] });
  const plan = planOf({ outside: [coat('clear', 0.3)] }, { strips: [dip('a', 35), dip('b', 55), dip('c', 72)] });

  it('are told by their depth, each over the ones before', () => {
    expect(['a', 'b', 'c'].map((id) => placeWords(id, plan))).toEqual(['the upper 53 mm', 'the upper 33 mm', 'the upper 16 mm']);
    expect(area(plan, 'a').areaCm2).toBeGreaterThan(area(plan, 'c').areaCm2);
  });
});

describe('as low as is safe, by the coats', () => {
  it('thinner coats let it start where it does, as the draws would have it', () => {
    const plan = planOf({ outside: [coat('ash', 0.5)] }, { waxFootMm: 14 });
    const ask = { plan, shape: shapeOf(plan), glazes: GLAZES };
    const thin = withSafeCoats(plan, quickRun({ ...ask, side: 'outside' })!)!;
    expect(thin.zones.outside[0]!.coatMm).toBeLessThan(0.5);
    expect(worstSide(quickForecast(ask))!.nearChance).toBeGreaterThan(0.05);
    expect(worstSide(quickForecast({ ...ask, plan: thin }))!.nearChance).toBeLessThan(0.06);
  });

  it('a safe plan stays as it is', () => {
    const plan = planOf({ outside: [coat('clear', 0.3)] }, { waxFootMm: 30 });
    expect(withSafeCoats(plan, quickRun({ plan, shape: shapeOf(plan), glazes: GLAZES, side: 'outside' })!)).toBeUndefined();
  });
});

describe('thirty that match', () => {
  const dip = { sg: 1.45, density: 2.6, state: 'normal' as const, bisqueCone: '05', wallMm: 6, faces: 2 as const, coatMm: 0.5 };

  it('within these seconds, or this SG at the same seconds, the coat stays within a tenth', () => {
    const match = matchingDip(dip)!;
    const coatAt = (seconds: number, sg = dip.sg): number => {
      const { coat: made } = predictCoat({ ...dip, sg, seconds });
      return made.kind === 'ok' ? made.coatMm : NaN;
    };
    expect(coatAt(match.seconds)).toBeCloseTo(0.5, 6);
    expect(coatAt(match.fromSeconds)).toBeCloseTo(0.45, 6);
    expect(coatAt(match.toSeconds)).toBeCloseTo(0.55, 6);
    expect(coatAt(match.seconds, match.lowSg)).toBeGreaterThan(0.449);
    expect(coatAt(match.seconds, match.highSg)).toBeLessThan(0.551);
    expect(match.highSg - match.lowSg).toBeGreaterThan(0.01);
  });

  it('a coat that no dip gives has nothing to match', () => {
    expect(matchingDip({ ...dip, coatMm: 5 })).toBeUndefined();
  });
});
