import {
  orderWarnings,
  precedencesOf,
  safeOrder,
  shapeOf,
  stepsOf,
  stepWords,
  timeSteps,
  planAlternatives,
  type BodyFacts,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const GLAZES = [
  glazeOf('liner', { lightness: 0.9 }),
  glazeOf('iron', { lightness: 0.2 }),
  glazeOf('ash', { lightness: 0.8, shrinkShare: 4 }),
  glazeOf('yellow', { shrinkShare: 30 }),
];
const keys = (plan: PiecePlan): string[] => safeOrder({ plan, glazes: GLAZES }).map((step) => step.key);
const timed = (plan: PiecePlan) => timeSteps({ steps: safeOrder({ plan, glazes: GLAZES }), glazes: GLAZES, body: BODY, wallMm: 5 });
const words = (plan: PiecePlan): string[] =>
  timed(plan).map((step) =>
    stepWords({
      step,
      glazeName: plan.decoratingColours?.find((decoratingColour) => decoratingColour.id === step.layer?.bucketId)?.name ?? step.layer?.bucketId,
      waxFootMm: plan.waxFootMm,
    }),
  );
const before = (plan: PiecePlan, first: string, then: string): boolean => {
  const order = keys(plan);
  return order.findIndex((key) => key.includes(first)) < order.findIndex((key) => key.includes(then));
};

describe('what is kept bare, step by step', () => {
  const planter = planOf(
    { inside: [coat('liner', 0.4, { method: 'pour' })], outside: [coat('iron')] },
    { shapeId: 'planter', masks: [{ id: 'hole', kind: 'tape', where: 'hole', fromMm: 0, toMm: 0 }] },
  );

  it('a drain hole is taped shut before the glaze and opened again after the last coat, before the foot is wiped', () => {
    expect(words(planter)).toEqual([
      'Check edges and dust, wipe damp, let dry',
      'Wax the foot and 10 mm up',
      'Tape the drain hole shut',
      expect.stringMatching(/^Pour liner inside/),
      expect.stringMatching(/^Dip the outside in iron/),
      'Take the tape off the drain hole before the glaze is bone dry',
      'Wipe the foot and check it',
    ]);
  });

  it('tape that stays on overnight is said, and so is tape taken off before its coat', () => {
    const steps = timed(planter);
    const warn = (order: typeof steps) => orderWarnings({ plan: planter, steps: order, glazes: GLAZES }).map((one) => one.rule);
    expect(warn(steps)).not.toContain('O8');
    const early = [...steps.slice(0, 3), steps[5]!, ...steps.slice(3, 5), steps[6]!];
    expect(warn(early)).toContain('O8');
    const overnight = steps.map((step, at) => (at === 4 ? { ...step, waitFor: 'dryThrough' as const } : step));
    expect(warn(overnight)).toContain('O8');
  });

  it('wax over a layer comes after that layer and before the next one over it', () => {
    const plan = planOf(
      { outside: [coat('iron'), coat('ash', 0.3)] },
      { masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 30, toMm: 34, overLayerId: 'iron 0.5' }] },
    );
    expect(before(plan, 'iron 0.5', 'mask:m') && before(plan, 'mask:m', 'ash 0.3')).toBe(true);
    const bare = planOf({ outside: [coat('iron')] }, { masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 30, toMm: 34 }] });
    expect(before(bare, 'mask:m', 'iron 0.5')).toBe(true);
  });

  it('scraping back and sponging off come after the glaze', () => {
    for (const kind of ['scrape', 'sponge'] as const) {
      const plan = planOf({ outside: [coat('iron')] }, { masks: [{ id: 'm', kind, where: 'band', fromMm: 30, toMm: 34 }] });
      expect(before(plan, 'iron 0.5', 'mask:m')).toBe(true);
    }
    expect(before(planOf({ outside: [coat('iron')] }, { footBy: 'sponge' }), 'iron 0.5', 'wax')).toBe(true);
  });

  it('a soaked foot takes water: the wall has less room for the coats that follow', () => {
    const used = (footBy: 'wax' | 'soak'): number =>
      timed(planOf({ outside: [coat('iron')] }, { footBy, waxFootMm: 40 })).find((step) => step.key === 'wax')!.wallUsed;
    expect(used('soak')).toBeGreaterThan(used('wax') + 0.3);
  });

  it('wash goes into the clay and underglaze onto it before anything is waxed; painted over a glaze it comes last', () => {
    const decoratingColours = [
      { id: 'blue', name: 'Azul', colour: '#223388', coatingKind: 'underglaze' as const },
      { id: 'wash', name: 'Lavado', colour: '#332211', coatingKind: 'stain' as const },
    ];
    const under = planOf(
      {
        outside: [
          coat('wash', 0.05, { method: 'rub', coatingKind: 'stain' }),
          coat('blue', 0.1, { method: 'brush', coatingKind: 'underglaze' }),
          coat('liner', 0.3),
        ],
      },
      { decoratingColours },
    );
    expect(words(under).slice(1, 4)).toEqual([
      'Rub Lavado into the outside and wipe it back',
      'Brush Azul on the outside, 1 coat',
      'Wax the foot and 10 mm up',
    ]);
    const over = planOf({ outside: [coat('liner', 0.3), coat('blue', 0.1, { method: 'brush', coatingKind: 'underglaze' })] }, { decoratingColours });
    expect(before(over, 'wax', 'liner') && before(over, 'liner', 'blue')).toBe(true);
  });

  it('sprayed and sponged coats are counted in passes', () => {
    expect(words(planOf({ outside: [coat('iron', 0.4, { method: 'spray' })] }))).toContain('Spray iron on the outside, 8 passes');
    expect(words(planOf({ outside: [coat('iron', 0.4, { method: 'sponge' })] }))).toContain('Dab iron on the outside with a sponge, 5 passes');
  });
});

describe('a strip', () => {
  const strip = { id: 's', fromMm: 30, toMm: 50, layers: [coat('yellow', 0.4)] };
  const plan = planOf({ outside: [coat('ash', 0.4)] }, { strips: [strip] });

  it('lies over the outside; glazed first, it is waxed before the outside goes on', () => {
    expect(before(plan, 'ash', 'yellow')).toBe(true);
    const first = { ...plan, strips: [{ ...strip, first: true }] };
    expect(before(first, 'yellow', 'waxOver:s') && before(first, 'waxOver:s', 'ash')).toBe(true);
    expect(words(first)).toContain('Wax over the strip 30–50 mm up, its glaze dry, to its edge');
  });

  it('that flakes off the outside is found to go first, and waxed', () => {
    const alternatives = planAlternatives({ plan, shape: shapeOf(plan), glazes: GLAZES, body: BODY, count: 6, runFrom: 'quickLook' });
    expect(
      alternatives
        .slice(0, 3)
        .some((alternative) => alternative.changes.includes('stripFirst') && alternative.risks.every((risk) => risk.what !== 'flakes')),
    ).toBe(true);
  });

  it('a pin stands against everything that is only cheaper, and a contradiction offers no way', () => {
    const two = planOf(
      { outside: [coat('liner', 0.3)] },
      {
        strips: [
          { id: 'a', fromMm: 20, toMm: 30, layers: [coat('iron', 0.3)] },
          { id: 'b', fromMm: 40, toMm: 60, layers: [coat('ash', 0.2)] },
        ],
      },
    );
    const ask = (pins: PiecePlan['pins']) =>
      planAlternatives({ plan: { ...two, pins }, shape: shapeOf(two), glazes: GLAZES, body: BODY, count: 1, runFrom: 'quickLook' });
    const order = (pins: PiecePlan['pins']): string[] => ask(pins)[0]!.plan.order;
    const [ash, iron] = ['layer:ash 0.2', 'layer:iron 0.3'];
    expect(order([{ before: iron, after: ash }]).indexOf(iron)).toBeLessThan(order([{ before: iron, after: ash }]).indexOf(ash));
    expect(order([{ before: ash, after: iron }]).indexOf(ash)).toBeLessThan(order([{ before: ash, after: iron }]).indexOf(iron));
    expect(ask([{ before: 'wipeFoot', after: 'check' }])).toEqual([]);
  });
});

describe('every plan with masks, strips and small pots', () => {
  it('has an order in which all that must come before comes before', () => {
    const plans = [0, 1, 2, 3, 4, 5, 6, 7].map((number) =>
      planOf(
        { inside: [coat('liner', 0.3, { method: 'pour' })], outside: [coat('iron'), coat('ash', 0.2)], rim: number & 1 ? [coat('yellow', 0.2)] : [] },
        {
          rimFirst: Boolean(number & 1),
          footBy: number & 2 ? 'tape' : 'wax',
          strips: [{ id: 's', fromMm: 20, toMm: 40, layers: [coat('liner', 0.25)], first: Boolean(number & 4) }],
          masks: [
            { id: 'm', kind: 'wax', where: 'band', fromMm: 50, toMm: 52, ...(number & 2 ? { overLayerId: 'iron 0.5' } : {}) },
            { id: 't', kind: 'tape', where: 'panel', fromMm: 10, toMm: 30, turn: { from: 0.9, to: 0.1 } },
            { id: 'n', kind: 'scrape', where: 'band', fromMm: 60, toMm: 61 },
          ],
        },
      ),
    );
    for (const plan of plans) {
      const order = keys(plan);
      for (const pair of precedencesOf({ plan, steps: stepsOf({ plan }) }))
        expect(order.indexOf(pair.before)).toBeLessThan(order.indexOf(pair.after));
    }
  });
});
