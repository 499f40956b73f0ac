import fc from 'fast-check';
import { weighedDifference } from '../../src/index';

const lines = [
  { powderId: 'feldspar', percent: 45 },
  { powderId: 'silica', percent: 30 },
  { powderId: 'kaolin', percent: 25 },
  { powderId: 'tin', percent: 5 },
];
const weighed = (change: Record<string, number> = {}) =>
  Object.entries({ feldspar: 450, silica: 300, kaolin: 250, tin: 50, ...change })
    .filter(([, grams]) => grams > 0)
    .map(([powderId, grams]) => ({ powderId, grams }));

describe('what went into a bucket against its recipe', () => {
  it('weighed as hands weigh, it is as its recipe', () => {
    expect(weighedDifference({ lines, parts: weighed({ feldspar: 451, silica: 299, tin: 50.4 }) })).toEqual([]);
  });

  it('a skipped powder is missing, by as much as this batch wanted', () => {
    expect(weighedDifference({ lines, parts: weighed({ tin: 0 }) })).toEqual([{ powderId: 'tin', isGrams: 0, wantedGrams: 50 }]);
  });

  it('a doubled powder is too much, and the others are not called too little for it', () => {
    expect(weighedDifference({ lines, parts: weighed({ kaolin: 500 }) })).toEqual([{ powderId: 'kaolin', isGrams: 500, wantedGrams: 250 }]);
  });

  it('another powder in a line’s place is in, and the recipe’s own is missing', () => {
    const found = weighedDifference({ lines, parts: weighed({ silica: 0, flint: 300 }) });
    expect(found.map(({ powderId }) => powderId).sort()).toEqual(['flint', 'silica']);
  });

  it('a bought base has no lines to compare with', () => {
    expect(weighedDifference({ lines: [], parts: weighed() })).toEqual([]);
  });

  it('a batch of any size that was weighed as its recipe says is as its recipe', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 90, noNaN: true }), { minLength: 1, maxLength: 12 }),
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        (percents, factor) => {
          const named = percents.map((percent, at) => ({ powderId: `p${at}`, percent }));
          expect(weighedDifference({ lines: named, parts: named.map(({ powderId, percent }) => ({ powderId, grams: percent * factor })) })).toEqual(
            [],
          );
        },
      ),
    );
  });
});
