import { isPassMethod, readCoat, type CoatReading, type CoatMethod } from '@cazuela/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { createMutation } from '../../../data/http/mutation';
import { deviceSignal } from '../../../data/offline/kept-signal';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { AreaField } from '../area-field';
import { CoatScreen } from '../coat-screen';
import { predictedWords, METHOD_NAMES } from '../coat-words';
import { DipsList } from './dips-list';
import { SelectField } from '../../../ui/select-field';
import { Notice } from '../../../ui/notice';

const MEASUREMENTS = [
  ['wetWeight', 'weighed wet'],
  ['dryWeight', 'weighed dry'],
  ['thickness', 'caliper, needle, comb'],
] as const;
const PUT_WAYS = Object.keys(METHOD_NAMES) as CoatMethod[];
const MOST_ROWS = 12;
const rowSchema = z.object({
  seconds: z.number().nullable(),
  passes: z.number().nullable(),
  before: z.number().nullable(),
  after: z.number().nullable(),
  coatMm: z.number().nullable(),
});
type Row = z.infer<typeof rowSchema>;
const EMPTY: Row = { seconds: null, passes: null, before: null, after: null, coatMm: null };
const draftSchema = z.object({
  put: z.enum(PUT_WAYS),
  measuredBy: z.enum(MEASUREMENTS.map(([measuredBy]) => measuredBy)),
  areaCm2: z.number().nullable(),
  rows: z.array(rowSchema).min(1).max(MOST_ROWS),
});
type Draft = z.infer<typeof draftSchema>;
/** A step tile: one dip, two, three. */
const TILE_STEPS = 3;

/** What was dipped and measured: a step tile or weighed pots, saved as a whole; and every dip of this pair. */
@Component({
  selector: 'cz-dips-panel',
  imports: [AreaField, Choice, DipsList, ErrorBanner, MatButton, NumberField, SelectField],
  templateUrl: './dips-panel.html',
  styles: `
    :host {
      display: block;
      margin-top: 2rem;
    }
    .rows li {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
      gap: 0.8rem;
      align-items: end;
      margin-bottom: 0.6rem;
    }
    .coat-seen {
      min-height: 44px;
      display: flex;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DipsPanel {
  protected readonly screen = inject(CoatScreen);
  private readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  private readonly notice = inject(Notice);
  protected readonly keeping = createMutation();
  protected readonly measurements = MEASUREMENTS;
  protected readonly methods = PUT_WAYS.map((method) => [method, METHOD_NAMES[method]] as const);
  protected readonly methodNames = METHOD_NAMES;
  protected readonly steps = TILE_STEPS;
  protected readonly mostRows = MOST_ROWS;
  /** Half-typed weights are there again after a reload, and after the tab was closed. */
  protected readonly draft = deviceSignal<Draft>(
    'coat-dips',
    { put: 'dip', measuredBy: 'wetWeight', areaCm2: null, rows: [EMPTY] },
    (kept) => draftSchema.safeParse(kept).data,
  );
  protected readonly rows = computed(() =>
    this.draft().rows.map((row, index) => {
      const reading = this.readingOf(row);
      const read = reading && readCoat(reading, this.glaze()!);
      const lighter = this.draft().measuredBy !== 'thickness' && row.before !== null && row.after !== null && row.after <= row.before;
      return {
        ...row,
        index,
        reading: read?.kind === 'ok' && (this.inPasses() ? row.passes : row.seconds) !== null ? reading : undefined,
        expected: this.expected(row),
        coat: read?.kind === 'ok' ? `${this.units.coat(read.value.coatMm)} ± ${this.units.coat(read.value.coatMm * read.value.lnSd)}` : '',
        message: lighter ? 'After the dip it must weigh more than before.' : undefined,
      };
    }),
  );
  protected readonly ready = computed(() => this.rows().filter((row) => row.reading !== undefined));
  protected readonly inPasses = computed(() => isPassMethod(this.draft().put));

  constructor() {
    effect(() => {
      const timed = this.screen.timed();
      if (timed.length === 0) return;
      untracked(() => {
        this.change({ put: 'dip', rows: timed.slice(-MOST_ROWS).map((seconds) => ({ ...EMPTY, seconds })) });
        this.screen.timed.set([]);
      });
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

  /** Read step by step with a needle or a comb: part of a tile cannot be weighed. */
  protected tile(): void {
    this.change({ measuredBy: 'thickness', rows: Array.from({ length: TILE_STEPS }, (_, index) => this.draft().rows[index] ?? EMPTY) });
  }

  protected keep(): void {
    const head = this.screen.dipHead(this.glaze());
    const ready = this.ready();
    if (!head || ready.length === 0) return;
    const { put } = this.draft();
    const at = new Date().toISOString();
    const method = put === 'dip' ? {} : { method: put };
    const dips = ready.map((row) => ({
      id: uuid(),
      body: { ...head, at, ...method, ...(this.inPasses() ? { passes: row.passes!, seconds: 0 } : { seconds: row.seconds! }), reading: row.reading! },
    }));
    this.keeping.run(this.api.addCoatDips(dips), () => {
      this.change({ rows: [EMPTY] });
      this.notice.tell(dips.length === 1 ? 'The dip is kept.' : `${dips.length} dips are kept.`);
      this.screen.all.reload();
    });
  }

  /** What the seconds alone say, before anything is weighed: four seconds in place of two are reported at once. */
  private expected(row: Row): string {
    const predict = this.screen.predictor();
    if (row.seconds === null || this.inPasses() || !predict) return '';
    return predictedWords(
      predict(row.seconds),
      { wantedSeconds: this.screen.wantedSeconds(), seconds: row.seconds, window: this.screen.window() },
      this.units,
    );
  }

  /** The bucket as it stands; an SG that was typed to try it out is not one that was dipped in. */
  private readonly glaze = computed(() => {
    const contents = this.screen.bucket()?.contents;
    return contents ? { sg: contents.sg, density: contents.density, state: contents.slurryState } : undefined;
  });

  private readingOf(row: Row): CoatReading | undefined {
    const { measuredBy, areaCm2: area } = this.draft();
    if (!this.glaze()) return undefined;
    if (measuredBy === 'thickness') return row.coatMm === null || row.coatMm <= 0 ? undefined : { kind: measuredBy, coatMm: row.coatMm };
    if (row.before === null || row.after === null || area === null || area <= 0 || row.after <= row.before) return undefined;
    return { kind: measuredBy, gainGrams: row.after - row.before, areaCm2: area, divisionGrams: this.units.divisionFor(row.after) };
  }
}
