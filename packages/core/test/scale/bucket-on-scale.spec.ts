import { answerAsked, readBucketScale, NOTHING_ON_SCALE, overnightWater, type BucketOnScale } from '../../src/index';

const LIMITS = { divisionGrams: 1, leastGrams: 5, mostGrams: 90 };
/** What a scale shows: still weights, and weights in motion marked by `~`. */
function readAll(...readings: (number | `~${number}`)[]): BucketOnScale {
  let atMs = 0;
  return readings.reduce<BucketOnScale>((state, reading) => {
    atMs += 1_000;
    const moving = typeof reading === 'string';
    const shownGrams = moving ? Number(reading.slice(1)) : reading;
    return readBucketScale(state, { atMs, shownGrams, ...(moving ? {} : { settledGrams: shownGrams }) }, LIMITS);
  }, NOTHING_ON_SCALE);
}

describe('a bucket on the scale', () => {
  it('a dip is what it weighs less afterwards, with the seconds the piece was under', () => {
    const { dips, asked, restGrams } = readAll(8000, '~8150', '~8240', '~8236', '~7990', 7962);
    expect(dips).toEqual([{ id: 1, atMs: 6000, lossGrams: 38, dripsBackGrams: 0, seconds: 3 }]);
    expect(asked).toEqual([]);
    expect(restGrams).toBe(7962);
  });

  it('an empty scale is no bucket: what is stood on it then is where it begins', () => {
    expect(readAll(0, '~4000', 8000)).toMatchObject({ dips: [], asked: [], restGrams: 8000 });
  });

  it('held still under the glaze it is not yet a dip', () => {
    expect(readAll(8000, '~8200', 8240, 8240).dips).toEqual([]);
    expect(readAll(8000, '~8200', 8240, 8240, '~7990', 7962).dips).toMatchObject([{ lossGrams: 38 }]);
  });

  it('drips that run back are taken off the dip', () => {
    expect(readAll(8000, '~8200', '~7990', 7960, '~7962', 7965).dips).toMatchObject([{ lossGrams: 35, dripsBackGrams: 5 }]);
  });

  it('drips after a loss that is asked about belong to it, and are no question of their own', () => {
    expect(readAll(8000, '~7700', 7600, '~7603', 7606).asked).toMatchObject([{ guess: 'spilled', lossGrams: 394 }]);
  });

  it('several dips in a row are told apart', () => {
    expect(readAll(8000, '~8200', '~7980', 7960, '~8100', '~7930', 7921).dips.map((dip) => dip.lossGrams)).toEqual([40, 39]);
  });

  it('touched and let go is nothing', () => {
    expect(readAll(8000, '~8020', 8001, '~7999', 7999)).toMatchObject({ dips: [], asked: [], restGrams: 8000 });
  });

  it('a spill, a drop, something put in: asked about, never booked', () => {
    expect(readAll(8000, '~7700', 7600)).toMatchObject({ dips: [], asked: [{ guess: 'spilled', lossGrams: 400 }] });
    expect(readAll(8000, '~7996', 7997)).toMatchObject({ dips: [], asked: [{ guess: 'tooLittle', lossGrams: 3 }] });
    expect(readAll(8000, '~8000', 8300)).toMatchObject({ dips: [], asked: [{ guess: 'added', lossGrams: -300 }] });
  });

  it('lifted off and put back is nothing, unless it weighs something else than before', () => {
    expect(readAll(8000, '~100', 0, '~4000', 8001)).toMatchObject({ dips: [], asked: [], restGrams: 8001 });
    expect(readAll(8000, '~100', 0, '~4000', 7900)).toMatchObject({ dips: [], asked: [{ guess: 'lifted', lossGrams: 100 }], restGrams: 7900 });
  });

  it('what was asked becomes a dip only when somebody says so', () => {
    const state = readAll(8000, '~7996', 7997);
    expect(answerAsked(state, { id: 1, wasDip: true })).toMatchObject({ asked: [], dips: [{ lossGrams: 3 }] });
    expect(answerAsked(state, { id: 1, wasDip: false })).toMatchObject({ asked: [], dips: [] });
    expect(answerAsked(state, { id: 9, wasDip: true })).toBe(state);
  });

  it('something heavy left in for good is asked about after a minute', () => {
    let state = readAll(8000, '~8300');
    for (let second = 3; second < 70; second++) state = readBucketScale(state, { atMs: second * 1000, shownGrams: 8300, settledGrams: 8300 }, LIMITS);
    expect(state.asked).toMatchObject([{ guess: 'added', lossGrams: -300 }]);
    expect(state.asked).toHaveLength(1);
  });
});

describe('what it lost overnight', () => {
  const bucket = { volumeMl: 5000, sg: 1.45, sgSd: 0.006, waterGrams: 4400 };
  const night = { before: { grams: 8000, hoursAgo: 14 }, divisionGrams: 1, bucket };

  it('is water: the SG is known without a cylinder', () => {
    const answer = overnightWater({ ...night, nowGrams: 7940 });
    if (answer.kind !== 'lost') throw new Error(answer.kind);
    expect(answer.waterGrams).toBe(60);
    expect(answer.sg).toBeCloseTo((1.45 * 5000 - 60) / 4940, 9);
    expect(answer.sgSd).toBeGreaterThan(0.006);
    expect(answer.sgSd).toBeLessThan(0.007);
  });

  it.each([
    ['within two divisions', { nowGrams: 7999 }, 'nothing'],
    ['an hour is no night', { nowGrams: 7940, before: { grams: 8000, hoursAgo: 1 } }, 'nothing'],
    ['a litre is no evaporation', { nowGrams: 6900 }, 'notWaterAlone'],
    ['it got heavier', { nowGrams: 8100 }, 'notWaterAlone'],
  ])('%s', (_name, over, kind) => {
    expect(overnightWater({ ...night, ...over }).kind).toBe(kind);
  });
});
