import type { Entered } from '../../units/units';
import type { EventHead } from '../../events/event-head';
import type { SlurryState } from '../../slurry/slurry-state';
import type { LinePart } from '../../recipe/recipe';

/** A powder in a bucket, with what the core needs of it as it was on that day. */
export interface BucketPart {
  powderId: string;
  name: string;
  part: LinePart;
  grams: number;
  density: number;
}

/** What was added to change how the slurry stands. It travels along when part of the bucket is poured elsewhere. */
export interface Additives {
  /** Epsom salts (heptahydrate), g. */
  epsomGrams: number;
  /** Liquid sodium silicate, g. */
  silicateGrams: number;
  /** Gum solution, mL; its water is counted with the water. */
  gumMl: number;
}

/** Salts pull the clay together, silicate pushes it apart. */
export const DROP_KINDS = ['epsom', 'silicate'] as const;
export type DropKind = (typeof DROP_KINDS)[number];
/** What a thumbnail drawn from the stirred glaze shows: its edge clear, softened, or hidden. */
export const NAIL_LOOKS = ['clear', 'softened', 'hidden'] as const;
export type NailLook = (typeof NAIL_LOOKS)[number];

/** What happened to a bucket. Events are replayed in the order of the bench, not of their arrival: see event-order.ts. */
export type BucketEvent = EventHead &
  (
    | {
        type: 'filled';
        parts: BucketPart[];
        waterGrams: number;
        from: 'batch' | 'split' | 'shelf';
        fromId?: string | undefined;
        /** The glazes it is made of, by name and version, so that a mixture is known as one. */
        glazes?: string[] | undefined;
        additives?: Additives | undefined;
        /** The matching event in the other bucket; both are taken back together. */
        pairEventId?: string | undefined;
      }
    | {
        type: 'sgMeasured';
        sg: number;
        sgSd: number;
        reading?: { grossGrams: number; tareGrams: number; volumeMl: number; massSd: number; volumeSd: number; vessel: string } | undefined;
        entered?: Entered | undefined;
        /** The instrument, when it was not a weighed vessel. */
        how?: string | undefined;
      }
    | { type: 'volumeMeasured'; volumeMl: number; entered?: Entered | undefined; depthMm?: number | undefined }
    | { type: 'waterAdded'; grams: number; entered?: Entered | undefined }
    | { type: 'waterPouredOff'; grams: number; entered?: Entered | undefined }
    | { type: 'powderAdded'; parts: BucketPart[]; reason: 'stain' | 'rescue' | 'thicken' | 'suspend' }
    | {
        type: 'glazeTaken';
        millilitres: number;
        reason: 'split' | 'dips' | 'other' | 'waste';
        toId?: string | undefined;
        /** What the glaze was made of at that moment. It is fixed when it goes into another bucket, so that both balance. */
        parts?: BucketPart[] | undefined;
        waterGrams?: number | undefined;
        additives?: Additives | undefined;
        pairEventId?: string | undefined;
        /** The tick of a glazing day that took it. */
        tickId?: string | undefined;
      }
    | { type: 'stirred' }
    | { type: 'swirlTimed'; seconds: number; springsBack?: boolean | undefined }
    /** How the liquid stands, said in a word by somebody who knows it. */
    | { type: 'stateTold'; state: SlurryState }
    | { type: 'flowTimed'; seconds: number }
    | { type: 'dripsCounted'; drips: number }
    | { type: 'nailLooked'; shows: NailLook }
    /** Drops tapped in one by one; of saturated Epsom brine where nothing else is said. */
    | { type: 'dropsAdded'; drops: number; of?: DropKind | undefined }
    | { type: 'gumAdded'; millilitres: number }
    | { type: 'lidSet'; lid: 'open' | 'closed' }
    | { type: 'codeRead' }
    | { type: 'contaminated'; text: string }
    | { type: 'noted'; text: string }
    | { type: 'undone'; eventId: string }
  );
