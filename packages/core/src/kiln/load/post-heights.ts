/** A shelf stands on so many columns, each of the same posts. */
export const COLUMNS = 3;
/** More posts on one another wobble. */
const MOST_STACKED = 2;

/**
 * Returns how many columns of each height can be made at once, by height, mm.
 *
 * @param postsMm - heights of all posts there are
 * @example
 * postSets([100, 100, 100, 150]).get(100) // 1
 */
export function postSets(postsMm: readonly number[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const post of postsMm) counts.set(post, (counts.get(post) ?? 0) + 1);
  return new Map([...counts].flatMap(([height, count]) => (count >= COLUMNS ? [[height, Math.floor(count / COLUMNS)] as const] : [])));
}

/**
 * Returns the lowest columns that leave so much room, as heights of their posts, mm; undefined where no posts that are left do.
 *
 * @param sets - from `postSets`, without those that stand already
 * @param roomMm - wanted under the next shelf
 * @example
 * lowestColumn(new Map([[100, 1], [150, 2]]), 120) // [150]
 */
export function lowestColumn(sets: ReadonlyMap<number, number>, roomMm: number): number[] | undefined {
  const heights = [...sets].filter(([, count]) => count > 0).map(([height]) => height);
  const columns: number[][] = heights.map((height) => [height]);
  for (let stacked = 2; stacked <= MOST_STACKED; stacked++)
    for (const [at, one] of heights.entries())
      for (const other of heights.slice(at)) if (one !== other || sets.get(one)! >= stacked) columns.push([one, other]);
  const enough = columns.filter((column) => heightOf(column) >= roomMm);
  return enough.sort((a, b) => heightOf(a) - heightOf(b) || a.length - b.length)[0];
}

/**
 * Returns the sets that are left once a column stands.
 *
 * @param sets - from `postSets`
 * @param column - from `lowestColumn`
 * @example
 * withoutColumn(new Map([[100, 2]]), [100]).get(100) // 1
 */
export function withoutColumn(sets: ReadonlyMap<number, number>, column: readonly number[]): Map<number, number> {
  const left = new Map(sets);
  for (const height of column) left.set(height, (left.get(height) ?? 0) - 1);
  return left;
}

/**
 * Returns the height of a column, mm.
 *
 * @param column - heights of its posts
 * @example
 * heightOf([100, 150]) // 250
 */
export const heightOf = (column: readonly number[]): number => column.reduce((sum, height) => sum + height, 0);
