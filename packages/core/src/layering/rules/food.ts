import { coatingKindOf, type Layer } from '../../plan/layer';
import { layersOf } from '../../plan/piece-plan';
import type { PieceQuestion } from '../piece-question';
import type { Warning } from '../warnings';
import type { GlazeFacts } from '../../plan/facts';

const DUST: Warning = {
  rule: 'H1',
  severity: 'look',
  what: 'Dry glaze is silica dust.',
  why: 'Rubbing, scraping or brushing a dry coat puts it into the air.',
  remedies: ['Wipe wet, never dry; respirator when you must scrape', 'Read the data sheets of the powders'],
};

/**
 * Returns H1, the caution about dust, at every piece with glaze on it.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * dust({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).length
 * // 1
 */
export const dust = ({ plan }: PieceQuestion): Warning[] => (layersOf(plan).length > 0 ? [DUST] : []);

/** Percent of the fired glaze from which a colouring oxide alone asks for a leach test (H4). */
const LINER_LIMITS: readonly { oxide: string; percent: number }[] = [
  { oxide: 'CuO', percent: 2 },
  { oxide: 'MnO', percent: 2 },
  { oxide: 'CoO', percent: 1.5 },
  { oxide: 'BaO', percent: 0.001 },
  { oxide: 'Cr2O3', percent: 0.001 },
  { oxide: 'NiO', percent: 0.001 },
];

/**
 * Returns H4: what is eaten from. A piece with a drain hole is a planter.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * liner({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function liner({ plan, shape, glazes }: PieceQuestion): Warning[] {
  if (shape.holeMm) return [];
  const top = plan.zones.inside.findLast((layer) => coatingKindOf(layer) === 'glaze') ?? plan.zones.inside.at(-1);
  const glaze = top && glazes.find((facts) => facts.bucketId === top.bucketId);
  if (!glaze) return [];
  const reasons = linerReasons({ ...glaze, firedPercent: firedTogether(plan.zones.inside, glazes) });
  if (reasons.length === 0 && glaze.foodTested) return [];
  const serious = reasons.length > 0;
  return [
    {
      rule: 'H4',
      badness: reasons.length,
      severity: serious ? 'stop' : 'look',
      what: `${glaze.name} inside: not for food until a laboratory has leach-tested it.`,
      why: serious ? reasons.join(' ') : 'Nobody here has had it tested. Looking balanced is not a test.',
      remedies: ['Leach test by a laboratory, and your local rules', 'A tested liner inside', 'Sell it as not for food'],
    },
  ];
}

/**
 * Percent by weight of all the coats melted together. A wash under a glaze is told by its share of the fired coat, not as the pure powder; a coat
 * whose chemistry is not known counts as the others.
 */
function firedTogether(layers: readonly Layer[], glazes: readonly GlazeFacts[]): Record<string, number> {
  const together: Record<string, number> = {};
  let whole = 0;
  for (const { bucketId, coatMm } of layers) {
    const glaze = glazes.find((facts) => facts.bucketId === bucketId);
    if (!glaze || Object.keys(glaze.firedPercent).length === 0) continue;
    const grams = coatMm * glaze.packing * glaze.density * (1 - glaze.loiPercent / 100);
    whole += grams;
    for (const [oxide, percent] of Object.entries(glaze.firedPercent)) together[oxide] = (together[oxide] ?? 0) + percent * grams;
  }
  return Object.fromEntries(Object.entries(together).map(([oxide, sum]) => [oxide, sum / whole]));
}

function linerReasons(glaze: GlazeFacts): string[] {
  const reasons: string[] = [];
  if (['matt', 'crystalline', 'crazed'].includes(glaze.surface)) reasons.push(`Its surface is ${glaze.surface}.`);
  for (const { oxide, percent } of LINER_LIMITS) {
    if ((glaze.firedPercent[oxide] ?? 0) >= percent) reasons.push(`It holds ${glaze.firedPercent[oxide]!.toFixed(1)} % ${oxide}.`);
  }
  const { SiO2, Al2O3 } = glaze.unity;
  if (SiO2 !== undefined && SiO2 < 2.5) reasons.push('It is low in silica.');
  if (Al2O3 !== undefined && Al2O3 < 0.25) reasons.push('It is low in alumina.');
  return reasons;
}
