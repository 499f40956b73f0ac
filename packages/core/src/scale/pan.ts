import { toleranceGrams } from './pour';

/** The pan on the scale and the line that is weighed into it. It is kept on this device, so that a reload goes on in the middle of a pour. */
export interface Pan {
  /** Which line of which batch the zero belongs to. */
  lineKey: string;
  /** Weight of the empty pan, as taring found it. */
  panGrams: number;
  /** Where this line began: the pan, or the pan with the lines before in it. */
  zeroGrams: number;
  /** Lifted off or emptied: nothing is accepted until it is back. */
  lifted: boolean;
  /** Where the lines before began: a weight that is taken back goes on from its own zero. */
  trail: { lineKey: string; zeroGrams: number }[];
}

export const EMPTY_PAN: Pan = { lineKey: '', panGrams: 0, zeroGrams: 0, lifted: false, trail: [] };

/** What may stick in an emptied pan: three divisions, or this share of what was in it. */
const STICKS_SHARE = 0.005;
const STICKS_DIVISIONS = 3;

/**
 * Returns the pan after a reading that stands still. Back at the weight of the empty pan, it was emptied into the bucket, and the line begins
 * there. Lighter than that, it was lifted off.
 *
 * @param pan - before
 * @param settledGrams - the reading
 * @param divisionGrams - finest step of the scale
 * @example
 * panAfter(tarePan('a', 150), 0, 0.1).lifted // true
 */
export function panAfter(pan: Pan, settledGrams: number, divisionGrams: number): Pan {
  const sticks = Math.max(STICKS_DIVISIONS * divisionGrams, STICKS_SHARE * Math.abs(pan.zeroGrams - pan.panGrams));
  if (Math.abs(settledGrams - pan.panGrams) <= sticks) return { ...pan, zeroGrams: settledGrams, lifted: false };
  if (Math.abs(settledGrams - pan.zeroGrams) <= sticks) return { ...pan, lifted: false };
  if (settledGrams < pan.zeroGrams - sticks) return { ...pan, lifted: true };
  return pan;
}

/** How many lines can be gone back. */
const MOST_TRAIL = 20;

/**
 * Returns the pan for the next line, which begins where the accepted one ended; a line that was taken back begins where it began.
 *
 * @param pan - before
 * @param lineKey - the next line
 * @param grams - on the scale now
 * @example
 * panForLine(tarePan('a', 150), 'b', 450).zeroGrams // 450
 */
export function panForLine(pan: Pan, lineKey: string, grams: number): Pan {
  const before = pan.trail.find((one) => one.lineKey === lineKey);
  const trail = [
    ...pan.trail.filter((one) => one.lineKey !== pan.lineKey && one.lineKey !== lineKey),
    { lineKey: pan.lineKey, zeroGrams: pan.zeroGrams },
  ];
  return { ...pan, lineKey, zeroGrams: before?.zeroGrams ?? grams, lifted: false, trail: trail.slice(-MOST_TRAIL) };
}

/**
 * Returns the pan when what is on the scale now is the empty pan.
 *
 * @param lineKey - the line
 * @param grams - on the scale now
 * @example
 * tarePan('a', 150).panGrams // 150
 */
export const tarePan = (lineKey: string, grams: number): Pan => ({ lineKey, panGrams: grams, zeroGrams: grams, lifted: false, trail: [] });

/**
 * Returns whether a weight that stands still may be taken without a tap.
 *
 * @param question - `pan`; `settledGrams`; `targetGrams` of the line; `divisionGrams` of the scale
 * @example
 * acceptsItself({ pan: tarePan('a', 150), settledGrams: 250, targetGrams: 100, divisionGrams: 0.1 }) // true
 */
export function acceptsItself({
  pan,
  settledGrams,
  targetGrams,
  divisionGrams,
}: {
  pan: Pan;
  settledGrams: number;
  targetGrams: number;
  divisionGrams: number;
}): boolean {
  const netGrams = settledGrams - pan.zeroGrams;
  return !pan.lifted && netGrams > 0 && Math.abs(netGrams - targetGrams) <= toleranceGrams({ targetGrams, divisionGrams });
}
