import { normalDraw } from '../../math/normal';
import { seededUniform } from '../../math/seeded-uniform';
import { dayTasks, type ShortestDayQuestion } from '../shortest/day-question';
import { judgedDay, type TurnOrder } from '../shortest/improve-day';

/** How labor and waits scatter until that is learnt, sd of ln. */
const LABOR_LN_SD = 0.25;
const WAIT_LN_SD = 0.35;
const DRAWS = 1_000;
const SEED = 20_260_301;
/** "In four of five days". */
const FOUR_OF_FIVE = 0.8;

export interface DayOdds {
  /** The middle of the draws, and by when it is done in four of five, minutes from now. */
  medianMinutes: number;
  likelyMinutes: number;
  /** How likely nothing is late, 0–1; left out without a deadline. */
  deadlineChance?: number;
  draws: number;
}

/**
 * Returns how a plan goes when labor and waits scatter, each as it was learnt or guessed: drawn many times, each played in the plan's order with
 * everything pushed back as needed.
 *
 * @param question - the day as it was asked
 * @param order - with who does what
 * @param options - `draws`, how many
 * @throws PotterError as `dayTasks`
 * @example
 * dayOdds({ people: 1, bucketChangeMinutes: 5, items: [] }, { groups: new Int32Array(0), people: new Int32Array(0) }).medianMinutes // 0
 */
export function dayOdds(question: ShortestDayQuestion, order: TurnOrder, options: { draws?: number } = {}): DayOdds {
  const { draws = DRAWS } = options;
  const random = seededUniform(SEED);
  const factor = (sd: number): number => Math.exp(sd * normalDraw(random));
  const finishes = new Float64Array(draws);
  let inTime = 0;
  for (let draw = 0; draw < draws; draw++) {
    const items = question.items.map((item) => ({
      ...item,
      steps: item.steps.map((step) => ({
        ...step,
        laborSeconds: step.laborSeconds * factor(step.scatter?.laborLnSd ?? LABOR_LN_SD),
        waitMinutes: step.waitMinutes * factor(step.scatter?.waitLnSd ?? WAIT_LN_SD),
      })),
    }));
    const { finishMinutes, lateMinutes } = judgedDay(dayTasks({ ...question, items }), order);
    finishes[draw] = finishMinutes;
    if (lateMinutes <= 1e-6) inTime += 1;
  }
  finishes.sort();
  const at = (share: number): number => (draws === 0 ? 0 : finishes[Math.min(draws - 1, Math.floor(share * draws))]!);
  const hasDeadline = question.items.some(({ deadlineMinutes }) => deadlineMinutes !== undefined);
  return { medianMinutes: at(0.5), likelyMinutes: at(FOUR_OF_FIVE), ...(hasDeadline ? { deadlineChance: inTime / draws } : {}), draws };
}
