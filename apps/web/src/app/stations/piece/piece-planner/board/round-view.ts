import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, signal, viewChild, type ElementRef } from '@angular/core';
import type { PiecePlan, PieceShape } from '@cazuela/core';
import type { RoundPicture } from './round-picture';

const TURN_STEP = 0.2;

/** The piece in 3D, turned by a drag or by the arrow keys. Its code is fetched only when it is opened. */
@Component({
  selector: 'cz-round-view',
  template: `
    <canvas
      #canvas
      tabindex="0"
      role="img"
      aria-label="The piece in the round. Arrow keys turn it."
      (pointerdown)="hold($event)"
      (pointermove)="turn($event)"
      (pointerup)="held = undefined"
      (keydown)="press($event)"
    ></canvas>
    @if (failure()) {
      <p class="look">{{ failure() }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    canvas {
      display: block;
      width: 100%;
      height: 100%;
      touch-action: none;
      cursor: grab;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RoundView {
  readonly shape = input.required<PieceShape>();
  readonly plan = input.required<PiecePlan>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly clay = input.required<string>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly picture = signal<RoundPicture | undefined>(undefined);
  protected readonly failure = signal('');
  protected held: { x: number; y: number } | undefined;

  constructor() {
    let gone = false;
    inject(DestroyRef).onDestroy(() => {
      gone = true;
      this.picture()?.end();
    });
    void import('./round-picture')
      .then(({ RoundPicture }) => {
        if (gone) return;
        const canvas = this.canvas().nativeElement;
        const picture = new RoundPicture(canvas);
        picture.size(canvas.clientWidth, canvas.clientHeight);
        this.picture.set(picture);
      })
      .catch(() => this.failure.set('This device cannot draw in the round. The section shows the same piece.'));
    effect(() => this.picture()?.show({ shape: this.shape(), plan: this.plan(), colours: this.colours(), clay: this.clay() }));
  }

  protected hold(event: PointerEvent): void {
    this.held = { x: event.clientX, y: event.clientY };
    (event.target as Element).setPointerCapture(event.pointerId);
  }

  protected turn({ clientX, clientY }: PointerEvent): void {
    if (!this.held) return;
    this.picture()?.rotate((clientX - this.held.x) / 90, (clientY - this.held.y) / 160);
    this.held = { x: clientX, y: clientY };
  }

  protected press(event: KeyboardEvent): void {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-TURN_STEP, 0],
      ArrowRight: [TURN_STEP, 0],
      ArrowUp: [0, -TURN_STEP / 2],
      ArrowDown: [0, TURN_STEP / 2],
    };
    const move = by[event.key];
    if (!move) return;
    event.preventDefault();
    this.picture()?.rotate(...move);
  }
}
