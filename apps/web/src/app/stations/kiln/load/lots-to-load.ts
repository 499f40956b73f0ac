import type { BucketSummary, Day, Load, Piece, Result, RunnerTile, StepTile } from '@cazuela/contract';
import {
  dayStanding,
  DRY_THROUGH_HOURS,
  HOUR_MS,
  lotFromItem,
  readyForKiln,
  replayLoad,
  type DayStanding,
  type LoadLot,
  type ReadyForKiln,
} from '@cazuela/core';

/** A standing tile with its foot, as most are made, mm: its card gives only its height. */
const TILE_WIDE_MM = 60;
const TILE_DEEP_MM = 40;
/** A runner tile stands steep over its catch. */
const RUNNER_DEEP_MM = 70;
const RUNNER_HIGH_MM = 150;

/** A lot that may go into a kiln. */
export interface LotToLoad {
  lot: LoadLot;
  ready: ReadyForKiln;
}

interface Records {
  days: readonly Day[];
  tiles: readonly StepTile[];
  runners: readonly RunnerTile[];
  loads: readonly Load[];
  results: readonly Result[];
}

/** Lots of the last days and test tiles that are in no load yet and were not fired, the oldest first; what is not glazed yet last. */
export function lotsToLoad({ days, tiles, runners, loads, results }: Records, nowMs: number): LotToLoad[] {
  const lots = loads.flatMap(({ events }) => replayLoad(events).lots);
  const loaded = new Set(lots.flatMap(({ itemId, tileId }) => [itemId, tileId]));
  const fired = new Set(results.map(({ body }) => body.lotId));
  const ofDays = [...days]
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .flatMap((day) => {
      const standing = dayStanding(day);
      return standing.lots.flatMap(({ item }): LotToLoad[] => {
        const lot = loaded.has(item.id) || fired.has(item.id) ? undefined : lotFromItem(item, { id: item.id, dayId: day.id });
        return lot ? [{ lot, ready: readyForKiln(standing, item.id, nowMs) }] : [];
      });
    });
  const dipped = tiles.filter(({ id, body }) => body.dippedAt && !body.firedAt && !loaded.has(id)).map((tile) => tileToLoad(tile, nowMs));
  const running = runners.filter(({ id, body }) => !body.firedAt && !loaded.has(id)).map((tile) => runnerToLoad(tile, nowMs));
  const all = [...ofDays, ...dipped, ...running];
  return [...all.filter(({ ready }) => ready.kind !== 'notGlazed'), ...all.filter(({ ready }) => ready.kind === 'notGlazed')];
}

function tileToLoad({ id, code, body }: StepTile, nowMs: number): LotToLoad {
  return {
    lot: {
      id,
      tileId: id,
      name: `Tile of ${body.glazeName}`,
      code,
      count: 1,
      footprint: { kind: 'box', widthMm: TILE_WIDE_MM, depthMm: TILE_DEEP_MM },
      heightMm: body.highMm,
    },
    ready: tileReady(body.dippedAt!, nowMs),
  };
}

/** A tile that is made to run: on a plate, on a shelf that is not the hot one. */
function runnerToLoad({ id, code, body, createdAt }: RunnerTile, nowMs: number): LotToLoad {
  return {
    lot: {
      id,
      tileId: id,
      name: `Runner of ${body.layers.map(({ glazeName }) => glazeName).join(' under ')}`,
      code,
      count: 1,
      footprint: { kind: 'box', widthMm: TILE_WIDE_MM, depthMm: RUNNER_DEEP_MM },
      heightMm: Math.max(RUNNER_HIGH_MM, 2 * body.bandMm),
      setting: 'plate',
      wants: 'cool',
    },
    ready: tileReady(createdAt, nowMs),
  };
}

export function tileReady(dippedAt: string, nowMs: number): ReadyForKiln {
  const dryMs = Date.parse(dippedAt) + DRY_THROUGH_HOURS * HOUR_MS;
  return dryMs <= nowMs ? { kind: 'dry', sinceAt: dippedAt } : { kind: 'drying', sinceAt: dippedAt, dryAt: new Date(dryMs).toISOString() };
}

/** Where a lot of a load stands by the records now; what is on no day any more is not known. */
export function readyOf(lot: LoadLot, { days, tiles, runners }: Pick<Records, 'days' | 'tiles' | 'runners'>, nowMs: number): ReadyForKiln {
  if (lot.tileId) {
    const dippedAt = tiles.find(({ id }) => id === lot.tileId)?.body.dippedAt ?? runners.find(({ id }) => id === lot.tileId)?.createdAt;
    return dippedAt ? tileReady(dippedAt, nowMs) : { kind: 'unknown' };
  }
  const day = days.find(({ id }) => id === lot.dayId);
  return day && lot.itemId ? readyForKiln(standingOf(day), lot.itemId, nowMs) : { kind: 'unknown' };
}

/** How many of a lot are left on its day; undefined where the day does not tell. */
export function leftOnDay({ dayId, itemId }: LoadLot, days: readonly Day[]): number | undefined {
  const day = days.find(({ id }) => id === dayId);
  return day && standingOf(day).lots.find(({ item }) => item.id === itemId)?.item.count;
}

const standings = new WeakMap<Day, DayStanding>();
function standingOf(day: Day): DayStanding {
  const known = standings.get(day) ?? dayStanding(day);
  standings.set(day, known);
  return known;
}

/** The colour of what is outermost on a lot; of bisque where nothing is known of it. */
export function lotColour(
  { pieceId, tileId }: LoadLot,
  { pieces, tiles, runners, buckets }: Pick<Records, 'tiles' | 'runners'> & { pieces: readonly Piece[]; buckets: readonly BucketSummary[] },
): string {
  const plan = pieces.find(({ id }) => id === pieceId)?.body.plan;
  const ofTile = (): string | undefined =>
    tiles.find(({ id }) => id === tileId)?.body.bucketId ?? runners.find(({ id }) => id === tileId)?.body.layers.at(-1)?.bucketId;
  const bucketId = plan ? (plan.zones.outside.at(-1) ?? plan.zones.inside.at(-1))?.bucketId : ofTile();
  return buckets.find(({ id }) => id === bucketId)?.body.colour ?? 'var(--kaolin)';
}
