import fc from 'fast-check';
import { alongTo, heightAlong, PIECE_FORMS, shapeOf, sideToRun, uprightStrip, wallStrip } from '../../src';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

describe('heights along the way down a wall', () => {
  it('on an upright wall a height is as far down as it is below the rim, cells or not', () => {
    const strip = uprightStrip({ lengthMm: 100.4, cellMm: 1 });
    for (const height of [0.2, 9.4, 10, 10.7, 50.25, 100.3]) expect(alongTo(strip, height)).toBeCloseTo(100.4 - height, 9);
    expect(alongTo(strip, 120)).toBe(0);
    expect(alongTo(strip, -1)).toBeCloseTo(100.4, 9);
  });

  it('on the shelf and at the rim it ends', () => {
    const strip = uprightStrip({ lengthMm: 80 });
    expect(heightAlong(strip, 0)).toBeCloseTo(80, 9);
    expect(heightAlong(strip, 79.9)).toBeCloseTo(0.1, 9);
    expect(heightAlong(strip, 80)).toBe(0);
    expect(heightAlong(strip, 500)).toBe(0);
  });

  it('there and back again is the same height, on any wall that only goes down', () => {
    const wall = fc.array(fc.record({ radiusMm: fc.double({ min: 20, max: 120, noNaN: true }), rise: fc.double({ min: 3, max: 40, noNaN: true }) }), {
      minLength: 2,
      maxLength: 8,
    });
    fc.assert(
      fc.property(wall, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (points, share) => {
        let heightMm = 0;
        const downhill = points.map(({ radiusMm, rise }, at) => ({ radiusMm, heightMm: at === 0 ? 0 : (heightMm += rise) })).reverse();
        const strip = wallStrip({ downhill });
        const wanted = share * heightMm;
        expect(heightAlong(strip, alongTo(strip, wanted))).toBeCloseTo(wanted, 6);
      }),
    );
  });

  it('a floor that lies flat is never come below', () => {
    const strip = wallStrip({
      downhill: [
        { radiusMm: 40, heightMm: 5 },
        { radiusMm: 0, heightMm: 5 },
      ],
    });
    expect(alongTo(strip, 4)).toBeCloseTo(40, 9);
    expect(alongTo(strip, 6)).toBe(0);
  });

  it('the glaze of every form starts where its foot is waxed to', () => {
    for (const { id: shapeId } of PIECE_FORMS) {
      const plan = planOf({ outside: [coat('ash')] }, { shapeId, waxFootMm: 7.3 });
      const side = sideToRun({ plan, shape: shapeOf(plan), glazes: [glazeOf('ash')], side: 'outside' });
      expect(heightAlong(side!.strip, side!.startMm)).toBeCloseTo(7.3, 6);
    }
  });
});
