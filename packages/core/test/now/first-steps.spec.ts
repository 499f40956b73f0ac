import { FIRST_STEPS, firstHour, type FirstHourStudio } from '../../src/index';

const NOTHING: FirstHourStudio = {
  bodies: 0,
  scales: 0,
  vessels: 0,
  recipes: 0,
  filledBuckets: 0,
  measuredBuckets: 0,
  tiles: 0,
  pieces: 0,
  byFeel: false,
};

describe('the first hour of a studio', () => {
  it('leads from the clay to the first planned piece, one step after the other', () => {
    const has: Partial<FirstHourStudio>[] = [
      {},
      { bodies: 1 },
      { scales: 1, vessels: 1 },
      { recipes: 1 },
      { filledBuckets: 1 },
      { measuredBuckets: 1 },
      { tiles: 1 },
      { pieces: 1 },
    ];
    const nexts = has.map((_step, at) => firstHour(Object.assign({ ...NOTHING }, ...has.slice(0, at + 1))).next);
    expect(nexts).toEqual([...FIRST_STEPS, undefined]);
  });

  it('takes what was done out of order as done, and asks for what is open first', () => {
    const { steps, next } = firstHour({ ...NOTHING, recipes: 3, pieces: 1 });
    expect(steps.filter((one) => one.done).map((one) => one.step)).toEqual(['recipe', 'piece']);
    expect(next).toBe('body');
  });

  it('by feel no vessel is asked for', () => {
    const begun = { ...NOTHING, bodies: 1, scales: 1 };
    expect(firstHour(begun).next).toBe('vessel');
    expect(firstHour({ ...begun, byFeel: true }).next).toBe('recipe');
  });
});
