import { recordKindSchema, type RecordKind } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';

/** The kind in the address. */
export function kindOf<Body>({ request }: Call<Body>): RecordKind {
  const kind = recordKindSchema.safeParse((request.params as Record<string, string>)['kind']);
  if (!kind.success) throw new ProblemError('notFound', 'There is nothing at this address.');
  return kind.data;
}
