/** Below this lightness (0–1) an iron wash is not visible on the clay. */
const DARK_CLAY = 0.55;

/** What to write its code with: it must be readable after the fire, on this clay. */
export function markerWords(lightness: number): string {
  const pen =
    lightness < DARK_CLAY
      ? 'On this dark clay an iron wash is lost: write its code on the foot with a black stain wash, and scratch it in besides.'
      : 'Write its code on the foot with an iron wash; it stays readable on this light clay.';
  return `${pen} Washes are oxides in water: gloves, nothing to the mouth, wipe wet. Read it after the fire beside a pot, in daylight.`;
}
