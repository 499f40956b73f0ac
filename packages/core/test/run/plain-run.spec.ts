import fc from 'fast-check';
import { solveRun, STUCK_FILM_MM, wallStrip, type RunLayer, type WallStrip } from '../../src/index';

/** The scheme of the run as a plain loop that computes everything anew in every cell and step: slow, and easy to check by eye. */
function plainRun(strip: WallStrip, layers: readonly RunLayer[], omega: number): { layerMm: number[][]; off: number[] } {
  const { count, areaMm2, drive } = strip;
  const wholeOf = (rows: readonly ArrayLike<number>[], cell: number): number => rows.reduce((sum, row) => sum + row[cell]!, 0);
  const put = layers.map((layer) => layer.meltedMm);
  const freeShare = (cell: number): number => {
    const whole = wholeOf(put, cell);
    return whole > STUCK_FILM_MM ? (whole - STUCK_FILM_MM) / whole : 0;
  };
  const film = put.map((row) => Array.from(row, (mm, cell) => mm * freeShare(cell)));
  const off = layers.map(() => 0);
  const through = (cell: number): number => {
    const h = wholeOf(film, cell);
    if (h < 1e-7) return 0;
    const share = film.map((row) => row[cell]! / h);
    let ln = 0;
    for (let a = 0; a < layers.length; a++) {
      ln += share[a]! * Math.log(layers[a]!.flow);
      for (let b = a + 1; b < layers.length; b++) ln += 4 * Math.log(omega) * share[a]! * share[b]!;
    }
    return Math.exp(ln) * 2 * Math.PI * Math.max(0, drive[cell]!) * h * h;
  };
  for (let left = 1; left > 0;) {
    const out = Array.from({ length: count }, (_, cell) => through(cell));
    const fastest = Math.max(...out.map((each, cell) => each / areaMm2[cell]!));
    const step = fastest > 0 ? Math.min(left, 0.9 / (3 * fastest)) : left;
    film.forEach((row, layer) => {
      const gives = row.map((mm, cell) => step * out[cell]! * mm);
      row.forEach((mm, cell) => (row[cell] = mm + ((gives[cell - 1] ?? 0) - gives[cell]!) / areaMm2[cell]!));
      off[layer]! += gives.at(-1)!;
    });
    left -= step;
  }
  return { layerMm: film.map((row, layer) => row.map((mm, cell) => mm + put[layer]![cell]! * (1 - freeShare(cell)))), off };
}

const WALLS = [
  [
    { radiusMm: 40, heightMm: 70 },
    { radiusMm: 55, heightMm: 40 },
    { radiusMm: 30, heightMm: 0 },
  ],
  [
    { radiusMm: 35, heightMm: 60 },
    { radiusMm: 35, heightMm: 0 },
  ],
];
const LAYERS = fc.array(
  fc.record({
    fromMm: fc.integer({ min: 0, max: 30 }),
    wideMm: fc.integer({ min: 3, max: 50 }),
    mm: fc.double({ min: 0.05, max: 0.5, noNaN: true }),
    flow: fc.double({ min: 5, max: 600, noNaN: true }),
  }),
  { minLength: 1, maxLength: 4 },
);

describe('what the run leaves out and does in one go changes nothing', () => {
  it('layer by layer it is the plain loop that works everything out anew', () => {
    fc.assert(
      fc.property(fc.constantFrom(...WALLS), LAYERS, fc.double({ min: 1, max: 1.8, noNaN: true }), (downhill, list, omega) => {
        const strip = wallStrip({ downhill });
        const layers = list.map(({ fromMm, wideMm, mm, flow }): RunLayer => ({
          flow,
          meltedMm: Float64Array.from({ length: strip.count }, (_, cell) => (cell >= fromMm && cell < fromMm + wideMm ? mm : 0)),
        }));
        const plain = plainRun(strip, layers, omega);
        const { moments, offMm3 } = solveRun({ strip, layers, overlap: () => omega });
        expect(offMm3).toBeCloseTo(
          plain.off.reduce((sum, mm3) => sum + mm3, 0),
          1,
        );
        plain.layerMm.forEach((row, layer) =>
          row.forEach((mm, cell) => expect(Math.abs(moments[0]!.layerMm[layer]![cell]! - mm)).toBeLessThan(1e-4)),
        );
      }),
      { numRuns: 40 },
    );
  });
});
