import { DRY_THROUGH_HOURS } from '../coat/wall/wall-state';
import type { TimedStep } from '../layering/steps/step-times';
import { isAfterFiring, type PieceStep } from '../layering/steps/steps';
import { WASTE_SHARE } from '../coat/methods/application-method';
import { CLEARANCE_MM } from '../bucket/inside/dip-depth';
import { clayGrams } from '../geometry/clay-grams';
import { tallMm, widestMm, type PieceShape } from '../geometry/piece-form';
import { glazeNeeded } from '../layering/glaze-needed';
import { TAPE_MINUTES } from '../layering/order/order-rules';
import { areasOf } from '../plan/areas';
import type { GlazeFacts } from '../plan/facts';
import type { PiecePlan } from '../plan/piece-plan';
import type { DayItem, DayStep } from './day-plan';
import { HALVES_OVERLAP_MM } from '../plan/change-method';
import { coatingKindOf } from '../plan/layer';
import { worstSide, type RunForecast } from '../run/run-forecast';

export interface PieceForDay {
  pieceId: string;
  name: string;
  count: number;
  waxFootMm: number;
  steps: readonly TimedStep[];
  glazes: readonly GlazeFacts[];
  /** Names of decorating colours that are in no bucket. */
  names?: ReadonlyMap<string, string>;
  /** How far it runs: its worst side goes with it to the day. */
  forecast?: RunForecast | undefined;
  /** With them a step knows how much glaze it takes, and how deep. */
  plan?: PiecePlan | undefined;
  shape?: PieceShape | undefined;
  /** Which plan it is, and of which clay. */
  lot?: Pick<DayItem, 'pieceVersion' | 'clayBodyId' | 'clayLotId'> | undefined;
  /** Makes ids: the core is not random. */
  newId: () => string;
}

/**
 * Returns the steps of a plan as the list of a day keeps them: words, bucket, seconds, waits, and the caution at its step.
 *
 * @param piece - the piece, its timed steps, its glazes, names by bucket, and `newId`, which makes ids
 * @example
 * dayItemFromPiece({ pieceId: 'p', name: 'Cup', count: 3, waxFootMm: 10, steps: [], glazes: [], names: new Map(), newId: () => 'x' }).count // 3
 */
export function dayItemFromPiece(piece: PieceForDay): DayItem {
  const { pieceId, name, count, waxFootMm, steps, glazes, names, forecast, shape, lot, newId } = piece;
  const itemId = newId();
  const seenBuckets = new Set<string>();
  // What comes after the glaze firing belongs to another day.
  const today = steps.filter((step) => !isAfterFiring(step));
  const worst = forecast && worstSide(forecast);
  const risk = worst ? { reachChance: worst.reachChance, chanceFrom: forecast.from } : {};
  const size = shape ? { heightMm: Math.round(tallMm(shape)), widthMm: Math.round(2 * widestMm(shape)), grams: clayGrams(shape) } : {};
  const stands = {
    ...(piece.plan?.setting ? { setting: piece.plan.setting } : {}),
    ...(piece.plan?.dryHours === undefined ? {} : { dryHours: piece.plan.dryHours }),
  };
  return { id: itemId, pieceId, name, count, ...lot, ...size, ...stands, ...risk, steps: today.map((step, index) => dayStep(step, index)) };

  function dayStep(step: TimedStep, index: number): DayStep {
    const glaze = step.layer && glazes.find((facts) => facts.bucketId === step.layer!.bucketId);
    const firstDip = glaze !== undefined && !seenBuckets.has(glaze.bucketId);
    if (glaze) seenBuckets.add(glaze.bucketId);
    const waitMinutes = step.waitFor === 'dryThrough' ? DRY_THROUGH_HOURS * 60 : step.waitMinutes;
    const caution = cautionFor(step, firstDip ? glaze.name : undefined);
    return {
      id: newId(),
      itemId,
      kind: step.kind,
      words: stepWords({ step, glazeName: glaze?.name ?? names?.get(step.layer?.bucketId ?? ''), waxFootMm }),
      ...(caution ? { caution } : {}),
      ...(glaze ? { bucketId: glaze.bucketId, bucketName: glaze.name, lightness: glaze.lightness } : {}),
      ...(step.dip?.kind === 'ok' ? { seconds: step.dip.seconds } : {}),
      ...(step.layer ? { method: step.layer.method, ...takesOf(step, piece) } : {}),
      ...(step.kind === 'untape' ? { mostWaitMinutes: TAPE_MINUTES } : {}),
      ...(step.layer ? { coatMm: step.tooShort?.givesMm ?? step.layer.coatMm, layerIds: layerIdsOf(step, piece.plan) } : {}),
      ...(glaze && step.layer ? { sg: glaze.sg } : {}),
      laborSeconds: step.laborSeconds,
      waitMinutes: index === today.length - 1 ? 0 : waitMinutes,
    };
  }
}

/** One dip for inside and outside is the first coat of both. */
function layerIdsOf({ layer, zones }: TimedStep, plan: PiecePlan | undefined): string[] {
  const both = plan && zones.includes('inside') && zones.includes('outside') ? [plan.zones.inside[0], plan.zones.outside[0]] : [];
  return [...new Set([layer!, ...both].flatMap((one) => (one?.bucketId === layer!.bucketId ? [one.id] : [])))];
}

/** Glaze that one piece takes in a step, with what is lost beside it, and how deep a dip is, without the level that rises. */
function takesOf(step: TimedStep, { plan, shape, glazes }: PieceForDay): Pick<DayStep, 'glazeMl' | 'depthMm'> {
  const layer = step.layer!;
  if (!plan || !shape) return {};
  const coatMm = step.tooShort?.givesMm ?? layer.coatMm;
  const areas = areasOf({ plan, shape }).filter((area) => step.zones.includes(area.id));
  const onPiece = areas.reduce(
    (sum, { takesCm2 }) => sum + glazeNeeded({ area: { areaCm2: takesCm2, layers: [{ ...layer, coatMm }] }, glazes }).slurryMl,
    0,
  );
  const isDip = layer.method === 'dip' || layer.method === 'halfDips';
  const topMm = tallMm(shape);
  const lowestMm = Math.min(topMm, ...areas.map(({ id, fromMm }) => (id === 'inside' ? topMm : fromMm)));
  return {
    ...(onPiece > 0 ? { glazeMl: Number((onPiece / (1 - WASTE_SHARE[layer.method])).toFixed(1)) } : {}),
    ...(isDip && lowestMm < topMm ? { depthMm: Math.round(topMm - lowestMm + CLEARANCE_MM) } : {}),
  };
}

/**
 * Returns a step in the words of the bench.
 *
 * @param question - `step`; `glazeName`; `waxFootMm`, height of the bare foot
 * @example
 * stepWords({ step: { key: 'wax', kind: 'wax', zones: ['foot'], laborSeconds: 40, waitMinutes: 20, waitFor: 'handleDry', wallUsed: 0 }, waxFootMm: 10 })
 * // 'Wax the foot and 10 mm up'
 */
export function stepWords({ step, glazeName, waxFootMm }: { step: TimedStep; glazeName?: string | undefined; waxFootMm: number }): string {
  switch (step.kind) {
    case 'check':
      return 'Check edges and dust, wipe damp, let dry';
    case 'wax':
      return step.place ? `Wax ${step.place}` : `Wax the foot and ${waxFootMm} mm up`;
    case 'soak':
      return `Soak the foot ${waxFootMm} mm deep in water, and wipe it by finger after each coat`;
    case 'tape':
      return step.place ? `Tape ${step.place} shut` : `Tape the foot and ${waxFootMm} mm up`;
    case 'untape':
      return `Take the tape off ${step.place ?? 'the foot'} before the glaze is bone dry`;
    case 'scrape':
      return `Scrape the glaze back, damp, from ${step.place ?? 'the foot'}`;
    case 'spongeOff':
      return step.place ? `Sponge the glaze off ${step.place}` : `Sponge the foot clean, ${waxFootMm} mm up`;
    case 'waxOver':
      return `Wax over ${step.place ? `${step.place}, its glaze dry` : 'the rim’s dry glaze'}, to its edge`;
    case 'wipeFoot':
      return `Wipe ${step.place ?? 'the foot'} and check it`;
    case 'fire':
      return `Fire it to ${step.place ?? 'its cone'}, and open the kiln cold`;
    case 'fireLustre':
      return 'Fire it again for the lustre, to the cone on its label';
    case 'layer':
      return layerWords(step, glazeName ?? 'glaze');
  }
}

function layerWords(step: TimedStep, name: string): string {
  const where = step.zones.length === 2 ? 'inside and outside' : (step.place ?? (step.zones[0] === 'inside' ? 'inside' : `the ${step.zones[0]}`));
  const passes = step.brushCoats ?? 1;
  const seconds = step.dip?.kind === 'ok' ? `, ${step.dip.seconds.toFixed(1)} s` : '';
  const on = where.startsWith('inside') ? where : `on ${where}`;
  switch (step.layer!.method) {
    case 'dip':
      return `Dip ${where} in ${name}${seconds}`;
    case 'halfDips':
      return `Dip ${where} in ${name} in two halves${seconds} each, the second once the first is handle-dry and ${HALVES_OVERLAP_MM} mm over it`;
    case 'pour':
      return `Pour ${name} ${where === 'inside' ? 'inside' : `over ${where}`}${seconds}`;
    case 'brush':
      return `Brush ${name} ${on}, ${passes} ${passes === 1 ? 'coat' : 'coats'}`;
    case 'spray':
      return `Spray ${name} ${on}, ${passes} ${passes === 1 ? 'pass' : 'passes'}`;
    case 'sponge':
      return `Dab ${name} ${on} with a sponge, ${passes} ${passes === 1 ? 'pass' : 'passes'}`;
    case 'trail':
      return `Trail ${name} ${on}`;
    case 'rub':
      return `Rub ${name} into ${where === 'inside' ? 'the inside' : where} and wipe it back`;
  }
}

/**
 * Returns what to mind at a step, said where it happens; undefined where there is nothing.
 *
 * @param step - the step
 * @param firstBucketName - the first glaze of the day
 * @example
 * cautionFor({ key: 'wipeFoot', kind: 'wipeFoot', zones: ['foot'], laborSeconds: 30 }, undefined)
 * // 'Wipe wet: dry glaze is silica dust. Rinse water settles in its own bucket, never the drain.'
 */
export function cautionFor(step: PieceStep, firstBucketName: string | undefined): string | undefined {
  if (step.kind === 'scrape') return 'Scrape damp, never dry, over a tray: dry glaze is silica dust. A respirator where it cannot be kept damp.';
  if (step.layer && coatingKindOf(step.layer) === 'lustre')
    return 'Lustre gives off fumes, wet and in the kiln: open windows, the mask its data sheet asks for, nobody in the room while it fires.';
  if (step.layer?.method === 'spray') return 'Spray only in a booth that draws, with a respirator: the mist is silica and colouring oxides.';
  if (step.kind === 'wax' || step.kind === 'waxOver')
    return 'Wax fumes and hot wax: open a window; wax on bare clay needs another bisque to come off.';
  if (step.kind === 'wipeFoot') return 'Wipe wet: dry glaze is silica dust. Rinse water settles in its own bucket, never the drain.';
  if (firstBucketName) return `Read the code on the bucket first: a wrong bucket or the wrong tongs cost a kiln.`;
  return undefined;
}
