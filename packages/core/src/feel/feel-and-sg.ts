import { HOUR_MS } from '../units/time';
import type { BucketEvent } from '../bucket/events/bucket-events';
import { standingEvents } from '../events/event-order';
import { feelReading, WITH_THICKNESS, type FeelKind } from './feel-readings';
import { monotoneFit, type MonotoneFit } from '../math/monotone-fit';

/** A reading by feel and an SG of the same visit, with nothing added in between. */
export interface FeelPair {
  at: string;
  value: number;
  sg: number;
}

/** Within this time a bucket at rest is the same glaze, ms. */
const PAIR_WITHIN_MS = 2 * HOUR_MS;
/** Events that change how the liquid stands, or its SG. */
const CHANGES = new Set<BucketEvent['type']>(['filled', 'waterAdded', 'waterPouredOff', 'powderAdded', 'dropsAdded', 'gumAdded']);

/**
 * Returns every reading of one kind that has an SG of the same visit beside it, oldest first. Two hours are one visit.
 *
 * @param question - `events` of the bucket, in any order; `kind` of reading
 * @example
 * feelPairs({ events: [], kind: 'swirl' }) // []
 */
export function feelPairs({ events, kind }: { events: readonly BucketEvent[]; kind: FeelKind }): FeelPair[] {
  const pairs: FeelPair[] = [];
  let waiting: { at: string; value: number }[] = [];
  let sg: { atMs: number; sg: number } | undefined;
  for (const event of standingEvents(events)) {
    const atMs = Date.parse(event.at);
    if (CHANGES.has(event.type)) {
      waiting = [];
      sg = undefined;
    } else if (event.type === 'sgMeasured') {
      for (const one of waiting) if (atMs - Date.parse(one.at) <= PAIR_WITHIN_MS) pairs.push({ ...one, sg: event.sg });
      waiting = [];
      sg = { atMs, sg: event.sg };
    } else {
      const reading = feelReading(event);
      if (reading?.kind !== kind) continue;
      if (sg && atMs - sg.atMs <= PAIR_WITHIN_MS) pairs.push({ at: event.at, value: reading.value, sg: sg.sg });
      else waiting.push({ at: event.at, value: reading.value });
    }
  }
  return pairs;
}

export interface FeelAndSg {
  kind: FeelKind;
  pairs: FeelPair[];
  /** The SG for a reading, and the reading for an SG: each is fitted in its own direction. */
  sgFromFeel: MonotoneFit;
  feelFromSg: MonotoneFit;
}

/**
 * Returns how one kind of reading and the SG of this bucket tell of one another.
 *
 * @param question - `events` of the bucket, in any order; `kind` of reading
 * @example
 * feelAndSg({ events: [], kind: 'swirl' }).kind ?? 'fits' // 'swirl'
 */
export function feelAndSg({ events, kind }: { events: readonly BucketEvent[]; kind: FeelKind }): FeelAndSg {
  const pairs = feelPairs({ events, kind });
  const direction = WITH_THICKNESS[kind];
  return {
    kind,
    pairs,
    sgFromFeel: monotoneFit({ points: pairs.map(({ value, sg }) => ({ x: value, y: sg })), direction }),
    feelFromSg: monotoneFit({ points: pairs.map(({ value, sg }) => ({ x: sg, y: value })), direction }),
  };
}
