import type { Result } from '@cazuela/contract';

/** Where a result is corrected: what was said at the opening of a kiln there, what was noted by hand in its form. */
export function correctionOf({ id, body }: Pick<Result, 'id' | 'body'>): { link: string[]; query: Record<string, string> } {
  return body.loadPieceId
    ? { link: ['/kiln/firings', body.firingId, 'opening'], query: { piece: body.loadPieceId } }
    : { link: ['/kiln'], query: { firing: body.firingId, correct: id } };
}
