import fc from 'fast-check';
import {
  absorptionGuessPercent,
  coatCurve,
  coatFromDryGain,
  coatFromWetGain,
  dipCoat,
  effectiveSuction,
  EIGHTY_PERCENT_Z,
  meltedMm,
  predictCoat,
  predictSeconds,
  PRIOR_LN_SD,
  secondsForCoat,
  solidsByMass,
  wallCapacityMm,
  wallSuctionGuess,
  type CoatSituation,
  type Dip,
} from '../../src/index';

const DIP: Dip = { seconds: 3, solidsByVolume: 0.28, packing: 0.5, suction: 0.05, filmMm: 0.15, underMm: 0, underDryness: 1, wallWaterMm: 1 };
const POT: CoatSituation = { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 5, faces: 1 };
const mm = (dip: Partial<Dip>): number => {
  const coat = dipCoat({ ...DIP, ...dip });
  if (coat.kind !== 'ok') throw new Error(coat.kind);
  return coat.coatMm;
};
const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a dip', () => {
  it('grows with the square root of time beyond its film', () => {
    const film = mm({ seconds: 0 });
    expect((mm({ seconds: 4 }) - film) / (mm({ seconds: 1 }) - film)).toBeCloseTo(2, 6);
  });

  it('never thins with more time, a thicker bucket or a thirstier wall', () => {
    fc.assert(
      fc.property(positive(0.1, 20), positive(0.12, 0.4), positive(0.005, 0.12), (seconds, solidsByVolume, suction) => {
        const coat = mm({ seconds, solidsByVolume, suction });
        expect(mm({ seconds: seconds * 1.2, solidsByVolume, suction })).toBeGreaterThanOrEqual(coat - 0.5 * 0.15);
        expect(mm({ seconds, solidsByVolume: solidsByVolume * 1.05, suction })).toBeGreaterThan(coat * 0.8);
      }),
    );
  });

  it('a second dip over a dry coat adds less than the first', () => {
    const first = mm({});
    expect(mm({ underMm: first, underDryness: 1, wallWaterMm: 0.6 })).toBeLessThan(first);
  });

  it('on a fired glaze only the film stays', () => {
    expect(mm({ suction: 0, seconds: 30 })).toBeCloseTo((0.15 * 0.28) / 0.5, 12);
  });

  it('a wall that is full takes no more, however long', () => {
    const full = { wallWaterMm: 0.2 };
    expect(mm({ ...full, seconds: 60 })).toBeCloseTo(mm({ ...full, seconds: 600 }), 12);
  });

  it('paste is not dipped in', () => {
    expect(dipCoat({ ...DIP, solidsByVolume: 0.47 }).kind).toBe('tooThickToDip');
  });

  it.each([
    ['seconds', -1],
    ['packing', 1.2],
    ['underDryness', 2],
    ['filmMm', Number.NaN],
  ])('%s of %p is refused, not computed', (field, value) => {
    expect(() => dipCoat({ ...DIP, [field]: value })).toThrow();
  });
});

describe('seconds for a coat', () => {
  it('give that coat back, whatever the bucket and the wall', () => {
    fc.assert(
      fc.property(
        positive(0.15, 0.4),
        positive(0.01, 0.12),
        positive(0, 0.8),
        positive(0, 1),
        positive(0.2, 1.2),
        (solidsByVolume, suction, underMm, underDryness, coatMm) => {
          const dip = { ...DIP, solidsByVolume, suction, underMm, underDryness, wallWaterMm: 3 };
          const answer = secondsForCoat({ ...dip, coatMm, longestSeconds: 120 });
          if (answer.kind !== 'ok') return;
          expect(mm({ ...dip, seconds: answer.seconds })).toBeCloseTo(coatMm, 6);
        },
      ),
    );
  });

  it.each([
    ['tooThickToDip', { solidsByVolume: 0.47 }],
    ['filmAlreadyExceeds', { coatMm: 0.05 }],
    ['noSuction', { suction: 0 }],
    ['wallSaturated', { wallWaterMm: 0.05, coatMm: 1 }],
    ['tooSlow', { suction: 0.0005, wallWaterMm: 9, coatMm: 1.5 }],
  ])('say %s instead of a wrong number', (kind, change) => {
    expect(secondsForCoat({ ...DIP, coatMm: 0.6, longestSeconds: 60, ...change }).kind).toBe(kind);
  });
});

describe('the starting guess', () => {
  it('drinks less the higher the bisque was fired', () => {
    const suctions = ['08', '06', '05', '04', '02', '1', '6'].map((bisqueCone) => wallSuctionGuess({ bisqueCone }));
    expect([...suctions].sort((a, b) => b - a)).toEqual(suctions);
  });

  it.each([
    ['08', 0.06],
    ['06', 0.045],
    ['04', 0.03],
    ['02', 0.012],
    ['1', 0.006],
  ])('at SG 1.45 a bisque of cone %s draws about %p mm²/s', (bisqueCone, suction) => {
    const k = 0.28125 / (0.5 - 0.28125);
    expect(effectiveSuction({ cakeSuction: 0.09, wallSuction: wallSuctionGuess({ bisqueCone }), cakeFactor: k })).toBeCloseTo(suction, 2);
  });

  it('earthenware drinks three points more', () => {
    expect(absorptionGuessPercent({ bisqueCone: '04', earthenware: true }) - absorptionGuessPercent({ bisqueCone: '04' })).toBeCloseTo(3, 12);
  });

  it('two faces in the glaze share one wall', () => {
    const wall = { absorptionPercent: 12, bodyDensity: 1.9, wallMm: 5 };
    expect(wallCapacityMm({ ...wall, faces: 2 })).toBeCloseTo(wallCapacityMm({ ...wall, faces: 1 }) / 2, 12);
  });

  it('always comes with its range, never wider than its priors together', () => {
    const { coat, lowMm, highMm, basis } = predictCoat({ ...POT, seconds: 3 });
    if (coat.kind !== 'ok') throw new Error(coat.kind);
    expect(basis).toEqual({ kind: 'startingGuess' });
    expect(lowMm!).toBeLessThan(coat.coatMm);
    expect(highMm!).toBeGreaterThan(coat.coatMm);
    const { meanLowMm, meanHighMm } = predictCoat({ ...POT, seconds: 3 });
    expect(Math.log(meanHighMm! / coat.coatMm)).toBeLessThan(EIGHTY_PERCENT_Z * PRIOR_LN_SD * Math.sqrt(3));
    // One dip scatters about the mean: its band is the wider one, and stays where the mean is known.
    expect(lowMm!).toBeLessThan(meanLowMm!);
    const none = [0, 0, 0];
    const known = predictCoat({ ...POT, seconds: 3 }, { shift: [0, 0, 0], covariance: [none, none, none], basis: { kind: 'startingGuess' } });
    expect(known.meanHighMm).toBeCloseTo(coat.coatMm, 9);
    expect(Math.log(known.highMm! / coat.coatMm)).toBeGreaterThan(EIGHTY_PERCENT_Z * 0.08);
    expect(Math.log(known.highMm! / coat.coatMm)).toBeLessThan(EIGHTY_PERCENT_Z * 0.2);
  });

  it('a thick bucket gives the same coat sooner', () => {
    const seconds = (sg: number): number => {
      const answer = predictSeconds({ ...POT, sg, coatMm: 0.6 });
      if (answer.kind !== 'ok') throw new Error(answer.kind);
      return answer.seconds;
    };
    expect(seconds(1.5)).toBeLessThan(seconds(1.42));
  });

  it('inside first leaves a thin wall thirsting less for the outside', () => {
    const first = predictCoat({ ...POT, wallMm: 3, seconds: 8 });
    const second = predictCoat({ ...POT, wallMm: 3, seconds: 8, wallTakenMm: 0.6 });
    if (first.coat.kind !== 'ok' || second.coat.kind !== 'ok') throw new Error('no coat');
    expect(second.coat.coatMm).toBeLessThan(first.coat.coatMm);
  });

  it('a curve starts at zero seconds and rises', () => {
    const curve = coatCurve({ ...POT, points: 50, mostSeconds: 8 });
    expect(curve).toHaveLength(50);
    expect(curve[0]?.seconds).toBe(0);
    curve.slice(1).forEach((point, i) => expect(point.coatMm).toBeGreaterThanOrEqual(curve[i]!.coatMm));
  });

  it('has no curve for a bucket too thick to dip', () => {
    expect(coatCurve({ ...POT, sg: 1.8, points: 10, mostSeconds: 5 })).toEqual([]);
  });
});

describe('a coat from its weight', () => {
  it('wet and dry gain agree', () => {
    const wet = { sg: 1.45, density: 2.6, packing: 0.5, areaCm2: 300 };
    const gain = 40;
    const dry = gain * solidsByMass(wet);
    expect(coatFromWetGain({ ...wet, gainGrams: gain })).toBeCloseTo(
      coatFromDryGain({ gainGrams: dry, density: 2.6, packing: 0.5, areaCm2: 300 }),
      12,
    );
  });

  it('melts to less than half of what it was dry', () => {
    expect(meltedMm({ coatMm: 0.6, packing: 0.5, density: 2.6, loiPercent: 10 })).toBeCloseTo((0.6 * 0.5 * 2.6 * 0.9) / 2.45, 12);
  });
});
