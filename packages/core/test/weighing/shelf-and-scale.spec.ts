import fc from 'fast-check';
import {
  allowedDifference,
  areaCm2,
  coatsOfPlan,
  PIECE_SHAPES,
  batchCost,
  closingCheck,
  dryGramsForPieces,
  labelWaterPerGram,
  planBatch,
  poundsAndOunces,
  scaleFor,
  shortage,
  stayMl,
  stockDilution,
  type BatchSize,
} from '../../src/index';
import { addition, base, COPPER, KAOLIN, POWDERS, SILICA, WHITING } from '../powders';

const LINES = [base(SILICA.id, 60), base(KAOLIN.id, 40), addition(COPPER.id, 2)];
const plan = (size: BatchSize) => planBatch({ lines: LINES, powders: POWDERS, size, water: { kind: 'toSg', sg: 1.45 } });

describe('how large a batch is', () => {
  it('is told by everything together, additions included', () => {
    expect(plan({ kind: 'all', totalGrams: 1020 }).baseGrams).toBeCloseTo(1000, 9);
  });

  it('is enough for the pieces, their waste, and what must stand in the bucket', () => {
    const pieces = [
      { count: 10, areaCm2: 400, coatMm: 0.5, method: 'dip' as const },
      { count: 2, areaCm2: 1000, coatMm: 0.5, method: 'pour' as const },
    ];
    const { density } = plan({ kind: 'base', baseGrams: 1 });
    const coats = (10 * 400 * 0.5 * 0.1 * 1.1 + 2 * 1000 * 0.5 * 0.1 * 1.15) * 0.5 * density;
    expect(dryGramsForPieces({ pieces, density })).toBeCloseTo(coats, 9);
    const alone = plan({ kind: 'pieces', pieces, stayMl: 0, sg: 1.45 });
    expect(alone.totalGrams).toBeCloseTo(coats, 6);
    const deep = plan({ kind: 'pieces', pieces, stayMl: 4000, sg: 1.45 });
    expect(deep.expectedMl - alone.expectedMl).toBeCloseTo(4000, 6);
  });

  it('stands higher in the bucket than the tallest piece', () => {
    expect(stayMl({ tallestMm: 150, bucketAcrossMm: 260 })).toBeCloseTo(Math.PI * 130 ** 2 * 180 * 1e-3, 6);
  });

  it('without pieces is asked for', () => {
    expect(() => plan({ kind: 'pieces', pieces: [], stayMl: 0, sg: 1.45 })).toThrow('Choose the pieces');
  });
});

describe('a label', () => {
  it('of a pint to a pound is not one to one', () => {
    expect(labelWaterPerGram({ powder: { value: 1, unit: 'lb' }, water: { value: 1, unit: 'US pt' } })).toBeCloseTo(473.176473 / 453.59237, 12);
    expect(labelWaterPerGram({ powder: { value: 16, unit: 'oz' }, water: { value: 14, unit: 'oz' } })).toBeCloseTo(14 / 16, 12);
  });

  it('by a scoop of powder is refused, because a scoop is no weight', () => {
    expect(() => labelWaterPerGram({ powder: { value: 3, unit: 'US tbsp' }, water: { value: 1, unit: 'US tbsp' } })).toThrow('weigh one scoop');
  });

  it('gives the water of a batch, on the base', () => {
    const rule = { powder: { value: 1, unit: 'kg' as const }, water: { value: 900, unit: 'mL' as const } };
    expect(
      planBatch({ lines: LINES, powders: POWDERS, size: { kind: 'base', baseGrams: 500 }, water: { kind: 'label', rule } }).waterGrams,
    ).toBeCloseTo(450, 9);
  });
});

describe('the scales of a studio', () => {
  const bench = { name: 'Bench', divisionGrams: 1, capacityGrams: 6000 };
  const fine = { name: 'Fine', divisionGrams: 0.01, capacityGrams: 200 };
  it.each([
    [4, 'Fine'],
    [200, 'Fine'],
    [201, 'Bench'],
    [9000, 'Bench'],
  ])('%s g goes on the one that holds it and shows it best: %s', (targetGrams, name) => {
    expect(scaleFor({ targetGrams, scales: [bench, fine] }).name).toBe(name);
  });

  it('that are not there are asked for', () => {
    expect(() => scaleFor({ targetGrams: 1, scales: [] })).toThrow('has no scale');
  });

  it('too coarse for a line are helped by one part in ten of the largest powder, taken off its line', () => {
    const lines = plan({ kind: 'base', baseGrams: 250 }).lines;
    const line = lines.find((one) => one.powderId === COPPER.id)!;
    const dilution = stockDilution({ line, lines, divisionGrams: 1 })!;
    expect(dilution).toMatchObject({ carrierName: 'Silica', mixtureGrams: 50, carrierLessGrams: 45, powderGrams: 25, carrierGrams: 225 });
    // Nothing of the recipe changes: mixture + what is left of the carrier is what both lines were.
    expect(dilution.mixtureGrams - dilution.carrierLessGrams).toBeCloseTo(line.targetGrams, 12);
  });

  it('get no mixture where none would help', () => {
    const lines = plan({ kind: 'base', baseGrams: 20 }).lines;
    expect(stockDilution({ line: lines.find((one) => one.powderId === COPPER.id)!, lines, divisionGrams: 1 })).toBeUndefined();
  });
});

describe('the weight after the last powder', () => {
  const lines = [
    { name: 'Silica', grams: 600 },
    { name: 'Kaolin', grams: 400 },
    { name: 'Copper carbonate', grams: 20 },
  ];
  const check = (shownGrams: number) => closingCheck({ lines, shownGrams, allowedGrams: allowedDifference({ lines, divisionGrams: 1 }) });
  it.each([
    ['as it should be', 1021, { kind: 'agrees' }],
    ['without the kaolin', 620, { kind: 'missed', lines: ['Kaolin'] }],
    ['with the copper twice', 1040, { kind: 'doubled', lines: ['Copper carbonate'] }],
    ['that no line explains', 900, { kind: 'unexplained', differenceGrams: -120 }],
    ['a little less than went in: scoops and dust keep that', 1015.4, { kind: 'lost' }],
    ['as much more than went in, which nothing keeps', 1025.5, { kind: 'unexplained' }],
  ])('%s', (_name, shown, answer) => {
    expect(check(shown)).toMatchObject(answer);
  });

  it('heavier by a skipped powder: that one is in, before any other is said to be in twice', () => {
    const skipped = [{ name: 'Titanium dioxide', grams: 20.4 }];
    const question = { lines, skipped, allowedGrams: allowedDifference({ lines, divisionGrams: 1 }) };
    expect(closingCheck({ ...question, shownGrams: 1041 })).toMatchObject({ kind: 'skippedIsIn', lines: ['Titanium dioxide'] });
    expect(closingCheck({ ...question, shownGrams: 1021 }).kind).toBe('agrees');
    expect(closingCheck({ ...question, shownGrams: 1000.5 })).toMatchObject({ kind: 'missed', lines: ['Copper carbonate'] });
  });
});

describe('the shelf', () => {
  const lines = [
    { powderId: 'a', name: 'A', targetGrams: 300 },
    { powderId: 'a', name: 'A', targetGrams: 100 },
    { powderId: 'b', name: 'B', targetGrams: 100 },
    { powderId: 'c', name: 'C', targetGrams: 100 },
  ];
  it('says what is short and how much of the batch it allows; what was never counted is not spoken of', () => {
    const stock = [{ powderId: 'a', stockGrams: 300 }, { powderId: 'b', stockGrams: 50 }, { powderId: 'c' }];
    expect(shortage({ lines, stock })).toEqual({
      short: [
        { powderId: 'b', name: 'B', needGrams: 100, haveGrams: 50 },
        { powderId: 'a', name: 'A', needGrams: 400, haveGrams: 300 },
      ],
      share: 0.5,
    });
  });

  it('with enough of everything allows it whole', () => {
    expect(shortage({ lines, stock: [{ powderId: 'a', stockGrams: 400 }] })).toEqual({ short: [], share: 1 });
  });

  it('knows what a batch costs, and which prices it lacks', () => {
    const cost = batchCost({
      lines: lines.map((line) => ({ ...line, grams: line.targetGrams })),
      pricePerKg: new Map([
        ['a', 2],
        ['b', 30],
      ]),
    });
    expect(cost.cost).toBeCloseTo(0.8 + 3, 12);
    expect(cost.withoutPrice).toEqual(['C']);
  });
});

describe('pounds and ounces', () => {
  it.each([
    [453.59237, '1 lb'],
    [1034.8, '2 lb 4 ½ oz'],
    [28.349523125 * 15.97, '1 lb'],
    [28.349523125 * 31.9, '2 lb'],
    [28.349523125 * 3.126, '3 ⅛ oz'],
    [28.349523125 * 0.19, '3/16 oz'],
    [0.4, '0.014 oz'],
    // An eighth would be 18 % of cobalt too much.
    [1.5, '0.053 oz'],
    [28.349523125 * 1.1, '1.10 oz'],
    [0, '0 oz'],
  ])('%s g are %s', (grams, words) => {
    expect(poundsAndOunces(grams)).toBe(words);
  });
});

describe('a thousand recipes', () => {
  const percents = fc.array(fc.double({ min: 0.5, max: 90, noNaN: true }), { minLength: 3, maxLength: 3 });
  it('scaled to any size add up to the target within half a division a line', () => {
    fc.assert(
      fc.property(percents, fc.double({ min: 50, max: 20_000, noNaN: true }), fc.constantFrom(0.01, 0.1, 1), (shares, totalGrams, division) => {
        const lines = [base(SILICA.id, shares[0]!), base(WHITING.id, shares[1]!), addition(COPPER.id, shares[2]! / 10)];
        const { lines: sheet, baseGrams } = planBatch({
          lines,
          powders: POWDERS,
          size: { kind: 'all', totalGrams },
          water: { kind: 'perDryGram', millilitres: 1 },
        });
        const shown = sheet.reduce((sum, line) => sum + Math.round(line.targetGrams / division) * division, 0);
        expect(Math.abs(shown - totalGrams)).toBeLessThanOrEqual((sheet.length * division) / 2 + 1e-6);
        const inBase = sheet.filter((line) => line.part === 'base').reduce((sum, line) => sum + line.targetGrams, 0);
        expect(inBase / baseGrams).toBeCloseTo(1, 9);
      }),
      { numRuns: 1000 },
    );
  });
});

describe('the pieces of a plan', () => {
  const cup = PIECE_SHAPES[0]!;
  const layer = (bucketId: string, coatMm: number) => ({ id: bucketId, bucketId, method: 'dip' as const, coatMm });
  const plan = {
    shapeId: 'cup',
    zones: { inside: [layer('white', 0.4)], outside: [layer('white', 0.5), layer('blue', 0.6)], rim: [layer('blue', 0.3)], foot: [] },
    waxFootMm: 10,
    rimBandMm: 20,
    order: [],
    putAside: [],
  };
  const coats = (bucket: string) => coatsOfPlan({ plan, shape: cup, count: 12, bucketIds: new Set([bucket]) });

  it('ask each glaze for its own zones, above the waxed foot', () => {
    const [inside, outside] = coats('white');
    expect(coats('white')).toHaveLength(2);
    expect(inside).toMatchObject({ count: 12, coatMm: 0.4 });
    expect(outside!.areaCm2).toBeLessThan(areaCm2({ profile: cup.outside }));
    const [, rim] = coats('blue');
    expect(rim!.areaCm2).toBeLessThan(outside!.areaCm2 / 3);
  });

  it('ask nothing of a glaze that is not on them', () => {
    expect(coats('amber')).toEqual([]);
  });
});
