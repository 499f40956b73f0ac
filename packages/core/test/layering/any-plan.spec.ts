import fc from 'fast-check';
import {
  areasOf,
  attempt,
  chosenOrder,
  glazeNeeded,
  knowledgeOf,
  layersOf,
  learnCoats,
  orderWarnings,
  pieceWarnings,
  PIECE_FORMS,
  planFault,
  quickRun,
  shapeOf,
  sidesToRun,
  stepWords,
  COATING_KINDS,
  timeSteps,
  APPLICATION_METHODS,
  planAlternatives,
  type BodyFacts,
  type GlazeFacts,
  type Layer,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false, absorptionPercent: 11, lightness: 0.7, shrinkagePercent: 11 };
const GLAZES: GlazeFacts[] = [
  glazeOf('white', { flow: { flow: 40, lnSd: 0.5, basis: 'pottersWord' }, lightness: 0.9 }),
  glazeOf('ash', { flow: { flow: 400, lnSd: 0.9, basis: 'startingGuess' }, shrinkShare: 3, lightness: 0.7 }),
  glazeOf('clay', { flow: { flow: 15, lnSd: 0.3, basis: 'runnerTile' }, shrinkShare: 31 }),
];
const KNOWLEDGE = knowledgeOf(learnCoats({ observations: [] }), { glazeId: 'white', bodyId: 'b' });

const millimetres = fc.integer({ min: 0, max: 200 });
const share = fc.integer({ min: 0, max: 20 }).map((twentieths) => twentieths / 20);
const turn = fc.record({ from: share, to: share });
let numbers = 0;
const layer: fc.Arbitrary<Layer> = fc
  .record({
    bucketId: fc.constantFrom('white', 'ash', 'clay', 'pot', 'a bucket that is gone'),
    method: fc.constantFrom(...APPLICATION_METHODS),
    coatMm: fc.integer({ min: 5, max: 200 }).map((hundredths) => hundredths / 100),
    // A lustre under another coat is refused at once: rare, so that most plans get further.
    coatingKind: fc.option(fc.constantFrom(...COATING_KINDS, ...COATING_KINDS.slice(0, 4), ...COATING_KINDS.slice(0, 4)), {
      nil: undefined,
      freq: 1,
    }),
  })
  // All of one length: none may be found in another's.
  .map((made) => ({ id: `layer ${1e6 + (numbers += 1)}`, ...made }));
const stack = fc.array(layer, { maxLength: 3 });
/** Whatever can be drawn, whether it is possible or not. */
const plan: fc.Arbitrary<PiecePlan> = fc
  .record({
    shapeId: fc.constantFrom(...PIECE_FORMS.map(({ id }) => id)),
    zones: fc.record({ inside: stack, outside: stack, rim: stack, foot: stack }),
    waxFootMm: millimetres,
    rimBandMm: millimetres,
    strips: fc.array(
      fc.record({
        fromMm: millimetres,
        toMm: millimetres,
        turn: fc.option(turn, { nil: undefined }),
        layers: stack,
        first: fc.option(fc.constant(true), { nil: undefined }),
      }),
      { maxLength: 2 },
    ),
    masks: fc.array(
      fc.record({
        kind: fc.constantFrom('wax' as const, 'tape' as const, 'scrape' as const, 'sponge' as const),
        where: fc.constantFrom('hole' as const, 'band' as const, 'panel' as const),
        fromMm: millimetres,
        toMm: millimetres,
        turn: fc.option(turn, { nil: undefined }),
      }),
      { maxLength: 2 },
    ),
    footBy: fc.constantFrom('wax' as const, 'soak' as const, 'tape' as const, 'sponge' as const),
    rimFirst: fc.option(fc.constant(true), { nil: undefined }),
    refire: fc.option(fc.constant(true), { nil: undefined }),
    lid: fc.option(fc.constant(true), { nil: undefined }),
    gumIn: fc.subarray(['white', 'ash', 'clay']),
  })
  .map(({ zones, strips, masks, ...rest }) =>
    planOf(zones, {
      ...rest,
      strips: strips.map((strip, at) => ({ id: `strip ${at}`, ...strip })),
      masks: masks.map((mask, at) => ({ id: `mask ${at}`, ...mask })),
      decoratingColours: [{ id: 'pot', name: 'Nieve', colour: '#ffffff', coatingKind: 'slip' }],
    }),
  );

const soundWords = (words: string): void => expect(words).not.toMatch(/NaN|undefined|Infinity|\[object|null/);

describe('whatever is drawn', () => {
  it('says in a sentence why it cannot stand, or stands with every number and warning sound', () => {
    let stood = 0;
    fc.assert(
      fc.property(plan, (drawn) => {
        const fault = planFault(drawn);
        if (fault) return soundWords(fault);
        stood += 1;
        const shape = shapeOf(drawn);
        const question = { plan: drawn, shape, glazes: GLAZES };
        for (const area of areasOf({ plan: drawn, shape })) {
          expect(area.areaCm2).toBeGreaterThanOrEqual(0);
          const { dryGrams, slurryMl } = glazeNeeded({ area, glazes: GLAZES });
          expect(dryGrams).toBeGreaterThanOrEqual(0);
          expect(slurryMl).toBeGreaterThanOrEqual(0);
        }
        const steps = timeSteps({
          steps: chosenOrder({ plan: drawn, glazes: GLAZES }),
          glazes: GLAZES,
          body: BODY,
          wallMm: 5,
          knowledge: () => KNOWLEDGE,
        });
        for (const step of steps) {
          soundWords(stepWords({ step, glazeName: 'Leche', waxFootMm: drawn.waxFootMm }));
          expect(step.laborSeconds).toBeGreaterThanOrEqual(0);
        }
        for (const warning of [...orderWarnings({ plan: drawn, steps, glazes: GLAZES }), ...pieceWarnings({ ...question, body: BODY })])
          soundWords([warning.what, warning.why, ...warning.remedies, ...(warning.fixes ?? []).map((fix) => fix.words)].join(' '));
      }),
      { numRuns: 600 },
    );
    expect(stood).toBeGreaterThan(60);
  });

  it('runs down every side without losing a drop, and the quick look is a number', () => {
    fc.assert(
      fc.property(plan, (drawn) => {
        if (planFault(drawn)) return;
        const question = { plan: drawn, shape: shapeOf(drawn), glazes: GLAZES };
        for (const side of sidesToRun(question)) {
          expect(side.layers.length).toBeGreaterThan(0);
          for (const { fromMm, toMm } of side.layers) expect(toMm).toBeGreaterThanOrEqual(fromMm);
        }
        const quick = attempt(() => quickRun({ ...question, side: 'outside' }));
        expect(quick.kind).toBe('ok');
        if (quick.kind === 'ok' && quick.value) for (const mm of quick.value.middle.heightMm) expect(mm).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 150 },
    );
  });

  it('has alternatives there that put on every coat it asks for, each told in full', () => {
    fc.assert(
      fc.property(plan, (drawn) => {
        if (planFault(drawn)) return;
        const alternatives = attempt(() =>
          planAlternatives({ plan: drawn, shape: shapeOf(drawn), glazes: GLAZES, body: BODY, count: 4, runFrom: 'quickLook' }),
        );
        expect(alternatives.kind).toBe('ok');
        if (alternatives.kind !== 'ok') return;
        expect(alternatives.value.length).toBeGreaterThan(0);
        for (const alternative of alternatives.value) {
          for (const minutes of [alternative.laborMinutes, alternative.waitMinutes, alternative.price]) expect(minutes).toBeGreaterThanOrEqual(0);
          expect(alternative.goodShare).toBeGreaterThanOrEqual(0);
          expect(alternative.goodShare).toBeLessThanOrEqual(1);
          const put = new Set(alternative.steps.flatMap((step) => (step.layer ? [step.layer.bucketId] : [])));
          const known = layersOf(alternative.plan).filter(({ bucketId }) => GLAZES.some((glaze) => glaze.bucketId === bucketId));
          for (const { bucketId } of known) expect(put).toContain(bucketId);
          expect(planFault(alternative.plan)).toBeUndefined();
        }
      }),
      { numRuns: 80 },
    );
  });

  it('slip under the outside goes into the clay before a rim that is glazed first: both can be had', () => {
    const slip: Layer = { id: 'slip', bucketId: 'white', method: 'brush', coatMm: 0.2, coatingKind: 'slip' };
    const glaze = (bucketId: string): Layer => ({ id: bucketId, bucketId, method: 'dip', coatMm: 0.4 });
    const drawn = planOf({ outside: [slip, glaze('clay')], rim: [glaze('ash')] }, { rimFirst: true });
    const [alternative] = planAlternatives({ plan: drawn, shape: shapeOf(drawn), glazes: GLAZES, body: BODY, count: 1, runFrom: 'quickLook' });
    const layers = alternative!.steps.flatMap((step) => (step.layer ? [step.layer.id] : step.kind === 'waxOver' ? ['wax'] : []));
    expect(layers).toEqual(['slip', 'ash', 'wax', 'clay']);
  });

  it('wax above the rim is offered to nobody, however far a glaze runs', () => {
    const drawn = planOf(
      { outside: [{ id: 'a', bucketId: 'white', method: 'dip', coatMm: 0.05 }], rim: [{ id: 'b', bucketId: 'ash', method: 'dip', coatMm: 0.57 }] },
      { waxFootMm: 0, rimBandMm: 110 },
    );
    const alternatives = planAlternatives({ plan: drawn, shape: shapeOf(drawn), glazes: GLAZES, body: BODY, count: 1, runFrom: 'quickLook' });
    expect(alternatives.some((alternative) => alternative.plan.waxFootMm >= 80)).toBe(false);
  });
});
