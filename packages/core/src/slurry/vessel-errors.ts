/** Standard deviation of an SG read from a hydrometer, which glaze clings to. */
export const HYDROMETER_SG_SD = 0.01;
/** A reading with a larger sd says nothing useful about a range of a few hundredths. */
export const POOR_SG_SD = 0.012;
/** An unmarked vessel is read to this share of its volume. */
const UNMARKED_SHARE = 0.01;

/**
 * Returns the reading errors of a weighed vessel, as standard deviations: half a division, g, and half a mark, mL. An unmarked vessel is read
 * to 1 % of its volume.
 *
 * @param vessel - `divisionGrams` of the scale; `volumeMl`; `markMl`, the distance between its marks
 * @example
 * vesselErrors({ divisionGrams: 0.1, volumeMl: 100, markMl: 1 }) // { massSd: 0.05, volumeSd: 0.5 }
 */
export const vesselErrors = ({
  divisionGrams,
  volumeMl,
  markMl,
}: {
  divisionGrams: number;
  volumeMl: number;
  markMl?: number | undefined;
}): {
  massSd: number;
  volumeSd: number;
} => ({ massSd: divisionGrams / 2, volumeSd: markMl === undefined ? UNMARKED_SHARE * volumeMl : markMl / 2 });
