import { insideProfile, profileBetween, tallMm, widestMm, type PieceShape, type ProfilePoint } from '@cazuela/core';

const WIDTH = 460;
const HEIGHT = 420;
const PAD = 34;

/** What a drawing is scaled to; kept while a hand drags, so that the paper does not move under it. */
export interface Frame {
  tallMm: number;
  widestMm: number;
}

export const frameOf = (shape: PieceShape): Frame => ({
  tallMm: tallMm(shape),
  widestMm: shape.slabMm === undefined ? widestMm(shape) : shape.slabMm / 2,
});

/** How a frame lies on the paper, in the drawing's own units. */
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

/** A form laid on paper, in the drawing's own units: centre line at x 0, rim at y 0, y down. */
export class Sheet {
  readonly fit: Fit;
  readonly inner: readonly ProfilePoint[];
  readonly topMm: number;
  /** Coats and zones ask for the same parts of the outside again and again. */
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

  /** Half the width of a tile, or the outer radius of a turned form at one of its points, in the drawing's units. */
  halfWidthOf(point: ProfilePoint): number {
    return (this.shape.slabMm === undefined ? point.radiusMm : this.shape.slabMm / 2) * this.fit.scale;
  }

  halfWidthAt(heightMm: number): number {
    const { outside, slabMm } = this.shape;
    if (slabMm !== undefined) return (slabMm / 2) * this.fit.scale;
    for (let at = 1; at < outside.length; at++) {
      const below = outside[at - 1]!;
      const above = outside[at]!;
      if (heightMm > above.heightMm) continue;
      const rise = above.heightMm - below.heightMm;
      const share = rise > 0 ? Math.max(0, (heightMm - below.heightMm) / rise) : 1;
      return (below.radiusMm + share * (above.radiusMm - below.radiusMm)) * this.fit.scale;
    }
    return (outside.at(-1)?.radiusMm ?? 0) * this.fit.scale;
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

  at(x: number, heightMm: number): string {
    return `${hundredth(x)} ${hundredth(this.y(heightMm))}`;
  }

  /** A line along the profile on the right side of the centre line, or the left, shifted outwards. */
  drawn(points: readonly ProfilePoint[], side: 1 | -1, shift = 0): string {
    const slabX = this.shape.slabMm === undefined ? undefined : this.left(0) - shift;
    const { scale, tallMm: top } = this.fit;
    let path = '';
    // By hand: drawn anew at every move of a hand, and a line of straight pieces needs nothing more.
    for (let at = 0; at < points.length; at++) {
      const { radiusMm, heightMm } = points[at]!;
      const x = slabX ?? side * (radiusMm * scale + shift);
      path += `${at === 0 ? 'M' : 'L'}${Math.round(100 * x) / 100} ${Math.round(100 * (top - heightMm) * scale) / 100}`;
    }
    return path;
  }

  /** The section of a tile stands by itself, left of the middle. */
  left(mm: number): number {
    return -(this.fit.halfWidth * 0.55) + mm * this.fit.scale;
  }
}

const hundredth = (x: number): number => Math.round(100 * x) / 100;
