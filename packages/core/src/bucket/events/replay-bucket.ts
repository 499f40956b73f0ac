import { DAY_MS, HOUR_MS } from '../../units/time';
import { waterPerDryGram } from '../../slurry/contents';
import { densityOfPowders } from '../../slurry/mix';
import {
  emptyBucket,
  NOTHING_GRAMS,
  runningMl,
  runningSg,
  toSnapshot,
  sumGrams,
  type BucketReplay,
  type FeelNow,
  type RunningBucket,
} from './bucket-contents';
import type { Additives, BucketEvent, BucketPart, DropKind } from './bucket-events';
import { combineReadings } from '../sg/combine-readings';
import { withEarlier } from '../sg/with-earlier';
import { standingEvents } from '../../events/event-order';
import { DOSE_PERCENT, dropGrams } from '../additives/drop-dose';
import { slurryStateFromSwirl, type SlurryState } from '../../slurry/slurry-state';

/** SG readings further apart than this are two visits to the bucket, not one repeated reading, ms. */
export const SAME_VISIT_MS = 6 * HOUR_MS;
/** A smaller difference of two SGs is not shown. */
const SHOWN_SG = 0.0005;
/** Within this change of the SG a bucket feels the same. */
const SAME_FEEL_SG = 0.01;
/** Gum solution is water but for 1.5 %. */
const GUM_WATER_SHARE = 0.985;
const ADDITIVES = ['epsomGrams', 'silicateGrams', 'gumMl'] as const;

/**
 * Returns what is in a bucket, replayed from its events. Powder is known best, because it was weighed: an SG reading corrects the water and
 * leaves the powder; a measured volume scales both. Taking glaze takes powder and water alike.
 *
 * @param question - `events` of the bucket, in any order
 * @example
 * replayBucket({ events: [{ id: 'a', at: '2026-03-01T09:00:00.000Z', by: 'Maia', type: 'filled', waterGrams: 700, parts: [{ powderId: 's', name: 'Silica', part: 'base', grams: 700, density: 2.6 }] }] }).contents.dryGrams
 * // 700
 */
export function replayBucket({ events }: { events: readonly BucketEvent[] }): BucketReplay {
  const running = emptyBucket();
  for (const event of standingEvents(events)) applyBucketEvent(running, event);
  return toSnapshot(running);
}

/**
 * Applies one event to the state of a replay. It changes `running` in place; that state is never shared.
 *
 * @param running - the state of the replay
 * @param event - the next one in the order of the bench
 * @example
 * applyBucketEvent(emptyBucket(), { id: 'a', at: '2026-03-01T09:00:00.000Z', by: 'Maia', type: 'filled', waterGrams: 700, parts: [{ powderId: 's', name: 'Silica', part: 'base', grams: 700, density: 2.6 }] })
 * // undefined
 */
export function applyBucketEvent(running: RunningBucket, event: BucketEvent): void {
  switch (event.type) {
    case 'filled':
      if (sumGrams(running.parts) <= NOTHING_GRAMS) startAnew(running);
      if (event.additives) addAdditives(running, event.additives, 1);
      running.glazes = [...new Set([...running.glazes, ...(event.glazes ?? [])])];
      mergeParts(running, event.parts, 1);
      running.waterGrams += event.waterGrams;
      changed(running);
      break;
    case 'sgMeasured':
      measured(running, event);
      break;
    case 'volumeMeasured': {
      const before = runningMl(running);
      if (before > 0) scale(running, event.volumeMl / before);
      break;
    }
    case 'waterAdded':
      running.waterGrams += event.grams;
      changed(running);
      break;
    case 'waterPouredOff':
      running.waterGrams = Math.max(0, running.waterGrams - event.grams);
      changed(running);
      break;
    case 'powderAdded':
      mergeParts(running, event.parts, 1);
      changed(running);
      break;
    case 'glazeTaken':
      take(running, event);
      break;
    case 'gumAdded':
      running.additives.gumMl += event.millilitres;
      running.waterGrams += GUM_WATER_SHARE * event.millilitres;
      changed(running);
      break;
    case 'dropsAdded':
      dropped(running, event);
      break;
    case 'stirred':
      running.stirredAt = event.at;
      break;
    case 'swirlTimed':
      running.slurryState = slurryStateFromSwirl({ seconds: event.seconds });
      // A swirl is newer than the word before it. What earlier moments show stays as it was.
      running.feel = untold(running.feel);
      felt(running, { swirlSeconds: event.seconds, at: event.at, ...(event.springsBack === undefined ? {} : { springsBack: event.springsBack }) });
      break;
    case 'stateTold':
      running.slurryState = event.state;
      felt(running, { told: event.state, at: event.at });
      break;
    case 'flowTimed':
      felt(running, { flowSeconds: event.seconds, at: event.at });
      break;
    case 'dripsCounted':
      felt(running, { drips: event.drips, at: event.at });
      break;
    case 'nailLooked':
      felt(running, { nail: event.shows, at: event.at });
      break;
    case 'lidSet':
      setLid(running, event);
      break;
    case 'codeRead':
      running.codeReadAt = event.at;
      break;
    case 'contaminated':
      running.contaminated = [...running.contaminated, event.text];
      break;
    case 'noted':
    case 'undone':
      break;
  }
}

function measured(running: RunningBucket, event: Extract<BucketEvent, { type: 'sgMeasured' }>): void {
  if (sumGrams(running.parts) <= 0) return;
  const density = densityOfPowders({ parts: running.parts });
  if (event.sg >= density) return;
  const daysSince = running.measuredAt === undefined ? Number.POSITIVE_INFINITY : (Date.parse(event.at) - Date.parse(running.measuredAt)) / DAY_MS;
  const sameVisit = running.readings.length > 0 && daysSince * DAY_MS < SAME_VISIT_MS;
  if (!sameVisit) {
    const bookSg = runningSg(running);
    const counts = !running.changed && running.sgSd !== undefined && bookSg !== undefined;
    running.earlier = counts ? { sg: bookSg, sgSd: running.sgSd!, days: daysSince } : undefined;
  }
  running.readings = [...(sameVisit ? running.readings : []), { sg: event.sg, sgSd: event.sgSd }];
  const reading = combineReadings({ readings: running.readings });
  const { sg, sgSd } = running.earlier ? withEarlier({ earlier: running.earlier, reading, days: running.earlier.days }) : reading;
  running.lastReading = Math.abs(sg - reading.sg) < SHOWN_SG ? undefined : { sg: reading.sg, sgSd: reading.sgSd };
  running.waterGrams = sumGrams(running.parts) * waterPerDryGram({ sg, density });
  running.sgSd = sgSd;
  running.measuredAt = event.at;
  running.stoodBefore = undefined;
  running.changed = false;
}

/** A lid counts from when it was put so. How the bucket stood until then stays what it was. */
function setLid(running: RunningBucket, { lid, at }: Extract<BucketEvent, { type: 'lidSet' }>): void {
  const { measuredAt, lidAt = '' } = running;
  if (measuredAt !== undefined) {
    const days = Math.max(0, Date.parse(at) - Date.parse(lidAt > measuredAt ? lidAt : measuredAt)) / DAY_MS;
    const stood = running.stoodBefore ?? { untold: 0, open: 0, closed: 0 };
    const how = running.lid ?? 'untold';
    running.stoodBefore = { ...stood, [how]: stood[how] + days };
  }
  running.lid = lid;
  running.lidAt = at;
}

/** What went into another bucket is booked as it was then. What went on pots is a share of everything. */
function take(running: RunningBucket, event: Extract<BucketEvent, { type: 'glazeTaken' }>): void {
  const before = runningMl(running);
  if (before <= 0) return;
  if (!event.parts) {
    scale(running, Math.max(0, 1 - event.millilitres / before), true);
    return;
  }
  mergeParts(running, event.parts, -1);
  running.waterGrams = Math.max(0, running.waterGrams - (event.waterGrams ?? 0));
  if (event.additives) addAdditives(running, event.additives, -1);
}

function dropped(running: RunningBucket, { drops, of = 'epsom' }: Extract<BucketEvent, { type: 'dropsAdded' }>): void {
  const grams = dropGrams({ drops, of });
  const key = of === 'epsom' ? 'epsomGrams' : 'silicateGrams';
  running.additives[key] += grams;
  const dosed = stateOfDrops(running, of);
  if (dosed !== 'normal') running.slurryState = dosed;
}

/** A usual dose is assumed to have worked until a swirl says otherwise; of both, the one that was added last. */
function stateOfDrops({ additives, parts }: RunningBucket, last?: DropKind): SlurryState {
  const dryGrams = sumGrams(parts);
  const isDosed = (of: DropKind): boolean =>
    (100 * additives[of === 'epsom' ? 'epsomGrams' : 'silicateGrams']) / dryGrams >= DOSE_PERCENT[of].least && (last ?? of) === of;
  return isDosed('epsom') ? 'flocculated' : isDosed('silicate') ? 'deflocculated' : 'normal';
}

function changed(running: RunningBucket): void {
  running.changed = true;
  if (running.readings.length > 0) running.readings = [];
  // How it felt is how it felt at that SG: after a jug of water it is to be felt anew.
  if (running.felt === undefined || Math.abs((runningSg(running) ?? 0) - running.felt) <= SAME_FEEL_SG) return;
  running.feel = undefined;
  running.felt = undefined;
  running.slurryState = stateOfDrops(running);
}

function untold(feel: FeelNow | undefined): FeelNow | undefined {
  if (!feel) return undefined;
  const { told: _word, ...rest } = feel;
  return rest;
}

function felt(running: RunningBucket, reading: FeelNow): void {
  running.feel = { ...running.feel, ...reading };
  running.felt = runningSg(running);
}

/** Glaze poured into an empty bucket is a new glaze. Lid, last stirring and rinse water belong to the bucket and stay. */
function startAnew(running: RunningBucket): void {
  const { lid, lidAt, stirredAt, waterGrams } = running;
  Object.assign(running, emptyBucket(), {
    sgSd: undefined,
    measuredAt: undefined,
    feel: undefined,
    felt: undefined,
    codeReadAt: undefined,
    stoodBefore: undefined,
    lid,
    lidAt,
    stirredAt,
    waterGrams,
  });
}

/** Adds or takes powder by powder, in place: a history of thousands of steps has no time for copies. */
function mergeParts(running: RunningBucket, change: readonly BucketPart[], sign: 1 | -1): void {
  for (const part of change) {
    const same = running.parts.find((other) => other.powderId === part.powderId && other.part === part.part);
    if (same) same.grams = Math.max(0, same.grams + sign * part.grams);
    else if (sign > 0) running.parts.push({ ...part });
  }
}

function scale(running: RunningBucket, factor: number, additivesToo = false): void {
  for (const part of running.parts) part.grams *= factor;
  running.waterGrams *= factor;
  if (!additivesToo) return;
  for (const key of ADDITIVES) running.additives[key] *= factor;
}

function addAdditives(running: RunningBucket, what: Additives, sign: 1 | -1): void {
  for (const key of ADDITIVES) running.additives[key] = Math.max(0, running.additives[key] + sign * what[key]);
}
