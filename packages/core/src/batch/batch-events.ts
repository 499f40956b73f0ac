import type { Entered } from '../units/units';
import type { EventHead } from '../events/event-head';

/** What can be checked or noted with a figure or a word while a batch is made. */
export const BATCH_CHECKS = ['closingWeight', 'sieveResidue', 'waterTemperature', 'powderLot', 'tileBeside', 'rinseWater'] as const;
export type BatchCheck = (typeof BATCH_CHECKS)[number];

/** What happened while a batch was weighed. */
export type BatchEvent = EventHead &
  (
    | { type: 'respiratorOn' }
    /** `practice` where the weight came from the practice scale of a real studio: nothing was weighed. */
    | { type: 'lineWeighed'; lineId: string; grams: number; entered?: Entered | undefined; practice?: true | undefined }
    /**
     * One of several loads of a line that the scale cannot hold at once. `load` counts from 1, so that a second record of the same load is
     * recognised.
     */
    | { type: 'loadWeighed'; lineId: string; load: number; grams: number; entered?: Entered | undefined; practice?: true | undefined }
    | { type: 'lineSkipped'; lineId: string }
    | { type: 'waterPoured'; grams: number; entered?: Entered | undefined }
    /** Too much of a line was in the bucket already. Every target is now this many times the plan's. */
    | { type: 'batchRaised'; factor: number; divisionGrams: number }
    /** Another powder takes a line's place, with what the bucket must know of it. */
    | { type: 'lineSubstituted'; lineId: string; powderId: string; name: string; density: number; hazards: string[]; sieveMesh?: number | undefined }
    /** Grams for weights and residue, °C for water; a word for lots and tiles. */
    | {
        type: 'checked';
        check: BatchCheck;
        lineId?: string | undefined;
        value?: number | undefined;
        text?: string | undefined;
        entered?: Entered | undefined;
      }
    | { type: 'noted'; lineId?: string | undefined; text: string }
    /** Given up, or a record of what was weighed elsewhere: it is no longer an open batch. */
    | { type: 'setAside' }
    | { type: 'undone'; eventId: string }
    | { type: 'batchFinished'; bucketId: string }
  );
