import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { BucketSummary, ClayBody, Piece } from '@cazuela/contract';
import { pieceFromFile, readPlanFile, type PlanFile } from '@cazuela/formats';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { SelectField } from '../../../ui/select-field';
import { AutocompleteField } from '../../../ui/autocomplete-field';
import type { FieldOption } from '../../../ui/options';
import { FileField } from '../../../ui/file-field';

/** A plan is a few kilobytes; a larger file is something else. */
const LARGEST_BYTES = 2_000_000;

/** Imports a plan's file: its glazes are matched with buckets by name, and the others are asked for. */
@Component({
  selector: 'cz-plan-import',
  imports: [AutocompleteField, FileField, MatButton, SelectField],
  templateUrl: './plan-import.html',
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
      margin-top: 1.6rem;
      max-width: 46rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanImport {
  readonly buckets = input.required<readonly BucketSummary[]>();
  readonly bodies = input.required<readonly ClayBody[]>();
  readonly taken = output<Piece>();
  private readonly api = inject(StudioApi);
  protected readonly taking = createMutation();
  protected readonly file = signal<PlanFile | undefined>(undefined);
  protected readonly refused = signal('');
  protected readonly body = signal('');
  private readonly chosen = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly bodyId = computed(
    () => this.body() || (this.bodies().find((one) => alike(one.name, this.file()?.clay ?? '')) ?? this.bodies()[0])?.id || '',
  );
  protected readonly matched = computed(() => {
    const found = (this.file()?.glazes ?? []).flatMap((glaze): [string, string][] => {
      const id = this.chosen().get(glaze.ref) ?? this.buckets().find((bucket) => alike(bucket.body.name, glaze.name))?.id;
      return id ? [[glaze.ref, id]] : [];
    });
    return new Map(found);
  });
  protected readonly open = computed(() => (this.file()?.glazes.length ?? 0) - this.matched().size);
  protected readonly clayOptions = computed((): FieldOption[] => this.bodies().map((one) => [one.id, one.name] as const));
  protected readonly bucketOptions = computed((): FieldOption[] => [
    ['', 'choose a bucket'],
    ...this.buckets().map((bucket) => [bucket.id, bucket.body.name] as const),
  ]);

  protected async choose(chosen: File): Promise<void> {
    this.file.set(undefined);
    this.refused.set('');
    this.chosen.set(new Map());
    if (chosen.size > LARGEST_BYTES) return this.refused.set('This file is too large for a piece plan.');
    const read = readPlanFile(await chosen.text());
    if (read.kind === 'ok') this.file.set(read.file);
    else this.refused.set(read.message);
  }

  protected match(ref: string, bucketId: string): void {
    this.chosen.update((before) => {
      const now = new Map(before);
      if (bucketId) now.set(ref, bucketId);
      else now.delete(ref);
      return now;
    });
  }

  protected take(event: Event): void {
    event.preventDefault();
    const file = this.file();
    if (!file || this.open() > 0) return;
    const body = pieceFromFile(file, { bodyId: this.bodyId(), buckets: this.matched() });
    this.taking.run(this.api.createPiece(uuid(), body), (piece) => this.taken.emit(piece));
  }
}

const alike = (a: string, b: string): boolean => a.trim().toLocaleLowerCase() === b.trim().toLocaleLowerCase();
