import { attempt, PRIOR_KNOWLEDGE, waysThere, type CoatKnowledge, type WaysThereQuestion, type WayThere } from '@cazuela/core';

/** What the worker is asked: plain data, so what is known of each glaze stands in a list. */
export interface WaysJob {
  question: Omit<WaysThereQuestion, 'knowledge'>;
  knowledge: readonly { bucketId: string; knows: CoatKnowledge }[];
}

export type WaysAnswer = { kind: 'ways'; ways: readonly WayThere[] } | { kind: 'failed'; message: string };

export function doWaysJob({ question, knowledge }: WaysJob): WaysAnswer {
  const known = new Map(knowledge.map(({ bucketId, knows }) => [bucketId, knows]));
  const asked = attempt(() => waysThere({ ...question, knowledge: (glaze) => known.get(glaze.bucketId) ?? PRIOR_KNOWLEDGE }));
  return asked.kind === 'ok' ? { kind: 'ways', ways: asked.value } : { kind: 'failed', message: asked.error.message };
}
