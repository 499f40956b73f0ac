import type { CheckedFile, Shelf } from '@cazuela/formats';

/** What goes to the worker that reads a file, and what comes back. */
export interface ReadQuestion {
  text: string;
  now: string;
  shelf: Shelf;
}
export type ReadAnswer = { kind: 'read'; file: CheckedFile } | { kind: 'failed'; message: string };
