import { coatCompared } from '../../src/index';

describe('a coat in other measures', () => {
  it('0.6 mm of density 2.6 is 24 thou, 0.078 g/cm², two business cards', () => {
    const { thou, gramsPerCm2, cards } = coatCompared({ coatMm: 0.6, density: 2.6, state: 'normal' });
    expect(thou).toBeCloseTo(23.62, 2);
    expect(gramsPerCm2).toBeCloseTo(0.078, 9);
    expect(cards).toBeCloseTo(2, 9);
  });

  it('a flocculated coat of the same thickness holds less glaze', () => {
    const of = (state: 'normal' | 'flocculated') => coatCompared({ coatMm: 0.6, density: 2.6, state }).gramsPerCm2;
    expect(of('flocculated')).toBeLessThan(of('normal'));
  });
});
