import { baseSum, rescueParts, siblings, stainInside, sumGrams, waterToRestoreSg, type BucketPart } from '../../src/index';

const part = (powderId: string, kind: BucketPart['part'], grams: number): BucketPart => ({
  powderId,
  name: powderId,
  part: kind,
  grams,
  density: 2.6,
});
const HUMO = [part('clear', 'base', 1000), part('zircon', 'addition', 80), part('black', 'addition', 60)];

describe('the stain in a bucket', () => {
  it('that its recipe wrote as a mere addition is found all the same', () => {
    expect(stainInside({ parts: HUMO, stainId: 'black' })).toEqual({ baseDryGrams: 1000, stainGrams: 60, otherGrams: 80, percent: 6 });
    expect(stainInside({ parts: HUMO }).percent).toBe(0);
  });

  it('marked in the recipe counts without being asked for, together with what went in later', () => {
    const parts = [...HUMO.slice(0, 2), part('black', 'stain', 60), part('blue', 'stain', 10)];
    expect(stainInside({ parts, stainId: 'black' })).toMatchObject({ stainGrams: 70, percent: 7, otherGrams: 80 });
  });

  it('is rescued with base and opacifier in proportion', () => {
    const added = rescueParts({ parts: HUMO, stainId: 'black', targetPercent: 4 });
    expect(added.map(({ powderId, grams }) => [powderId, grams])).toEqual([
      ['clear', 500],
      ['zircon', 40],
    ]);
    const after = stainInside({ parts: [...HUMO, ...added], stainId: 'black' });
    expect(after.percent).toBeCloseTo(4, 12);
    expect(after.otherGrams / after.baseDryGrams).toBeCloseTo(0.08, 12);
    expect(sumGrams(added)).toBe(540);
  });

  it('that goes into a thin bucket leaves it thin: its volume is what is in it', () => {
    const thin = { dryGrams: 1000, density: 2.6, waterGrams: 2000, stainGrams: 10, stainDensity: 4, targetSg: 1.45 };
    const { addWaterGrams, volumeMl, sgAfterStain } = waterToRestoreSg(thin);
    expect(addWaterGrams).toBeLessThan(0);
    expect(volumeMl).toBeCloseTo(1000 / 2.6 + 10 / 4 + 2000, 9);
    expect(sgAfterStain).toBeCloseTo(3010 / volumeMl, 9);
  });

  it('marked in one recipe and not in its sibling is the same glaze', () => {
    const lines = (kind: 'addition' | 'stain') => [
      { id: 'a', powderId: 'clear', part: 'base', percent: 100 } as const,
      { id: 'b', powderId: 'black', part: kind, percent: 6 },
    ];
    expect(baseSum({ lines: lines('stain') })).toBe(100);
    expect(siblings({ recipe: { id: 'x', lines: lines('stain') }, others: [{ id: 'y', lines: lines('addition') }] })).toEqual([
      { id: 'y', differingPowderIds: [] },
    ]);
  });
});
