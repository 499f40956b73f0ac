/** A stretch in which somebody works, minutes from the start of the day's plan: from, until. */
export type WorkWindow = readonly [fromMinutes: number, untilMinutes: number];

export const ALWAYS: readonly WorkWindow[] = [[0, Infinity]];

const SAME_MINUTES = 1e-9;

/** When a piece of work begins and ends, minutes. It is broken off where no stretch is long enough for it. */
export interface PlacedWork {
  startMinutes: number;
  endMinutes: number;
}

/**
 * Returns when work of so many minutes is done within somebody's hours: not before the given minute, after fetching, in one stretch where one is
 * long enough, else gone on with after the break. Without hours left it is done after them: the plan says so by its end.
 *
 * @param windows - in order, not overlapping
 * @param work - `fromMinutes`, the earliest start; `fetchMinutes` right before it; `workMinutes`
 * @example
 * workWithin([[0, 60], [90, 200]], { fromMinutes: 50, fetchMinutes: 5, workMinutes: 30 }) // { startMinutes: 95, endMinutes: 125 }
 */
export function workWithin(
  windows: readonly WorkWindow[],
  { fromMinutes, fetchMinutes, workMinutes }: { fromMinutes: number; fetchMinutes: number; workMinutes: number },
): PlacedWork {
  for (const [opens, closes] of windows) {
    const start = Math.max(fromMinutes, opens + fetchMinutes);
    if (start + workMinutes <= closes + SAME_MINUTES) return { startMinutes: start, endMinutes: start + workMinutes };
  }
  return brokenOff(windows, { fromMinutes, fetchMinutes, workMinutes });
}

function brokenOff(
  windows: readonly WorkWindow[],
  { fromMinutes, fetchMinutes, workMinutes }: { fromMinutes: number; fetchMinutes: number; workMinutes: number },
): PlacedWork {
  let [left, startMinutes, at] = [workMinutes, Number.NaN, fromMinutes];
  for (const [opens, closes] of windows) {
    const from = Number.isNaN(startMinutes) ? Math.max(at, opens + fetchMinutes) : Math.max(at, opens);
    if (from >= closes - SAME_MINUTES) continue;
    if (Number.isNaN(startMinutes)) startMinutes = from;
    const worked = Math.min(left, closes - from);
    left -= worked;
    at = from + worked;
    if (left <= SAME_MINUTES) return { startMinutes, endMinutes: at };
  }
  const after = Math.max(at, windows.at(-1)?.[1] ?? 0);
  return Number.isNaN(startMinutes)
    ? { startMinutes: Math.max(fromMinutes, after), endMinutes: Math.max(fromMinutes, after) + left }
    : { startMinutes, endMinutes: after + left };
}

/**
 * Returns the earliest minute by which people, each free from a minute on, can have worked so many minutes together.
 *
 * @param hours - of each person
 * @param freeMinutes - of each person
 * @param laborMinutes - of all together
 * @example
 * leastEnd([[[0, 60]], [[30, 90]]], [0, 0], 60) // 45
 */
export function leastEnd(hours: readonly (readonly WorkWindow[])[], freeMinutes: ArrayLike<number>, laborMinutes: number): number {
  if (laborMinutes <= 0) return 0;
  const edges: { at: number; people: number }[] = [];
  for (const [person, windows] of hours.entries())
    for (const [opens, closes] of windows) {
      const from = Math.max(opens, freeMinutes[person]!);
      if (from >= closes) continue;
      edges.push({ at: from, people: 1 }, { at: closes, people: -1 });
    }
  edges.sort((a, b) => a.at - b.at);
  let [left, people, at] = [laborMinutes, 0, 0];
  for (const edge of edges) {
    const worked = people * (edge.at - at);
    if (people > 0 && worked >= left) return at + left / people;
    left -= people > 0 ? worked : 0;
    people += edge.people;
    at = edge.at;
  }
  // What hours do not hold is done after them.
  return at;
}
