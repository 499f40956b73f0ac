import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { FAULTS, LIMITS, type Piece, type ResultBody } from '@cazuela/contract';
import { of, switchMap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { ErrorBanner } from '../../ui/error-banner';
import { TextArea } from '../../ui/text-area';
import { SelectField } from '../../ui/select-field';
import { AutocompleteField } from '../../ui/autocomplete-field';
import { type FieldOption, plainOptions } from '../../ui/options';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { FileField } from '../../ui/file-field';

type Fault = ResultBody['faults'][number];
const PLACES = ['inside', 'outside', 'rim', 'foot'] as const;

/** A piece as it came out of the kiln: stars, faults, a note, one photo. How it was glazed is known already. */
@Component({
  selector: 'cz-result-form',
  imports: [AutocompleteField, ErrorBanner, FileField, MatIcon, SelectField, TextArea],
  templateUrl: './result-form.html',
  styleUrl: './result-form.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ResultForm {
  readonly firingId = input.required<string>();
  /** The cone of this firing, as far as it is known. */
  readonly cone = input.required<string>();
  readonly pieces = input.required<readonly Piece[]>();
  readonly kept = output<void>();
  private readonly api = inject(StudioApi);
  protected readonly keeping = createMutation();
  protected readonly faults = FAULTS;
  protected readonly places = plainOptions(PLACES);
  protected readonly cones = CONE_OPTIONS;
  protected readonly pieceId = signal('');
  protected readonly coneReached = linkedSignal(() => this.cone());
  protected readonly stars = signal(0);
  protected readonly found = signal<readonly Fault[]>([]);
  protected readonly note = signal('');
  protected readonly photo = signal<File | undefined>(undefined);
  protected readonly thanks = signal('');
  protected readonly photoSays = computed(() => {
    const file = this.photo();
    return file && file.size > LIMITS.photoBytes
      ? `This photo has ${(file.size / 1024 / 1024).toFixed(0)} MB; ${LIMITS.photoBytes / 1024 / 1024} MB is the most. Take it at a lower size, or crop it.`
      : undefined;
  });
  /** Made once for each result, so that sending twice keeps one. */
  private resultId = uuid();
  protected readonly pieceOptions = computed((): FieldOption[] => [...this.pieces().map((piece) => [piece.id, piece.body.name] as const)]);

  protected has(fault: Fault['fault']): boolean {
    return this.found().some((entry) => entry.fault === fault);
  }

  protected toggle(fault: Fault['fault']): void {
    this.found.update((list) => (this.has(fault) ? list.filter((entry) => entry.fault !== fault) : [...list, { fault, where: 'outside' }]));
  }

  protected place(fault: Fault['fault'], where: Fault['where']): void {
    this.found.update((list) => list.map((entry) => (entry.fault === fault ? { ...entry, where } : entry)));
  }

  protected choosePhoto(file: File): void {
    this.photo.set(file);
    this.keeping.clear();
  }

  protected keep(photoField: FileField): void {
    if (!this.pieceId() || this.photoSays()) return;
    const file = this.photo();
    const photo$: Observable<{ id: string } | undefined> = file ? this.api.photo(file) : of(undefined);
    const body = {
      pieceId: this.pieceId(),
      firingId: this.firingId(),
      coneReached: this.coneReached(),
      stars: this.stars(),
      faults: [...this.found()],
      note: this.note(),
    };
    this.keeping.run(photo$.pipe(switchMap((photo) => this.api.createResult(this.resultId, { ...body, photoId: photo?.id ?? null }))), (result) => {
      this.thanks.set(`${result.pieceName} is noted.`);
      this.resultId = uuid();
      this.pieceId.set('');
      this.stars.set(0);
      this.found.set([]);
      this.note.set('');
      this.photo.set(undefined);
      photoField.clear();
      this.kept.emit();
    });
  }
}
