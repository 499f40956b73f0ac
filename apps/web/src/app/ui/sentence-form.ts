import { afterNextRender, booleanAttribute, ChangeDetectionStrategy, Component, input, output, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { TextField } from './text-field';

/** One sentence that is asked for, with its button: a note, a reason. Nothing is kept of an empty one. */
@Component({
  selector: 'cz-sentence-form',
  imports: [MatButton, ReactiveFormsModule, TextField],
  template: `
    <form (submit)="$event.preventDefault(); keep()" (keydown.enter)="$event.stopPropagation()">
      <cz-text-field [label]="label()" [longest]="longest()" [placeholder]="placeholder()" [formControl]="words" />
      <button type="submit" matButton="outlined">{{ action() }}</button>
      <ng-content />
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 0.7rem;
    }
    cz-text-field {
      flex: 1 1 12rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SentenceForm {
  readonly label = input.required<string>();
  readonly action = input.required<string>();
  readonly longest = input(2000);
  readonly placeholder = input('');
  /** A question that was just asked takes the focus. */
  readonly takesFocus = input(false, { transform: booleanAttribute });
  readonly kept = output<string>();
  protected readonly words = new FormControl('', { nonNullable: true });
  private readonly field = viewChild.required(TextField);

  constructor() {
    afterNextRender(() => this.takesFocus() && this.field().focus());
  }

  protected keep(): void {
    const words = this.words.value.trim();
    if (!words) return;
    this.words.reset();
    this.kept.emit(words);
  }
}
