import type { RequestHandler } from 'express';
import type { Context } from '../../context';
import { studioFromRow } from './studio-from-row';

export function listStudios({ models }: Context): RequestHandler {
  return async (_request, response) => {
    const rows = await models.studios.findAll({ order: [['createdAt', 'ASC']] });
    response.json(rows.map((row) => studioFromRow(row.get())));
  };
}
