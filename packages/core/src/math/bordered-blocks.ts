import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** Where one block meets the border: positions there, and the entries of its first and its second row. */
export interface Meetings {
  at: readonly number[];
  first: readonly number[];
  second: readonly number[];
}

type Row = readonly [number, number, number];

/** The inverse of a bordered matrix, in parts: as plain data, so that it passes from a worker to a page. */
export interface BorderedInverse {
  /** Of each block alone: D⁻¹ as its entries 1,1, 1,2 and 2,2. */
  blocks: readonly Row[];
  /** Of each block: D⁻¹C, where it is not zero. */
  meetings: readonly Meetings[];
  /** Of the border: the inverse of what the blocks leave of it. */
  border: readonly (readonly number[])[];
}

/**
 * A symmetric positive definite matrix of blocks of two that meet only through a border whose own part is diagonal. It is solved block by block:
 * the work grows with the count of meetings and the cube of the border alone.
 *
 * Source: the Schur complement of the blocks.
 */
export class BorderedBlocks {
  private readonly blocks: [number, number, number][];
  private readonly rows: { at: number[]; first: number[]; second: number[] }[];
  private readonly border: number[];

  /**
   * @param count - how many blocks
   * @param borderSize - how many rows the border has
   * @param diagonal - what every entry of the diagonal begins with, above 0
   */
  constructor(count: number, borderSize: number, diagonal: number) {
    this.blocks = Array.from({ length: count }, () => [diagonal, 0, diagonal]);
    this.rows = Array.from({ length: count }, () => ({ at: [], first: [], second: [] }));
    this.border = Array<number>(borderSize).fill(diagonal);
  }

  /** Adds weight · v vᵀ, where v is not zero in one block and one row of the border. */
  addMeeting(block: number, border: number, [first, second, shared]: readonly [number, number, number], weight: number): void {
    const own = this.blocks[block]!;
    own[0] += weight * first * first;
    own[1] += weight * first * second;
    own[2] += weight * second * second;
    const row = this.rows[block]!;
    let place = row.at.indexOf(border);
    if (place < 0) {
      place = row.at.push(border) - 1;
      row.first.push(0);
      row.second.push(0);
    }
    row.first[place]! += weight * first * shared;
    row.second[place]! += weight * second * shared;
    this.border[border]! += weight * shared * shared;
  }

  /** Adds to one entry of the border's diagonal. */
  addToBorder(border: number, value: number): void {
    this.border[border]! += value;
  }

  /** Returns the inverse in parts; `inverseOf` reads entries of it, `solveWith` multiplies by it. */
  inverse(): BorderedInverse {
    const blocks = this.blocks.map(([a, b, c]): [number, number, number] => {
      const determinant = a * c - b * b;
      return [c / determinant, -b / determinant, a / determinant];
    });
    const left = this.border.map((value, at) => this.border.map((_, other) => (at === other ? value : 0)));
    const meetings = this.rows.map((row, block): Meetings => {
      const [a, b, c] = blocks[block]!;
      const { at } = row;
      const first = at.map((_, place) => a * row.first[place]! + b * row.second[place]!);
      const second = at.map((_, place) => b * row.first[place]! + c * row.second[place]!);
      for (let one = 0; one < at.length; one++) {
        const into = left[at[one]!]!;
        for (let other = 0; other < at.length; other++) {
          // One half is summed and the other copied, so that rounding never makes the matrix asymmetric.
          if (at[other]! <= at[one]!) into[at[other]!]! -= first[one]! * row.first[other]! + second[one]! * row.second[other]!;
        }
      }
      return { at, first, second };
    });
    for (const [at, row] of left.entries()) for (let other = 0; other < at; other++) left[other]![at] = row[other]!;
    const border = left.length === 0 ? [] : new CholeskyDecomposition(new Matrix(left)).solve(Matrix.eye(left.length)).to2DArray();
    return { blocks, meetings, border };
  }
}

/**
 * Returns the inverse times a vector: x of A x = b.
 *
 * @param inverse - from `BorderedBlocks.inverse`
 * @param right - b: the first rows of all blocks, then the second rows of all, then the border
 * @example
 * solveWith(new BorderedBlocks(1, 1, 2).inverse(), [2, 4, 6]) // [1, 2, 3]
 */
export function solveWith({ blocks, meetings, border }: BorderedInverse, right: readonly number[]): number[] {
  const count = blocks.length;
  const left = right.slice(2 * count);
  for (let block = 0; block < count; block++) {
    const { at, first, second } = meetings[block]!;
    for (let place = 0; place < at.length; place++) left[at[place]!]! -= first[place]! * right[block]! + second[place]! * right[count + block]!;
  }
  const shared = border.map((row) => row.reduce((sum, value, at) => sum + value * left[at]!, 0));
  const [firsts, seconds] = [Array<number>(count), Array<number>(count)];
  for (let block = 0; block < count; block++) {
    const [a, b, c] = blocks[block]!;
    const { at, first, second } = meetings[block]!;
    let x = a * right[block]! + b * right[count + block]!;
    let y = b * right[block]! + c * right[count + block]!;
    for (let place = 0; place < at.length; place++) {
      x -= first[place]! * shared[at[place]!]!;
      y -= second[place]! * shared[at[place]!]!;
    }
    firsts[block] = x;
    seconds[block] = y;
  }
  return [...firsts, ...seconds, ...shared];
}

/**
 * Returns the part of the inverse that belongs to one block and one row of the border, 3 × 3: first of the block, second of it, border.
 *
 * @param inverse - from `BorderedBlocks.inverse`
 * @param where - `block` and `border`, positions; the rows of one left undefined are zeros
 * @example
 * inverseOf(new BorderedBlocks(1, 1, 2).inverse(), { block: 0, border: 0 }) // [[0.5, 0, 0], [0, 0.5, 0], [0, 0, 0.5]]
 */
export function inverseOf(
  { blocks, meetings, border }: BorderedInverse,
  where: { block: number | undefined; border: number | undefined },
): readonly [Row, Row, Row] {
  const last = where.border === undefined ? 0 : border[where.border]![where.border]!;
  if (where.block === undefined)
    return [
      [0, 0, 0],
      [0, 0, 0],
      [0, 0, last],
    ];
  let [first, mixed, second] = blocks[where.block]!;
  let [firstShared, secondShared] = [0, 0];
  const met = meetings[where.block]!;
  for (let one = 0; one < met.at.length; one++) {
    const row = border[met.at[one]!]!;
    const [oneFirst, oneSecond] = [met.first[one]!, met.second[one]!];
    if (where.border !== undefined) {
      firstShared -= oneFirst * row[where.border]!;
      secondShared -= oneSecond * row[where.border]!;
    }
    for (let other = 0; other < met.at.length; other++) {
      const shared = row[met.at[other]!]!;
      first += oneFirst * met.first[other]! * shared;
      mixed += oneFirst * met.second[other]! * shared;
      second += oneSecond * met.second[other]! * shared;
    }
  }
  return [
    [first, mixed, firstShared],
    [mixed, second, secondShared],
    [firstShared, secondShared, last],
  ];
}
