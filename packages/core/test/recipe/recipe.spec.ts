import { dryCoatOf, powderShares, recipeOutlook, suspensionOf, type Powder } from '../../src/index';
import { addition, ASH, BALL_CLAY, base, BENTONITE, COPPER, FRIT, KAOLIN, POWDERS, SILICA, WHITING } from '../powders';

const parts = (...list: [Powder, number][]) => ({ parts: list.map(([powder, grams]) => ({ powder, grams })) });

describe('in the bucket', () => {
  it.each([
    ['holds with 15 of 100 raw clay', parts([KAOLIN, 15], [SILICA, 85]), 'holds'],
    ['settles within the hour with 7', parts([KAOLIN, 7], [SILICA, 93]), 'settles'],
    ['hard-pans with 3', parts([KAOLIN, 3], [SILICA, 97]), 'hardPans'],
    ['heavy frit worsens it one step', parts([KAOLIN, 7], [FRIT, 93]), 'hardPans'],
    ['two of bentonite hold a clay-less glaze', parts([BENTONITE, 2], [SILICA, 98]), 'holds'],
  ])('%s', (_name, of, suspension) => {
    expect(suspensionOf(of)).toBe(suspension);
  });

  it('shares count everything dry, and nothing dry is refused', () => {
    expect(powderShares(parts([KAOLIN, 20], [BALL_CLAY, 10], [SILICA, 70])).shrinkShare).toBeCloseTo(35, 9);
    expect(() => powderShares({ parts: [] })).toThrow('no powder yet');
  });
});

describe('on the pot', () => {
  it.each([
    [4, 0.5, 'powdery'],
    [15, 0.5, 'sound'],
    [20, 0.5, 'sound'],
    [20, 0.8, 'shrinks'],
    [30, 0.4, 'shrinks'],
  ])('shrink share %p at %p mm is %s', (shrinkShare, coatMm, word) => {
    expect(dryCoatOf({ shrinkShare, coatMm })).toBe(word);
  });
});

describe('what a recipe will do', () => {
  const LINES = [base(SILICA.id, 30), base(KAOLIN.id, 20), base(WHITING.id, 15), base(FRIT.id, 20), base(ASH.id, 15), addition(COPPER.id, 2)];

  it('says how it moves only with its range', () => {
    const { fire } = recipeOutlook({ lines: LINES, powders: POWDERS });
    if (fire.kind !== 'moves') throw new Error(fire.kind);
    const order = ['stays', 'moves', 'runs', 'pours'];
    expect(order.indexOf(fire.least)).toBeLessThanOrEqual(order.indexOf(fire.likely));
    expect(order.indexOf(fire.likely)).toBeLessThanOrEqual(order.indexOf(fire.most));
  });

  it('says nothing of the fire when a powder has no analysis', () => {
    const bought: Powder = { ...SILICA, id: 'bought', oxides: {} };
    expect(recipeOutlook({ lines: [...LINES, base('bought', 10)], powders: [...POWDERS, bought] }).fire).toEqual({
      kind: 'noAnalysis',
      powders: [SILICA.name],
    });
  });

  it('does not melt without a flux, nor with far too little of it for its silica', () => {
    expect(recipeOutlook({ lines: [base(SILICA.id, 60), base(KAOLIN.id, 40)], powders: POWDERS }).fire).toEqual({ kind: 'noFlux' });
    const stiff = recipeOutlook({ lines: [base(SILICA.id, 65), base(KAOLIN.id, 20), base(WHITING.id, 15)], powders: POWDERS }).fire;
    expect(stiff.kind).toBe('doesNotMelt');
  });

  it('tells bentonite apart from the other clay, and how much is in it', () => {
    const bentonite: Powder = { ...KAOLIN, id: 'bentonite', name: 'Bentonite', role: 'suspender', rawClay: 5 };
    const { bentonitePercent } = recipeOutlook({ lines: [...LINES, addition('bentonite', 3.06)], powders: [...POWDERS, bentonite] });
    expect(bentonitePercent).toBeCloseTo(3, 9);
    expect(recipeOutlook({ lines: LINES, powders: POWDERS }).bentonitePercent).toBe(0);
  });

  it('names each hazard once with its powders', () => {
    const { hazards } = recipeOutlook({ lines: LINES, powders: POWDERS });
    expect(hazards.find((entry) => entry.hazard === 'silica dust')?.powders).toEqual(['Silica', 'Kaolin']);
    expect(hazards.find((entry) => entry.hazard.startsWith('caustic'))?.powders).toEqual(['Wood ash (washed)']);
  });

  it('an empty recipe is refused in words', () => {
    expect(() => recipeOutlook({ lines: [], powders: POWDERS })).toThrow('The base is empty');
  });
});
