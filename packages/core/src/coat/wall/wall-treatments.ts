import type { CoatKnowledge } from '../prediction/knowledge';
import { coatPredictor, type CoatSituation } from '../prediction/predict';
import type { SlurryState } from '../../slurry/slurry-state';
import { WIPE_WATER_MM, type Face, type Air, type PieceWall, type WallState, dryWall, wetted, coated, waited, faceNow } from './wall-state';

/** What was done to a piece before the dip that is asked about. */
export type PieceTreatment =
  | { kind: 'wiped' }
  /** Washed, or its foot soaked: share of what the wall can take up. */
  | { kind: 'wetted'; share: number }
  | { kind: 'dipped'; faces: readonly Face[]; seconds: number; glaze: { sg: number; density: number; state: SlurryState }; knowledge?: CoatKnowledge }
  | { kind: 'waited'; minutes: number; air?: Air };

/**
 * Returns the wall after all that was done to it, in order.
 *
 * @param wall - its bisque and thickness
 * @param treatments - wiped, wetted, dipped, waited
 * @throws PotterError as its steps
 * @example
 * wallUsed(wallAfter({ bisqueCone: '05', wallMm: 6 }, [{ kind: 'wetted', share: 0.25 }])) // 0.25
 */
export function wallAfter(wall: PieceWall, treatments: readonly PieceTreatment[]): WallState {
  return treatments.reduce((state, treatment) => afterTreatment(wall, state, treatment), dryWall(wall));
}

function afterTreatment(wall: PieceWall, state: WallState, treatment: PieceTreatment): WallState {
  switch (treatment.kind) {
    case 'wiped':
      return { ...state, takenMm: Math.min(state.capacityMm, state.takenMm + WIPE_WATER_MM) };
    case 'wetted':
      return wetted(state, treatment.share);
    case 'waited':
      return waited(state, treatment.minutes, treatment.air);
    case 'dipped': {
      const situation: CoatSituation = { ...treatment.glaze, ...wall, ...faceNow(state, treatment.faces) };
      const { coat } = coatPredictor(situation, treatment.knowledge)(treatment.seconds);
      if (coat.kind !== 'ok') return state;
      return coated(state, { faces: treatment.faces, coatMm: coat.coatMm, waterMm: coat.waterTakenMm, full: coat.saturated });
    }
  }
}
