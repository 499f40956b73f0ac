import {
  attempt,
  nextTests,
  quickForecast,
  worstSide,
  type Combination,
  type NextTest,
  type NextTestQuestion,
  type PieceRunQuestion,
} from '@cazuela/core';

export interface NextTestsJob {
  question: Omit<NextTestQuestion, 'planned'>;
  /** Plans that are still to be fired, with the combinations on them. */
  plans: { combinations: Combination[]; run: PieceRunQuestion }[];
  count: number;
}

/** What one worker does. */
export function doNextTestsJob({ question, plans, count }: NextTestsJob): NextTest[] {
  const planned = plans.flatMap(({ combinations, run }) => {
    const reach = attempt(() => worstSide(quickForecast(run))?.reachChance ?? 0);
    return reach.kind === 'ok' ? combinations.map((combination) => ({ ...combination, reachChance: reach.value })) : [];
  });
  return nextTests({ ...question, planned }, count);
}
