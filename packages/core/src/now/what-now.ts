import { DAY_MS, HOUR_MS } from '../units/time';
import { rangeVerdict, type RangeVerdict } from '../bucket/sg/in-range';
import type { BucketContents } from '../bucket/events/bucket-contents';
import type { DayEvent, DayItem } from '../day/day-plan';
import { replayDay } from '../day/replay-day';
import type { FiringPoint } from '../melt/heat-work';
import { kilnNow } from '../melt/kiln-now';
import { planCorrection } from '../slurry/correction-plan';

export interface StudioNow {
  nowAt: string;
  batches: readonly {
    id: string;
    recipeName: string;
    expectedMl: number;
    linesDone: number;
    lineCount: number;
    finished: boolean;
    lastAt: string | null;
    lastBy: string | null;
  }[];
  buckets: readonly { id: string; name: string; sgLow: number; sgHigh: number; contents: BucketContents | null }[];
  /** Today's day, if there is one. */
  day?: { items: readonly DayItem[]; events: readonly DayEvent[] } | undefined;
  /** Days before today, any of them. */
  earlierDays?: readonly { date: string; items: readonly DayItem[]; events: readonly DayEvent[] }[];
  /** Recipes that nothing was weighed of yet, newest first. */
  unweighedRecipes?: readonly { id: string; name: string }[];
  /** Planned pieces that were on no day and came out of no kiln yet, newest first. */
  unglazedPieces?: readonly { id: string; name: string; count: number }[];
  firings: readonly {
    id: string;
    kiln: string;
    startedAt: string;
    points: readonly FiringPoint[];
    /** It was read until then; left out where nobody read it. */
    readUntilHours?: number | undefined;
    /** Below this the potter opens the kiln. */
    openCelsius?: number | undefined;
  }[];
  /** Ids of firings that have a result already. */
  readFiringIds: ReadonlySet<string>;
  /** Step tiles that were fired and not looked at yet. */
  unreadTiles?: readonly { code: string; glazeName: string; bucketId: string; bodyId: string }[];
}

export type NowItem =
  | {
      kind: 'unfinishedBatch';
      batchId: string;
      recipeName: string;
      expectedMl: number;
      nextLine: number;
      lineCount: number;
      lastAt: string | null;
      lastBy: string | null;
    }
  | {
      kind: 'outOfRange';
      bucketId: string;
      name: string;
      sg: number;
      sgSd: number;
      sgLow: number;
      sgHigh: number;
      verdict: RangeVerdict;
      /** Something went in since it was measured: what it is now is a sum. */
      bySum: boolean;
      waterMl?: number;
    }
  | { kind: 'dryEnough'; name: string; count: number; nextWords: string }
  | { kind: 'drying'; name: string; count: number; untilAt: string }
  | { kind: 'kiln'; firingId: string; kiln: string; celsius: number; cooling: boolean; opensAt: string; isRead: boolean }
  | { kind: 'toRead'; firingId: string; kiln: string; startedAt: string }
  | { kind: 'tileToRead'; code: string; glazeName: string; bucketId: string; bodyId: string }
  | { kind: 'neverMeasured'; bucketId: string; name: string }
  | { kind: 'firingToCome'; firingId: string; kiln: string; startsAt: string }
  | { kind: 'unfinishedDay'; date: string; left: number; of: number }
  | { kind: 'recipeToWeigh'; recipeId: string; name: string }
  | { kind: 'pieceToGlaze'; pieceId: string; name: string; count: number };

/** What is older than this is no longer listed as left over, days. */
const LEFT_OVER_DAYS = 7;
/** Recipes and pieces that wait are named so many at a time. */
const MOST_WAITING = 2;
/** A kiln opened longer ago than this is no longer listed, days. */
const READ_WITHIN_DAYS = 10;

/**
 * Returns what waits for somebody in the studio, most urgent first: the interrupted batch, what is dry, the kiln, buckets, results.
 *
 * @param studio - the studio as it stands
 * @example
 * whatNow({ nowAt: '2026-03-01T09:00:00.000Z', batches: [], buckets: [], firings: [], results: [] }).length // 0
 */
export function whatNow(studio: StudioNow): NowItem[] {
  return [
    ...unfinished(studio),
    ...dry(studio),
    ...unfinishedDay(studio),
    ...kilns(studio),
    ...outOfRange(studio),
    ...drying(studio),
    ...tilesToRead(studio),
    ...neverMeasured(studio),
    ...waiting(studio),
  ];
}

function unfinished({ batches }: StudioNow): NowItem[] {
  return batches
    .filter((batch) => !batch.finished)
    .map((batch) => ({
      kind: 'unfinishedBatch',
      batchId: batch.id,
      recipeName: batch.recipeName,
      expectedMl: batch.expectedMl,
      nextLine: Math.min(batch.linesDone + 1, batch.lineCount),
      lineCount: batch.lineCount,
      lastAt: batch.lastAt,
      lastBy: batch.lastBy,
    }));
}

function dry({ day, nowAt }: StudioNow): NowItem[] {
  if (!day) return [];
  const state = replayDay({ ...day, nowAt });
  return state.drying
    .filter((entry) => entry.dry)
    .flatMap(({ item, afterStep }): NowItem[] => {
      const next = item.steps[item.steps.indexOf(afterStep) + 1];
      // Somebody is at it already: it waits for nobody.
      if (next && state.standing.begun.has(next.id)) return [];
      return [{ kind: 'dryEnough', name: item.name, count: item.count, nextWords: next?.words ?? '' }];
    });
}

function drying({ day, nowAt }: StudioNow): NowItem[] {
  if (!day) return [];
  return replayDay({ ...day, nowAt })
    .drying.filter((entry) => !entry.dry)
    .map(({ item, untilAt }) => ({ kind: 'drying', name: item.name, count: item.count, untilAt }));
}

function kilns({ firings, nowAt, readFiringIds }: StudioNow): NowItem[] {
  return firings.flatMap(({ id, kiln, startedAt, points, readUntilHours, openCelsius }): NowItem[] => {
    const startMs = Date.parse(startedAt);
    // A practice kiln runs ahead of the clock.
    const hours = Math.max((Date.parse(nowAt) - startMs) / HOUR_MS, readUntilHours ?? -Infinity);
    const now = kilnNow({ firing: points, hours, openCelsius });
    if (now.kind === 'notStarted') return [{ kind: 'firingToCome', firingId: id, kiln, startsAt: startedAt }];
    if (now.kind !== 'canBeOpened') {
      const opensAt = new Date(startMs + now.opensAtHours * HOUR_MS).toISOString();
      return [
        { kind: 'kiln', firingId: id, kiln, celsius: now.celsius, cooling: now.kind === 'cooling', opensAt, isRead: readUntilHours !== undefined },
      ];
    }
    const isRecent = hours < READ_WITHIN_DAYS * 24;
    return isRecent && !readFiringIds.has(id) ? [{ kind: 'toRead', firingId: id, kiln, startedAt }] : [];
  });
}

/** The newest day with steps left over. */
function unfinishedDay({ earlierDays = [], nowAt }: StudioNow): NowItem[] {
  const since = Date.parse(nowAt) - LEFT_OVER_DAYS * DAY_MS;
  const left = earlierDays
    .filter((day) => Date.parse(day.date) >= since)
    .map((day) => ({ date: day.date, ...replayDay({ ...day, nowAt }) }))
    .filter((day) => day.doneCount > 0 && day.doneCount < day.totalCount)
    .sort((a, b) => (a.date < b.date ? 1 : -1));
  return left.slice(0, 1).map((day) => ({ kind: 'unfinishedDay', date: day.date, left: day.totalCount - day.doneCount, of: day.totalCount }));
}

function waiting({ unweighedRecipes = [], unglazedPieces = [] }: StudioNow): NowItem[] {
  return [
    ...unglazedPieces.slice(0, MOST_WAITING).map(({ id, name, count }): NowItem => ({ kind: 'pieceToGlaze', pieceId: id, name, count })),
    ...unweighedRecipes.slice(0, MOST_WAITING).map(({ id, name }): NowItem => ({ kind: 'recipeToWeigh', recipeId: id, name })),
  ];
}

function tilesToRead({ unreadTiles = [] }: StudioNow): NowItem[] {
  return unreadTiles.map(({ code, glazeName, bucketId, bodyId }) => ({ kind: 'tileToRead', code, glazeName, bucketId, bodyId }));
}

function outOfRange({ buckets }: StudioNow): NowItem[] {
  return buckets.flatMap(({ id, name, sgLow, sgHigh, contents }): NowItem[] => {
    if (!contents || contents.sgSd === undefined) return [];
    const { sg, sgSd, changedSinceMeasured: bySum } = contents;
    const verdict = rangeVerdict({ sg, sgSd, lowSg: sgLow, highSg: sgHigh });
    if (verdict === 'inRange' || verdict === 'unmeasured') return [];
    const plan = planCorrection({ volumeMl: contents.volumeMl, sg, sgSd, targetSg: (sgLow + sgHigh) / 2, tolerance: (sgHigh - sgLow) / 2 });
    return [
      { kind: 'outOfRange', bucketId: id, name, sg, sgSd, sgLow, sgHigh, verdict, bySum, ...(plan.kind === 'thin' ? { waterMl: plan.waterMl } : {}) },
    ];
  });
}

function neverMeasured({ buckets }: StudioNow): NowItem[] {
  return buckets
    .filter(({ contents }) => contents !== null && contents.sgSd === undefined)
    .map(({ id, name }) => ({ kind: 'neverMeasured', bucketId: id, name }));
}
