import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { FiringPoint, FiringSchedule } from '@cazuela/core';
import { Units } from '../../../data/units/units';
import { CurveScale } from '../curve-scale';

const WIDTH = 420;
const HEIGHT = 250;

/** A schedule as its curve, and how a kiln would follow it: drawn while it is typed. */
@Component({
  selector: 'cz-schedule-curve',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="told()">
      @for (grid of celsius(); track grid.y) {
        <line class="grid" [attr.x1]="left" [attr.x2]="width" [attr.y1]="grid.y" [attr.y2]="grid.y" />
        <text [attr.x]="left - 6" [attr.y]="grid.y + 4" text-anchor="end">{{ grid.text }}</text>
      }
      @for (grid of hours(); track grid.x) {
        <text [attr.x]="grid.x" [attr.y]="height - 6" text-anchor="middle">{{ grid.text }}</text>
      }
      @if (smoke(); as band) {
        <rect class="reduced" [attr.x]="left" [attr.width]="width - left" [attr.y]="band.y" [attr.height]="band.high" />
        <text [attr.x]="width - 4" [attr.y]="band.y + 14" text-anchor="end">reduction</text>
      }
      <path class="followed" [attr.d]="followedPath()" />
      <path class="wanted" [attr.d]="wantedPath()" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    text {
      font: 500 12px var(--figures);
      fill: var(--iron-wash);
    }
    .grid {
      stroke: var(--line);
    }
    .reduced {
      fill: var(--slip);
      opacity: 0.7;
    }
    .wanted {
      fill: none;
      stroke: var(--oxblood);
      stroke-width: 3;
    }
    .followed {
      fill: none;
      stroke: var(--iron-wash);
      stroke-width: 2.5;
      stroke-dasharray: 4 4;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScheduleCurve {
  readonly wanted = input.required<readonly FiringPoint[]>();
  readonly followed = input<readonly FiringPoint[]>([]);
  readonly reduction = input<FiringSchedule['reduction']>();
  private readonly units = inject(Units);
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  private readonly last = computed(() => this.wanted().at(-1)?.hours || 1);
  private readonly peak = computed(() => Math.max(100, ...this.wanted().map(({ celsius }) => celsius)));
  private readonly scale = computed(() => new CurveScale(WIDTH, HEIGHT, this.last(), this.peak()));
  protected readonly left = new CurveScale(WIDTH, HEIGHT, 1, 1).left;
  protected readonly celsius = computed(() => this.scale().celsiusGrid(this.units));
  protected readonly hours = computed(() => this.scale().hoursGrid());
  protected readonly smoke = computed(() => {
    const reduction = this.reduction();
    if (!reduction) return undefined;
    const { y } = this.scale();
    const [top, foot] = [reduction.fromCelsius, reduction.toCelsius].sort((a, b) => b - a);
    return { y: y(Math.min(top!, this.peak())), high: Math.max(0, y(foot!) - y(Math.min(top!, this.peak()))) };
  });
  protected readonly wantedPath = computed(() => this.scale().path(this.wanted()));
  protected readonly followedPath = computed(() => this.scale().path(this.followed()));
  protected readonly told = computed(
    () => `The curve of these steps: to ${this.units.temperature(this.peak())}, over ${Math.round(this.last())} hours`,
  );
}
