import { firedCoats, lookOfResult, looksOfTile, type FiredResult } from '../../src/index';

const RANGES = new Map([['ash', { lowSg: 1.44, highSg: 1.46 }]]);
const AT = '2026-03-01T09:00:00.000Z';
const kept = (more: Partial<FiredResult['glazedWith'][number]> = {}): FiredResult['glazedWith'][number] => ({
  bucketId: 'ash',
  sg: 1.45,
  coatMm: 0.5,
  seconds: null,
  doneAt: AT,
  ...more,
});
const result = (stars: number, faults: string[], coats = [kept()]): FiredResult => ({
  body: { stars, faults: faults.map((fault) => ({ fault })), note: '' },
  glazedWith: coats,
});

describe('how a fired piece looks, for the window of its glaze', () => {
  it.each([
    ['four stars are right', result(4, []), 'right'],
    ['thin is too thin, however many stars', result(5, ['thin']), 'thin'],
    ['what ran was too thick', result(3, ['ran']), 'thick'],
    ['three stars without a fault say nothing', result(3, []), undefined],
  ])('%s', (_name, one, verdict) => {
    expect(lookOfResult(one, RANGES)?.verdict).toBe(verdict);
  });

  it('counts at the coat that was done, not at the one that was planned', () => {
    const slow = lookOfResult(result(2, ['thick'], [kept({ seconds: 8, plannedSeconds: 2 })]), RANGES)!;
    expect(slow.coatMm).toBeGreaterThan(0.7);
    expect(lookOfResult(result(4, [], [kept({ sg: null })]), RANGES)!.coatMm).toBe(0.5);
  });

  it('says nothing with two glazes, with another glaze, or without a coat', () => {
    expect(lookOfResult(result(5, [], [kept(), kept()]), RANGES)).toBeUndefined();
    expect(lookOfResult(result(5, [], [kept({ bucketId: 'iron' })]), RANGES)).toBeUndefined();
    expect(lookOfResult(result(5, [], [kept({ coatMm: null })]), RANGES)).toBeUndefined();
  });

  it('a strip of a tile counts at its measured coat, else at the expected one; without a verdict it is left out', () => {
    expect(
      looksOfTile([{ verdict: 'thin', measuredMm: 0.3, expectedMm: 0.4 }, { verdict: 'right', expectedMm: 0.5, words: 'warm' }, { expectedMm: 0.7 }]),
    ).toEqual([
      { coatMm: 0.3, verdict: 'thin', words: '' },
      { coatMm: 0.5, verdict: 'right', words: 'warm' },
    ]);
  });
});

describe('the coats of a result', () => {
  it('seconds of the plan are no seconds that were timed', () => {
    expect(firedCoats([kept({ seconds: 3, secondsPlanned: true })])[0]).toEqual({ bucketId: 'ash', plannedMm: 0.5, plannedSeconds: 3, sg: 1.45 });
  });
  it('what nobody did has no SG; what is no bucket is no coat', () => {
    expect(firedCoats([kept({ doneAt: null }), kept({ bucketId: null })])).toEqual([{ bucketId: 'ash', plannedMm: 0.5 }]);
  });
});
