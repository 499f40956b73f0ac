import fc from 'fast-check';
import {
  additionSum,
  baseSum,
  batchCost,
  inPanBefore,
  lineOnScale,
  normaliseParts,
  normaliseRecipe,
  planBatch,
  recipeDensity,
  rescueOvershoot,
  scaleFor,
  sgOfMix,
} from '../../src/index';
import { addition, ASH, base, COPPER, KAOLIN, POWDERS, SILICA, WHITING } from '../powders';

const RECIPE = [base(SILICA.id, 40), base(KAOLIN.id, 35), base(WHITING.id, 25), addition(COPPER.id, 2.5)];
const plan = (change: Partial<Parameters<typeof planBatch>[0]> = {}) =>
  planBatch({ lines: RECIPE, powders: POWDERS, size: { kind: 'base', baseGrams: 1000 }, water: { kind: 'perBaseGram', millilitres: 1 }, ...change });

describe('a recipe', () => {
  it('is brought to 100 in its base: what is over it is percent of it already, and stays', () => {
    const tidy = normaliseRecipe({ lines: [base(SILICA.id, 45), base(KAOLIN.id, 45), addition(COPPER.id, 9)] });
    expect(baseSum({ lines: tidy })).toBeCloseTo(100, 12);
    expect(additionSum({ lines: tidy })).toBe(9);
  });

  it('written as parts of one whole is scaled altogether', () => {
    const tidy = normaliseParts({ lines: [base(SILICA.id, 45), base(KAOLIN.id, 45), addition(COPPER.id, 10)] });
    expect(tidy.map((line) => line.percent)).toEqual([50, 50, 100 / 9]);
  });

  it('has the density of base and additions together', () => {
    expect(recipeDensity({ lines: RECIPE, powders: POWDERS })).toBeCloseTo(102.5 / (40 / 2.65 + 35 / 2.6 + 25 / 2.71 + 2.5 / 3.9), 12);
  });

  it.each([
    ['nothing in the base', [addition(COPPER.id, 2)], 'The base is empty'],
    ['a powder nobody has', [base('moonDust', 100)], 'choose one from the list'],
    ['less than nothing', [base(SILICA.id, -5), base(KAOLIN.id, 105)], 'cannot be less than 0'],
  ])('with %s is refused with what to do', (_name, lines, words) => {
    expect(() =>
      planBatch({ lines, powders: POWDERS, size: { kind: 'base', baseGrams: 100 }, water: { kind: 'perBaseGram', millilitres: 1 } }),
    ).toThrow(words);
  });
});

describe('a batch', () => {
  it('weighs additions over the base, never out of it', () => {
    expect(plan().baseGrams).toBe(1000);
    expect(plan().totalGrams).toBeCloseTo(1025, 9);
    expect(plan().lines.find((line) => line.powderId === COPPER.id)?.targetGrams).toBeCloseTo(25, 9);
  });

  it('puts clay first and colour last', () => {
    expect(plan().lines.map((line) => line.name)).toEqual(['Kaolin', 'Silica', 'Whiting', 'Copper carbonate']);
  });

  it('keeps the recipe’s order for those who prefer it', () => {
    expect(plan({ order: 'recipe' }).lines.map((line) => line.name)).toEqual(['Silica', 'Kaolin', 'Whiting', 'Copper carbonate']);
  });

  it('counts water on the base, on everything, or to the SG', () => {
    expect(plan().waterGrams).toBeCloseTo(1000, 9);
    expect(plan({ water: { kind: 'perDryGram', millilitres: 1 } }).waterGrams).toBeCloseTo(1025, 9);
    expect(plan({ water: { kind: 'toSg', sg: 1.45 } }).expectedSg).toBeCloseTo(1.45, 9);
  });

  it('fills a bucket to the litre at the SG', () => {
    fc.assert(
      fc.property(fc.double({ min: 200, max: 50_000, noNaN: true }), fc.double({ min: 1.2, max: 1.7, noNaN: true }), (volumeMl, sg) => {
        const filled = plan({ size: { kind: 'volume', volumeMl, sg }, water: { kind: 'toSg', sg } });
        expect(filled.expectedMl / volumeMl).toBeCloseTo(1, 9);
        expect(sgOfMix({ dryGrams: filled.totalGrams, waterGrams: filled.waterGrams, density: filled.density })).toBeCloseTo(sg, 9);
      }),
    );
  });

  it('its lines add up to its total whatever the recipe', () => {
    const share = fc.double({ min: 0.1, max: 90, noNaN: true });
    fc.assert(
      fc.property(share, share, share, fc.double({ min: 0, max: 20, noNaN: true }), (a, b, c, over) => {
        const made = plan({ lines: [base(SILICA.id, a), base(KAOLIN.id, b), base(ASH.id, c), addition(COPPER.id, over)] });
        expect(made.lines.reduce((sum, line) => sum + line.targetGrams, 0)).toBeCloseTo(made.totalGrams, 6);
      }),
    );
  });

  it.each([0, -5, Number.NaN])('of %p g is refused', (baseGrams) => {
    expect(() => plan({ size: { kind: 'base', baseGrams } })).toThrow(/base weight/);
  });

  it('of two tonnes is taken for a wrong unit', () => {
    expect(() => plan({ size: { kind: 'base', baseGrams: 2_000_000 } })).toThrow('check the size and its unit');
  });
});

describe('the scale', () => {
  it('0.3 g on a scale of 1 g is off by 167 %', () => {
    const line = lineOnScale({ targetGrams: 0.3, divisionGrams: 1, capacityGrams: 2000 });
    expect(line).toMatchObject({ kind: 'tooSmall' });
    expect(line.error).toBeCloseTo(1.667, 3);
  });

  it('says how many times larger the batch must be', () => {
    const line = lineOnScale({ targetGrams: 1, divisionGrams: 0.1, capacityGrams: 2000 });
    if (line.kind !== 'tooSmall') throw new Error('should be too small');
    expect(lineOnScale({ targetGrams: 1.0001 * line.baseFactor, divisionGrams: 0.1, capacityGrams: 2000 }).kind).toBe('fine');
  });

  it('splits what it cannot hold into loads', () => {
    expect(lineOnScale({ targetGrams: 5500, divisionGrams: 1, capacityGrams: 2000 })).toMatchObject({ kind: 'fine', loads: 3 });
  });
});

describe('too much of one line in the bucket', () => {
  const lines = [
    { lineId: 'kaolin', targetGrams: 100, inGrams: 120 },
    { lineId: 'silica', targetGrams: 200, inGrams: 200 },
    { lineId: 'ash', targetGrams: 50, inGrams: 0 },
  ];

  it('raises the whole batch so that the ratio holds', () => {
    const rescue = rescueOvershoot({ lines, divisionGrams: 0.1 });
    expect(rescue.factor).toBeCloseTo(1.2, 12);
    expect(rescue.lines.map((line) => Math.round(line.topUpGrams))).toEqual([0, 40, 60]);
  });

  it('never takes powder out', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ targetGrams: fc.double({ min: 1, max: 500, noNaN: true }), inGrams: fc.double({ min: 0, max: 900, noNaN: true }) }), {
          minLength: 1,
          maxLength: 9,
        }),
        (some) => {
          const rescue = rescueOvershoot({ lines: some.map((line, i) => ({ lineId: String(i), ...line })), divisionGrams: 0.1 });
          expect(rescue.factor).toBeGreaterThanOrEqual(1);
          rescue.lines.forEach((line) => expect(line.topUpGrams).toBeGreaterThanOrEqual(0));
        },
      ),
    );
  });

  it('takes a line below the scale’s division for noise', () => {
    expect(rescueOvershoot({ lines: [{ lineId: 'cobalt', targetGrams: 0.05, inGrams: 0.1 }], divisionGrams: 0.1 }).factor).toBe(1);
  });
});

describe('scale and pan', () => {
  const FINE = { id: 'f', name: 'Pocket scale', divisionGrams: 0.01, capacityGrams: 300 };
  const COARSE = { id: 'c', name: 'Bench scale', divisionGrams: 0.1, capacityGrams: 6000 };

  it('the pan takes its part of what a scale carries', () => {
    expect(scaleFor({ targetGrams: 274.31, scales: [FINE, COARSE] })).toBe(FINE);
    expect(scaleFor({ targetGrams: 274.31, scales: [FINE, COARSE], panGrams: 82 })).toBe(COARSE);
    expect(lineOnScale({ targetGrams: 274.31, ...FINE, panGrams: 82 })).toMatchObject({ kind: 'fine', loads: 2 });
    expect(() => scaleFor({ targetGrams: 5, scales: [FINE], panGrams: 300 })).toThrow('take a lighter pan or another scale');
    expect(() => lineOnScale({ targetGrams: 5, ...FINE, panGrams: 400 })).toThrow('The empty pan weighs 400 g');
  });

  it('a pan that is filled on holds the lines before, until the next would not fit', () => {
    const roomGrams = 400;
    expect(inPanBefore({ weighedGrams: [], targetGrams: 100, roomGrams })).toEqual({ grams: 0, emptyFirst: false });
    expect(inPanBefore({ weighedGrams: [200, 150], targetGrams: 40, roomGrams })).toEqual({ grams: 350, emptyFirst: false });
    expect(inPanBefore({ weighedGrams: [200, 150], targetGrams: 60, roomGrams })).toEqual({ grams: 0, emptyFirst: true });
    // 300 did not fit on 200: it was alone in the pan.
    expect(inPanBefore({ weighedGrams: [200, 300], targetGrams: 60, roomGrams })).toEqual({ grams: 300, emptyFirst: false });
  });

  it('what a batch costs is said with how much of it has no price', () => {
    const lines = [
      { powderId: 's', name: 'Silica', grams: 900 },
      { powderId: 't', name: 'Tin oxide', grams: 100 },
    ];
    expect(batchCost({ lines, pricePerKg: new Map([['s', 2]]) })).toEqual({ cost: 1.8, withoutPrice: ['Tin oxide'], shareWithoutPrice: 0.1 });
  });
});
