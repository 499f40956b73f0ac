import { coated, waited, type Face, type FaceState, type WallState } from '../../coat/wall/wall-state';
import type { PieceStep } from './steps';

/**
 * The wall of a piece. Places that are glazed and waxed over before the outside lie on bare clay, as the outside beside them does: each has a face of
 * its own, and all share the one wall of water.
 */
export interface WallWithPlaces {
  wall: WallState;
  apart: ReadonlyMap<string, FaceState>;
}

/**
 * Returns the wall before the first step, with a face for each place that these steps glaze apart.
 *
 * @param wall - dry
 * @param steps - in order
 * @example
 * wallWithPlaces(dryWall({ bisqueCone: '05', wallMm: 6 }), []).apart.size // 0
 */
export function wallWithPlaces(wall: WallState, steps: readonly PieceStep[]): WallWithPlaces {
  const firstOutside = steps.findIndex((step) => step.layer && step.zones.includes('outside'));
  const before = firstOutside < 0 ? [] : steps.slice(0, firstOutside);
  const apart = before.filter((step) => step.kind === 'waxOver').map((step): [string, FaceState] => [step.zones[0]!, wall.outside]);
  return { wall, apart: new Map(apart) };
}

/**
 * Returns which place of its own a step touches; undefined where it touches the outside or the inside at large.
 *
 * @param state - the wall
 * @param step - any step
 * @example
 * placeOf(wallWithPlaces(dryWall({ bisqueCone: '05', wallMm: 6 }), []), { key: 'a', kind: 'layer', zones: ['rim'], laborSeconds: 25 }) // undefined
 */
export const placeOf = ({ apart }: WallWithPlaces, { zones }: PieceStep): string | undefined =>
  zones.length === 1 && apart.has(zones[0]!) ? zones[0] : undefined;

/**
 * Returns the wall as a dip at a place meets it.
 *
 * @param state - the wall
 * @param place - from `placeOf`
 * @example
 * wallAt({ wall: dryWall({ bisqueCone: '05', wallMm: 6 }), apart: new Map() }, undefined).takenMm // 0
 */
export const wallAt = ({ wall, apart }: WallWithPlaces, place: string | undefined): WallState =>
  place === undefined ? wall : { ...wall, outside: apart.get(place)! };

/**
 * Returns the wall after a coat at a place: the water is in the one wall, the coat on that place alone.
 *
 * @param state - the wall
 * @param place - from `placeOf`
 * @param coat - as for `coated`
 * @example
 * coatedAt({ wall: dryWall({ bisqueCone: '05', wallMm: 6 }), apart: new Map() }, undefined, { faces: ['outside'], coatMm: 0.5, waterMm: 0.3, full: false }).wall.outside.coatMm
 * // 0.5
 */
export function coatedAt(
  state: WallWithPlaces,
  place: string | undefined,
  coat: { faces: readonly Face[]; coatMm: number; waterMm: number; full: boolean },
): WallWithPlaces {
  const after = coated(wallAt(state, place), coat);
  if (place === undefined) return { ...state, wall: after };
  return { wall: { ...after, outside: state.wall.outside }, apart: new Map(state.apart).set(place, after.outside) };
}

/**
 * Returns the wall after a wait: it dries as one, and each face gets its thirst back.
 *
 * @param state - the wall
 * @param minutes - 0 or more
 * @throws PotterError for less than 0
 * @example
 * waitedAt({ wall: dryWall({ bisqueCone: '05', wallMm: 6 }), apart: new Map() }, 10).wall.takenMm // 0
 */
export function waitedAt({ wall, apart }: WallWithPlaces, minutes: number): WallWithPlaces {
  return {
    wall: waited(wall, minutes),
    apart: new Map([...apart].map(([place, face]) => [place, waited({ ...wall, outside: face }, minutes).outside])),
  };
}
