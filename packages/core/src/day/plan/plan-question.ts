import { MINUTE_MS } from '../../units/time';
import { workOf, type DayItem, type DayPlanning, type DayStep } from '../day-plan';
import type { DayStanding, LotStanding } from '../day-standing';
import type { DayBucket, DayGroup, DayWorker, GroupStep, ShortestDayQuestion, StepScatter } from '../shortest/day-question';
import type { WorkWindow } from '../shortest/work-windows';
import type { WorkSpan } from './work-hours';

/** Fetching a bucket, its first time on a day (drill up, SG, sieve), and washing shared tools from dark to light, minutes: starting guesses. */
export const FETCH_MINUTES = 5;
export const FIRST_MINUTES = 10;
export const TOOL_WASH_MINUTES = 4;
/** What is short is planned no earlier than so many minutes from now: a batch has to be weighed and rest. */
export const SHORT_MINUTES = 60;
/** Somebody who is at a step needs at least this long still, minutes. */
const LEAST_LEFT_MINUTES = 0.5;
/** Who works where nobody was named. */
export const SOMEBODY = 'Somebody';

export interface DayPlanQuestion {
  standing: DayStanding;
  planning: DayPlanning;
  nowMs: number;
  /** Of each person by name; somebody who is not there works always. */
  hours: ReadonlyMap<string, readonly WorkSpan[]>;
  /** Of steps whose labor or wait was learnt, by id. */
  scatter?: ReadonlyMap<string, StepScatter> | undefined;
  /** Buckets, as steps name them, that were drilled up, measured or sieved today: their first time costs no more than another one. */
  readyBuckets?: ReadonlySet<string> | undefined;
}

/** A step of the plan that is still to do. */
export interface OpenStep {
  item: DayItem;
  step: DayStep;
}

/** The day as the search is asked for it, and what its numbers stand for. */
export interface AskedDay {
  question: ShortestDayQuestion;
  people: string[];
  /** Of each group: its open steps. */
  groups: OpenStep[][];
  /** Steps that hands are at, or that come first by word: the first turns of any order. */
  fixed: { group: number; person: number }[];
}

/**
 * Returns what is still to do on a day as a question for the search: minutes count from now.
 *
 * @param day - how it stands, how it was planned, and everybody's hours
 * @throws PotterError as `dayTasks` does when it is asked
 * @example
 * askedDay({ standing: dayStanding({ items: [], events: [] }), planning: NO_PLANNING, nowMs: 0, hours: new Map() }).people // ['Somebody']
 */
export function askedDay({ standing, planning, nowMs, hours, scatter, readyBuckets }: DayPlanQuestion): AskedDay {
  const people = whoIsThere(planning, standing);
  const minutesTo = (ms: number): number => Math.max(0, (ms - nowMs) / MINUTE_MS);
  const lots = standing.lots.filter(({ item, open }) => open < item.steps.length && item.count > 0);
  const begun = (step: DayStep | undefined): { by: string; at: string } | undefined => step && standing.begun.get(step.id);
  const workers = people.map((name): DayWorker => {
    const bucket = standing.inHand.get(name);
    const windows = windowsOf(name, { standing, hours, nowMs });
    return { ...(windows ? { windows } : {}), ...(bucket ? { bucket } : {}) };
  });
  const deadlineMinutes = planning.deadlineAt === undefined ? undefined : minutesTo(Date.parse(planning.deadlineAt));
  return {
    people,
    groups: lots.map(({ item, open }) => item.steps.slice(open).map((step) => ({ item, step }))),
    fixed: fixedTurns(),
    question: {
      people: workers,
      bucketChangeMinutes: FETCH_MINUTES,
      washMinutes: TOOL_WASH_MINUTES,
      ...(planning.dryingPlaces === undefined ? {} : { dryingPlaces: planning.dryingPlaces }),
      buckets: bucketsOf(lots, new Set([...standing.usedBuckets, ...(readyBuckets ?? [])])),
      items: lots.map((lot): DayGroup => ({
        count: lot.item.count,
        readyMinutes: begun(lot.item.steps[lot.open]) ? 0 : minutesTo(lot.readyMs),
        ...(lot.lastDryMs > nowMs ? { wetUntilMinutes: minutesTo(lot.lastDryMs) } : {}),
        ...(deadlineMinutes === undefined ? {} : { deadlineMinutes }),
        ...startedBefore(lot),
        steps: lot.item.steps.slice(lot.open).map((step) => groupStep(step, lot)),
      })),
    },
  };

  function groupStep(step: DayStep, { item }: LotStanding): GroupStep {
    const pin = planning.pins.find(({ stepId }) => stepId === step.id);
    const at = begun(step);
    const named = at?.by ?? pin?.person;
    const only = named !== undefined && people.includes(named) ? [people.indexOf(named)] : whoMay(step, planning, people);
    const isShort = step.bucketId !== undefined && standing.shortBuckets.has(step.bucketId);
    const notBeforeMinutes = Math.max(pin?.notBeforeAt ? minutesTo(Date.parse(pin.notBeforeAt)) : 0, isShort ? SHORT_MINUTES : 0);
    return {
      laborSeconds: at ? leftSeconds(step, { item, beganMs: Date.parse(at.at), nowMs }) : step.laborSeconds,
      waitMinutes: step.waitMinutes,
      ...(step.bucketId ? { bucket: step.bucketId } : {}),
      ...(notBeforeMinutes > 0 ? { notBeforeMinutes } : {}),
      ...(only ? { onlyPeople: only } : {}),
      ...(step.mostWaitMinutes !== undefined ? { mostWaitMinutes: step.mostWaitMinutes } : {}),
      ...(scatter?.has(step.id) ? { scatter: scatter.get(step.id)! } : {}),
    };
  }

  function startedBefore({ item, open }: LotStanding): Pick<DayGroup, 'startedMinutes'> {
    const before = item.steps[open - 1];
    const end = before && standing.ended.get(before.id);
    if (!end) return {};
    return { startedMinutes: (Date.parse(end.at) - nowMs) / MINUTE_MS - (before.laborSeconds * item.count) / 60 };
  }

  function fixedTurns(): AskedDay['fixed'] {
    const at = lots.flatMap(({ item, open }, group) => {
      const by = begun(item.steps[open])?.by;
      return by !== undefined && people.includes(by) ? [{ group, person: people.indexOf(by) }] : [];
    });
    const first = standing.first.flatMap((itemId) => {
      const group = lots.findIndex(({ item }) => item.id === itemId);
      return group < 0 || at.some((turn) => turn.group === group) ? [] : [{ group, person: -1 }];
    });
    return [...at, ...first];
  }
}

/** Who left for good is asked for nothing more, unless nobody else is there. */
function whoIsThere({ people }: DayPlanning, { away }: DayStanding): string[] {
  const names = people.map(({ name }) => name);
  const there = names.filter((name) => away.get(name) !== Infinity);
  return there.length > 0 ? there : names.length > 0 ? names : [SOMEBODY];
}

/** Minutes from now in which somebody works; undefined for always. */
function windowsOf(name: string, { standing, hours, nowMs }: Omit<DayPlanQuestion, 'planning'>): WorkWindow[] | undefined {
  const spans = hours.get(name);
  const fromMs = Math.max(nowMs, standing.pausedUntilMs, standing.away.get(name) ?? -Infinity);
  // Nobody else is there: the plan says what would be, were they here.
  if (fromMs === Infinity) return undefined;
  if (!spans) return fromMs > nowMs ? [[(fromMs - nowMs) / MINUTE_MS, Infinity]] : undefined;
  return spans.flatMap(([opensMs, closesMs]): WorkWindow[] => {
    const opens = Math.max(opensMs, fromMs);
    return closesMs > opens ? [[(opens - nowMs) / MINUTE_MS, (closesMs - nowMs) / MINUTE_MS]] : [];
  });
}

/** Who does this kind of work; undefined when all do, or nobody: then it has to be done all the same. */
function whoMay(step: DayStep, { people }: DayPlanning, names: readonly string[]): number[] | undefined {
  const work = workOf(step);
  if (work === undefined) return undefined;
  const may = people
    .filter(({ doesNotDo }) => !doesNotDo.includes(work))
    .map(({ name }) => names.indexOf(name))
    .filter((at) => at >= 0);
  return may.length === names.length || may.length === 0 ? undefined : may;
}

function leftSeconds(step: DayStep, { item, beganMs, nowMs }: { item: DayItem; beganMs: number; nowMs: number }): number {
  const wholeMinutes = (step.laborSeconds * item.count) / 60;
  const leftMinutes = Math.max(LEAST_LEFT_MINUTES, wholeMinutes - Math.max(0, nowMs - beganMs) / MINUTE_MS);
  return (leftMinutes * 60) / item.count;
}

function bucketsOf(lots: readonly LotStanding[], ready: ReadonlySet<string>): Record<string, DayBucket> {
  const steps = lots.flatMap(({ item }) => item.steps);
  return Object.fromEntries(
    steps.flatMap(({ bucketId, lightness }) =>
      bucketId
        ? [[bucketId, { firstMinutes: ready.has(bucketId) ? 0 : FIRST_MINUTES, ...(lightness === undefined ? {} : { lightness }) }] as const]
        : [],
    ),
  );
}
