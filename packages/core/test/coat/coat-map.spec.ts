import fc from 'fast-check';
import { coatMap, predictCoat, sgForCoat, TOO_THICK_CELL, type CoatSituation } from '../../src/index';

const SITUATION: Omit<CoatSituation, 'sg'> = { density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 5, faces: 1 };

describe('the map of seconds and SG', () => {
  it('says in every cell what the dip itself says', () => {
    const cases = fc.record({
      underMm: fc.constantFrom(0, 0.4, 0.9),
      underDryness: fc.constantFrom(0, 0.3, 1),
      thirst: fc.constantFrom(0, 0.4, 1),
      wallMm: fc.constantFrom(1.5, 3, 8),
      bisqueCone: fc.constantFrom('08', '04', '1'),
      firedUnder: fc.boolean(),
    });
    fc.assert(
      fc.property(cases, (over) => {
        const situation = { ...SITUATION, ...over };
        const map = coatMap({ situation, lowSg: 1.2, highSg: 1.9, mostSeconds: 20, columns: 11, rows: 9 });
        for (let row = 0; row < 9; row++) {
          for (let column = 0; column < 11; column++) {
            const { coat } = predictCoat({ ...situation, sg: 1.2 + (0.7 * row) / 8, seconds: 2 * column });
            const wanted = coat.kind === 'ok' ? coat.coatMm : TOO_THICK_CELL;
            expect(map.coatMm[row * 11 + column]).toBeCloseTo(wanted, 5);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it.each([
    [{ lowSg: 1.5, highSg: 1.4 }, 'upper SG above its lower one'],
    [{ mostSeconds: 0 }, 'must be more than 0'],
    [{ columns: 1 }, 'at least two columns'],
    [{ columns: 2000, rows: 2000 }, 'at most a million cells'],
  ])('%p is refused', (wrong, words) => {
    expect(() => coatMap({ situation: SITUATION, lowSg: 1.2, highSg: 1.9, mostSeconds: 20, columns: 10, rows: 10, ...wrong })).toThrow(words);
  });
});

describe('the SG for a coat', () => {
  it('gives that coat in that time', () => {
    for (const seconds of [1, 2.5, 6]) {
      const answer = sgForCoat({ ...SITUATION, seconds, coatMm: 0.5 });
      if (answer.kind !== 'ok') throw new Error(answer.kind);
      const { coat } = predictCoat({ ...SITUATION, sg: answer.sg, seconds });
      expect(coat.kind === 'ok' && coat.coatMm).toBeCloseTo(0.5, 6);
    }
  });

  it('is thinner the longer the dip, and says when no bucket is thick enough', () => {
    const sg = (seconds: number): number => (sgForCoat({ ...SITUATION, seconds, coatMm: 0.5 }) as { sg: number }).sg;
    expect(sg(6)).toBeLessThan(sg(2));
    const answer = sgForCoat({ ...SITUATION, seconds: 0.5, coatMm: 4 });
    expect(answer.kind).toBe('outOfReach');
    if (answer.kind === 'outOfReach') expect(answer.mostMm).toBeLessThan(4);
  });

  it('a film on a fired glaze follows the SG as well', () => {
    const answer = sgForCoat({ ...SITUATION, firedUnder: true, seconds: 3, coatMm: 0.08 });
    if (answer.kind !== 'ok') throw new Error(answer.kind);
    // f φ/c = 0.15 × φ/0.5
    expect((0.15 * ((answer.sg - 1) / 1.6)) / 0.5).toBeCloseTo(0.08, 6);
  });
});
