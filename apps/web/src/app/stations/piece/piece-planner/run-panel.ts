import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import {
  attempt,
  CONES,
  runChances,
  sideToRun,
  startForEdge,
  type GlazeFacts,
  type PiecePlan,
  type PieceShape,
  type SafeLineQuestion,
  type Texture,
} from '@cazuela/core';
import { catchError, debounceTime, EMPTY, map, of, startWith, switchMap } from 'rxjs';
import * as z from 'zod';
import { remembered } from '../../../data/remembered';
import { Units } from '../../../data/units';
import { Choice } from '../../../parts/choice';
import { NumberField } from '../../../parts/number-field';
import { PieceRuns, type RunState } from './piece-runs';
import { firingRatio, USUAL_HOLD_MINUTES } from './run-firing';
import { FILM_EXAGGERATION, heightAlong, RunDrawing } from './run-drawing';
import { groundOfRun, poolWords, reachWords, safeLineWords } from './run-words';

const askedSchema = z.object({
  cone: z.string(),
  holdMinutes: z.number().nullable(),
  texture: z.enum(['smooth', 'grooves', 'flutes']),
  depthMm: z.number().nullable(),
  pitchMm: z.number().nullable(),
  valleyMm: z.number().nullable(),
});
type Asked = z.infer<typeof askedSchema>;
const START: Asked = { cone: '6', holdMinutes: 10, texture: 'smooth', depthMm: 0.5, pitchMm: 8, valleyMm: 5 };
/** A hand that drags asks once it rests, ms. */
const REST_MS = 250;
/** Cones at which what is known of flow still means something. */
const USUAL_CONES = ['4', '5', '6', '7', '8'];

/** How far the glaze will run on this piece in this firing: seen, told with its range, and where it may start. */
@Component({
  selector: 'cz-run-panel',
  imports: [Choice, MatSlider, MatSliderThumb, NumberField],
  template: `
    <section aria-labelledby="run">
      <h2 id="run">How far it will run</h2>
      <div class="row">
        <label class="named"
          >Fired to cone<select (change)="change({ cone: $any($event.target).value })">
            @for (cone of cones; track cone) {
              <option [selected]="cone === asked().cone">{{ cone }}</option>
            }
          </select></label
        >
        <cz-number-field
          label="Hold"
          unit="min"
          [decimals]="0"
          [value]="asked().holdMinutes"
          [least]="0"
          [most]="300"
          (changed)="change({ holdMinutes: $event.value })"
        />
        <cz-choice label="Wall" [options]="textures" [value]="asked().texture" (changed)="change({ texture: $event })" />
        @if (asked().texture === 'grooves') {
          <cz-number-field
            label="Groove depth"
            unit="mm"
            [value]="asked().depthMm"
            [least]="0.05"
            [most]="10"
            (changed)="change({ depthMm: $event.value })"
          />
        }
        @if (asked().texture === 'flutes') {
          <cz-number-field
            label="From flute to flute"
            unit="mm"
            [value]="asked().pitchMm"
            [least]="1"
            [most]="60"
            (changed)="change({ pitchMm: $event.value })"
          />
          <cz-number-field
            label="Valley width"
            unit="mm"
            [value]="asked().valleyMm"
            [least]="0.5"
            [most]="60"
            (changed)="change({ valleyMm: $event.value })"
          />
        }
      </div>
      @if (!outside() && !inside()) {
        <p class="quiet">Nothing is on it yet that could run.</p>
      } @else {
        <div class="sides">
          <figure>
            <svg [attr.viewBox]="drawing().viewBox" role="img" [attr.aria-label]="said()">
              <line class="centre" x1="0" x2="0" y1="-10" [attr.y2]="drawing().shelfY" />
              <path class="clay" [attr.d]="drawing().wall()" [attr.fill]="clay()" />
              @for (path of films(); track $index) {
                <path class="film" [attr.d]="path.d" [attr.fill]="path.colour" />
              }
              <line class="shelf" x1="-6" x2="400" [attr.y1]="drawing().shelfY" [attr.y2]="drawing().shelfY" />
              @for (mark of marks(); track mark.words) {
                <line [class]="mark.tone" x1="0" [attr.x2]="mark.x + 24" [attr.y1]="mark.y" [attr.y2]="mark.y" />
                <text [class]="mark.tone" [attr.x]="mark.x + 28" [attr.y]="mark.y + mark.shift">{{ mark.words }}</text>
              }
            </svg>
            <label class="named" for="through">Through the firing</label>
            <mat-slider min="0" max="12" step="1"
              ><input matSliderThumb id="through" [value]="look()" (input)="look.set(+$any($event.target).value)"
            /></mat-slider>
            <figcaption class="quiet small">The film is drawn {{ exaggeration }} times as thick as it is; the middle case.</figcaption>
          </figure>
          <div class="stack" aria-live="polite">
            @if (state()?.failure; as words) {
              <p class="look" role="alert">{{ words }}</p>
            }
            @if (working()) {
              <p class="row">
                <progress [value]="state()?.done ?? 0" [max]="state()?.of ?? 1" aria-label="Runs drawn"></progress>
                <span class="quiet small">{{ state()?.done ?? 0 }} of {{ state()?.of ?? 0 }} runs</span>
                <button type="button" class="press bare" (click)="stopped.set(true)">Stop</button>
              </p>
            } @else if (stopped()) {
              <button type="button" class="press quiet-press" (click)="stopped.set(false)">Run it again</button>
            }
            @if (reach(); as it) {
              <p [class]="it.tone">
                <span class="figure big">{{ it.figure }}</span> {{ it.words }}
              </p>
              <p>{{ it.edge }}</p>
            }
            @if (safe(); as it) {
              <p>
                {{ it.words }}
                @if (it.waxFootMm !== undefined && it.waxFootMm !== plan().waxFootMm) {
                  <button type="button" class="press quiet-press" (click)="waxed.emit(it.waxFootMm)">Wax {{ it.waxFootMm }} mm up</button>
                }
              </p>
            }
            @if (outside()) {
              <div class="row">
                <cz-number-field
                  label="Its edge should end"
                  hint="above the shelf"
                  unit="mm"
                  [decimals]="0"
                  [value]="wantedEdgeMm()"
                  [least]="0"
                  [most]="400"
                  (changed)="wantedEdgeMm.set($event.value)"
                />
                @if (startFor(); as start) {
                  <span
                    >starts {{ units.roughly(start) }} up
                    <button type="button" class="press bare" (click)="waxed.emit(start)">Wax {{ start }} mm up</button></span
                  >
                }
              </div>
            }
            @for (line of edges(); track line) {
              <p class="small">{{ line }}</p>
            }
            @if (pools(); as words) {
              <p [class]="words.tone">{{ words.words }}</p>
            }
            @if (state()?.hangsMm3) {
              <p class="look small">Some hangs where the wall turns under: it may drip there.</p>
            }
            @for (line of ground(); track line) {
              <p class="quiet small">{{ line }}</p>
            }
          </div>
        </div>
      }
    </section>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 1.8rem;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1rem;
      align-items: end;
    }
    .sides {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
      gap: 2.6rem;
      margin-top: 0.8rem;
    }
    figure {
      margin: 0;
    }
    svg {
      width: 100%;
      max-height: 380px;
    }
    .centre {
      stroke: var(--iron-wash);
      stroke-dasharray: 10 4 2 4;
    }
    .clay {
      stroke: var(--iron);
      stroke-width: 1.4;
    }
    .film {
      stroke: var(--iron);
      stroke-width: 0.5;
    }
    .shelf {
      stroke: var(--iron);
      stroke-width: 4;
    }
    line.edge {
      stroke: var(--cobalt);
      stroke-dasharray: 5 3;
      stroke-width: 2;
    }
    line.start {
      stroke: var(--iron-wash);
      stroke-dasharray: 2 3;
      stroke-width: 2;
    }
    text {
      font: 600 12px var(--text);
      fill: var(--iron);
    }
    .big {
      font-size: 1.9rem;
      font-weight: 600;
    }
    mat-slider {
      /* It stands eight pixels off on either side by itself. */
      width: calc(100% - 16px);
      min-width: 0;
    }
    progress {
      accent-color: var(--cobalt);
    }
    @media (max-width: 900px) {
      .sides {
        grid-template-columns: minmax(0, 1fr);
        gap: 1.2rem;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly glazes = input.required<readonly GlazeFacts[]>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly clay = input('#E4D8C2');
  readonly waxed = output<number>();
  private readonly runs = inject(PieceRuns);
  protected readonly units = inject(Units);
  protected readonly exaggeration = FILM_EXAGGERATION;
  protected readonly cones = CONES.map((one) => one.cone).filter((cone) => USUAL_CONES.includes(cone));
  protected readonly textures = [
    ['smooth', 'smooth'],
    ['grooves', 'grooves across'],
    ['flutes', 'flutes down'],
  ] as const;
  protected readonly asked = remembered<Asked>('run', START, (kept) => askedSchema.safeParse(kept).data);
  protected readonly look = signal(12);
  protected readonly stopped = signal(false);
  protected readonly wantedEdgeMm = signal<number | null>(null);
  private readonly question = computed<SafeLineQuestion>(
    () => {
      const { cone, holdMinutes } = this.asked();
      const firing = attempt(() => firingRatio(cone, holdMinutes ?? USUAL_HOLD_MINUTES));
      const { zones, waxFootMm, rimBandMm, shapeId } = this.plan();
      return {
        // Only what decides the run: an order of steps that changes asks for nothing new.
        plan: { shapeId, zones, waxFootMm, rimBandMm, order: [], putAside: [] },
        shape: this.shape(),
        glazes: this.glazes(),
        firingRatio: firing.kind === 'ok' ? firing.value : 1,
        texture: this.texture(),
      };
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  private readonly texture = computed<Texture>(() => {
    const { texture, depthMm, pitchMm, valleyMm } = this.asked();
    if (texture === 'grooves' && depthMm) return { kind: 'grooves', depthMm };
    if (texture === 'flutes' && pitchMm && valleyMm) return { kind: 'flutes', pitchMm, valleyMm };
    return { kind: 'smooth' };
  });
  protected readonly outside = computed(() => this.sideOf('outside'));
  protected readonly inside = computed(() => this.sideOf('inside'));
  protected readonly state = toSignal(
    toObservable(computed(() => ({ question: this.question(), stopped: this.stopped() }))).pipe(
      debounceTime(REST_MS),
      switchMap(({ question, stopped }) =>
        stopped
          ? EMPTY
          : this.runs.run(question).pipe(
              catchError((error: unknown) => of({ failure: error instanceof Error ? error.message : String(error), finished: true } as RunState)),
              map((state): RunState | undefined => state),
              startWith(undefined),
            ),
      ),
    ),
  );
  protected readonly working = computed(() => !this.stopped() && this.state() !== undefined && !this.state()!.finished);
  protected readonly drawing = computed(() => new RunDrawing(this.shape()));
  protected readonly films = computed(() => {
    const state = this.state();
    return [this.outside(), this.inside()].flatMap((side) => {
      const moments = side && state?.moments?.[side.side];
      const moment = moments?.[Math.min(moments.length - 1, this.look())];
      if (!side || !moment) return [];
      return this.drawing()
        .film(side, moment)
        .map((d, index) => ({ d, colour: this.colours().get(side.layers[index]!.layer.bucketId) ?? '#999999' }));
    });
  });
  private readonly chances = computed(() => {
    const [side, drawn] = [this.outside(), this.state()?.drawn];
    return side && drawn ? runChances(side, drawn) : undefined;
  });
  protected readonly reach = computed(() => {
    const [side, chances] = [this.outside(), this.chances()];
    return side && chances ? reachWords(side, chances, this.units) : undefined;
  });
  protected readonly safe = computed(() => {
    const line = this.state()?.safeLine;
    return line && this.outside() ? safeLineWords(line, this.plan().waxFootMm) : undefined;
  });
  protected readonly startFor = computed(() => {
    const wanted = this.wantedEdgeMm();
    if (wanted === null || !this.outside()) return undefined;
    const asked = attempt(() => startForEdge(this.question(), wanted));
    return asked.kind === 'ok' ? Math.round(asked.value) : undefined;
  });
  private readonly last = computed(() => this.state()?.moments?.outside?.at(-1));
  protected readonly edges = computed(() => {
    const [side, last] = [this.outside(), this.last()];
    if (!side || !last || side.layers.length < 2) return [];
    return side.layers.flatMap(({ name }, index) => {
      const front = last.layerFrontMm[index];
      return front === undefined ? [] : [`${name}, coat ${index + 1}: its own edge ends about ${this.units.roughly(heightAlong(side, front))} up.`];
    });
  });
  protected readonly pools = computed(() => {
    const last = this.state()?.moments?.inside?.at(-1);
    return last && poolWords(Math.max(...last.heightMm), last.heightMm[5] ?? 0, this.units);
  });
  protected readonly ground = computed(() =>
    groundOfRun(
      [this.outside(), this.inside()].flatMap((side) => side?.layers ?? []),
      this.outside(),
    ),
  );
  protected readonly marks = computed(() => {
    const [side, drawing, chances] = [this.outside(), this.drawing(), this.chances()];
    if (!side) return [];
    const x = drawing.x(Math.max(...this.shape().outside.map((point) => point.radiusMm)));
    const start = heightAlong(side, side.startMm);
    const marks = [{ tone: 'start', words: `starts ${this.units.roughly(start)}`, x, y: drawing.y(start), shift: -4 }];
    if (chances) {
      const ends = heightAlong(side, side.startMm + chances.middleMm);
      marks.push({ tone: 'edge', words: ends > 0 ? `ends ${this.units.roughly(ends)}` : 'on the shelf', x, y: drawing.y(ends), shift: 12 });
    }
    return marks;
  });
  protected readonly said = computed(() => `The melted glaze on the section. ${this.reach()?.edge ?? ''}`);

  protected change(change: Partial<Asked>): void {
    this.stopped.set(false);
    this.asked.update((asked) => ({ ...asked, ...change }));
  }

  private sideOf(side: 'outside' | 'inside'): ReturnType<typeof sideToRun> {
    const made = attempt(() => sideToRun({ ...this.question(), side }));
    return made.kind === 'ok' ? made.value : undefined;
  }
}
