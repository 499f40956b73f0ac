import type { Transaction } from 'sequelize';
import type { TileReading } from '@cazuela/core';
import type { FiringEvent, RunnerTileBody, TileBody } from '@cazuela/contract';
import type { Context } from '../../../context';
import type { Stream } from '../../../db/lock-streams';
import { ProblemError } from '../../../http/problem-error';

interface Readings {
  events: readonly FiringEvent[];
  fresh: readonly FiringEvent[];
  tiles: ReadonlyMap<string, TileReading>;
}

/**
 * Keeps what was read of tiles at the opening of their kiln on their cards, in the transaction of the events. Only strips and runs that something new
 * was said of are written: what is taken back goes from the card again, and what was written there by hand stays.
 */
export async function keepTileReadings(
  { models }: Context,
  { studioId, streamId: firingId }: Stream,
  { events, fresh, tiles }: Readings,
  transaction: Transaction,
): Promise<void> {
  const touched = tilesSpokenOf(fresh, events);
  if (touched.length === 0) return;
  const startedAt = (await models.firings.findOne({ where: { id: firingId, studioId }, transaction }))?.get().body.startedAt ?? '';
  for (const id of new Set(touched.map(({ tileId }) => tileId))) {
    const where = { id, studioId };
    const stripIds = touched.flatMap(({ tileId, look }) => (tileId === id && look ? [look.stripId] : []));
    const [step, runner] = [
      (await models.tiles.findOne({ where, transaction, lock: true }))?.get(),
      (await models.runnerTiles.findOne({ where, transaction, lock: true }))?.get(),
    ];
    if (!step && !runner) throw new ProblemError('checkInput', 'That tile is not here any more.');
    const reading = tiles.get(id);
    if (step) {
      const body = stepBody(step.body, { reading, stripIds, startedAt });
      if (differ(body, step.body)) await models.tiles.update({ body, version: step.version + 1 }, { where, transaction });
    }
    if (runner) {
      const wasSaid = touched.some(({ tileId, runMm }) => tileId === id && runMm !== undefined);
      const body = runnerBody(runner.body, { reading, wasSaid, startedAt });
      if (differ(body, runner.body)) await models.runnerTiles.update({ body, version: runner.version + 1 }, { where, transaction });
    }
  }
}

type TileEvent = Extract<FiringEvent, { type: 'tileRead' }>;

/** What is new of tiles, and what was said of them and is taken back or said again now. */
function tilesSpokenOf(fresh: readonly FiringEvent[], events: readonly FiringEvent[]): TileEvent[] {
  const byId = new Map(events.map((event) => [event.id, event]));
  return fresh.flatMap((event): TileEvent[] => {
    let meant: FiringEvent | undefined = event;
    // Taking back may be taken back itself.
    for (const seen = new Set<string>(); meant?.type === 'undone' && !seen.has(meant.id); meant = byId.get(meant.eventId)) seen.add(meant.id);
    return meant?.type === 'tileRead' ? [meant] : [];
  });
}

/** A strip that nothing new was said of keeps what its card says. */
function stepBody(
  body: TileBody,
  { reading, stripIds, startedAt }: { reading: TileReading | undefined; stripIds: readonly string[]; startedAt: string },
): TileBody {
  const strips = body.strips.map((strip) => {
    if (!stripIds.includes(strip.id)) return strip;
    const { verdict: _before, ...rest } = strip;
    const verdict = reading?.verdicts.get(strip.id);
    return verdict ? { ...rest, verdict } : rest;
  });
  return { ...firedIn(body, reading, startedAt), strips };
}

function runnerBody(
  body: RunnerTileBody,
  { reading, wasSaid, startedAt }: { reading: TileReading | undefined; wasSaid: boolean; startedAt: string },
): RunnerTileBody {
  const { runMm: before, ...rest } = firedIn(body, reading, startedAt);
  const runMm = wasSaid ? (reading?.runMm ?? undefined) : before;
  return runMm === undefined ? rest : { ...rest, runMm };
}

/** When and how hot it was fired: as this kiln was where it stood. Where every word was taken back, it was not fired here. */
function firedIn<Body extends { firedAt?: string | undefined; cone?: string | undefined }>(
  body: Body,
  reading: TileReading | undefined,
  startedAt: string,
): Body {
  if (reading) return { ...body, firedAt: body.firedAt ?? startedAt, cone: body.cone ?? reading.coneReached };
  if (body.firedAt !== startedAt) return body;
  const { firedAt: _firedAt, cone: _cone, ...rest } = body;
  return rest as Body;
}

const differ = (a: object, b: object): boolean => JSON.stringify(a) !== JSON.stringify(b);
