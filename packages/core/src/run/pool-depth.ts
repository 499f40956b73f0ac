import { bisect } from '../math/bisect';
import type { WallStrip } from './wall-strip';

/** A pool is found to this, mm. */
const ACCURACY_MM = 0.01;

/**
 * Returns how deep the melt lies where it gathers inside, mm: it levels, so all that lies below one height fills the hollow up to it.
 *
 * @param strip - the inside, from the rim down to the middle of the floor
 * @param filmMm - melt on each cell, mm
 * @example
 * poolDepthMm(wallStrip({ downhill: [{ radiusMm: 40, heightMm: 5 }, { radiusMm: 0, heightMm: 5 }], cellMm: 10 }), new Float64Array(4).fill(2)) > 1.9 // true
 */
export function poolDepthMm({ heightMm, areaMm2, count }: Pick<WallStrip, 'heightMm' | 'areaMm2' | 'count'>, filmMm: Float64Array): number {
  const floorMm = Math.min(...heightMm);
  const hasRoom = (levelMm: number): boolean => {
    let room = 0;
    for (let cell = 0; cell < count; cell++) {
      const deep = levelMm - heightMm[cell]!;
      if (deep > 0) room += (deep - filmMm[cell]!) * areaMm2[cell]!;
    }
    return room > 0;
  };
  const { middle } = bisect({ low: floorMm, high: Math.max(...heightMm) + Math.max(...filmMm), isPast: hasRoom, width: ACCURACY_MM });
  return middle - floorMm;
}
