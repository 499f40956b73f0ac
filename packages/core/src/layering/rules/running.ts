import { tallMm } from '../../geometry/piece-form';
import { outsideRun, SHELF_MARGIN_MM, type PieceQuestion } from '../outside-run';
import { withLayers } from '../../plan/piece-plan';
import type { PlanFix, Warning } from '../warnings';
import { coatingKindOf, type Layer } from '../../plan/layer';
import type { GlazeFacts } from '../../plan/facts';

/** From this flow on a glaze "runs": more than 8 mm at a normal dip of 0.3 mm melted. */
const RUNS_ABOVE_FLOW = 8 / 0.3 ** 2;
const THINNER_MM = 0.3;

const factsOf = ({ glazes }: PieceQuestion, layer: Layer): GlazeFacts | undefined =>
  coatingKindOf(layer) === 'glaze' ? glazes.find((glaze) => glaze.bucketId === layer.bucketId) : undefined;

/**
 * Returns the first runny glaze among some layers; undefined where there is none.
 *
 * @param question - plan, shape, glazes and body
 * @param layers - among which to look
 * @example
 * runnyOf({ glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }, [])
 * // undefined
 */
export function runnyOf(question: PieceQuestion, layers: readonly Layer[]): { layer: Layer; glaze: GlazeFacts } | undefined {
  for (const layer of layers) {
    const glaze = factsOf(question, layer);
    if (glaze && glaze.flow.flow > RUNS_ABOVE_FLOW) return { layer, glaze };
  }
  return undefined;
}

const thinnerFix = ({ plan }: PieceQuestion, { layer, glaze }: { layer: Layer; glaze: GlazeFacts }): PlanFix[] => {
  if (layer.coatMm <= THINNER_MM) return [];
  const { zones, strips } = withLayers(plan, (one) => (one.id === layer.id ? { ...one, coatMm: THINNER_MM } : one));
  return [{ words: `${glaze.name} at ${THINNER_MM} mm`, change: { zones, ...(strips ? { strips } : {}) } }];
};

/**
 * Returns M1 and M4: the lowest edge against the shelf.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * running({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).map(({ rule }) => rule)
 * // []
 */
export function running(question: PieceQuestion): Warning[] {
  const run = outsideRun(question);
  if (!run || run.edgeMm >= run.run95Mm + SHELF_MARGIN_MM) return [];
  const needMm = Math.ceil(run.run95Mm + SHELF_MARGIN_MM);
  return [
    {
      rule: 'M4',
      severity: run.edgeMm < run.runMm ? 'stop' : 'look',
      what: `The glaze may reach the shelf: it starts ${run.edgeMm.toFixed(0)} mm up and can run ${run.run95Mm.toFixed(0)} mm.`,
      why: `For the coats as planned, on an upright wall, in a usual cone 6 firing${run.guess ? '; a starting guess from the recipe, so fire a runner tile' : ''}.`,
      remedies: ['Thinner coats, less overlap'],
      fixes: [
        ...(needMm < 0.9 * tallMm(question.shape) ? [{ words: `Wax ${needMm} mm up`, change: { waxFootMm: needMm } }] : []),
        ...(question.plan.setting === 'plate' ? [] : [{ words: 'On a plate with kiln wash', change: { setting: 'plate' as const } }]),
      ],
    },
  ];
}

/**
 * Returns M2: glaze runs down handles.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * onHandle({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function onHandle(question: PieceQuestion): Warning[] {
  const { shape, plan } = question;
  const runny = shape.grip && runnyOf(question, [...plan.zones.outside, ...plan.zones.rim]);
  if (!runny) return [];
  const name = shape.grip!.kind === 'lugs' ? 'lugs' : 'handle';
  return [
    {
      rule: 'M2',
      severity: 'look',
      what: `${runny.glaze.name} runs off the ${name}, at the lower joint first.`,
      why: 'A strip gathers the glaze of all its sides and leads it to one place on the wall.',
      remedies: [`Wipe the ${name} thin, its lower joint most`, `A stiffer glaze on the ${name}`],
      fixes: thinnerFix(question, runny),
    },
  ];
}

/**
 * Returns M3: a pool in the bottom.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * poolsInside({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function poolsInside(question: PieceQuestion): Warning[] {
  const runny = question.shape.slabMm === undefined && runnyOf(question, question.plan.zones.inside);
  if (!runny) return [];
  return [
    {
      rule: 'M3',
      severity: 'look',
      what: `${runny.glaze.name} inside runs down into a pool, which may crack the pot.`,
      why: 'A thick glass in the bottom shrinks otherwise than the clay under it.',
      remedies: ['Stop it above the floor', 'A stable liner inside'],
      fixes: thinnerFix(question, runny),
    },
  ];
}

/**
 * Returns M7: neighbours in the kiln.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * neighbours({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function neighbours(question: PieceQuestion): Warning[] {
  const { plan } = question;
  const runny = runnyOf(question, [...plan.zones.outside, ...plan.zones.rim, ...(plan.strips ?? []).flatMap((strip) => strip.layers)]);
  if (!runny || plan.setting === 'plate') return [];
  return [
    {
      rule: 'M7',
      severity: 'look',
      what: `${runny.glaze.name} runs: keep it 15 mm from its neighbours, on a plate.`,
      why: 'Others stand 5 mm apart; what runs or spits reaches further, and a plate is cheaper than a shelf.',
      remedies: [],
      fixes: [{ words: 'On a plate with kiln wash', change: { setting: 'plate' } }],
    },
  ];
}
