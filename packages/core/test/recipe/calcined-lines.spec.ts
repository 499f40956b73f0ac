import { calcinedLines, oxideGrams, powderShares, resolveLines, unityFormula, type Powder, type RecipeLine } from '../../src/index';

const powder = (id: string, change: Partial<Powder>): Powder => ({
  id,
  name: id,
  role: 'glass former',
  densityGMl: 2.6,
  rawClay: 0,
  shrinkWeight: 0,
  loiPercent: 0,
  oxides: { SiO2: 100 },
  hazards: [],
  ...change,
});
const KAOLIN = powder('kaolin', { role: 'clay', rawClay: 1, shrinkWeight: 1, loiPercent: 14, oxides: { SiO2: 46.5, Al2O3: 39.5 } });
const CALCINED = powder('calcined', { role: 'clay', shrinkWeight: 0.1, oxides: { SiO2: 54.1, Al2O3: 45.9 } });
const SILICA = powder('silica', {});
const FRIT = powder('frit', { role: 'flux', oxides: { SiO2: 55, CaO: 30, Na2O: 15 } });
const TIN = powder('tin', { role: 'opacifier', oxides: { SnO2: 100 } });
const POWDERS = [KAOLIN, CALCINED, SILICA, FRIT, TIN];
const line = (powderId: string, percent: number, part: RecipeLine['part'] = 'base'): RecipeLine => ({ id: powderId, powderId, part, percent });
const RICH = [line('kaolin', 30), line('silica', 25), line('frit', 45), line('tin', 6, 'addition')];

const weighed = (lines: readonly RecipeLine[]): { grams: number; powder: Powder }[] =>
  resolveLines({ lines, powders: POWDERS }).map(({ line: { percent }, powder: of }) => ({ grams: percent, powder: of }));
const calcined = (lines: readonly RecipeLine[], powders = POWDERS): RecipeLine[] | undefined =>
  calcinedLines({ lines, powders, mostShrinkPercent: 18, newId: 'new' });

describe('part of the clay of a recipe calcined', () => {
  it('shrinks as little as is wanted, and melts as before', () => {
    const made = calcined(RICH)!;
    expect(powderShares({ parts: weighed(made) }).shrinkShare).toBeCloseTo(18, 0);
    const unity = (lines: readonly RecipeLine[]): Record<string, number> => {
      const formula = unityFormula({ oxideGrams: oxideGrams({ parts: weighed(lines) }) });
      return formula.kind === 'ok' ? formula.unity : {};
    };
    const [before, after] = [unity(RICH), unity(made)];
    for (const [oxide, moles] of Object.entries(before)) expect(after[oxide]).toBeCloseTo(moles, 1);
  });

  it('is written as a recipe is: tenths, a base of 100, a new line for the calcined part', () => {
    const made = calcined(RICH)!;
    const base = made.filter(({ part }) => part === 'base');
    expect(base.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 6);
    for (const { percent } of made) expect(percent * 10).toBeCloseTo(Math.round(percent * 10), 6);
    expect(base.find(({ id }) => id === 'new')?.powderId).toBe('calcined');
  });

  it('where some of it is calcined already, that line grows', () => {
    const made = calcined([...RICH, line('calcined', 4)])!;
    expect(made.filter(({ powderId }) => powderId === 'calcined')).toHaveLength(1);
    expect(made.find(({ powderId }) => powderId === 'calcined')!.percent).toBeGreaterThan(4);
  });

  it('cannot be done without such a powder, without clay, or where hardly any raw clay would be left', () => {
    expect(calcined(RICH, [KAOLIN, SILICA, FRIT, TIN])).toBeUndefined();
    expect(calcined([line('silica', 50), line('frit', 50)])).toBeUndefined();
    expect(calcinedLines({ lines: RICH, powders: POWDERS, mostShrinkPercent: 2, newId: 'new' })).toBeUndefined();
  });

  it('a recipe that shrinks little already stays as it is', () => {
    expect(calcined([line('kaolin', 10), line('silica', 40), line('frit', 50)])).toBeUndefined();
  });

  it('a clay that is another one in the fire does not take its place', () => {
    const red = powder('red', { role: 'clay', shrinkWeight: 0.1, oxides: { SiO2: 60, Al2O3: 25, Fe2O3: 15 } });
    expect(calcined(RICH, [KAOLIN, red, SILICA, FRIT, TIN])).toBeUndefined();
  });

  it('two clays, one of them nowhere calcined: both go in part, and silica brings what the calcined one lacks', () => {
    const ball = powder('ball', { role: 'clay', rawClay: 1, shrinkWeight: 1.5, loiPercent: 12, oxides: { SiO2: 56, Al2O3: 31, Na2O: 1 } });
    const powders = [...POWDERS, ball];
    const lines = [line('ball', 14), line('kaolin', 12), line('silica', 24), line('frit', 50)];
    const made = calcined(lines, powders)!;
    const percent = (id: string): number => made.find(({ powderId }) => powderId === id)?.percent ?? 0;
    expect(percent('calcined')).toBeGreaterThan(5);
    expect(percent('ball')).toBeLessThan(14);
    expect(percent('kaolin')).toBeLessThan(12);
    const parts = resolveLines({ lines: made, powders }).map(({ line: one, powder: of }) => ({ grams: one.percent, powder: of }));
    expect(powderShares({ parts }).shrinkShare).toBeCloseTo(18, 0);
  });
});
