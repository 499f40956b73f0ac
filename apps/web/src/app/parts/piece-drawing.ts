import {
  edgeOffsetMm,
  insideProfile,
  placeWords,
  profileBetween,
  rimIsApart,
  stuffOf,
  tallMm,
  widestMm,
  type EdgeLine,
  type Grip,
  type Layer,
  type PiecePlan,
  type PieceShape,
  type ProfilePoint,
  type Strip,
  type Turn,
} from '@cazuela/core';
import { line } from 'd3-shape';

/** Coats are drawn this many times as thick as they are. */
export const COAT_EXAGGERATION = 10;
const WIDTH = 460;
const HEIGHT = 420;
const PAD = 34;
/** For a bucket that is gone. */
const UNKNOWN_COLOUR = '#999999';
/** A coat thinner than this would not be seen. */
const THINNEST_DRAWN = 1.5;
/** Places across the seen quarter of the turn. */
const ACROSS = 12;
/** Labels on one side stand at least so far apart. */
const LABEL_APART = 34;
const LONGEST_LABEL = 24;

/** What a drawing is scaled to; kept while a hand drags, so that the paper does not move under it. */
export interface Frame {
  tallMm: number;
  widestMm: number;
}

export const frameOf = (shape: PieceShape): Frame => ({
  tallMm: tallMm(shape),
  widestMm: shape.slabMm === undefined ? widestMm(shape) : shape.slabMm / 2,
});

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
  /** Where it points to, and where its words stand. */
  y: number;
  textY: number;
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
  private readonly topMm: number;

  constructor(
    private readonly shape: PieceShape,
    private readonly plan: PiecePlan,
    private readonly colours: ReadonlyMap<string, string>,
    private readonly names: ReadonlyMap<string, string>,
    frame: Frame = frameOf(shape),
  ) {
    const scale = Math.min((WIDTH / 2 - PAD) / frame.widestMm, (HEIGHT - 2 * PAD) / frame.tallMm);
    this.fit = { scale, tallMm: frame.tallMm, height: frame.tallMm * scale, halfWidth: frame.widestMm * scale };
    this.topMm = tallMm(shape);
    this.inner = shape.slabMm === undefined ? insideProfile(shape) : [];
  }

  y(heightMm: number): number {
    return (this.fit.tallMm - heightMm) * this.fit.scale;
  }

  /** Outer radius at a height, in the drawing's units. */
  halfWidthAt(heightMm: number): number {
    return this.radiusAt(heightMm) * this.fit.scale;
  }

  outside(): string {
    if (this.shape.slabMm !== undefined) return this.bandPath(0, this.topMm);
    return this.closed(this.shape.outside);
  }

  /** The same outline on the other side of the centre line: what a hand draws against. */
  mirrored(): string {
    return this.drawn(this.shape.outside, -1);
  }

  wall(): string {
    if (this.shape.slabMm !== undefined) {
      const [near, far] = [this.left(0), this.left(this.shape.wallMm)];
      return `M${near} ${this.y(0)}L${near} ${this.y(this.topMm)}L${far} ${this.y(this.topMm)}L${far} ${this.y(0)}Z`;
    }
    const hole = ((this.shape.holeMm ?? 0) / 2) * this.fit.scale;
    const inner = this.drawn([...this.inner].reverse(), -1).replace(/^M/, 'L');
    const floorY = this.y(this.shape.floorMm);
    const cut = hole > 0 ? inner.replace(/L[^L]*$/, `L${-hole} ${floorY}`) : inner;
    const ring = this.footRing();
    return `${this.drawn(this.shape.outside, -1)} ${cut} L${-hole} ${this.y(ring ? ring.highMm : 0)} ${ring?.path ?? ''} Z`;
  }

  /** The outside as it will be seen: its uppermost glazes, wax over bare clay, strips and panels over them. */
  zones(wax: string): { path: string; colour: string }[] {
    const { zones, waxFootMm, edges, strips = [], masks = [] } = this.plan;
    const rimFrom = this.rimFromMm();
    const bands: [layer: Layer | undefined, fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn][] = [
      [zones.outside.at(-1), waxFootMm, rimIsApart(this.plan) ? rimFrom : this.topMm, edges?.wax, rimIsApart(this.plan) ? edges?.rim : undefined],
      [zones.rim.at(-1), rimFrom, this.topMm, edges?.rim],
      ...strips.map((strip): [Layer | undefined, number, number, EdgeLine?, EdgeLine?, Turn?] => [
        strip.layers.at(-1),
        strip.fromMm,
        strip.toMm,
        strip.edge,
        strip.edge,
        strip.turn,
      ]),
      [zones.foot.at(-1), 0, Math.max(3, waxFootMm)],
    ];
    const covered = masks.filter((mask) => mask.where !== 'hole');
    return [
      ...bands.flatMap(([layer, fromMm, toMm, from, to, turn]) => (layer ? this.band(fromMm, toMm, this.colourOf(layer), from, to, turn) : [])),
      ...covered.flatMap((mask) => this.band(mask.fromMm, mask.toMm, wax, undefined, undefined, mask.turn)),
      ...(waxFootMm > 0 ? this.band(0, waxFootMm, wax, undefined, edges?.wax) : []),
    ];
  }

  /** Coats in section: outside of the wall outwards, inside inwards, bottom layer first. Where a strip lies, its own lie over the rest. */
  coats(): DrawnCoat[] {
    const { zones, waxFootMm, strips = [] } = this.plan;
    const apart = rimIsApart(this.plan);
    const all = strips.filter((strip) => strip.turn === undefined && strip.layers.length > 0);
    const upper = this.between(waxFootMm, apart ? this.rimFromMm() : this.topMm);
    const rim = this.between(this.rimFromMm(), this.topMm);
    const first = all.filter((strip) => strip.first);
    const below = zones.outside.flatMap((layer) => this.without(upper, first).map((along) => ({ layer, along })));
    const band = zones.rim.map((layer) => ({ layer, along: rim }));
    const inner = this.inner.length > 0 ? zones.inside.map((layer) => ({ layer, along: this.inner.slice(1) })) : [];
    const beneath = this.thickness(zones.outside);
    // Apart, each lies on the bare wall.
    const outer = [
      ...this.stack(this.masked(below), 1, 0, zones.outside),
      ...this.stack(this.masked(band), 1, apart ? 0 : beneath, zones.rim),
      ...all.flatMap((strip) =>
        this.stack(
          this.masked(strip.layers.map((layer) => ({ layer, along: this.between(strip.fromMm, strip.toMm) }))),
          1,
          strip.first ? 0 : beneath,
          strip.layers,
        ),
      ),
    ];
    return [...outer, ...this.stack(inner, -1, 0, zones.inside)];
  }

  /** Handle, or the lug of the seen side, as a bow of its own thickness. */
  handle(): { path: string; width: number } | undefined {
    const { grip } = this.shape;
    return grip && { path: this.bow(grip), width: Math.max(3, grip.thickMm * this.fit.scale) };
  }

  /** Room the grip takes beside the outside. */
  gripOut(): number {
    return this.shape.grip ? (this.shape.grip.outMm + this.shape.grip.thickMm) * this.fit.scale : 0;
  }

  labels(): DrawnLabel[] {
    const { zones, waxFootMm, strips = [] } = this.plan;
    const rimFromMm = zones.rim.length > 0 ? this.rimFromMm() : this.topMm;
    const right = [
      ...this.label('rim', 'Rim band', zones.rim, (rimFromMm + this.topMm) / 2, 1),
      ...strips.flatMap((strip) => this.label(strip.id, capital(placeWords(strip.id, this.plan)), strip.layers, (strip.fromMm + strip.toMm) / 2, 1)),
      ...this.label('outside', 'Outside', zones.outside, waxFootMm + (rimFromMm - waxFootMm) * 0.4, 1),
    ].sort((a, b) => a.y - b.y);
    for (let at = 1; at < right.length; at++) right[at]!.textY = Math.max(right[at]!.textY, right[at - 1]!.textY + LABEL_APART);
    return [...this.label('inside', 'Inside', zones.inside, this.topMm * 0.72, -1), ...right];
  }

  private label(key: string, what: string, layers: readonly Layer[], heightMm: number, side: 1 | -1): DrawnLabel[] {
    if (layers.length === 0) return [];
    const each = layers.map((layer) => `${this.names.get(layer.bucketId) ?? stuffOf(layer)} ${layer.coatMm} mm`).join(' + ');
    // What does not fit beside the piece is counted.
    const how = each.length > LONGEST_LABEL && layers.length > 1 ? `${layers.length} coats` : each;
    const x = side * (this.fit.halfWidth + (side > 0 ? this.gripOut() : 0) + 12);
    const y = this.y(heightMm);
    return [{ key, what, how, y, textY: y, fromX: side * this.halfWidthAt(heightMm), x, textX: x + side * 5, anchor: side > 0 ? 'start' : 'end' }];
  }

  rimFromMm(): number {
    return Math.max(this.plan.waxFootMm, this.topMm - this.plan.rimBandMm);
  }

  private bow({ upperMm, lowerMm, outMm }: Grip): string {
    const [top, bottom] = [this.y(upperMm), this.y(lowerMm)];
    const [from, to] = [this.halfWidthAt(upperMm) - 1, this.halfWidthAt(lowerMm) - 1];
    const out = Math.max(from, to) + outMm * this.fit.scale;
    return `M${from} ${top}C${out} ${top - (bottom - top) * 0.12} ${out} ${bottom} ${to} ${bottom}`;
  }

  private footRing(): { path: string; highMm: number } | undefined {
    if (this.shape.foot !== 'ring') return undefined;
    const footMm = this.shape.outside[0]!.radiusMm;
    const [highMm, wideMm] = [Math.min(4, this.shape.floorMm / 2), Math.min(8, footMm / 4)];
    const at = -(footMm - wideMm) * this.fit.scale;
    return { path: `L${at} ${this.y(highMm)} L${at} ${this.y(0)}`, highMm };
  }

  private radiusAt(heightMm: number): number {
    if (this.shape.slabMm !== undefined) return this.shape.slabMm / 2;
    const { outside } = this.shape;
    for (let at = 1; at < outside.length; at++) {
      const [a, b] = [outside[at - 1]!, outside[at]!];
      if (heightMm <= b.heightMm) {
        const share = b.heightMm > a.heightMm ? Math.max(0, (heightMm - a.heightMm) / (b.heightMm - a.heightMm)) : 1;
        return a.radiusMm + share * (b.radiusMm - a.radiusMm);
      }
    }
    return outside.at(-1)?.radiusMm ?? 0;
  }

  private between(fromMm: number, toMm: number): ProfilePoint[] {
    return toMm > fromMm ? profileBetween({ profile: this.shape.outside, fromMm, toMm }) : [];
  }

  /** What masks all round keep bare, or lay bare again, is no coat in section; a layer under the wax stays. */
  private masked(parts: readonly Along[]): Along[] {
    const bands = (this.plan.masks ?? []).filter((mask) => mask.where === 'band');
    return parts.flatMap(({ layer, along }, at) => {
      const over = bands.filter((mask) => mask.overLayerId === undefined || parts.findIndex((part) => part.layer.id === mask.overLayerId) < at);
      return this.without(along, over).map((left) => ({ layer, along: left }));
    });
  }

  private without(along: readonly ProfilePoint[], strips: readonly Pick<Strip, 'fromMm' | 'toMm'>[]): ProfilePoint[][] {
    if (strips.length === 0) return [[...along]];

    const [from, to] = [along[0]?.heightMm ?? 0, along.at(-1)?.heightMm ?? 0];
    let parts: [number, number][] = [[from, to]];
    for (const strip of strips)
      parts = parts.flatMap(([low, high]): [number, number][] => [
        [low, Math.min(high, strip.fromMm)],
        [Math.max(low, strip.toMm), high],
      ]);
    return parts.map(([low, high]) => this.between(low, high)).filter((part) => part.length > 1);
  }

  private band(fromMm: number, toMm: number, colour: string, from?: EdgeLine, to?: EdgeLine, turn?: Turn): { path: string; colour: string }[] {
    return toMm > fromMm ? [{ path: this.bandPath(fromMm, toMm, from, to, turn), colour }] : [];
  }

  /** A band on the seen quarter of the turn: from the middle of the front to the outline. */
  private bandPath(fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn): string {
    const [start, end] = seenPart(turn);
    if (end <= start) return '';
    // A level edge is one straight line.
    const edge = (heightMm: number, of: EdgeLine | undefined, parts = of && of.kind !== 'straight' ? ACROSS : 1): string[] =>
      Array.from({ length: parts + 1 }, (_, at) => {
        const share = start + ((end - start) * at) / parts;
        const height = Math.min(this.topMm, Math.max(0, heightMm + edgeOffsetMm(of, share)));
        return this.at(this.halfWidthAt(height) * across(share, this.shape), height);
      });
    const side = (share: number, low: number, high: number): string[] =>
      this.between(low, high).map((point) => this.at(this.halfWidthAt(point.heightMm) * across(share, this.shape), point.heightMm));
    const [lowEnd, highEnd] = [fromMm + edgeOffsetMm(from, end), toMm + edgeOffsetMm(to, end)];
    const [lowStart, highStart] = [fromMm + edgeOffsetMm(from, start), toMm + edgeOffsetMm(to, start)];
    const path = [...edge(fromMm, from), ...side(end, lowEnd, highEnd), ...edge(toMm, to).reverse(), ...side(start, lowStart, highStart).reverse()];
    return `M${path.join('L')}Z`;
  }

  private thickness(layers: readonly Layer[]): number {
    return layers.reduce((sum, layer) => sum + this.widthOf(layer) + 0.8, 0);
  }

  private widthOf(layer: Layer): number {
    return Math.max(THINNEST_DRAWN, layer.coatMm * COAT_EXAGGERATION * this.fit.scale);
  }

  private stack(parts: readonly Along[], outwards: 1 | -1, beneath: number, layers: readonly Layer[]): DrawnCoat[] {
    return parts.flatMap(({ layer, along }) => {
      const below = beneath + this.thickness(layers.slice(0, layers.indexOf(layer)));
      const width = this.widthOf(layer);
      const shift = outwards * (below + width / 2 + 0.5);
      return along.length > 1 ? [{ path: this.drawn(along, -1, shift), colour: this.colourOf(layer), width }] : [];
    });
  }

  private colourOf(layer: Layer): string {
    return this.colours.get(layer.bucketId) ?? this.plan.pots?.find((pot) => pot.id === layer.bucketId)?.colour ?? UNKNOWN_COLOUR;
  }

  private closed(points: readonly ProfilePoint[]): string {
    return `${this.drawn(points, 1)} L0 ${this.y(points.at(-1)!.heightMm)} L0 ${this.y(points[0]!.heightMm)} Z`;
  }

  /** The section of a tile stands by itself, left of the middle. */
  private left(mm: number): number {
    return -(this.fit.halfWidth * 0.55) + mm * this.fit.scale;
  }

  private at(x: number, heightMm: number): string {
    return `${x.toFixed(2)} ${this.y(heightMm).toFixed(2)}`;
  }

  private drawn(points: readonly ProfilePoint[], side: 1 | -1, shift = 0): string {
    const isSlab = this.shape.slabMm !== undefined;
    const draw = line<ProfilePoint>(
      (point) => (isSlab ? this.left(0) - shift : side * (point.radiusMm * this.fit.scale + shift)),
      (point) => this.y(point.heightMm),
    ).digits(2);
    return draw([...points]) ?? '';
  }
}

const capital = (words: string): string => {
  const plain = words.replace(/^the /, '');
  return plain.charAt(0).toUpperCase() + plain.slice(1);
};

/** How far right a place of the turn is seen, as a share of the outline. */
const across = (share: number, shape: PieceShape): number => (shape.slabMm === undefined ? Math.sin(2 * Math.PI * share) : 4 * share);

/** What of a panel is seen: the quarter from the front to the right. A panel over the front begins before it. */
function seenPart(turn: Turn | undefined): [number, number] {
  if (!turn) return [0, 0.25];
  const from = turn.from > turn.to ? turn.from - 1 : turn.from;
  return [Math.max(0, from), Math.min(0.25, turn.to)];
}
