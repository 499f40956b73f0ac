import {
  foretoldStars,
  nextTests,
  normalDraw,
  seededUniform,
  type GlazeToTest,
  type NextTestQuestion,
  type PlannedUse,
  type TestCell,
} from '../../src/index';

const glaze = (id: string, change: Partial<GlazeToTest> = {}): GlazeToTest => ({
  id,
  oklab: [0.8, 0, 0.03],
  flow: 60,
  lnSd: 0.5,
  shrinkPercent: 15,
  bucket: 'inRange',
  ...change,
});
const WHITE = glaze('white');
const CREAM = glaze('cream', { oklab: [0.79, 0.005, 0.04] });
const BLUE = glaze('blue', { oklab: [0.35, -0.02, -0.12], flow: 200, shrinkPercent: 10 });
const studio = (change: Partial<NextTestQuestion> = {}): NextTestQuestion => ({
  glazes: [WHITE, CREAM, BLUE],
  bodyIds: ['claro'],
  cones: ['6'],
  fired: [],
  ...change,
});
const cell = (lowerId: string | undefined, upperId: string, change: Partial<TestCell> = {}): TestCell => ({
  ...(lowerId === undefined ? {} : { lowerId }),
  upperId,
  bodyId: 'claro',
  cone: '6',
  ...change,
});

describe('the next test', () => {
  it('is no repetition: what was fired, or is under way, is not told again', () => {
    const fired = [cell(undefined, 'white'), cell('white', 'blue')];
    const told = nextTests(studio({ fired, underWay: [cell('blue', 'white')] }), 20).map(({ lowerId, upperId }) => `${lowerId ?? ''}/${upperId}`);
    expect(told).toHaveLength(9 - 3);
    for (const key of ['/white', 'white/blue', 'blue/white']) expect(told).not.toContain(key);
  });

  it('says what makes it dearer: a glaze in no bucket, one out of its range, no kiln that is being filled', () => {
    const glazes = [WHITE, glaze('cream', { bucket: 'outOfRange' }), glaze('blue', { bucket: 'none' })];
    const told = nextTests(studio({ glazes, hasRoom: false }), 9);
    const costsOf = (upperId: string) => told.find((test) => test.lowerId === undefined && test.upperId === upperId)!;
    expect(costsOf('white')).toMatchObject({ costs: ['noRoom'], cost: 0.1 });
    expect(costsOf('cream').costs).toEqual(['outOfRange', 'noRoom']);
    expect(costsOf('blue').costs).toEqual(['none', 'noRoom']);
    expect(nextTests(studio(), 1)[0]).toMatchObject({ costs: [], cost: 0 });
  });

  it('what is like nothing that was made is news; what is nearly the same is none', () => {
    const [first, ...rest] = nextTests(studio({ fired: [{ ...cell(undefined, 'white'), stars: 3 }] }), 9);
    expect(first!.upperId === 'blue' || first!.lowerId === 'blue').toBe(true);
    expect(first!.because).toBe('news');
    const cream = rest.find(({ lowerId, upperId }) => lowerId === undefined && upperId === 'cream')!;
    expect(cream.news).toBeLessThan(0.1);
  });

  it('where tests like it had five stars, it promises much', () => {
    const question = studio({
      fired: [
        { ...cell(undefined, 'white'), stars: 5 },
        { ...cell(undefined, 'blue'), stars: 1 },
      ],
    });
    expect(foretoldStars(question, [cell(undefined, 'cream')])[0]!.stars).toBeGreaterThan(4);
    expect(foretoldStars(question, [cell(undefined, 'blue')])[0]!.stars).toBeLessThan(2);
  });

  it('a pair that pieces are planned with and may run is needed first', () => {
    const planned: PlannedUse[] = Array.from({ length: 4 }, () => ({ lowerId: 'cream', upperId: 'white', reachChance: 0.9 }));
    const fired = [WHITE, CREAM, BLUE]
      .flatMap(({ id }) => [WHITE, CREAM, BLUE].map((lower) => cell(lower.id, id)))
      .filter(({ lowerId, upperId }) => lowerId !== 'cream' || upperId !== 'white');
    const [first] = nextTests(studio({ planned, fired }), 1);
    expect(first).toMatchObject({ lowerId: 'cream', upperId: 'white', because: 'need' });
  });

  it('of two alike, the one whose buckets are ready comes first', () => {
    const twins = [WHITE, glaze('twin', { bucket: 'none' })];
    const [first] = nextTests(studio({ glazes: twins }), 1);
    expect(first).toMatchObject({ upperId: 'white', cost: 0 });
  });

  it('another body and another cone are other tests, a step apart', () => {
    const fired = [{ ...cell(undefined, 'white'), stars: 5 }];
    const question = studio({ bodyIds: ['claro', 'tostado'], cones: ['5', '6'], fired });
    const near = foretoldStars(question, [cell(undefined, 'white')])[0]!;
    expect(foretoldStars(question, [cell(undefined, 'white', { bodyId: 'tostado' })])[0]!.sd).toBeGreaterThan(near.sd);
    expect(foretoldStars(question, [cell(undefined, 'white', { cone: '5' })])[0]!.sd).toBeGreaterThan(near.sd);
  });

  it('tests with a glaze that is on the wall no more say nothing of those that are', () => {
    const gone = { ...cell('gone', 'white'), stars: 5 };
    expect(nextTests(studio({ fired: [gone], underWay: [cell(undefined, 'gone')], planned: [{ upperId: 'gone', reachChance: 1 }] }), 9)).toEqual(
      nextTests(studio({ fired: [{ ...gone, upperId: 'gone' }] }), 9),
    );
    expect(foretoldStars(studio({ fired: [gone] }), [gone])[0]).toEqual({ stars: 5, sd: expect.any(Number) });
    expect(nextTests(studio({ fired: [gone] }), 1)[0]!.news).toBe(1);
  });

  it('an empty studio has nothing to test; asked for none, it tells none', () => {
    expect(nextTests(studio({ glazes: [] }), 5)).toEqual([]);
    expect(nextTests(studio(), 0)).toEqual([]);
  });
});

describe('ten suggestions, in made-up studios whose stars follow from colour, flow and shrinkage', () => {
  const STUDIOS = 60;
  const TESTS = 10;

  /** Stars that change smoothly with what glazes are; runs that nobody knows well. */
  function madeUp(seed: number): {
    question: NextTestQuestion;
    cells: TestCell[];
    starsOf: (of: TestCell) => number;
    runError: (made: readonly TestCell[]) => number;
  } {
    const random = seededUniform(seed);
    const normal = (): number => normalDraw(random);
    // Glazes of a studio are in families: many whites, some darks.
    const families = Array.from({ length: 4 }, () => ({
      l: 0.3 + 0.6 * random(),
      a: 0.08 * normal(),
      b: 0.08 * normal(),
      flow: 4 + normal(),
      shrink: 10 + 10 * random(),
    }));
    const glazes = Array.from({ length: 12 }, (_, at) => {
      const family = families[Math.min(3, Math.floor(-Math.log(random())))]!;
      return glaze(`g${at}`, {
        oklab: [family.l + 0.03 * normal(), family.a + 0.02 * normal(), family.b + 0.02 * normal()],
        flow: Math.exp(family.flow + 0.3 * normal()),
        shrinkPercent: family.shrink + 2 * normal(),
      });
    });
    const waves = Array.from({ length: 6 }, () => ({ by: Array.from({ length: 10 }, normal), phase: 6 * random() }));
    const featuresOf = ({ lowerId, upperId }: TestCell): number[] =>
      [lowerId, upperId].flatMap((id) => {
        const of = glazes.find((one) => one.id === id);
        return of ? [of.oklab[0] / 0.3, of.oklab[1] / 0.2, of.oklab[2] / 0.2, Math.log(of.flow) / 2, of.shrinkPercent / 20] : [2, 1, 1, 2, 1];
      });
    const starsOf = (of: TestCell): number => {
      const features = featuresOf(of);
      const sum = waves.reduce((all, { by, phase }) => all + Math.sin(0.5 * by.reduce((dot, one, at) => dot + one * features[at]!, 0) + phase), 0);
      return Math.min(5, Math.max(1, 3 + 0.9 * sum));
    };
    const ids = glazes.map(({ id }) => id);
    const cells = ids.flatMap((upperId) => [
      cell(undefined, upperId),
      ...ids.filter((id) => id !== upperId).map((lowerId) => cell(lowerId, upperId)),
    ]);
    const pick = (): TestCell => cells[Math.floor(random() * cells.length)]!;
    const fired = Array.from({ length: 12 }, pick).map((one) => ({ ...one, stars: starsOf(one) }));
    const planned = Array.from({ length: 8 }, pick).map(({ lowerId, upperId }) => ({ lowerId, upperId, reachChance: random() }));
    const runError = (made: readonly TestCell[]): number =>
      planned.reduce((sum, use) => {
        const sd = use.lowerId === undefined ? 0.5 : 0.4;
        const isKnown = made.some(({ lowerId, upperId }) => lowerId === use.lowerId && upperId === use.upperId);
        return sum + use.reachChance * (isKnown ? 1 / Math.sqrt(1 / sd ** 2 + 1 / 0.2 ** 2) : sd);
      }, 0);
    return { question: { glazes, bodyIds: ['claro'], cones: ['6'], fired, planned }, cells, starsOf, runError };
  }

  const gains = Array.from({ length: STUDIOS }, (_, at) => {
    const { question, cells, starsOf, runError } = madeUp(1_000 + at);
    const starError = (made: readonly TestCell[]): number => {
      const after = { ...question, fired: [...question.fired, ...made.map((one) => ({ ...one, stars: starsOf(one) }))] };
      const told = foretoldStars(after, cells);
      return Math.sqrt(cells.reduce((sum, one, at) => sum + (told[at]!.stars - starsOf(one)) ** 2, 0) / cells.length);
    };
    const random = seededUniform(at);
    const key = ({ lowerId, upperId }: TestCell): string => `${lowerId ?? ''}/${upperId}`;
    const known = new Set(question.fired.map(key));
    const unmade = cells.filter((one) => !known.has(key(one)));
    const drawn = [...unmade]
      .map((one) => ({ one, by: random() }))
      .sort((a, b) => a.by - b.by)
      .slice(0, TESTS)
      .map(({ one }) => one);
    const of = (made: readonly TestCell[]) => ({ stars: starError([]) - starError(made), runs: runError([]) - runError(made) });
    return { told: of(nextTests(question, TESTS)), drawn: of(drawn), ordered: of(unmade.slice(0, TESTS)) };
  });
  const mean = (of: (gain: (typeof gains)[number]) => number): number => gains.reduce((sum, gain) => sum + of(gain), 0) / STUDIOS;

  it('lower the error of foretold stars one and a half times as much as ten at random, and more than the first ten unmade', () => {
    expect(mean(({ told }) => told.stars)).toBeGreaterThan(1.5 * mean(({ drawn }) => drawn.stars));
    expect(mean(({ told }) => told.stars)).toBeGreaterThan(mean(({ ordered }) => ordered.stars));
  });

  it('and so the error of foretold runs', () => {
    expect(mean(({ told }) => told.runs)).toBeGreaterThan(1.5 * mean(({ drawn }) => drawn.runs));
    expect(mean(({ told }) => told.runs)).toBeGreaterThan(mean(({ ordered }) => ordered.runs));
  });
});
