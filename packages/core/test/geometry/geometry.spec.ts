import fc from 'fast-check';
import { areaCm2, insideProfile, PIECE_SHAPES, profileBetween, volumeMl } from '../../src/index';

describe('a turned form', () => {
  it('a cylinder has the area and volume of a cylinder', () => {
    const profile = [
      { radiusMm: 40, heightMm: 0 },
      { radiusMm: 40, heightMm: 100 },
    ];
    expect(areaCm2({ profile })).toBeCloseTo((2 * Math.PI * 40 * 100) / 100, 9);
    expect(volumeMl({ profile })).toBeCloseTo((Math.PI * 1600 * 100) / 1000, 9);
  });

  it('cut in two it has the same area', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PIECE_SHAPES), fc.double({ min: 0.05, max: 0.95, noNaN: true }), ({ outside }, share) => {
        const tall = Math.max(...outside.map((point) => point.heightMm));
        const cut = share * tall;
        const lower = profileBetween({ profile: outside, fromMm: 0, toMm: cut });
        const upper = profileBetween({ profile: outside, fromMm: cut, toMm: tall });
        expect(areaCm2({ profile: lower }) + areaCm2({ profile: upper })).toBeCloseTo(areaCm2({ profile: outside }), 6);
      }),
    );
  });

  it.each(PIECE_SHAPES.filter((shape) => shape.slabMm === undefined).map((shape) => [shape.name, shape] as const))(
    '%s: its inside lies within its outside and holds something',
    (_name, shape) => {
      const inside = insideProfile(shape);
      expect(volumeMl({ profile: inside })).toBeGreaterThan(20);
      expect(volumeMl({ profile: inside })).toBeLessThan(volumeMl({ profile: [{ radiusMm: 0, heightMm: 0 }, ...shape.outside] }));
      inside.forEach((point) => expect(Number.isFinite(point.radiusMm) && point.radiusMm >= 0).toBe(true));
    },
  );

  it('one point is no profile', () => {
    expect(() => areaCm2({ profile: [{ radiusMm: 10, heightMm: 0 }] })).toThrow('at least two points');
  });
});
