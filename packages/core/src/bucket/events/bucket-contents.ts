import { densityOfPowders, sgOfMix } from '../../slurry/mix';
import type { Lid, StandingDays } from '../care/lid';
import type { SgReading } from '../sg/combine-readings';
import type { Additives, BucketPart, NailLook } from './bucket-events';
import type { SlurryState as SlurryState } from '../../slurry/slurry-state';

/** The newest reading of each kind by feel. */
export interface FeelNow {
  swirlSeconds?: number;
  springsBack?: boolean;
  flowSeconds?: number;
  drips?: number;
  nail?: NailLook;
  /** The state, where it was said in a word after the last swirl. */
  told?: SlurryState;
  /** When the newest of them was taken. */
  at: string;
}

export interface BucketContents {
  parts: BucketPart[];
  dryGrams: number;
  baseDryGrams: number;
  stainGrams: number;
  /** Percent of the dry base. */
  stainPercent: number;
  waterGrams: number;
  density: number;
  volumeMl: number;
  /** SG now, from the last reading and everything added since. */
  sg: number;
  /** Standard deviation of that SG; left out when nobody has measured it. */
  sgSd?: number;
  measuredAt?: string;
  /** Readings combined in that SG, when more than one was taken with nothing in between. */
  readings?: number;
  /** What the last visit read, when that is not the SG, because the reading before it counts too. */
  lastReading?: SgReading;
  /** True when water, powder or stain went in after the last reading. */
  changedSinceMeasured: boolean;
  slurryState: SlurryState;
  stirredAt?: string;
  additives?: Additives;
  feel?: FeelNow;
  /** Left out until somebody says it. */
  lid?: Lid;
  /** When it was put so. */
  lidAt?: string;
  /** Days it stood otherwise between the last reading and then. */
  stoodBefore?: StandingDays;
  /** When its code was last read before dipping. */
  codeReadAt?: string;
  /** What got into it that should not have. */
  contaminated?: string[];
  /** The glazes it is made of, by name and version, as far as it is known. */
  glazes?: string[];
  /** How fast it thickens by itself; kept with the state for the list of buckets. */
  drift?: { perDay: number; perDaySd: number; spells: number; byLid?: boolean };
}

/** A bucket without powder may still hold rinse water, which goes into whatever is poured in next. */
export type BucketReplay = { kind: 'empty'; waterGrams: number } | { kind: 'ok'; contents: BucketContents };

/** A bucket in the middle of its replay. */
export interface RunningBucket {
  parts: BucketPart[];
  waterGrams: number;
  /** Readings of this spell, with nothing added in between. */
  readings: SgReading[];
  /** What the visit before said, when nothing went in since. */
  earlier?: (SgReading & { days: number }) | undefined;
  lastReading?: SgReading | undefined;
  sgSd?: number | undefined;
  measuredAt?: string | undefined;
  changed: boolean;
  slurryState: SlurryState;
  stirredAt?: string | undefined;
  additives: Additives;
  feel?: FeelNow | undefined;
  /** SG at which it was felt. */
  felt?: number | undefined;
  lid?: Lid | undefined;
  lidAt?: string | undefined;
  stoodBefore?: StandingDays | undefined;
  codeReadAt?: string | undefined;
  contaminated: string[];
  glazes: string[];
}

/**
 * Returns the state that a replay starts from: nothing in the bucket.
 *
 * @example
 * emptyBucket().waterGrams // 0
 */
export const emptyBucket = (): RunningBucket => ({
  parts: [],
  waterGrams: 0,
  readings: [],
  changed: false,
  slurryState: 'normal',
  additives: { epsomGrams: 0, silicateGrams: 0, gumMl: 0 },
  contaminated: [],
  glazes: [],
});

/** Less powder than this is a rounding rest of an emptied bucket, g. */
export const NOTHING_GRAMS = 1e-6;

/**
 * Returns what the bucket holds at this point of its replay.
 *
 * @param running - the state of the replay
 * @example
 * toSnapshot(emptyBucket()).kind // 'empty'
 */
export function toSnapshot(running: RunningBucket): BucketReplay {
  if (!(sumGrams(running.parts) > NOTHING_GRAMS) || !(running.waterGrams >= 0)) return { kind: 'empty', waterGrams: running.waterGrams };
  return { kind: 'ok', contents: contentsOf(running) };
}

function contentsOf(running: RunningBucket): BucketContents {
  const { parts, waterGrams, sgSd, measuredAt, readings, stirredAt, additives, feel, lid, lidAt, stoodBefore, codeReadAt, contaminated, glazes } =
    running;
  const dryGrams = sumGrams(parts);
  const density = densityOfPowders({ parts });
  const of = (kind: BucketPart['part']): number => sumGrams(parts.filter((part) => part.part === kind));
  const baseDryGrams = of('base');
  const { epsomGrams, silicateGrams, gumMl } = additives;
  return {
    // A copy, because the replay may go on.
    parts: parts.map((part) => ({ ...part })),
    dryGrams,
    baseDryGrams,
    stainGrams: of('stain'),
    stainPercent: baseDryGrams > 0 ? (100 * of('stain')) / baseDryGrams : 0,
    waterGrams,
    density,
    volumeMl: dryGrams / density + waterGrams,
    sg: sgOfMix({ dryGrams, waterGrams, density }),
    ...(sgSd === undefined ? {} : { sgSd }),
    ...(measuredAt ? { measuredAt } : {}),
    ...(readings.length > 1 ? { readings: readings.length } : {}),
    ...(running.earlier && running.lastReading && !running.changed ? { lastReading: running.lastReading } : {}),
    changedSinceMeasured: running.changed,
    slurryState: running.slurryState,
    ...(stirredAt ? { stirredAt } : {}),
    ...(epsomGrams + silicateGrams + gumMl > 0 ? { additives: { epsomGrams, silicateGrams, gumMl } } : {}),
    ...(feel ? { feel } : {}),
    ...(lid ? { lid } : {}),
    ...(lidAt ? { lidAt } : {}),
    ...(stoodBefore ? { stoodBefore } : {}),
    ...(codeReadAt ? { codeReadAt } : {}),
    ...(contaminated.length > 0 ? { contaminated } : {}),
    ...(glazes.length > 0 ? { glazes } : {}),
  };
}

/**
 * Returns the names of the glazes that were poured together; undefined while it is one glaze.
 *
 * @param contents - `glazes`, names
 * @example
 * mixtureOf({ glazes: ['White', 'Blue'] }) // ['White', 'Blue']
 */
export const mixtureOf = ({ glazes }: Pick<BucketContents, 'glazes'>): string[] | undefined => (glazes && glazes.length > 1 ? glazes : undefined);

/**
 * Returns the sum of weights, g.
 *
 * @param parts - weights
 * @example
 * sumGrams([{ grams: 1 }, { grams: 2 }]) // 3
 */
export const sumGrams = (parts: readonly { grams: number }[]): number => parts.reduce((sum, part) => sum + part.grams, 0);

/**
 * Returns the volume as it stands, mL: particles and water.
 *
 * @param running - `parts` and `waterGrams`
 * @example
 * runningMl({ parts: [{ grams: 260, density: 2.6 }], waterGrams: 200 }) // 300
 */
export const runningMl = ({ parts, waterGrams }: { parts: readonly BucketPart[]; waterGrams: number }): number =>
  parts.reduce((sum, part) => sum + part.grams / part.density, 0) + waterGrams;

/**
 * Returns the SG as it stands; undefined while there is no powder.
 *
 * @param running - `parts` and `waterGrams`
 * @example
 * runningSg({ parts: [{ grams: 260, density: 2.6 }], waterGrams: 200 }) // 1.5333333
 */
export function runningSg(running: Pick<RunningBucket, 'parts' | 'waterGrams'>): number | undefined {
  const dryGrams = sumGrams(running.parts);
  return dryGrams > NOTHING_GRAMS ? (dryGrams + running.waterGrams) / runningMl(running) : undefined;
}
