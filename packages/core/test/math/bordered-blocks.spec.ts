import fc from 'fast-check';
import { inverse, Matrix } from 'ml-matrix';
import { BorderedBlocks, inverseOf, solveWith } from '../../src/index';

const SLOPE = fc.double({ min: -1, max: 1, noNaN: true });
const MATRIX = fc.record({
  blocks: fc.integer({ min: 0, max: 5 }),
  border: fc.integer({ min: 1, max: 4 }),
  meetings: fc.array(
    fc.record({ block: fc.nat(4), border: fc.nat(3), slopes: fc.tuple(SLOPE, SLOPE, SLOPE), weight: fc.double({ min: 0.1, max: 200, noNaN: true }) }),
    { maxLength: 25 },
  ),
});
type Drawn = typeof MATRIX extends fc.Arbitrary<infer T> ? T : never;

/** The same matrix twice: in blocks, and whole. */
function both({ blocks, border, meetings }: Drawn): { bordered: BorderedBlocks; whole: Matrix } {
  const bordered = new BorderedBlocks(blocks, border, 4);
  const whole = Matrix.eye(2 * blocks + border, 2 * blocks + border, 4);
  for (const { block, border: at, slopes, weight } of meetings) {
    if (block >= blocks || at >= border) continue;
    bordered.addMeeting(block, at, slopes, weight);
    const vector = Matrix.zeros(whole.rows, 1);
    [block, blocks + block, 2 * blocks + at].forEach((row, index) => vector.set(row, 0, slopes[index]!));
    whole.add(vector.mmul(vector.transpose()).mul(weight));
  }
  bordered.addToBorder(0, 7);
  whole.set(2 * blocks, 2 * blocks, whole.get(2 * blocks, 2 * blocks) + 7);
  return { bordered, whole };
}

describe('a matrix of blocks that meet through a border', () => {
  it('solves to what the whole matrix solves to', () => {
    fc.assert(
      fc.property(MATRIX, (drawn) => {
        const { bordered, whole } = both(drawn);
        const right = Array.from({ length: whole.rows }, (_, index) => Math.sin(3 * index + 1));
        const expected = inverse(whole).mmul(Matrix.columnVector(right)).to1DArray();
        solveWith(bordered.inverse(), right).forEach((value, index) => expect(value).toBeCloseTo(expected[index]!, 11));
      }),
    );
  });

  it('gives the entries of the whole inverse, block by block', () => {
    fc.assert(
      fc.property(MATRIX, (drawn) => {
        const { bordered, whole } = both(drawn);
        const [parts, all] = [bordered.inverse(), inverse(whole)];
        for (let block = 0; block < drawn.blocks; block++) {
          for (let border = 0; border < drawn.border; border++) {
            const rows = [block, drawn.blocks + block, 2 * drawn.blocks + border];
            const part = inverseOf(parts, { block, border });
            rows.forEach((row, i) => rows.forEach((column, j) => expect(part[i]![j]).toBeCloseTo(all.get(row, column), 11)));
          }
        }
      }),
    );
  });

  it('is inverted without blocks and without a border', () => {
    expect(solveWith(new BorderedBlocks(0, 2, 4).inverse(), [4, 8])).toEqual([1, 2]);
    expect(solveWith(new BorderedBlocks(1, 0, 4).inverse(), [4, 8])).toEqual([1, 2]);
    expect(inverseOf(new BorderedBlocks(1, 1, 4).inverse(), { block: undefined, border: 0 })[2]).toEqual([0, 0, 0.25]);
  });
});
