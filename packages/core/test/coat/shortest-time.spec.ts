import { predictCoat, predictSeconds, SHORTEST_SECONDS, tooShortForHands, type CoatSituation } from '../../src/index';

const bucket: CoatSituation = { sg: 1.55, density: 2.6, state: 'normal', bisqueCone: '04', wallMm: 6, faces: 2 };

describe('the shortest time that hands can do', () => {
  const coatMm = 0.35;
  const seconds = (situation: CoatSituation): number => {
    const wanted = predictSeconds({ ...situation, coatMm });
    return wanted.kind === 'ok' ? wanted.seconds : Number.NaN;
  };
  const asked = (change: object = {}) => tooShortForHands({ ...bucket, coatMm, method: 'dip', bucket: { sg: bucket.sg, volumeMl: 8000 }, ...change });

  it('a coat that asks for less is answered with what makes it possible: thinner glaze, and how much water that is', () => {
    expect(seconds(bucket)).toBeLessThan(SHORTEST_SECONDS.dip);
    const { thinner } = asked()!;
    // At that SG the coat takes just the shortest time.
    expect(seconds({ ...bucket, sg: thinner!.sg })).toBeCloseTo(SHORTEST_SECONDS.dip, 4);
    // The powder stays: 8 L at 1.55 with that water are at that SG.
    expect((8000 * 1.55 + thinner!.waterMl) / (8000 + thinner!.waterMl)).toBeCloseTo(thinner!.sg, 9);
  });

  it('the water is for the bucket as it stands, not for an SG that is only asked about', () => {
    const asIs = asked({ bucket: { sg: 1.5, volumeMl: 8000 } })!;
    expect(asIs.thinner!.sg).toBeCloseTo(asked()!.thinner!.sg, 9);
    expect((8000 * 1.5 + asIs.thinner!.waterMl) / (8000 + asIs.thinner!.waterMl)).toBeCloseTo(asIs.thinner!.sg, 9);
    expect(asked({ bucket: { sg: 1.3, volumeMl: 8000 } })!.thinner!.waterMl).toBe(0);
  });

  it('or with the coat that the shortest time gives', () => {
    const { atShortest } = asked()!;
    expect(atShortest).toEqual(predictCoat({ ...bucket, seconds: SHORTEST_SECONDS.dip }));
    expect(atShortest.coat.kind === 'ok' && atShortest.coat.coatMm).toBeGreaterThan(coatMm);
  });

  it('is not spoken of where hands have time enough', () => {
    expect(seconds({ ...bucket, sg: 1.4 })).toBeGreaterThan(SHORTEST_SECONDS.dip);
    expect(asked({ sg: 1.4 })).toBeUndefined();
  });

  it('is longer for a pour: glaze goes in, round and out', () => {
    const sg = 1.42;
    expect(seconds({ ...bucket, sg })).toBeGreaterThan(SHORTEST_SECONDS.dip);
    expect(seconds({ ...bucket, sg })).toBeLessThan(SHORTEST_SECONDS.pour);
    expect(asked({ sg })).toBeUndefined();
    expect(asked({ sg, method: 'pour' })?.shortestSeconds).toBe(3);
  });
});
