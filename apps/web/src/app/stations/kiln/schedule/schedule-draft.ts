import { scheduleBodySchema, type ScheduleBody } from '@cazuela/contract';

/** One step while it is typed: a figure may be missing. Without a rate it goes as fast as it can. */
export interface SegmentDraft {
  celsiusPerHour: number | null;
  toCelsius: number | null;
  holdMinutes: number | null;
}

/** A schedule while it is typed. */
export interface ScheduleDraft {
  name: string;
  wantedCone: string;
  segments: SegmentDraft[];
  isReduced: boolean;
  reduceFromCelsius: number | null;
  reduceFromCone: string;
  reduceToCelsius: number | null;
  note: string;
}

export const NEW_SCHEDULE: ScheduleDraft = {
  name: '',
  wantedCone: '6',
  segments: [
    { celsiusPerHour: 80, toCelsius: 120, holdMinutes: 30 },
    { celsiusPerHour: 120, toCelsius: 1100, holdMinutes: 0 },
    { celsiusPerHour: 60, toCelsius: 1206, holdMinutes: 10 },
  ],
  isReduced: false,
  reduceFromCelsius: 900,
  reduceFromCone: '010',
  reduceToCelsius: 1200,
  note: '',
};

export function draftOf({ segments, reduction, ...rest }: ScheduleBody): ScheduleDraft {
  return {
    ...rest,
    segments: segments.map((segment) => ({ ...segment, celsiusPerHour: segment.celsiusPerHour ?? null })),
    isReduced: reduction !== undefined,
    reduceFromCelsius: reduction?.fromCelsius ?? NEW_SCHEDULE.reduceFromCelsius,
    reduceFromCone: reduction?.fromCone ?? '',
    reduceToCelsius: reduction?.toCelsius ?? NEW_SCHEDULE.reduceToCelsius,
  };
}

/** The schedule as the records take it, or what is still to be said of it. */
export function readSchedule(draft: ScheduleDraft): { body: ScheduleBody } | { problem: string } {
  const { name, wantedCone, segments, isReduced, reduceFromCelsius, reduceFromCone, reduceToCelsius, note } = draft;
  if (segments.some(({ toCelsius, holdMinutes }) => toCelsius === null || holdMinutes === null))
    return { problem: 'Say of each step where it ends, and how long it is held there: 0 for not at all.' };
  const read = scheduleBodySchema.safeParse({
    name: name.trim(),
    wantedCone,
    segments: segments.map(({ celsiusPerHour, ...rest }) => ({ ...rest, ...(celsiusPerHour === null ? {} : { celsiusPerHour }) })),
    ...(isReduced
      ? { reduction: { fromCelsius: reduceFromCelsius, toCelsius: reduceToCelsius, ...(reduceFromCone ? { fromCone: reduceFromCone } : {}) } }
      : {}),
    note,
  });
  return read.success ? { body: read.data } : { problem: name.trim() === '' ? 'Give the schedule a name.' : read.error.issues[0]!.message };
}

/** One more step: on from where the last one ends. */
export function withSegment(draft: ScheduleDraft): ScheduleDraft {
  const last = draft.segments.at(-1);
  return {
    ...draft,
    segments: [...draft.segments, { celsiusPerHour: last?.celsiusPerHour ?? 100, toCelsius: last?.toCelsius ?? 600, holdMinutes: 0 }],
  };
}
