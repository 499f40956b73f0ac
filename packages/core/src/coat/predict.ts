import { requireSg } from '../checks/require';
import { solidsByVolume } from '../slurry/contents';
import { cakeFactor } from './cake';
import { dipCoat, type Dip, type DipCoat } from './dip-coat';
import { secondsForCoat, type SecondsForCoat } from './seconds-for-coat';
import { CAKE_SUCTION_GUESS, absorptionGuessPercent, effectiveSuction, wallCapacityMm, wallSuctionGuess } from './suction';

export type BucketState = 'flocculated' | 'normal' | 'deflocculated';

/** Wet film and packing of the dry coat by the state of the slurry: starting guesses. */
export const STATE_GUESSES: Record<BucketState, { filmMm: number; packing: number }> = {
  normal: { filmMm: 0.15, packing: 0.5 },
  flocculated: { filmMm: 0.3, packing: 0.42 },
  deflocculated: { filmMm: 0.08, packing: 0.58 },
};

/** Density of a bisque wall, g/mL. */
export const BODY_DENSITY = 1.9;
/** Priors: sd of ln J_cake, ln J_wall and ln f before any weighing. */
export const PRIOR_LN_SD = 0.5;
/** Half width of an 80 % interval of a normal, in sd. */
export const EIGHTY_PERCENT_Z = 1.2816;
export const LONGEST_DIP_SECONDS = 60;

export interface CoatSituation {
  sg: number;
  density: number;
  state: BucketState;
  bisqueCone: string;
  earthenware?: boolean;
  absorptionPercent?: number | undefined;
  wallMm: number;
  faces: 1 | 2;
  /** Glaze beneath, mm, and how dry it is. */
  underMm?: number;
  underDryness?: number;
  /** Water the wall has already drunk for an earlier coat, mm. */
  wallTakenMm?: number;
}

export interface CoatPrediction {
  ground: 'startingGuess';
  coat: DipCoat;
  /** 80 % band, mm; absent when the bucket is too thick to dip. */
  lowMm?: number;
  highMm?: number;
}

/** Predicted dry coat for a time in the glaze with its 80 % band, from starting guesses alone. */
export function predictCoat({ seconds, ...situation }: CoatSituation & { seconds: number }): CoatPrediction {
  const at = (shift: Shift): DipCoat => dipCoat({ ...dipFor(situation, shift), seconds });
  const coat = at({});
  if (coat.kind !== 'ok') return { ground: 'startingGuess', coat };
  const sd = lnCoatSd(coat.coatMm, (shift) => {
    const shifted = at(shift);
    return shifted.kind === 'ok' ? shifted.coatMm : coat.coatMm;
  });
  const spread = Math.exp(EIGHTY_PERCENT_Z * sd);
  return { ground: 'startingGuess', coat, lowMm: coat.coatMm / spread, highMm: coat.coatMm * spread };
}

/** Seconds for a wanted coat in the same situation. */
export function predictSeconds({
  coatMm,
  longestSeconds = LONGEST_DIP_SECONDS,
  ...situation
}: CoatSituation & { coatMm: number; longestSeconds?: number }): SecondsForCoat {
  return secondsForCoat({ ...dipFor(situation, {}), coatMm, longestSeconds });
}

interface Shift {
  lnCake?: number;
  lnWall?: number;
  lnFilm?: number;
}

function dipFor(situation: CoatSituation, shift: Shift): Omit<Dip, 'seconds'> {
  const { filmMm, packing } = STATE_GUESSES[situation.state];
  const phi = solidsByVolume({ sg: requireSg('sg', situation.sg), density: situation.density });
  const factor = cakeFactor({ solidsByVolume: phi, packing });
  const absorptionPercent =
    situation.absorptionPercent ?? absorptionGuessPercent({ bisqueCone: situation.bisqueCone, earthenware: situation.earthenware ?? false });
  const capacity = wallCapacityMm({ absorptionPercent, bodyDensity: BODY_DENSITY, wallMm: situation.wallMm, faces: situation.faces });
  return {
    solidsByVolume: phi,
    packing,
    // Above the packing fraction there is no cake to speak of; dipCoat answers tooThickToDip before it uses J.
    suction:
      phi < packing
        ? effectiveSuction({
            cakeSuction: CAKE_SUCTION_GUESS * Math.exp(shift.lnCake ?? 0),
            wallSuction: wallSuctionGuess({ bisqueCone: situation.bisqueCone }) * Math.exp(shift.lnWall ?? 0),
            cakeFactor: factor,
          })
        : 0,
    filmMm: filmMm * Math.exp(shift.lnFilm ?? 0),
    underMm: situation.underMm ?? 0,
    underDryness: situation.underDryness ?? 1,
    wallWaterMm: Math.max(0, capacity - (situation.wallTakenMm ?? 0)),
  };
}

/** Delta method: sd of ln(coat) from the three independent priors by central differences. */
function lnCoatSd(coatMm: number, at: (shift: Shift) => number): number {
  const step = 0.05;
  let variance = 0;
  for (const key of ['lnCake', 'lnWall', 'lnFilm'] as const) {
    const slope = (Math.log(at({ [key]: step })) - Math.log(at({ [key]: -step }))) / (2 * step);
    variance += (slope * PRIOR_LN_SD) ** 2;
  }
  return coatMm > 0 ? Math.sqrt(variance) : 0;
}
