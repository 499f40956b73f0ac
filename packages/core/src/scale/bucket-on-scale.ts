import { requireNotNegative, requirePositive, requireSg } from '../checks/require';

/** What is known of the bucket that stands on a scale. */
export interface BucketOnScale {
  /** Last weight at rest, g; left out until it stood still once. */
  restGrams?: number;
  /** What it weighed before it was lifted off. */
  beforeLiftGrams?: number;
  /** Since when something has hung in the glaze, ms: the weight of what it displaces shows. */
  underSinceMs?: number;
  /** Seconds that the last piece was under, until its loss is known. */
  underSeconds?: number;
  dips: readonly ScaleDip[];
  asked: readonly Asked[];
  /** Counts the dips and questions, so that screens can tell them apart. */
  count: number;
}

/** A loss that looks like a piece's coat. */
export interface ScaleDip {
  id: number;
  atMs: number;
  /** What left the bucket, less the drips that came back, g. */
  lossGrams: number;
  dripsBackGrams: number;
  /** As the weight showed it, when the piece was seen going in and out. */
  seconds?: number;
}

/** A change that may be anything: nothing is booked until somebody says what it was. */
export interface Asked {
  id: number;
  atMs: number;
  /** Positive when the bucket is lighter than before. */
  lossGrams: number;
  guess: 'spilled' | 'tooLittle' | 'added' | 'lifted';
}

export const NOTHING_ON_SCALE: BucketOnScale = { dips: [], asked: [], count: 0 };

export interface DipLimits {
  divisionGrams: number;
  /** Least and most wet glaze that a piece can take out, g. */
  leastGrams: number;
  mostGrams: number;
}

/** A change of so many divisions is none: somebody touched the bucket. */
const SAME_DIVISIONS = 2;
/** A bucket that lost this share at once was lifted, not dipped into. */
const LIFTED_SHARE = 0.5;
/** Drips run back into the bucket within this time. */
const DRIPS_WITHIN_MS = 90_000;
/** A piece that is under shows at least so many divisions of what it displaces. */
const UNDER_DIVISIONS = 5;

/**
 * Returns the bucket on a scale after one more reading. Dips are recognised; everything else is asked about.
 *
 * @param before - what was known
 * @param reading - `atMs`, a monotonic clock; `shownGrams`; `settledGrams` once it stands still
 * @param limits - what a dip may take off
 * @example
 * readBucketScale(NOTHING_ON_SCALE, { atMs: 0, shownGrams: 8000, settledGrams: 8000 }, { divisionGrams: 1, leastGrams: 4, mostGrams: 250 }).restGrams
 * // 8000
 */
export function readBucketScale(
  before: BucketOnScale,
  reading: { atMs: number; shownGrams: number; settledGrams?: number },
  limits: DipLimits,
): BucketOnScale {
  const { atMs, settledGrams } = reading;
  const same = SAME_DIVISIONS * limits.divisionGrams * 1.0001;
  if (before.restGrams === undefined && before.beforeLiftGrams === undefined) {
    // Lighter than what a piece can take: an empty scale, or a cloth on it.
    return settledGrams === undefined || settledGrams <= limits.mostGrams ? before : { ...before, restGrams: settledGrams };
  }
  if (before.beforeLiftGrams !== undefined) {
    if (settledGrams === undefined || settledGrams < LIFTED_SHARE * before.beforeLiftGrams) return before;
    const { beforeLiftGrams, ...back } = before;
    const lossGrams = beforeLiftGrams - settledGrams;
    const stands = { ...back, restGrams: settledGrams };
    return Math.abs(lossGrams) <= same ? stands : ask(stands, { atMs, lossGrams, guess: 'lifted' });
  }
  const restGrams = before.restGrams!;
  if (settledGrams === undefined) return watchUnder(before, reading, restGrams, limits);
  if (settledGrams < LIFTED_SHARE * restGrams) {
    const { restGrams: beforeLiftGrams, underSinceMs: _since, underSeconds: _seconds, ...rest } = before;
    return { ...rest, beforeLiftGrams: beforeLiftGrams! };
  }
  const lossGrams = restGrams - settledGrams;
  if (Math.abs(lossGrams) <= same) return calm(before);
  // A piece that is held still under the glaze rests as well: the bucket is heavier by what it displaces, and the piece is not out yet.
  if (lossGrams < 0 && before.underSinceMs !== undefined && !isDripping(before, atMs, -lossGrams)) {
    return before.underSinceMs + LONGEST_UNDER_MS > atMs
      ? before
      : ask({ ...calm(before), restGrams: settledGrams }, { atMs, lossGrams, guess: 'added' });
  }
  const stands = { ...calm(before), restGrams: settledGrams };
  if (lossGrams < 0) return isDripping(before, atMs, -lossGrams) ? dripsBack(stands, -lossGrams) : ask(stands, { atMs, lossGrams, guess: 'added' });
  if (lossGrams < limits.leastGrams) return ask(stands, { atMs, lossGrams, guess: 'tooLittle' });
  if (lossGrams > limits.mostGrams) return ask(stands, { atMs, lossGrams, guess: 'spilled' });
  const id = before.count + 1;
  const dip: ScaleDip = { id, atMs, lossGrams, dripsBackGrams: 0, ...(before.underSeconds === undefined ? {} : { seconds: before.underSeconds }) };
  return { ...stands, count: id, dips: [...before.dips, dip] };
}

/** Nothing is held under for longer, ms; then it is something that was put in. */
const LONGEST_UNDER_MS = 60_000;

/** While the weight moves: a piece that goes under adds to it, and coming out takes that away. */
function watchUnder(
  before: BucketOnScale,
  { atMs, shownGrams }: { atMs: number; shownGrams: number },
  restGrams: number,
  limits: DipLimits,
): BucketOnScale {
  const isUnder = shownGrams > restGrams + Math.max(UNDER_DIVISIONS * limits.divisionGrams, limits.leastGrams);
  if (isUnder) return before.underSinceMs === undefined ? { ...before, underSinceMs: atMs } : before;
  if (before.underSinceMs === undefined) return before;
  const { underSinceMs, ...rest } = before;
  return { ...rest, underSeconds: Number(((atMs - underSinceMs) / 1000).toFixed(1)) };
}

function calm(state: BucketOnScale): BucketOnScale {
  const { underSinceMs: _since, underSeconds: _seconds, ...rest } = state;
  return rest;
}

/** The last thing that left the bucket: a dip, or a loss that was asked about. */
function lastLoss({ dips, asked }: BucketOnScale): ScaleDip | Asked | undefined {
  const [dip, question] = [dips.at(-1), asked.at(-1)];
  return question && question.lossGrams > 0 && (!dip || question.atMs > dip.atMs) ? question : dip;
}

function isDripping(state: BucketOnScale, atMs: number, gainGrams: number): boolean {
  const last = lastLoss(state);
  return last !== undefined && atMs - last.atMs <= DRIPS_WITHIN_MS && gainGrams < last.lossGrams / 2;
}

function dripsBack(state: BucketOnScale, grams: number): BucketOnScale {
  const last = lastLoss(state)!;
  const lossGrams = last.lossGrams - grams;
  if ('guess' in last) return { ...state, asked: state.asked.map((one) => (one === last ? { ...one, lossGrams } : one)) };
  return { ...state, dips: state.dips.map((one) => (one === last ? { ...one, lossGrams, dripsBackGrams: one.dripsBackGrams + grams } : one)) };
}

function ask(state: BucketOnScale, question: Omit<Asked, 'id'>): BucketOnScale {
  const id = state.count + 1;
  return { ...state, count: id, asked: [...state.asked, { id, ...question }] };
}

/**
 * Returns the bucket on a scale after somebody said what a change was: a dip after all, or nothing of the kind.
 *
 * @param state - what was known
 * @param answer - `id` of the question; `wasDip`
 * @example
 * answerAsked(NOTHING_ON_SCALE, { id: 1, wasDip: false }).asked // []
 */
export function answerAsked(state: BucketOnScale, { id, wasDip }: { id: number; wasDip: boolean }): BucketOnScale {
  const question = state.asked.find((one) => one.id === id);
  if (!question) return state;
  const asked = state.asked.filter((one) => one.id !== id);
  if (!wasDip || question.lossGrams <= 0) return { ...state, asked };
  const dip = { id, atMs: question.atMs, lossGrams: question.lossGrams, dripsBackGrams: 0 };
  return { ...state, asked, dips: [...state.dips, dip].sort((a, b) => a.atMs - b.atMs) };
}

export type OvernightWater =
  | { kind: 'lost'; waterGrams: number; sg: number; sgSd: number }
  /** Too short a time, or no loss that the scale can tell. */
  | { kind: 'nothing' }
  /** It weighs more, or so much less that water alone is not likely. */
  | { kind: 'notWaterAlone'; changeGrams: number };

/** Hours after which a loss may be evaporation, and the largest share of the water that evaporates in a day. */
const LEAST_HOURS = 2;
const MOST_SHARE_A_DAY = 0.15;

/**
 * Returns how much water a bucket lost that stood on the scale overnight, and the SG it has now, without a cylinder.
 *
 * @param question - `before`, its weight and how many hours ago; `nowGrams`; `divisionGrams` of the scale; `bucket`, its volume, SG and water
 * @throws PotterError for what lies outside
 * @example
 * overnightWater({ before: { grams: 8000, hoursAgo: 12 }, nowGrams: 7900, divisionGrams: 1, bucket: { volumeMl: 5000, sg: 1.45, sgSd: 0.01, waterGrams: 3600 } }).kind
 * // 'lost'
 */
export function overnightWater(question: {
  before: { grams: number; hoursAgo: number };
  nowGrams: number;
  divisionGrams: number;
  bucket: { volumeMl: number; sg: number; sgSd: number; waterGrams: number };
}): OvernightWater {
  const { before, nowGrams, divisionGrams, bucket } = question;
  const waterGrams = requirePositive('grossGrams', before.grams) - requireNotNegative('grossGrams', nowGrams);
  if (Math.abs(waterGrams) <= SAME_DIVISIONS * divisionGrams || before.hoursAgo < LEAST_HOURS) return { kind: 'nothing' };
  const days = Math.max(1, before.hoursAgo / 24);
  if (waterGrams < 0 || waterGrams > MOST_SHARE_A_DAY * days * bucket.waterGrams) return { kind: 'notWaterAlone', changeGrams: -waterGrams };
  const leftMl = requirePositive('volumeMl', bucket.volumeMl) - waterGrams;
  const sg = (requireSg('sg', bucket.sg) * bucket.volumeMl - waterGrams) / leftMl;
  // What was not known of the SG yesterday is not known today either; the two weighings add their error.
  const sgSd = Math.hypot((bucket.sgSd * bucket.volumeMl) / leftMl, ((sg - 1) * Math.SQRT1_2 * divisionGrams) / leftMl);
  return { kind: 'lost', waterGrams, sg, sgSd };
}
