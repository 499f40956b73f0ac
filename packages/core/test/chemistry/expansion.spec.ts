import fc from 'fast-check';
import { expansionFactors, glassExpansion, glazeFit, MOLAR_MASS, type Oxide, type Unity } from '../../src/index';

const molesOf = (percent: Partial<Record<Oxide, number>>): Unity =>
  Object.fromEntries(Object.entries(percent).map(([oxide, grams]) => [oxide, grams / MOLAR_MASS[oxide as Oxide]]));
const expansion = (percent: Partial<Record<Oxide, number>>): number => glassExpansion({ moles: molesOf(percent) })!.expansion;

describe('how much a glaze expands', () => {
  it('of glasses that everybody has measured, it is what they measured: window glass, kitchen borosilicate', () => {
    expect(expansion({ SiO2: 72.5, Na2O: 13.7, CaO: 9.3, MgO: 3.3, Al2O3: 1.2 })).toBeCloseTo(8.8, 0);
    expect(expansion({ SiO2: 81, B2O3: 13, Na2O: 4, Al2O3: 2 })).toBeCloseTo(3.3, 1);
  });

  it('soda and potash raise it most, lime less, magnesia and zinc little; silica and boron lower it', () => {
    const usual: Unity = { SiO2: 3, Al2O3: 0.35, B2O3: 0.15, Na2O: 0.2, K2O: 0.1, CaO: 0.6, MgO: 0.1 };
    const more = (oxide: Oxide): number =>
      glassExpansion({ moles: { ...usual, [oxide]: (usual[oxide] ?? 0) + 0.1 } })!.expansion - glassExpansion({ moles: usual })!.expansion;
    expect(more('K2O')).toBeGreaterThan(more('Na2O'));
    expect(more('Na2O')).toBeGreaterThan(2 * more('CaO'));
    expect(more('CaO')).toBeGreaterThan(more('MgO'));
    for (const oxide of ['SiO2', 'Al2O3', 'B2O3', 'ZrO2'] as const) expect(more(oxide)).toBeLessThan(0);
  });

  it('no silica, or nothing that melts it, is no glass', () => {
    expect(glassExpansion({ moles: { CaO: 1, Al2O3: 0.2 } })).toBeUndefined();
    expect(glassExpansion({ moles: { SiO2: 3, Al2O3: 0.3 } })).toBeUndefined();
    expect(glassExpansion({ moles: {} })).toBeUndefined();
  });

  it('says where the figure says little: hardly any silica, nearly nothing else, or a glaze full of white', () => {
    expect(glassExpansion({ moles: { SiO2: 0.5, CaO: 1 } })).toMatchObject({ isOutside: true });
    expect(glassExpansion({ moles: { SiO2: 20, CaO: 1 } })).toMatchObject({ isOutside: true });
    expect(glassExpansion({ moles: { SiO2: 3, CaO: 1, ZrO2: 0.3 } })).toMatchObject({ isOutside: true });
    expect(glassExpansion({ moles: { SiO2: 3, CaO: 1, ZrO2: 0.1 } })).toMatchObject({ isOutside: false });
  });

  it('chrome has no factor and changes nothing', () => {
    const plain = glassExpansion({ moles: { SiO2: 3, CaO: 1 } })!;
    expect(glassExpansion({ moles: { SiO2: 3, CaO: 1, Cr2O3: 0.1 } })!.expansion).toBeCloseTo(plain.expansion, 9);
  });

  it('boron draws the glass together only as far as the melters let it', () => {
    const factor = (moles: Unity): number => expansionFactors({ moles })!.of.B2O3!;
    expect(factor({ SiO2: 3, Na2O: 1, B2O3: 0.1 })).toBe(-50);
    expect(factor({ SiO2: 3, Na2O: 0.1, Al2O3: 0.1, B2O3: 1 })).toBeCloseTo(0, 9);
  });

  it('is the same for a gram and for a ton, and between the least and the most of its oxides', () => {
    const amount = fc.double({ min: 0, max: 1, noNaN: true });
    const glaze = fc.record({ SiO2: fc.double({ min: 1.5, max: 5, noNaN: true }), Al2O3: amount, B2O3: amount, Na2O: amount, CaO: fc.constant(0.5) });
    fc.assert(
      fc.property(glaze, fc.double({ min: 0.001, max: 1000, noNaN: true }), (moles, times) => {
        const one = glassExpansion({ moles })!.expansion;
        const many = glassExpansion({ moles: Object.fromEntries(Object.entries(moles).map(([oxide, n]) => [oxide, n * times])) })!.expansion;
        expect(many).toBeCloseTo(one, 6);
        expect(one).toBeGreaterThan(-5);
        expect(one).toBeLessThan(39.5);
      }),
    );
  });

  it('refuses less than nothing of an oxide', () => {
    expect(() => glassExpansion({ moles: { SiO2: -1, CaO: 1 } })).toThrow();
  });
});

describe('how a glaze fits its clay', () => {
  it('shrinks more than the clay: it may craze; a little less: it holds; much less: it may shiver', () => {
    const kind = (glazeExpansion: number): string => glazeFit({ bodyExpansion: 6, glazeExpansion }).kind;
    expect([7, 6.1, 5.9, 5.6, 5.4, 4].map(kind)).toEqual(['mayCraze', 'mayCraze', 'fits', 'fits', 'mayShiver', 'mayShiver']);
  });
  it('refuses a clay that does not expand', () => {
    expect(() => glazeFit({ bodyExpansion: 0, glazeExpansion: 6 })).toThrow();
  });
});
