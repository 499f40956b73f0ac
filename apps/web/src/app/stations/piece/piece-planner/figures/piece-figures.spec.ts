import { signal } from '@angular/core';
import { shapeOf, type ApplicationMethod, type PiecePlan } from '@cazuela/core';
import { PieceFigures } from './piece-figures';

const rowOf = (method: ApplicationMethod) => {
  const plan: PiecePlan = {
    shapeId: 'cup',
    zones: { inside: [], outside: [{ id: 'a', bucketId: 'colour', method, coatMm: 0.2 }], rim: [], foot: [] },
    waxFootMm: 10,
    rimBandMm: 0,
    order: [],
    putAside: [],
  };
  return new PieceFigures(signal(plan), signal(shapeOf(plan)), signal([])).sums().rows[0]!;
};

describe('the figures of a place', () => {
  it('a dip lifts the level of the bucket, a brush does not', () => {
    expect(rowOf('dip').displacedMl).toBeGreaterThan(0);
    expect(rowOf('brush').displacedMl).toBe(0);
  });

  it('of a decorating colour, which is no bucket, no amount is told', () => {
    expect(rowOf('brush').isWeighed).toBe(false);
  });
});
