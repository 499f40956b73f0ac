/// <reference lib="webworker" />
import { attempt, coatMap } from '@cazuela/core';
import type { MapAnswer, MapQuestion } from './coat-map-protocol';

/** Forty thousand dips, computed off the main thread. */
addEventListener('message', ({ data: { ask, question, knowledge } }: MessageEvent<MapQuestion>) => {
  const made = attempt(() => coatMap(question, knowledge));
  const answer: MapAnswer = made.kind === 'ok' ? { kind: 'map', ask, map: made.value } : { kind: 'failed', ask, message: made.error.message };
  postMessage(answer, made.kind === 'ok' ? [made.value.coatMm.buffer] : []);
});
