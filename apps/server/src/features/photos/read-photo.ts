import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';

export async function readPhoto({ context, studioId, id, response }: Call<unknown>): Promise<void> {
  const row = await context.models.photos.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such photo.');
  response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
  response.type('image/jpeg').send(row.get().jpeg);
}
