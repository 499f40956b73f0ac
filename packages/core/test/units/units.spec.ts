import fc from 'fast-check';
import {
  attempt,
  baumeFromSg,
  decimalsForDivision,
  fahrenheitToCelsius,
  formatFixed,
  formatSensible,
  fromCanonical,
  LENGTH_UNITS,
  MASS_UNITS,
  ouncesPerPintFromSg,
  readNumber,
  requireDensity,
  SG_SCALES,
  sgFromBaume,
  sgFromScale,
  sgOnScale,
  toCanonical,
  twaddellFromSg,
  VOLUME_UNITS,
  type Unit,
} from '../../src/index';

const UNITS = [...Object.keys(MASS_UNITS), ...Object.keys(VOLUME_UNITS), ...Object.keys(LENGTH_UNITS)] as Unit[];

describe('units', () => {
  it('there and back is the same for every unit', () => {
    fc.assert(
      fc.property(fc.constantFrom(...UNITS), fc.double({ min: 0.001, max: 1e6, noNaN: true }), (unit, value) =>
        expect(fromCanonical(toCanonical({ value, unit }), unit) / value).toBeCloseTo(1, 12),
      ),
    );
  });

  it('"a pint a pound" is not 1:1 by mass', () => {
    expect(toCanonical({ value: 1, unit: 'US pt' }) / toCanonical({ value: 1, unit: 'lb' })).toBeCloseTo(1.0432, 4);
  });

  it('an imperial pint of SG 1.45 weighs 29 oz', () => {
    expect(ouncesPerPintFromSg({ sg: 1.45 })).toBeCloseTo(29, 9);
  });

  it('°Bé and °Tw agree with SG', () => {
    expect(baumeFromSg({ sg: 1.45 })).toBeCloseTo(45, 9);
    expect(sgFromBaume({ baume: 45 })).toBeCloseTo(1.45, 9);
    expect(twaddellFromSg({ sg: 1.45 })).toBeCloseTo(90, 9);
    expect(fahrenheitToCelsius(212)).toBeCloseTo(100, 9);
  });
});

describe('what a potter types', () => {
  it.each([
    ['1.5', 1.5],
    ['1,5', 1.5],
    ['1,556', 1556],
    ['1.234,5'.replace('.', ','), undefined],
    ['1,234.5', 1234.5],
    [' 12 ', 12],
    ['1/2', 0.5],
    ['1 1/2', 1.5],
    ['.5', 0.5],
    ['-3', -3],
    ['1/0', undefined],
    ['abc', undefined],
    ['1..2', undefined],
    ['NaN', undefined],
  ])('“%s” is read as %p', (text, value) => {
    const reading = readNumber(text);
    if (value === undefined) expect(reading.kind).toBe('notANumber');
    else expect(reading).toMatchObject({ kind: 'ok', value });
  });

  it('a unit goes with its number', () => {
    expect(readNumber('2 lb')).toEqual({ kind: 'ok', value: 2, unit: 'lb' });
    expect(readNumber('1.5 US gal')).toEqual({ kind: 'ok', value: 1.5, unit: 'US gal' });
    expect(readNumber('3 spoons').kind).toBe('notANumber');
  });

  it.each([
    ['2 lbs', 2, 'lb'],
    ['1 lb 4 oz', 1.25, 'lb'],
    ['1 lb 4 1/2 oz', 1 + 4.5 / 16, 'lb'],
    ['30 grams', 30, 'g'],
    ['1.5 kilos', 1.5, 'kg'],
    ['2 litres', 2, 'L'],
    ['11 US fl. oz', 11, 'US fl oz'],
    ['2 tbsp', 2, 'US tbsp'],
  ])('“%s” is %p %s, as it is written on labels and notes', (text, value, unit) => {
    expect(readNumber(text)).toEqual({ kind: 'ok', value, unit });
  });

  it('a pint is larger in Britain: it is read as the studio’s own, and asked about where nobody said', () => {
    expect(readNumber('1 pt', 'imp')).toEqual({ kind: 'ok', value: 1, unit: 'imp pt' });
    expect(readNumber('11 fl oz', 'US')).toEqual({ kind: 'ok', value: 11, unit: 'US fl oz' });
    expect(readNumber('1 pt')).toEqual({ kind: 'notANumber', text: '1 pt', meant: ['US pt', 'imp pt'] });
  });

  it.each([
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['12.345.678,9', 12345678.9],
    // One mark alone may be either: a point is decimal here, a comma before three digits stands between thousands.
    ['1.234', 1.234],
    ['1,234', 1234],
    ['1,5', 1.5],
  ])('“%s” is %p, whoever wrote it', (text, value) => {
    expect(readNumber(text)).toEqual({ kind: 'ok', value });
  });

  it.each(['1.23,45.6', '1,23.4', '12,34,5.6'])('“%s” is no number: its marks contradict each other', (text) => {
    expect(readNumber(text).kind).toBe('notANumber');
  });

  it('nothing is nothing, not zero', () => {
    expect(readNumber('   ')).toEqual({ kind: 'empty' });
  });

  it('never gives NaN, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const reading = readNumber(text);
        if (reading.kind === 'ok') expect(Number.isFinite(reading.value)).toBe(true);
      }),
    );
  });
});

describe('figures on a screen', () => {
  it.each([
    [0.1, 1],
    [0.01, 2],
    [1, 0],
    [5, 0],
    [0, 1],
  ])('a scale of %p g shows %p decimals', (division, decimals) => {
    expect(decimalsForDivision(division)).toBe(decimals);
  });

  it.each([
    [0.0621, '0.062'],
    [12.34, '12.3'],
    [1556.4, '1,556'],
    [2.4, '2.40'],
    [0, '0'],
    [100, '100'],
  ])('%p is shown as %s', (value, text) => {
    expect(formatSensible(value)).toBe(text);
  });

  it('there is no minus zero', () => {
    expect(formatFixed(-0.0001, 2)).toBe('0.00');
  });
});

describe('a refusal', () => {
  it('names the field and the value in a sentence', () => {
    const answer = attempt(() => requireDensity('density', 20));
    expect(answer).toMatchObject({
      kind: 'refused',
      error: { code: 'tooLarge', field: 'density', value: 20, message: 'The density of the powder cannot be above 12 g/mL; 20 was given.' },
    });
  });

  it('a broken program is not taken for one', () => {
    expect(() =>
      attempt(() => {
        throw new TypeError('a bug');
      }),
    ).toThrow('a bug');
  });
});

describe('the scales of a hydrometer', () => {
  it.each([
    ['SG', 1.45],
    ['°Bé', 45],
    ['°Tw', 90],
    ['oz/imp pt', 29],
    ['oz/US pt', 24.2017],
  ] as const)('1.45 is %s %s', (scale, value) => {
    expect(sgFromScale({ value, scale })).toBeCloseTo(1.45, 4);
    expect(sgOnScale({ sg: 1.45, scale })).toBeCloseTo(value, 4);
  });

  it('are the same there and back', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SG_SCALES), fc.double({ min: 1.01, max: 2.19, noNaN: true }), (scale, sg) => {
        expect(sgFromScale({ value: sgOnScale({ sg, scale }), scale })).toBeCloseTo(sg, 9);
      }),
    );
  });

  it.each([
    ['°Bé', 145],
    ['°Bé', 0],
    ['°Tw', -3],
    ['oz/imp pt', 12],
    ['oz/US pt', 12],
    ['SG', 145],
  ] as const)('%s %s is no glaze, and says so', (scale, value) => {
    expect(() => sgFromScale({ value, scale })).toThrow('The SG');
  });
});
