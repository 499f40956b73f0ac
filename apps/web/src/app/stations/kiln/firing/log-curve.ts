import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { celsiusAt, GAP_SECONDS, HOUR_MS, type FiringPoint } from '@cazuela/core';
import { formatDayTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { CurveScale } from '../curve-scale';

/** On a phone the drawing is smaller, so that its words stay as large as the others. */
const IS_PHONE = typeof matchMedia === 'function' && matchMedia('(max-width: 700px)').matches;
const WIDTH = IS_PHONE ? 370 : 640;
const HEIGHT = IS_PHONE ? 250 : 330;
const GAP_HOURS = GAP_SECONDS / 3_600;
/** An arrow key moves the reader so far, hours. */
const STEP_HOURS = 0.25;

/**
 * A firing as it was wanted, as it was read, and what follows. Where nobody read it the line is dashed. The pointer, or the arrow keys, read a
 * moment off it.
 */
@Component({
  selector: 'cz-log-curve',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width + ' ' + height"
      role="slider"
      tabindex="0"
      aria-label="Read the curve"
      aria-valuemin="0"
      [attr.aria-valuemax]="last()"
      [attr.aria-valuenow]="at()"
      [attr.aria-valuetext]="told()"
      (pointermove)="point($event)"
      (pointerleave)="chosen.set(undefined)"
      (keydown)="step($event)"
    >
      @for (grid of celsius(); track grid.y) {
        <line class="grid" [attr.x1]="left" [attr.x2]="width" [attr.y1]="grid.y" [attr.y2]="grid.y" />
        <text [attr.x]="left - 6" [attr.y]="grid.y + 4" text-anchor="end">{{ grid.text }}</text>
      }
      @for (grid of hours(); track grid.x) {
        <text [attr.x]="grid.x" [attr.y]="height - 6" text-anchor="middle">{{ grid.text }}</text>
      }
      <path class="wanted" [attr.d]="wantedPath()" />
      <path class="follows" [attr.d]="followsPath()" />
      @for (part of readParts(); track $index) {
        <path [class.read]="!part.isGap" [class.unread]="part.isGap" [attr.d]="part.path" />
      }
      @for (dot of dots(); track $index) {
        <circle class="hand" [attr.cx]="dot.x" [attr.cy]="dot.y" r="4.5" />
      }
      @if (mark(); as here) {
        <line class="mark" [attr.x1]="here.x" [attr.x2]="here.x" y1="8" [attr.y2]="height - 26" />
        <circle class="spot" [attr.cx]="here.x" [attr.cy]="here.y" r="5" />
      }
    </svg>
    <p class="told" aria-hidden="true">{{ told() }}</p>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      touch-action: pan-y;
    }
    text {
      font: 500 12px var(--figures);
      fill: var(--iron-wash);
    }
    .grid {
      stroke: var(--line);
    }
    .wanted {
      fill: none;
      stroke: var(--iron-wash);
      stroke-width: 1.5;
      opacity: 0.75;
    }
    .read {
      fill: none;
      stroke: var(--oxblood);
      stroke-width: 3;
    }
    .unread,
    .follows {
      fill: none;
      stroke: var(--oxblood);
      stroke-width: 2;
      stroke-dasharray: 2 6;
    }
    .hand {
      fill: var(--paper, var(--kaolin));
      stroke: var(--oxblood);
      stroke-width: 2.5;
    }
    .mark {
      stroke: var(--iron-wash);
    }
    .spot {
      fill: var(--oxblood);
    }
    .told {
      min-height: 1.4em;
      margin: 0.2rem 0 0;
      font: 500 0.95rem var(--figures);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogCurve {
  readonly wanted = input.required<readonly FiringPoint[]>();
  readonly log = input<readonly FiringPoint[]>([]);
  readonly curve = input.required<readonly FiringPoint[]>();
  readonly readUntilHours = input<number>();
  /** Read off the display by hand. */
  readonly byHand = input<readonly FiringPoint[]>([]);
  readonly startedAt = input.required<string>();
  private readonly units = inject(Units);
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly left = new CurveScale(WIDTH, HEIGHT, 1, 1).left;
  protected readonly chosen = signal<number | undefined>(undefined);
  protected readonly last = computed(() => Math.max(1, this.wanted().at(-1)?.hours ?? 1, this.curve().at(-1)?.hours ?? 1));
  private readonly scale = computed(() => {
    const most = Math.max(100, ...this.wanted().map(({ celsius }) => celsius), ...this.curve().map(({ celsius }) => celsius));
    return new CurveScale(WIDTH, HEIGHT, this.last(), most);
  });
  protected readonly celsius = computed(() => this.scale().celsiusGrid(this.units));
  protected readonly hours = computed(() => this.scale().hoursGrid());
  protected readonly wantedPath = computed(() => this.scale().path(this.wanted()));
  protected readonly followsPath = computed(() => {
    const until = this.readUntilHours();
    if (until === undefined) return this.scale().path(this.curve());
    return this.scale().path(this.curve().filter(({ hours }) => hours >= until));
  });
  /** Read closely, or only at its ends. */
  protected readonly readParts = computed(() => {
    const parts: { isGap: boolean; points: FiringPoint[] }[] = [];
    for (const [index, point] of this.log().entries()) {
      const before = this.log()[index - 1];
      if (!before) continue;
      const isGap = point.hours - before.hours > GAP_HOURS;
      const part = parts.at(-1);
      if (part?.isGap === isGap) part.points.push(point);
      else parts.push({ isGap, points: [before, point] });
    }
    return parts.map(({ isGap, points }) => ({ isGap, path: this.scale().path(points) }));
  });
  protected readonly dots = computed(() => this.byHand().map(({ hours, celsius }) => ({ x: this.scale().x(hours), y: this.scale().y(celsius) })));
  protected readonly at = computed(() => this.chosen() ?? this.readUntilHours() ?? 0);
  protected readonly mark = computed(() => {
    if (this.chosen() === undefined && this.readUntilHours() === undefined) return undefined;
    return { x: this.scale().x(this.at()), y: this.scale().y(celsiusAt(this.curve(), this.at())) };
  });
  protected readonly told = computed(() => {
    const hours = this.at();
    const until = this.readUntilHours();
    const when = formatDayTime(new Date(Date.parse(this.startedAt()) + hours * HOUR_MS).toISOString(), this.startedAt());
    const is = this.units.temperature(celsiusAt(this.curve(), hours));
    const isRead = until !== undefined && hours <= until && !this.isUnread(hours);
    const how = isRead ? 'read' : until === undefined ? 'by its curve' : hours > until ? 'foretold' : 'not read: a line between';
    return `${when}, after ${hours.toFixed(1)} h: ${is}, ${how}; ${this.units.temperature(celsiusAt(this.wanted(), hours))} wanted.`;
  });

  private isUnread(hours: number): boolean {
    return this.log().some((point, index) => {
      const before = this.log()[index - 1];
      return before !== undefined && point.hours - before.hours > GAP_HOURS && hours > before.hours && hours < point.hours;
    });
  }

  protected point(event: PointerEvent): void {
    const box = (event.currentTarget as SVGSVGElement).getBoundingClientRect();
    if (box.width > 0) this.chosen.set(this.scale().hoursAt(((event.clientX - box.left) * WIDTH) / box.width));
  }

  protected step(event: KeyboardEvent): void {
    const by = { ArrowLeft: -STEP_HOURS, ArrowRight: STEP_HOURS, PageDown: -1, PageUp: 1, Home: -this.last(), End: this.last() }[event.key];
    if (event.key === 'Escape') this.chosen.set(undefined);
    if (by === undefined) return;
    event.preventDefault();
    this.chosen.set(Math.min(this.last(), Math.max(0, this.at() + by)));
  }
}
