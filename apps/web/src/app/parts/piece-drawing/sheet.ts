import { insideProfile, profileBetween, tallMm, widestMm, type PieceShape, type ProfilePoint } from '@cazuela/core';
import { tenth } from './tenth';

const WIDTH = 460;
const HEIGHT = 420;
const PAD = 34;

/** The scale of a drawing; kept during a drag, so that the drawing does not move under the pointer. */
export interface Frame {
  tallMm: number;
  widestMm: number;
}

export const frameOf = (shape: PieceShape): Frame => ({
  tallMm: tallMm(shape),
  widestMm: shape.slabMm === undefined ? widestMm(shape) : shape.slabMm / 2,
});

/** How a frame lies on the sheet, in drawing units. */
export interface Fit {
  scale: number;
  tallMm: number;
  height: number;
  halfWidth: number;
}

export function fitOf({ tallMm: tall, widestMm: widest }: Frame): Fit {
  const scale = Math.min((WIDTH / 2 - PAD) / widest, (HEIGHT - 2 * PAD) / tall);
  return { scale, tallMm: tall, height: tall * scale, halfWidth: widest * scale };
}

/** A form laid on the sheet, in drawing units: centre line at x 0, rim at y 0, y down. */
export class Sheet {
  readonly fit: Fit;
  readonly inner: readonly ProfilePoint[];
  readonly topMm: number;
  /** Coats and zones ask for the same parts of the outside many times. */
  private readonly parts = new Map<string, ProfilePoint[]>();

  constructor(
    readonly shape: PieceShape,
    frame: Frame,
  ) {
    this.fit = fitOf(frame);
    this.topMm = tallMm(shape);
    this.inner = shape.slabMm === undefined ? insideProfile(shape) : [];
  }

  y(heightMm: number): number {
    return (this.fit.tallMm - heightMm) * this.fit.scale;
  }

  /** Distance of the outside, or of another line of the wall, from the middle at a height, in drawing units. */
  halfWidthAt(heightMm: number, profile: readonly ProfilePoint[] = this.shape.outside): number {
    const { slabMm } = this.shape;
    if (slabMm !== undefined) return (slabMm / 2) * this.fit.scale;
    for (let at = 1; at < profile.length; at++) {
      const below = profile[at - 1]!;
      const above = profile[at]!;
      if (heightMm > above.heightMm) continue;
      const rise = above.heightMm - below.heightMm;
      const share = rise > 0 ? Math.max(0, (heightMm - below.heightMm) / rise) : 1;
      return (below.radiusMm + share * (above.radiusMm - below.radiusMm)) * this.fit.scale;
    }
    return (profile.at(-1)?.radiusMm ?? 0) * this.fit.scale;
  }

  /** The outside between two heights. */
  between(fromMm: number, toMm: number): readonly ProfilePoint[] {
    if (toMm <= fromMm) return [];
    const key = `${fromMm} ${toMm}`;
    const known = this.parts.get(key);
    if (known) return known;
    const part = profileBetween({ profile: this.shape.outside, fromMm, toMm });
    this.parts.set(key, part);
    return part;
  }

  /** One corner of a line: `x,y`; corners are separated by spaces, as a polygon takes them. */
  at(x: number, heightMm: number): string {
    return `${tenth(x)},${tenth(this.y(heightMm))}`;
  }

  /** A line along the profile on the right side of the centre line, or the left, shifted outwards. */
  drawn(points: readonly ProfilePoint[], side: 1 | -1, shift = 0, backwards = false): string {
    return this.shape.slabMm === undefined
      ? this.line(points, side * this.fit.scale, side * shift, backwards)
      : this.line(points, 0, this.left(0) - shift, backwards);
  }

  /** A line along the visible outside, at a share of the distance from the middle of the front to the outline. */
  seen(points: readonly ProfilePoint[], across: number, backwards = false): string {
    const { scale } = this.fit;
    const { slabMm } = this.shape;
    return slabMm === undefined ? this.line(points, across * scale, 0, backwards) : this.line(points, 0, (across * slabMm * scale) / 2, backwards);
  }

  /** Written out, because it is drawn on every move of a drag: x is the radius times a factor plus an offset. */
  private line(points: readonly ProfilePoint[], perRadius: number, more: number, backwards: boolean): string {
    const { scale, tallMm: top } = this.fit;
    let line = '';
    for (let at = 0; at < points.length; at++) {
      const { radiusMm, heightMm } = points[backwards ? points.length - 1 - at : at]!;
      line += `${at === 0 ? '' : ' '}${tenth(perRadius * radiusMm + more)},${tenth((top - heightMm) * scale)}`;
    }
    return line;
  }

  /** The section of a tile stands by itself, left of the middle. */
  left(mm: number): number {
    return -(this.fit.halfWidth * 0.55) + mm * this.fit.scale;
  }
}
