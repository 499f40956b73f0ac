import { coneCelsius, isCone } from '../../melt/cones';
import { tallMm } from '../../geometry/piece-form';
import { layersOf, type PiecePlan, USUAL_CONE } from '../../plan/piece-plan';
import type { PieceQuestion } from '../piece-question';
import type { PlanFix, Warning } from '../warnings';
import type { GlazeFacts } from '../../plan/facts';
import { coatingKindOf } from '../../plan/layer';
import { LIP_MM } from '../../plan/mask';

/** Stilts hold up to about this cone; above it their wires sink or stick. */
const STILTS_UP_TO_CONE = '1';
/** Seats and galleries kept bare, mm. */
const SEAT_MM = 6;

const hotter = (cone: string, than: string): boolean => isCone(cone) && isCone(than) && coneCelsius(cone) > coneCelsius(than);
const coneOf = (plan: PiecePlan): string => plan.cone ?? USUAL_CONE;

/**
 * Returns M5: a glazed foot stands on something, or is glued to the shelf.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * glazedFoot({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function glazedFoot({ plan, shape }: PieceQuestion): Warning[] {
  const { setting = 'shelf', zones } = plan;
  // Its foot is the knob; what it stands on is its seat (M8).
  if (setting === 'onRim') return [];
  const glazed = zones.foot.length > 0 || (plan.waxFootMm === 0 && zones.outside.length > 0);
  const cone = coneOf(plan);
  const tooHot = hotter(cone, STILTS_UP_TO_CONE);
  const bare: PlanFix = { words: 'A bare foot, 5 mm up', change: { waxFootMm: 5, zones: { ...zones, foot: [] }, setting: 'shelf' } };
  if (!glazed) return setting === 'stilts' && tooHot ? [stiltsTooHot(cone, [{ words: 'Bare on the shelf', change: { setting: 'shelf' } }])] : [];
  if (setting === 'stilts')
    return tooHot
      ? [stiltsTooHot(cone, [bare])]
      : [
          {
            rule: 'M5',
            severity: 'look',
            what: 'On stilts: their points are ground off after the firing.',
            why: 'A glazed foot touches only the points. Ground points throw glass: eyes and lungs.',
            remedies: ['Goggles and a mask at the wheel, wet', tallMm(shape) > 150 ? 'Small pieces only: this one is tall' : 'Small, light pieces'],
          },
        ];
  if (setting === 'upsideDown')
    return [
      {
        rule: 'M5',
        severity: 'look',
        what: 'Fired upside down on a post: only where you know how this body bends.',
        why: 'Drips run to the rim, and the rim carries nothing; a soft body leans off its post.',
        remedies: [
          'Try one piece first',
          'Wash and level the post',
          ...(zones.inside.length > 0 ? ['Leave a bare spot on the floor inside, as wide as the post'] : []),
          'Grind where it stood: eyes and lungs',
        ],
        fixes: [bare],
      },
    ];
  return [
    {
      rule: 'M5',
      severity: 'stop',
      what: `A glazed foot glues the piece to the ${setting}.`,
      why: 'Glass sticks to whatever it touches when it is hot.',
      remedies: [],
      fixes: [
        bare,
        ...(tooHot ? [] : [{ words: 'On stilts', change: { setting: 'stilts' as const } }]),
        { words: 'Upside down on a post', change: { setting: 'upsideDown' as const } },
      ],
    },
  ];
}

const stiltsTooHot = (cone: string, fixes: PlanFix[]): Warning => ({
  rule: 'M5',
  severity: 'stop',
  what: `Stilts do not hold at cone ${cone}.`,
  why: `Above about cone ${STILTS_UP_TO_CONE} their wires bend and the clay sinks onto them.`,
  remedies: [],
  fixes,
});

/**
 * Returns M6: a glaze or a body outside its cones.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * outsideItsCone({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function outsideItsCone({ plan, glazes, body }: PieceQuestion): Warning[] {
  const cone = coneOf(plan);
  const used = glazes.filter((glaze) => layersOf(plan).some((layer) => layer.bucketId === glaze.bucketId));
  const all: { name: string; low?: string | undefined; high?: string | undefined }[] = [
    ...used.map((glaze: GlazeFacts) => ({ name: glaze.name, low: glaze.coneLow, high: glaze.coneHigh })),
    ...(body ? [{ name: body.name, low: body.lowCone, high: body.highCone }] : []),
  ];
  for (const { name, low, high } of all) {
    const over = high !== undefined && hotter(cone, high);
    const under = low !== undefined && hotter(low, cone);
    if (!over && !under) continue;
    const right = over ? high : low!;
    return [
      {
        rule: 'M6',
        severity: 'stop',
        what: `${name} is for cone ${low ?? '?'} to ${high ?? '?'}; this is planned for cone ${cone}.`,
        why: over ? 'Over its cone it runs, bloats or burns out.' : 'Under its cone it stays dry and open.',
        remedies: ['Another glaze or body for this firing'],
        fixes: [{ words: `Plan it for cone ${right}`, change: { cone: right } }],
      },
    ];
  }
  return [];
}

/**
 * Returns M8: a lid and its seat would melt together.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * lidSeat({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } })
 * // []
 */
export function lidSeat({ plan, shape }: PieceQuestion): Warning[] {
  const topMm = tallMm(shape);
  const isLid = plan.setting === 'onRim';
  const bare = (plan.masks ?? []).some((mask) => mask.where === 'band' && mask.toMm >= topMm - LIP_MM);
  if (!(plan.lid || isLid) || bare || plan.zones.rim.length + plan.zones.outside.length + plan.zones.inside.length === 0) return [];
  return [
    {
      rule: 'M8',
      severity: 'stop',
      what: isLid ? 'The lid stands on its rim, and that is glazed.' : 'The seat of the lid is glazed.',
      why: 'Lid and gallery melt together where both are glazed; fired apart, the lid warps otherwise than its pot.',
      remedies: ['Wipe seat and gallery clean, both'],
      fixes: [
        {
          words: `Wax the seat, ${SEAT_MM} mm`,
          change: {
            masks: [...(plan.masks ?? []), { id: SEAT_MASK_ID, kind: 'wax', where: 'band', fromMm: topMm - SEAT_MM, toMm: topMm }],
            order: [],
          },
        },
      ],
    },
  ];
}

/** There is one seat, so its mask always has the same id. */
export const SEAT_MASK_ID = '00000000-0000-7000-8000-00000000005e';

/**
 * Returns rule H3 for a plan with lustre.
 *
 * @param question - `plan`
 * @example
 * lustreFumes({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] })
 * // []
 */
export function lustreFumes({ plan }: PieceQuestion): Warning[] {
  if (!layersOf(plan).some((layer) => coatingKindOf(layer) === 'lustre')) return [];
  return [
    {
      rule: 'H3',
      severity: 'look',
      what: 'Lustre gives off fumes, when it is painted and when it is fired.',
      why: 'Its oils and solvents evaporate and burn off; what is in the metal stands on its data sheet.',
      remedies: [
        'Open windows, the mask its data sheet asks for',
        'Nobody in the room while it fires',
        'Its own low firing, to the cone on its label',
      ],
    },
  ];
}
