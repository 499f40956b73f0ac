import fc from 'fast-check';
import { compareWithRecords, dryGrams, sgOfMix } from '../../src/index';

const DENSITY = 2.6;
const dry = dryGrams({ volumeMl: 10_000, sg: 1.45, density: DENSITY });
const book = { dryGrams: dry, waterGrams: 14_500 - dry, density: DENSITY, sgSd: 0.007 };

describe('a reading beside the records', () => {
  it('within what both can tell agrees', () => {
    expect(compareWithRecords({ ...book, sg: 1.47 })).toMatchObject({ kind: 'agrees' });
  });

  it('thicker says how much water has left', () => {
    const gone = 1000;
    const sg = sgOfMix({ dryGrams: dry, waterGrams: book.waterGrams - gone, density: DENSITY });
    const thick = compareWithRecords({ ...book, sg: Math.max(sg, 1.52) });
    expect(thick.kind).toBe('thicker');
    const exact = compareWithRecords({ ...book, sg: 1.55 });
    expect(exact.kind === 'thicker' && sgOfMix({ dryGrams: dry, waterGrams: book.waterGrams - exact.waterGrams, density: DENSITY })).toBeCloseTo(
      1.55,
      9,
    );
  });

  it('thinner may be powder on the bottom', () => {
    expect(compareWithRecords({ ...book, sg: 1.36 }).kind).toBe('thinner');
  });

  it.each([
    ['heavier than its own powder', { density: 1.4, sg: 1.5 }],
    ['as thin as milk', { sg: 1.1 }],
    ['a paste that lost most of its water unseen', { sg: 2 }],
  ])('%s is impossible, and is asked about', (_name, change) => {
    const question = { ...book, ...change };
    // A slurry heavier than its powder cannot have been mixed from it: the SG of the records must stay below its density.
    const safe = question.density < 1.45 ? { ...question, waterGrams: 40_000 } : question;
    expect(compareWithRecords(safe).kind).toBe('impossible');
  });

  it('is never believed and impossible at once: whatever is not asked about is explained by its water', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.02, max: 2.1, noNaN: true }), (sg) => {
        const answer = compareWithRecords({ ...book, sg });
        if (answer.kind !== 'thicker' && answer.kind !== 'thinner') return;
        const water = book.waterGrams + (answer.kind === 'thinner' ? 1 : -1) * answer.waterGrams;
        expect(water).toBeGreaterThan(0);
        expect(sgOfMix({ dryGrams: dry, waterGrams: water, density: DENSITY })).toBeCloseTo(sg, 9);
      }),
    );
  });
});
