import type * as z from 'zod';
import { pieceCreateSchema, pieceUpdateSchema, type Piece } from '@cazuela/contract';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { PieceRow } from '../../db/rows';
import { route, type Call, type Route } from '../../http/route';
import { ProblemError } from '../../http/problem-error';

export const pieceRoutes: readonly Route[] = [
  route({ method: 'get', path: '/pieces', handle: listPieces }),
  route({ method: 'get', path: '/pieces/:id', handle: readPiece }),
  route({ method: 'post', path: '/pieces', body: pieceCreateSchema, handle: createPiece }),
  route({ method: 'put', path: '/pieces/:id', body: pieceUpdateSchema, handle: updatePiece }),
];

async function listPieces({ context, studioId }: Call<unknown>): Promise<Piece[]> {
  const rows = await context.models.pieces.findAll({ where: { studioId }, order: [['createdAt', 'ASC']] });
  return rows.map((row) => pieceFromRow(row.get()));
}

async function readPiece({ context, studioId, id }: Call<unknown>): Promise<Piece> {
  const row = await context.models.pieces.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such piece.');
  return pieceFromRow(row.get());
}

async function createPiece({ context, studioId, body: { id, body } }: Call<z.infer<typeof pieceCreateSchema>>): Promise<Piece> {
  await requireBody(context, studioId, body.bodyId);
  return pieceFromRow(
    await createOnce(context.models.pieces, { id, studioId, version: 1, name: body.name, clayBodyId: body.bodyId, body, createdAt: context.now() }),
  );
}

async function updatePiece({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof pieceUpdateSchema>>): Promise<Piece> {
  await requireBody(context, studioId, body.bodyId);
  const row = await updateVersioned({
    table: context.models.pieces,
    where: { id, studioId },
    version,
    values: { name: body.name, clayBodyId: body.bodyId, body },
    missing: 'There is no such piece.',
    toContract: pieceFromRow,
  });
  return pieceFromRow(row);
}

async function requireBody({ models }: Call<unknown>['context'], studioId: string, bodyId: string): Promise<void> {
  if ((await models.bodies.count({ where: { id: bodyId, studioId } })) === 0)
    throw new ProblemError('checkInput', 'Choose a clay body from the list.');
}

const pieceFromRow = (row: PieceRow): Piece => ({ id: row.id, version: row.version, body: row.body, createdAt: row.createdAt.toISOString() });
