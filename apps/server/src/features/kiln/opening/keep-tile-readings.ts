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
 * Keeps what was read of tiles at the opening of their kiln on their cards, in the transaction of the events. What is taken back goes from the card
 * again; what was written there by hand stays.
 */
export async function keepTileReadings(
  { models }: Context,
  { studioId, streamId: firingId }: Stream,
  { events, fresh, tiles }: Readings,
  transaction: Transaction,
): Promise<void> {
  // Of what is taken back, nobody knows how it hangs together: all are looked at.
  const touched = tileEvents(fresh.some(({ type }) => type === 'undone') ? events : fresh);
  if (touched.length === 0) return;
  const startedAt = (await models.firings.findOne({ where: { id: firingId, studioId }, transaction }))?.get().body.startedAt ?? '';
  const said = tileEvents(events);
  for (const id of new Set(touched.map(({ tileId }) => tileId))) {
    const where = { id, studioId };
    const stripIds = said.flatMap(({ tileId, look }) => (tileId === id && look ? [look.stripId] : []));
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
      const wasSaid = said.some(({ tileId, runMm }) => tileId === id && runMm !== undefined);
      const body = runnerBody(runner.body, { reading, wasSaid, startedAt });
      if (differ(body, runner.body)) await models.runnerTiles.update({ body, version: runner.version + 1 }, { where, transaction });
    }
  }
}

type TileEvent = Extract<FiringEvent, { type: 'tileRead' }>;
const tileEvents = (events: readonly FiringEvent[]): TileEvent[] => events.filter((event): event is TileEvent => event.type === 'tileRead');

/** A strip that was never spoken of here keeps what its card says. */
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
