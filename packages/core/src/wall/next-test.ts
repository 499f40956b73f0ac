import { CONES } from '../melt/cones';
import { combinationKey, type Combination } from './combination';

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

/** Shared, because a cell is judged thousands of times. */
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

/** Every cell with what fired tests near it say. A test is as near to a cell as its parts are: the weights of the parts multiply. */
class TestBoard {
  private readonly glazeAt: ReadonlyMap<string, number>;
  /** Weights exp(−d²/2) between two glazes; the last row and column are the bare clay. */
  private readonly weights: Float64Array;
  private readonly size: number;
  private readonly coneSteps: readonly number[];
  private readonly cells: TestCell[] = [];
  private readonly parts: Int32Array;
  private readonly sumWeight: Float64Array;
  private readonly sumStars: Float64Array;
  /** Of any test, also one without stars. */
  private readonly nearest: Float64Array;
  private readonly cellAt: ReadonlyMap<string, number>;
  private readonly done = new Set<string>();
  private readonly mean: number;
  private readonly sd: number;
  private readonly needs: ReadonlyMap<string, number>;

  constructor(private readonly question: NextTestQuestion) {
    const { glazes, bodyIds, cones, fired, underWay = [] } = question;
    this.glazeAt = new Map(glazes.map(({ id }, at) => [id, at]));
    this.size = glazes.length + 1;
    this.weights = weightsOf(glazes);
    this.coneSteps = cones.map(stepOf);
    for (const cone of cones)
      for (const bodyId of bodyIds)
        for (const { id: upperId } of glazes) {
          this.cells.push({ upperId, bodyId, cone });
          for (const { id: lowerId } of glazes) if (lowerId !== upperId) this.cells.push({ lowerId, upperId, bodyId, cone });
        }
    this.parts = new Int32Array(4 * this.cells.length);
    this.cells.forEach((cell, at) =>
      this.parts.set([this.glaze(cell.lowerId), this.glaze(cell.upperId), bodyIds.indexOf(cell.bodyId), cones.indexOf(cell.cone)], 4 * at),
    );
    this.cellAt = new Map(this.cells.map((cell, at) => [cellKey(cell), at]));
    this.sumWeight = new Float64Array(this.cells.length);
    this.sumStars = new Float64Array(this.cells.length);
    this.nearest = new Float64Array(this.cells.length);
    const stars = fired.flatMap((test) => (test.stars === undefined ? [] : [shareOf(test.stars)]));
    this.mean = stars.length > 0 ? stars.reduce((sum, one) => sum + one, 0) / stars.length : 0.5;
    const spread = stars.reduce((sum, one) => sum + (one - this.mean) ** 2, 0);
    this.sd = stars.length > 3 ? Math.sqrt(spread / stars.length) : USUAL_SD;
    this.needs = needsOf(question);
    this.addAll([...fired, ...underWay.map((cell) => ({ ...cell, stars: undefined }))]);
  }

  /**
   * All tests at once. What a cell takes of a test is a product over lower glaze, upper glaze, body and cone, so tests with the same two glazes are put
   * together first, and the two glazes are gone through one after the other: as many steps as there are glazes, not as there are tests.
   */
  private addAll(tests: readonly (TestCell & { stars?: number | undefined })[]): void {
    const { size, weights, question, parts } = this;
    const { bodyIds } = question;
    const otherBody = Math.exp(-(OTHER_BODY ** 2) / 2);
    const known = tests.map((test) => ({
      at: this.glaze(test.lowerId) * size + this.glaze(test.upperId),
      body: bodyIds.indexOf(test.bodyId),
      step: stepOf(test.cone),
      share: test.stars === undefined ? undefined : shareOf(test.stars),
    }));
    for (const test of tests) this.done.add(cellKey(test));
    const slices = new Map<number, { weight: Float64Array; stars: Float64Array; nearest: Float64Array }>();
    for (const [cone, coneStep] of this.coneSteps.entries())
      for (const body of bodyIds.keys()) {
        const slice = { weight: new Float64Array(size * size), stars: new Float64Array(size * size), nearest: new Float64Array(size * size) };
        for (const test of known) {
          const weight = Math.exp(-((test.step - coneStep) ** 2) / 2) * (test.body === body ? 1 : otherBody);
          slice.nearest[test.at] = Math.max(slice.nearest[test.at]!, weight);
          if (test.share === undefined) continue;
          slice.weight[test.at]! += weight;
          slice.stars[test.at]! += weight * test.share;
        }
        slices.set(cone * bodyIds.length + body, {
          weight: summedOver(slice.weight, weights, size),
          stars: summedOver(slice.stars, weights, size),
          nearest: nearestOver(slice.nearest, weights, size),
        });
      }
    for (let at = 0; at < this.cells.length; at++) {
      const slice = slices.get(parts[4 * at + 3]! * bodyIds.length + parts[4 * at + 2]!)!;
      const pair = parts[4 * at]! * size + parts[4 * at + 1]!;
      this.sumWeight[at] = slice.weight[pair]!;
      this.sumStars[at] = slice.stars[pair]!;
      this.nearest[at] = slice.nearest[pair]!;
    }
  }

  /** One more test; without stars it only says that it is there. */
  add(test: TestCell, stars: number | undefined): void {
    this.done.add(cellKey(test));
    const [lower, upper] = [this.glaze(test.lowerId), this.glaze(test.upperId)];
    if (lower === undefined || upper === undefined) return;
    const { bodyIds } = this.question;
    const body = bodyIds.indexOf(test.bodyId);
    const coneStep = stepOf(test.cone);
    const { parts, size, weights, sumWeight, sumStars, nearest } = this;
    const byCone = this.coneSteps.map((step) => Math.exp(-((step - coneStep) ** 2) / 2));
    const otherBody = Math.exp(-(OTHER_BODY ** 2) / 2);
    const share = stars === undefined ? 0 : shareOf(stars);
    for (let at = 0; at < this.cells.length; at++) {
      const near = weights[parts[4 * at]! * size + lower]! * weights[parts[4 * at + 1]! * size + upper]!;
      const weight = near * (parts[4 * at + 2] === body ? 1 : otherBody) * byCone[parts[4 * at + 3]!]!;
      if (weight > nearest[at]!) nearest[at] = weight;
      if (stars === undefined) continue;
      sumWeight[at]! += weight;
      sumStars[at]! += weight * share;
    }
  }

  best(): NextTest | undefined {
    let best: NextTest | undefined;
    for (let at = 0; at < this.cells.length; at++) {
      const cell = this.cells[at]!;
      const value = this.valueOf(at);
      if ((best && value.value <= best.value) || this.done.has(cellKey(cell))) continue;
      best = { ...cell, ...value };
    }
    return best;
  }

  /** Stars, as nothing else is known. */
  starsAt(cell: TestCell): number {
    return this.foretold(cell).stars;
  }

  foretold(cell: TestCell): { stars: number; sd: number } {
    const at = this.cellAt.get(cellKey(cell));
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

  private valueOf(at: number): Omit<NextTest, keyof TestCell> {
    const cell = this.cells[at]!;
    const { mean, sd } = this.promiseAt(at);
    const need = this.needs.get(combinationKey(cell)) ?? 0;
    const news = 1 - this.nearest[at]! ** 2;
    const promise = Math.min(1, mean + sd / 2);
    const costs = this.costsOf(cell);
    const cost = costs.reduce((sum, one) => sum + COSTS[one], 0);
    const because = need >= news && need >= promise ? 'need' : news >= promise ? 'news' : 'promise';
    return { need, news, promise, cost, costs, value: need + news + promise - cost, because };
  }

  private costsOf({ lowerId, upperId }: TestCell): readonly TestCost[] {
    const buckets = [lowerId, upperId].flatMap((id) => this.question.glazes[this.glazeAt.get(id ?? '') ?? -1]?.bucket ?? []);
    const isFull = this.question.hasRoom === false;
    if (buckets.includes('none')) return isFull ? NO_BUCKET_NO_ROOM : NO_BUCKET;
    if (buckets.includes('outOfRange')) return isFull ? OUT_OF_RANGE_NO_ROOM : OUT_OF_RANGE;
    return isFull ? NO_ROOM : NOTHING;
  }

  /** The place of a glaze in the table of weights; the clay is the last. */
  private glaze(id: string | undefined): number {
    return id === undefined ? this.size - 1 : (this.glazeAt.get(id) ?? this.size - 1);
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

/** By how much one runner tile narrows what is not known of a combination, for the pieces that may run with it; 0–1. */
function needsOf({ glazes, planned = [] }: NextTestQuestion): Map<string, number> {
  const needs = new Map<string, number>();
  for (const { lowerId, upperId, reachChance } of planned) {
    const glaze = glazes.find(({ id }) => id === upperId);
    if (!glaze) continue;
    const before = lowerId === undefined ? glaze.lnSd : PAIR_LN_SD;
    const after = 1 / Math.sqrt(1 / before ** 2 + 1 / RUNNER_LN_SD ** 2);
    const key = combinationKey({ lowerId, upperId });
    needs.set(key, Math.min(1, (needs.get(key) ?? 0) + (1 - after / before) * Math.min(1, Math.max(0, reachChance))));
  }
  return needs;
}

const cellKey = ({ bodyId, cone, ...combination }: TestCell): string => `${combinationKey(combination)} ${bodyId} ${cone}`;
const shareOf = (stars: number): number => (Math.min(5, Math.max(1, stars)) - 1) / 4;
const stepOf = (cone: string): number => CONES.findIndex((one) => one.cone === cone);
