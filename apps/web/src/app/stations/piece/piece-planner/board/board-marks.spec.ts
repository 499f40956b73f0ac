import { markOf } from './board-marks';

const cornersOf = (looks: Parameters<typeof markOf>[0]['looks'], x = 40, y = -25): number[][] =>
  markOf({ looks, x, y })
    .split(' ')
    .map((corner) => corner.split(',').map(Number));

describe('what a hand takes hold of', () => {
  it.each(['point', 'grip', 'side'] as const)('a %s is a dot round where it stands', (looks) => {
    for (const [x, y] of cornersOf(looks)) expect(Math.hypot(x! - 40, y! + 25)).toBeCloseTo(6.5, 0);
    const middle = (at: 0 | 1): number => cornersOf(looks).reduce((sum, corner) => sum + corner[at]!, 0) / cornersOf(looks).length;
    expect(middle(0)).toBeCloseTo(40, 1);
    expect(middle(1)).toBeCloseTo(-25, 1);
  });

  it('a corner is square, and an edge a knob outside the line that points away from it', () => {
    expect(markOf({ looks: 'corner', x: 10, y: 20 })).toBe('4,14 16,14 16,26 4,26');
    const knob = cornersOf('edge');
    expect(Math.min(...knob.map(([x]) => x!))).toBe(40);
    expect(knob.reduce((tip, corner) => (corner[0]! > tip[0]! ? corner : tip))).toEqual([61, -25]);
  });
});
