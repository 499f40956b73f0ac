import { ChangeDetectionStrategy, Component, computed, input, output, signal, viewChild, type ElementRef } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatAutocomplete, MatAutocompleteTrigger, MatOptgroup, MatOption, type MatAutocompleteSelectedEvent } from '@angular/material/autocomplete';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ErrorState } from './error-state';
import { Field } from './field';
import { FieldControl } from './field-control';
import { groupOptions, type FieldOption } from './options';
import { matchOptions } from './match-options';

/** As many options as are drawn at once; more are found by typing. */
const MOST_SHOWN = 60;

/** A choice from a list that can be long: type to find, arrows and Enter to take. */
@Component({
  selector: 'cz-autocomplete',
  imports: [ErrorState, Field, MatAutocomplete, MatAutocompleteTrigger, MatFormField, MatInput, MatOptgroup, MatOption],
  template: `
    <cz-field [of]="this">
      <mat-form-field class="opens" appearance="outline" subscriptSizing="dynamic">
        <input
          #box
          #trigger="matAutocompleteTrigger"
          matInput
          autocomplete="off"
          [matAutocomplete]="list"
          [id]="id"
          [placeholder]="placeholder()"
          [value]="text()"
          [disabled]="isDisabled()"
          [czErrorState]="!!problem()"
          [aria-describedby]="describedBy()"
          (focus)="box.select()"
          (input)="type(box.value)"
          (blur)="blurred($event, trigger)"
        />
        <mat-autocomplete #list="matAutocomplete" autoActiveFirstOption (optionSelected)="choose($event)" (closed)="leave()">
          @for (group of groups(); track group.name) {
            @if (group.name) {
              <mat-optgroup [label]="group.name">
                @for (option of group.options; track option[0]) {
                  <mat-option [value]="option[0]">{{ option[1] }}</mat-option>
                }
              </mat-optgroup>
            } @else {
              @for (option of group.options; track option[0]) {
                <mat-option [value]="option[0]">{{ option[1] }}</mat-option>
              }
            }
          }
          @if (matching().length > mostShown) {
            <mat-option disabled>{{ matching().length - mostShown }} more: type to find</mat-option>
          } @else if (matching().length === 0) {
            <mat-option disabled>Nothing is called so</mat-option>
          }
        </mat-autocomplete>
      </mat-form-field>
    </cz-field>
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: AutocompleteField, multi: true }],
  // Else the options are not seen as those of their group.
  preserveWhitespaces: false,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AutocompleteField<T extends string | number = string> extends FieldControl<T> {
  readonly options = input.required<readonly FieldOption<T>[]>();
  readonly placeholder = input('type to find');
  /** An option was taken, also the one that stood there already. */
  readonly taken = output<T>();
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  /** What is being typed; undefined while the chosen option is shown. */
  protected readonly typed = signal<string | undefined>(undefined);
  private readonly left = signal(true);
  private readonly chosenWords = computed(() => this.options().find(([value]) => value === this.current())?.[1] ?? '');
  protected readonly text = computed(() => this.typed() ?? this.chosenWords());
  protected readonly matching = computed(() => matchOptions(this.options(), this.typed() ?? ''));
  protected readonly mostShown = MOST_SHOWN;
  protected readonly groups = computed(() => groupOptions(this.matching().slice(0, MOST_SHOWN)));

  focus(): void {
    this.box().nativeElement.focus();
  }

  protected override ownProblem(): string | undefined {
    const typed = this.typed();
    return this.left() && typed ? `Nothing is called “${typed.slice(0, 30)}”: choose from the list.` : undefined;
  }

  protected type(text: string): void {
    this.typed.set(text);
    this.left.set(false);
  }

  /** The focus goes on to another field: the list closes, also where it had only just opened. A finger on an option keeps it open. */
  protected blurred({ relatedTarget: to }: FocusEvent, trigger: MatAutocompleteTrigger): void {
    const goesOn = to instanceof Element && !to.closest('[role="listbox"]');
    if (trigger.panelOpen && !goesOn) return;
    if (trigger.panelOpen) trigger.closePanel();
    this.leave();
  }

  protected choose({ option }: MatAutocompleteSelectedEvent): void {
    this.accept(option.value as T);
  }

  /**
   * A finger on an option takes the focus first, so what is typed is judged when the list closes. Words that name one option mean that one; an
   * emptied box keeps what was chosen.
   */
  protected override leave(): void {
    super.leave();
    const typed = this.typed()?.trim();
    if (typed === undefined) return;
    const named = this.matching().filter(([, words]) => words.toLowerCase() === typed.toLowerCase());
    if (typed === '' || typed === this.chosenWords()) this.typed.set(undefined);
    else if (named.length === 1) this.accept(named[0]![0]);
    this.left.set(true);
  }

  private accept(value: T): void {
    this.typed.set(undefined);
    // The list writes the option's value into the box: the words stand there instead.
    this.take(value);
    this.box().nativeElement.value = this.chosenWords();
    this.taken.emit(value);
  }
}
