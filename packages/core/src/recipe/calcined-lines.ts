import { oxideGrams } from '../chemistry/oxides';
import { attempt } from '../checks/potter-error';
import { requireNotNegative } from '../checks/require';
import { powderShares } from '../powder/behaviour';
import type { Powder } from '../powder/powder';
import { normaliseRecipe } from './normalise';
import type { RecipeLine } from './recipe';
import { resolveLines } from './recipe-mix';
import { substitute } from './substitute';
import { tenthsOfLines } from './tenths';

/** Less raw clay than this lets the bucket settle, percent of the base. */
const LEAST_RAW_PERCENT = 5;
/** Moles in unity by which the fired glaze may differ: what a potter does not see. */
const MOST_DIFFERENCE = 0.03;
/** Halvings of the share of clay that stays raw: to a thousandth. */
const STEPS = 10;

/**
 * Returns a recipe in which part of its raw clay is calcined, so that it shrinks no more than is wanted as it dries, and melts as before: clay that
 * still has its water goes, a calcined clay of the studio and the other powders of the base bring its oxides. Undefined where there is no such powder,
 * where the glaze would be another one, or where so little raw clay would be left that the bucket settles.
 *
 * @param question - `lines` of the recipe; `powders` of the studio; `mostShrinkPercent`, shrink share per 100 g of all dry powder, 0 or more; `newId`,
 * the id of the new line
 * @throws PotterError for a negative share, or an empty base
 * @example
 * calcinedLines({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', role: 'glass former', rawClay: 0, shrinkWeight: 0, loiPercent: 0, oxides: {} }], mostShrinkPercent: 18, newId: 'n' })
 * // undefined
 */
export function calcinedLines(question: {
  lines: readonly RecipeLine[];
  powders: readonly Powder[];
  mostShrinkPercent: number;
  newId: string;
}): RecipeLine[] | undefined {
  const { powders, newId } = question;
  const most = requireNotNegative('shrinkShare', question.mostShrinkPercent);
  const lines = normaliseRecipe({ lines: question.lines });
  const byId = new Map(powders.map((powder) => [powder.id, powder]));
  const isRawClay = ({ powderId, part }: RecipeLine): boolean => part === 'base' && isClay(byId.get(powderId)) && byId.get(powderId)!.rawClay > 0;
  const calcined = powders.find((powder) => isClay(powder) && powder.rawClay === 0);
  const rawPercent = lines.filter(isRawClay).reduce((sum, { percent }) => sum + percent, 0);
  if (!calcined || rawPercent === 0 || shrinkShare(lines, powders) <= most) return undefined;
  let [low, high] = [Math.min(1, LEAST_RAW_PERCENT / rawPercent), 1];
  let best = withLessClay(lines, { share: low, isRawClay, calcined, powders, newId });
  if (!best || shrinkShare(best, powders) > most) return undefined;
  // As much of the clay as may stay raw.
  for (let step = 0; step < STEPS; step++) {
    const share = (low + high) / 2;
    const made = withLessClay(lines, { share, isRawClay, calcined, powders, newId });
    if (made && shrinkShare(made, powders) <= most) [low, best] = [share, made];
    else high = share;
  }
  return tenthsOfLines(best);
}

/** A share of the raw clay stays; what the rest brought comes from the other powders of the base and the calcined one. */
function withLessClay(
  lines: readonly RecipeLine[],
  change: { share: number; isRawClay: (line: RecipeLine) => boolean; calcined: Powder; powders: readonly Powder[]; newId: string },
): RecipeLine[] | undefined {
  const { share, isRawClay, calcined, powders, newId } = change;
  const base = lines.filter(({ part }) => part === 'base');
  const clays = base.filter(isRawClay);
  const others = base.filter((line) => !isRawClay(line));
  const gone = clays.map((line) => ({ ...line, percent: line.percent * (1 - share) }));
  const allowedIds = [...others.map(({ powderId }) => powderId), calcined.id];
  const asked = [...others, ...gone];
  const made = attempt(() => substitute({ lines: asked, powders, allowedIds, newId: () => newId }));
  if (made.kind !== 'ok' || made.value.differences.some(({ before, after }) => Math.abs(after - before) > MOST_DIFFERENCE)) return undefined;
  const [asked100, made100] = [firedGrams(asked, powders), firedGrams(made.value.lines, powders)];
  if (made100 <= 0) return undefined;
  // As many oxides as before: what was solved counts to 100 by itself.
  const times = asked100 / made100;
  const kept = clays.map((line) => ({ ...line, percent: line.percent * share }));
  const solved = made.value.lines.map((line) => ({ ...line, percent: line.percent * times }));
  const newBase = [...base.flatMap(({ id }) => [...kept, ...solved].filter((line) => line.id === id)), ...solved.filter(({ id }) => id === newId)];
  const sum = newBase.reduce((all, { percent }) => all + percent, 0);
  return [...newBase, ...lines.filter(({ part }) => part !== 'base')].map((line) => ({ ...line, percent: (100 * line.percent) / sum }));
}

const isClay = (powder: Powder | undefined): boolean => powder?.role === 'clay';

const weighed = (lines: readonly RecipeLine[], powders: readonly Powder[]): { grams: number; powder: Powder }[] =>
  resolveLines({ lines, powders }).map(({ line, powder }) => ({ grams: line.percent, powder }));

const shrinkShare = (lines: readonly RecipeLine[], powders: readonly Powder[]): number =>
  powderShares({ parts: weighed(lines, powders) }).shrinkShare;

const firedGrams = (lines: readonly RecipeLine[], powders: readonly Powder[]): number =>
  Object.values(oxideGrams({ parts: weighed(lines, powders) })).reduce((sum, grams) => sum + grams, 0);
