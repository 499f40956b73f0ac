import type { PiecePlan } from '../plan/piece-plan';

export type Severity = 'stop' | 'look';

/** What happens, why, and what to do. */
export interface Warning {
  rule: string;
  severity: Severity;
  what: string;
  why: string;
  remedies: string[];
  /** Remedies that change the plan: taken with one tap. */
  fixes?: PlanFix[];
}

export interface PlanFix {
  words: string;
  change: Partial<Omit<PiecePlan, 'putAside' | 'versions' | 'shapeId'>>;
}

export const MOST_WARNINGS_SHOWN = 3;

/**
 * Returns warnings, worst first, without those that were put aside.
 *
 * @param question - `warnings`; `putAside`, rules
 * @example
 * sortWarnings({ warnings: [] }) // []
 */
export function sortWarnings({ warnings, putAside = [] }: { warnings: readonly Warning[]; putAside?: readonly { rule: string }[] }): Warning[] {
  const aside = new Set(putAside.map((entry) => entry.rule));
  return warnings.filter((warning) => !aside.has(warning.rule)).sort((a, b) => Number(b.severity === 'stop') - Number(a.severity === 'stop'));
}
