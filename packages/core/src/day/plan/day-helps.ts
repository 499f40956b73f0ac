import type { DayGroup, ShortestDayQuestion } from '../shortest/day-question';
import { dayTasks } from '../shortest/day-question';
import { DaySearch, firstDay } from '../shortest/improve-day';
import type { AskedDay } from './plan-question';

export const DAY_HELPS = ['onePerson', 'lots', 'waxBefore', 'fan', 'thinner', 'fewer', 'tongs', 'places'] as const;

export interface DayHelp {
  help: (typeof DAY_HELPS)[number];
  /** How much earlier hands are done, and how much less is late, minutes. */
  savesMinutes: number;
  lateSavesMinutes: number;
  /** Of `lots`: which one is split, and how many become a lot of their own. */
  split?: { itemId: string; count: number } | undefined;
}

/** A fan on drying pots: waits are so much of what they were. A starting guess. */
export const FAN_SHARE = 0.6;
/** Coats thinner by a fifth dry sooner by a fifth. */
export const THINNER_SHARE = 0.8;
export const PIECES_FEWER = 2;
/** Another board, for so many wet pieces. */
export const PLACES_MORE = 12;
/** What dries through over night is not hurried by a fan. */
const HURRIED_MINUTES = 360;
/** What helps less is not worth saying, minutes. */
const LEAST_MINUTES = 2;
const ROUNDS = 1_500;
/** Smaller lots are not worth two tags, and so many of the longest are tried. */
const LEAST_SPLIT = 6;
const MOST_SPLITS = 3;

/**
 * Returns what would help a day most, each planned and not guessed, best first. What the day cannot have is left out.
 *
 * @param asked - the day as it was asked
 * @throws PotterError as `dayTasks`
 * @example
 * dayHelps({ question: { people: 1, bucketChangeMinutes: 5, items: [] }, people: ['Maia'], groups: [], fixed: [] }) // []
 */
export function dayHelps(asked: AskedDay): DayHelp[] {
  const before = solved(asked.question);
  const judged = (help: DayHelp['help'], changed: ShortestDayQuestion, split?: DayHelp['split']): DayHelp => {
    const after = solved(changed);
    const [savesMinutes, lateSavesMinutes] = [before.finishMinutes - after.finishMinutes, before.lateMinutes - after.lateMinutes];
    return { help, savesMinutes, lateSavesMinutes, ...(split ? { split } : {}) };
  };
  const all = DAY_HELPS.flatMap((help): DayHelp[] => {
    if (help === 'lots') return bestSplit(asked, judged);
    const changed = changedDay(asked, help);
    return changed ? [judged(help, changed)] : [];
  });
  return all.filter((one) => Math.max(one.savesMinutes, one.lateSavesMinutes) >= LEAST_MINUTES).sort(bestFirst);
}

const bestFirst = (a: DayHelp, b: DayHelp): number => b.lateSavesMinutes - a.lateSavesMinutes || b.savesMinutes - a.savesMinutes;

/** A lot is split in two halves that go on by themselves: of the longest ones, the one that helps most. */
function bestSplit(
  { question, groups, fixed }: AskedDay,
  judged: (help: 'lots', changed: ShortestDayQuestion, split: DayHelp['split']) => DayHelp,
): DayHelp[] {
  const work = ({ count, steps }: DayGroup): number => count * steps.reduce((sum, { laborSeconds }) => sum + laborSeconds, 0);
  const longest = question.items
    .map((item, group) => ({ item, group }))
    .filter(({ item, group }) => item.count >= LEAST_SPLIT && !fixed.some((turn) => turn.group === group))
    .sort((a, b) => work(b.item) - work(a.item))
    .slice(0, MOST_SPLITS);
  const tried = longest.map(({ item, group }) => {
    const count = Math.floor(item.count / 2);
    const items = [...question.items.map((one, at) => (at === group ? { ...one, count: one.count - count } : one)), { ...item, count }];
    return judged('lots', { ...question, items }, { itemId: groups[group]![0]!.item.id, count });
  });
  return tried.sort(bestFirst).slice(0, 1);
}

/** As well as a short search finds: each day is given the same. */
function solved(question: ShortestDayQuestion): { finishMinutes: number; lateMinutes: number } {
  const tasks = dayTasks(question);
  const search = new DaySearch(tasks, firstDay(tasks));
  search.run(ROUNDS, 0);
  return search.best;
}

function changedDay({ question, groups }: AskedDay, help: DayHelp['help']): ShortestDayQuestion | undefined {
  const { items, people } = question;
  switch (help) {
    case 'lots':
      return undefined;
    case 'onePerson': {
      if (typeof people === 'number') return { ...question, people: people + 1 };
      const { windows } = people[0]!;
      return { ...question, people: [...people, windows ? { windows } : {}] };
    }
    case 'waxBefore': {
      const open = groups.map((steps) => steps.findIndex(({ step }) => step.kind !== 'check' && step.kind !== 'wax'));
      const isBegun = groups.map((steps, group) => steps[0]?.step !== steps[0]?.item.steps[0] || items[group]!.readyMinutes !== 0);
      const change = (item: DayGroup, group: number): DayGroup =>
        open[group]! > 0 && !isBegun[group] ? { ...item, steps: item.steps.slice(open[group]) } : item;
      const changed = items.map(change);
      return changed.some((item, group) => item !== items[group]) ? { ...question, items: changed } : undefined;
    }
    case 'fan':
      return { ...question, items: withWaits(items, (minutes) => (minutes < HURRIED_MINUTES ? minutes * FAN_SHARE : minutes)) };
    case 'thinner':
      return {
        ...question,
        items: items.map((item, group) => ({
          ...item,
          steps: item.steps.map((step, at) =>
            groups[group]![at]!.step.kind === 'layer' && step.waitMinutes < HURRIED_MINUTES
              ? { ...step, waitMinutes: step.waitMinutes * THINNER_SHARE }
              : step,
          ),
        })),
      };
    case 'fewer': {
      const most = Math.max(0, ...items.map(({ count }) => count));
      if (most <= PIECES_FEWER) return undefined;
      const at = items.findIndex(({ count }) => count === most);
      return { ...question, items: items.map((item, group) => (group === at ? { ...item, count: item.count - PIECES_FEWER } : item)) };
    }
    case 'tongs':
      return question.washMinutes ? { ...question, washMinutes: 0 } : undefined;
    case 'places':
      return question.dryingPlaces === undefined ? undefined : { ...question, dryingPlaces: question.dryingPlaces + PLACES_MORE };
  }
}

const withWaits = (items: readonly DayGroup[], change: (minutes: number) => number): DayGroup[] =>
  items.map((item) => ({ ...item, steps: item.steps.map((step) => ({ ...step, waitMinutes: change(step.waitMinutes) })) }));
