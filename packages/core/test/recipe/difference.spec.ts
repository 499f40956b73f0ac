import fc from 'fast-check';
import { recipeDifference, type RecipeLine } from '../../src/index';
import { addition, base } from '../powders';

describe('what changed between two versions', () => {
  it('is said by powder: new, out, and from what to what', () => {
    expect(
      recipeDifference({
        before: [base('silica', 30), base('kaolin', 20), addition('iron', 2)],
        after: [base('silica', 30), base('kaolin', 25), addition('tin', 4)],
      }),
    ).toEqual([
      { kind: 'changed', part: 'base', powderId: 'kaolin', fromPercent: 20, toPercent: 25 },
      { kind: 'added', part: 'addition', powderId: 'tin', percent: 4 },
      { kind: 'removed', part: 'addition', powderId: 'iron', percent: 2 },
    ]);
  });

  it('order, line ids and empty lines are no change', () => {
    const before = [base('silica', 30), base('kaolin', 20)];
    const after = [{ ...base('kaolin', 20), id: 'other' }, base('silica', 30), base('talc', 0)];
    expect(recipeDifference({ before, after })).toEqual([]);
  });

  it('a powder on two lines counts with their sum', () => {
    expect(recipeDifference({ before: [base('silica', 10), { ...base('silica', 15), id: 'b' }], after: [base('silica', 25)] })).toEqual([]);
  });

  it('a powder moved over the base is out and in', () => {
    expect(recipeDifference({ before: [base('tin', 5)], after: [addition('tin', 5)] }).map((one) => one.kind)).toEqual(['added', 'removed']);
  });

  it('there and back is the same difference turned round', () => {
    const lines = fc.uniqueArray(
      fc.record({
        powderId: fc.constantFrom('a', 'b', 'c', 'd'),
        part: fc.constantFrom<RecipeLine['part']>('base', 'addition'),
        percent: fc.double({ min: 0.1, max: 60, noNaN: true }),
      }),
      { selector: (line) => line.part + line.powderId },
    );
    fc.assert(
      fc.property(lines, lines, (a, b) => {
        const withIds = (list: typeof a): RecipeLine[] => list.map((line, index) => ({ ...line, id: String(index) }));
        const [before, after] = [withIds(a), withIds(b)];
        const there = recipeDifference({ before, after });
        const back = recipeDifference({ before: after, after: before });
        expect(back).toHaveLength(there.length);
        expect(there.filter((one) => one.kind === 'added')).toHaveLength(back.filter((one) => one.kind === 'removed').length);
      }),
    );
  });
});
