import { PotterError } from '../checks/potter-error';
import { requirePositive } from '../checks/require';
import type { ProfilePoint } from '../geometry/profile';

/** The path of melted glaze down a wall, cut into cells of one length, from the top. */
export interface WallStrip {
  /** Length of a cell along the wall, mm. */
  cellMm: number;
  count: number;
  /** Of each cell: mean radius and area, mm and mm². */
  radiusMm: Float64Array;
  areaMm2: Float64Array;
  /** Height of its middle above the shelf, mm. */
  heightMm: Float64Array;
  /** Of the lower face of each cell: radius × sin of the slope from horizontal; 0 where it is flat or hangs over. */
  drive: Float64Array;
  /** Cells whose lower face hangs over: what comes there may drip. */
  overhang: Uint8Array;
}

/** Cells no longer than this, mm. */
export const LONGEST_CELL_MM = 1;
const MOST_CELLS = 2_000;
/** A floor less steep than this levels by itself: it is a pool, not a slope (sin of about one degree). */
const FLAT_SINE = 0.018;

/** A point of a path down; on a handle its own girth counts in place of the turn of the wall. */
export interface PathPoint extends ProfilePoint {
  girthMm?: number | undefined;
}

const roundRadius = (point: PathPoint): number => (point.girthMm === undefined ? point.radiusMm : point.girthMm / (2 * Math.PI));

/**
 * Returns a profile, given from its top downhill, cut into equal cells. A path that climbs again hangs over: nothing runs there.
 *
 * @param question - `downhill`, two points or more, mm; `cellMm`, above 0, the longest cell when left out
 * @throws PotterError for fewer points, or cells of 0 mm or less
 * @example
 * wallStrip({ downhill: [{ radiusMm: 40, heightMm: 10 }, { radiusMm: 40, heightMm: 0 }], cellMm: 1 }).count // 10
 */
export function wallStrip({ downhill, cellMm = LONGEST_CELL_MM }: { downhill: readonly PathPoint[]; cellMm?: number }): WallStrip {
  if (downhill.length < 2) throw new PotterError('emptyList', 'profile', downhill.length, 'A profile needs at least two points.');
  requirePositive('cellMm', cellMm);
  const lengths = [0];
  for (let i = 1; i < downhill.length; i++) {
    const [a, b] = [downhill[i - 1]!, downhill[i]!];
    lengths.push(lengths[i - 1]! + Math.hypot(b.radiusMm - a.radiusMm, b.heightMm - a.heightMm));
  }
  const whole = lengths.at(-1)!;
  requirePositive('cellMm', whole);
  const count = Math.min(MOST_CELLS, Math.max(2, Math.ceil(whole / cellMm)));
  const size = whole / count;
  const at = pointAlong(downhill, lengths);
  const strip: WallStrip = {
    cellMm: size,
    count,
    radiusMm: new Float64Array(count),
    areaMm2: new Float64Array(count),
    heightMm: new Float64Array(count),
    drive: new Float64Array(count),
    overhang: new Uint8Array(count),
  };
  for (let i = 0; i < count; i++) {
    const [top, bottom] = [at(i * size), at((i + 1) * size)];
    strip.radiusMm[i] = Math.max(1e-3, (top.radiusMm + bottom.radiusMm) / 2);
    strip.areaMm2[i] = 2 * Math.PI * Math.max(1e-3, (roundRadius(top) + roundRadius(bottom)) / 2) * size;
    strip.heightMm[i] = (top.heightMm + bottom.heightMm) / 2;
    // The slope through the face between two cells, from the middle of one to the middle of the next.
    const [before, after] = [at((i + 0.5) * size), at(Math.min(whole, (i + 1.5) * size))];
    const run = Math.max(1e-9, Math.min(whole, (i + 1.5) * size) - (i + 0.5) * size);
    const sine = (before.heightMm - after.heightMm) / run;
    strip.overhang[i] = sine < -FLAT_SINE ? 1 : 0;
    strip.drive[i] = sine > FLAT_SINE ? roundRadius(bottom) * Math.min(1, sine) : 0;
  }
  return strip;
}

/**
 * Returns an upright wall of one radius: the case of the exact formulas.
 *
 * @param question - `lengthMm`, above 0; `radiusMm`, 10 m when left out; `cellMm`, the longest cell when left out
 * @throws PotterError for cells of 0 mm or less
 * @example
 * uprightStrip({ lengthMm: 100, cellMm: 2 }).count // 50
 */
export const uprightStrip = ({
  lengthMm,
  radiusMm = 1e4,
  cellMm = LONGEST_CELL_MM,
}: {
  lengthMm: number;
  radiusMm?: number;
  cellMm?: number;
}): WallStrip =>
  wallStrip({
    downhill: [
      { radiusMm, heightMm: lengthMm },
      { radiusMm, heightMm: 0 },
    ],
    cellMm,
  });

function pointAlong(points: readonly PathPoint[], lengths: readonly number[]): (mm: number) => PathPoint {
  let from = 1;
  return (mm) => {
    if (mm < lengths[from - 1]!) from = 1;
    while (from < points.length - 1 && lengths[from]! < mm) from += 1;
    const [a, b] = [points[from - 1]!, points[from]!];
    const span = lengths[from]! - lengths[from - 1]!;
    const share = span > 0 ? Math.min(1, Math.max(0, (mm - lengths[from - 1]!) / span)) : 0;
    const at = { radiusMm: a.radiusMm + share * (b.radiusMm - a.radiusMm), heightMm: a.heightMm + share * (b.heightMm - a.heightMm) };
    const [above, beneath] = [a.girthMm, b.girthMm];
    return above === undefined || beneath === undefined ? at : { ...at, girthMm: above + share * (beneath - above) };
  };
}
