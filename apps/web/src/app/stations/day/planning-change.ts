import { dateSchema, dayPlanningSchema, versionSchema } from '@cazuela/contract';
import type { DayPlanning } from '@cazuela/core';
import * as z from 'zod';

/** A change of a day's planning that was made here. */
export interface PlanningChange {
  date: string;
  /** What it was made from. */
  base: DayPlanning;
  planning: DayPlanning;
  /** Of the day in the records that has it. */
  version?: number | undefined;
}

/** As it is kept on the device. */
export const keptSchema = z.strictObject({
  change: z.strictObject({ date: dateSchema, base: dayPlanningSchema, planning: dayPlanningSchema, version: versionSchema.optional() }).nullable(),
});

const FIELDS = ['people', 'deadlineAt', 'deadlineWords', 'dryingPlaces', 'pins', 'order'] as const;

/** What was changed here, put on the planning as it is now: fields that were left alone here stay as others made them. */
export function mergedPlanning(base: DayPlanning, mine: DayPlanning, now: DayPlanning): DayPlanning {
  const changed = FIELDS.filter((field) => JSON.stringify(base[field]) !== JSON.stringify(mine[field]));
  const merged = { ...now, ...Object.fromEntries(changed.map((field) => [field, mine[field]])) };
  // What was taken away here is left out, not kept as nothing.
  return Object.fromEntries(Object.entries(merged).filter(([, value]) => value !== undefined)) as unknown as DayPlanning;
}
