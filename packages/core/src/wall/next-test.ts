import { CONES } from '../melt/cones';
import type { Combination } from './combination';

/** A glaze, as far as tests of it are like tests of another. */
export interface GlazeToTest {
  id: string;
  /** Colour in OKLab: lightness 0–1, green to red, blue to yellow. */
  oklab: readonly [lightness: number, a: number, b: number];
  /** How far it flows, and how well that is known: sd of ln. */
  flow: number;
  lnSd: number;
  /** Powders that shrink, percent. */
  shrinkPercent: number;
  /** Where it is now. */
  bucket: 'inRange' | 'outOfRange' | 'none';
}

/** A combination on a body at a cone. */
export interface TestCell extends Combination {
  bodyId: string;
  cone: string;
}

/** Pieces that are planned with a combination, and how likely they run to their shelf. */
export interface PlannedUse extends Combination {
  reachChance: number;
}

export interface NextTestQuestion {
  glazes: readonly GlazeToTest[];
  bodyIds: readonly string[];
  cones: readonly string[];
  /** Fired pieces and tiles; stars left out where none were given. */
  fired: readonly (TestCell & { stars?: number | undefined })[];
  /** Cells that are on their way: they are not told again. */
  underWay?: readonly TestCell[] | undefined;
  planned?: readonly PlannedUse[] | undefined;
  /** A test kiln, or a corner of the next one, is free. */
  hasRoom?: boolean | undefined;
}

/** What makes a test dearer: a glaze in no bucket, a bucket out of its range, no kiln that is being filled. */
export type TestCost = 'none' | 'outOfRange' | 'noRoom';

/** A test that is worth making next, with what speaks for it. */
export interface NextTest extends TestCell {
  need: number;
  news: number;
  promise: number;
  cost: number;
  /** Why it costs, the dearest first. */
  costs: readonly TestCost[];
  value: number;
  /** The largest of the three. */
  because: 'need' | 'news' | 'promise';
}

/** Shared by all pairs. */
const NOTHING: readonly TestCost[] = [];
const NO_ROOM: readonly TestCost[] = ['noRoom'];
const NO_BUCKET: readonly TestCost[] = ['none'];
const NO_BUCKET_NO_ROOM: readonly TestCost[] = ['none', 'noRoom'];
const OUT_OF_RANGE: readonly TestCost[] = ['outOfRange'];
const OUT_OF_RANGE_NO_ROOM: readonly TestCost[] = ['outOfRange', 'noRoom'];

/** What counts as one step apart. Source: science §11. */
const COLOUR_STEP = 0.1;
const LN_FLOW_STEP = 0.7;
const SHRINK_STEP = 8;
const OTHER_BODY = 1;
const OTHER_BODY_WEIGHT = Math.exp(-(OTHER_BODY ** 2) / 2);
/** How far the bare clay is from a glaze on it: as far as a quite different one. Our own guess. */
const CLAY_APART = 2;
/** One runner tile tells ln F, or ln ω of a pair, about so well. */
const RUNNER_LN_SD = 0.2;
const PAIR_LN_SD = 0.4;
/** Where nothing is near, stars are as in the whole studio: that weighs as much as so many tests. */
const PRIOR_TESTS = 0.3;
const USUAL_SD = 0.25;
const COSTS: Readonly<Record<TestCost, number>> = { none: 0.3, outOfRange: 0.1, noRoom: 0.1 };

/**
 * Returns the tests that are worth making next, the best first. Each is chosen as if those before it were made: ten suggestions are ten different
 * ones.
 *
 * Source: science §11: need + news + promise − cost, each 0–1.
 *
 * @param question - glazes, bodies and cones; what was fired, is under way and is planned
 * @param count - how many, 0 or more
 * @example
 * nextTests({ glazes: [], bodyIds: [], cones: [], fired: [] }, 5) // []
 */
export function nextTests(question: NextTestQuestion, count: number): NextTest[] {
  const board = new TestBoard(question);
  const chosen: NextTest[] = [];
  while (chosen.length < count) {
    const best = board.best();
    if (!best) break;
    chosen.push(best);
    // As if it were made: what is like it is no news any more.
    board.add(best, board.starsAt(best));
  }
  return chosen;
}

/**
 * Returns the stars that tests like each of some cells had, 1–5, and how unsure that is.
 *
 * @param question - as for `nextTests`
 * @param cells - any cells
 * @example
 * foretoldStars({ glazes: [], bodyIds: [], cones: [], fired: [] }, [{ upperId: 'ash', bodyId: 'claro', cone: '6' }])[0].stars // 3
 */
export function foretoldStars(question: NextTestQuestion, cells: readonly TestCell[]): { stars: number; sd: number }[] {
  const board = new TestBoard(question);
  return cells.map((cell) => board.foretold(cell));
}

/**
 * Every cell with what fired tests near it say. A test is as near to a cell as its parts are: the weights of the parts multiply. Cells are numbered, slice
 * by slice of a cone and a body, and in it by lower and upper glaze; the bare clay is the last of the lower ones.
 */
class TestBoard {
  private readonly glazeAt: ReadonlyMap<string, number>;
  /** Weights exp(−d²/2) between two glazes; the last row and column are the bare clay. */
  private readonly weights: Float64Array;
  private readonly size: number;
  private readonly coneSteps: readonly number[];
  private readonly sumWeight: Float64Array;
  private readonly sumStars: Float64Array;
  /** Of any test, also one without stars. */
  private readonly nearest: Float64Array;
  private readonly isDone: Uint8Array;
  private readonly mean: number;
  private readonly sd: number;
  /** Of a pair of glazes, whatever the slice. */
  private readonly needs: Float64Array;
  private readonly costs: readonly (readonly TestCost[])[];
  private readonly costSums: Float64Array;

  constructor(private readonly question: NextTestQuestion) {
    const { glazes, bodyIds, cones, fired, underWay = [] } = question;
    this.glazeAt = new Map(glazes.map(({ id }, at) => [id, at]));
    this.size = glazes.length + 1;
    this.weights = weightsOf(glazes);
    this.coneSteps = cones.map(stepOf);
    const cells = cones.length * bodyIds.length * this.size ** 2;
    this.sumWeight = new Float64Array(cells);
    this.sumStars = new Float64Array(cells);
    this.nearest = new Float64Array(cells);
    this.isDone = new Uint8Array(cells);
    const stars = fired.flatMap((test) => (test.stars === undefined ? [] : [shareOf(test.stars)]));
    this.mean = stars.length > 0 ? stars.reduce((sum, one) => sum + one, 0) / stars.length : 0.5;
    const spread = stars.reduce((sum, one) => sum + (one - this.mean) ** 2, 0);
    this.sd = stars.length > 3 ? Math.sqrt(spread / stars.length) : USUAL_SD;
    this.needs = this.needsOfPairs();
    this.costs = this.costsOfPairs();
    this.costSums = Float64Array.from(this.costs, (costs) => costs.reduce((sum, one) => sum + COSTS[one], 0));
    this.addAll([...fired, ...underWay.map((cell) => ({ ...cell, stars: undefined }))]);
  }

  /**
   * All tests at once. What a cell takes of a test is a product over lower glaze, upper glaze, body and cone, so tests with the same two glazes are put
   * together first, and the two glazes are gone through one after the other: as many steps as there are glazes, not as there are tests.
   */
  private addAll(tests: readonly (TestCell & { stars?: number | undefined })[]): void {
    const { size, weights } = this;
    const { bodyIds } = this.question;
    const pairs = size ** 2;
    // A test with a glaze that is on the wall no more says nothing of those that are.
    const known = tests.flatMap((test) => {
      const pair = this.pairOf(test);
      const share = test.stars === undefined ? undefined : shareOf(test.stars);
      return pair === undefined ? [] : [{ pair, body: bodyIds.indexOf(test.bodyId), step: stepOf(test.cone), share }];
    });
    for (const test of tests) this.markDone(test);
    for (const [cone, coneStep] of this.coneSteps.entries())
      for (const body of bodyIds.keys()) {
        const slice = { weight: new Float64Array(pairs), stars: new Float64Array(pairs), nearest: new Float64Array(pairs) };
        for (const test of known) {
          const weight = Math.exp(-((test.step - coneStep) ** 2) / 2) * (test.body === body ? 1 : OTHER_BODY_WEIGHT);
          slice.nearest[test.pair] = Math.max(slice.nearest[test.pair]!, weight);
          if (test.share === undefined) continue;
          slice.weight[test.pair]! += weight;
          slice.stars[test.pair]! += weight * test.share;
        }
        const from = pairs * (cone * bodyIds.length + body);
        this.sumWeight.set(summedOver(slice.weight, weights, size), from);
        this.sumStars.set(summedOver(slice.stars, weights, size), from);
        this.nearest.set(nearestOver(slice.nearest, weights, size), from);
      }
  }

  /** One more test; without stars it only says that it is there. */
  add(test: TestCell, stars: number | undefined): void {
    this.markDone(test);
    const pair = this.pairOf(test);
    if (pair === undefined) return;
    const { size, weights, sumWeight, sumStars, nearest } = this;
    const { bodyIds } = this.question;
    const [lower, upper] = [Math.floor(pair / size), pair % size];
    const coneStep = stepOf(test.cone);
    const share = stars === undefined ? 0 : shareOf(stars);
    for (const [cone, step] of this.coneSteps.entries())
      for (const [body, bodyId] of bodyIds.entries()) {
        const ofSlice = Math.exp(-((step - coneStep) ** 2) / 2) * (bodyId === test.bodyId ? 1 : OTHER_BODY_WEIGHT);
        const from = size ** 2 * (cone * bodyIds.length + body);
        for (let at = 0; at < size ** 2; at++) {
          const weight = ofSlice * weights[Math.floor(at / size) * size + lower]! * weights[(at % size) * size + upper]!;
          if (weight > nearest[from + at]!) nearest[from + at] = weight;
          if (stars === undefined) continue;
          sumWeight[from + at]! += weight;
          sumStars[from + at]! += weight * share;
        }
      }
  }

  best(): NextTest | undefined {
    const { size, question, isDone } = this;
    let [best, bestValue] = [-1, -Infinity];
    for (let slice = 0; slice < question.cones.length * question.bodyIds.length; slice++)
      for (let upper = 0; upper < size - 1; upper++)
        // The bare clay first.
        for (let nth = 0; nth < size; nth++) {
          const lower = nth === 0 ? size - 1 : nth - 1;
          const at = (slice * size + lower) * size + upper;
          if (lower === upper || isDone[at]) continue;
          const value = this.valueAt(at);
          if (value > bestValue) [best, bestValue] = [at, value];
        }
    return best < 0 ? undefined : this.testAt(best);
  }

  /** Stars, as nothing else is known. */
  starsAt(cell: TestCell): number {
    return this.foretold(cell).stars;
  }

  foretold(cell: TestCell): { stars: number; sd: number } {
    const at = this.cellAt(cell);
    if (at === undefined) return { stars: 1 + 4 * this.mean, sd: 4 * this.sd };
    const { mean, sd } = this.promiseAt(at);
    return { stars: 1 + 4 * mean, sd: 4 * sd };
  }

  private promiseAt(at: number): { mean: number; sd: number } {
    const weight = this.sumWeight[at]!;
    return {
      mean: (this.sumStars[at]! + PRIOR_TESTS * this.mean) / (weight + PRIOR_TESTS),
      sd: this.sd / Math.sqrt(1 + weight / PRIOR_TESTS),
    };
  }

  private valueAt(at: number): number {
    const weight = this.sumWeight[at]! + PRIOR_TESTS;
    const mean = (this.sumStars[at]! + PRIOR_TESTS * this.mean) / weight;
    const promise = Math.min(1, mean + this.sd / Math.sqrt(weight / PRIOR_TESTS) / 2);
    const pair = at % this.size ** 2;
    return this.needs[pair]! + 1 - this.nearest[at]! ** 2 + promise - this.costSums[pair]!;
  }

  private testAt(at: number): NextTest {
    const { size, question } = this;
    const { glazes, bodyIds, cones } = question;
    const pair = at % size ** 2;
    const slice = Math.floor(at / size ** 2);
    const lower = glazes[Math.floor(pair / size)];
    const { mean, sd } = this.promiseAt(at);
    const [need, news, promise] = [this.needs[pair]!, 1 - this.nearest[at]! ** 2, Math.min(1, mean + sd / 2)];
    return {
      ...(lower ? { lowerId: lower.id } : {}),
      upperId: glazes[pair % size]!.id,
      bodyId: bodyIds[slice % bodyIds.length]!,
      cone: cones[Math.floor(slice / bodyIds.length)]!,
      need,
      news,
      promise,
      cost: this.costSums[pair]!,
      costs: this.costs[pair]!,
      value: this.valueAt(at),
      because: need >= news && need >= promise ? 'need' : news >= promise ? 'news' : 'promise',
    };
  }

  private markDone(cell: TestCell): void {
    const at = this.cellAt(cell);
    if (at !== undefined) this.isDone[at] = 1;
  }

  /** The number of a cell; undefined of one that is not on the wall. */
  private cellAt(cell: TestCell): number | undefined {
    const { bodyIds, cones } = this.question;
    const [pair, body, cone] = [this.pairOf(cell), bodyIds.indexOf(cell.bodyId), cones.indexOf(cell.cone)];
    return pair === undefined || body < 0 || cone < 0 ? undefined : (cone * bodyIds.length + body) * this.size ** 2 + pair;
  }

  /** The number of two glazes in a slice; undefined where one is not on the wall. */
  private pairOf({ lowerId, upperId }: Combination): number | undefined {
    const lower = lowerId === undefined ? this.size - 1 : this.glazeAt.get(lowerId);
    const upper = this.glazeAt.get(upperId);
    return lower === undefined || upper === undefined ? undefined : lower * this.size + upper;
  }

  /** By how much one runner tile narrows what is not known of two glazes, for the pieces that may run with them; 0–1. */
  private needsOfPairs(): Float64Array {
    const needs = new Float64Array(this.size ** 2);
    for (const use of this.question.planned ?? []) {
      const pair = this.pairOf(use);
      if (pair === undefined) continue;
      const before = use.lowerId === undefined ? this.question.glazes[pair % this.size]!.lnSd : PAIR_LN_SD;
      const after = 1 / Math.sqrt(1 / before ** 2 + 1 / RUNNER_LN_SD ** 2);
      needs[pair] = Math.min(1, needs[pair]! + (1 - after / before) * Math.min(1, Math.max(0, use.reachChance)));
    }
    return needs;
  }

  private costsOfPairs(): (readonly TestCost[])[] {
    const buckets = [...this.question.glazes.map(({ bucket }) => bucket), 'inRange' as const];
    const isFull = this.question.hasRoom === false;
    return buckets.flatMap((lower) =>
      buckets.map((upper) => {
        if (lower === 'none' || upper === 'none') return isFull ? NO_BUCKET_NO_ROOM : NO_BUCKET;
        if (lower === 'outOfRange' || upper === 'outOfRange') return isFull ? OUT_OF_RANGE_NO_ROOM : OUT_OF_RANGE;
        return isFull ? NO_ROOM : NOTHING;
      }),
    );
  }
}

/** Of every pair of glazes: what tests of all pairs weigh there, together. */
function summedOver(tests: Float64Array, weights: Float64Array, size: number): Float64Array {
  const byUpper = new Float64Array(size * size);
  const all = new Float64Array(size * size);
  for (let lower = 0; lower < size; lower++)
    for (let test = 0; test < size; test++) {
      const there = tests[lower * size + test]!;
      if (there === 0) continue;
      for (let upper = 0; upper < size; upper++) byUpper[lower * size + upper]! += there * weights[upper * size + test]!;
    }
  for (let lower = 0; lower < size; lower++)
    for (let test = 0; test < size; test++) {
      const weight = weights[lower * size + test]!;
      for (let upper = 0; upper < size; upper++) all[lower * size + upper]! += weight * byUpper[test * size + upper]!;
    }
  return all;
}

/** Of every pair of glazes: what the nearest test weighs there. */
function nearestOver(tests: Float64Array, weights: Float64Array, size: number): Float64Array {
  const byUpper = new Float64Array(size * size);
  const all = new Float64Array(size * size);
  for (let lower = 0; lower < size; lower++)
    for (let test = 0; test < size; test++) {
      const there = tests[lower * size + test]!;
      if (there === 0) continue;
      for (let upper = 0; upper < size; upper++) {
        const weight = there * weights[upper * size + test]!;
        if (weight > byUpper[lower * size + upper]!) byUpper[lower * size + upper] = weight;
      }
    }
  for (let lower = 0; lower < size; lower++)
    for (let test = 0; test < size; test++)
      for (let upper = 0; upper < size; upper++) {
        const weight = weights[lower * size + test]! * byUpper[test * size + upper]!;
        if (weight > all[lower * size + upper]!) all[lower * size + upper] = weight;
      }
  return all;
}

function weightsOf(glazes: readonly GlazeToTest[]): Float64Array {
  const size = glazes.length + 1;
  const weights = new Float64Array(size * size);
  for (let a = 0; a < size; a++)
    for (let b = 0; b < size; b++) {
      const squared = a === b ? 0 : a === size - 1 || b === size - 1 ? CLAY_APART ** 2 : apartSquared(glazes[a]!, glazes[b]!);
      weights[a * size + b] = Math.exp(-squared / 2);
    }
  return weights;
}

function apartSquared(a: GlazeToTest, b: GlazeToTest): number {
  const colour = a.oklab.reduce((sum, part, at) => sum + (part - b.oklab[at]!) ** 2, 0) / COLOUR_STEP ** 2;
  const flow = ((Math.log(Math.max(1, a.flow)) - Math.log(Math.max(1, b.flow))) / LN_FLOW_STEP) ** 2;
  return colour + flow + ((a.shrinkPercent - b.shrinkPercent) / SHRINK_STEP) ** 2;
}

const shareOf = (stars: number): number => (Math.min(5, Math.max(1, stars)) - 1) / 4;
const stepOf = (cone: string): number => CONES.findIndex((one) => one.cone === cone);
