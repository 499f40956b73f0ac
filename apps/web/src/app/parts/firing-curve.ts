import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { HOUR_MS, celsiusAt, kilnNow, type FiringPoint } from '@cazuela/core';
import { line } from 'd3-shape';
import { formatWhen } from '../data/units/times';
import { Units } from '../data/units/units';

const WIDTH = 300;
const HEIGHT = 190;
const PAD = 22;

/** A firing as its curve: the past solid, the rest dotted, with a mark for now. */
@Component({
  selector: 'cz-firing-curve',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="words()">
      @for (grid of grids(); track grid.y) {
        <line class="grid" x1="0" [attr.x2]="width" [attr.y1]="grid.y" [attr.y2]="grid.y" />
        <text class="label" x="0" [attr.y]="grid.y - 4">{{ grid.text }}</text>
      }
      <path class="done" [attr.d]="donePath()" />
      <path class="coming" [attr.d]="comingPath()" />
      @if (spot(); as here) {
        <circle [attr.cx]="here.x" [attr.cy]="here.y" r="6" />
        <text class="now" [attr.x]="here.textX" [attr.y]="here.y - 12" [attr.text-anchor]="here.anchor">{{ here.text }}</text>
      }
    </svg>
    @if (opens(); as text) {
      <p class="quiet small">{{ text }}</p>
    }
  `,
  styles: `
    svg {
      width: 100%;
      overflow: visible;
    }
    .grid {
      stroke: var(--line);
    }
    .label {
      font: 500 12px var(--figures);
      fill: var(--iron-wash);
    }
    .done {
      fill: none;
      stroke: var(--oxblood);
      stroke-width: 3;
    }
    .coming {
      fill: none;
      stroke: var(--oxblood);
      stroke-width: 2;
      stroke-dasharray: 2 5;
    }
    circle {
      fill: var(--oxblood);
    }
    .now {
      font: 600 15px var(--figures);
      fill: var(--iron);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiringCurve {
  readonly points = input.required<readonly FiringPoint[]>();
  readonly startedAt = input.required<string>();
  readonly nowAt = input.required<string>();
  /** It was read until then, by its controller or by hand; undefined where nobody read it. */
  readonly readUntilHours = input<number>();
  /** Below this its potter opens it. */
  readonly openCelsius = input<number>();
  private readonly units = inject(Units);
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  /** A practice kiln runs ahead of the clock. */
  private readonly hours = computed(() =>
    Math.max((Date.parse(this.nowAt()) - Date.parse(this.startedAt())) / HOUR_MS, this.readUntilHours() ?? -Infinity),
  );
  private readonly last = computed(() => this.points().at(-1)!.hours || 1);
  private readonly peak = computed(() => Math.max(...this.points().map((point) => point.celsius)));
  private readonly state = computed(() => kilnNow({ firing: this.points(), hours: this.hours(), openCelsius: this.openCelsius() }));
  protected readonly grids = computed(() =>
    [300, 600, 900, 1200]
      .filter((celsius) => celsius <= this.peak())
      .map((celsius) => ({ y: this.y(celsius), text: this.units.temperature(celsius) })),
  );
  protected readonly donePath = computed(() =>
    this.path(
      this.points().filter((point) => point.hours <= this.hours()),
      true,
    ),
  );
  protected readonly comingPath = computed(() =>
    this.path(
      this.points().filter((point) => point.hours > this.hours()),
      false,
    ),
  );
  protected readonly spot = computed(() => {
    const state = this.state();
    if (state.kind !== 'firing' && state.kind !== 'cooling') return undefined;
    const x = this.x(this.hours());
    const late = x > WIDTH * 0.7;
    return { x, y: this.y(state.celsius), text: this.units.temperature(state.celsius), textX: late ? x - 8 : x + 8, anchor: late ? 'end' : 'start' };
  });
  protected readonly opens = computed(() => {
    const state = this.state();
    if (state.kind !== 'firing' && state.kind !== 'cooling') return '';
    const at = formatWhen(new Date(Date.parse(this.startedAt()) + state.opensAtHours * HOUR_MS).toISOString());
    return this.readUntilHours() === undefined
      ? `Can be opened about ${at}, by its curve. Nobody logged it: look at the kiln’s own display.`
      : `Can be opened about ${at}, by what was read of it; not before.`;
  });
  protected readonly words = computed(
    () => `Firing curve, peak ${this.units.temperature(this.peak())}. ${this.spot() ? `Now about ${this.spot()!.text}.` : ''}`,
  );

  private path(points: readonly FiringPoint[], endsHere: boolean): string {
    const clamped = Math.min(this.last(), Math.max(0, this.hours()));
    const here = { hours: clamped, celsius: celsiusAt(this.points(), clamped) };
    const drawn = endsHere ? [...points, here] : [here, ...points];
    return (
      line<FiringPoint>(
        (point) => this.x(point.hours),
        (point) => this.y(point.celsius),
      )(drawn) ?? ''
    );
  }

  private x = (hours: number): number => PAD + ((WIDTH - 2 * PAD) * hours) / this.last();
  private y = (celsius: number): number => HEIGHT - PAD - ((HEIGHT - 2 * PAD) * celsius) / Math.max(1, this.peak());
}
