import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const HIGH = 34;
const THICK = 5;
/** So far has its tip turned from upright when it is down, radians. */
const DOWN = 2.65;
const PIECES = 14;

/** A witness cone as it looks when it has bent so far: to be held beside the one in the kiln. */
@Component({
  selector: 'cz-cone-picture',
  template: `
    <svg viewBox="0 0 52 48" aria-hidden="true">
      <path class="plaque" d="M4 44 H44" />
      <path class="cone" [attr.d]="outline()" />
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    svg {
      display: block;
      width: 3.1rem;
    }
    .plaque {
      stroke: var(--iron-wash);
      stroke-width: 4;
    }
    .cone {
      fill: var(--slip);
      stroke: var(--iron);
      stroke-width: 1.5;
      stroke-linejoin: round;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConePicture {
  /** 0 standing, 1 down. */
  readonly fraction = input.required<number>();
  /** Its axis bends more the nearer to the tip; its sides run along it. */
  protected readonly outline = computed(() => {
    let [x, y] = [12, 42];
    const left: string[] = [];
    const right: string[] = [];
    for (let at = 0; at <= PIECES; at++) {
      const share = at / PIECES;
      const angle = this.fraction() * DOWN * share ** 0.8;
      const half = THICK * (1 - share) + 0.4;
      left.push(`${(x - half * Math.cos(angle)).toFixed(1)} ${(y - half * Math.sin(angle)).toFixed(1)}`);
      right.unshift(`${(x + half * Math.cos(angle)).toFixed(1)} ${(y + half * Math.sin(angle)).toFixed(1)}`);
      x += (HIGH / PIECES) * Math.sin(angle);
      y -= (HIGH / PIECES) * Math.cos(angle);
    }
    return `M${[...left, ...right].join(' L')} Z`;
  });
}
