import type * as z from 'zod';
import type { Result, resultCreateSchema, resultUpdateSchema, ResultBody } from '@cazuela/contract';
import type { Context } from '../../context';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { ResultRow } from '../../db/rows';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { glazedWith, lotOf } from './glazed-with';

/** Results on the list, newest first: some two hundred kilns. What a studio learns, it learns from these. */
const NEWEST = 10_000;

export const listResults = ({ context, studioId }: Call<unknown>): Promise<Result[]> => resultsOf(context, studioId, NEWEST);

/** Results of a studio, the newest first; all of them without a limit. */
export async function resultsOf(context: Context, studioId: string, limit?: number): Promise<Result[]> {
  const rows = await context.models.results.findAll({
    where: { studioId },
    order: [['createdAt', 'DESC']],
    ...(limit === undefined ? {} : { limit }),
  });
  return toResults(
    context,
    studioId,
    rows.map((row) => row.get()),
  );
}

/** Undefined where it is not here. */
export async function resultById(context: Context, studioId: string, id: string): Promise<Result | undefined> {
  const row = await context.models.results.findOne({ where: { id, studioId } });
  return row ? (await toResults(context, studioId, [row.get()]))[0] : undefined;
}

export async function createResult({ context, studioId, body: { id, body } }: Call<z.infer<typeof resultCreateSchema>>): Promise<Result> {
  await requireThere(context, studioId, body);
  if (body.loadPieceId) throw new ProblemError('checkInput', 'A piece of a load is read at the opening of its kiln.');
  const row = await createOnce(context.models.results, {
    id,
    studioId,
    version: 1,
    pieceId: body.pieceId,
    firingId: body.firingId,
    photoId: body.photoId,
    body,
    glazedWith: await glazedWith(context, studioId, body),
    createdAt: context.now(),
  });
  return (await toResults(context, studioId, [row]))[0]!;
}

export async function updateResult({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof resultUpdateSchema>>): Promise<Result> {
  await requireThere(context, studioId, body);
  const before = await context.models.results.findOne({ where: { id, studioId }, attributes: ['body'] });
  if (before?.get().body.loadPieceId)
    throw new ProblemError('checkInput', 'This piece was read when its kiln was opened: correct it there, where nobody’s word is lost.');
  const row = await updateVersioned({
    table: context.models.results,
    where: { id, studioId },
    version,
    values: {
      body,
      pieceId: body.pieceId,
      firingId: body.firingId,
      photoId: body.photoId,
      ...(body.lotId === before?.get().body.lotId ? {} : { glazedWith: await glazedWith(context, studioId, body) }),
    },
    missing: 'There is no such result.',
    toContract: (current) => current.body,
  });
  return (await toResults(context, studioId, [row]))[0]!;
}

async function requireThere(context: Context, studioId: string, body: ResultBody): Promise<void> {
  const { models } = context;
  const inStudio = { studioId };
  if ((await models.pieces.count({ where: { ...inStudio, id: body.pieceId } })) === 0)
    throw new ProblemError('checkInput', 'Choose a piece from the list.');
  if ((await models.firings.count({ where: { ...inStudio, id: body.firingId } })) === 0)
    throw new ProblemError('checkInput', 'Choose a firing from the list.');
  if (body.lotId) {
    const lot = await lotOf(context, studioId, body.lotId);
    if (lot?.item.pieceId !== body.pieceId) throw new ProblemError('checkInput', 'That lot is of another piece: choose one from the list.');
  }
  if (body.photoId && (await models.photos.count({ where: { ...inStudio, id: body.photoId } })) === 0)
    throw new ProblemError('checkInput', 'The photo is not here: take it again.');
}

async function toResults(context: Context, studioId: string, rows: ResultRow[]): Promise<Result[]> {
  const pieces = await context.models.pieces.findAll({
    where: { studioId, id: [...new Set(rows.map((row) => row.pieceId))] },
    attributes: ['id', 'name'],
  });
  const firings = await context.models.firings.findAll({ where: { studioId, id: [...new Set(rows.map((row) => row.firingId))] } });
  const names = new Map(pieces.map((piece) => [piece.get().id, piece.get().name]));
  const byId = new Map(firings.map((firing) => [firing.get().id, firing.get().body]));
  return rows.map((row) => ({
    id: row.id,
    version: row.version,
    body: row.body,
    pieceName: names.get(row.pieceId) ?? 'Piece',
    kiln: byId.get(row.firingId)?.kiln ?? 'Kiln',
    firedAt: byId.get(row.firingId)?.startedAt ?? row.createdAt.toISOString(),
    createdAt: row.createdAt.toISOString(),
    glazedWith: row.glazedWith,
  }));
}
