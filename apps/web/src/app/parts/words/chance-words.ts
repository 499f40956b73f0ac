/** A chance in the words of the bench: no draw tells "never" or "always". */
export const percentOf = (chance: number): string => (chance < 0.01 ? 'under 1 %' : chance > 0.99 ? 'over 99 %' : `${Math.round(100 * chance)} %`);
