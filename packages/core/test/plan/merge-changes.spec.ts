import fc from 'fast-check';
import { mergeChanges } from '../../src/index';

const body = (change: object = {}, plan: object = {}): object => ({
  name: 'Jarrón',
  count: 12,
  plan: {
    waxFootMm: 12,
    zones: { inside: [{ id: 'a', coatMm: 0.4 }], outside: [{ id: 'b', coatMm: 0.5 }] },
    strips: [{ id: 's', fromMm: 40 }],
    order: [],
    ...plan,
  },
  ...change,
});

describe('two at one plan', () => {
  it('what does not touch is kept of both: one waxed higher, the other made it twenty', () => {
    const { merged, conflicts } = mergeChanges(body(), body({}, { waxFootMm: 15 }), body({ count: 20 }));
    expect(merged).toEqual(body({ count: 20 }, { waxFootMm: 15 }));
    expect(conflicts).toEqual([]);
  });

  it('a coat thinner here and another one there are both so', () => {
    const zones = (inside: number, outside: number): object => ({
      zones: { inside: [{ id: 'a', coatMm: inside }], outside: [{ id: 'b', coatMm: outside }] },
    });
    expect(mergeChanges(body({}, zones(0.4, 0.5)), body({}, zones(0.3, 0.5)), body({}, zones(0.4, 0.6))).merged).toEqual(body({}, zones(0.3, 0.6)));
  });

  it('a strip of mine and a strip of theirs both stay; what one took away stays away', () => {
    const strips = (...ids: string[]): object => body({}, { strips: ids.map((id) => ({ id, fromMm: 40 })) });
    expect(mergeChanges(strips('s'), strips('s', 'mine'), strips('s', 'theirs'))).toEqual({ merged: strips('s', 'mine', 'theirs'), conflicts: [] });
    expect(mergeChanges(strips('s', 't'), strips('t'), strips('s', 't', 'u')).merged).toEqual(strips('t', 'u'));
  });

  it('the same changed to two things is asked about, by its name', () => {
    const { merged, conflicts } = mergeChanges(body(), body({}, { waxFootMm: 15 }), body({ name: 'Vase' }, { waxFootMm: 18 }));
    expect(conflicts).toEqual(['plan.waxFootMm']);
    expect(merged).toEqual(body({ name: 'Vase' }, { waxFootMm: 15 }));
  });

  it('taken away here and changed there is asked about; the same change twice is one', () => {
    const gone = body({}, { strips: [] });
    const moved = body({}, { strips: [{ id: 's', fromMm: 50 }] });
    expect(mergeChanges(body(), gone, moved).conflicts).toEqual(['plan.strips.s']);
    expect(mergeChanges(body(), moved, moved).conflicts).toEqual([]);
  });

  it('whoever changed nothing changes nothing, and it does not matter who is asked', () => {
    const numbers = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), fc.integer({ min: 0, max: 3 }));
    fc.assert(
      fc.property(numbers, numbers, numbers, (base, mine, theirs) => {
        expect(mergeChanges(base, base, theirs).merged).toEqual(theirs);
        expect(mergeChanges(base, mine, base).merged).toEqual(mine);
        const [one, other] = [mergeChanges(base, mine, theirs), mergeChanges(base, theirs, mine)];
        expect([...one.conflicts].sort()).toEqual([...other.conflicts].sort());
        if (one.conflicts.length === 0) expect(one.merged).toEqual(other.merged);
      }),
    );
  });
});
