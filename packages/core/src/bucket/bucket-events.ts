import type { EventHead } from '../batch/batch-events';
import type { Entered } from '../units/units';

/** A powder that is in a bucket, with what the core needs of it kept as it was on that day. */
export interface BucketPart {
  powderId: string;
  name: string;
  part: 'base' | 'addition' | 'stain';
  grams: number;
  density: number;
}

/** What happened to a bucket, in the order in which it happened. */
export type BucketEvent = EventHead &
  (
    | { type: 'filled'; parts: BucketPart[]; waterGrams: number; from: 'batch' | 'split' | 'shelf'; fromId?: string | undefined }
    | {
        type: 'sgMeasured';
        sg: number;
        sgSd: number;
        reading?: { grossGrams: number; tareGrams: number; volumeMl: number; massSd: number; volumeSd: number; vessel: string } | undefined;
        entered?: Entered | undefined;
      }
    | { type: 'volumeMeasured'; volumeMl: number; entered?: Entered | undefined }
    | { type: 'waterAdded'; grams: number; entered?: Entered | undefined }
    | { type: 'waterPouredOff'; grams: number; entered?: Entered | undefined }
    | { type: 'powderAdded'; parts: BucketPart[]; reason: 'stain' | 'rescue' | 'thicken' }
    | { type: 'glazeTaken'; millilitres: number; reason: 'split' | 'dips' | 'other'; toId?: string | undefined }
    | { type: 'stirred' }
    | { type: 'swirlTimed'; seconds: number }
    /** Drops of saturated Epsom brine, tapped in one by one. */
    | { type: 'dropsAdded'; drops: number }
    | { type: 'noted'; text: string }
    | { type: 'undone'; eventId: string }
  );
