import type { Grip, ProfilePoint } from '@cazuela/core';
import type { Sheet } from './sheet';
import { tenth } from './tenth';

/** The clay: the visible outside, the cut wall, and handle or lugs. Outside and wall are given by the corners of what they enclose. */
export class Outline {
  constructor(private readonly sheet: Sheet) {}

  outside(): string {
    const { shape, topMm, fit } = this.sheet;
    if (shape.slabMm === undefined) return this.closed(shape.outside);
    return this.corners([0, 0], [fit.halfWidth, 0], [fit.halfWidth, topMm], [0, topMm]);
  }

  /** The cut wall: the same outline on the other side of the centre line, the inside, the floor and the foot. */
  wall(): string {
    const { shape, topMm, fit, inner } = this.sheet;
    if (shape.slabMm !== undefined) {
      const [near, far] = [this.sheet.left(0), this.sheet.left(shape.wallMm)];
      return this.corners([near, 0], [near, topMm], [far, topMm], [far, 0]);
    }
    const hole = ((shape.holeMm ?? 0) / 2) * fit.scale;
    // A hole ends the inside at its edge, not in the middle of the floor.
    const inside =
      hole > 0 ? `${this.sheet.drawn(inner.slice(1), -1, 0, true)} ${this.sheet.at(-hole, shape.floorMm)}` : this.sheet.drawn(inner, -1, 0, true);
    return `${this.sheet.drawn(shape.outside, -1)} ${inside} ${this.floor(-hole)}`;
  }

  /** Handle, or the lug on the visible side, as a bow of its own thickness. */
  handle(): { path: string; width: number } | undefined {
    const { grip } = this.sheet.shape;
    return grip && { path: this.bow(grip), width: Math.max(3, grip.thickMm * this.sheet.fit.scale) };
  }

  /** Room that the grip takes beside the outside. */
  gripOut(): number {
    const { grip } = this.sheet.shape;
    return grip ? (grip.outMm + grip.thickMm) * this.sheet.fit.scale : 0;
  }

  private bow({ upperMm, lowerMm, outMm }: Grip): string {
    const [top, bottom] = [this.sheet.y(upperMm), this.sheet.y(lowerMm)];
    const [from, to] = [this.sheet.halfWidthAt(upperMm) - 1, this.sheet.halfWidthAt(lowerMm) - 1];
    const out = Math.max(from, to) + outMm * this.sheet.fit.scale;
    const knee = `${tenth(top - (bottom - top) * 0.12)} ${tenth(out)} ${tenth(bottom)}`;
    return `M${tenth(from)} ${tenth(top)}C${tenth(out)} ${knee} ${tenth(to)} ${tenth(bottom)}`;
  }

  /** Under the floor, from its middle or the edge of its hole out to the foot ring. */
  private floor(x: number): string {
    const { shape, fit } = this.sheet;
    if (shape.foot !== 'ring') return this.sheet.at(x, 0);
    const footMm = shape.outside[0]!.radiusMm;
    const highMm = Math.min(4, shape.floorMm / 2);
    const wideMm = Math.min(8, footMm / 4);
    const ring = -(footMm - wideMm) * fit.scale;
    return this.corners([x, highMm], [ring, highMm], [ring, 0]);
  }

  private corners(...corners: [x: number, heightMm: number][]): string {
    return corners.map(([x, heightMm]) => this.sheet.at(x, heightMm)).join(' ');
  }

  private closed(points: readonly ProfilePoint[]): string {
    return `${this.sheet.drawn(points, 1)} ${this.corners([0, points.at(-1)!.heightMm], [0, points[0]!.heightMm])}`;
  }
}
