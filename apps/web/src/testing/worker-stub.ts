import { checkAgainst, readFile } from '@cazuela/formats';
import type { ReadAnswer, ReadQuestion } from '../app/stations/recipe/files-page/read-file-protocol';

/** Does the worker's work at once: jsdom has no workers. */
export const readFileWorker = (): Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'> => ({
  onmessage: null,
  onerror: null,
  postMessage({ text, now, shelf }: ReadQuestion) {
    const data: ReadAnswer = { kind: 'read', file: checkAgainst(readFile(text, now), shelf) };
    this.onmessage?.call(this as Worker, { data } as MessageEvent<ReadAnswer>);
  },
  terminate: () => undefined,
});
