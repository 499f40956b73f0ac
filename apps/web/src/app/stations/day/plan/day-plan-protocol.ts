import { dayHelps, dayOdds, DayPlanner, type DayHelp, type DayOdds, type DayPlan, type DayPlanQuestion } from '@cazuela/core';

export interface DayPlanJob {
  day: DayPlanQuestion;
  /** The longest search, ms. */
  mostMs: number;
  /** How good it is is asked for at a table, not at the bench. */
  wantsQuality: boolean;
}

export type DayPlanMessage =
  | { kind: 'plan'; plan: DayPlan; isLast: boolean }
  /** What stands on the plan: how it scatters, what would help, what pins cost. */
  | { kind: 'quality'; odds: DayOdds; helps: DayHelp[]; pinsMinutes: number | undefined }
  | { kind: 'failed'; message: string };

/** Searched between two looks at the clock. */
const ROUNDS = 250;
const TOLD_EVERY_MS = 250;
/** Pins are judged against a search as long as this. */
const PIN_ROUNDS = 1_500;

/** Does the job: tells the first valid plan at once, better ones as they are found, then how good the last one is. */
export function doDayPlanJob({ day, mostMs, wantsQuality }: DayPlanJob, tell: (message: DayPlanMessage) => void, now: () => number): void {
  const planner = new DayPlanner(day);
  const startMs = now();
  tell({ kind: 'plan', plan: planner.plan(), isLast: false });
  planner.prove();
  let toldMs = now();
  while (!planner.isDone && now() - startMs < mostMs) {
    planner.improve(ROUNDS);
    if (now() - toldMs < TOLD_EVERY_MS) continue;
    toldMs = now();
    tell({ kind: 'plan', plan: planner.plan(), isLast: false });
  }
  tell({ kind: 'plan', plan: planner.plan(), isLast: true });
  if (!wantsQuality) return;
  const odds = dayOdds(planner.asked.question, planner.order());
  tell({ kind: 'quality', odds, helps: dayHelps(planner.asked), pinsMinutes: pinsCost(day, planner) });
}

/** How much longer the day takes for what is held fast, minutes. */
function pinsCost(day: DayPlanQuestion, pinned: DayPlanner): number | undefined {
  if (day.planning.pins.length === 0) return undefined;
  const free = new DayPlanner({ ...day, planning: { ...day.planning, pins: [], order: pinned.plan().turns } });
  free.improve(PIN_ROUNDS);
  return Math.max(0, (Date.parse(pinned.plan().finishAt) - Date.parse(free.plan().finishAt)) / 60_000);
}
