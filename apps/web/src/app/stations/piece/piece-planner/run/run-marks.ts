import { heightAlong, type QuickBand, type RunChances, type SideToRun } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';
import type { RunDrawing } from './run-drawing';

/** Where the edge starts and where it ends: a line with its words beside the drawing. */
export interface RunMark {
  tone: 'start' | 'edge';
  words: string;
  x: number;
  y: number;
  textY: number;
}

/** Distance of the words from the shelf, and from one another. */
const [OVER_SHELF, APART] = [6, 17];

export function marksOf(side: SideToRun, chances: RunChances | QuickBand | undefined, drawing: RunDrawing, x: number, units: Units): RunMark[] {
  const startMm = heightAlong(side.strip, side.startMm);
  const y = drawing.y(startMm);
  const start: RunMark = { tone: 'start', words: `starts ${units.roughly(startMm)}`, x, y, textY: y - 4 };
  if (!chances) return [start];
  const endMm = heightAlong(side.strip, side.startMm + chances.middleMm);
  const words = endMm > 0 ? `ends ${units.roughly(endMm)}` : 'on the shelf';
  // On the shelf, not in it, and those of the start above them.
  const textY = Math.min(drawing.y(endMm) + 12, drawing.y(0) - OVER_SHELF);
  return [
    { ...start, textY: Math.min(start.textY, textY - APART) },
    { tone: 'edge', words, x, y: drawing.y(endMm), textY },
  ];
}
