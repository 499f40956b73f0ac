import type { Entered } from '../units/units';

/** Every bench event: made by the client with its own id, appended once, never changed. */
export interface EventHead {
  id: string;
  /** When it happened, UTC, ISO 8601. */
  at: string;
  /** Who did it, as the studio names them. */
  by: string;
}

/** What happened while a batch was weighed. */
export type BatchEvent = EventHead &
  (
    | { type: 'respiratorOn' }
    | { type: 'lineWeighed'; lineId: string; grams: number; entered?: Entered | undefined }
    | { type: 'lineSkipped'; lineId: string }
    | { type: 'waterPoured'; grams: number; entered?: Entered | undefined }
    /** Too much of a line was in the bucket already: every target is this many times the plan's. */
    | { type: 'batchRaised'; factor: number; divisionGrams: number }
    | { type: 'noted'; lineId?: string | undefined; text: string }
    | { type: 'undone'; eventId: string }
    | { type: 'batchFinished'; bucketId: string }
  );
