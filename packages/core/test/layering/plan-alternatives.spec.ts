import fc from 'fast-check';
import {
  changeMinutes,
  cheapestOrder,
  isStep,
  PIECE_SHAPES,
  precedencesOf,
  safeOrder,
  planAlternatives,
  type GlazeFacts,
  type Layer,
  type PiecePlan,
  type PieceStep,
  type ApplicationMethod,
  type AlternativesQuestion,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';

const glaze = (bucketId: string, change: Partial<GlazeFacts> = {}): GlazeFacts =>
  glazeOf(bucketId, { flow: { flow: 30, lnSd: 0.5, basis: 'pottersWord' }, ...change });
const WHITE = glaze('white', { lightness: 0.9 });
const BLUE = glaze('blue', { lightness: 0.2 });
const ASH = glaze('ash', { lightness: 0.75, shrinkShare: 4 });
const CLAY_RICH = glaze('clayRich', { lightness: 0.6, shrinkShare: 31 });
const RUNNER = glaze('runner', { lightness: 0.7, flow: { flow: 500, lnSd: 0.5, basis: 'pottersWord' } });
const GLAZES = [WHITE, BLUE, ASH, CLAY_RICH, RUNNER];
let count = 0;
const layer = (bucketId: string, coatMm = 0.4, method: ApplicationMethod = 'dip'): Layer => ({ id: `layer${++count}`, bucketId, method, coatMm });
const plan = (zones: Partial<PiecePlan['zones']>, change: Partial<PiecePlan> = {}): PiecePlan => ({
  shapeId: 'cazuela',
  zones: { inside: [], outside: [], rim: [], foot: [], ...zones },
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
  ...change,
});
const question = (of: PiecePlan, change: Partial<AlternativesQuestion> = {}): AlternativesQuestion => ({
  plan: of,
  shape: PIECE_SHAPES.find((shape) => shape.id === 'cazuela')!,
  glazes: GLAZES,
  body: { name: 'Barro Claro', bisqueCone: '05', earthenware: false },
  count: 6,
  // Their order and prices are looked at here; that they stand on the draws, in run-forecast.spec.
  runFrom: 'quickLook',
  ...change,
});
const lightness = new Map(GLAZES.map((one) => [one.bucketId, one.lightness]));
const costOf = (keys: readonly string[], steps: readonly PieceStep[]): number => {
  let inHand: string | undefined;
  return keys.reduce((sum, key) => {
    const bucketId = steps.find((step) => step.key === key)!.layer?.bucketId;
    const cost = changeMinutes(inHand, bucketId, lightness);
    inHand = bucketId ?? inHand;
    return sum + cost;
  }, 0);
};

/** Every order there is, one by one. */
function bruteForce(steps: readonly PieceStep[], before: readonly { before: string; after: string }[]): number {
  let best = Infinity;
  const walk = (done: string[], left: readonly PieceStep[]): void => {
    if (left.length === 0) best = Math.min(best, costOf(done, steps));
    for (const step of left) {
      if (before.some((pair) => pair.after === step.key && left.some((other) => other.key === pair.before))) continue;
      walk(
        [...done, step.key],
        left.filter((other) => other !== step),
      );
    }
  };
  walk([], steps);
  return best;
}

describe('the cheapest order', () => {
  it('is that of looking at every order, on six hundred plans small enough for it', () => {
    const layers = fc.array(fc.constantFrom(...GLAZES.map((one) => one.bucketId)), { maxLength: 2 });
    const plans = fc.record({ inside: layers, outside: layers, rim: layers, foot: fc.constant([] as string[]), rimFirst: fc.boolean() });
    fc.assert(
      fc.property(plans, ({ rimFirst, ...zones }) => {
        const made = Object.fromEntries(Object.entries(zones).map(([zone, ids]) => [zone, ids.map((bucketId) => layer(bucketId, 0.4, 'pour'))]));
        const of = plan(made, { rimFirst });
        const steps = safeOrder({ plan: of, glazes: GLAZES });
        const before = precedencesOf({ plan: of, steps });
        const found = cheapestOrder({ steps, before, lightness });
        if (found.kind !== 'ok') throw new Error(found.kind);
        expect(found.changeMinutes).toBe(costOf(found.keys, steps));
        expect(found.changeMinutes).toBe(bruteForce(steps, before));
        const at = new Map(found.keys.map((key, index) => [key, index]));
        for (const pair of before) expect(at.get(pair.before)!).toBeLessThan(at.get(pair.after)!);
      }),
      { numRuns: 600 },
    );
  });

  it('and so it is with strips, wax over a band, tape and a foot that is soaked or sponged', () => {
    const plans = fc.record({
      outside: fc.constantFrom(...GLAZES.map((one) => one.bucketId)),
      strip: fc.constantFrom(...GLAZES.map((one) => one.bucketId)),
      inside: fc.boolean(),
      first: fc.boolean(),
      kind: fc.constantFrom('wax' as const, 'tape' as const, 'scrape' as const),
      over: fc.boolean(),
      footBy: fc.constantFrom('wax' as const, 'soak' as const, 'sponge' as const),
    });
    fc.assert(
      fc.property(plans, ({ outside, strip, inside, first, kind, over, footBy }) => {
        const base = layer(outside);
        const of = plan(
          { outside: [base], inside: inside ? [layer('white', 0.3, 'pour')] : [] },
          {
            footBy,
            strips: [{ id: 's', fromMm: 20, toMm: 40, layers: [layer(strip)], first }],
            masks: [{ id: 'm', kind, where: 'band', fromMm: 44, toMm: 46, ...(over ? { overLayerId: base.id } : {}) }],
          },
        );
        const steps = safeOrder({ plan: of, glazes: GLAZES });
        const before = precedencesOf({ plan: of, steps });
        const found = cheapestOrder({ steps, before, lightness });
        if (found.kind !== 'ok') throw new Error(found.kind);
        expect(found.changeMinutes).toBe(bruteForce(steps, before));
      }),
      { numRuns: 150 },
    );
  });

  it('of a plan of more than twenty steps too, where what costs nothing is done as soon as it can be', () => {
    const layers = fc.array(fc.constantFrom(...GLAZES.map((one) => one.bucketId)), { maxLength: 2 });
    fc.assert(
      fc.property(layers, layers, layers, (inside, outside, rim) => {
        const laid = (ids: string[]): Layer[] => ids.map((bucketId) => layer(bucketId, 0.4, 'pour'));
        const of = plan({ inside: laid(inside), outside: laid(outside), rim: laid(rim) });
        const few = safeOrder({ plan: of, glazes: GLAZES });
        const before = precedencesOf({ plan: of, steps: few });
        // Short steps without a bucket lengthen the list and change no minute of fetching.
        const steps = [...few, ...Array.from({ length: 20 }, (_, at): PieceStep => ({ ...few[0]!, key: `mark ${at}` }))];
        const found = cheapestOrder({ steps, before, lightness });
        if (found.kind !== 'ok') throw new Error(found.kind);
        expect(new Set(found.keys).size).toBe(steps.length);
        expect(found.changeMinutes).toBe(costOf(found.keys, steps));
        expect(found.changeMinutes).toBe(bruteForce(few, before));
        for (const pair of before) expect(found.keys.indexOf(pair.before)).toBeLessThan(found.keys.indexOf(pair.after));
      }),
      { numRuns: 100 },
    );
  });

  it('is found for as much as a plan can hold, and more is refused in words', () => {
    const three = (): Layer[] => ['white', 'runner', 'blue'].map((bucketId) => layer(bucketId, 0.3, 'brush'));
    const six = [0, 1, 2, 3, 4, 5];
    const of = plan(
      { inside: three(), outside: three(), rim: three(), foot: three() },
      {
        footBy: 'tape',
        rimFirst: true,
        strips: six.map((at) => ({ id: `s${at}`, fromMm: 10 * at, toMm: 10 * at + 5, layers: three(), first: true })),
        masks: six.map((at) => ({ id: `m${at}`, kind: 'tape' as const, where: 'band' as const, fromMm: 10 * at + 6, toMm: 10 * at + 8 })),
      },
    );
    const steps = safeOrder({ plan: of, glazes: GLAZES });
    expect(steps).toHaveLength(53);
    const found = cheapestOrder({ steps, before: precedencesOf({ plan: of, steps }), lightness });
    // Inside, then strips, rim and foot side by side, then the outside: three buckets a round, and a wash from blue back to white.
    expect(found).toMatchObject({ kind: 'ok', changeMinutes: 15 + 20 + 20 });
    expect(() => cheapestOrder({ steps: [...steps, { ...steps[0]!, key: 'one more' }], before: [], lightness })).toThrow('at most 53 steps');
  });

  it('says when what was pinned contradicts what must be', () => {
    const of = plan({ outside: [layer('white')] });
    const steps = safeOrder({ plan: of, glazes: GLAZES });
    const before = [...precedencesOf({ plan: of, steps }), { before: 'wipeFoot', after: 'check' }];
    expect(cheapestOrder({ steps, before, lightness })).toEqual({ kind: 'contradiction' });
  });

  it('fetches a bucket once where it can, and washes rather light first', () => {
    expect(changeMinutes('blue', 'white', lightness)).toBe(10);
    expect(changeMinutes('white', 'blue', lightness)).toBe(5);
    expect(changeMinutes('white', 'white', lightness)).toBe(0);
  });
});

describe('the ways there', () => {
  it('a clay-rich rim over a powdery ash flakes as drawn; the way found waxes the rim first', () => {
    const alternatives = planAlternatives(question(plan({ outside: [layer('ash', 0.5)], rim: [layer('clayRich', 0.6)] })));
    const asDrawn = alternatives.find((alternative) => alternative.changes.length === 0)!;
    expect(asDrawn.risks).toContainEqual({ what: 'flakes', chance: 0.7 });
    const [best] = alternatives;
    expect(best!.changes).toContain('rimFirst');
    expect(best!.steps.map((step) => step.kind)).toEqual(['check', 'wax', 'layer', 'waxOver', 'layer', 'wipeFoot']);
    expect(best!.steps[2]!.layer!.bucketId).toBe('clayRich');
    expect(best!.goodShare).toBeGreaterThan(asDrawn.goodShare);
  });

  it('where they lie on the same zone, gum or a thinner coat is what is left', () => {
    const alternatives = planAlternatives(question(plan({ outside: [layer('ash', 0.5), layer('clayRich', 0.6)] })));
    expect(alternatives[0]!.changes).toContain('gum');
    expect(alternatives.every((alternative) => !alternative.changes.includes('rimFirst'))).toBe(true);
    expect(alternatives[0]!.plan.gumIn).toEqual(['ash']);
  });

  it('a runner too low is waxed higher', () => {
    const [best] = planAlternatives(question(plan({ outside: [layer('runner', 0.5)] }, { waxFootMm: 4 })));
    expect(best!.changes).toEqual(['higherWax']);
    expect(best!.plan.waxFootMm).toBeGreaterThan(4);
  });

  it('a thin wall that cannot take the second coat is brushed, or left a night', () => {
    const thin = { ...PIECE_SHAPES.find((shape) => shape.id === 'cup')!, wallMm: 2 };
    const of = plan({ inside: [layer('white', 0.6, 'pour')], outside: [layer('blue', 0.7)] });
    const alternatives = planAlternatives(question(of, { shape: thin }));
    expect(alternatives.some((alternative) => alternative.changes.includes('brush'))).toBe(true);
    expect(alternatives[0]!.risks.some((risk) => risk.what === 'noSuchCoat')).toBe(false);
  });

  it('the same glaze in and out is one dip; a sound plan is left as drawn', () => {
    const alternatives = planAlternatives(question(plan({ inside: [layer('white', 0.4, 'pour')], outside: [layer('white', 0.4)] })));
    expect(alternatives[0]!.changes).toEqual(['oneDip']);
    expect(planAlternatives(question(plan({ inside: [layer('white', 0.3, 'pour')], outside: [layer('blue', 0.3)] })))[0]!.changes).toEqual([]);
  });

  it('more pieces wait less: the first is dry when the last is done', () => {
    const of = plan({ inside: [layer('white', 0.3, 'pour')], outside: [layer('blue', 0.3)] });
    const wait = (pieces: number): number => planAlternatives(question(of, { count: pieces }))[0]!.waitMinutes;
    expect(wait(30)).toBeLessThan(wait(1));
  });

  it('a pinned pair is kept in every way, a forbidden change never made', () => {
    const of = plan({ outside: [layer('blue', 0.3)], rim: [layer('white', 0.3)] });
    const [rim] = of.zones.rim;
    const [outside] = of.zones.outside;
    const alternatives = planAlternatives(question(of, { pins: [{ before: `layer:${rim!.id}`, after: `layer:${outside!.id}` }] }));
    for (const alternative of alternatives) {
      const keys = alternative.steps.map((step) => step.key);
      expect(keys.indexOf(`layer:${rim!.id}`)).toBeLessThan(keys.indexOf(`layer:${outside!.id}`));
    }
    expect(
      planAlternatives(question({ ...of, unwanted: { changes: ['rimFirst'] } })).every((alternative) => !alternative.changes.includes('rimFirst')),
    ).toBe(true);
  });

  describe('a step nobody wants', () => {
    const without = (of: PiecePlan, ...steps: { key: string; by: string }[]) => planAlternatives(question({ ...of, unwanted: { steps } }));
    const dipped = plan({ outside: [layer('blue', 0.3)], inside: [layer('white', 0.3, 'pour')] });
    const dip = { key: `layer:${dipped.zones.outside[0]!.id}`, by: 'dip' };

    it('is in no way, and others do what it was for: poured or brushed instead of dipped', () => {
      const alternatives = without(dipped, dip);
      expect(alternatives.length).toBeGreaterThan(1);
      for (const alternative of alternatives) expect(alternative.steps.some((step) => isStep(step, dip))).toBe(false);
      expect(new Set(alternatives.map((alternative) => alternative.plan.zones.outside[0]!.method))).toEqual(new Set(['pour', 'brush']));
      expect(alternatives.every((alternative) => alternative.plan.zones.inside[0]!.method === 'pour')).toBe(true);
    });

    it('the foot waxed no more: taped, or sponged off after', () => {
      const alternatives = without(dipped, { key: 'wax', by: 'wax' });
      expect(new Set(alternatives.map((alternative) => alternative.plan.footBy))).toEqual(new Set(['tape', 'sponge']));
    });

    it('a waxed line taped or sponged instead, the foot left as it is', () => {
      const of = { ...dipped, masks: [{ id: 'm', kind: 'wax' as const, where: 'band' as const, fromMm: 40, toMm: 44 }] };
      const alternatives = without(of, { key: 'mask:m', by: 'wax' });
      expect(new Set(alternatives.map((alternative) => alternative.plan.masks![0]!.kind))).toEqual(new Set(['tape', 'sponge']));
      expect(alternatives.every((alternative) => (alternative.plan.footBy ?? 'wax') === 'wax')).toBe(true);
    });

    it('no wax over a rim that is drawn first: the two lie over one another again', () => {
      const of = plan({ outside: [layer('blue', 0.3)], rim: [layer('white', 0.3)] }, { rimFirst: true });
      const alternatives = without(of, { key: 'waxOver', by: 'waxOver' });
      expect(alternatives.length).toBeGreaterThan(0);
      for (const alternative of alternatives) expect(alternative.plan.rimFirst).toBeUndefined();
    });

    it('that only another way would take is kept out of that one, and costs the rest nothing', () => {
      const of = plan({ outside: [layer('ash', 0.5)], rim: [layer('clayRich', 0.6)] });
      const free = planAlternatives(question(of));
      const alternatives = without(of, { key: 'waxOver', by: 'waxOver' });
      expect(alternatives.map((alternative) => alternative.changes)).toEqual(
        free.filter((alternative) => !alternative.changes.includes('rimFirst')).map((alternative) => alternative.changes),
      );
    });

    it('where every way is unwanted none is found, and none is made up', () => {
      const key = `layer:${dipped.zones.outside[0]!.id}`;
      expect(without(dipped, ...['dip', 'pour', 'brush'].map((by) => ({ key, by })))).toEqual([]);
    });
  });

  it('no two ways are alike, and the best is first', () => {
    const alternatives = planAlternatives(question(plan({ outside: [layer('ash', 0.5)], rim: [layer('clayRich', 0.6)] })));
    expect(
      new Set(
        alternatives.map((alternative) =>
          JSON.stringify([alternative.plan.zones, alternative.plan.rimFirst, alternative.plan.gumIn, alternative.steps.map((step) => step.key)]),
        ),
      ).size,
    ).toBe(alternatives.length);
    for (let at = 1; at < alternatives.length; at++) expect(alternatives[at]!.price).toBeGreaterThanOrEqual(alternatives[at - 1]!.price);
  });
});
