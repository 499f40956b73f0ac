import fc from 'fast-check';
import { combinationsOf, currentVariations, spreadVariations, variedPlan, type Variation } from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GLAZES = ['a', 'b', 'c', 'd'].map((id) => glazeOf(id));
const PLATTER = planOf({ inside: [coat('a')], outside: [coat('b')], rim: [coat('c', 0.3)] }, { shapeId: 'platter' });
const RULE = { palette: ['a', 'b', 'c', 'd'], places: ['inside', 'outside', 'rim'] };
const keyOf = ({ buckets }: Variation): string => JSON.stringify(RULE.places.map((place) => buckets[place]));
const spread = (count: number, rule = RULE, glazes = GLAZES): Variation[] => spreadVariations({ plan: PLATTER, glazes, rule, count });

describe('seven platters, each one different', () => {
  it('no two are alike, and every glaze gets its turn in every place', () => {
    const seven = spread(7);
    expect(new Set(seven.map(keyOf)).size).toBe(7);
    for (const place of RULE.places)
      for (const id of RULE.palette) expect(seven.filter((one) => one.buckets[place] === id).length).toBeGreaterThanOrEqual(1);
  });

  it('whatever is asked for: none alike, turns within two of one another, the same set again from the same rule', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 2, max: 4 }), (count, colours) => {
        const rule = { ...RULE, palette: RULE.palette.slice(0, colours) };
        const most = combinationsOf({ plan: PLATTER, glazes: GLAZES, rule }).length;
        if (count > most) return expect(() => spread(count, rule)).toThrow('add a glaze or a place');
        const set = spread(count, rule);
        expect(new Set(set.map(keyOf)).size).toBe(count);
        expect(spread(count, rule)).toEqual(set);
        if (colours < 4) return undefined;
        for (const place of RULE.places) {
          const turns = rule.palette.map((id) => set.filter((one) => one.buckets[place] === id).length);
          expect(Math.max(...turns) - Math.min(...turns)).toBeLessThanOrEqual(2);
        }
        return undefined;
      }),
    );
  });

  it('a pair that flakes is never among them, nor a glaze over itself', () => {
    const glazes = [glazeOf('a', { shrinkShare: 4 }), glazeOf('b', { shrinkShare: 30 }), glazeOf('c'), glazeOf('d')];
    const all = combinationsOf({ plan: PLATTER, glazes, rule: RULE });
    expect(all.some(({ buckets }) => buckets['outside'] === 'a' && buckets['rim'] === 'b')).toBe(false);
    expect(all.some(({ buckets }) => buckets['outside'] === buckets['rim'])).toBe(false);
    expect(all.some(({ buckets }) => buckets['outside'] === 'b' && buckets['rim'] === 'a')).toBe(true);
  });

  it('too many combinations, or none chosen, are refused in words', () => {
    const many = Array.from({ length: 40 }, (_, at) => `g${at}`);
    expect(() => spread(3, { palette: many, places: ['inside', 'outside', 'rim', 'foot'] })).toThrow('too many combinations');
    expect(() => spread(3, { palette: [], places: ['inside'] })).toThrow('Choose the glazes');
  });

  it('a piece of it has the uppermost coat of each place changed, and nothing else', () => {
    const plan = planOf({ outside: [coat('a', 0.4), coat('b', 0.3)] }, { strips: [{ id: 's', fromMm: 30, toMm: 50, layers: [coat('c')] }] });
    const varied = variedPlan(plan, { buckets: { outside: 'd', s: 'a' } });
    expect(varied.zones.outside.map((layer) => layer.bucketId)).toEqual(['a', 'd']);
    expect(varied.strips![0]!.layers[0]!.bucketId).toBe('a');
    expect(varied.zones.outside.map((layer) => layer.id)).toEqual(plan.zones.outside.map((layer) => layer.id));
  });

  it('what was kept stays while it fits; another count is spread anew', () => {
    const kept = [...spread(7)].reverse();
    const ask = (count: number) => currentVariations({ plan: PLATTER, glazes: GLAZES, count, variations: { rule: RULE, pieces: kept } });
    expect(ask(7)).toEqual(kept);
    expect(ask(5)).toEqual(spread(5));
  });
});
