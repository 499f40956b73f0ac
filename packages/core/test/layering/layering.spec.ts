import fc from 'fast-check';
import {
  chosenOrder,
  glazeFacts,
  lightnessOf,
  orderWarnings,
  PIECE_SHAPES,
  pieceWarnings,
  precedencesOf,
  safeOrder,
  sortWarnings,
  stepsOf,
  stepWords,
  timeSteps,
  type Layer,
  type PiecePlan,
  type ApplicationMethod,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { ASH, KAOLIN, POWDERS, SILICA, WHITING, FRIT } from '../powders';

const glaze = glazeOf;
const WHITE = glaze('white', { lightness: 0.9 });
const BLUE = glaze('blue', { lightness: 0.2 });
const ASHY = glaze('ashy', { lightness: 0.75, shrinkShare: 4 });
const YELLOW = glaze('yellow', { lightness: 0.65, shrinkShare: 31 });
const GLAZES = [WHITE, BLUE, ASHY, YELLOW];
let count = 0;
const layer = (bucketId: string, coatMm = 0.5, method: ApplicationMethod = 'dip'): Layer => ({ id: `layer${++count}`, bucketId, method, coatMm });
const plan = (zones: Partial<PiecePlan['zones']>, change: Partial<PiecePlan> = {}): PiecePlan => ({
  shapeId: 'cup',
  zones: { inside: [], outside: [], rim: [], foot: [], ...zones },
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
  ...change,
});
const CUP = PIECE_SHAPES.find((shape) => shape.id === 'cup')!;
const BODY = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const timed = (of: PiecePlan) => timeSteps({ steps: chosenOrder({ plan: of, glazes: GLAZES }), glazes: GLAZES, body: BODY, wallMm: CUP.wallMm });
const rules = (of: PiecePlan): string[] => [
  ...pieceWarnings({ plan: of, shape: CUP, glazes: GLAZES }).map((warning) => warning.rule),
  ...orderWarnings({ plan: of, steps: timed(of), glazes: GLAZES }).map((warning) => warning.rule),
];
const keys = (of: PiecePlan): string[] => safeOrder({ plan: of, glazes: GLAZES }).map((step) => step.key);

describe('the safe order', () => {
  it('checks, waxes, glazes inside, then outside, and wipes the foot last', () => {
    const of = plan({ inside: [layer('white', 0.4, 'pour')], outside: [layer('blue')] });
    expect(keys(of)).toEqual(['check', 'wax', `layer:${of.zones.inside[0]!.id}`, `layer:${of.zones.outside[0]!.id}`, 'wipeFoot']);
  });

  it('one dip does inside and outside when both want the same glaze', () => {
    const of = plan({ inside: [layer('white')], outside: [layer('white')] });
    expect(stepsOf({ plan: of }).filter((step) => step.kind === 'layer')).toHaveLength(1);
  });

  it('keeps every rule for any plan with one coat inside', () => {
    const some = (most: number) =>
      fc.array(
        fc.record({ bucketId: fc.constantFrom('white', 'blue', 'ashy', 'yellow'), method: fc.constantFrom<ApplicationMethod>('pour', 'brush') }),
        {
          maxLength: most,
        },
      );
    fc.assert(
      fc.property(some(1), some(3), some(3), fc.integer({ min: 0, max: 30 }), (inside, outside, rim, waxFootMm) => {
        const make = (list: { bucketId: string; method: ApplicationMethod }[]): Layer[] =>
          list.map(({ bucketId, method }) => layer(bucketId, 0.3, method));
        const of = plan({ inside: make(inside), outside: make(outside), rim: make(rim) }, { waxFootMm });
        const order = keys(of);
        for (const { before, after } of precedencesOf({ plan: of, steps: stepsOf({ plan: of }) }))
          expect(order.indexOf(before)).toBeLessThan(order.indexOf(after));
        expect(new Set(order).size).toBe(stepsOf({ plan: of }).length);
      }),
    );
  });

  it('takes light before dark where the stack leaves it open', () => {
    const of = plan({ outside: [layer('white')], foot: [layer('blue')] }, { waxFootMm: 0 });
    expect(keys(of).indexOf(`layer:${of.zones.outside[0]!.id}`)).toBeLessThan(keys(of).indexOf(`layer:${of.zones.foot[0]!.id}`));
  });

  it('the potter’s own order is kept while it names every step, else the safe one stands', () => {
    const of = plan({ inside: [layer('white', 0.4, 'pour')], outside: [layer('blue')] });
    const own = [...keys(of)].reverse();
    expect(chosenOrder({ plan: { ...of, order: own }, glazes: GLAZES }).map((step) => step.key)).toEqual(own);
    expect(chosenOrder({ plan: { ...of, order: own.slice(1) }, glazes: GLAZES }).map((step) => step.key)).toEqual(keys(of));
  });
});

describe('warnings of order', () => {
  const of = (): PiecePlan => plan({ inside: [layer('white', 0.3, 'pour')], outside: [layer('blue', 0.3)] });
  const moved = (move: (order: string[]) => string[]): PiecePlan => {
    const it = of();
    return { ...it, order: move(keys(it)) };
  };
  const swap = (order: string[], a: number, b: number): string[] => order.map((key, i) => (i === a ? order[b]! : i === b ? order[a]! : key));

  it('none for the safe order', () => {
    expect(rules(of()).filter((rule) => rule.startsWith('O'))).toEqual([]);
  });

  it.each([
    ['O1: glaze before the check', (order: string[]) => [...order.slice(1, 3), order[0]!, ...order.slice(3)], 'O1'],
    ['O2: outside before inside', (order: string[]) => swap(order, 2, 3), 'O2'],
    ['O3: wax after the glaze', (order: string[]) => swap(order, 1, 2), 'O3'],
    ['O4: wax over a coat', (order: string[]) => swap(order, 1, 2), 'O4'],
    ['O7: something after the foot', (order: string[]) => swap(order, 3, 4), 'O7'],
  ])('%s', (_name, move, rule) => {
    expect(rules(moved(move))).toContain(rule);
  });

  it('O5: the upper coat before the lower', () => {
    const it = plan({ outside: [layer('white', 0.3), layer('blue', 0.3)] });
    expect(rules({ ...it, order: swap(keys(it), 2, 3) })).toContain('O5');
  });

  it('O5: a pair over 0.8 mm wants to be dry through', () => {
    expect(rules(plan({ outside: [layer('white', 0.5), layer('blue', 0.5)] }))).toContain('O5');
  });

  it('O6: dark before light with shared tools', () => {
    expect(rules(plan({ outside: [layer('blue', 0.2), layer('white', 0.2)] }))).toContain('O6');
  });

  it('each broken order offers the safe one', () => {
    const [warning] = orderWarnings({ plan: moved((order) => swap(order, 3, 4)), steps: timed(moved((order) => swap(order, 3, 4))), glazes: GLAZES });
    expect(warning?.fixes?.[0]?.change).toEqual({ order: [] });
  });
});

describe('warnings of the plan', () => {
  it('F1: clay-rich over powdery flakes; the other way round it holds', () => {
    expect(rules(plan({ outside: [layer('ashy'), layer('yellow')] }))).toContain('F1');
    expect(rules(plan({ outside: [layer('yellow'), layer('ashy')] }))).not.toContain('F1');
  });

  it('F1 also where the rim band lies over the outside', () => {
    expect(rules(plan({ outside: [layer('ashy')], rim: [layer('yellow')] }))).toContain('F1');
  });

  it('H1 wherever glaze is, nowhere on bare clay', () => {
    expect(rules(plan({ outside: [layer('blue', 0.3)] }))).toContain('H1');
    expect(rules(plan({}))).not.toContain('H1');
  });

  it.each([
    ['matt', { surface: 'matt' }],
    ['2 % copper', { firedPercent: { CuO: 2.4 } }],
    ['any barium', { firedPercent: { BaO: 0.5 } }],
    ['low silica', { unity: { SiO2: 2.1, Al2O3: 0.3 } }],
    ['low alumina', { unity: { SiO2: 3, Al2O3: 0.2 } }],
  ])('H4: a liner with %s wants a leach test, whatever it was tested for', (_name, change) => {
    const liner = glaze('liner', { foodTested: true, ...change });
    const found = pieceWarnings({ plan: plan({ inside: [layer('liner')] }), shape: CUP, glazes: [liner] }).find((warning) => warning.rule === 'H4');
    expect(found?.severity).toBe('stop');
    expect(found?.remedies.join()).toContain('laboratory');
  });

  it('H4: untested is a look, tested and balanced is quiet', () => {
    const of = plan({ inside: [layer('white', 0.3, 'pour')] });
    expect(rules(of)).not.toContain('H4');
    expect(
      pieceWarnings({ plan: of, shape: CUP, glazes: [{ ...WHITE, foodTested: false }] }).find((warning) => warning.rule === 'H4')?.severity,
    ).toBe('look');
  });

  it('F4: glaze on the waxed foot can be mended both ways', () => {
    const of = plan({ foot: [layer('blue', 0.3)] });
    const fixes = pieceWarnings({ plan: of, shape: CUP, glazes: GLAZES }).find((warning) => warning.rule === 'F4')!.fixes!;
    for (const fix of fixes) expect(rules({ ...of, ...fix.change })).not.toContain('F4');
  });

  it('the worst comes first, and what was put aside stays away', () => {
    const warnings = pieceWarnings({ plan: plan({ outside: [layer('ashy'), layer('yellow')] }), shape: CUP, glazes: GLAZES });
    expect(sortWarnings({ warnings })[0]?.severity).toBe('stop');
    expect(sortWarnings({ warnings, putAside: [{ reason: 'known', rule: 'F1' }] }).map((warning) => warning.rule)).not.toContain('F1');
  });
});

describe('seconds and waits in the order chosen', () => {
  it('the outside of a thin wall needs longer once the inside has drunk', () => {
    const both = timed(plan({ inside: [layer('white', 0.5, 'pour')], outside: [layer('blue', 0.5)] }));
    const alone = timed(plan({ outside: [layer('blue', 0.5)] }));
    const seconds = (steps: typeof both): number => {
      const dip = steps.find((step) => step.zones.includes('outside'))!.dip!;
      return dip.kind === 'ok' ? dip.seconds : Infinity;
    };
    expect(seconds(both)).toBeGreaterThanOrEqual(seconds(alone));
  });

  it('a brushed coat is counted in coats, not in seconds', () => {
    const step = timed(plan({ outside: [layer('blue', 0.4, 'brush')] })).find((one) => one.kind === 'layer')!;
    expect(step.brushCoats).toBe(3);
    expect(step.dip).toBeUndefined();
    expect(stepWords({ step, glazeName: 'Blue', waxFootMm: 0 })).toBe('Brush Blue on the outside, 3 coats');
  });

  it('pouring says where', () => {
    const step = timed(plan({ rim: [layer('blue', 0.3, 'pour')] })).find((one) => one.kind === 'layer')!;
    expect(stepWords({ step, glazeName: 'Blue', waxFootMm: 0 })).toMatch(/^Pour Blue over the rim, \d+\.\d s$/);
  });
});

describe('what is known of a glaze', () => {
  const contents = (grams: Record<string, number>) => ({
    parts: Object.entries(grams).map(([powderId, weight]) => ({ powderId, name: powderId, part: 'base' as const, grams: weight, density: 2.6 })),
    dryGrams: 100,
    baseDryGrams: 100,
    stainGrams: 0,
    stainPercent: 0,
    waterGrams: 100,
    density: 2.6,
    volumeMl: 140,
    sg: 1.45,
    changedSinceMeasured: false,
    slurryState: 'normal' as const,
  });
  const source = { bucketId: 'b', name: 'B', colour: '#ffffff', surface: 'gloss', foodTested: false, powders: POWDERS };

  it('the potter’s word stands above the recipe’s guess', () => {
    const inside = contents({ [KAOLIN.id]: 20, [SILICA.id]: 30, [WHITING.id]: 20, [ASH.id]: 30 });
    expect(glazeFacts({ ...source, movement: 'runs', contents: inside }).flow.basis).toBe('pottersWord');
    expect(glazeFacts({ ...source, movement: 'unknown', contents: inside }).flow.basis).toBe('startingGuess');
  });

  it('powders nobody analysed give the widest guess, not a figure out of nothing', () => {
    expect(glazeFacts({ ...source, movement: 'unknown', contents: contents({ unknown: 100 }) }).flow.lnSd).toBe(1.3);
  });

  it('its expansion is told only where every powder in the bucket is analysed', () => {
    const known = { [KAOLIN.id]: 20, [SILICA.id]: 30, [WHITING.id]: 20, [FRIT.id]: 30 };
    const expansion = (grams: Record<string, number>) => glazeFacts({ ...source, movement: 'runs', contents: contents(grams) }).expansion;
    expect(expansion(known)).toBeGreaterThan(5);
    expect(expansion(known)).toBeLessThan(9);
    expect(expansion({ ...known, unknown: 1 })).toBeUndefined();
    expect(expansion({ [SILICA.id]: 100 })).toBeUndefined();
  });

  it('white is light and black is dark', () => {
    expect(lightnessOf('#FFFFFF')).toBeCloseTo(1, 9);
    expect(lightnessOf('#000000')).toBe(0);
  });
});
