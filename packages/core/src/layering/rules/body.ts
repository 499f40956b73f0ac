import { coneCelsius, isCone } from '../../melt/cones';
import { outerStacks } from '../order/order';
import type { PieceQuestion } from '../piece-question';
import { layersOf, withLayers, type PiecePlan, USUAL_CONE } from '../../plan/piece-plan';
import type { Warning } from '../warnings';
import { coatingKindOf, type Layer } from '../../plan/layer';
import type { GlazeFacts } from '../../plan/facts';

/** Slip and body may differ by this much in shrinkage, percentage points (B1). */
const SHRINK_ALIKE_POINTS = 1.5;
const DARK_BELOW = 0.45;
const LIGHT_ABOVE = 0.55;
const THIN_BELOW_MM = 0.45;
/** Zinc and lime in the fired glaze from which stains change, percent by weight. */
const ZINC_PERCENT = 1;
const LIME_PERCENT = 8;
const ENCAPSULATED_CONE = '8';

/**
 * Returns B1: a slip that shrinks more or less than its body peels.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * slipPeels({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function slipPeels({ plan, glazes, body }: PieceQuestion): Warning[] {
  for (const decoratingColour of slipsOf(plan, glazes)) {
    if (decoratingColour.shrinkagePercent === undefined || body?.shrinkagePercent === undefined) {
      return [
        {
          rule: 'B1',
          severity: 'look',
          what: `Whether ${decoratingColour.name} holds on ${body?.name ?? 'this body'} is not known.`,
          why: 'Slip and body must shrink alike, within 1.5 points; one of the two shrinkages is not told.',
          remedies: [
            `Measure the shrinkage of ${decoratingColour.name}, and tell it with a small pot of that name`,
            'Tell the body’s shrinkage on its card',
            'Test it on one piece',
          ],
        },
      ];
    }
    const points = decoratingColour.shrinkagePercent - body.shrinkagePercent;
    if (Math.abs(points) <= SHRINK_ALIKE_POINTS) continue;
    return [
      {
        rule: 'B1',
        severity: 'stop',
        what: `${decoratingColour.name} will ${points > 0 ? 'crack and' : 'lift and'} peel off ${body.name}.`,
        why: `It shrinks ${decoratingColour.shrinkagePercent} %, the body ${body.shrinkagePercent} %: more than ${SHRINK_ALIKE_POINTS} points apart.`,
        remedies: ['A slip made of the body itself', points > 0 ? 'Part of its clay calcined' : 'Some ball clay in the slip'],
      },
    ];
  }
  return [];
}

/** Slips in use: a decorating colour with its shrinkage where it is known, or a bucket, whose shrinkage is not known. */
function slipsOf(plan: PiecePlan, glazes: readonly GlazeFacts[]): { name: string; shrinkagePercent?: number | undefined }[] {
  const used = new Set(layersOf(plan).flatMap((layer) => (coatingKindOf(layer) === 'slip' ? [layer.bucketId] : [])));
  return [
    ...(plan.decoratingColours ?? []).filter((decoratingColour) => used.has(decoratingColour.id)),
    ...glazes.flatMap(({ bucketId, name }) => (used.has(bucketId) ? [{ name }] : [])),
  ];
}

/**
 * Returns B2: a light, thin glaze loses its colour on a dark body.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * lostOnDark({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function lostOnDark({ plan, glazes, body }: PieceQuestion): Warning[] {
  if (body?.lightness === undefined || body.lightness >= DARK_BELOW) return [];
  for (const stack of outerStacks(plan)) {
    if (stack.some((layer) => coatingKindOf(layer) === 'slip')) continue;
    const whole = stack.filter((layer) => coatingKindOf(layer) === 'glaze').reduce((sum, layer) => sum + layer.coatMm, 0);
    const top = stack.at(-1);
    const glaze = top && glazes.find((facts) => facts.bucketId === top.bucketId);
    if (!glaze || glaze.lightness <= LIGHT_ABOVE || whole >= THIN_BELOW_MM) continue;
    const { zones, strips } = withLayers(plan, (layer) => (layer.id === top.id ? { ...layer, coatMm: 0.6 } : layer));
    const slip = (plan.decoratingColours ?? []).find((decoratingColour) => decoratingColour.coatingKind === 'slip');
    return [
      {
        rule: 'B2',
        severity: 'look',
        what: `${glaze.name} is light and thin here: on ${body.name} its colour is lost.`,
        why: 'The iron of a dark body comes into a thin glaze and shows through it.',
        remedies: slip ? [`${slip.name} beneath it`] : ['A white slip beneath it'],
        fixes: [{ words: `${glaze.name} at 0.6 mm`, change: { zones, ...(strips ? { strips } : {}) } }],
      },
    ];
  }
  return [];
}

/**
 * Returns B3: speckle comes through.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * speckle({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function speckle({ plan, glazes, body }: PieceQuestion): Warning[] {
  const glaze = body?.speckled
    ? glazes.find((facts) => facts.lightness > 0.4 && layersOf(plan).some((layer) => layer.bucketId === facts.bucketId))
    : undefined;
  if (!glaze) return [];
  return [
    {
      rule: 'B3',
      severity: 'look',
      what: `The speckle of ${body!.name} comes through ${glaze.name}.`,
      why: 'Iron or manganese grains melt into the glaze from beneath, and bleed where it runs.',
      remedies: ['Fire a tile of this pair first'],
    },
  ];
}

/**
 * Returns B4: colours that quarrel with the glaze on them.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * stainQuarrels({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function stainQuarrels({ plan, glazes }: PieceQuestion): Warning[] {
  const cone = plan.cone ?? USUAL_CONE;
  const facts = (layer: Layer): GlazeFacts | undefined => glazes.find((glaze) => glaze.bucketId === layer.bucketId);
  for (const stack of outerStacks(plan)) {
    for (const layer of stack) {
      const decoratingColour = (plan.decoratingColours ?? []).find((one) => one.id === layer.bucketId);
      if (!decoratingColour?.colourant || decoratingColour.colourant === 'other') continue;
      if (decoratingColour.colourant === 'encapsulated') return [encapsulated(decoratingColour.name, cone)];
      const glaze = stack.map(facts).find((one) => one !== undefined);
      if (!glaze) continue;
      const zinc = glaze.firedPercent.ZnO ?? 0;
      if (zinc > ZINC_PERCENT) return [quarrel(decoratingColour.name, glaze.name, `it holds ${zinc.toFixed(1)} % zinc, which turns chrome brown`)];
      const lime = glaze.firedPercent.CaO ?? 0;
      if (decoratingColour.colourant === 'chromeTinPink' && Object.keys(glaze.firedPercent).length > 0 && lime < LIME_PERCENT)
        return [quarrel(decoratingColour.name, glaze.name, `it holds only ${lime.toFixed(1)} % lime, and the pink lives by it`)];
    }
  }
  return [];
}

const quarrel = (decoratingColour: string, glaze: string, why: string): Warning => ({
  rule: 'B4',
  severity: 'stop',
  what: `${decoratingColour} loses its colour with ${glaze}: ${why}.`,
  why: 'Chrome greens and pinks need a glaze without zinc; chrome-tin pink needs calcium as well.',
  remedies: ['A clear glaze without zinc over it', 'Another colour'],
});

const encapsulated = (decoratingColour: string, cone: string): Warning => ({
  rule: 'B4',
  severity: isCone(cone) && coneCelsius(cone) > coneCelsius(ENCAPSULATED_CONE) ? 'stop' : 'look',
  what: `${decoratingColour} is an encapsulated stain: it has a highest cone, and this is cone ${cone}.`,
  why: 'Over it the shell opens: the colour burns out, and cadmium and selenium come free.',
  remedies: ['Read its data sheet for its cone', 'Not for food until a laboratory has tested the finished piece'],
});
