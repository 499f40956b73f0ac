import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { FAULTS, LIMITS, resultBodySchema, type Piece, type Result, type ResultBody } from '@cazuela/contract';
import { of, switchMap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { ErrorBanner } from '../../ui/error-banner';
import { contractForm, formProblem } from '../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../ui/forms/unsaved-input';
import { NumberField } from '../../ui/number-field';
import { StarsField } from '../../ui/stars-field';
import { TextArea } from '../../ui/text-area';
import { SelectField } from '../../ui/select-field';
import { AutocompleteField } from '../../ui/autocomplete-field';
import { type FieldOption, plainOptions } from '../../ui/options';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { FileField } from '../../ui/file-field';
import { Notice } from '../../ui/notice';
import type { LotChoice } from './lot-choices';
import { ExplainedText } from '../../parts/words/explained-text';

type Fault = ResultBody['faults'][number];
const PLACES = ['inside', 'outside', 'rim', 'foot'] as const;

const FEET: readonly FieldOption[] = [
  ['', 'not looked at'],
  ['clean', 'clean'],
  ['touched', 'glaze came to it'],
];

/** A shelf with the cone it saw. */
export interface ShelfChoice {
  shelfId: string;
  words: string;
  cone: string;
}

/** A piece as it came out of the kiln: stars, faults, a note, one photo. How it was glazed is known already. */
@Component({
  selector: 'cz-result-form',
  imports: [AutocompleteField, ErrorBanner, ExplainedText, FileField, MatButton, NumberField, ReactiveFormsModule, SelectField, StarsField, TextArea],
  templateUrl: './result-form.html',
  styleUrl: './result-form.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ResultForm {
  readonly firingId = input.required<string>();
  /** The cone of this firing, as far as it is known. */
  readonly cone = input.required<string>();
  readonly pieces = input.required<readonly Piece[]>();
  /** Lots of pots that were glazed on a day. */
  readonly lots = input<readonly LotChoice[]>([]);
  /** Shelves of this firing's kiln, with what each of them saw. */
  readonly shelves = input<readonly ShelfChoice[]>([]);
  /** A result noted before, to be corrected. */
  readonly correcting = input<Result>();
  readonly kept = output<void>();
  /** The correction was left. */
  readonly left = output<void>();
  private readonly api = inject(StudioApi);
  protected readonly keeping = createMutation();
  protected readonly faults = FAULTS;
  protected readonly feet = FEET;
  protected readonly places = plainOptions(PLACES);
  protected readonly cones = CONE_OPTIONS;
  protected readonly form = new FormGroup({
    ...contractForm(resultBodySchema, { pieceId: '', coneReached: '6', stars: 0, note: '' }).controls,
    /** Empty where nobody knows. */
    lotId: new FormControl('', { nonNullable: true }),
    shelfId: new FormControl('', { nonNullable: true }),
    faults: new FormControl<readonly Fault[]>([], { nonNullable: true }),
    /** Empty where nobody looked. */
    foot: new FormControl<'' | 'clean' | 'touched'>('', { nonNullable: true }),
    /** Empty where nobody measured it. */
    ranMm: new FormControl<number | null>(null),
  });
  protected readonly problem = formProblem(
    () => this.form,
    () => this.keeping.failure()?.problem,
  );
  protected readonly photo = signal<File | undefined>(undefined);
  /** The photo of a result that is corrected stays until it is taken off or another is chosen. */
  protected readonly keptPhotoId = signal<string | null>(null);
  private readonly notice = inject(Notice);
  protected readonly photoSays = computed(() => {
    const file = this.photo();
    return file && file.size > LIMITS.photoBytes
      ? `This photo has ${(file.size / 1024 / 1024).toFixed(0)} MB; ${LIMITS.photoBytes / 1024 / 1024} MB is the most. Take it at a lower size, or crop it.`
      : undefined;
  });
  /** Made once for each result, so that sending twice keeps one. */
  private resultId = uuid();
  protected readonly pieceOptions = computed((): FieldOption[] => [...this.pieces().map((piece) => [piece.id, piece.body.name] as const)]);

  private readonly pieceId = toSignal(this.form.controls.pieceId.valueChanges, { initialValue: '' });
  protected readonly lotOptions = computed((): FieldOption[] => [
    ['', 'not known'],
    ...this.lots()
      .filter((lot) => lot.pieceId === this.pieceId())
      .map((lot) => [lot.lotId, lot.words] as const),
  ]);

  constructor() {
    effect(() => {
      const own = this.lots().filter((lot) => lot.pieceId === this.pieceId());
      const { lotId } = this.form.controls;
      if (own.some((lot) => lot.lotId === lotId.value)) return;
      // Of several lots only the potter knows which; of one that is all glazed and not read yet there is no doubt.
      const glazed = own.filter((lot) => lot.isGlazed && !lot.isRead);
      lotId.setValue(glazed.length === 1 && !this.correcting() ? glazed[0]!.lotId : '');
    });
    // Where it stood is known from its load, and what that shelf saw with it.
    this.form.controls.lotId.valueChanges.pipe(takeUntilDestroyed()).subscribe((lotId) => {
      const shelfId = this.lots().find((lot) => lot.lotId === lotId)?.shelfId;
      const shelf = this.shelves().find((one) => one.shelfId === shelfId);
      if (!shelf || this.correcting() || this.form.controls.shelfId.dirty) return;
      this.form.controls.shelfId.setValue(shelf.shelfId);
      this.form.controls.coneReached.setValue(shelf.cone);
    });
    effect(() => {
      const cone = this.cone();
      if (this.form.controls.coneReached.pristine) this.form.controls.coneReached.setValue(cone);
    });
    // What stood on a shelf saw its cone.
    this.form.controls.shelfId.valueChanges.pipe(takeUntilDestroyed()).subscribe((shelfId) => {
      const shelf = this.shelves().find((one) => one.shelfId === shelfId);
      if (shelf && this.form.controls.shelfId.dirty) this.form.controls.coneReached.setValue(shelf.cone);
    });
    effect(() => {
      const result = this.correcting();
      if (!result) return;
      const { photoId, firingId: _firing, faults, ...said } = result.body;
      this.form.reset({
        ...said,
        lotId: said.lotId ?? '',
        shelfId: said.shelfId ?? '',
        foot: said.foot ?? '',
        faults: [...faults],
        ranMm: said.ranMm ?? null,
      });
      this.keptPhotoId.set(photoId);
    });
    askBeforeLeaving(() => this.form.dirty);
  }

  protected readonly shelfOptions = computed((): FieldOption[] => [
    ['', 'not said'],
    ...this.shelves().map(({ shelfId, words }) => [shelfId, words] as const),
  ]);

  protected leave(): void {
    this.clear();
    this.left.emit();
  }

  private clear(): void {
    this.resultId = uuid();
    this.form.reset({ coneReached: this.cone() });
    this.photo.set(undefined);
    this.keptPhotoId.set(null);
    this.keeping.clear();
  }

  protected has(fault: Fault['fault']): boolean {
    return this.form.value.faults!.some((entry) => entry.fault === fault);
  }

  protected toggle(fault: Fault['fault']): void {
    const list = this.form.value.faults!;
    this.judge(this.has(fault) ? list.filter((entry) => entry.fault !== fault) : [...list, { fault, where: 'outside' }]);
  }

  protected place(fault: Fault['fault'], where: Fault['where']): void {
    this.judge(this.form.value.faults!.map((entry) => (entry.fault === fault ? { ...entry, where } : entry)));
  }

  protected choosePhoto(file: File): void {
    this.photo.set(file);
    this.keeping.clear();
  }

  protected keep(photoField: FileField): void {
    if (!this.form.value.pieceId || this.photoSays()) return;
    const file = this.photo();
    const photo$: Observable<{ id: string } | undefined> = file ? this.api.photo(file) : of(undefined);
    const { faults, ranMm, lotId, shelfId, foot, ...said } = this.form.getRawValue();
    const body = {
      ...said,
      faults: [...faults],
      ...(lotId ? { lotId } : {}),
      ...(shelfId ? { shelfId } : {}),
      ...(ranMm === null ? {} : { ranMm }),
      ...(foot === '' ? {} : { foot }),
      firingId: this.firingId(),
    };
    const before = this.correcting();
    const send = (photoId: string | null): Observable<Result> =>
      before
        ? this.api.updateResult(before.id, before.version, { ...body, firingId: before.body.firingId, photoId })
        : this.api.createResult(this.resultId, { ...body, photoId });
    this.keeping.run(photo$.pipe(switchMap((photo) => send(photo?.id ?? this.keptPhotoId()))), (result) => {
      this.notice.tell(`${result.pieceName} is ${before ? 'corrected' : 'noted'}.`);
      photoField.clear();
      this.clear();
      this.kept.emit();
    });
  }

  private judge(faults: readonly Fault[]): void {
    this.form.controls.faults.setValue(faults);
    this.form.markAsDirty();
  }
}
