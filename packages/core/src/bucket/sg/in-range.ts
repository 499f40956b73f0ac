/** How a bucket's SG stands to the range its glaze wants. */
export type RangeVerdict = 'inRange' | 'tooThick' | 'tooThin' | 'unsure' | 'unmeasured';

/**
 * Returns whether a bucket is in its range. Outside by less than two sd it is unsure: measure with more glaze before correcting.
 *
 * @param reading - `sg` with its `sgSd`; the range `lowSg`–`highSg`
 * @example
 * rangeVerdict({ sg: 1.475, sgSd: 0.02, lowSg: 1.43, highSg: 1.47 }) // 'unsure'
 */
export function rangeVerdict(reading: { sg: number; sgSd?: number | undefined; lowSg: number; highSg: number }): RangeVerdict {
  if (reading.sgSd === undefined) return 'unmeasured';
  if (reading.sg >= reading.lowSg && reading.sg <= reading.highSg) return 'inRange';
  const middle = (reading.lowSg + reading.highSg) / 2;
  if (Math.abs(reading.sg - middle) <= 2 * reading.sgSd) return 'unsure';
  return reading.sg > middle ? 'tooThick' : 'tooThin';
}
