import { contentsIfMixed, planBatch, type Powder, type RecipeLine } from '../../src/index';

const powder = (id: string, name: string, densityGMl: number): Powder => ({
  ...{ id, name, densityGMl },
  ...{ role: '', rawClay: 0, shrinkWeight: 0, oxides: {}, loiPercent: 0, hazards: [] },
});
const POWDERS = [powder('s', 'Silica', 2.65), powder('k', 'Kaolin', 2.6), powder('t', 'Tin oxide', 6.9)];
const LINES: RecipeLine[] = [
  { id: '1', powderId: 's', part: 'base', percent: 60 },
  { id: '2', powderId: 'k', part: 'base', percent: 40 },
  { id: '3', powderId: 't', part: 'addition', percent: 5 },
];

describe('a glaze that is not mixed yet', () => {
  it('is reckoned as the batch would come out, in all that does not depend on its size', () => {
    const contents = contentsIfMixed({ lines: LINES, powders: POWDERS, sg: 1.45 });
    const batch = planBatch({ lines: LINES, powders: POWDERS, size: { kind: 'base', baseGrams: 1000 }, water: { kind: 'toSg', sg: 1.45 } });
    expect(contents.sg).toBeCloseTo(1.45, 9);
    expect(contents.density).toBeCloseTo(batch.density, 9);
    expect(contents.dryGrams).toBeCloseTo(batch.totalGrams, 9);
    expect(contents.volumeMl).toBeCloseTo(batch.expectedMl, 6);
    expect(contents).toMatchObject({ slurryState: 'normal', stainGrams: 0 });
    // Nobody measured it.
    expect(contents.sgSd).toBeUndefined();
  });

  it('stain in the recipe is stain in the bucket', () => {
    const stained = LINES.map((line): RecipeLine => (line.powderId === 't' ? { ...line, part: 'stain' } : line));
    expect(contentsIfMixed({ lines: stained, powders: POWDERS, sg: 1.45 }).stainPercent).toBeCloseTo(5, 9);
  });

  it('a recipe without a base or with a powder nobody has is refused in words', () => {
    expect(() => contentsIfMixed({ lines: [], powders: POWDERS, sg: 1.45 })).toThrow();
    expect(() => contentsIfMixed({ lines: LINES, powders: [], sg: 1.45 })).toThrow();
  });
});
