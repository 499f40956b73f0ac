import fc from 'fast-check';
import {
  EIGHTY_PERCENT_Z,
  learnWaits,
  normalDraw,
  normalInterval,
  normalShareBelow,
  seededUniform,
  WAIT_LN_SD,
  waitsFrom,
  type DryTap,
} from '../../src/index';

const ask = { glaze: 'Tinaja', body: 'Barro Claro', day: 'Monday', guessMinutes: 8 };
const tap = (change: Partial<DryTap>): DryTap => ({ ...ask, ...change });

describe('how long a coat takes to dry, learnt from taps', () => {
  it('nobody tapped yet: the guess stays', () => {
    const { minutes, sdLn } = learnWaits({ dries: [], ask });
    expect(minutes).toBeCloseTo(8, 9);
    expect(sdLn).toBeCloseTo(Math.hypot(0.4, 0.2, 0.2), 9);
  });

  it('“not dry yet” lengthens the wait, “dry” at once shortens it, and a tap long after says little', () => {
    const minutes = (dries: DryTap[]): number => learnWaits({ dries, ask }).minutes;
    expect(minutes([tap({ afterMinutes: 10 })])).toBeGreaterThan(9);
    expect(minutes([tap({ byMinutes: 6 })])).toBeLessThan(7);
    expect(minutes([tap({ byMinutes: 60 })])).toBeCloseTo(8, 1);
    expect(minutes([tap({})])).toBeCloseTo(8, 9);
  });

  it('what was learnt of a glaze serves on another body and day, less surely; another glaze learns little', () => {
    const dries = Array.from({ length: 12 }, () => tap({ afterMinutes: 13, byMinutes: 15 }));
    const here = learnWaits({ dries, ask });
    const elsewhere = learnWaits({ dries, ask: { ...ask, body: 'Barro Oscuro', day: 'Friday' } });
    const other = learnWaits({ dries, ask: { ...ask, glaze: 'Humo', body: 'Barro Oscuro', day: 'Friday' } });
    expect(here.minutes).toBeGreaterThan(12.5);
    expect(elsewhere.minutes).toBeLessThan(here.minutes);
    expect(elsewhere.minutes).toBeGreaterThan(other.minutes);
    expect(other.minutes).toBeCloseTo(8, 6);
    expect(here.sdLn).toBeLessThan(elsewhere.sdLn);
    expect(elsewhere.sdLn).toBeLessThan(other.sdLn);
    expect(waitsFrom(dries).tapsOf('Tinaja')).toBe(12);
  });

  it('a slow day is that day’s: every glaze is slower then, and as before on the next', () => {
    const dries = ['Tinaja', 'Humo', 'Retama', 'Marisma'].map((glaze) => tap({ glaze, day: 'wet Monday', afterMinutes: 14 }));
    const wait = (day: string): number => learnWaits({ dries, ask: { ...ask, glaze: 'Leche de Higo', body: 'Barro Oscuro', day } }).minutes;
    expect(wait('wet Monday')).toBeGreaterThan(9);
    expect(wait('Tuesday')).toBeCloseTo(8, 6);
  });

  it('a piece cannot be dry before it was wet, and a guess is a time', () => {
    expect(() => learnWaits({ dries: [tap({ afterMinutes: 9, byMinutes: 5 })], ask })).toThrow('cannot have been dry before');
    expect(() => learnWaits({ dries: [], ask: { ...ask, guessMinutes: 0 } })).toThrow('The wait');
  });

  it('taps never make it less sure than none, and their order is nothing', () => {
    const taps = fc.array(
      fc.record({
        glaze: fc.constantFrom('a', 'b'),
        body: fc.constantFrom('x', 'y'),
        day: fc.constantFrom('1', '2'),
        after: fc.integer({ min: 1, max: 30 }),
        more: fc.integer({ min: 1, max: 30 }),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(taps, (all) => {
        const dries = all.map(({ after, more, ...of }): DryTap => ({ ...of, guessMinutes: 8, afterMinutes: after, byMinutes: after + more }));
        const question = { glaze: 'a', body: 'x', day: '1', guessMinutes: 8 };
        const whole = learnWaits({ dries, ask: question });
        expect(learnWaits({ dries: [...dries].reverse(), ask: question }).minutes).toBeCloseTo(whole.minutes, 5);
        expect(whole.sdLn).toBeLessThanOrEqual(learnWaits({ dries: [], ask: question }).sdLn + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('in 2,000 made-up studios four of five next pieces are dry within the interval', () => {
    const random = seededUniform(41);
    let held = 0;
    for (let studio = 0; studio < 2000; studio++) {
      const effect = (of: string[], sd: number): Map<string, number> => new Map(of.map((name) => [name, sd * normalDraw(random)]));
      const [glazes, bodies, days] = [effect(['a', 'b', 'c'], 0.4), effect(['x', 'y'], 0.2), effect(['1', '2'], 0.2)];
      const pick = (of: Map<string, number>): string => [...of.keys()][Math.floor(random() * of.size)]!;
      const wait = (glaze: string, body: string, day: string): number =>
        8 * Math.exp(glazes.get(glaze)! + bodies.get(body)! + days.get(day)! + WAIT_LN_SD * normalDraw(random));
      const dries = Array.from({ length: Math.floor(random() * 12) }, (): DryTap => {
        const [glaze, body, day] = [pick(glazes), pick(bodies), pick(days)];
        const minutes = wait(glaze, body, day);
        // Looked at every few minutes, or once, too early or too late.
        const step = 1 + 6 * random();
        const looks = Math.floor(minutes / step);
        const once = 16 * random();
        return random() < 0.6
          ? { glaze, body, day, guessMinutes: 8, ...(looks > 0 ? { afterMinutes: looks * step } : {}), byMinutes: (looks + 1) * step }
          : { glaze, body, day, guessMinutes: 8, ...(once < minutes ? { afterMinutes: once } : { byMinutes: once }) };
      });
      const [glaze, body, day] = [pick(glazes), pick(bodies), pick(days)];
      const { minutes, sdLn } = learnWaits({ dries, ask: { glaze, body, day, guessMinutes: 8 } });
      if (Math.abs(Math.log(wait(glaze, body, day) / minutes)) < EIGHTY_PERCENT_Z * Math.hypot(sdLn, WAIT_LN_SD)) held += 1;
    }
    expect(held / 2000).toBeGreaterThan(0.74);
    expect(held / 2000).toBeLessThan(0.86);
  });
});

describe('the chance of an interval', () => {
  it('is the difference of two shares, with its derivatives', () => {
    const at = (mean: number, low = -0.3, high = 0.9): number => normalInterval({ low, high, mean, sd: 0.5 }).ln;
    expect(Math.exp(at(0.2))).toBeCloseTo(normalShareBelow(1.4) - normalShareBelow(-1), 6);
    for (const [low, high] of [
      [-0.3, 0.9],
      [2, 2.1],
      [-Infinity, -1],
      [0.4, Infinity],
    ] as const) {
      const { slope, hold } = normalInterval({ low, high, mean: 0.2, sd: 0.5 });
      const step = 1e-4;
      const [before, here, after] = [at(0.2 - step, low, high), at(0.2, low, high), at(0.2 + step, low, high)];
      expect(slope).toBeCloseTo((after - before) / (2 * step), 3);
      expect(hold).toBeCloseTo(-(after - 2 * here + before) / step ** 2, 1);
    }
  });

  it('stays a number far out, where the difference of shares would be 0', () => {
    const far = normalInterval({ low: 30, high: 31, mean: 0, sd: 0.5 });
    expect(far.ln).toBeLessThan(-1700);
    expect(Number.isFinite(far.slope) && Number.isFinite(far.hold)).toBe(true);
    expect(far.slope).toBeCloseTo(120, 0);
  });
});
