import { WASTE_SHARE, type ApplicationMethod } from '../coat/methods/application-method';
import type { PlannedCoat } from './deviation';
import type { EventHead } from '../events/event-head';
import type { KilnSetting } from '../plan/piece-plan';
import type { StepKind } from '../layering/steps/steps';

/** One step of one lot of pots, as it was when the pots were put on the day. */
export interface DayStep {
  id: string;
  itemId: string;
  kind: StepKind;
  words: string;
  caution?: string | undefined;
  method?: ApplicationMethod | undefined;
  bucketId?: string | undefined;
  bucketName?: string | undefined;
  lightness?: number | undefined;
  seconds?: number | undefined;
  coatMm?: number | undefined;
  /** Of its coats in the plan. */
  layerIds?: string[] | undefined;
  /** Of the bucket when the pots were put on the day. */
  sg?: number | undefined;
  /** Glaze that stays on one piece and what is lost beside it, mL. */
  glazeMl?: number | undefined;
  /** How deep the bucket must be for it, mm. */
  depthMm?: number | undefined;
  /** Labor for one piece, seconds. */
  laborSeconds: number;
  /** Wait after it before the piece's next step, minutes. */
  waitMinutes: number;
  /** A mask must be off no later than this after the step before it, minutes. */
  mostWaitMinutes?: number | undefined;
}

/** A lot of pots that share one plan, as they were put on a day. */
export interface DayItem {
  id: string;
  pieceId: string;
  name: string;
  count: number;
  /** Written on its tag: a letter of its day. */
  code?: string | undefined;
  /** Of the piece plan that it follows. */
  pieceVersion?: number | undefined;
  clayBodyId?: string | undefined;
  clayLotId?: string | undefined;
  heightMm?: number | undefined;
  widthMm?: number | undefined;
  /** Of one piece, about, by its form, g. */
  grams?: number | undefined;
  /** How it stands in the kiln; bare on the shelf when left out. */
  setting?: KilnSetting | undefined;
  /** How long it dries before it is loaded, h; twelve when left out. */
  dryHours?: number | undefined;
  /** How likely it runs to where it stands, as its plan foretold, 0–1; left out where nothing on it runs. */
  reachChance?: number | undefined;
  /** What the chance stands on. */
  chanceFrom?: 'draws' | 'quickLook' | undefined;
  /** In the order of the plan: each waits for the one before. */
  steps: DayStep[];
}

/** What somebody does or does not do on a day: a way of glazing, or a kind of work. */
export type DayWork = ApplicationMethod | Exclude<StepKind, 'layer'>;

/** A time of day on the clock, "09:30". */
export type ClockTime = string;

/** Somebody who glazes, on each of the days that the plan takes. */
export interface DayPerson {
  name: string;
  fromTime: ClockTime;
  untilTime: ClockTime;
  breaks: { fromTime: ClockTime; untilTime: ClockTime }[];
  doesNotDo: DayWork[];
}

/** What the potter holds fast; all else is planned round it. */
export interface DayPin {
  stepId: string;
  /** Who does it. */
  person?: string | undefined;
  /** Not begun earlier, UTC, ISO 8601. */
  notBeforeAt?: string | undefined;
}

/** One turn of the plan: whose step is next, and who does it. */
export interface DayTurn {
  stepId: string;
  person: string;
}

/** How a day is to go: who, until when, what is held fast, and the order that was found. */
export interface DayPlanning {
  people: DayPerson[];
  /** All has to be dry by then, UTC, ISO 8601. */
  deadlineAt?: string | undefined;
  deadlineWords?: string | undefined;
  /** So many wet pieces have a place to stand; any number when left out. */
  dryingPlaces?: number | undefined;
  pins: DayPin[];
  order: DayTurn[];
}

export const NO_PLANNING: DayPlanning = { people: [], pins: [], order: [] };

/** One piece of a step that was done, where it was timed or weighed by itself. */
export interface PieceDone {
  /** Timed or typed, never the planned ones. */
  seconds?: number | undefined;
  /** On the scale before and right after the coat, g. */
  beforeGrams?: number | undefined;
  afterGrams?: number | undefined;
}

/** What may be seen while hands are at a step, and tells later why a piece has a fault. */
export const BENCH_SIGHTS = ['hairlines', 'powderyBelow', 'waxStrayed', 'blended', 'oneMoreCoat'] as const;
export type BenchSight = (typeof BENCH_SIGHTS)[number];

/** How a step was done, as far as anybody said. */
export interface StepDone {
  /** Timed or typed, of each piece; never the planned ones. */
  seconds?: number | undefined;
  sg?: number | undefined;
  /** Where it was not done in the planned way. */
  method?: ApplicationMethod | undefined;
  /** The coat that was judged by eye or pin where neither seconds nor weight say it, mm. */
  coatMm?: number | undefined;
  /** Prints of fingers and tongs were touched up. */
  isTouchedUp?: boolean | undefined;
  seen?: BenchSight[] | undefined;
  /** In the order in which they were done. */
  pieces?: PieceDone[] | undefined;
}

/** Why pieces leave a lot. */
export const PIECES_OFF = ['dropped', 'cracked', 'other'] as const;

export type DayEvent = EventHead &
  (
    | ({ type: 'stepDone'; stepId: string } & StepDone)
    | { type: 'stepSkipped'; stepId: string }
    /** Somebody is at it; others leave it to them. */
    | { type: 'stepBegun'; stepId: string }
    /** A thumb said so, of the pieces after this step. */
    | { type: 'feltDry'; stepId: string }
    | { type: 'notDryYet'; stepId: string; minutes: number }
    /** Pieces that go no further today: broken, or their coat cracked and washed off. */
    | { type: 'piecesOff'; itemId: string; count: number; why: (typeof PIECES_OFF)[number] }
    /** Some of a lot go another way from here on; `stepIds` are new ids for their steps, in order. */
    | { type: 'lotSplit'; itemId: string; newItemId: string; count: number; stepIds: string[] }
    /** A bucket is empty or short, and is there again. */
    | { type: 'bucketShort'; bucketId: string }
    | { type: 'bucketBack'; bucketId: string }
    /** Somebody leaves, for good or until a time, and is there again. */
    | { type: 'personAway'; person: string; untilAt?: string | undefined }
    | { type: 'personBack'; person: string }
    /** Nobody works until then. */
    | { type: 'paused'; untilAt: string }
    /** These pots come first, whatever the plan says. */
    | { type: 'lotFirst'; itemId: string }
    | { type: 'undone'; eventId: string }
  );

/**
 * Returns the coat of a step as it was planned; undefined where it puts none on.
 *
 * @param step - of a day
 * @example
 * plannedCoatOf({ id: 's', itemId: 'i', kind: 'wax', words: '', laborSeconds: 60, waitMinutes: 15 }) // undefined
 */
export function plannedCoatOf({ coatMm, seconds, sg, glazeMl, method }: DayStep): PlannedCoat | undefined {
  if (coatMm === undefined || coatMm <= 0) return undefined;
  const staysMl = glazeMl === undefined || method === undefined ? undefined : glazeMl * (1 - WASTE_SHARE[method]);
  return { coatMm, seconds, sg, glazeMl: staysMl };
}

/**
 * Returns the kind of work a step is, by which people say what they do not do; undefined for a coat of which nobody noted the way.
 *
 * @param step - of a day
 * @example
 * workOf({ id: 's', itemId: 'i', kind: 'layer', method: 'spray', words: '', laborSeconds: 60, waitMinutes: 15 }) // 'spray'
 */
export const workOf = ({ kind, method }: DayStep): DayWork | undefined => (kind === 'layer' ? method : kind);
