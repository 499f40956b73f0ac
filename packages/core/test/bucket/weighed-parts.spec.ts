import { solubleNames, suspensionRisk, weighedParts, type BucketPart, type Powder } from '../../src/index';

const powder = (name: string, rawClay: number, hazards: string[] = []): Powder => ({
  id: name,
  name,
  role: '',
  densityGMl: 2.6,
  rawClay,
  shrinkWeight: rawClay,
  oxides: {},
  loiPercent: 0,
  hazards,
});
const POWDERS = [
  powder('Kaolin', 1),
  powder('Silica', 0),
  powder('Frit alumina-boron', 0),
  powder('Wood ash (washed)', 0, ['caustic when wet: gloves and eye protection']),
  powder('Nepheline syenite', 0, ['gives off alkali in water: the bucket thins in weeks']),
  powder('Lithium carbonate', 0, ['slightly soluble']),
];
const bucketOf = (...shares: [name: string, grams: number][]) =>
  weighedParts({ powders: POWDERS, parts: shares.map(([name, grams]): BucketPart => ({ powderId: name, name, part: 'base', grams, density: 2.6 })) });

describe('why a bucket settles', () => {
  it.each([
    [
      'little clay',
      [
        ['Kaolin', 3],
        ['Silica', 97],
      ],
      'hardPans',
      ['littleClay'],
    ],
    [
      'some clay',
      [
        ['Kaolin', 7],
        ['Silica', 93],
      ],
      'settles',
      ['littleClay'],
    ],
    [
      'some clay under heavy frit',
      [
        ['Kaolin', 7],
        ['Frit alumina-boron', 93],
      ],
      'hardPans',
      ['littleClay', 'heavy'],
    ],
    [
      'clay enough',
      [
        ['Kaolin', 20],
        ['Silica', 80],
      ],
      'holds',
      [],
    ],
    [
      'ash',
      [
        ['Kaolin', 4],
        ['Wood ash (washed)', 96],
      ],
      'hardPans',
      ['littleClay', 'ash'],
    ],
    [
      'a powder that gives off alkali',
      [
        ['Kaolin', 20],
        ['Nepheline syenite', 80],
      ],
      'holds',
      ['alkali'],
    ],
  ] as [string, [string, number][], string, string[]][])('%s', (_what, shares, suspension, causes) => {
    expect(suspensionRisk({ parts: bucketOf(...shares) })).toMatchObject({ suspension, causes });
  });

  it('nothing is said of powders nobody knows', () => {
    expect(suspensionRisk({ parts: bucketOf(['Moon dust', 100]) })).toBeUndefined();
  });

  it('what goes into solution would leave with water poured off', () => {
    expect(solubleNames(bucketOf(['Silica', 90], ['Lithium carbonate', 10]))).toEqual(['Lithium carbonate']);
  });
});
