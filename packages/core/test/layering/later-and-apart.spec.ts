import {
  areasOf,
  dayItemFromPiece,
  gripAreaCm2,
  isAfterFiring,
  pieceWarnings,
  planFault,
  quickForecast,
  safeOrder,
  shapeOf,
  sidesToRun,
  stepsOf,
  stepWords,
  timeSteps,
  withMethod,
  worstSide,
  type BodyFacts,
  type PiecePlan,
  type Strip,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const GLAZES = [glazeOf('clear'), glazeOf('ash', { flow: { flow: 300, lnSd: 0.5, basis: 'pottersWord' } })];
const area = (plan: PiecePlan, id: string): number => areasOf({ plan, shape: shapeOf(plan) }).find((one) => one.id === id)!.areaCm2;
const keys = (plan: PiecePlan): string[] => safeOrder({ plan, glazes: GLAZES }).map(({ key }) => key);
const rule = (id: string, plan: PiecePlan) => pieceWarnings({ plan, shape: shapeOf(plan), glazes: GLAZES }).find((one) => one.rule === id);

describe('a lustre, fired later', () => {
  const gold = coat('gold', 0.01, { method: 'brush', coatingKind: 'lustre' });
  const plan = planOf({ outside: [coat('clear', 0.4)], rim: [gold] }, { rimBandMm: 12, cone: '5' });

  it('is painted after the glaze firing, and fired again', () => {
    expect(keys(plan).slice(-4)).toEqual(['wipeFoot', 'fire', `layer:${gold.id}`, 'fireLustre']);
    const words = timeSteps({ steps: safeOrder({ plan, glazes: GLAZES }), glazes: GLAZES, body: BODY, wallMm: 4 }).map((step) =>
      stepWords({ step, glazeName: 'Gold', waxFootMm: 10 }),
    );
    expect(words.at(-3)).toBe('Fire it to cone 5, and open the kiln cold');
    expect(words.at(-1)).toBe('Fire it again for the lustre, to the cone on its label');
  });

  it('does not melt, and is no work of the glazing day', () => {
    expect(sidesToRun({ plan, shape: shapeOf(plan), glazes: GLAZES })[0]!.layers.map(({ layer }) => layer.bucketId)).toEqual(['clear']);
    let id = 0;
    const steps = timeSteps({ steps: safeOrder({ plan, glazes: GLAZES }), glazes: GLAZES, body: BODY, wallMm: 4 });
    const item = dayItemFromPiece({ pieceId: 'p', name: 'Cup', count: 3, waxFootMm: 10, steps, glazes: GLAZES, newId: () => String(id++) });
    expect(item.steps.at(-1)!.kind).toBe('wipeFoot');
    expect(steps.filter(isAfterFiring)).toHaveLength(3);
  });

  it('asks for air (H3), and nothing goes over it', () => {
    expect(rule('H3', plan)!.what).toMatch(/fumes/);
    expect(rule('H3', planOf({ outside: [coat('clear')] }))).toBeUndefined();
    expect(planFault(planOf({ outside: [gold, coat('clear', 0.4)] }))).toMatch(/Nothing goes over lustre/);
    expect(planFault(plan)).toBeUndefined();
  });
});

describe('the chance that goes with a piece to the day', () => {
  it('is that of its worst side, from what its plan stands on; none where nothing runs', () => {
    const plan = planOf({ outside: [coat('ash', 0.5)] }, { waxFootMm: 12 });
    const forecast = quickForecast({ plan, shape: shapeOf(plan), glazes: GLAZES });
    const put = { pieceId: 'p', name: 'Cup', count: 3, waxFootMm: 12, steps: [], glazes: GLAZES, newId: () => 'id' };
    expect(dayItemFromPiece({ ...put, forecast })).toMatchObject({ reachChance: worstSide(forecast)!.reachChance, chanceFrom: 'quickLook' });
    const bare = quickForecast({ plan: planOf({}), shape: shapeOf(plan), glazes: GLAZES });
    expect(dayItemFromPiece({ ...put, forecast: bare }).reachChance).toBeUndefined();
  });
});

describe('a handle that is glazed apart', () => {
  const handle = (change: Partial<Strip> = {}): Strip => ({ id: 'h', on: 'handle', fromMm: 26, toMm: 82, layers: [coat('clear', 0.3)], ...change });
  const mug = (strips: Strip[]): PiecePlan => planOf({ outside: [coat('ash', 0.5)] }, { shapeId: 'mug', waxFootMm: 8, strips });
  const all = mug([]);
  const apart = mug([handle({ first: true })]);

  it('takes its area from that of the outside: together they are as much as before', () => {
    expect(area(apart, 'h')).toBeCloseTo(gripAreaCm2(shapeOf(apart).grip!), 9);
    expect(area(apart, 'h') + area(apart, 'outside')).toBeCloseTo(area(all, 'outside'), 9);
    // Over the coat of the outside, both take glaze.
    expect(area(mug([handle()]), 'outside')).toBeCloseTo(area(all, 'outside'), 9);
  });

  it('is glazed first and waxed over', () => {
    const order = keys(apart);
    expect(order.indexOf('waxOver:h')).toBeGreaterThan(order.indexOf(`layer:${handle().layers[0]!.id}`));
    expect(order.indexOf('waxOver:h')).toBeLessThan(order.indexOf(`layer:${apart.zones.outside[0]!.id}`));
    expect(stepsOf({ plan: apart }).find(({ key }) => key === 'waxOver:h')!.place).toBe('the handle');
  });

  it('runs with its own glaze: a stiff one there does not lead a runny one down', () => {
    const grip = (plan: PiecePlan) => quickForecast({ plan, shape: shapeOf(plan), glazes: GLAZES }).sides.find(({ side }) => side === 'grip')!;
    expect(grip({ ...apart, waxFootMm: 24 }).run95Mm).toBeLessThan(grip({ ...all, waxFootMm: 24 }).run95Mm);
    expect(rule('M2', all)).toBeDefined();
    expect(rule('M2', apart)).toBeUndefined();
  });

  it('asks for a handle', () => {
    expect(planFault(planOf({}, { strips: [handle()] }))).toMatch(/no handle/);
  });
});

describe('trailed lines', () => {
  const trailed = withMethod(coat('ash', 0.4), 'trail');
  const lines = (linesShare?: number): PiecePlan =>
    planOf(
      { outside: [coat('clear', 0.3)] },
      { strips: [{ id: 's', fromMm: 40, toMm: 60, layers: [trailed], ...(linesShare === undefined ? {} : { linesShare }) }] },
    );

  it('lie thick, and take glaze only where they lie', () => {
    expect(trailed.coatMm).toBe(1);
    expect(area(lines(0.2), 's')).toBeCloseTo(0.2 * area(lines(), 's'), 9);
    expect(withMethod(trailed, 'dip').coatMm).toBe(0.5);
  });

  it('run less far than a sheet so thick, and further than without them', () => {
    const middle = (plan: PiecePlan): number => quickForecast({ plan, shape: shapeOf(plan), glazes: GLAZES }).sides[0]!.run95Mm;
    expect(middle(lines(0.2))).toBeLessThanOrEqual(middle(lines()));
    const [side] = sidesToRun({ plan: lines(0.2), shape: shapeOf(lines()), glazes: GLAZES });
    const own = side!.layers.filter(({ layer }) => layer.bucketId === 'ash').map(({ layer }) => layer.coatMm);
    expect(own).toEqual([1, 0.2]);
  });
});

describe('a piece too tall for its bucket', () => {
  const bucket = {
    code: 'B1',
    volumeMl: 6000,
    shape: { kind: 'cylinder' as const, acrossMm: 260, highMm: 150 },
    sg: 1.45,
    lowSg: 1.43,
    highSg: 1.47,
    isOut: false,
  };
  const glazes = [glazeOf('clear', { bucket })];
  const vase = planOf({ outside: [coat('clear', 0.4)] }, { shapeId: 'vase', waxFootMm: 10 });
  const trouble = (plan: PiecePlan) => pieceWarnings({ plan, shape: shapeOf(plan), glazes }).find((one) => one.rule === 'T2');

  it('is dipped in two halves that overlap, where half of it goes in', () => {
    const fix = trouble(vase)!.fixes!.find(({ words }) => words === 'Dip it in two halves')!;
    const halves = { ...vase, ...fix.change };
    expect(halves.zones.outside[0]!.method).toBe('halfDips');
    expect(trouble(halves)).toBeUndefined();
    const step = timeSteps({ steps: safeOrder({ plan: halves, glazes }), glazes, body: BODY, wallMm: 5 }).find(({ layer }) => layer)!;
    expect(step.dip!.kind).toBe('ok');
    expect(stepWords({ step, glazeName: 'Clear', waxFootMm: 10 })).toMatch(
      /in two halves, .* s each, the second once the first is handle-dry and 5 mm over it/,
    );
    // Each half takes as long as a whole dip, and the first has to dry before the second.
    const whole = timeSteps({ steps: safeOrder({ plan: vase, glazes }), glazes, body: BODY, wallMm: 5 }).find(({ layer }) => layer)!;
    expect(step.waitMinutes).toBeGreaterThan(1.9 * whole.waitMinutes - 1);
  });

  it('not where even half is too deep: then it is poured', () => {
    const shallow = [glazeOf('clear', { bucket: { ...bucket, shape: { ...bucket.shape, highMm: 90 }, volumeMl: 2500 } })];
    const warning = pieceWarnings({ plan: vase, shape: shapeOf(vase), glazes: shallow }).find((one) => one.rule === 'T2')!;
    expect(warning.fixes!.map(({ words }) => words)).toEqual(['Pour it over']);
  });
});

describe('a foot and its underside', () => {
  it('an underside that is glazed counts: by its own coats, or with the dip of a piece without wax', () => {
    const underside = Math.PI * 3 ** 2;
    expect(area(planOf({ foot: [coat('clear')] }, { waxFootMm: 0 }), 'foot')).toBeCloseTo(underside, 6);
    const dipped = planOf({ outside: [coat('clear')] }, { waxFootMm: 0 });
    const poured = planOf({ outside: [coat('clear', 0.5, { method: 'pour' })] }, { waxFootMm: 0 });
    expect(area(dipped, 'outside') - area(poured, 'outside')).toBeCloseTo(underside, 6);
  });
});
