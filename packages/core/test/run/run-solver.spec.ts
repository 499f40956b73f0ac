import fc from 'fast-check';
import { bandRunMm, solveRun, uprightStrip, wallStrip, type RunLayer, type WallStrip } from '../../src/index';

/** A band from so far down to so far down, melted thickness in mm. */
const band = (strip: WallStrip, fromMm: number, toMm: number, meltedMm: number, flow: number): RunLayer => ({
  flow,
  meltedMm: Float64Array.from({ length: strip.count }, (_, cell) => {
    const middle = (cell + 0.5) * strip.cellMm;
    return middle >= fromMm && middle < toMm ? meltedMm : 0;
  }),
});
const runOf = (meltedMm: number, bandMm: number, flow: number, cellMm = 1): number => {
  const expected = bandRunMm({ meltedMm, bandMm, flow });
  const strip = uprightStrip({ lengthMm: bandMm + expected * 1.3 + 30, cellMm });
  const { moments } = solveRun({ strip, layers: [band(strip, 0, bandMm, meltedMm, flow)], stuckMm: 0 });
  return moments[0]!.frontMm! - bandMm;
};

describe('melted glaze on an upright wall', () => {
  it.each([
    ['a wide band hardly moves', 0.14, 33, 95],
    ['a wide band of a runner', 0.3, 60, 200],
    ['a rim band that thins as it runs', 0.4, 20, 400],
    ['a narrow line runs far', 0.5, 8, 600],
    ['a pourer', 0.6, 40, 300],
  ])('%s as far as the exact formula says, within a millimetre or 5 %%', (_name, meltedMm, bandMm, flow) => {
    const expected = bandRunMm({ meltedMm, bandMm, flow });
    expect(Math.abs(runOf(meltedMm, bandMm, flow) - expected)).toBeLessThan(Math.max(1, 0.05 * expected));
  });

  it('whatever the band, and finer cells come nearer', () => {
    const cases = fc.tuple(
      fc.double({ min: 0.1, max: 0.6, noNaN: true }),
      fc.double({ min: 8, max: 80, noNaN: true }),
      fc.double({ min: 20, max: 600, noNaN: true }),
    );
    fc.assert(
      fc.property(cases, ([meltedMm, bandMm, flow]) => {
        const whole = Math.round(bandMm);
        const expected = bandRunMm({ meltedMm, bandMm: whole, flow });
        expect(Math.abs(runOf(meltedMm, whole, flow) - expected)).toBeLessThan(Math.max(1, 0.05 * expected));
      }),
      { numRuns: 40 },
    );
    const expected = bandRunMm({ meltedMm: 0.4, bandMm: 20, flow: 400 });
    const [coarse, fine] = [1, 0.25].map((cellMm) => Math.abs(runOf(0.4, 20, 400, cellMm) - expected));
    expect(fine).toBeLessThan(Math.max(0.3, coarse!));
  });

  it('0.6 mm at a flow of 50 runs as 0.3 mm at 200: one solve serves many', () => {
    expect(runOf(0.6, 40, 50)).toBeCloseTo(runOf(0.3, 40, 200), 6);
  });

  it('the film that sticks stays where it was', () => {
    const strip = uprightStrip({ lengthMm: 120 });
    const { moments } = solveRun({ strip, layers: [band(strip, 0, 40, 0.35, 200)] });
    expect(moments[0]!.frontMm! - 40).toBeCloseTo(runOf(0.3, 40, 200), 0);
    expect(moments[0]!.heightMm[0]).toBeGreaterThanOrEqual(0.05);
  });

  it('keeps every bit of it, layer by layer, and never less than nothing', () => {
    const layer = fc.record({
      from: fc.double({ min: 0, max: 50, noNaN: true }),
      wide: fc.double({ min: 3, max: 60, noNaN: true }),
      mm: fc.double({ min: 0.05, max: 0.7, noNaN: true }),
      flow: fc.double({ min: 1, max: 900, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(layer, { minLength: 1, maxLength: 3 }), fc.double({ min: 1, max: 1.8, noNaN: true }), (list, omega) => {
        const strip = wallStrip({
          downhill: [
            { radiusMm: 40, heightMm: 110 },
            { radiusMm: 55, heightMm: 60 },
            { radiusMm: 30, heightMm: 0 },
          ],
        });
        const layers = list.map(({ from, wide, mm, flow }) => band(strip, from, from + wide, mm, flow));
        const { moments, lostShare } = solveRun({ strip, layers, overlap: () => omega, lookAt: [0.2, 0.6] });
        expect(Math.abs(lostShare)).toBeLessThan(1e-9);
        for (const { layerMm } of moments) for (const row of layerMm) expect(Math.min(...row)).toBeGreaterThanOrEqual(-1e-12);
      }),
      {
        numRuns: 30,
        // A coat no thicker than the film that stays beneath a runny one: cells that hold next to nothing.
        examples: [
          [
            [
              { from: 0, wide: 9.435716603163147, mm: 0.05, flow: 1.23333149209117 },
              { from: 0, wide: 7.449249949865641, mm: 0.13106094937475046, flow: 900 },
            ],
            1.3098860869940985,
          ],
        ],
      },
    );
  });

  it('two layers run as one film of their flow together', () => {
    const strip = uprightStrip({ lengthMm: 160 });
    const layers = [band(strip, 0, 50, 0.2, 60), band(strip, 0, 50, 0.2, 240)];
    // ln F is the mean by share, and half and half ω counts in full: 4 · ½ · ½.
    const flow = Math.sqrt(60 * 240) * 1.3;
    const { moments } = solveRun({ strip, layers, stuckMm: 0, overlap: () => 1.3 });
    expect(moments[0]!.frontMm! - 50).toBeCloseTo(runOf(0.4, 50, flow), 0);
  });
});

describe('the shape it runs over', () => {
  const put = (strip: WallStrip, mm: number, flow: number): RunLayer => ({ flow, meltedMm: new Float64Array(strip.count).fill(mm) });

  it('down to the shelf: what leaves the lower end is what a shelf would catch', () => {
    const strip = uprightStrip({ lengthMm: 60, radiusMm: 40 });
    expect(solveRun({ strip, layers: [band(strip, 0, 40, 0.2, 30)] }).offMm3).toBe(0);
    expect(solveRun({ strip, layers: [band(strip, 0, 40, 0.6, 500)] }).offMm3).toBeGreaterThan(0);
  });

  it('pools on a floor, and nothing leaves the inside', () => {
    const strip = wallStrip({
      downhill: [
        { radiusMm: 40, heightMm: 80 },
        { radiusMm: 35, heightMm: 6 },
        { radiusMm: 0, heightMm: 6 },
      ],
    });
    const { moments, offMm3 } = solveRun({ strip, layers: [put(strip, 0.4, 400)] });
    expect(offMm3).toBe(0);
    const wall = moments[0]!.heightMm[5]!;
    const corner = moments[0]!.heightMm.indexOf(Math.max(...moments[0]!.heightMm));
    expect(wall).toBeLessThan(0.4);
    expect(strip.heightMm[corner]).toBeLessThan(10);
  });

  it('hangs at a lip that turns under, and does not climb', () => {
    const strip = wallStrip({
      downhill: [
        { radiusMm: 50, heightMm: 80 },
        { radiusMm: 50, heightMm: 60 },
        { radiusMm: 44, heightMm: 66 },
        { radiusMm: 44, heightMm: 0 },
      ],
    });
    const { hangsMm3, moments } = solveRun({ strip, layers: [put(strip, 0.5, 400)] });
    expect(hangsMm3).toBeGreaterThan(0);
    expect(moments[0]!.heightMm.every((mm) => Number.isFinite(mm))).toBe(true);
  });

  it('a leaning wall holds more than an upright one', () => {
    const front = (topRadius: number): number => {
      const strip = wallStrip({
        downhill: [
          { radiusMm: 30, heightMm: 100 },
          { radiusMm: topRadius, heightMm: 0 },
        ],
      });
      return solveRun({ strip, layers: [band(strip, 0, 40, 0.3, 200)], stuckMm: 0 }).moments[0]!.frontMm!;
    };
    expect(front(130)).toBeLessThan(front(30));
  });

  it('grooves hold, flutes lead', () => {
    const strip = uprightStrip({ lengthMm: 140 });
    const layers = [band(strip, 0, 50, 0.35, 200)];
    const front = (change: object): number => solveRun({ strip, layers, ...change }).moments[0]!.frontMm!;
    expect(front({ stuckMm: 0.05 + 0.3 / 3 })).toBeLessThan(front({}));
    expect(front({ gathers: 1.5 })).toBeGreaterThan(front({}));
  });

  it.each([
    ['no layer', [], 'no glaze here to run'],
    ['a layer of another wall', [{ meltedMm: new Float64Array(3), flow: 50 }], 'a thickness for every cell'],
    ['a flow of nothing', [{ meltedMm: new Float64Array(60), flow: 0 }], 'must be more than 0'],
  ])('%s is refused', (_name, layers, words) => {
    expect(() => solveRun({ strip: uprightStrip({ lengthMm: 60 }), layers })).toThrow(words);
  });
});
