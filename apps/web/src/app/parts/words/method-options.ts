import { APPLICATION_METHODS, type ApplicationMethod } from '@cazuela/core';
import type { FieldOption } from '../../ui/options';

/** How a coat goes on, in the words of the bench. */
export const METHOD_OPTIONS: readonly FieldOption<ApplicationMethod>[] = APPLICATION_METHODS.map(
  (method) => [method, method === 'halfDips' ? 'two half dips' : method] as const,
);
