import { blendSeries, dryGrams, evenSteps, ladder, oneCupSeries, separateCupsSeries, seriesSheet, sgOfMix, shareVolumes } from '../../src/index';

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

  it('begins with the plain base where a step is 0', () => {
    expect(oneCupSeries({ code: 'K1', baseGrams: 100, percents: [0, 2], drawGrams: 0 }).steps.map((step) => step.stainGrams)).toEqual([0, 2]);
  });

  it('brings the cup back to its SG with water after each step', () => {
    const slurry = { sg: 1.45, density: 2.6, stainDensity: 5 };
    const { addGrams, waterMl } = ladder({ baseDryGrams: 200, percents: [4, 8], drawDryGrams: 0, slurry });
    const base = { grams: 200, density: 2.6 };
    const volumeMl = 200 / dryGrams({ volumeMl: 1, sg: 1.45, density: 2.6 });
    const water = volumeMl - 200 / 2.6 + waterMl[0]! + waterMl[1]!;
    const stain = addGrams[0]! + addGrams[1]!;
    const density = (200 + stain) / (base.grams / 2.6 + stain / 5);
    expect(sgOfMix({ dryGrams: 200 + stain, waterGrams: water, density })).toBeCloseTo(1.45, 9);
  });

  it('from a stained bucket goes on from there, and not below', () => {
    const cup = { baseDryGrams: 100, stainGrams: 4, otherGrams: 8, drawDryGrams: 0 };
    expect(ladder({ ...cup, percents: [4, 6] }).addGrams).toEqual([0, 2]);
    expect(() => ladder({ ...cup, percents: [2, 6] })).toThrow('The cup holds 4 % of stain already');
  });

  it('goes on from what really went in: a slip is in every step after it', () => {
    const cup = { baseDryGrams: 100, percents: [1, 2, 4], drawDryGrams: 0 };
    expect(ladder({ ...cup, weighedGrams: [1.5] })).toMatchObject({ addGrams: [1.5, 0.5, 2], percents: [1.5, 2, 4] });
    // More than the next step wants: that tile shows it again, and its label says so.
    const slipped = ladder({ ...cup, weighedGrams: [2.6] });
    expect(slipped.addGrams.map((grams) => Number(grams.toFixed(9)))).toEqual([2.6, 0, 1.4]);
    expect(slipped.percents).toEqual([2.6, 2.6, 4]);
  });

  it('between any two glazes is a share by dry weight', () => {
    const two = { totalMl: 200, sgA: 1.5, sgB: 1.4, densityA: 2.6, densityB: 2.8 };
    const { aMl, bMl } = shareVolumes({ ...two, sharePercent: 30 });
    const [a, b] = [dryGrams({ volumeMl: aMl, sg: 1.5, density: 2.6 }), dryGrams({ volumeMl: bMl, sg: 1.4, density: 2.8 })];
    expect(b / (a + b)).toBeCloseTo(0.3, 12);
    expect(shareVolumes({ ...two, sharePercent: 0 })).toEqual({ aMl: 200, bMl: 0 });
    expect(() => shareVolumes({ ...two, sharePercent: 120 })).toThrow('between 0 and 100 %');
  });

  it('takes from its bucket what is scooped, opacifier and stain included', () => {
    const question = {
      kind: 'cups',
      bucketId: 'b',
      sg: 1.45,
      density: 2.6,
      cupBaseGrams: 100,
      percents: [5, 6],
      stainPercent: 4,
      otherPercent: 8,
    } as const;
    const { glaze, stainGrams } = seriesSheet({ code: 'K', question });
    expect(glaze[0]!.millilitres).toBeCloseTo(224 / dryGrams({ volumeMl: 1, sg: 1.45, density: 2.6 }), 9);
    expect(stainGrams).toBeCloseTo(3, 9);
  });
});
