import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Powder, RecipeLine } from '@cazuela/core';
import { map, of, switchMap, timer } from 'rxjs';

const STEP = 0.5;
const [TOP, BOTTOM, LEFT, RIGHT] = [78, 400, 14, 196];
/** While a number is typed its figures are painted first; the jar follows once the keys rest for this long, ms. */
const FOLLOWS_MS = 60;
/** A layer this high holds its name. */
const NAMED_HEIGHT = 13;

export interface Slide {
  percent: number;
  /** True while the same drag goes on: one step to undo, not a hundred. */
  goesOn: boolean;
}

export interface Nudge {
  id: string;
  byPercent: number;
  goesOn: boolean;
}

interface Layer {
  line: RecipeLine;
  name: string;
  /** As they stand in the layer. */
  words: string;
  kind: string;
  x: number;
  y: number;
  width: number;
  height: number;
  label: string;
}

/** What the powders are, told apart by the texture of their layer. */
const KINDS: Readonly<Record<string, string>> = { clay: 'clay', flux: 'melter', 'glass former': 'glass', base: 'bought', suspender: 'clay' };

/**
 * The recipe as what it is: powders standing in one jar, each layer as high as its share of the base, additions floating over the rim. The upper
 * edge of a layer is dragged, or moved by the arrow keys; a tap leads to its line.
 */
@Component({
  selector: 'cz-recipe-jar',
  template: `
    <svg viewBox="0 0 210 414" role="group" aria-label="The recipe in its jar">
      <defs>
        <pattern id="jar-clay" width="9" height="9" patternUnits="userSpaceOnUse">
          <circle cx="3" cy="3" r="1.1" />
          <circle cx="7" cy="7" r="0.8" />
        </pattern>
        <pattern id="jar-melter" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(35)"><path d="M0 0V8" /></pattern>
        <pattern id="jar-glass" width="14" height="12" patternUnits="userSpaceOnUse"><path d="M2 9l4-6 4 6z" /></pattern>
        <pattern id="jar-bought" width="10" height="10" patternUnits="userSpaceOnUse"><path d="M0 5H10" /></pattern>
        <pattern id="jar-colour" width="6" height="6" patternUnits="userSpaceOnUse"><path d="M0 0L6 6M6 0L0 6" /></pattern>
      </defs>
      @for (layer of drawn(); track layer.line.id) {
        <g
          class="layer"
          role="slider"
          tabindex="0"
          [attr.aria-label]="layer.label"
          [attr.aria-valuenow]="layer.line.percent"
          [attr.aria-valuetext]="layer.name + ', ' + layer.line.percent + ' percent'"
          aria-orientation="vertical"
          aria-valuemin="0"
          aria-valuemax="100"
          (pointerdown)="begin($event, layer)"
          (pointermove)="drag($event)"
          (pointerup)="end()"
          (pointercancel)="held = undefined"
          (keydown)="key($event, layer.line)"
        >
          @for (paint of [layer.kind, '']; track paint) {
            <rect
              [class]="paint ? 'fill ' + paint : 'texture'"
              [attr.fill]="paint ? null : 'url(#jar-' + layer.kind + ')'"
              [attr.x]="layer.x"
              [attr.y]="layer.y"
              [attr.width]="layer.width"
              [attr.height]="layer.height"
            />
          }
          @if (layer.height >= namedHeight) {
            <text x="105" [class.small]="layer.kind === 'colour'" [attr.y]="layer.y + layer.height / 2 + 4.5">{{ layer.words }}</text>
          }
          @if (layer.kind !== 'colour') {
            <path class="grip" [attr.d]="'M162 ' + layer.y + 'h24'" />
          }
        </g>
      }
      <path class="glass" d="M14 70V396q0 8 8 8h166q8 0 8-8V70M8 70h194" />
    </svg>
    <p class="small quiet key" aria-hidden="true">
      @for (kind of kinds; track kind[0]) {
        <span
          ><svg viewBox="0 0 22 14">
            <rect width="22" height="14" [class]="'fill ' + kind[0]" />
            <rect width="22" height="14" class="texture" [attr.fill]="'url(#jar-' + kind[0] + ')'" />
          </svg>
          {{ kind[1] }}</span
        >
      }
    </p>
  `,
  styleUrl: './recipe-jar.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecipeJar {
  readonly lines = input.required<readonly RecipeLine[]>();
  readonly powders = input.required<readonly Powder[]>();
  readonly slid = output<Slide & { id: string }>();
  /** An arrow key: a step from what the line is when it arrives, as two presses can come before the jar is drawn again. */
  readonly nudged = output<Nudge>();
  /** A layer was tapped: its line is wanted. */
  readonly tapped = output<string>();
  protected readonly namedHeight = NAMED_HEIGHT;
  protected readonly kinds = [
    ['clay', 'clay'],
    ['melter', 'melter'],
    ['glass', 'glass'],
    ['colour', 'colour and opacifier'],
  ] as const;
  protected held: { id: string; fromY: number; fromPercent: number; percent: number; perPixel: number; moved: boolean } | undefined;

  private readonly byId = computed(() => new Map(this.powders().map((powder) => [powder.id, powder])));
  private readonly followed = toSignal(
    toObservable(this.lines).pipe(switchMap((lines) => (isTyping() ? timer(FOLLOWS_MS).pipe(map(() => lines)) : of(lines)))),
  );
  private readonly shown = computed(() => this.followed() ?? this.lines());
  private readonly base = computed(() => this.shown().filter((line) => line.part === 'base'));
  /** The jar holds 100; what is over it, or a base that is not yet 100, is drawn as it is. */
  private readonly perPercent = computed(() => {
    const sum = this.base().reduce((total, line) => total + line.percent, 0);
    return (BOTTOM - TOP) / Math.max(100, sum);
  });
  /** In the order of the lines, the last one at the bottom; what the base lacks of 100 is air. */
  private readonly layers = computed((): Layer[] => {
    const heights = this.base().map((line) => Math.max(1.5, line.percent * this.perPercent()));
    let y = BOTTOM - heights.reduce((sum, height) => sum + height, 0);
    return this.base().map((line, at) => {
      const height = heights[at]!;
      y += height;
      const { name, kind } = this.named(line);
      return { line, name, words: name, kind, x: LEFT, y: y - height, width: RIGHT - LEFT, height, label: `Share of line ${at + 1} of the base` };
    });
  });
  private readonly additions = computed((): Layer[] => {
    let y = 62;
    return this.shown()
      .filter((line) => line.part !== 'base')
      .map((line, at) => {
        const height = Math.min(24, 13 + line.percent * 0.8);
        y -= height + 2;
        const { name, kind } = this.named(line);
        const words = `+ ${line.percent} % ${name}`;
        return { line, name, words, kind, x: 28, y, width: 154, height, label: `Share of line ${at + 1} over the base` };
      });
  });

  protected readonly drawn = computed(() => [...this.layers(), ...this.additions()]);

  protected begin(event: PointerEvent, { line }: Layer): void {
    const target = event.currentTarget as SVGGraphicsElement;
    target.setPointerCapture?.(event.pointerId);
    const drawn = target.ownerSVGElement!.getBoundingClientRect();
    const perPixel = drawn.height > 0 ? 414 / drawn.height / (line.part === 'base' ? this.perPercent() : 4) : 0;
    this.held = { id: line.id, fromY: event.clientY, fromPercent: line.percent, percent: line.percent, perPixel, moved: false };
  }

  protected drag(event: PointerEvent): void {
    const held = this.held;
    if (!held) return;
    const percent = Math.max(0, Math.round((held.fromPercent + (held.fromY - event.clientY) * held.perPixel) / STEP) * STEP);
    if (percent === held.percent) return;
    this.slid.emit({ id: held.id, percent, goesOn: held.moved });
    this.held = { ...held, percent, moved: true };
  }

  protected end(): void {
    if (this.held && !this.held.moved) this.tapped.emit(this.held.id);
    this.held = undefined;
  }

  protected key(event: KeyboardEvent, line: RecipeLine): void {
    const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP, PageUp: 5, PageDown: -5 }[event.key];
    if (event.key === 'Enter') this.tapped.emit(line.id);
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.nudged.emit({ id: line.id, byPercent: by, goesOn: event.repeat });
  }

  private named({ powderId, part }: RecipeLine): { name: string; kind: string } {
    const powder = this.byId().get(powderId);
    return { name: powder?.name ?? 'a powder', kind: part === 'base' ? (KINDS[powder?.role ?? ''] ?? 'glass') : 'colour' };
  }
}

const isTyping = (): boolean => document.activeElement instanceof HTMLInputElement;
