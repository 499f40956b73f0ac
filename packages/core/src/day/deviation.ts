import { requirePositive } from '../checks/require';
import { PotterError } from '../checks/potter-error';
import { cakeFactor } from '../coat/prediction/cake';
import { filmCoatMm, TOO_THICK_SHARE } from '../coat/prediction/dip-coat';
import { STATE_GUESSES } from '../coat/prediction/state-guesses';
import { solidsByVolume } from '../slurry/contents';

/** What was done to a piece otherwise than planned, as far as it was timed, measured or weighed. */
export interface CoatDone {
  /** Timed or typed; as planned when left out. */
  seconds?: number | undefined;
  /** Of the bucket at that moment; as planned when left out. */
  sg?: number | undefined;
  /** What the piece weighed more right after the coat, wet, g: counts above seconds and SG. */
  gainGrams?: number | undefined;
  /** Judged by eye or pin, mm: counts above all else. */
  coatMm?: number | undefined;
}

export interface PlannedCoat {
  coatMm: number;
  /** Left out where a coat has no seconds: brushed, sprayed. */
  seconds?: number | undefined;
  /** Of the bucket when the plan was made, or as it was meant to be. */
  sg?: number | undefined;
  /** Glaze that stays on one piece, mL. */
  glazeMl?: number | undefined;
}

/** What became of a planned coat. */
export interface CoatDeviation {
  coatMm: number;
  /** Of the planned coat. */
  ratio: number;
  verdict: 'asPlanned' | 'thinner' | 'thicker' | 'muchThicker';
  /** What it stands on. */
  from: 'told' | 'weight' | 'secondsAndSg';
}

/** A usual slurry, where the SG of the plan is not known, and powder: g/mL. */
const USUAL_SG = 1.45;
const USUAL_DENSITY = 2.6;
const { filmMm: FILM_MM, packing: PACKING } = STATE_GUESSES.normal;
/** A coat within this of the plan is as planned: hands scatter as much. */
const SAME_SHARE = 0.12;
/** From here on it may run further or crawl. */
const MUCH_SHARE = 0.35;

/**
 * Returns the coat that other seconds, another SG, or the weight of the piece say. By weight: what it gained is the glaze that stays on it. By
 * seconds and SG: the cake on the wall grows with the square root of time, over the film that clings at once. It stands on the plan's own coat, not
 * on a measured tile.
 *
 * Source: science §2, coat = film + √(2 J k t), J from the plan's own coat and seconds.
 *
 * @param planned - `coatMm`, above 0; `seconds`, `sg` and `glazeMl` as far as they are known
 * @param done - what was timed, measured or weighed, each above 0
 * @throws PotterError for what is not above 0, an SG that is no slurry, or where nothing says anything of the coat
 * @example
 * coatDeviation({ coatMm: 0.6, seconds: 4 }, { seconds: 4 }).verdict // 'asPlanned'
 */
export function coatDeviation(planned: PlannedCoat, done: CoatDone): CoatDeviation {
  const plannedMm = requirePositive('coatMm', planned.coatMm);
  const told = done.coatMm === undefined ? undefined : requirePositive('coatMm', done.coatMm) / plannedMm;
  const weighed = told ?? weighedRatio(planned, done);
  const ratio = weighed ?? timedRatio(plannedMm, planned, done);
  const verdict = ratio > 1 + MUCH_SHARE ? 'muchThicker' : ratio > 1 + SAME_SHARE ? 'thicker' : ratio < 1 - SAME_SHARE ? 'thinner' : 'asPlanned';
  return { coatMm: plannedMm * ratio, ratio, verdict, from: told !== undefined ? 'told' : weighed === undefined ? 'secondsAndSg' : 'weight' };
}

/** Undefined where nobody weighed, or it is not known what should have stayed. */
function weighedRatio({ glazeMl, sg }: PlannedCoat, done: CoatDone): number | undefined {
  if (done.gainGrams === undefined || glazeMl === undefined || glazeMl <= 0) return undefined;
  const gainGrams = requirePositive('grams', done.gainGrams);
  return gainGrams / (glazeMl * requirePositive('sg', done.sg ?? sg ?? USUAL_SG));
}

function timedRatio(plannedMm: number, planned: PlannedCoat, done: CoatDone): number {
  const plannedSg = planned.sg ?? done.sg ?? USUAL_SG;
  const [before, after] = [slurryOf(plannedSg), slurryOf(done.sg ?? plannedSg)];
  if (planned.seconds === undefined) {
    if (done.sg === undefined || planned.sg === undefined)
      throw new PotterError('tooSmall', 'seconds', 0, 'Neither its seconds nor its SG nor its weight say how thick it is.');
    // A brush or a gun leaves as much slurry as ever: its solids count.
    return after.solids / before.solids;
  }
  const plannedSeconds = requirePositive('seconds', planned.seconds);
  const seconds = requirePositive('seconds', done.seconds ?? plannedSeconds);
  const filmMm = Math.min(before.filmMm, plannedMm);
  const cakeMm = (plannedMm - filmMm) * Math.sqrt((after.factor * seconds) / (before.factor * plannedSeconds));
  return (filmMm * (after.filmMm / before.filmMm) + cakeMm) / plannedMm;
}

function slurryOf(sg: number): { solids: number; factor: number; filmMm: number } {
  // Thicker than this it no longer runs off a piece: the cake would have no water to give.
  const solids = Math.min(TOO_THICK_SHARE * PACKING, solidsByVolume({ sg, density: USUAL_DENSITY }));
  if (solids <= 0) throw new PotterError('tooSmall', 'sg', sg, 'An SG of 1 is water.');
  return {
    solids,
    factor: cakeFactor({ solidsByVolume: solids, packing: PACKING }),
    filmMm: filmCoatMm({ filmMm: FILM_MM, solidsByVolume: solids, packing: PACKING }),
  };
}
