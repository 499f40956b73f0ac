/** How a bucket's SG stands to the range its glaze wants. */
export type RangeVerdict = 'inRange' | 'tooThick' | 'tooThin' | 'unsure' | 'unmeasured';

/** In range at a glance. Outside by less than two sd is "unsure": measure with more glaze before correcting. */
export function rangeVerdict(reading: { sg: number; sgSd?: number | undefined; lowSg: number; highSg: number }): RangeVerdict {
  if (reading.sgSd === undefined) return 'unmeasured';
  if (reading.sg >= reading.lowSg && reading.sg <= reading.highSg) return 'inRange';
  const middle = (reading.lowSg + reading.highSg) / 2;
  if (Math.abs(reading.sg - middle) <= 2 * reading.sgSd) return 'unsure';
  return reading.sg > middle ? 'tooThick' : 'tooThin';
}
