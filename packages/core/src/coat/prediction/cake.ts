/**
 * Returns the dry cake that one mm of drunk water leaves on the wall, mm: k = φ/(c − φ).
 *
 * Source: cake filtration into a porous wall (Ruth, 1935; slip casting, Adcock and McDowall, 1957).
 *
 * @param question - `solidsByVolume` φ, 0 or more and below `packing`; `packing` c, share of the dry coat that is powder, 0–1
 * @example
 * cakeFactor({ solidsByVolume: 0.28125, packing: 0.5 }) // 1.2857143
 */
export function cakeFactor({ solidsByVolume, packing }: { solidsByVolume: number; packing: number }): number {
  return solidsByVolume / (packing - solidsByVolume);
}

export interface CakeQuestion {
  seconds: number;
  factor: number;
  packing: number;
  suction: number;
  underMm: number;
  underDryness: number;
}

/**
 * Returns the cake that builds in a time if the wall never fills, mm. Dryness of the coat beneath between 0 and 1 lies between damp and dry.
 *
 * @param question - `seconds`, 0 or more; suction in mm²/s, `factor` k, and the coat beneath as in `Dip`
 * @example
 * unlimitedCakeMm({ seconds: 4, suction: 0.02, factor: 1, packing: 0.5, underMm: 0, underDryness: 1 }) // 0.4
 */
export function unlimitedCakeMm(question: CakeQuestion): number {
  const { underMm, underDryness, suction, seconds } = question;
  if (suction <= 0 || seconds <= 0) return 0;
  if (underMm <= 0) return overDamp(question);
  if (underDryness <= 0) return overDamp(question);
  if (underDryness >= 1) return overDry(question);
  return (1 - underDryness) * overDamp(question) + underDryness * overDry(question);
}

/** Over a still damp coat L₀: √(L₀² + 2Jkt) − L₀. On a bare wall L₀ is 0. */
function overDamp({ seconds, factor, suction, underMm }: CakeQuestion): number {
  return Math.sqrt(underMm ** 2 + 2 * suction * factor * seconds) - underMm;
}

/** Over a dry coat: the old coat drinks first, until t₁; after that the water goes through both. */
function overDry({ seconds, factor, packing, suction, underMm }: CakeQuestion): number {
  const poresMm = (1 - packing) * underMm;
  const stretch = factor + 1 / (1 - packing);
  const filledAfter = (poresMm ** 2 * stretch) / (2 * suction);
  if (seconds <= filledAfter) return factor * Math.sqrt((2 * suction * seconds) / stretch);
  return Math.sqrt((underMm + factor * poresMm) ** 2 + 2 * suction * factor * (seconds - filledAfter)) - underMm;
}
