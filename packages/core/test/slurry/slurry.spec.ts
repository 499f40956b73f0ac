import fc from 'fast-check';
import {
  attempt,
  densityFromMix,
  densityOfPowders,
  dryGrams,
  measuredSg,
  measuredSgSd,
  planCorrection,
  powderToThicken,
  sgOfMix,
  slurryToBlend,
  solidsByMass,
  solidsByVolume,
  waterGrams,
  waterLost,
  waterPerDryGram,
  waterToPourOff,
  waterToThin,
} from '../../src/index';

const density = fc.double({ min: 2.2, max: 3.6, noNaN: true });
const sg = fc.double({ min: 1.1, max: 1.8, noNaN: true });
const volume = fc.double({ min: 50, max: 60_000, noNaN: true });

describe('what is in a bucket', () => {
  it('dry powder and water together weigh what the bucket weighs', () => {
    fc.assert(
      fc.property(volume, sg, density, (volumeMl, d, rho) => {
        expect(dryGrams({ volumeMl, sg: d, density: rho }) + waterGrams({ volumeMl, sg: d, density: rho })).toBeCloseTo(volumeMl * d, 6);
      }),
    );
  });

  it('mixing its powder and water again gives the SG it came from', () => {
    fc.assert(
      fc.property(volume, sg, density, (volumeMl, d, rho) => {
        const parts = { dryGrams: dryGrams({ volumeMl, sg: d, density: rho }), waterGrams: waterGrams({ volumeMl, sg: d, density: rho }) };
        expect(sgOfMix({ ...parts, density: rho })).toBeCloseTo(d, 9);
      }),
    );
  });

  it('the water for each gram makes exactly the SG', () => {
    fc.assert(
      fc.property(sg, density, (d, rho) =>
        expect(sgOfMix({ dryGrams: 1, waterGrams: waterPerDryGram({ sg: d, density: rho }), density: rho })).toBeCloseTo(d, 9),
      ),
    );
  });

  it('solids by mass and by volume describe the same slurry', () => {
    fc.assert(
      fc.property(sg, density, (d, rho) =>
        expect(solidsByMass({ sg: d, density: rho })).toBeCloseTo((solidsByVolume({ sg: d, density: rho }) * rho) / d, 9),
      ),
    );
  });

  it('the density of the powder is learnt back from a weighed mix', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 9000, noNaN: true }), fc.double({ min: 100, max: 9000, noNaN: true }), density, (dry, water, rho) => {
        const mixed = sgOfMix({ dryGrams: dry, waterGrams: water, density: rho });
        expect(densityFromMix({ dryGrams: dry, waterGrams: water, sg: mixed })).toBeCloseTo(rho, 6);
      }),
    );
  });

  it('an error of 0.25 in the density moves the powder by about 6 %', () => {
    const at = (rho: number): number => dryGrams({ volumeMl: 1000, sg: 1.45, density: rho });
    expect(at(2.5) / at(2.75)).toBeGreaterThan(1.04);
    expect(at(2.5) / at(2.75)).toBeLessThan(1.08);
  });

  it('a heavy powder pulls the mix up by its volume, not by its weight', () => {
    expect(
      densityOfPowders({
        parts: [
          { grams: 90, density: 2.6 },
          { grams: 10, density: 4.6 },
        ],
      }),
    ).toBeCloseTo(100 / (90 / 2.6 + 10 / 4.6), 12);
  });
});

describe('into range', () => {
  it('10 L at 1.52 wants 1,556 mL of water for 1.45', () => {
    expect(waterToThin({ volumeMl: 10_000, sg: 1.52, targetSg: 1.45 })).toBeCloseTo(1555.6, 1);
  });

  it('after the water the bucket reads the wanted SG', () => {
    fc.assert(
      fc.property(volume, sg, sg, (volumeMl, a, b) => {
        const [thick, thin] = [Math.max(a, b), Math.min(a, b)];
        const water = waterToThin({ volumeMl, sg: thick, targetSg: thin });
        expect((volumeMl * thick + water) / (volumeMl + water)).toBeCloseTo(thin, 9);
      }),
    );
  });

  it('pouring off, powder and a thicker bucket all end at the wanted SG', () => {
    const bucket = { volumeMl: 8000, sg: 1.4, targetSg: 1.46 };
    const off = waterToPourOff(bucket);
    expect((8000 * 1.4 - off) / (8000 - off)).toBeCloseTo(1.46, 9);
    const powder = powderToThicken({ ...bucket, density: 2.6 });
    expect((8000 * 1.4 + powder) / (8000 + powder / 2.6)).toBeCloseTo(1.46, 9);
    const thick = slurryToBlend({ ...bucket, otherSg: 1.6 });
    expect((8000 * 1.4 + thick * 1.6) / (8000 + thick)).toBeCloseTo(1.46, 9);
  });

  it('water lost is what would have to be put back', () => {
    const lost = waterLost({ volumeMl: 10_000, sg: 1.45, laterSg: 1.48 });
    expect(waterToThin({ volumeMl: 10_000 - lost, sg: 1.48, targetSg: 1.45 })).toBeCloseTo(lost, 6);
  });

  it.each([
    ['water cannot thicken', () => waterToThin({ volumeMl: 1000, sg: 1.4, targetSg: 1.5 }), 'Water only thins'],
    ['pouring off cannot thin', () => waterToPourOff({ volumeMl: 1000, sg: 1.5, targetSg: 1.4 }), 'already thicker'],
    ['plain water is no glaze', () => waterToThin({ volumeMl: 1000, sg: 1, targetSg: 1 }), 'above 1.00'],
    ['145 was 100 mL weighed', () => waterToThin({ volumeMl: 1000, sg: 145, targetSg: 1.4 }), 'type 1.45'],
    ['a thinner bucket does not help', () => slurryToBlend({ volumeMl: 1000, sg: 1.4, targetSg: 1.45, otherSg: 1.42 }), 'must be thicker'],
    ['no bucket holds nothing', () => waterToThin({ volumeMl: 0, sg: 1.5, targetSg: 1.4 }), 'more than 0'],
  ])('%s, and says what to do', (_name, compute, words) => {
    const answer = attempt(compute);
    expect(answer.kind).toBe('refused');
    if (answer.kind === 'refused') expect(answer.error.message).toContain(words);
  });
});

describe('correcting in stages', () => {
  const bucket = { volumeMl: 10_000, targetSg: 1.455, tolerance: 0.015 };

  it('leaves a bucket alone that is in its range', () => {
    expect(planCorrection({ ...bucket, sg: 1.465, sgSd: 0.002 }).kind).toBe('inRange');
  });

  it('never corrects less than twice the error of the measurement', () => {
    expect(planCorrection({ ...bucket, sg: 1.48, sgSd: 0.02 })).toMatchObject({ kind: 'measureBetter' });
  });

  it('gives four fifths of the water first, the rest after measuring', () => {
    const plan = planCorrection({ ...bucket, sg: 1.53, sgSd: 0.005 });
    if (plan.kind !== 'thin') throw new Error(plan.kind);
    expect(plan.firstMl).toBeCloseTo(0.8 * plan.waterMl, 9);
    expect(plan.firstMl + plan.restMl).toBeCloseTo(plan.waterMl, 9);
    expect(plan.newVolumeMl).toBeCloseTo(10_000 + plan.waterMl, 9);
  });

  it('pours clear water off a bucket that is too thin', () => {
    expect(planCorrection({ ...bucket, sg: 1.4, sgSd: 0.005 }).kind).toBe('thicken');
  });
});

describe('measuring with a vessel', () => {
  it('145.2 g in 100 mL is SG 1.452', () => {
    expect(measuredSg({ grossGrams: 207.6, tareGrams: 62.4, volumeMl: 100 })).toBeCloseTo(1.452, 9);
  });

  it('ten millilitres read to half a millilitre say nothing', () => {
    const small = measuredSgSd({ grossGrams: 24.5, tareGrams: 10, volumeMl: 10, massSd: 0.05, volumeSd: 0.5 });
    const large = measuredSgSd({ grossGrams: 207.6, tareGrams: 62.4, volumeMl: 100, massSd: 0.05, volumeSd: 0.5 });
    expect(small).toBeGreaterThan(0.07);
    expect(large).toBeLessThan(0.008);
  });

  it('a vessel that weighs more empty than full is refused in words', () => {
    expect(() => measuredSg({ grossGrams: 60, tareGrams: 62, volumeMl: 100 })).toThrow('must be more than the empty vessel');
  });

  it('lighter than water is a wrong reading, not a thin glaze', () => {
    expect(() => measuredSg({ grossGrams: 150, tareGrams: 62, volumeMl: 100 })).toThrow('above 1.00');
  });
});
