import type { GlazeFacts } from '../src/index';

/** A sound, middling, made-up glaze; each test says what is particular about its own. */
export const glazeOf = (bucketId: string, change: Partial<GlazeFacts> = {}): GlazeFacts => ({
  bucketId,
  name: bucketId,
  lightness: 0.5,
  sg: 1.45,
  density: 2.6,
  packing: 0.5,
  filmMm: 0.15,
  slurryState: 'normal',
  shrinkShare: 15,
  loiPercent: 8,
  flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' },
  surface: 'gloss',
  foodTested: true,
  firedPercent: {},
  unity: { SiO2: 3, Al2O3: 0.35 },
  ...change,
});
