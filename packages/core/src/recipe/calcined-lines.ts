import { requireNotNegative } from '../checks/require';
import type { Powder } from '../powder/powder';
import type { RecipeLine, ResolvedLine } from './recipe';
import { normaliseRecipe } from './normalise';
import { resolveLines } from './recipe-mix';

/** Two clays are the same in the fire where their oxides, without what burns off, differ by no more than this, percentage points. */
const SAME_FIRED_POINTS = 3;
/** Less raw clay than this lets the bucket settle, percent of the base. */
const LEAST_RAW_PERCENT = 5;

/**
 * Returns a recipe in which part of its raw clay is calcined, so that it shrinks no more than is wanted as it dries, and melts as before. Undefined
 * where no powder of the studio is its clay without its water, or where so little raw clay would be left that the bucket settles.
 *
 * @param question - `lines` of the recipe; `powders` of the studio; `mostShrinkPercent`, shrink share per 100 g of all dry powder, 0 or more; `newId`,
 * the id of the new line
 * @throws PotterError for a negative share, or an empty base
 * @example
 * calcinedLines({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', role: 'glass former', rawClay: 0 }], mostShrinkPercent: 18, newId: 'n' })
 * // undefined
 */
export function calcinedLines({
  lines,
  powders,
  mostShrinkPercent,
  newId,
}: {
  lines: readonly RecipeLine[];
  powders: readonly Powder[];
  mostShrinkPercent: number;
  newId: string;
}): RecipeLine[] | undefined {
  const most = requireNotNegative('shrinkShare', mostShrinkPercent) / 100;
  const resolved = resolveLines({ lines: normaliseRecipe({ lines }), powders });
  const raw = resolved
    .filter(({ line, powder }) => line.part === 'base' && powder.role === 'clay' && powder.rawClay > 0)
    .sort((a, b) => b.line.percent * b.powder.shrinkWeight - a.line.percent * a.powder.shrinkWeight)[0];
  const calcined = raw && powders.find((powder) => powder.role === 'clay' && powder.rawClay === 0 && isSameFired(powder, raw.powder));
  if (!raw || !calcined) return undefined;
  const grams = resolved.reduce((sum, { line }) => sum + line.percent, 0);
  const shrinks = resolved.reduce((sum, { line, powder }) => sum + line.percent * powder.shrinkWeight, 0);
  const perGram = (100 - raw.powder.loiPercent) / (100 - calcined.loiPercent);
  const takenPercent = (shrinks - most * grams) / (raw.powder.shrinkWeight - perGram * calcined.shrinkWeight - most * (1 - perGram));
  if (!(takenPercent > 0)) return undefined;
  if (raw.line.percent - takenPercent < LEAST_RAW_PERCENT) return undefined;
  return tenths(exchanged(resolved, { raw, calcined, takenPercent, addedPercent: perGram * takenPercent, newId }));
}

function exchanged(
  resolved: readonly ResolvedLine[],
  change: { raw: ResolvedLine; calcined: Powder; takenPercent: number; addedPercent: number; newId: string },
): RecipeLine[] {
  const { raw, calcined, takenPercent, addedPercent, newId } = change;
  const there = resolved.find(({ line, powder }) => line.part === 'base' && powder.id === calcined.id);
  const changed = resolved.flatMap(({ line }): RecipeLine[] => {
    if (line.id === there?.line.id) return [{ ...line, percent: line.percent + addedPercent }];
    if (line.id !== raw.line.id) return [line];
    const less = { ...line, percent: line.percent - takenPercent };
    return there ? [less] : [less, { id: newId, powderId: calcined.id, part: 'base', percent: addedPercent }];
  });
  // The base counts to 100 again, and what is added over it keeps its weight.
  const base = changed.filter(({ part }) => part === 'base').reduce((sum, { percent }) => sum + percent, 0);
  return changed.map((line) => ({ ...line, percent: (100 * line.percent) / base }));
}

/** To what is written in a recipe; the largest line of the base takes the rest. */
function tenths(lines: readonly RecipeLine[]): RecipeLine[] {
  const rounded = lines.map((line) => ({ ...line, percent: Math.round(10 * line.percent) / 10 }));
  const base = rounded.filter(({ part }) => part === 'base');
  const largest = base.reduce((best, line) => (line.percent > best.percent ? line : best), base[0]!);
  const rest = 100 - base.reduce((sum, { percent }) => sum + percent, 0);
  return rounded.map((line) => (line.id === largest.id ? { ...line, percent: Math.round(10 * (line.percent + rest)) / 10 } : line));
}

function isSameFired(a: Powder, b: Powder): boolean {
  const [one, other] = [firedPercent(a), firedPercent(b)];
  return [...new Set([...Object.keys(one), ...Object.keys(other)])].every(
    (oxide) => Math.abs((one[oxide] ?? 0) - (other[oxide] ?? 0)) <= SAME_FIRED_POINTS,
  );
}

function firedPercent({ oxides }: Powder): Record<string, number> {
  const sum = Object.values(oxides).reduce((all, percent) => all + percent, 0);
  return sum > 0 ? Object.fromEntries(Object.entries(oxides).map(([oxide, percent]) => [oxide, (100 * percent) / sum])) : {};
}
