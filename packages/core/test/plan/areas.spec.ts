import fc from 'fast-check';
import {
  areaCm2,
  areasOf,
  glazeNeeded,
  gripAreaCm2,
  insideProfile,
  placeWords,
  planFault,
  roundShare,
  shapeOf,
  volumeMl,
  type Mask,
  type PiecePlan,
  type Strip,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const CYLINDER: PiecePlan['form'] = {
  wallMm: 4,
  floorMm: 6,
  points: [
    { radiusMm: 40, heightMm: 0 },
    { radiusMm: 40, heightMm: 100 },
  ],
};
const cylinder = (change: Partial<PiecePlan> = {}): PiecePlan =>
  planOf({ outside: [coat('a')] }, { form: CYLINDER, waxFootMm: 20, rimBandMm: 30, ...change });
const area = (plan: PiecePlan, id: string) => areasOf({ plan, shape: shapeOf(plan) }).find((one) => one.id === id)!;
const girthCm = (2 * Math.PI * 40) / 10;
const strip = (change: Partial<Strip> = {}): Strip => ({ id: 's', fromMm: 40, toMm: 60, layers: [coat('b')], ...change });

describe('area of each place', () => {
  it('the outside ends at the bare foot, the rim band is as high as it is', () => {
    expect(area(cylinder(), 'outside').areaCm2).toBeCloseTo(girthCm * 8, 6);
    expect(area(cylinder(), 'rim').areaCm2).toBeCloseTo(girthCm * 3, 6);
  });

  it('a rim glazed first takes its band off the outside, and so does a strip', () => {
    const rim = cylinder({ zones: { inside: [], outside: [coat('a')], rim: [coat('b')], foot: [] }, rimFirst: true });
    expect(area(rim, 'outside').areaCm2).toBeCloseTo(girthCm * 5, 6);
    expect(area(cylinder({ strips: [strip({ first: true })] }), 'outside').areaCm2).toBeCloseTo(girthCm * 6, 6);
    expect(area(cylinder({ strips: [strip()] }), 'outside').areaCm2).toBeCloseTo(girthCm * 8, 6);
  });

  it('a panel is its part of the turn, over the front as well', () => {
    expect(area(cylinder({ strips: [strip({ turn: { from: 0.25, to: 0.75 } })] }), 's').areaCm2).toBeCloseTo(girthCm, 6);
    expect(area(cylinder({ strips: [strip({ turn: { from: 0.9, to: 0.15 } })] }), 's').areaCm2).toBeCloseTo(0.25 * girthCm * 2, 6);
    expect(roundShare(undefined)).toBe(1);
  });

  it('an edge that slants or waves keeps the area: what it takes here it gives there', () => {
    for (const edge of [{ kind: 'slanted', riseMm: 14 } as const, { kind: 'waving', riseMm: 10, waves: 5 } as const]) {
      expect(area(cylinder({ edges: { wax: edge } }), 'outside').areaCm2).toBeCloseTo(girthCm * 8, 3);
      expect(area(cylinder({ strips: [strip({ edge })] }), 's').areaCm2).toBeCloseTo(girthCm * 2, 3);
    }
  });

  it('a drain hole is no glazed floor, and a handle takes glaze on all its sides', () => {
    const planter = planOf({ inside: [coat('a')] }, { shapeId: 'planter' });
    const shape = shapeOf(planter);
    expect(area(planter, 'inside').areaCm2).toBeCloseTo(areaCm2({ profile: insideProfile(shape) }) - (Math.PI * 8 ** 2) / 100, 6);
    const mug = planOf({ outside: [coat('a')] }, { shapeId: 'mug', waxFootMm: 0 });
    const underside = (Math.PI * shapeOf(mug).outside[0]!.radiusMm ** 2) / 100;
    expect(area(mug, 'outside').areaCm2).toBeCloseTo(areaCm2({ profile: shapeOf(mug).outside }) + gripAreaCm2(shapeOf(mug).grip!) + underside, 6);
  });

  it('what is waxed or taped takes no glaze; what is scraped or sponged takes it and loses it', () => {
    const mask = (kind: Mask['kind'], change: Partial<Mask> = {}): Mask => ({ id: 'm', kind, where: 'band', fromMm: 40, toMm: 60, ...change });
    const with_ = (...masks: Mask[]) => area(cylinder({ masks }), 'outside');
    for (const kind of ['wax', 'tape'] as const) {
      expect(with_(mask(kind)).areaCm2).toBeCloseTo(girthCm * 6, 6);
      expect(with_(mask(kind)).takesCm2).toBeCloseTo(girthCm * 6, 6);
    }
    for (const kind of ['scrape', 'sponge'] as const) {
      expect(with_(mask(kind)).areaCm2).toBeCloseTo(girthCm * 6, 6);
      expect(with_(mask(kind)).takesCm2).toBeCloseTo(girthCm * 8, 6);
    }
    // Overlapping masks count once, a panel by its part of the turn, below the bare foot nothing is left to mask.
    expect(with_(mask('wax'), mask('tape', { id: 'n', fromMm: 50, toMm: 70 })).areaCm2).toBeCloseTo(girthCm * 5, 6);
    expect(with_(mask('wax', { where: 'panel', turn: { from: 0.9, to: 0.15 } })).areaCm2).toBeCloseTo(girthCm * (8 - 0.25 * 2), 6);
    expect(with_(mask('wax', { fromMm: 0, toMm: 20 })).areaCm2).toBeCloseTo(girthCm * 8, 6);
    // Over a coat it keeps off only the coats after it.
    expect(with_(mask('wax', { overLayerId: 'a 0.5' })).areaCm2).toBeCloseTo(girthCm * 8, 6);
  });

  it('masked and glazed together are the whole, whatever is masked', () => {
    const masks = fc.array(
      fc.record({
        fromMm: fc.integer({ min: 0, max: 90 }),
        highMm: fc.integer({ min: 1, max: 60 }),
        from: fc.double({ min: 0, max: 1, noNaN: true }),
      }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(masks, (drawn) => {
        const made = drawn.map(({ fromMm, highMm, from }, at): Mask => {
          const head = { id: String(at), kind: 'wax' as const, fromMm, toMm: Math.min(100, fromMm + highMm) };
          return at % 2 === 0 ? { ...head, where: 'band' } : { ...head, where: 'panel', turn: { from, to: (from + 0.3) % 1 } };
        });
        const { areaCm2: glazed } = area(cylinder({ masks: made }), 'outside');
        // The masked share of a cylinder, counted on a fine grid of heights and turns.
        let masked = 0;
        const on = (mask: Mask, mm: number, turn: number): boolean =>
          mm > mask.fromMm && mm < mask.toMm && (!mask.turn || (turn - mask.turn.from + 1) % 1 < (mask.turn.to - mask.turn.from + 1) % 1);
        for (let mm = 20.5; mm < 100; mm++)
          for (let turn = 0; turn < 200; turn++) if (made.some((mask) => on(mask, mm, (turn + 0.5) / 200))) masked += girthCm / 10 / 200;
        expect(glazed + masked).toBeGreaterThan(girthCm * 8 - 0.03 * girthCm * 8);
        expect(glazed + masked).toBeLessThan(girthCm * 8 + 0.03 * girthCm * 8);
      }),
      { numRuns: 40 },
    );
  });

  it('dipped inside and outside at once, a piece pushes aside its wall, not what it holds', () => {
    const dunked = planOf({ inside: [coat('a')], outside: [coat('a')] }, { form: CYLINDER, waxFootMm: 0 });
    const apart = planOf({ inside: [coat('b')], outside: [coat('a')] }, { form: CYLINDER, waxFootMm: 0 });
    const holds = volumeMl({ profile: insideProfile(shapeOf(dunked)) });
    expect(area(apart, 'outside').displacedMl).toBeCloseTo((Math.PI * 40 ** 2 * 100) / 1000, 6);
    expect(area(dunked, 'outside').displacedMl).toBeCloseTo((Math.PI * 40 ** 2 * 100) / 1000 - holds, 6);
    expect(area(dunked, 'outside').displacedMl).toBeLessThan(150);
  });

  it('the level rises by what a dip pushes aside; poured inside it does not', () => {
    expect(area(cylinder(), 'outside').displacedMl).toBeCloseTo((Math.PI * 40 ** 2 * 80) / 1000, 6);
    expect(area(cylinder(), 'inside').displacedMl).toBe(0);
  });

  it('glaze: area by coat by packing and density, and the slurry that carries it', () => {
    const needed = glazeNeeded({ area: area(cylinder(), 'outside'), glazes: [glazeOf('a', { packing: 0.5, density: 2.6 })] });
    expect(needed.dryGrams).toBeCloseTo((girthCm * 8 * 0.5 * 0.5 * 2.6) / 10, 6);
    expect(needed.slurryMl).toBeGreaterThan(needed.dryGrams);
    expect(glazeNeeded({ area: area(cylinder(), 'outside'), glazes: [] })).toEqual({ dryGrams: 0, slurryMl: 0 });
  });

  it('places are told in the words of the bench', () => {
    const plan = cylinder({ strips: [strip()] });
    expect(['inside', 'rim', 's'].map((id) => placeWords(id, plan))).toEqual(['inside', 'the rim', 'the strip 40–60 mm up']);
  });
});

describe('a plan that cannot stand', () => {
  it.each([
    ['a strip of no height', { strips: [strip({ toMm: 40 })] }, 'no height'],
    ['a strip off the piece', { strips: [strip({ fromMm: 90, toMm: 120 })] }, 'lies off the piece, which is 100 mm high'],
    ['a foot bare to the rim', { waxFootMm: 100 }, 'no height is left for the outside'],
    ['a rim band of no height', { rimBandMm: 0, zones: { inside: [], outside: [], rim: [coat('a')], foot: [] } }, 'no height'],
    ['a foot that waves below the shelf', { waxFootMm: 4, edges: { wax: { kind: 'slanted', riseMm: 20 } as const } }, 'below the shelf'],
    ['tape on a hole that is not there', { masks: [{ id: 'm', kind: 'tape', where: 'hole', fromMm: 0, toMm: 0 } as const] }, 'no drain hole'],
    ['a mask upside down', { masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 30, toMm: 20 } as const] }, 'upper edge must lie above'],
    ['a form that cannot be', { form: { ...CYLINDER, wallMm: 60 } }, 'block'],
  ])('%s is refused with the reason', (_name, change, words) => {
    expect(planFault(cylinder(change as Partial<PiecePlan>))).toContain(words);
  });

  it('what can be made is not refused', () => {
    expect(planFault(cylinder({ strips: [strip({ edge: { kind: 'waving', riseMm: 8, waves: 4 } })] }))).toBeUndefined();
  });
});
