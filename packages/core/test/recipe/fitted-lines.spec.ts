import fc from 'fast-check';
import {
  fittedLines,
  glassExpansion,
  MOLAR_MASS,
  normaliseRecipe,
  oxideGrams,
  powderShares,
  resolveLines,
  type FittedLines,
  type Oxide,
  type Powder,
  type RecipeLine,
} from '../../src/index';
import { KAOLIN, SILICA, WHITING } from '../powders';

const flux = (id: string, oxides: Powder['oxides'], hazards: string[] = []): Powder => ({ ...WHITING, id, name: id, oxides, loiPercent: 0, hazards });
const SODA_SPAR = flux('sodaSpar', { SiO2: 68, Al2O3: 19.5, Na2O: 10.5, K2O: 1.5 });
const TALC = flux('talc', { SiO2: 62, MgO: 31 });
const BORON_FRIT = flux('boronFrit', { SiO2: 54, Al2O3: 11, B2O3: 25, Na2O: 5, CaO: 5 });
const LITHIUM = flux('lithium', { Li2O: 40 }, ['toxic if swallowed; slightly soluble']);
const BASE = [SODA_SPAR, SILICA, KAOLIN, WHITING];
const line = (powder: Powder, percent: number): RecipeLine => ({ id: powder.id, powderId: powder.id, part: 'base', percent });
const GLAZE = [line(SODA_SPAR, 48), line(SILICA, 18), line(KAOLIN, 14), line(WHITING, 20)];

const partsOf = (lines: readonly RecipeLine[], powders: readonly Powder[]): { grams: number; powder: Powder }[] =>
  resolveLines({ lines: normaliseRecipe({ lines }), powders }).map(({ line: { percent }, powder }) => ({ grams: percent, powder }));
const expansionOf = (lines: readonly RecipeLine[], powders: readonly Powder[]): number => {
  const grams = oxideGrams({ parts: partsOf(lines, powders) });
  return glassExpansion({ moles: Object.fromEntries(Object.entries(grams).map(([oxide, g]) => [oxide, g / MOLAR_MASS[oxide as Oxide]])) })!.expansion;
};
const fitted = (fall: number, powders: readonly Powder[] = BASE, lines: readonly RecipeLine[] = GLAZE): FittedLines | undefined =>
  fittedLines({ lines, powders, fall, newId: (id) => `new ${id}` });

describe('a recipe that fits its clay', () => {
  it('crazes: less of its feldspar and more silica, so that it expands as much less as is wanted and runs as before', () => {
    const made = fitted(0.4)!;
    expect(expansionOf(GLAZE, BASE) - expansionOf(made.lines, BASE)).toBeCloseTo(0.4, 1);
    expect(made.fall).toBeCloseTo(0.4, 1);
    const percent = (powder: Powder): number => made.lines.find(({ powderId }) => powderId === powder.id)?.percent ?? 0;
    expect(percent(SODA_SPAR)).toBeLessThan(48);
    expect(percent(SILICA)).toBeGreaterThan(18);
    expect(made.flowRatio).toBeCloseTo(1, 1);
  });

  it('shivers: the other way', () => {
    const made = fitted(-0.4)!;
    expect(made.fall).toBeCloseTo(-0.4, 1);
    expect(made.lines.find(({ powderId }) => powderId === 'silica')?.percent ?? 0).toBeLessThan(18);
  });

  it('what its own powders cannot do, one more of the studio does', () => {
    // Nothing in it but soda melts.
    const lines = [line(SODA_SPAR, 74), line(SILICA, 14), line(KAOLIN, 12)];
    const own = [SODA_SPAR, SILICA, KAOLIN];
    const [alone, made] = [fitted(1, own, lines), fitted(1, [...own, TALC, BORON_FRIT], lines)!];
    expect(made.fall).toBeGreaterThan((alone?.fall ?? 0) + 0.2);
    expect(made.lines.filter(({ id }) => id.startsWith('new'))).toHaveLength(1);
  });

  it('goes as far as it can where the shelf does not reach the whole way', () => {
    const made = fitted(2.5)!;
    expect(made.fall).toBeGreaterThan(0.5);
    expect(made.fall).toBeLessThan(2.5);
  });

  it('brings in nothing poisonous, soluble or caustic for it', () => {
    for (const fall of [1, 1.5, 2.5]) expect(fitted(fall, [...BASE, LITHIUM])?.lines.some(({ powderId }) => powderId === 'lithium')).not.toBe(true);
  });

  it('its coat still has its clay, and not so much of it that it cracks', () => {
    for (const fall of [-0.8, 0.5, 1, 1.5]) {
      const made = fitted(fall, [...BASE, TALC, BORON_FRIT]);
      const { shrinkShare } = powderShares({ parts: partsOf(made!.lines, [...BASE, TALC, BORON_FRIT]) });
      expect(shrinkShare).toBeGreaterThan(0.65 * 14);
      expect(shrinkShare).toBeLessThan(19);
    }
  });

  it('colours stay as they are, a base of 100 in tenths beside them', () => {
    const tin: Powder = { ...SILICA, id: 'tin', name: 'Tin oxide', role: 'opacifier', oxides: { SnO2: 100 } };
    const lines: RecipeLine[] = [...GLAZE, { ...line(tin, 5), part: 'addition' }];
    const made = fitted(0.4, [...BASE, tin], lines)!;
    expect(made.lines.find(({ powderId }) => powderId === 'tin')).toMatchObject({ part: 'addition', percent: 5 });
    const base = made.lines.filter(({ part }) => part === 'base');
    expect(base.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 6);
    for (const { percent } of base) expect(percent * 10).toBeCloseTo(Math.round(percent * 10), 6);
  });

  it('is not told of a bought base whose oxides nobody knows, nor where it would change nothing worth a version', () => {
    const bought: Powder = { ...SILICA, id: 'bought', name: 'Bought base', role: 'base', oxides: {} };
    expect(fitted(0.5, [...BASE, bought], [...GLAZE, line(bought, 20)])).toBeUndefined();
    expect(fitted(0.1)).toBeUndefined();
  });

  it('whatever is wanted: it expands as told, on the side that was wanted, and runs much as before', () => {
    const powders = [...BASE, TALC, BORON_FRIT, LITHIUM];
    fc.assert(
      fc.property(fc.double({ min: -2, max: 3, noNaN: true }), fc.integer({ min: 35, max: 60 }), (fall, spar) => {
        const lines = [line(SODA_SPAR, spar), line(SILICA, 70 - spar), line(KAOLIN, 12), line(WHITING, 18)];
        const made = fitted(fall, powders, lines);
        if (!made) return;
        expect(expansionOf(lines, powders) - expansionOf(made.lines, powders)).toBeCloseTo(made.fall, 6);
        expect(Math.sign(made.fall)).toBe(Math.sign(fall));
        expect(Math.abs(made.fall)).toBeLessThan(Math.abs(fall) + 0.11);
        expect(Math.abs(Math.log(made.flowRatio))).toBeLessThan(Math.log(1.61));
      }),
      { numRuns: 25 },
    );
  });
});
