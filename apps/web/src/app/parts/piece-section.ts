import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { insideProfile, profileBetween, type PiecePlan, type PieceShape, type ProfilePoint } from '@cazuela/core';
import { curveCatmullRom, line } from 'd3-shape';

/** Coats are drawn this many times as thick as they are. */
export const COAT_EXAGGERATION = 10;
const WIDTH = 460;
const HEIGHT = 420;
const PAD = 34;

interface Label {
  key: string;
  what: string;
  how: string;
  y: number;
  fromX: number;
  x: number;
  textX: number;
  anchor: string;
}

interface DrawnCoat {
  path: string;
  colour: string;
  width: number;
}

/** A piece as archaeologists draw pots: section with its coats on the left, the outside with its zones on the right. */
@Component({
  selector: 'cz-piece-section',
  template: `
    <svg
      [attr.viewBox]="viewBox()"
      role="img"
      [attr.aria-hidden]="small() ? true : null"
      [attr.preserveAspectRatio]="small() ? 'xMidYMax' : null"
      [attr.aria-label]="words()"
    >
      <defs>
        <pattern id="wax" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="8" height="8" class="wax-ground" />
          <line x1="0" y1="0" x2="0" y2="8" class="wax-line" />
        </pattern>
        <linearGradient [attr.id]="shadeId">
          <stop offset="0" stop-color="#000" stop-opacity="0" />
          <stop offset="1" stop-color="#000" stop-opacity=".28" />
        </linearGradient>
      </defs>
      @if (!small()) {
        <line class="centre" x1="0" x2="0" [attr.y1]="-8" [attr.y2]="fit().height + 22" />
      }
      <path [attr.d]="outsideRight()" [attr.fill]="clay()" />
      @for (zone of zonesRight(); track $index) {
        <path [attr.d]="zone.path" [attr.fill]="zone.colour" />
      }
      <path [attr.d]="outsideRight()" [attr.fill]="'url(#' + shadeId + ')'" />
      @for (coat of coats(); track $index) {
        <path class="coat" [attr.d]="coat.path" [attr.stroke]="coat.colour" [attr.stroke-width]="coat.width" />
      }
      <path class="wall" [attr.d]="wallPath()" />
      <path class="outline" [attr.d]="outsideRight()" />
      @if (handle(); as path) {
        <path class="handle" [attr.d]="path" />
      }
      @if (runY(); as y) {
        <line class="run" [attr.x1]="0" [attr.x2]="fit().halfWidth + 24" [attr.y1]="y" [attr.y2]="y" />
        <text class="run-text" [attr.x]="fit().halfWidth + 26" [attr.y]="y + 4">95 % run</text>
      }
      @for (label of labels(); track label.key) {
        <line class="lead" [attr.x1]="label.fromX" [attr.x2]="label.x" [attr.y1]="label.y" [attr.y2]="label.y" />
        <circle class="dot" r="3" [attr.cx]="label.fromX" [attr.cy]="label.y" />
        <text class="zone" [attr.x]="label.textX" [attr.y]="label.y - 3" [attr.text-anchor]="label.anchor">{{ label.what }}</text>
        <text class="coat-text" [attr.x]="label.textX" [attr.y]="label.y + 13" [attr.text-anchor]="label.anchor">{{ label.how }}</text>
      }
      @if (!small()) {
        <line
          class="bar"
          [attr.x1]="-fit().halfWidth"
          [attr.x2]="-fit().halfWidth + 50 * fit().scale"
          [attr.y1]="fit().height + 24"
          [attr.y2]="fit().height + 24"
        />
        <text class="bar-text" [attr.x]="-fit().halfWidth" [attr.y]="fit().height + 40">50 mm; coats drawn ten times as thick</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .centre {
      stroke: var(--iron-wash);
      stroke-dasharray: 10 4 2 4;
    }
    .wall {
      fill: var(--iron);
    }
    .outline {
      fill: none;
      stroke: var(--iron);
      stroke-width: 2.2;
    }
    .handle {
      fill: none;
      stroke: var(--iron);
      stroke-width: 2.2;
    }
    .coat {
      fill: none;
      stroke-linejoin: round;
    }
    .wax-ground {
      fill: var(--paper);
    }
    .wax-line {
      stroke: var(--iron-wash);
      stroke-width: 3;
    }
    .lead {
      stroke: var(--iron-wash);
    }
    .dot {
      fill: var(--iron);
    }
    .zone {
      font: 650 14px var(--text);
      fill: var(--iron);
    }
    .coat-text {
      font: 500 13px var(--text);
      fill: var(--iron-wash);
    }
    .run {
      stroke: var(--oxblood);
      stroke-width: 2;
      stroke-dasharray: 5 3;
    }
    .run-text {
      font: 650 13px var(--text);
      fill: var(--oxblood);
    }
    .bar {
      stroke: var(--iron);
      stroke-width: 2;
    }
    .bar-text {
      font: 500 13px var(--text);
      fill: var(--iron-wash);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceSection {
  readonly shape = input.required<PieceShape>();
  readonly plan = input.required<PiecePlan>();
  /** Colour of each bucket. */
  readonly colours = input.required<ReadonlyMap<string, string>>();
  /** Name of each bucket, for the labels. */
  readonly names = input<ReadonlyMap<string, string>>(new Map());
  readonly clay = input('#E4D8C2');
  readonly small = input(false);
  /** Height of the lower glaze edge after its 95 % run, mm above the shelf. */
  readonly runToMm = input<number>();
  protected readonly shadeId = `shade-${Math.random().toString(36).slice(2)}`;

  protected readonly fit = computed(() => {
    const { outside } = this.shape();
    const widest = Math.max(...outside.map((point) => point.radiusMm));
    const tall = Math.max(...outside.map((point) => point.heightMm));
    const scale = Math.min((WIDTH / 2 - PAD) / widest, (HEIGHT - 2 * PAD) / tall);
    return { scale, tall, height: tall * scale, halfWidth: widest * scale };
  });
  protected readonly viewBox = computed(() => {
    const { height, halfWidth } = this.fit();
    const side = this.small() ? 14 : 150;
    const handle = this.shape().handle ? 26 : 0;
    return `${-halfWidth - side} ${this.small() ? -8 : -16} ${2 * halfWidth + 2 * side + (this.small() ? handle : 0)} ${height + (this.small() ? 16 : 66)}`;
  });
  private readonly topMm = computed(() => this.fit().tall);
  private readonly inside = computed(() => insideProfile(this.shape()));
  protected readonly outsideRight = computed(() => this.closed(this.shape().outside, 1));
  protected readonly wallPath = computed(() => {
    const outer = this.smooth(this.shape().outside, -1);
    const inner = this.smooth([...this.inside()].reverse(), -1).replace(/^M/, 'L');
    return `${outer} ${inner} L0 ${this.y(0)} Z`;
  });
  protected readonly zonesRight = computed(() => {
    const { zones, waxFootMm, rimBandMm } = this.plan();
    const { outside } = this.shape();
    const drawn: { path: string; colour: string }[] = [];
    const band = (fromMm: number, toMm: number, colour: string): void => {
      const cut = toMm > fromMm ? profileBetween({ profile: outside, fromMm, toMm }) : [];
      if (cut.length > 1) drawn.push({ path: this.closed(cut, 1), colour });
    };
    const outer = zones.outside.at(-1);
    if (outer) band(waxFootMm, this.topMm(), this.colours().get(outer.bucketId) ?? '#999');
    const rim = zones.rim.at(-1);
    if (rim) band(Math.max(waxFootMm, this.topMm() - rimBandMm), this.topMm(), this.colours().get(rim.bucketId) ?? '#999');
    const foot = zones.foot.at(-1);
    if (foot) band(0, Math.max(3, waxFootMm), this.colours().get(foot.bucketId) ?? '#999');
    if (waxFootMm > 0) band(0, waxFootMm, 'url(#wax)');
    return drawn;
  });
  /** Coats in section: outside of the wall outwards, inside inwards, bottom layer first. */
  protected readonly coats = computed<DrawnCoat[]>(() => {
    const { zones, waxFootMm, rimBandMm } = this.plan();
    const { outside } = this.shape();
    const upper = profileBetween({ profile: outside, fromMm: waxFootMm, toMm: this.topMm() });
    const rim = profileBetween({ profile: outside, fromMm: Math.max(waxFootMm, this.topMm() - rimBandMm), toMm: this.topMm() });
    const stack = [...zones.outside.map((layer) => ({ layer, along: upper })), ...zones.rim.map((layer) => ({ layer, along: rim }))];
    const outer = this.stackOf(stack, 1);
    const inner = this.stackOf(
      zones.inside.map((layer) => ({ layer, along: this.inside().slice(1) })),
      -1,
    );
    return [...outer, ...inner];
  });
  protected readonly handle = computed(() => {
    if (!this.shape().handle || this.small()) return undefined;
    const { halfWidth, height } = this.fit();
    return `M${halfWidth - 3} ${height * 0.22} q30 -4 27 ${height * 0.2} t-30 ${height * 0.3}`;
  });
  protected readonly runY = computed(() => {
    const run = this.runToMm();
    return run === undefined || this.small() ? undefined : this.y(Math.max(0, run));
  });
  protected readonly words = computed(() => {
    const { zones, waxFootMm } = this.plan();
    const count = (['inside', 'outside', 'rim', 'foot'] as const).map((zone) => `${zone} ${zones[zone].length}`).join(', ');
    return `${this.shape().name} in section. Coats: ${count}. Wax ${waxFootMm} mm up.`;
  });

  /** Zone, glaze and coat beside the drawing, with a line to the place. */
  protected readonly labels = computed(() => {
    if (this.small()) return [];
    const { zones, waxFootMm, rimBandMm } = this.plan();
    const { tall, halfWidth, scale } = this.fit();
    const rimFromMm = zones.rim.length > 0 ? Math.max(waxFootMm, tall - rimBandMm) : tall;
    const say = (layers: readonly { bucketId: string; coatMm: number; way: string }[]): string =>
      layers.length > 2
        ? `${layers.length} coats`
        : layers.map((layer) => `${this.names().get(layer.bucketId) ?? 'glaze'} ${layer.coatMm} mm`).join(' + ');
    const at = (key: string, what: string, how: string, heightMm: number, side: 1 | -1): Label => {
      const x = side * (halfWidth + (side > 0 && this.shape().handle ? 34 : 12));
      return {
        key,
        what,
        how,
        y: this.y(heightMm),
        fromX: side * this.radiusAt(heightMm) * scale,
        x,
        textX: x + side * 5,
        anchor: side > 0 ? 'start' : 'end',
      };
    };
    return [
      ...(zones.inside.length > 0 ? [at('inside', 'Inside', say(zones.inside), tall * 0.72, -1)] : []),
      ...(zones.rim.length > 0 ? [at('rim', 'Rim band', say(zones.rim), (rimFromMm + tall) / 2, 1)] : []),
      ...(zones.outside.length > 0 ? [at('outside', 'Outside', say(zones.outside), waxFootMm + (rimFromMm - waxFootMm) * 0.55, 1)] : []),
    ];
  });

  private radiusAt(heightMm: number): number {
    const cut = profileBetween({ profile: this.shape().outside, fromMm: heightMm, toMm: this.topMm() });
    return cut[0]?.radiusMm ?? 0;
  }

  private stackOf(stack: readonly { layer: { bucketId: string; coatMm: number }; along: readonly ProfilePoint[] }[], outwards: 1 | -1): DrawnCoat[] {
    let below = 0;
    return stack.flatMap(({ layer, along }) => {
      const width = Math.max(1.5, layer.coatMm * COAT_EXAGGERATION * this.fit().scale);
      const shift = outwards * (below + width / 2 + 0.5);
      below += width + 0.8;
      return along.length > 1 ? [{ path: this.smooth(along, -1, shift), colour: this.colours().get(layer.bucketId) ?? '#999', width }] : [];
    });
  }

  private closed(points: readonly ProfilePoint[], side: 1 | -1): string {
    const first = points[0]!;
    const last = points.at(-1)!;
    return `${this.smooth(points, side)} L0 ${this.y(last.heightMm)} L0 ${this.y(first.heightMm)} Z`;
  }

  private smooth(points: readonly ProfilePoint[], side: 1 | -1, shift = 0): string {
    const { scale } = this.fit();
    const draw = line<ProfilePoint>(
      (point) => side * (point.radiusMm * scale + shift),
      (point) => this.y(point.heightMm),
    ).curve(curveCatmullRom.alpha(0.5));
    return draw([...points]) ?? '';
  }

  private y(heightMm: number): number {
    return (this.fit().tall - heightMm) * this.fit().scale;
  }
}
