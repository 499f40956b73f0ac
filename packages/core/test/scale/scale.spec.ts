import { pourTowards, readScaleLine, settle, UNSETTLED, type Settling } from '../../src/index';

describe('what a scale sends', () => {
  it.each([
    ['+ 123.4 g S', { kind: 'reading', grams: 123.4, saysStable: true }],
    ['ST,GS, 0.512 kg', { kind: 'reading', grams: 512, saysStable: true }],
    ['US,GS, 0.512 kg', { kind: 'reading', grams: 512, saysStable: false }],
    ['  12,05 g ?', { kind: 'reading', grams: 12.05, saysStable: false }],
    ['- 3.1 g', { kind: 'reading', grams: -3.1, saysStable: false }],
    ['1 oz *', { kind: 'reading', grams: 28.349523125, saysStable: true }],
    ['42', { kind: 'reading', grams: 42, saysStable: false }],
    ['OL', { kind: 'overload' }],
    ['-----', { kind: 'overload' }],
    ['LOW BATT', { kind: 'unreadable', text: 'LOW BATT' }],
    ['', { kind: 'unreadable', text: '' }],
  ])('“%s”', (text, line) => {
    const read = readScaleLine(text);
    expect(read.kind).toBe(line.kind);
    if (read.kind === 'reading' && line.kind === 'reading') {
      expect(read.grams).toBeCloseTo((line as { grams: number }).grams, 9);
      expect(read.saysStable).toBe((line as { saysStable: boolean }).saysStable);
    }
  });
});

/** Recorded at a bench: 10 readings a second while a scoop is emptied, then left alone. */
const SCOOP = [0, 0, 0.1, 4.2, 11.8, 19.6, 27.3, 36.1, 44.9, 52.4, 58.8, 63.1, 66.2, 68.9, 70.4, 71.1, 71.4, 71.3, 71.4, 71.5];
const LEFT_ALONE = [71.4, 71.5, 71.4, 71.4, 71.3, 71.4, 71.4, 71.5, 71.4, 71.4];

const follow = (grams: readonly number[], saysStable = false): Settling[] => {
  let now = UNSETTLED;
  return grams.map((value, index) => (now = settle(now, { atMs: index * 100, grams: value, saysStable }, { divisionGrams: 0.1 })));
};

describe('a weight settles', () => {
  it('not while powder runs, and once when it is left alone', () => {
    const states = follow([...SCOOP, ...LEFT_ALONE]);
    const running = states.slice(3, SCOOP.length);
    expect(running.some((one) => one.settled)).toBe(false);
    expect(states.at(-1)!.settled).toBe(true);
    expect(states.at(-1)!.settledGrams).toBeCloseTo(71.4, 1);
  });

  it('not while a thin stream still rises, however slowly', () => {
    const stream = Array.from({ length: 40 }, (_, index) => 20 + index * 0.06);
    expect(follow(stream).some((one) => one.settled)).toBe(false);
  });

  it('sooner when the scale says so itself', () => {
    const first = (states: readonly Settling[]): number => states.findIndex((one) => one.settled);
    expect(first(follow(LEFT_ALONE, true))).toBeLessThan(first(follow(LEFT_ALONE, false)));
  });

  it('with its last digit flickering', () => {
    expect(follow([50, 50.1, 50, 50.2, 50.1, 50, 50.1, 50.1, 50, 50.1]).at(-1)!.settled).toBe(true);
  });

  it('and one odd reading never jumps across the screen', () => {
    const [, , , , , odd] = follow([30, 30, 30, 30, 30, 90, 30]);
    expect(odd!.shownGrams).toBe(30);
  });

  it('never on readings that stopped coming: a second later it starts anew', () => {
    let now = UNSETTLED;
    for (const [index, grams] of LEFT_ALONE.entries()) now = settle(now, { atMs: index * 100, grams, saysStable: false }, { divisionGrams: 0.1 });
    now = settle(now, { atMs: 60_000, grams: 71.4, saysStable: false }, { divisionGrams: 0.1 });
    expect(now.settled).toBe(false);
    expect(now.window).toHaveLength(1);
  });
});

describe('a pour', () => {
  const at = (netGrams: number) => pourTowards({ netGrams, targetGrams: 100, divisionGrams: 0.1 });
  it.each([
    [10, 'far'],
    [92, 'near'],
    [99.6, 'there'],
    [100.5, 'there'],
    [100.8, 'over'],
  ])('at %s of 100 g is %s', (netGrams, zone) => {
    expect(at(netGrams).zone).toBe(zone);
  });

  it('magnifies its last grams', () => {
    expect(at(95)).toMatchObject({ nearGrams: 10, missingGrams: 5 });
    expect(at(95).nearShare).toBeCloseTo(0.5, 9);
    expect(at(50).nearShare).toBe(0);
  });

  it('of a tiny line counts in divisions, not in percent', () => {
    expect(pourTowards({ netGrams: 0.4, targetGrams: 0.5, divisionGrams: 0.1 }).zone).toBe('there');
  });
});
