import { requireNotNegative, requireShare } from '../../checks/require';
import { type CoatSituation } from '../prediction/predict';
import { absorptionGuessPercent, wallCapacityMm } from '../prediction/suction';
import { BODY_DENSITY } from '../prediction/state-guesses';

/** A face that was dipped or wetted has its thirst back with this time constant, minutes. */
export const THIRST_BACK_MINUTES = 20;
/** Water an exposed face gives back to the air, mm/h, in a usual room. */
export const EVAPORATION_MM_PER_HOUR = 0.06;
/** How much faster or slower the air takes it. */
export const AIR_FACTORS = { damp: 0.5, usual: 1, draught: 3 } as const;
/** Dry through, hours. */
export const DRY_THROUGH_HOURS = 12;
/** A wall that was full dries so many times slower. */
const FULL_WALL_SLOWS = 5;
/** A damp wipe leaves this much water in the wall, mm. */
export const WIPE_WATER_MM = 0.05;
/** A wall counts as full no longer once this share of its water has gone. */
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
  /** What the whole wall can drink, mm of water, and what is in it. */
  capacityMm: number;
  takenMm: number;
  inside: FaceState;
  outside: FaceState;
}

export interface FaceState {
  /** Dry glaze on it, mm. */
  coatMm: number;
  /** 0 just dipped, 1 as thirsty as ever; the coat on it is as dry. */
  thirst: number;
  /** It was full when it came out: dries slower. */
  slow: boolean;
}

const FRESH: FaceState = { coatMm: 0, thirst: 1, slow: false };

/** A bisque wall nobody touched yet. */
export function dryWall(wall: PieceWall): WallState {
  const absorptionPercent = wall.absorptionPercent ?? absorptionGuessPercent({ bisqueCone: wall.bisqueCone, earthenware: wall.earthenware ?? false });
  const capacityMm = wallCapacityMm({ absorptionPercent, bodyDensity: BODY_DENSITY, wallMm: wall.wallMm, faces: 1 });
  return { capacityMm, takenMm: 0, inside: FRESH, outside: FRESH };
}

/** Water in the wall, and a face as thirsty as what is not wet of it. */
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

/** A coat put on one or both faces, with the water each took into the wall. */
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

/** Time goes by. Two clocks: the thirst of a face comes back within the hour, room in the wall only as water leaves for the air. */
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

/** What a dip on one face, or on both at once, meets. Both share what the wall can still drink. */
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

/** Share of the wall's water in use, 0–1. */
export const wallUsed = ({ takenMm, capacityMm }: WallState): number => (capacityMm > 0 ? Math.min(1, takenMm / capacityMm) : 1);
