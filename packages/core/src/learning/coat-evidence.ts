import { attempt } from '../checks/potter-error';
import { checkedDipCoat, type Dip } from '../coat/prediction/dip-coat';
import { PRIOR_LN_SD } from '../coat/prediction/knowledge';
import { dipByFactors, SECONDS_SD, type CoatSituation } from '../coat/prediction/predict';
import { BorderedBlocks } from '../math/bordered-blocks';

/** A dip whose coat was measured. */
export interface CoatObservation {
  id: string;
  /** The glaze that J_cake and f belong to, and the body or tested bisque lot that J_wall belongs to. */
  glazeId: string;
  bodyId: string;
  situation: CoatSituation;
  seconds: number;
  coatMm: number;
  /** Standard deviation of ln(coat) of the measurement alone. */
  lnSd: number;
}

/** A wall measured in water alone: how far ln J_wall lies from its starting guess. */
export interface WallObservation {
  bodyId: string;
  lnWall: number;
  lnSd: number;
}

/** Step of the central differences, in ln, and as a factor. */
const STEP = 0.05;
const UP = Math.exp(STEP);

/** A measured dip that the model can use. */
export interface UsableDip {
  id: string;
  glaze: number;
  body: number;
  lnMeasured: number;
  /** Of the measurement and of counting seconds together. */
  sd: number;
  /** ln(coat) by the model, with J_cake, J_wall and f as factors on their starting guesses. */
  lnCoat: (cakeTimes: number, wallTimes: number, filmTimes: number) => number;
}

/** What measured dips and thirst tests say together of `glazes` and `bodies`, both counted. */
export interface CoatEvidence {
  dips: readonly UsableDip[];
  walls: readonly { body: number; lnWall: number; weight: number }[];
  glazes: number;
  bodies: number;
}

/**
 * Returns a measured dip as the learning uses it; undefined for one that no model can use: too thick to dip in, or not a dip.
 *
 * @param observation - the measured dip
 * @param at - positions of its `glaze` and its `body`
 * @example
 * usableDip(
 *   {
 *     ...{ id: 'd', glazeId: 'ash', bodyId: 'clay', seconds: 3, coatMm: 0.6, lnSd: 0.08 },
 *     situation: { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 },
 *   },
 *   { glaze: 0, body: 0 },
 * ).lnCoat(1, 1, 1) // -0.4783512
 */
export function usableDip(observation: CoatObservation, { glaze, body }: { glaze: number; body: number }): UsableDip | undefined {
  const { id, situation, seconds, coatMm, lnSd } = observation;
  const made = attempt(() => dipByFactors(situation));
  if (made.kind === 'refused' || !(coatMm > 0) || !(lnSd > 0)) return undefined;
  const { dip, suctionFor } = made.value;
  const [before, after] = [lnCoatOf(dip, Math.max(0, seconds - SECONDS_SD)), lnCoatOf(dip, seconds + SECONDS_SD)];
  if (before === undefined || after === undefined) return undefined;
  const { filmMm } = dip;
  return {
    id,
    glaze,
    body,
    lnMeasured: Math.log(coatMm),
    sd: Math.hypot(lnSd, (after - before) / 2),
    lnCoat: (cakeTimes, wallTimes, filmTimes) => {
      // One object is changed, because a new one each time costs as much as the coat itself.
      dip.suction = suctionFor(cakeTimes, wallTimes);
      dip.filmMm = filmMm * filmTimes;
      return lnCoatOf(dip, seconds) ?? 0;
    },
  };
}

/** Returns undefined where the glaze is too thick to dip in, or nothing would cling. */
function lnCoatOf(dip: Omit<Dip, 'seconds'>, seconds: number): number | undefined {
  const coat = checkedDipCoat(dip, seconds);
  return coat.kind === 'ok' && coat.coatMm > 0 ? Math.log(coat.coatMm) : undefined;
}

/** Where the three of one dip are among those of all: cakes of the glazes, their films, walls of the bodies. */
const lnCoatAt = ({ lnCoat, glaze, body }: UsableDip, glazes: number, times: readonly number[]): number =>
  lnCoat(times[glaze]!, times[2 * glazes + body]!, times[glazes + glaze]!);

/**
 * Returns how far each dip lies from what the model says, in its own sd.
 *
 * @param evidence - dips and thirst tests
 * @param mean - the shifts
 * @example
 * missesOf({ dips: [], walls: [], glazes: 0, bodies: 1 }, [0]) // []
 */
export function missesOf({ dips, glazes }: CoatEvidence, mean: readonly number[]): number[] {
  const times = mean.map(Math.exp);
  return dips.map((dip) => (dip.lnMeasured - lnCoatAt(dip, glazes, times)) / dip.sd);
}

/**
 * Returns twice the negative log posterior, up to a constant: priors, thirst tests and dips.
 *
 * @param evidence - dips and thirst tests
 * @param mean - the shifts
 * @example
 * costOf({ dips: [], walls: [{ body: 0, lnWall: 0.5, weight: 4 }], glazes: 0, bodies: 1 }, [0]) // 1
 */
export function costOf(evidence: CoatEvidence, mean: readonly number[]): number {
  let sum = 0;
  for (const { body, lnWall, weight } of evidence.walls) sum += weight * (lnWall - mean[2 * evidence.glazes + body]!) ** 2;
  for (const miss of missesOf(evidence, mean)) sum += miss ** 2;
  for (const value of mean) sum += (value / PRIOR_LN_SD) ** 2;
  return sum;
}

/**
 * Returns the information matrix of the shifts, and the gradient of misses and priors, at a point.
 *
 * @param evidence - dips and thirst tests
 * @param mean - the shifts
 * @example
 * slopesOf({ dips: [], walls: [{ body: 0, lnWall: 0.5, weight: 4 }], glazes: 0, bodies: 1 }, [0]).push // [2]
 */
export function slopesOf(evidence: CoatEvidence, mean: readonly number[]): { information: BorderedBlocks; push: number[] } {
  const { glazes, bodies } = evidence;
  const information = new BorderedBlocks(glazes, bodies, 1 / PRIOR_LN_SD ** 2);
  const push = mean.map((value) => -value / PRIOR_LN_SD ** 2);
  for (const { body, lnWall, weight } of evidence.walls) {
    information.addToBorder(body, weight);
    push[2 * glazes + body]! += weight * (lnWall - mean[2 * glazes + body]!);
  }
  const times = mean.map(Math.exp);
  for (const { glaze, body, lnCoat, lnMeasured, sd } of evidence.dips) {
    const weight = 1 / sd ** 2;
    const [cake, wall, film] = [times[glaze]!, times[2 * glazes + body]!, times[glazes + glaze]!];
    const pull = weight * (lnMeasured - lnCoat(cake, wall, film));
    const cakeSlope = (lnCoat(cake * UP, wall, film) - lnCoat(cake / UP, wall, film)) / (2 * STEP);
    const wallSlope = (lnCoat(cake, wall * UP, film) - lnCoat(cake, wall / UP, film)) / (2 * STEP);
    const filmSlope = (lnCoat(cake, wall, film * UP) - lnCoat(cake, wall, film / UP)) / (2 * STEP);
    push[glaze]! += cakeSlope * pull;
    push[glazes + glaze]! += filmSlope * pull;
    push[2 * glazes + body]! += wallSlope * pull;
    information.addMeeting(glaze, body, [cakeSlope, filmSlope, wallSlope], weight);
  }
  return { information, push };
}
