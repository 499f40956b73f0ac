import { dipReach, pourNeedMl } from '../../bucket/inside/dip-depth';
import { tallMm } from '../../geometry/piece-form';
import { areasOf } from '../../plan/areas';
import type { BucketNow, GlazeFacts } from '../../plan/facts';
import { HALVES_OVERLAP_MM } from '../../plan/change-method';
import type { ApplicationMethod } from '../../coat/methods/application-method';
import type { Layer } from '../../plan/layer';
import { isDunked, layersOf, withLayers, type PiecePlan } from '../../plan/piece-plan';
import { waterToPourOff, waterToThin } from '../../slurry/into-range';
import { glazeNeeded } from '../glaze-needed';
import type { PieceQuestion } from '../piece-question';
import type { Warning } from '../warnings';

/**
 * Returns C7: a coat out of a bucket that something fell into.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * contaminated({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', contaminated: ['iron'], lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).length
 * // 1
 */
export function contaminated({ plan, glazes }: PieceQuestion): Warning[] {
  const used = new Set(layersOf(plan).map((layer) => layer.bucketId));
  return glazes
    .filter((glaze) => used.has(glaze.bucketId) && glaze.contaminated?.length)
    .map((glaze) => ({
      rule: 'C7',
      severity: 'look',
      what: `Something is in the bucket of ${glaze.name}: ${glaze.contaminated!.join('; ')}.`,
      why: 'It goes on every pot that is glazed from it.',
      remedies: ['Sieve it, and dip a test tile first', 'Glaze from another bucket', 'Keep it for pots where it does no harm'],
    }));
}

/**
 * Returns C2: a bucket out of its range. Seconds are told for the middle of the range, so it is corrected first.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * outOfRange({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }) // []
 */
export function outOfRange({ plan, glazes }: PieceQuestion): Warning[] {
  const used = new Set(layersOf(plan).map((layer) => layer.bucketId));
  return glazes.flatMap(({ bucketId, name, bucket }) => {
    if (!used.has(bucketId) || !bucket?.isOut) return [];
    const { sg, lowSg, highSg, volumeMl, code } = bucket;
    const targetSg = (lowSg + highSg) / 2;
    const asked = { volumeMl: Math.max(1, volumeMl), sg, targetSg };
    const change =
      sg > targetSg
        ? `${roundMl(waterToThin(asked))} of water into the bucket, in two goes`
        : `Pour off ${roundMl(waterToPourOff(asked))} of clear water after settling, and keep it`;
    return [
      {
        rule: 'C2',
        severity: 'look' as const,
        badness: Math.abs(sg - targetSg),
        bucketId,
        what: `${name} stands at SG ${sg.toFixed(2)}, ${sg > targetSg ? 'over' : 'under'} its range ${lowSg.toFixed(2)}–${highSg.toFixed(2)}.`,
        why: `Seconds here are told for ${targetSg.toFixed(2)}: bring bucket ${code} there before the first dip.`,
        remedies: [change],
      },
    ];
  });
}

/**
 * Returns T2: a dip for which its bucket is too narrow, not deep enough, or would run over; said with what a pour takes.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * tooLargeForBucket({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }) // []
 */
export function tooLargeForBucket(question: PieceQuestion): Warning[] {
  const { plan, shape, glazes } = question;
  if (shape.slabMm !== undefined) return [];
  const topMm = tallMm(shape);
  const dips: [layers: readonly Layer[], deepMm: number][] = [
    [plan.zones.outside, topMm - plan.waxFootMm],
    [plan.zones.rim, plan.rimBandMm],
  ];
  return dips.flatMap(([layers, deepMm]) =>
    layers.flatMap((layer, at): Warning[] => {
      const glaze = glazes.find((facts) => facts.bucketId === layer.bucketId);
      const vessel = glaze?.bucket?.shape;
      if ((layer.method !== 'dip' && layer.method !== 'halfDips') || !glaze?.bucket || !vessel) return [];
      const inside = at === 0 && layers === plan.zones.outside && isDunked(plan) ? 'full' : 'air';
      const reach = dipReach({ bucket: vessel, glazeMl: glaze.bucket.volumeMl, piece: shape, inside });
      const halfMm = deepMm / 2 + HALVES_OVERLAP_MM;
      const trouble = troubleOf(reach, layer.method === 'halfDips' ? halfMm : deepMm, glaze.bucket);
      const inHalves = layer.method === 'dip' && troubleOf(reach, halfMm, glaze.bucket) === undefined;
      return trouble ? [notInBucket(question, { layer, glaze, trouble, inHalves })] : [];
    }),
  );
}

function troubleOf(reach: ReturnType<typeof dipReach>, deepMm: number, { code }: BucketNow): string | undefined {
  if (reach.kind === 'whole') return undefined;
  if (reach.kind === 'tooWide')
    return `it is ${Math.round(reach.acrossMm)} mm wide, and bucket ${code} only ${Math.round(reach.narrowestMm)} mm where it has to go`;
  if (reach.reachMm >= deepMm) return undefined;
  const more = reach.moreMl > 0 ? `: ${roundMl(reach.moreMl)} more in bucket ${code} would do` : '';
  return reach.spills
    ? `bucket ${code} runs over when it is ${Math.round(reach.reachMm)} mm deep in it, and ${Math.round(deepMm)} mm are wanted`
    : `bucket ${code} takes it ${Math.round(reach.reachMm)} mm deep, and ${Math.round(deepMm)} mm are wanted${more}`;
}

function notInBucket(
  { plan, shape, glazes }: PieceQuestion,
  { layer, glaze, trouble, inHalves }: { layer: Layer; glaze: GlazeFacts; trouble: string; inHalves: boolean },
): Warning {
  const area = areasOf({ plan, shape }).find(({ layers }) => layers.some(({ id }) => id === layer.id))!;
  const { slurryMl } = glazeNeeded({ area: { ...area, layers: [layer] }, glazes });
  const jugMl = pourNeedMl({ piece: shape, zone: 'outside', coatSlurryMl: slurryMl });
  const by = (method: ApplicationMethod): Partial<PiecePlan> => {
    const { zones, strips } = withLayers(plan, (one) => (one.id === layer.id ? { ...one, method } : one));
    return { zones, ...(strips ? { strips } : {}), order: [] };
  };
  return {
    rule: 'T2',
    severity: 'stop',
    what: `It cannot be dipped in ${glaze.name}: ${trouble}.`,
    why: 'A dip needs room for the piece and for the level that rises with it.',
    remedies: [`Pour or ladle it over a basin: about ${roundMl(jugMl)} in the jug, most of it runs back`],
    fixes: [...(inHalves ? [{ words: 'Dip it in two halves', change: by('halfDips') }] : []), { words: 'Pour it over', change: by('pour') }],
  };
}

/** Water is measured to 10 mL, glaze by the tenth of a litre. */
const roundMl = (ml: number): string => (ml < 1000 ? `${Math.max(10, Math.round(ml / 10) * 10)} mL` : `${(ml / 1000).toFixed(1)} L`);
