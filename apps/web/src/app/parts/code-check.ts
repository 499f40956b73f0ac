import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { TextField } from '../ui/text-field';

export interface CodedBucket {
  id: string;
  code: string;
  body: { name: string };
}

/** The code on the lid, typed or scanned, before the first dip of a day: a wrong bucket costs a kiln. */
@Component({
  selector: 'cz-code-check',
  imports: [MatButton, TextField],
  template: `
    <form class="field-row" (submit)="$event.preventDefault(); check()">
      <cz-text-field label="Code on the bucket" autocapitalize="characters" [longest]="300" [value]="typed()" (changed)="type($event)" />
      <button type="submit" matButton="outlined" [disabled]="!typed().trim()">Read it</button>
      <button type="button" matButton="text" (click)="read.emit()">No code on it, but I looked</button>
    </form>
    @if (wrong(); as words) {
      <p class="field-error" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    cz-text-field {
      width: 11rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CodeCheck {
  readonly bucket = input.required<CodedBucket>();
  readonly all = input.required<readonly CodedBucket[]>();
  readonly read = output<void>();
  protected readonly typed = signal('');
  private readonly checked = signal<string | undefined>(undefined);
  protected readonly wrong = computed(() => {
    const text = this.checked();
    if (text === undefined) return undefined;
    const wanted = `${this.bucket().code} ${this.bucket().body.name}`;
    const found = bucketByCode(text, this.all());
    if (!found) return `No bucket of this studio has the code “${text.slice(0, 20)}”. Wanted is ${wanted}.`;
    return `Stop: that is ${found.code} ${found.body.name}. Wanted is ${wanted}. A wrong bucket costs a kiln; the tongs too.`;
  });

  protected type(text: string): void {
    this.typed.set(text);
    this.checked.set(undefined);
  }

  protected check(): void {
    const text = this.typed().trim();
    if (bucketByCode(text, this.all())?.id === this.bucket().id) {
      this.typed.set('');
      this.read.emit();
    } else this.checked.set(text);
  }
}

/** Finds a bucket by the code on its label, or by the address that a scanner types. */
export function bucketByCode<Bucket extends CodedBucket>(text: string, buckets: readonly Bucket[]): Bucket | undefined {
  const said = text.trim().toLowerCase();
  const scanned = /\/bucket\/([0-9a-f-]{36})/.exec(said)?.[1];
  return buckets.find((bucket) => (scanned ? bucket.id === scanned : bucket.code.toLowerCase() === said));
}
