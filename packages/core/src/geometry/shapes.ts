import type { ProfilePoint } from './profile';

/** A ready-made form: its outside from the foot's edge to the rim, and the wall. */
export interface PieceShape {
  id: string;
  name: string;
  outside: ProfilePoint[];
  wallMm: number;
  /** Height of the clay under the inside floor, mm. */
  floorMm: number;
  handle: boolean;
}

const points = (...pairs: [radiusMm: number, heightMm: number][]): ProfilePoint[] => pairs.map(([radiusMm, heightMm]) => ({ radiusMm, heightMm }));

/** Six forms to start from. Sizes are of no maker: chosen to cover steep, flaring, closed and flat walls. */
export const PIECE_SHAPES: readonly PieceShape[] = [
  { id: 'cup', name: 'Cup', wallMm: 4, floorMm: 6, handle: true, outside: points([30, 0], [32, 4], [38, 14], [41, 40], [41, 70], [42, 88]) },
  { id: 'cazuela', name: 'Cazuela', wallMm: 5, floorMm: 7, handle: true, outside: points([48, 0], [52, 5], [68, 20], [76, 38], [78, 55], [80, 62]) },
  {
    id: 'liddedPot',
    name: 'Lidded pot',
    wallMm: 5,
    floorMm: 8,
    handle: false,
    outside: points([52, 0], [55, 6], [78, 45], [88, 95], [84, 140], [66, 172], [62, 182], [68, 200]),
  },
  { id: 'platter', name: 'Platter', wallMm: 7, floorMm: 9, handle: false, outside: points([92, 0], [95, 6], [130, 16], [158, 28], [165, 36]) },
  {
    id: 'bottle',
    name: 'Oil bottle',
    wallMm: 4,
    floorMm: 6,
    handle: false,
    outside: points([34, 0], [37, 5], [47, 40], [49, 90], [40, 130], [18, 158], [14, 185], [18, 204]),
  },
  {
    id: 'planter',
    name: 'Planter',
    wallMm: 6,
    floorMm: 9,
    handle: false,
    outside: points([55, 0], [57, 6], [66, 50], [75, 105], [80, 140], [82, 150]),
  },
];

/** Inside of a form: the outside moved in by the wall along its normal, from the floor's centre up to the rim. */
export function insideProfile({ outside, wallMm, floorMm }: Pick<PieceShape, 'outside' | 'wallMm' | 'floorMm'>): ProfilePoint[] {
  const wall: ProfilePoint[] = [];
  for (let i = 0; i < outside.length; i++) {
    const before = outside[Math.max(0, i - 1)]!;
    const after = outside[Math.min(outside.length - 1, i + 1)]!;
    const here = outside[i]!;
    const run = Math.hypot(after.radiusMm - before.radiusMm, after.heightMm - before.heightMm);
    const moved = {
      radiusMm: Math.max(1, here.radiusMm - (wallMm * (after.heightMm - before.heightMm)) / run),
      heightMm: here.heightMm + (wallMm * (after.radiusMm - before.radiusMm)) / run,
    };
    if (i === outside.length - 1) moved.heightMm = here.heightMm;
    if (moved.heightMm > floorMm) wall.push(moved);
  }
  const floorRadius = wall[0]?.radiusMm ?? 1;
  return [{ radiusMm: 0, heightMm: floorMm }, { radiusMm: Math.max(0, floorRadius - wallMm), heightMm: floorMm }, ...wall];
}
