/**
 * Returns how long after the start of a step a group's next step may start, minutes: when the first piece is dry, and so late that the last one is
 * dry as its turn comes. Pieces are worked in the same order at every step.
 *
 * @param step - `count` of pieces; `eachMinutes` and `waitMinutes` of this step; `nextEachMinutes` of the next one
 * @example
 * groupLagMinutes({ count: 12, eachMinutes: 1, waitMinutes: 8, nextEachMinutes: 0.5 }) // 14.5
 */
export const groupLagMinutes = ({
  count,
  eachMinutes,
  waitMinutes,
  nextEachMinutes,
}: {
  count: number;
  eachMinutes: number;
  waitMinutes: number;
  nextEachMinutes: number;
}): number => Math.max(eachMinutes + waitMinutes, count * eachMinutes + waitMinutes - (count - 1) * nextEachMinutes);
