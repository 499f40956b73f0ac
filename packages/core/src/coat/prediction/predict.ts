import { requireNotNegative, requireSg, requireShare } from '../../checks/require';
import { solidsByVolume } from '../../slurry/contents';
import { cakeFactor } from './cake';
import { checkDip, checkedDipCoat, type Dip, type DipCoat } from './dip-coat';
import { PRIOR_KNOWLEDGE, type CoatBasis, type CoatKnowledge } from './knowledge';
import { secondsForCoat, type SecondsForCoat } from './seconds-for-coat';
import { CAKE_SUCTION_GUESS, absorptionGuessPercent, effectiveSuction, wallCapacityMm, wallSuctionGuess } from './suction';
import type { SlurryState } from '../../slurry/slurry-state';
import { STATE_GUESSES, BODY_DENSITY } from './state-guesses';
import { EIGHTY_PERCENT_Z } from '../../math/normal';

/** One dip differs from the next by this in ln(coat), as those that were weighed show. */
export const DIP_LN_SD = 0.08;
/** People count seconds to about 0.3 s. */
export const SECONDS_SD = 0.3;
export const LONGEST_DIP_SECONDS = 60;
/** Step of the central differences, in ln. */
const DELTA_STEP = 0.05;

export interface CoatSituation {
  sg: number;
  density: number;
  state: SlurryState;
  bisqueCone: string;
  earthenware?: boolean;
  absorptionPercent?: number | undefined;
  wallMm: number;
  faces: 1 | 2;
  /** Glaze beneath, mm, and how dry it is. */
  underMm?: number;
  underDryness?: number;
  /** Water the wall has already drunk, mm. */
  wallTakenMm?: number;
  /** How thirsty the face is, from 0 just dipped to 1. */
  thirst?: number;
  /** A fired glaze beneath: nothing is drunk. */
  firedUnder?: boolean;
}

export interface CoatPrediction {
  basis: CoatBasis;
  coat: DipCoat;
  /** Of the next dip: standard deviation of ln(coat), with what is known, the dip's own scatter, and hands that count seconds. */
  lnSd?: number;
  /** Its 80 % band, mm; left out when the bucket is too thick to dip in. */
  lowMm?: number;
  highMm?: number;
  /** 80 % band of the mean of many such dips, mm. */
  meanLowMm?: number;
  meanHighMm?: number;
}

/**
 * Returns the predicted dry coat of a dip with its 80 % band, and what the prediction rests on. The band of the mean is that of ln(coat), by the
 * delta method. The band of the next dip adds what one dip differs from another, and that people count seconds to about 0.3 s.
 *
 * @param question - the situation and `seconds`, 0 or more
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * predictCoat({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2, seconds: 3 }).coat.coatMm // 0.6198045
 */
export function predictCoat(
  { seconds, ...situation }: CoatSituation & { seconds: number },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): CoatPrediction {
  return coatPredictor(situation, knowledge)(seconds);
}

/**
 * Returns `predictCoat` for many times in one situation. Bucket and wall are computed once, so that a curve keeps up with a dragging pointer.
 *
 * @param situation - bucket, wall and what was done to it before
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * coatPredictor({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 })(3).basis // { kind: 'startingGuess' }
 */
export function coatPredictor(situation: CoatSituation, knowledge: CoatKnowledge = PRIOR_KNOWLEDGE): (seconds: number) => CoatPrediction {
  const { shift, covariance, basis } = knowledge;
  const middle = dipFor(situation, shift);
  const pairs = [0, 1, 2].map(
    (axis) => [dipFor(situation, moved(shift, axis, DELTA_STEP)), dipFor(situation, moved(shift, axis, -DELTA_STEP))] as const,
  );
  // Checked once: the shifted dips differ only by positive factors.
  checkDip(middle);
  return (seconds) => {
    const coat = checkedDipCoat(middle, requireNotNegative('seconds', seconds));
    if (coat.kind !== 'ok') return { basis, coat };
    const at = (dip: Omit<Dip, 'seconds'>): number => {
      const shifted = checkedDipCoat(dip, seconds);
      return shifted.kind === 'ok' ? shifted.coatMm : coat.coatMm;
    };
    // Delta method: variance of ln(coat) from the covariance of the three, by central differences.
    const slopes = coat.coatMm > 0 ? pairs.map(([up, down]) => Math.log(at(up) / at(down)) / (2 * DELTA_STEP)) : [0, 0, 0];
    let variance = 0;
    for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) variance += slopes[i]! * slopes[j]! * covariance[i]![j]!;
    const meanLnSd = Math.sqrt(Math.max(0, variance));
    const lnSd = Math.hypot(meanLnSd, DIP_LN_SD, lnSdOfHand(middle, seconds));
    const [meanLowMm, meanHighMm] = band(coat.coatMm, meanLnSd);
    const [lowMm, highMm] = band(coat.coatMm, lnSd);
    return { basis, coat, lnSd, lowMm, highMm, meanLowMm, meanHighMm };
  };
}

const band = (coatMm: number, lnSd: number): [lowMm: number, highMm: number] => {
  const spread = Math.exp(EIGHTY_PERCENT_Z * lnSd);
  return [coatMm / spread, coatMm * spread];
};

/** How far ln(coat) goes with the 0.3 s that a hand is early or late. */
function lnSdOfHand(dip: Omit<Dip, 'seconds'>, seconds: number): number {
  const [early, late] = [Math.max(0, seconds - SECONDS_SD), seconds + SECONDS_SD].map((at) => checkedDipCoat(dip, at));
  return early!.kind === 'ok' && late!.kind === 'ok' && early!.coatMm > 0 ? Math.log(late!.coatMm / early!.coatMm) / 2 : 0;
}

/**
 * Returns the seconds for a wanted coat, or why no time gives it.
 *
 * @param question - the situation; `coatMm`, above 0; `longestSeconds`, 60 when left out
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * predictSeconds({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2, coatMm: 0.5 }).kind // 'ok'
 */
export function predictSeconds(
  { coatMm, longestSeconds = LONGEST_DIP_SECONDS, ...situation }: CoatSituation & { coatMm: number; longestSeconds?: number },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): SecondsForCoat {
  return secondsForCoat({ ...dipFor(situation, knowledge.shift), coatMm, longestSeconds });
}

/** How far ln J_cake, ln J_wall and ln f are from their starting guesses. */
type Shift = CoatKnowledge['shift'];

const moved = (shift: Shift, axis: number, by: number): Shift =>
  shift.map((value, index) => (index === axis ? value + by : value)) as unknown as Shift;

/**
 * Returns the dip of a situation, with suction and film moved from their starting guesses.
 *
 * @param situation - bucket, wall and what was done to it before
 * @param shift - of ln J_cake, ln J_wall and ln f; zeros are the starting guesses
 * @throws PotterError for an SG or a density that no slurry has
 * @example
 * dipFor({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 }, [0, 0, 0]).filmMm // 0.15
 */
export const dipFor = (situation: CoatSituation, shift: Shift): Omit<Dip, 'seconds'> => dipsFor(situation, shift)(situation.sg);

/**
 * Returns the dip of a situation by its starting guesses, and its suction for other suctions of cake and wall, each as a factor on its guess.
 * What no factor moves is computed once: the learning asks a million times.
 *
 * @param situation - as for `dipFor`
 * @throws PotterError for a bucket or a wall that cannot be
 * @example
 * dipByFactors({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 }).suctionFor(1, 1) // 0.0371628379
 */
export function dipByFactors(situation: CoatSituation): {
  dip: Omit<Dip, 'seconds'>;
  suctionFor: (cakeTimes: number, wallTimes: number) => number;
} {
  const wall = wallOf(situation);
  const slurry = slurryOf(situation, wall.packing);
  return { dip: dipOf(wall, slurry, [1, 1, 1]), suctionFor: (cakeTimes, wallTimes) => suctionOf(wall, slurry, cakeTimes, wallTimes) };
}

/**
 * Returns the dips of one wall for many SGs. What belongs to the wall is computed once.
 *
 * @param situation - as for `dipFor`, without the SG
 * @param shift - as for `dipFor`
 * @throws PotterError for a thirst outside 0–1, or a wall that cannot be
 * @example
 * dipsFor({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 }, [0, 0, 0])(1.45).solidsByVolume // 0.28125
 */
export function dipsFor(situation: Omit<CoatSituation, 'sg'>, shift: Shift): (sg: number) => Omit<Dip, 'seconds'> {
  const wall = wallOf(situation);
  const { density } = situation;
  const times = shift.map(Math.exp) as unknown as Shift;
  return (sg) => dipOf(wall, slurryOf({ sg, density }, wall.packing), times);
}

interface Wall extends Pick<Dip, 'packing' | 'filmMm' | 'underMm' | 'underDryness' | 'wallWaterMm'> {
  suction: number;
  /** 0 on a fired glaze: nothing is drunk. */
  thirst: number;
}

function wallOf(situation: Omit<CoatSituation, 'sg'>): Wall {
  const { bisqueCone, wallMm, faces, firedUnder } = situation;
  const { filmMm, packing } = STATE_GUESSES[situation.state];
  const absorptionPercent = situation.absorptionPercent ?? absorptionGuessPercent({ bisqueCone, earthenware: situation.earthenware ?? false });
  const capacity = wallCapacityMm({ absorptionPercent, bodyDensity: BODY_DENSITY, wallMm, faces });
  const thirst = requireShare('thirst', situation.thirst ?? 1);
  return {
    packing,
    filmMm,
    suction: wallSuctionGuess({ bisqueCone }),
    thirst: firedUnder ? 0 : thirst,
    underMm: situation.underMm ?? 0,
    underDryness: situation.underDryness ?? 1,
    wallWaterMm: Math.max(0, capacity - (situation.wallTakenMm ?? 0)),
  };
}

interface Slurry {
  solidsByVolume: number;
  cakeFactor: number;
}

function slurryOf({ sg, density }: { sg: number; density: number }, packing: number): Slurry {
  const phi = solidsByVolume({ sg: requireSg('sg', sg), density });
  return { solidsByVolume: phi, cakeFactor: cakeFactor({ solidsByVolume: phi, packing }) };
}

function suctionOf(wall: Wall, slurry: Slurry, cakeTimes: number, wallTimes: number): number {
  // Above the packing there is no cake; dipCoat answers tooThickToDip before it uses J.
  if (slurry.solidsByVolume >= wall.packing || wall.thirst <= 0) return 0;
  const cakeSuction = CAKE_SUCTION_GUESS * cakeTimes;
  return wall.thirst * effectiveSuction({ cakeSuction, wallSuction: wall.suction * wallTimes, cakeFactor: slurry.cakeFactor });
}

function dipOf(wall: Wall, slurry: Slurry, [cakeTimes, wallTimes, filmTimes]: Shift): Omit<Dip, 'seconds'> {
  const { packing, underMm, underDryness, wallWaterMm } = wall;
  return {
    solidsByVolume: slurry.solidsByVolume,
    packing,
    suction: suctionOf(wall, slurry, cakeTimes, wallTimes),
    filmMm: wall.filmMm * filmTimes,
    underMm,
    underDryness,
    wallWaterMm,
  };
}
