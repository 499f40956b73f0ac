import { NAIL_LOOKS, type BucketEvent, type NailLook } from '../bucket/events/bucket-events';
import type { FeelNow } from '../bucket/events/bucket-contents';

/** Methods to tell how thick the liquid is without a scale. */
export const FEEL_KINDS = ['swirl', 'flow', 'drips', 'nail'] as const;
export type FeelKind = (typeof FEEL_KINDS)[number];

/** Whether each reading rises or falls as the glaze gets thicker. */
export const WITH_THICKNESS: Readonly<Record<FeelKind, 'rising' | 'falling'>> = {
  swirl: 'falling',
  flow: 'rising',
  drips: 'falling',
  nail: 'rising',
};

/** What a glaze should feel like, kept with it. */
export interface FeelRanges {
  swirl?: { low: number; high: number } | undefined;
  flow?: { low: number; high: number } | undefined;
  drips?: { low: number; high: number } | undefined;
  nail?: NailLook | undefined;
}

/**
 * Returns a reading by feel as a number: seconds, drips, or 0–2 for the nail from clear to hidden. Undefined for other events.
 *
 * @param event - of a bucket
 * @example
 * feelReading({ id: 'a', at: '2026-03-01T09:00:00.000Z', by: 'Maia', type: 'dripsCounted', drips: 3 }) // { kind: 'drips', value: 3 }
 */
export function feelReading(event: BucketEvent): { kind: FeelKind; value: number } | undefined {
  switch (event.type) {
    case 'swirlTimed':
      return { kind: 'swirl', value: event.seconds };
    case 'flowTimed':
      return { kind: 'flow', value: event.seconds };
    case 'dripsCounted':
      return { kind: 'drips', value: event.drips };
    case 'nailLooked':
      return { kind: 'nail', value: NAIL_LOOKS.indexOf(event.shows) };
    default:
      return undefined;
  }
}

export type FeelVerdict = 'inRange' | 'tooThick' | 'tooThin' | 'mixed' | 'unknown';

/**
 * Returns how the newest readings by feel stand to what this glaze should feel like. Readings that contradict one another are `mixed`.
 *
 * @param question - `feel`, the newest readings; `ranges`, what is right for this glaze
 * @example
 * feelVerdict({ feel: undefined, ranges: undefined }) // 'unknown'
 */
export function feelVerdict({ feel, ranges }: { feel: FeelNow | undefined; ranges: FeelRanges | undefined }): FeelVerdict {
  const verdicts = FEEL_KINDS.flatMap((kind) => verdictOf(kind, feel, ranges));
  if (verdicts.length === 0) return 'unknown';
  const off = new Set(verdicts.filter((verdict) => verdict !== 'inRange'));
  if (off.size === 0) return 'inRange';
  return off.size > 1 ? 'mixed' : [...off][0]!;
}

function verdictOf(kind: FeelKind, feel: FeelNow | undefined, ranges: FeelRanges | undefined): ('inRange' | 'tooThick' | 'tooThin')[] {
  const value = feel && valueOf(kind, feel);
  const wanted = kind === 'nail' ? nailRange(ranges?.nail) : ranges?.[kind];
  if (value === undefined || !wanted) return [];
  if (value >= wanted.low && value <= wanted.high) return ['inRange'];
  return [value > wanted.high === (WITH_THICKNESS[kind] === 'rising') ? 'tooThick' : 'tooThin'];
}

/**
 * Returns the newest reading of one kind as a number; undefined where there is none.
 *
 * @param kind - of reading
 * @param feel - the newest readings
 * @example
 * valueOf('drips', { drips: 3, at: '2026-03-01T09:00:00.000Z' }) // 3
 */
export function valueOf(kind: FeelKind, feel: FeelNow): number | undefined {
  if (kind === 'nail') return feel.nail === undefined ? undefined : NAIL_LOOKS.indexOf(feel.nail);
  return { swirl: feel.swirlSeconds, flow: feel.flowSeconds, drips: feel.drips }[kind];
}

function nailRange(nail: NailLook | undefined): { low: number; high: number } | undefined {
  const at = nail === undefined ? -1 : NAIL_LOOKS.indexOf(nail);
  return at < 0 ? undefined : { low: at, high: at };
}
