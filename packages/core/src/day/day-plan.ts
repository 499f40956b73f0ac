import type { StepKind } from '../layering/steps/steps';
import type { EventHead } from '../events/event-head';

/** One step of one group of pieces, as it was when the pieces were put on the day. */
export interface DayStep {
  id: string;
  itemId: string;
  kind: StepKind;
  words: string;
  caution?: string | undefined;
  bucketId?: string | undefined;
  bucketName?: string | undefined;
  lightness?: number | undefined;
  seconds?: number | undefined;
  coatMm?: number | undefined;
  /** Labor for one piece, seconds. */
  laborSeconds: number;
  /** Wait after it before the piece's next step, minutes. */
  waitMinutes: number;
}

/** Pieces that share one plan. */
export interface DayItem {
  id: string;
  pieceId: string;
  name: string;
  count: number;
  /** How likely it runs to where it stands, as its plan foretold, 0–1; left out where nothing on it runs. */
  reachChance?: number | undefined;
  /** What the chance stands on. */
  chanceFrom?: 'draws' | 'quickLook' | undefined;
  /** In the order of the plan: each waits for the one before. */
  steps: DayStep[];
}

export type DayEvent = EventHead &
  (
    | { type: 'stepDone'; stepId: string; seconds?: number | undefined; sg?: number | undefined }
    | { type: 'stepSkipped'; stepId: string }
    /** A thumb said so, of the pieces after this step. */
    | { type: 'feltDry'; stepId: string }
    | { type: 'notDryYet'; stepId: string; minutes: number }
    | { type: 'undone'; eventId: string }
  );
