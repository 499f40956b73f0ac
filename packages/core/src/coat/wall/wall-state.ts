import { requireNotNegative, requireShare } from '../../checks/require';
import { type CoatSituation } from '../prediction/predict';
import { absorptionGuessPercent, wallCapacityMm } from '../prediction/suction';
import { BODY_DENSITY } from '../prediction/state-guesses';

/** Time constant with which a dipped or wetted face gets its thirst back, minutes. */
export const THIRST_BACK_MINUTES = 20;
/** Water that an exposed face loses to the air, mm/h, in a usual room. */
export const EVAPORATION_MM_PER_HOUR = 0.06;
/** Factor on it by the air. */
export const AIR_FACTORS = { damp: 0.5, usual: 1, draught: 3 } as const;
/** Dry through, hours. */
export const DRY_THROUGH_HOURS = 12;
/** A wall that was full dries so many times slower. */
const FULL_WALL_SLOWS = 5;
/** A damp wipe leaves this much water in the wall, mm. */
export const WIPE_WATER_MM = 0.05;
/** A wall counts as full until this share of its water has gone. */
const ROOM_AGAIN_SHARE = 0.1;
export type Face = 'inside' | 'outside';
export type Air = keyof typeof AIR_FACTORS;

export interface PieceWall {
  bisqueCone: string;
  earthenware?: boolean;
  absorptionPercent?: number | undefined;
  wallMm: number;
}

/** Both faces and the one reservoir of water behind them. */
export interface WallState {
  /** What the whole wall can take up and what is in it, mm of water. */
  capacityMm: number;
  takenMm: number;
  inside: FaceState;
  outside: FaceState;
}

export interface FaceState {
  /** Dry glaze on it, mm. */
  coatMm: number;
  /** 0 just dipped, 1 fully thirsty; the coat on it is as dry. */
  thirst: number;
  /** The wall was full when it came out: it dries slower. */
  slow: boolean;
}

const FRESH: FaceState = { coatMm: 0, thirst: 1, slow: false };

/**
 * Returns a bisque wall that nobody has touched yet.
 *
 * @param wall - `bisqueCone` and `wallMm`; `absorptionPercent`, guessed from the cone when left out
 * @throws PotterError for a cone that is not in the table, or a wall of 0 mm or less
 * @example
 * dryWall({ bisqueCone: '05', wallMm: 6, absorptionPercent: 14 }).capacityMm // 1.596
 */
export function dryWall(wall: PieceWall): WallState {
  const absorptionPercent = wall.absorptionPercent ?? absorptionGuessPercent({ bisqueCone: wall.bisqueCone, earthenware: wall.earthenware ?? false });
  const capacityMm = wallCapacityMm({ absorptionPercent, bodyDensity: BODY_DENSITY, wallMm: wall.wallMm, faces: 1 });
  return { capacityMm, takenMm: 0, inside: FRESH, outside: FRESH };
}

/**
 * Returns the wall with water in it: its faces are as thirsty as the part that is not wet.
 *
 * @param state - the wall before
 * @param share - of what it can drink, 0–1
 * @throws PotterError for a share outside
 * @example
 * wetted(dryWall({ bisqueCone: '05', wallMm: 6 }), 0.5).inside.thirst // 0.5
 */
export function wetted(state: WallState, share: number): WallState {
  const left = 1 - requireShare('share', share);
  const wet = (face: FaceState): FaceState => ({ ...face, thirst: Math.min(face.thirst, left), slow: face.slow || share >= 1 });
  return {
    ...state,
    takenMm: Math.max(state.takenMm, share * state.capacityMm),
    inside: wet(state.inside),
    outside: wet(state.outside),
  };
}

/**
 * Returns the wall with a coat on one or both faces, and the water that each took in.
 *
 * @param state - the wall before
 * @param coat - `faces`; `coatMm` and `waterMm` on each, 0 or more; `full`, whether the wall was full
 * @example
 * coated(dryWall({ bisqueCone: '05', wallMm: 6 }), { faces: ['outside'], coatMm: 0.5, waterMm: 0.3, full: false }).outside.coatMm // 0.5
 */
export function coated(state: WallState, coat: { faces: readonly Face[]; coatMm: number; waterMm: number; full: boolean }): WallState {
  const on = (face: Face): FaceState =>
    coat.faces.includes(face) ? { coatMm: state[face].coatMm + coat.coatMm, thirst: 0, slow: coat.full } : state[face];
  return {
    ...state,
    takenMm: Math.min(state.capacityMm, state.takenMm + coat.waterMm * coat.faces.length),
    inside: on('inside'),
    outside: on('outside'),
  };
}

/**
 * Returns the wall after some time. There are two clocks: the thirst of a face comes back within the hour; room in the wall comes only as
 * water leaves for the air.
 *
 * @param state - the wall before
 * @param minutes - 0 or more
 * @param air - how fast it dries
 * @throws PotterError for negative minutes
 * @example
 * waited(wetted(dryWall({ bisqueCone: '05', wallMm: 6 }), 1), 24 * 60).takenMm // 0
 */
export function waited(state: WallState, minutes: number, air: Air = 'usual'): WallState {
  requireNotNegative('minutes', minutes);
  const takenMm = Math.max(0, state.takenMm - (2 * EVAPORATION_MM_PER_HOUR * AIR_FACTORS[air] * minutes) / 60);
  const roomAgain = takenMm <= (1 - ROOM_AGAIN_SHARE) * state.capacityMm;
  const back = (face: FaceState): FaceState => ({
    ...face,
    thirst: 1 - (1 - face.thirst) * Math.exp(-minutes / (THIRST_BACK_MINUTES * (face.slow ? FULL_WALL_SLOWS : 1))),
    slow: face.slow && !roomAgain,
  });
  return { ...state, takenMm, inside: back(state.inside), outside: back(state.outside) };
}

/**
 * Returns what a dip on one face, or on both at once, meets. Both share what the wall can still drink.
 *
 * @param state - the wall
 * @param faces - that are dipped
 * @example
 * faceNow(dryWall({ bisqueCone: '05', wallMm: 6 }), ['inside', 'outside'])
 * // { faces: 2, underMm: 0, underDryness: 1, wallTakenMm: 0, thirst: 1 }
 */
export function faceNow(
  state: WallState,
  faces: readonly Face[],
): Required<Pick<CoatSituation, 'faces' | 'underMm' | 'underDryness' | 'wallTakenMm' | 'thirst'>> {
  const touched = faces.map((face) => state[face]);
  const thirst = Math.min(...touched.map((face) => face.thirst));
  return {
    faces: faces.length === 2 ? 2 : 1,
    underMm: Math.max(...touched.map((face) => face.coatMm)),
    underDryness: thirst,
    wallTakenMm: state.takenMm / faces.length,
    thirst,
  };
}

/**
 * Returns the share of the wall's water that is in use, 0–1.
 *
 * @param state - the wall
 * @example
 * wallUsed(wetted(dryWall({ bisqueCone: '05', wallMm: 6 }), 0.25)) // 0.25
 */
export const wallUsed = ({ takenMm, capacityMm }: WallState): number => (capacityMm > 0 ? Math.min(1, takenMm / capacityMm) : 1);
