/// <reference lib="webworker" />
import { checkAgainst, readFile } from '@cazuela/formats';
import type { ReadAnswer, ReadQuestion } from './read-file-protocol';

/** A large file is read in a worker, so that the stop button answers meanwhile. */
addEventListener('message', ({ data }: MessageEvent<ReadQuestion>) => {
  let answer: ReadAnswer;
  try {
    answer = { kind: 'read', file: checkAgainst(readFile(data.text, data.now), data.shelf) };
  } catch (error) {
    answer = { kind: 'failed', message: error instanceof Error ? error.message : 'The file cannot be read.' };
  }
  postMessage(answer);
});
