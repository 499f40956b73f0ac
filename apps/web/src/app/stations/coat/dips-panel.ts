import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import type { BucketSummary, ClayBody, CoatDip } from '@cazuela/contract';
import { areaCm2, insideProfile, PIECE_SHAPES, type CoatLearning, type CoatReading } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { glazeOf, readCoat } from '../../data/coat-learning';
import { deed } from '../../data/deed';
import { remembered } from '../../data/remembered';
import { StudioApi } from '../../data/studio-api';
import { StudioStore } from '../../data/studio-store';
import { Units } from '../../data/units';
import { Choice } from '../../parts/choice';
import { NumberField } from '../../parts/number-field';
import { Says } from '../../parts/says';
import { DipsList } from './dips-list';

const WAYS = [
  ['wetWeight', 'weighed wet'],
  ['dryWeight', 'weighed dry'],
  ['thickness', 'caliper, needle, comb'],
] as const;
const MOST_ROWS = 12;
const rowSchema = z.object({
  seconds: z.number().nullable(),
  before: z.number().nullable(),
  after: z.number().nullable(),
  coatMm: z.number().nullable(),
});
type Row = z.infer<typeof rowSchema>;
const EMPTY: Row = { seconds: null, before: null, after: null, coatMm: null };
const draftSchema = z.object({
  way: z.enum(WAYS.map(([way]) => way)),
  areaCm2: z.number().nullable(),
  rows: z.array(rowSchema).min(1).max(MOST_ROWS),
});
type Draft = z.infer<typeof draftSchema>;
/** A step tile: one dip, two, three. */
const TILE_STEPS = 3;

/** What was dipped and measured: a step tile or weighed pots, told in one go; and every dip this pair leans on. */
@Component({
  selector: 'cz-dips-panel',
  imports: [Choice, DipsList, NumberField, Says],
  template: `
    <section aria-labelledby="dips">
      <h2 id="dips">Measured dips</h2>
      <form class="stack" (submit)="$event.preventDefault(); keep()">
        <div class="row">
          <cz-choice label="How it was measured" [options]="ways" [value]="draft().way" (changed)="change({ way: $event })" />
          @if (draft().way !== 'thickness') {
            <label class="named"
              >Glazed area of a<select (change)="takeArea($any($event.target).value)">
                <option value="">…</option>
                @for (one of shapes; track one.id) {
                  <option [value]="one.id">{{ one.name }}, {{ faces() === 2 ? 'in and out' : 'outside' }}</option>
                }
              </select></label
            >
            <cz-number-field
              label="Area"
              unit="cm²"
              [decimals]="0"
              [value]="draft().areaCm2"
              [least]="1"
              [most]="50000"
              (changed)="change({ areaCm2: $event.value })"
            />
          }
        </div>
        <ol class="plain-list rows">
          @for (row of rows(); track row.index) {
            <li>
              <cz-number-field
                [label]="'Time in the glaze, dip ' + (row.index + 1)"
                unit="s"
                [decimals]="1"
                [value]="row.seconds"
                [least]="0"
                [most]="600"
                (changed)="edit(row.index, { seconds: $event.value })"
              />
              @if (draft().way === 'thickness') {
                <cz-number-field
                  [label]="'It measures, dip ' + (row.index + 1)"
                  unit="mm"
                  [value]="row.coatMm"
                  [least]="0.01"
                  [most]="5"
                  (changed)="edit(row.index, { coatMm: $event.value })"
                />
              } @else {
                <cz-number-field
                  [label]="'Before, dip ' + (row.index + 1)"
                  quantity="mass"
                  [value]="row.before"
                  [least]="0"
                  (changed)="edit(row.index, { before: $event.value })"
                />
                <cz-number-field
                  [label]="'After, dip ' + (row.index + 1)"
                  quantity="mass"
                  [value]="row.after"
                  [least]="0"
                  [says]="row.says"
                  (changed)="edit(row.index, { after: $event.value })"
                />
              }
              <span class="says-coat" role="status">{{ row.coat }}</span>
            </li>
          }
        </ol>
        <span class="row">
          <button type="button" class="press bare" [disabled]="draft().rows.length >= mostRows" (click)="another()">Another dip</button>
          @if (draft().rows.length === 1) {
            <button type="button" class="press bare" (click)="tile()">A step tile: {{ steps }} dips</button>
          }
          <button type="submit" class="press" [disabled]="ready().length === 0 || keeping.busy()">
            Keep {{ ready().length <= 1 ? 'the dip' : ready().length + ' dips' }}
          </button>
        </span>
        <cz-says [failure]="keeping.failure()?.problem?.detail" (again)="keep()" />
        <p class="quiet small">
          Weigh the dry bisque, dip, weigh again at once: drips belong to the floor. Dry: weigh when it is dry through. A reading counts with its own
          error.
        </p>
      </form>
      <cz-dips-list [dips]="dips()" [learning]="learning()" [pair]="pair()" (changed)="changed.emit()" />
    </section>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 2rem;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem 1rem;
      align-items: end;
    }
    .rows li {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
      gap: 0.8rem;
      align-items: end;
      margin-bottom: 0.6rem;
    }
    .says-coat {
      min-height: 44px;
      display: flex;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DipsPanel {
  readonly bucket = input.required<BucketSummary>();
  readonly clay = input.required<ClayBody>();
  readonly wallMm = input.required<number | null>();
  readonly faces = input.required<1 | 2>();
  readonly dips = input.required<readonly CoatDip[]>();
  readonly learning = input.required<CoatLearning>();
  /** Seconds from the dip timer: only the weights are still to be told. */
  readonly timed = input<readonly number[]>([]);
  readonly changed = output<void>();
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  private readonly units = inject(Units);
  protected readonly keeping = deed();
  protected readonly ways = WAYS;
  protected readonly shapes = PIECE_SHAPES;
  protected readonly steps = TILE_STEPS;
  protected readonly mostRows = MOST_ROWS;
  /** Half-typed weights are there again after a reload. */
  protected readonly draft = remembered<Draft>(
    'coat-dips',
    { way: 'wetWeight', areaCm2: null, rows: [EMPTY] },
    (kept) => draftSchema.safeParse(kept).data,
  );
  protected readonly rows = computed(() =>
    this.draft().rows.map((row, index) => {
      const reading = this.readingOf(row);
      const read = reading && readCoat(reading, this.glaze());
      const lighter = this.draft().way !== 'thickness' && row.before !== null && row.after !== null && row.after <= row.before;
      return {
        ...row,
        index,
        reading: read?.kind === 'ok' && row.seconds !== null ? reading : undefined,
        coat:
          read?.kind === 'ok' ? `${this.units.millimetres(read.value.coatMm)} ± ${this.units.millimetres(read.value.coatMm * read.value.lnSd)}` : '',
        says: lighter ? 'After the dip it must weigh more than before.' : undefined,
      };
    }),
  );
  protected readonly ready = computed(() => this.rows().filter((row) => row.reading !== undefined));
  protected readonly pair = computed(() => ({ glazeId: glazeOf(this.bucket()), bodyId: this.clay().id }));

  constructor() {
    effect(() => {
      const timed = this.timed();
      if (timed.length === 0) return;
      untracked(() => this.change({ rows: timed.slice(-MOST_ROWS).map((seconds) => ({ ...EMPTY, seconds })) }));
    });
  }

  protected change(change: Partial<Draft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected edit(index: number, change: Partial<Row>): void {
    this.change({ rows: this.draft().rows.map((row, at) => (at === index ? { ...row, ...change } : row)) });
  }

  protected another(): void {
    this.change({ rows: [...this.draft().rows, EMPTY] });
  }

  /** Read step by step with a needle or a comb: nobody weighs a part of a tile. */
  protected tile(): void {
    this.change({ way: 'thickness', rows: Array.from({ length: TILE_STEPS }, (_, index) => this.draft().rows[index] ?? EMPTY) });
  }

  protected takeArea(shapeId: string): void {
    const shape = PIECE_SHAPES.find((one) => one.id === shapeId);
    if (!shape) return;
    const inside = this.faces() === 2 ? areaCm2({ profile: insideProfile(shape) }) : 0;
    this.change({ areaCm2: Math.round(areaCm2({ profile: shape.outside }) + inside) });
  }

  protected keep(): void {
    const { id: bucketId, contents } = this.bucket();
    const { id: bodyId, bisqueCone, earthenware, absorptionPercent } = this.clay();
    const wallMm = this.wallMm();
    const ready = this.ready();
    if (!contents || wallMm === null || ready.length === 0) return;
    const head = {
      at: new Date().toISOString(),
      by: this.store.by(),
      bucketId,
      glazeId: glazeOf(this.bucket()),
      bodyId,
      wallMm,
      faces: this.faces(),
    };
    const bisque = { bisqueCone, earthenware, ...(absorptionPercent === undefined ? {} : { absorptionPercent }) };
    const dips = ready.map((row) => ({
      id: uuid(),
      body: { ...head, ...bisque, ...this.glaze(), seconds: row.seconds!, reading: row.reading! },
    }));
    this.keeping.run(this.api.addCoatDips(dips), () => {
      this.change({ rows: [EMPTY] });
      this.changed.emit();
    });
  }

  private readonly glaze = computed(() => {
    const { sg, density, slurryState: state } = this.bucket().contents!;
    return { sg, density, state };
  });

  private readingOf(row: Row): CoatReading | undefined {
    const { way, areaCm2: area } = this.draft();
    if (way === 'thickness') return row.coatMm === null || row.coatMm <= 0 ? undefined : { kind: way, coatMm: row.coatMm };
    if (row.before === null || row.after === null || area === null || area <= 0 || row.after <= row.before) return undefined;
    return { kind: way, gainGrams: row.after - row.before, areaCm2: area, divisionGrams: this.units.divisionFor(row.after) };
  }
}
