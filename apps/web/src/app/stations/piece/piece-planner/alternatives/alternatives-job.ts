import { attempt, PRIOR_KNOWLEDGE, planAlternatives, type CoatKnowledge, type AlternativesQuestion, type PlanAlternative } from '@cazuela/core';

/** What the worker is asked: plain data, so what is known of each glaze is a list. */
export interface AlternativesJob {
  question: Omit<AlternativesQuestion, 'knowledge'>;
  knowledge: readonly { bucketId: string; knows: CoatKnowledge }[];
}

export type AlternativesAnswer = { kind: 'found'; alternatives: readonly PlanAlternative[] } | { kind: 'failed'; message: string };

export function doAlternativesJob({ question, knowledge }: AlternativesJob): AlternativesAnswer {
  const known = new Map(knowledge.map(({ bucketId, knows }) => [bucketId, knows]));
  const asked = attempt(() => planAlternatives({ ...question, knowledge: (glaze) => known.get(glaze.bucketId) ?? PRIOR_KNOWLEDGE }));
  return asked.kind === 'ok' ? { kind: 'found', alternatives: asked.value } : { kind: 'failed', message: asked.error.message };
}
