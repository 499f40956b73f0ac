import { insideProfile, profileBetween, rimIsApart, type Layer, type PiecePlan, type PieceShape, type ProfilePoint } from '@cazuela/core';
import { curveCatmullRom, line } from 'd3-shape';

/** Coats are drawn this many times as thick as they are. */
export const COAT_EXAGGERATION = 10;
const WIDTH = 460;
const HEIGHT = 420;
const PAD = 34;
/** For a bucket that is gone. */
const UNKNOWN_COLOUR = '#999999';
/** A coat thinner than this would not be seen. */
const THINNEST_DRAWN = 1.5;

export interface DrawnCoat {
  path: string;
  colour: string;
  width: number;
}

/** Zone, glaze and coat beside the drawing, with a line to the place. */
export interface DrawnLabel {
  key: string;
  what: string;
  how: string;
  y: number;
  fromX: number;
  x: number;
  textX: number;
  anchor: 'start' | 'end';
}

interface Along {
  layer: Layer;
  along: readonly ProfilePoint[];
}

/** The paths of a piece in section, in the drawing's own units: centre line at x 0, rim at y 0, y down. */
export class PieceDrawing {
  readonly fit: { scale: number; tallMm: number; height: number; halfWidth: number };
  private readonly inner: readonly ProfilePoint[];

  constructor(
    private readonly shape: PieceShape,
    private readonly plan: PiecePlan,
    private readonly colours: ReadonlyMap<string, string>,
    private readonly names: ReadonlyMap<string, string>,
  ) {
    const widest = Math.max(...shape.outside.map((point) => point.radiusMm));
    const tallMm = Math.max(...shape.outside.map((point) => point.heightMm));
    const scale = Math.min((WIDTH / 2 - PAD) / widest, (HEIGHT - 2 * PAD) / tallMm);
    this.fit = { scale, tallMm, height: tallMm * scale, halfWidth: widest * scale };
    this.inner = insideProfile(shape);
  }

  y(heightMm: number): number {
    return (this.fit.tallMm - heightMm) * this.fit.scale;
  }

  outside(): string {
    return this.closed(this.shape.outside);
  }

  wall(): string {
    const inner = this.smooth([...this.inner].reverse(), -1).replace(/^M/, 'L');
    return `${this.smooth(this.shape.outside, -1)} ${inner} L0 ${this.y(0)} Z`;
  }

  /** The outside as it will be seen: its uppermost glazes, wax over bare clay. */
  zones(wax: string): { path: string; colour: string }[] {
    const { zones, waxFootMm } = this.plan;
    const bands: [layer: Layer | undefined, fromMm: number, toMm: number][] = [
      [zones.outside.at(-1), waxFootMm, this.fit.tallMm],
      [zones.rim.at(-1), this.rimFromMm(), this.fit.tallMm],
      [zones.foot.at(-1), 0, Math.max(3, waxFootMm)],
    ];
    return [
      ...bands.flatMap(([layer, fromMm, toMm]) => (layer ? this.band(fromMm, toMm, this.colourOf(layer)) : [])),
      ...(waxFootMm > 0 ? this.band(0, waxFootMm, wax) : []),
    ];
  }

  /** Coats in section: outside of the wall outwards, inside inwards, bottom layer first. */
  coats(): DrawnCoat[] {
    const { zones, waxFootMm } = this.plan;
    const apart = rimIsApart(this.plan);
    const upper = this.between(waxFootMm, apart ? this.rimFromMm() : this.fit.tallMm);
    const rim = this.between(this.rimFromMm(), this.fit.tallMm);
    const below = zones.outside.map((layer) => ({ layer, along: upper }));
    const band = zones.rim.map((layer) => ({ layer, along: rim }));
    const inner = zones.inside.map((layer) => ({ layer, along: this.inner.slice(1) }));
    // Apart, each lies on the bare wall.
    const outer = apart ? [...this.stack(below, 1), ...this.stack(band, 1)] : this.stack([...below, ...band], 1);
    return [...outer, ...this.stack(inner, -1)];
  }

  handle(): string | undefined {
    const { halfWidth, height } = this.fit;
    return this.shape.handle ? `M${halfWidth - 3} ${height * 0.22} q30 -4 27 ${height * 0.2} t-30 ${height * 0.3}` : undefined;
  }

  labels(): DrawnLabel[] {
    const { zones, waxFootMm } = this.plan;
    const { tallMm } = this.fit;
    const rimFromMm = zones.rim.length > 0 ? this.rimFromMm() : tallMm;
    return [
      ...this.label('inside', 'Inside', zones.inside, tallMm * 0.72, -1),
      ...this.label('rim', 'Rim band', zones.rim, (rimFromMm + tallMm) / 2, 1),
      ...this.label('outside', 'Outside', zones.outside, waxFootMm + (rimFromMm - waxFootMm) * 0.55, 1),
    ];
  }

  private label(key: string, what: string, layers: readonly Layer[], heightMm: number, side: 1 | -1): DrawnLabel[] {
    if (layers.length === 0) return [];
    const how =
      layers.length > 2
        ? `${layers.length} coats`
        : layers.map((layer) => `${this.names.get(layer.bucketId) ?? 'glaze'} ${layer.coatMm} mm`).join(' + ');
    const x = side * (this.fit.halfWidth + (side > 0 && this.shape.handle ? 34 : 12));
    const radiusMm = this.between(heightMm, this.fit.tallMm)[0]?.radiusMm ?? 0;
    return [
      { key, what, how, y: this.y(heightMm), fromX: side * radiusMm * this.fit.scale, x, textX: x + side * 5, anchor: side > 0 ? 'start' : 'end' },
    ];
  }

  private rimFromMm(): number {
    return Math.max(this.plan.waxFootMm, this.fit.tallMm - this.plan.rimBandMm);
  }

  private between(fromMm: number, toMm: number): ProfilePoint[] {
    return toMm > fromMm ? profileBetween({ profile: this.shape.outside, fromMm, toMm }) : [];
  }

  private band(fromMm: number, toMm: number, colour: string): { path: string; colour: string }[] {
    const cut = this.between(fromMm, toMm);
    return cut.length > 1 ? [{ path: this.closed(cut), colour }] : [];
  }

  private stack(layers: readonly Along[], outwards: 1 | -1): DrawnCoat[] {
    let below = 0;
    return layers.flatMap(({ layer, along }) => {
      const width = Math.max(THINNEST_DRAWN, layer.coatMm * COAT_EXAGGERATION * this.fit.scale);
      const shift = outwards * (below + width / 2 + 0.5);
      below += width + 0.8;
      return along.length > 1 ? [{ path: this.smooth(along, -1, shift), colour: this.colourOf(layer), width }] : [];
    });
  }

  private colourOf(layer: Layer): string {
    return this.colours.get(layer.bucketId) ?? UNKNOWN_COLOUR;
  }

  private closed(points: readonly ProfilePoint[]): string {
    return `${this.smooth(points, 1)} L0 ${this.y(points.at(-1)!.heightMm)} L0 ${this.y(points[0]!.heightMm)} Z`;
  }

  private smooth(points: readonly ProfilePoint[], side: 1 | -1, shift = 0): string {
    const draw = line<ProfilePoint>(
      (point) => side * (point.radiusMm * this.fit.scale + shift),
      (point) => this.y(point.heightMm),
    ).curve(curveCatmullRom.alpha(0.5));
    return draw([...points]) ?? '';
  }
}
