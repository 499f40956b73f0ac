import type { Grip, ProfilePoint } from '@cazuela/core';
import type { Sheet } from './sheet';

/** The clay itself: the seen outside, the cut wall, and what the piece is held by. */
export class Outline {
  constructor(private readonly sheet: Sheet) {}

  outside(): string {
    const { shape, topMm, fit } = this.sheet;
    if (shape.slabMm === undefined) return this.closed(shape.outside);
    return `M0 ${this.sheet.y(0)}L${fit.halfWidth} ${this.sheet.y(0)}L${fit.halfWidth} ${this.sheet.y(topMm)}L0 ${this.sheet.y(topMm)}Z`;
  }

  /** The same outline on the other side of the centre line: what a hand draws against. */
  mirrored(): string {
    return this.sheet.drawn(this.sheet.shape.outside, -1);
  }

  wall(): string {
    const { shape, topMm, fit, inner } = this.sheet;
    const y = (mm: number): number => this.sheet.y(mm);
    if (shape.slabMm !== undefined) {
      const [near, far] = [this.sheet.left(0), this.sheet.left(shape.wallMm)];
      return `M${near} ${y(0)}L${near} ${y(topMm)}L${far} ${y(topMm)}L${far} ${y(0)}Z`;
    }
    const hole = ((shape.holeMm ?? 0) / 2) * fit.scale;
    const inside = this.sheet.drawn([...inner].reverse(), -1).replace(/^M/, 'L');
    const cut = hole > 0 ? inside.replace(/L[^L]*$/, `L${-hole} ${y(shape.floorMm)}`) : inside;
    const ring = this.footRing();
    return `${this.mirrored()} ${cut} L${-hole} ${y(ring ? ring.highMm : 0)} ${ring?.path ?? ''} Z`;
  }

  /** Handle, or the lug of the seen side, as a bow of its own thickness. */
  handle(): { path: string; width: number } | undefined {
    const { grip } = this.sheet.shape;
    return grip && { path: this.bow(grip), width: Math.max(3, grip.thickMm * this.sheet.fit.scale) };
  }

  /** Room the grip takes beside the outside. */
  gripOut(): number {
    const { grip } = this.sheet.shape;
    return grip ? (grip.outMm + grip.thickMm) * this.sheet.fit.scale : 0;
  }

  private bow({ upperMm, lowerMm, outMm }: Grip): string {
    const [top, bottom] = [this.sheet.y(upperMm), this.sheet.y(lowerMm)];
    const [from, to] = [this.sheet.halfWidthAt(upperMm) - 1, this.sheet.halfWidthAt(lowerMm) - 1];
    const out = Math.max(from, to) + outMm * this.sheet.fit.scale;
    return `M${from} ${top}C${out} ${top - (bottom - top) * 0.12} ${out} ${bottom} ${to} ${bottom}`;
  }

  private footRing(): { path: string; highMm: number } | undefined {
    const { shape, fit } = this.sheet;
    if (shape.foot !== 'ring') return undefined;
    const footMm = shape.outside[0]!.radiusMm;
    const [highMm, wideMm] = [Math.min(4, shape.floorMm / 2), Math.min(8, footMm / 4)];
    const at = -(footMm - wideMm) * fit.scale;
    return { path: `L${at} ${this.sheet.y(highMm)} L${at} ${this.sheet.y(0)}`, highMm };
  }

  private closed(points: readonly ProfilePoint[]): string {
    return `${this.sheet.drawn(points, 1)} L0 ${this.sheet.y(points.at(-1)!.heightMm)} L0 ${this.sheet.y(points[0]!.heightMm)} Z`;
  }
}
