import type { Layer, PiecePlan } from '../src/index';

/** Made-up coats and plans; each test says what is particular about its own. */
export const coat = (bucketId: string, coatMm = 0.5, change: Partial<Layer> = {}): Layer => ({
  id: `${bucketId} ${coatMm}`,
  bucketId,
  method: 'dip',
  coatMm,
  ...change,
});

export const planOf = (zones: Partial<PiecePlan['zones']>, change: Partial<PiecePlan> = {}): PiecePlan => ({
  shapeId: 'cup',
  zones: { inside: [], outside: [], rim: [], foot: [], ...zones },
  waxFootMm: 10,
  rimBandMm: 20,
  order: [],
  putAside: [],
  ...change,
});
