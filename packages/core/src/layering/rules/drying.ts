import { flakesOff } from '../../coat/drying/crack-advice';
import { outerStacks } from '../order/order';
import type { PieceQuestion } from '../piece-question';
import { layersOf, rimIsApart, withLayers, type PiecePlan } from '../../plan/piece-plan';
import type { PlanFix, Warning } from '../warnings';
import { coatingKindOf, type Layer } from '../../plan/layer';
import type { GlazeFacts } from '../../plan/facts';

const THINNER_MM = 0.5;
/** A thicker stack cracks as it dries; a glaze above this shrink share cracks by itself (F2). */
const CRACKS_ABOVE_MM = 1;
const CRACKS_ABOVE_SHARE = 25;
/** Bisque that takes up less than this hardly draws a coat, %. */
const THIRSTY_ABOVE_PERCENT = 4;

/**
 * Returns F1: a coat rich in clay over a powdery one pulls it off.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * flaking({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function flaking({ plan, glazes }: PieceQuestion): Warning[] {
  const facts = (layer: Layer): GlazeFacts | undefined => glazes.find((glaze) => glaze.bucketId === layer.bucketId);
  for (const stack of outerStacks(plan)) {
    for (let i = 1; i < stack.length; i++) {
      const lower = facts(stack[i - 1]!);
      const upper = facts(stack[i]!);
      if (!lower || !upper || !flakesOff({ upper: upper.shrinkShare, lower: lower.shrinkShare })) continue;
      const gummed = plan.gumIn?.includes(lower.bucketId) ?? false;
      return [
        {
          rule: 'F1',
          badness: upper.shrinkShare - lower.shrinkShare + 20 * stack[i]!.coatMm,
          severity: gummed ? 'look' : 'stop',
          what: `${upper.name} ${gummed ? 'may still' : 'will'} flake off ${lower.name}${stack[i]!.coatMm > 0.5 ? ', all the more at over 0.5 mm' : ''}.`,
          why: `${upper.name} is rich in clay and shrinks as it dries (${upper.shrinkShare.toFixed(0)}); ${lower.name} beneath is nearly dust (${lower.shrinkShare.toFixed(0)}).`,
          remedies: [`Calcine part of the clay in ${upper.name}`],
          fixes: flakeFixes(plan, stack[i]!, lower, upper),
        },
      ];
    }
  }
  return [];
}

/** Put on first and waxed, gum beneath, thinner: those of them that change something. */
function flakeFixes(plan: PiecePlan, layer: Layer, lower: GlazeFacts, upper: GlazeFacts): PlanFix[] {
  const fixes: PlanFix[] = [];
  const strip = plan.strips?.find((one) => one.layers.some(({ id }) => id === layer.id));
  if (strip && !strip.first) {
    const strips = plan.strips!.map((one) => (one.id === strip.id ? { ...one, first: true } : one));
    fixes.push({ words: `${upper.name} first, and wax it`, change: { strips, order: [] } });
  } else if (plan.zones.rim.some(({ id }) => id === layer.id) && !rimIsApart(plan)) {
    fixes.push({ words: `${upper.name} first, and wax it`, change: { rimFirst: true, order: [] } });
  } else fixes.push(...swap(plan, layer, upper));
  if (!plan.gumIn?.includes(lower.bucketId))
    fixes.push({ words: `Gum in ${lower.name}`, change: { gumIn: [...(plan.gumIn ?? []), lower.bucketId] } });
  if (layer.coatMm > THINNER_MM)
    fixes.push({ words: `${upper.name} at ${THINNER_MM} mm`, change: changedLayer(plan, layer, { coatMm: THINNER_MM }) });
  return fixes;
}

/** Two coats of one zone change places. */
function swap(plan: PiecePlan, layer: Layer, upper: GlazeFacts): PlanFix[] {
  for (const zone of ['inside', 'outside', 'foot'] as const) {
    const stack = plan.zones[zone];
    const at = stack.findIndex(({ id }) => id === layer.id);
    if (at < 1) continue;
    const turned = [...stack.slice(0, at - 1), stack[at]!, stack[at - 1]!, ...stack.slice(at + 1)];
    return [{ words: `Swap them: ${upper.name} beneath`, change: { zones: { ...plan.zones, [zone]: turned }, order: [] } }];
  }
  return [];
}

const changedLayer = (plan: PiecePlan, { id }: Layer, change: Partial<Layer>): PlanFix['change'] => {
  const { zones, strips } = withLayers(plan, (layer) => (layer.id === id ? { ...layer, ...change } : layer));
  return { zones, ...(strips ? { strips } : {}) };
};

/**
 * Returns F2: coats too thick together, or too rich in clay by themselves.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * cracking({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function cracking({ plan, glazes }: PieceQuestion): Warning[] {
  const [stack] = crackingStacks(plan, glazes);
  if (!stack) return [];
  const { coats, wholeMm, rich } = stack;
  if (!rich) {
    const scale = CRACKS_ABOVE_MM / wholeMm;
    const ids = new Set(coats.map(({ id }) => id));
    const thinner = withLayers(plan, (layer) => (ids.has(layer.id) ? { ...layer, coatMm: Math.floor(20 * layer.coatMm * scale) / 20 } : layer));
    return [
      {
        rule: 'F2',
        severity: 'look',
        badness: wholeMm,
        what: `The coats ${coats.length > 1 ? 'together are' : 'are'} ${wholeMm.toFixed(2)} mm: they crack as they dry and crawl in the fire.`,
        why: 'Over a millimetre the lower coat cannot hold what shrinks above it.',
        remedies: ['Fewer coats there'],
        fixes: [
          { words: 'All of them thinner, 1 mm together', change: { zones: thinner.zones, ...(thinner.strips ? { strips: thinner.strips } : {}) } },
        ],
      },
    ];
  }
  const { layer, glaze } = rich;
  return [
    {
      rule: 'F2',
      severity: 'look',
      badness: glaze.shrinkShare / CRACKS_ABOVE_SHARE,
      what: `${glaze.name} cracks as it dries, and may crawl.`,
      why: `It is very rich in raw clay: it shrinks ${glaze.shrinkShare.toFixed(0)} of a scale on which over ${CRACKS_ABOVE_SHARE} cracks.`,
      remedies: ['Calcine part of its clay', 'Thin coats, dried slowly'],
      fixes:
        layer.coatMm > THIN_RICH_MM
          ? [{ words: `${glaze.name} at ${THIN_RICH_MM} mm`, change: changedLayer(plan, layer, { coatMm: THIN_RICH_MM }) }]
          : [],
    },
  ];
}

/** A glaze rich in clay that is no thicker cracks less, mm. */
const THIN_RICH_MM = 0.35;

/** A stack whose coats crack as they dry: too thick together, or one of them too rich in clay. */
export interface CrackingStack {
  coats: readonly Layer[];
  wholeMm: number;
  rich?: { layer: Layer; glaze: GlazeFacts };
}

/**
 * Returns the stacks of a plan that crack as they dry.
 *
 * @param plan - the plan
 * @param glazes - of its buckets
 * @example
 * crackingStacks({ shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, []) // []
 */
export function crackingStacks(plan: PiecePlan, glazes: readonly GlazeFacts[]): CrackingStack[] {
  const factsOf = (layer: Layer): GlazeFacts | undefined => glazes.find((glaze) => glaze.bucketId === layer.bucketId);
  return outerStacks(plan).flatMap((stack): CrackingStack[] => {
    const coats = stack.filter((layer) => coatingKindOf(layer) === 'glaze');
    const wholeMm = coats.reduce((sum, layer) => sum + layer.coatMm, 0);
    if (wholeMm > CRACKS_ABOVE_MM) return [{ coats, wholeMm }];
    const layer = coats.find((one) => (factsOf(one)?.shrinkShare ?? 0) > CRACKS_ABOVE_SHARE);
    return layer ? [{ coats, wholeMm, rich: { layer, glaze: factsOf(layer)! } }] : [];
  });
}

/**
 * Returns F3: a wall that will not take glaze: fired too high, soaked, or glazed and fired before.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * notTaking({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function notTaking({ plan, body }: PieceQuestion): Warning[] {
  const layers = plan.zones.outside.length + plan.zones.inside.length;
  if (layers === 0) return [];
  const baths = withLayers(plan, (layer) =>
    layer.method === 'dip' || layer.method === 'halfDips' || layer.method === 'pour' ? { ...layer, method: 'brush' } : layer,
  );
  const isBath = JSON.stringify(baths.zones) !== JSON.stringify(plan.zones);
  if (plan.refire) {
    if (!isBath) return [];
    const sprayed = withLayers(plan, (layer) => (layer.method === 'dip' || layer.method === 'pour' ? { ...layer, method: 'spray' } : layer));
    const used = [...new Set(layersOf(plan).map((layer) => layer.bucketId))].filter((bucketId) => !plan.gumIn?.includes(bucketId));
    return [
      {
        rule: 'F3',
        severity: 'look',
        what: 'A glazed wall drinks no water: a dip leaves its film and no more.',
        why: 'What was fired once has no thirst. The coat is built up on the warm piece, with gum, and dries slowly.',
        remedies: [
          'A thicker bucket, or two dips with a night between',
          'Read the caution of a refired pot: it cracks more easily, so heat it slowly',
        ],
        fixes: [
          { words: 'Spray all of it', change: { zones: sprayed.zones, order: [] } },
          { words: 'Brush all of it', change: { zones: baths.zones, order: [] } },
          ...(used.length > 0 ? [{ words: 'Gum in all of it', change: { gumIn: [...(plan.gumIn ?? []), ...used] } }] : []),
        ],
      },
    ];
  }
  if (body?.absorptionPercent === undefined || body.absorptionPercent >= THIRSTY_ABOVE_PERCENT || !isBath) return [];
  return [
    {
      rule: 'F3',
      severity: 'look',
      what: `This bisque takes up only ${body.absorptionPercent.toFixed(1)} % of water: the glaze will hardly hold, and may crawl.`,
      why: 'It was fired too high, or its pores are closed by dust or oil.',
      remedies: ['A thicker glaze, a warm piece', 'Wash it, dry it, and test on one piece'],
      fixes: [{ words: 'Brush all of it', change: { zones: baths.zones, order: [] } }],
    },
  ];
}

/**
 * Returns H6: a wall that was soaked, or dipped over and over, goes into the kiln dry or breaks.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * dampPots({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function dampPots({ plan }: PieceQuestion): Warning[] {
  if (plan.footBy !== 'soak' || plan.waxFootMm <= 0) return [];
  return [
    {
      rule: 'H6',
      severity: 'look',
      what: 'A soaked foot keeps its water for hours.',
      why: 'Damp pots explode or lift their glaze when the kiln heats.',
      remedies: ['Dry it through, or preheat slowly below 100 °C'],
      fixes: [{ words: 'Wax it instead', change: { footBy: 'wax' } }],
    },
  ];
}

/**
 * Returns F4: glaze is planned where nothing holds it.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * glazeOverWax({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function glazeOverWax({ plan }: PieceQuestion): Warning[] {
  if (plan.waxFootMm <= 0 || plan.zones.foot.length === 0) return [];
  return [
    {
      rule: 'F4',
      severity: 'stop',
      what: 'Glaze is planned on the waxed foot.',
      why: 'Glaze does not stay on wax: the foot stays bare, with drops that stick to the shelf.',
      remedies: [],
      fixes: [
        { words: 'No wax on the foot', change: { waxFootMm: 0 } },
        { words: 'No glaze on the foot', change: { zones: { ...plan.zones, foot: [] } } },
      ],
    },
  ];
}
