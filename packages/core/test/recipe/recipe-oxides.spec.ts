import fc from 'fast-check';
import { MOLAR_MASS, recipeOxides, recipeOutlook, type Powder } from '../../src';

const powder = (id: string, name: string, oxides: Powder['oxides']): Powder => ({
  id,
  name,
  role: 'flux',
  densityGMl: 2.6,
  rawClay: 0,
  shrinkWeight: 0,
  oxides,
  loiPercent: 0,
  hazards: [],
});
const POWDERS = [
  powder('whiting', 'Whiting', { CaO: 56 }),
  powder('silica', 'Silica', { SiO2: 99, Al2O3: 0.5 }),
  powder('kaolin', 'Kaolin', { SiO2: 46, Al2O3: 38 }),
  powder('stain', 'A stain', {}),
];
const lines = (percents: Record<string, number>, added: Record<string, number> = {}) => [
  ...Object.entries(percents).map(([powderId, percent]) => ({ id: powderId, powderId, part: 'base' as const, percent })),
  ...Object.entries(added).map(([powderId, percent]) => ({ id: powderId, powderId, part: 'addition' as const, percent })),
];

describe('the oxides of a recipe', () => {
  const found = recipeOxides({ lines: lines({ whiting: 20, silica: 50, kaolin: 30 }), powders: POWDERS });
  const of = (oxide: string) => found.oxides.find((one) => one.oxide === oxide)!;

  it('are weighed out of its powders', () => {
    expect(of('CaO').grams).toBeCloseTo(11.2, 9);
    expect(of('SiO2').grams).toBeCloseTo(49.5 + 13.8, 9);
    expect(of('Al2O3').grams).toBeCloseTo(0.25 + 11.4, 9);
  });

  it('are told in moles to one of flux, and the same as the outlook tells', () => {
    expect(of('CaO').unityMoles).toBe(1);
    const { unity } = recipeOutlook({ lines: lines({ whiting: 20, silica: 50, kaolin: 30 }), powders: POWDERS });
    expect(of('SiO2').unityMoles).toBeCloseTo(unity.SiO2!, 12);
    expect(found.silicaOverAlumina).toBeCloseTo(63.3 / MOLAR_MASS.SiO2 / (11.65 / MOLAR_MASS.Al2O3), 9);
  });

  it('name the powders that bring them, most first', () => {
    expect(of('Al2O3').from.map((one) => one.powder)).toEqual(['Kaolin', 'Silica']);
    expect(of('CaO').from).toEqual([{ powder: 'Whiting', grams: expect.closeTo(11.2, 9) }]);
  });

  it('each do something in the melt', () => {
    expect(Object.fromEntries(found.oxides.map(({ oxide, role }) => [oxide, role]))).toEqual({ CaO: 'melter', Al2O3: 'stiffener', SiO2: 'glass' });
  });

  it('are not all known when a powder has no analysis: it is named', () => {
    expect(recipeOxides({ lines: lines({ whiting: 50, silica: 50 }, { stain: 6 }), powders: POWDERS }).unknown).toEqual(['A stain']);
    expect(recipeOxides({ lines: lines({ whiting: 50, silica: 50 }, { stain: 0 }), powders: POWDERS }).unknown).toEqual([]);
  });

  it('without a flux have no unity formula', () => {
    const { oxides, silicaOverAlumina } = recipeOxides({ lines: lines({ silica: 100 }), powders: POWDERS });
    expect(oxides.every((one) => one.unityMoles === undefined)).toBe(true);
    expect(silicaOverAlumina).toBeUndefined();
  });

  it('add up, whatever the recipe: the fired percents to 100, the powders to their oxide', () => {
    const percent = fc.double({ min: 0.1, max: 100, noNaN: true });
    fc.assert(
      fc.property(percent, percent, percent, (whiting, silica, kaolin) => {
        const { oxides } = recipeOxides({ lines: lines({ whiting, silica, kaolin }), powders: POWDERS });
        expect(oxides.reduce((sum, one) => sum + one.firedPercent, 0)).toBeCloseTo(100, 1);
        for (const one of oxides) expect(Math.abs(one.from.reduce((sum, { grams }) => sum + grams, 0) - one.grams)).toBeLessThan(0.02);
      }),
    );
  });
});
