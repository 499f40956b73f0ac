import { heightAlong, shapeOf, sideToRun } from '@cazuela/core';
import { glazeOf } from '@cazuela/core/test/glaze-facts';
import { coat, planOf } from '@cazuela/core/test/plans';
import { TestBed } from '@angular/core/testing';
import { FakeRecords } from '../../../../../testing/records';
import { Units } from '../../../../data/units/units';
import { RunDrawing } from './run-drawing';
import { marksOf } from './run-marks';

describe('where the edge starts and ends, beside the drawing', () => {
  const marksAt = (waxFootMm: number, runMm?: number): ReturnType<typeof marksOf> => {
    new FakeRecords().openStudio();
    const plan = planOf({ outside: [coat('ash')] }, { shapeId: 'vase', waxFootMm });
    const shape = shapeOf(plan);
    const side = sideToRun({ plan, shape, glazes: [glazeOf('ash')], side: 'outside' })!;
    const chances =
      runMm === undefined ? undefined : { reachChance: 0.1, middleMm: runMm, lowMm: runMm, highMm: runMm, run95Mm: runMm, nearChance: 0.1 };
    expect(heightAlong(side.strip, side.startMm)).toBeCloseTo(waxFootMm, 6);
    return marksOf(side, chances, new RunDrawing(shape), 100, TestBed.inject(Units));
  };

  it('the start is told as it was waxed', () => {
    expect(marksAt(10).map((mark) => mark.words)).toEqual(['starts 10.0 mm']);
  });

  it.each([
    [10, 3],
    [10, 9],
    [30, 0.2],
    [60, 40],
    [2, 1],
  ])('waxed %d mm up and run %d mm, its words stand over the shelf and apart', (waxFootMm, runMm) => {
    const shelf = new RunDrawing(shapeOf(planOf({}, { shapeId: 'vase' }))).y(0);
    const [start, ends] = marksAt(waxFootMm, runMm);
    expect(ends!.textY).toBeLessThanOrEqual(shelf - 6);
    expect(ends!.textY - start!.textY).toBeGreaterThanOrEqual(17 - 1e-9);
    // The lines themselves lie where the edges are.
    expect(start!.y).toBeLessThanOrEqual(ends!.y);
  });

  it('what came down says so', () => {
    expect(marksAt(10, 400).map((mark) => mark.words)).toEqual(['starts 10.0 mm', 'on the shelf']);
  });
});
