import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import { heightShareOf } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { apiResource } from '../../../data/http/api-resource';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { titleOf } from '../../../data/state/address';
import { Units } from '../../../data/units/units';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { RecordMenu } from '../../../parts/records/record-menu';
import { Checkbox } from '../../../ui/checkbox';
import { EmptyState } from '../../../ui/empty-state';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { Notice } from '../../../ui/notice';
import { NumberField } from '../../../ui/number-field';
import type { FieldOption } from '../../../ui/options';
import { ResourceState } from '../../../ui/resource-state';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { KilnDrawing, type ShelfLabel } from '../shelves/kiln-drawing';
import { groundWords, offsetWords } from '../shelves/shelf-words';
import { offsetsOf } from '../../../data/state/kiln-offsets';
import { kilnHabits } from '../../../data/state/kiln-pace';
import { habitWords } from '../habit-words';
import { draftOf, NEW_KILN, readDraft, withShelf, type KilnDraft } from './kiln-draft';

const KINDS: readonly FieldOption<KilnDraft['kind']>[] = [
  ['round', 'round'],
  ['rectangular', 'rectangular'],
];

/** The card of a kiln: its chamber, where its shelves stand, and how hot cones showed each of them to be. */
@Component({
  selector: 'cz-kiln-page',
  imports: [
    Checkbox,
    EmptyState,
    KilnDrawing,
    MatButton,
    MatIcon,
    NumberField,
    PutAwayNote,
    RecordMenu,
    ResourceState,
    RouterLink,
    SelectField,
    TextField,
  ],
  templateUrl: './kiln-page.html',
  styleUrl: './kiln-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KilnPage {
  /** `new` for one that is not in the records yet. */
  readonly id = input.required<string>();
  /** From the address: the name a firing gave it. */
  readonly name = input<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  protected readonly units = inject(Units);
  protected readonly kinds = KINDS;
  protected readonly saving = createMutation();
  protected readonly kilns = apiResource(() => this.api.kilns());
  private readonly firings = apiResource(() => this.api.firings());
  private readonly loads = apiResource(() => this.api.loads());
  protected readonly known = computed(() => this.kilns.value()?.find((kiln) => kiln.id === this.id()));
  protected readonly missing = computed(() => this.id() !== 'new' && this.kilns.value() !== undefined && !this.known());
  private readonly start = computed((): KilnDraft => {
    const known = this.known();
    return known ? draftOf(known.body) : { ...NEW_KILN, name: this.name() ?? '' };
  });
  private readonly version = linkedSignal(() => this.known()?.version ?? 0);
  protected readonly isDirty = signal(false);
  /** A newer card from the records does not overwrite what is typed. */
  protected readonly draft = linkedSignal<KilnDraft, KilnDraft>({
    source: this.start,
    computation: (start, before) => (before && this.isDirty() ? before.value : start),
  });
  private readonly asked = signal(false);
  private readonly read = computed(() => readDraft(this.draft()));
  protected readonly saying = computed(() => {
    const [failure, read] = [this.saving.failure(), this.read()];
    if (failure?.problem.code === 'stale') return 'Somebody changed this kiln meanwhile: leave it as it was, look, and change it again.';
    if (failure) return failure.problem.detail;
    return this.asked() && 'problem' in read ? read.problem : '';
  });
  /** As far as it can be drawn. */
  protected readonly drawn = computed(() => {
    const read = this.read();
    return 'body' in read ? read.body : this.known()?.body;
  });
  private readonly offsets = computed(() => {
    const [kiln, body] = [this.known(), this.drawn()];
    return body && offsetsOf({ id: kiln?.id, body }, this.firings.value() ?? []);
  });
  protected readonly labels = computed((): ShelfLabel[] => {
    const [body, offsets] = [this.drawn(), this.offsets()];
    if (!body || !offsets) return [];
    return body.shelves.map((shelf) => {
      const offset = offsets.at(heightShareOf(shelf, body.chamber));
      return { shelfId: shelf.id, ...offsetWords(offset, this.units), warmth: offset.celsius };
    });
  });
  protected readonly ground = computed(() => groundWords(this.offsets()));
  /** How it cools and what it takes, by its logs. */
  protected readonly habits = computed(() => {
    const [known, firings] = [this.known(), this.firings.value()];
    return known && firings ? habitWords(kilnHabits(known, { firings, loads: this.loads.value() ?? [] })) : '';
  });

  constructor() {
    titleOf(() => this.known()?.body.name);
    askBeforeLeaving(() => this.isDirty());
  }

  protected change(change: Partial<KilnDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
    this.isDirty.set(true);
    this.saving.clear();
  }

  protected changeShelf(id: string, change: Partial<KilnDraft['shelves'][number]>): void {
    this.change({ shelves: this.draft().shelves.map((shelf) => (shelf.id === id ? { ...shelf, ...change } : shelf)) });
  }

  protected addShelf(): void {
    this.change(withShelf(this.draft()));
  }

  protected removeShelf(id: string): void {
    this.change({ shelves: this.draft().shelves.filter((shelf) => shelf.id !== id) });
  }

  protected keep(): void {
    this.asked.set(true);
    const read = this.read();
    if (!('body' in read)) return;
    const known = this.known();
    const id = known?.id ?? uuid();
    this.saving.run(known ? this.api.updateKiln(id, this.version(), read.body) : this.api.createKiln(id, read.body), () => {
      this.isDirty.set(false);
      this.asked.set(false);
      this.notice.tell(`${read.body.name} is kept.`);
      if (known) this.kilns.reload();
      else void this.router.navigate(['/kiln/kilns', id], { replaceUrl: true });
    });
  }

  /** What is typed gives way to the records. */
  protected take(): void {
    this.saving.clear();
    this.isDirty.set(false);
    this.draft.set(this.start());
    this.kilns.reload();
  }
}
