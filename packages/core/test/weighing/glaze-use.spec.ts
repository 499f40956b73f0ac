import { equalCoats, glazeUse } from '../../src/index';

const bucket = { volumeMl: 5000, sg: 1.45, density: 2.6 };
const cups = { count: 20, areaCm2: 300, coatMm: 0.5, method: 'dip' as const };

describe('glaze for a list of pieces', () => {
  it('grams and millilitres, with what is lost', () => {
    const { rows, dryGrams, slurryMl, leftMl } = glazeUse({ pieces: [cups], bucket });
    // 20 × 300 cm² × 0.05 cm × 0.5 × 2.6 × 1.1
    expect(dryGrams).toBeCloseTo(429, 6);
    expect(slurryMl).toBeCloseTo(429 / 0.73125, 6);
    expect(leftMl).toBeCloseTo(5000 - slurryMl, 6);
    expect(rows[0]).toMatchObject({ bucketCovers: Math.floor((5000 * 0.73125) / 21.45) });
  });

  it('a flocculated bucket packs its coat more loosely, and takes less for the same millimetres; the other ways agree', () => {
    const loose = glazeUse({ pieces: [cups], bucket: { ...bucket, state: 'flocculated' } });
    expect(loose.dryGrams).toBeCloseTo((429 * 0.42) / 0.5, 6);
    const situation = { sg: 1.45, density: 2.6, state: 'flocculated', bisqueCone: '05', wallMm: 6, faces: 2 } as const;
    const dip = equalCoats({ coatMm: 0.5, areaCm2: 20 * 300, situation, volumeMlPerDryGram: 1 / 0.73125 }).find((one) => one.method === 'dip')!;
    expect(dip.glazeMl).toBeCloseTo(loose.slurryMl, 6);
  });

  it('what must stay in the bucket is not there for the pieces', () => {
    const { leftMl, rows } = glazeUse({ pieces: [cups], bucket, stayMl: 4600 });
    expect(leftMl).toBeLessThan(0);
    expect(rows[0]!.bucketCovers).toBe(13);
  });

  it('nothing listed takes nothing', () => {
    expect(glazeUse({ pieces: [], bucket })).toMatchObject({ rows: [], dryGrams: 0, leftMl: 5000 });
  });
});
