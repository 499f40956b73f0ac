import fc from 'fast-check';
import {
  baseDryGrams,
  baseToDilute,
  blendVolumes,
  dryGrams,
  ladder,
  sgOfMix,
  stainForPercent,
  stainToRaise,
  waterToRestoreSg,
} from '../../src/index';

const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('stain', () => {
  it('6 % thickens 1.45 to about 1.48, and the water brings it back', () => {
    const dry = dryGrams({ volumeMl: 10_000, sg: 1.45, density: 2.6 });
    const water = 10_000 * 1.45 - dry;
    const restored = waterToRestoreSg({
      dryGrams: dry,
      density: 2.6,
      waterGrams: water,
      stainGrams: stainForPercent({ baseDryGrams: dry, percent: 6 }),
      stainDensity: 4.5,
      targetSg: 1.45,
    });
    expect(restored.sgAfterStain).toBeCloseTo(1.48, 2);
    const stained = dry * 1.06;
    const density = stained / (dry / 2.6 + (dry * 0.06) / 4.5);
    expect(sgOfMix({ dryGrams: stained, waterGrams: water + restored.addWaterGrams, density })).toBeCloseTo(1.45, 9);
  });

  it('counts on the base, not on what was added to it', () => {
    expect(baseDryGrams({ dryGrams: 1100, additionPercent: 10 })).toBeCloseTo(1000, 9);
  });

  it('raising and diluting undo each other', () => {
    fc.assert(
      fc.property(positive(100, 9000), positive(0.5, 8), positive(0.5, 8), (base, a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        const stain = (base * low) / 100 + stainToRaise({ baseDryGrams: base, percent: low, targetPercent: high });
        expect(stain).toBeCloseTo((base * high) / 100, 6);
        const rescued = base + baseToDilute({ baseDryGrams: base, stainGrams: stain, targetPercent: low });
        expect((100 * stain) / rescued).toBeCloseTo(low, 6);
      }),
    );
  });

  it('cannot be taken out: the sentence says to add base', () => {
    expect(() => stainToRaise({ baseDryGrams: 1000, percent: 6, targetPercent: 4 })).toThrow('Add base to come down to 4 %');
  });

  it('cannot be rescued upwards', () => {
    expect(() => baseToDilute({ baseDryGrams: 1000, stainGrams: 20, targetPercent: 5 })).toThrow('add stain, not base');
  });
});

describe('a ladder in one cup', () => {
  it('every tile has its percentage', () => {
    const steps = [1, 2, 4, 8];
    const { addGrams, baseLeftGrams, stainLeftGrams } = ladder({ baseDryGrams: 200, percents: steps, drawDryGrams: 12 });
    let base = 200;
    let stain = 0;
    addGrams.forEach((add, i) => {
      stain += add;
      expect((100 * stain) / base).toBeCloseTo(steps[i]!, 9);
      const left = 1 - 12 / (base + stain);
      base *= left;
      stain *= left;
    });
    expect(baseLeftGrams).toBeCloseTo(base, 9);
    expect(stainLeftGrams).toBeCloseTo(stain, 9);
  });

  it('steps must rise', () => {
    expect(() => ladder({ baseDryGrams: 200, percents: [4, 2], drawDryGrams: 10 })).toThrow('must rise');
  });

  it('tiles cannot draw more than the cup holds', () => {
    expect(() => ladder({ baseDryGrams: 20, percents: [1, 2, 3], drawDryGrams: 15 })).toThrow('start with more base');
  });
});

describe('two buckets blended', () => {
  it('give the percentage between them', () => {
    const blend = blendVolumes({ percentA: 0, percentB: 8, targetPercent: 2, totalMl: 1000, sgA: 1.45, sgB: 1.48, densityA: 2.6, densityB: 2.7 });
    const dryA = dryGrams({ volumeMl: blend.aMl, sg: 1.45, density: 2.6 });
    const dryB = dryGrams({ volumeMl: blend.bMl, sg: 1.48, density: 2.7 });
    const stain = (dryB * 0.08) / 1.08;
    expect((100 * stain) / (dryA + dryB / 1.08)).toBeCloseTo(2, 9);
    expect(blend.aMl + blend.bMl).toBeCloseTo(1000, 9);
  });

  it('cannot give more than the stronger one', () => {
    expect(() =>
      blendVolumes({ percentA: 1, percentB: 4, targetPercent: 6, totalMl: 1000, sgA: 1.45, sgB: 1.45, densityA: 2.6, densityB: 2.6 }),
    ).toThrow('from 1 to 4');
  });
});
