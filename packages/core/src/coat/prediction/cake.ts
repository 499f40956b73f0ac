/**
 * Cake filtration into a porous wall. Symbols as in the literature: φ solids by volume, c packing of the dry coat,
 * k = φ/(c − φ) cake mm per mm of water drunk, J suction mm²/s.
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

/** Cake built in a time if the wall never fills, mm. Dryness between 0 and 1 interpolates damp and dry. */
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
