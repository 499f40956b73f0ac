import { dryCoatAdvice } from '../../src/index';

const faults = (question: Parameters<typeof dryCoatAdvice>[0]): string[] => dryCoatAdvice(question).map((one) => one.fault);

describe('how a dry coat behaves', () => {
  it.each([
    ['a sound glaze at a usual coat', { coatMm: 0.5, shrinkShare: 12 }, []],
    ['a frit glaze with little clay dusts off', { coatMm: 0.5, shrinkShare: 4 }, ['powdery']],
    ['a clay-rich one hairlines', { coatMm: 0.5, shrinkShare: 27 }, ['hairline']],
    ['one with less clay only when thick', { coatMm: 0.75, shrinkShare: 20 }, ['hairline']],
    ['the same, thinner, holds', { coatMm: 0.6, shrinkShare: 20 }, []],
    ['over a millimetre anything crawls', { coatMm: 1.1, shrinkShare: 10 }, ['crawl']],
    ['two coats over a millimetre together as well', { coatMm: 0.6, shrinkShare: 10, under: { coatMm: 0.6, shrinkShare: 12 } }, ['crawl']],
    ['clay-rich over powdery flakes', { coatMm: 0.4, shrinkShare: 20, under: { coatMm: 0.4, shrinkShare: 4 } }, ['flake']],
    ['powdery over clay-rich only dusts', { coatMm: 0.4, shrinkShare: 4, under: { coatMm: 0.4, shrinkShare: 20 } }, ['powdery']],
  ])('%s', (_name, question, wanted) => {
    expect(faults(question)).toEqual(wanted);
  });

  it('flaking is worse over half a millimetre, and has four remedies', () => {
    const [flake] = dryCoatAdvice({ coatMm: 0.6, shrinkShare: 20, under: { coatMm: 0.3, shrinkShare: 4 } });
    expect(flake).toMatchObject({ fault: 'flake', because: { rule: 'F1', worse: true } });
    expect(flake!.remedies).toEqual(['thinner', 'gumBelow', 'swapAndWax', 'calcine']);
  });

  it('calcining helps only where there is clay to calcine', () => {
    expect(dryCoatAdvice({ coatMm: 1.2, shrinkShare: 8 })[0]!.remedies).toEqual(['thinner']);
    expect(dryCoatAdvice({ coatMm: 1.2, shrinkShare: 30 })[0]!.remedies).toEqual(['thinner', 'calcine']);
  });

  it('no coat is no question', () => {
    expect(() => dryCoatAdvice({ coatMm: 0, shrinkShare: 10 })).toThrow('The coat must be more than 0');
  });
});
