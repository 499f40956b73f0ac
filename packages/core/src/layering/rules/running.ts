import { placeWords } from '../../plan/areas';
import { firingRatioOf } from '../../run/firing-of-plan';
import { quickForecast, worstSide, type SideForecast } from '../../run/run-forecast';
import { SAFE_CHANCE } from '../../run/safe-chance';
import type { PieceQuestion } from '../piece-question';
import { isTurnedOver, layersOf, withLayers, type PiecePlan } from '../../plan/piece-plan';
import { quickRun } from '../../run/quick-run';
import { withSafeCoats } from '../../run/safe-coats';
import type { PlanFix, Warning } from '../warnings';
import { handleMask } from '../../plan/mask';
import { handleStrip } from '../../plan/strip';
import { coatingKindOf, type Layer } from '../../plan/layer';
import type { GlazeFacts } from '../../plan/facts';

/** From this flow on a glaze "runs": more than 8 mm at a normal dip of 0.3 mm melted. */
const RUNS_ABOVE_FLOW = 8 / 0.3 ** 2;
const THINNER_MM = 0.3;

const factsOf = ({ glazes }: PieceQuestion, layer: Layer): GlazeFacts | undefined =>
  coatingKindOf(layer) === 'glaze' ? glazes.find((glaze) => glaze.bucketId === layer.bucketId) : undefined;

/**
 * Returns the first glaze among some layers that is runny in this firing; undefined where there is none.
 *
 * @param question - plan, shape, glazes and body
 * @param layers - among which to look
 * @example
 * runnyOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }, [])
 * // undefined
 */
export function runnyOf(question: PieceQuestion, layers: readonly Layer[]): { layer: Layer; glaze: GlazeFacts } | undefined {
  const ratio = question.firingRatio ?? firingRatioOf(question.plan);
  for (const layer of layers) {
    const glaze = factsOf(question, layer);
    if (glaze && ratio * glaze.flow.flow > RUNS_ABOVE_FLOW) return { layer, glaze };
  }
  return undefined;
}

const thinnerFix = ({ plan }: PieceQuestion, { layer, glaze }: { layer: Layer; glaze: GlazeFacts }): PlanFix[] => {
  if (layer.coatMm <= THINNER_MM) return [];
  const { zones, strips } = withLayers(plan, (one) => (one.id === layer.id ? { ...one, coatMm: THINNER_MM } : one));
  return [{ words: `${glaze.name} at ${THINNER_MM} mm`, change: { zones, ...(strips ? { strips } : {}) } }];
};

/**
 * Returns M1 or M4: how often it comes down to the shelf, or so near that the margin is gone. On a plate the shelf is safe and the foot is not.
 *
 * @param question - plan, shape, glazes and body; forecast and safe line where they are known
 * @example
 * running({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).map(({ rule }) => rule)
 * // []
 */
export function running(question: PieceQuestion): Warning[] {
  const { plan, safeLine } = question;
  const forecast = question.forecast ?? quickForecast(question);
  const worst = worstSide(forecast);
  const setting = plan.setting ?? 'shelf';
  if (!worst || worst.nearChance < SAFE_CHANCE) return [];
  // A foot that is glazed stands on its glaze: M5 says so, and what to do.
  if (!isTurnedOver(plan) && isFootGlazed(plan)) return [];
  const reaches = worst.reachChance >= SAFE_CHANCE;
  const where = sidePlace(worst, plan);
  const percent = Math.round(100 * worst.reachChance);
  const to = { shelf: 'the shelf', plate: 'the plate', stilts: 'the shelf', upsideDown: 'the rim, and drips', onRim: 'the seat it stands on' }[
    setting
  ];
  const line = !isTurnedOver(plan) && safeLine?.kind === 'ok' && safeLine.waxFootMm > plan.waxFootMm ? safeLine.waxFootMm : undefined;
  return [
    {
      rule: reaches ? 'M1' : 'M4',
      badness: reaches ? worst.reachChance : worst.nearChance,
      severity: reaches && worst.reachChance >= STOP_CHANCE && setting !== 'plate' ? 'stop' : 'look',
      what: reaches
        ? `${percent} % reach ${to}${where}.`
        : `It ends too near ${to}${where}: 95 in 100 run less than ${Math.ceil(worst.run95Mm)} mm, and ${worst.freeMm.toFixed(0)} mm are free.`,
      why: `${forecast.from === 'draws' ? 'From 2,000 draws' : 'A quick look; the draws follow'}${forecast.basis === 'startingGuess' ? ', and a starting guess of how it flows: fire a runner tile' : ''}.`,
      remedies: [
        'Thinner coats, less overlap',
        ...(isTurnedOver(plan) ? ['A wider bare rim'] : []),
        ...(setting === 'plate' ? ['Grind the foot after: eyes and lungs'] : []),
      ],
      fixes: [
        ...(line === undefined ? [] : [{ words: `Wax ${line} mm up`, change: { waxFootMm: line } }]),
        ...thinnerAll(question, worst),
        ...(setting === 'shelf' ? [{ words: 'On a plate with kiln wash', change: { setting: 'plate' as const } }] : []),
      ],
    },
  ];
}

const isFootGlazed = ({ waxFootMm, zones }: PiecePlan): boolean => zones.foot.length > 0 || (waxFootMm === 0 && zones.outside.length > 0);

/** All coats of the worst side thinner, so that it may start where it does. */
function thinnerAll({ plan, shape, glazes, overlaps, firingRatio }: PieceQuestion, { side, panelId }: SideForecast): PlanFix[] {
  const quick = quickRun({
    plan,
    shape,
    glazes,
    side,
    panelId,
    ...(overlaps ? { overlaps } : {}),
    ...(firingRatio === undefined ? {} : { firingRatio }),
  });
  const thin = quick && withSafeCoats(plan, quick);
  if (!thin) return [];
  const coats = layersOf(thin).filter(({ id, coatMm }) => layersOf(plan).some((before) => before.id === id && before.coatMm !== coatMm));
  const words = coats.map(({ bucketId, coatMm }) => `${glazes.find((glaze) => glaze.bucketId === bucketId)?.name ?? 'it'} ${coatMm.toFixed(2)} mm`);
  return [{ words: `Thinner: ${words.join(', ')}`, change: { zones: thin.zones, ...(thin.strips ? { strips: thin.strips } : {}) } }];
}

/** From this chance on more than a piece or two of a kiln are lost. */
const STOP_CHANCE = 0.3;

function sidePlace({ side, panelId }: SideForecast, plan: PiecePlan): string {
  if (side === 'grip') return ', down the handle';
  if (side === 'inside') return ', from the inside';
  return panelId === undefined ? '' : `, from ${placeWords(panelId, plan)}`;
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
  const own = handleStrip(plan);
  const on = [...(own?.first ? [] : [...plan.zones.outside, ...plan.zones.rim]), ...(own?.layers ?? [])];
  const runny = shape.grip && !handleMask(plan) && runnyOf(question, on);
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
  const { poolMm = 0 } = question.forecast ?? quickForecast(question);
  const deepest = question.plan.zones.inside.reduce<Layer | undefined>(
    (most, layer) => (most && most.coatMm >= layer.coatMm ? most : layer),
    undefined,
  );
  const glaze = deepest && factsOf(question, deepest);
  if (poolMm <= DEEP_POOL_MM || !glaze) return [];
  return [
    {
      rule: 'M3',
      severity: 'look',
      badness: poolMm,
      what: `${glaze.name} inside gathers in a pool of ${poolMm.toFixed(1)} mm, which may crack the pot.`,
      why: 'A thick glass in the bottom shrinks otherwise than the clay under it.',
      remedies: ['Stop it above the floor', 'A stable liner inside'],
      fixes: thinnerFix(question, { layer: deepest, glaze }),
    },
  ];
}

/** A deeper pool may crack the pot as it cools, mm: a rule of the bench. */
export const DEEP_POOL_MM = 2;

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
