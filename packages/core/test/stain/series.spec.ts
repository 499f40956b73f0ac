import { blendSeries, evenSteps, oneCupSeries, separateCupsSeries } from '../../src/index';

describe('a series of tiles', () => {
  it('has even steps, or those that are typed', () => {
    expect(evenSteps({ from: 0, to: 8, count: 5 })).toEqual([0, 2, 4, 6, 8]);
    expect(() => evenSteps({ from: 0, to: 8, count: 1 })).toThrow('from 2 to 20 steps');
  });

  it('in one cup adds stain, dips and adds again, and says what is left', () => {
    const series = oneCupSeries({ code: 'K7', baseGrams: 200, percents: [1, 2, 4, 6, 8], drawGrams: 6 });
    expect(series.steps.map((step) => step.code)).toEqual(['K7-1', 'K7-2', 'K7-3', 'K7-4', 'K7-5']);
    expect(series.steps[0]!.stainGrams).toBeCloseTo(2, 12);
    // Every tile took some stain with it: the second step needs a little less than another 2 g.
    expect(series.steps[1]!.stainGrams).toBeLessThan(2);
    expect('percent' in series.left && series.left.percent).toBeCloseTo(8, 9);
    // What is left and what the five tiles took is what went in.
    const left = 'percent' in series.left ? series.left.baseGrams + series.left.stainGrams : 0;
    expect(left + 5 * 6).toBeCloseTo(series.baseGrams + series.stainGrams, 9);
  });

  it('in separate cups uses more powder, and each cup stands for itself', () => {
    const series = separateCupsSeries({ code: 'K8', cupBaseGrams: 50, percents: [1, 5] });
    expect(series).toMatchObject({ baseGrams: 100, left: { cups: 2 } });
    expect(series.steps.map((step) => step.stainGrams)).toEqual([0.5, 2.5]);
  });

  it('between two buckets is measured by volume', () => {
    const two = { percentA: 0, percentB: 10, totalMl: 100, sgA: 1.45, sgB: 1.45, densityA: 2.6, densityB: 2.6 };
    const series = blendSeries({ ...two, code: 'B1', percents: [0, 5, 10] });
    expect(series.steps.map((step) => Math.round(step.aMl!) + 0)).toEqual([100, 48, 0]);
    expect(series.aMl + series.bMl).toBeCloseTo(300, 9);
  });

  it.each([
    ['no steps', [], 'Write the percentages'],
    ['falling steps', [4, 2], 'must rise'],
    ['tiles that drink the cup', Array(20).fill(5), 'draw more glaze than the cup holds'],
    ['too many steps', Array(21).fill(1), 'at most 20 steps'],
  ])('is refused with %s', (_name, percents, words) => {
    expect(() => oneCupSeries({ code: 'X', baseGrams: 100, percents, drawGrams: 6 })).toThrow(words);
  });
});
