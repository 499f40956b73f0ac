import { cellSize, closeTo, placeAt, scrolledInto, scrolledTo, sightOf, viewOnPaper, walkedTo, type WallView } from './wall-view';

/** Ten rows by twelve columns of 64 px in a window of 640 x 480. */
const VIEW: WallView = { left: 0, top: 0, wide: 640, high: 480, cellPx: 64, namesPx: 140, headsPx: 130 };

describe('what is seen of the wall', () => {
  it('a cell at the edge counts, if only a part of it is seen', () => {
    expect(sightOf(VIEW, 10, 12)).toEqual({ top: 0, bottom: 6, left: 0, right: 8 });
    expect(sightOf({ ...VIEW, left: 10, top: 70 }, 10, 12)).toEqual({ top: 1, bottom: 7, left: 0, right: 8 });
  });

  it('a wall that is smaller than its window ends where it ends', () => {
    expect(sightOf(VIEW, 2, 1)).toEqual({ top: 0, bottom: 2, left: 0, right: 1 });
  });

  it('a tap finds the cell under the finger, wherever the wall is scrolled to', () => {
    expect(placeAt(VIEW, 141, 131)).toEqual({ row: 0, column: 0 });
    expect(placeAt({ ...VIEW, left: 100, top: 200 }, 200, 200)).toEqual({ row: 4, column: 2 });
  });

  it('a tap on a name finds none', () => {
    expect(placeAt(VIEW, 100, 300)).toBeUndefined();
    expect(placeAt(VIEW, 300, 100)).toBeUndefined();
  });

  it.each([9, 20, 33, 64, 128])('what is under the fingers stays there while cells become %i px', (cellPx) => {
    const [x, y] = [400, 300];
    const before = { ...VIEW, left: 180, top: 90 };
    const { left, top } = scrolledTo(before, cellPx, x, y);
    const cellsBefore = [(before.left + x - 140) / before.cellPx, (before.top + y - 130) / before.cellPx];
    expect((left + x - 140) / cellPx).toBeCloseTo(cellsBefore[0]!, 9);
    expect((top + y - 130) / cellPx).toBeCloseTo(cellsBefore[1]!, 9);
  });

  it('a cell in sight moves nothing; one beyond an edge moves the wall no further than it must', () => {
    expect(scrolledInto(VIEW, { row: 2, column: 3 })).toEqual({ left: 0, top: 0 });
    expect(scrolledInto(VIEW, { row: 9, column: 11 })).toEqual({ left: 12 * 64 - 500, top: 10 * 64 - 350 });
    expect(scrolledInto({ ...VIEW, left: 300, top: 200 }, { row: 0, column: 1 })).toEqual({ left: 64, top: 0 });
  });

  it('arrows lead to the next cell, Home and End to the ends of the row, other keys nowhere', () => {
    const at = { row: 4, column: 5 };
    expect(['ArrowUp', 'ArrowRight', 'Home', 'End', 'a'].map((key) => walkedTo(key, at, 12))).toEqual([
      { row: 3, column: 5 },
      { row: 4, column: 6 },
      { row: 4, column: 0 },
      { row: 4, column: 11 },
      undefined,
    ]);
  });

  it('of thousands of small cells, those around the chosen row are read out', () => {
    const all = { top: 0, bottom: 61, left: 0, right: 60 };
    expect(closeTo(all, 30, 400)).toEqual({ top: 27, bottom: 33, left: 0, right: 60 });
    expect(closeTo(all, 0, 400)).toEqual({ top: 0, bottom: 6, left: 0, right: 60 });
    expect(closeTo(all, 60, 400)).toEqual({ top: 55, bottom: 61, left: 0, right: 60 });
    expect(closeTo({ top: 2, bottom: 9, left: 1, right: 9 }, 4, 400)).toEqual({ top: 2, bottom: 9, left: 1, right: 9 });
  });

  it('paper has all of it: a small wall as on the screen, sixty glazes as wide as the sheet', () => {
    const names = { namesPx: 140, headsPx: 140 };
    expect(viewOnPaper({ rows: 4, columns: 3, ...names })).toMatchObject({ left: 0, top: 0, cellPx: 64, wide: 332, high: 396 });
    const large = viewOnPaper({ rows: 61, columns: 60, ...names });
    expect(large.wide).toBeLessThanOrEqual(680);
    expect(sightOf(large, 61, 60)).toEqual({ top: 0, bottom: 61, left: 0, right: 60 });
  });

  it('a size from an address that is none is the usual one', () => {
    expect([NaN, 0, 3, 50.4, 900].map(cellSize)).toEqual([64, 64, 9, 50, 128]);
  });
});
