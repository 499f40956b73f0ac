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

/** A mark holds no more or less than this beside what is printed on it; further off, something else was weighed. */
const FAR_SHARE = 0.1;

export type VesselCheck =
  /** To its mark it holds this much. */
  | { kind: 'ok'; trueMl: number }
  /** Too far from what is kept to be the same mark. */
  | { kind: 'far'; trueMl: number };

/**
 * Returns what a vessel holds to its mark, by its weight full of water: a gram of water is a millilitre. Undefined where that is no more than it
 * weighs empty.
 *
 * @param check - `fullGrams` and `tareGrams`; `volumeMl`, as it is kept, above 0
 * @example
 * checkVessel({ fullGrams: 161.1, tareGrams: 62.4, volumeMl: 100 }) // { kind: 'ok', trueMl: 98.7 }
 */
export function checkVessel({ fullGrams, tareGrams, volumeMl }: { fullGrams: number; tareGrams: number; volumeMl: number }): VesselCheck | undefined {
  const trueMl = Number((fullGrams - tareGrams).toFixed(2));
  if (!(trueMl > 0)) return undefined;
  return { kind: Math.abs(trueMl / volumeMl - 1) > FAR_SHARE ? 'far' : 'ok', trueMl };
}

/** SGs of glazes from thin to stiff: what a weight without its vessel is recognised by. */
const GLAZE_SG = { least: 1.05, most: 2 } as const;

/**
 * Returns the SG where a weight makes sense only without its vessel: it was typed net, or the vessel was tared away. Undefined where it does not.
 *
 * @param reading - `grossGrams` as typed; `tareGrams` of the vessel; `volumeMl`, above 0
 * @example
 * sgIfTypedNet({ grossGrams: 145, tareGrams: 62.4, volumeMl: 100 }) // 1.45
 */
export function sgIfTypedNet({ grossGrams, tareGrams, volumeMl }: { grossGrams: number; tareGrams: number; volumeMl: number }): number | undefined {
  const [net, gross] = [grossGrams / volumeMl, (grossGrams - tareGrams) / volumeMl];
  return gross < GLAZE_SG.least && net >= GLAZE_SG.least && net <= GLAZE_SG.most ? net : undefined;
}
