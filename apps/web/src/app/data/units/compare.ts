const COLLATOR = new Intl.Collator();
const NUMERIC = new Intl.Collator(undefined, { numeric: true });

/** Sorts names as the device's language does. One collator for all: making one for each pair is what takes long. */
export const compareNames = (a: string, b: string): number => COLLATOR.compare(a, b);

/** Sorts codes: B2 before B10. */
export const compareCodes = (a: string, b: string): number => NUMERIC.compare(a, b);

/** Sorts times and ids, which are plain text. */
export const compareText = (a: string, b: string): number => (a < b ? -1 : Number(a > b));
