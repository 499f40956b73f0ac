import { isOn, isOnWall, isOutside, type PiecePlan, type PieceShape } from '@cazuela/core';
import type { PieceDrawing } from '../../../../parts/piece-drawing/piece-drawing';
import type { Fit } from '../../../../parts/piece-drawing/sheet';
import { acrossAt, fromFront, SEEN_SHARE, shareAcross } from '../../../../parts/piece-drawing/zones';
import { round, type Handle, type Place } from './board-handles';

export const INCH_MM = 25.4;
/** Steps of the ruler: as many as leave it at most so many marks. */
const MOST_MARKS = 11;
const STEPS = { mm: [1, 2, 5, 10, 20, 50, 100], in: [0.25, 0.5, 1, 2, 5] } as const;
/** Distance of an edge's knob from the outline. */
const BESIDE = 8;

/** A handle on the paper; a side reaches `reach` up and down from its middle. */
export interface PlacedHandle extends Handle {
  x: number;
  y: number;
  reach: number;
}

/** Where handles are on the drawing, and which place of the piece a pointer means. */
export class BoardPaper {
  constructor(
    private readonly drawing: PieceDrawing,
    private readonly fit: Fit,
    private readonly shape: PieceShape,
    private readonly turned: number,
  ) {}

  placed(handle: Handle): PlacedHandle {
    const { looks, heightMm, radiusMm, share = 0, upToMm = heightMm } = handle;
    if (looks === 'side') {
      const middle = (heightMm + upToMm) / 2;
      const x = this.drawing.halfWidthAt(middle) * acrossAt(fromFront(share, this.turned), this.shape);
      return at(handle, x, this.y(middle), (this.y(heightMm) - this.y(upToMm)) / 2);
    }
    const isPoint = looks === 'point' || looks === 'corner';
    if (isPoint && this.shape.slabMm === undefined) return at(handle, radiusMm * this.fit.scale, this.y(heightMm));
    return at(handle, this.drawing.halfWidthAt(heightMm) + (looks === 'edge' ? BESIDE : 0), this.y(heightMm));
  }

  /** Whether a side lies on the visible part of the turn. */
  sees({ share = 0 }: Handle): boolean {
    const at = fromFront(share, this.turned);
    return at >= 0 && at <= SEEN_SHARE;
  }

  /** The place that the pointer means, on a grid of so many mm. */
  placeOf(handle: Handle, at: { x: number; y: number }, gridMm: number): Place {
    const { scale, tallMm } = this.fit;
    const on = (mm: number): number => round(Math.max(0, Math.round(mm / gridMm) * gridMm));
    const place = { radiusMm: on(at.x / scale), heightMm: on(tallMm - at.y / scale) };
    if (handle.looks !== 'side') return place;
    const outline = this.drawing.halfWidthAt((handle.heightMm + handle.upToMm!) / 2);
    return { ...place, share: this.turned + shareAcross(at.x / outline, this.shape) };
  }

  /** Which place of the plan lies under a tap; undefined beside the piece. The section on the left has the inside, the outside is on the right. */
  placeAt({ zones, strips = [], waxFootMm, rimBandMm }: PiecePlan, at: { x: number; y: number }): string | undefined {
    const heightMm = this.fit.tallMm - at.y / this.fit.scale;
    if (heightMm < 0 || heightMm > this.fit.tallMm) return undefined;
    const outline = this.drawing.halfWidthAt(heightMm);
    if (Math.abs(at.x) > outline + NEAR) return undefined;
    if (at.x < 0 && -at.x < outline - this.shape.wallMm * this.fit.scale)
      return strips.findLast((strip) => !isOutside(strip) && heightMm >= strip.fromMm && heightMm <= strip.toMm)?.id ?? 'inside';
    const share = (this.turned + shareAcross(Math.max(-1, Math.min(1, at.x / outline)), this.shape) + 1) % 1;
    // The panel that was put on last lies uppermost.
    const strip = strips.findLast(
      (one) => isOnWall(one) && heightMm >= one.fromMm && heightMm <= one.toMm && (one.turn === undefined || isOn(one.turn, share)),
    );
    if (strip) return strip.id;
    if (heightMm < waxFootMm) return zones.foot.length > 0 ? 'foot' : 'bare';
    return zones.rim.length > 0 && heightMm > this.fit.tallMm - rimBandMm ? 'rim' : 'outside';
  }

  private y(heightMm: number): number {
    return (this.fit.tallMm - heightMm) * this.fit.scale;
  }
}

/** Field by field: all are placed on every move of a drag, and a spread copies each of their fields. */
function at({ key, words, radiusMm, heightMm, free, looks, share, upToMm, moved }: Handle, x: number, y: number, reach = 0): PlacedHandle {
  return { key, words, radiusMm, heightMm, free, looks, share, upToMm, moved, x, y, reach };
}

/** Of handles that overlap, the one nearest to the pointer. An edge is near along all of it, a side along its height. */
export function nearest(handles: readonly PlacedHandle[], { x, y }: { x: number; y: number }): PlacedHandle | undefined {
  const away = (handle: PlacedHandle): number => {
    if (handle.looks === 'edge') return Math.hypot(Math.max(0, x - handle.x, -x), y - handle.y);
    return Math.hypot(x - handle.x, Math.max(0, Math.abs(y - handle.y) - handle.reach));
  };
  return handles.reduce<PlacedHandle | undefined>((best, one) => (best && away(best) <= away(one) ? best : one), undefined);
}

/** Coats are drawn beside the wall. */
const NEAR = 14;

/** A ruler from the shelf up, in whole steps of the unit. */
export function rulerMarks({ tallMm, scale }: Fit, unit: 'mm' | 'in'): { words: string; y: number }[] {
  const unitMm = unit === 'in' ? INCH_MM : 1;
  const whole = tallMm / unitMm;
  const step = STEPS[unit].find((one) => whole / one <= MOST_MARKS) ?? STEPS[unit].at(-1)!;
  return Array.from({ length: Math.floor(whole / step) + 1 }, (_, at) => ({
    words: String(at * step),
    y: (tallMm - at * step * unitMm) * scale,
  }));
}
