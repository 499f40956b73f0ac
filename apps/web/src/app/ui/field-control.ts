import {
  afterNextRender,
  booleanAttribute,
  computed,
  DestroyRef,
  Directive,
  inject,
  Injector,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NgControl, type AbstractControl, type ControlValueAccessor } from '@angular/forms';
import { sentenceOf } from './forms/sentence';

let counter = 0;

/**
 * What every field has, whatever it holds. A value comes in either by a typed reactive form (`formControl`, `formControlName`), or by `[value]`
 * and goes out by `(changed)`, where the form is a live computation with its own store.
 */
@Directive()
export abstract class FieldControl<T, Told = T> implements ControlValueAccessor {
  readonly label = input.required<string>();
  /** For tables, where the column has the label; screen readers still get it. */
  readonly labelHidden = input(false, { transform: booleanAttribute });
  readonly hint = input('');
  readonly value = input<T | undefined>();
  readonly disabled = input(false);
  /** An error from outside, e.g. the core's refusal. */
  readonly errorMessage = input<string | undefined>();
  /** A change by the hand. */
  readonly changed = output<Told>();

  readonly id = `field-${++counter}`;
  protected readonly current = linkedSignal<T | undefined>(() => this.value());
  private readonly disabledByForm = signal(false);
  protected readonly isDisabled = computed(() => this.disabled() || this.disabledByForm());
  private readonly formProblem = signal<string | undefined>(undefined);
  /** The sentence under the field. */
  readonly problem = computed<string | undefined>(() => this.ownProblem() ?? this.errorMessage() ?? this.formProblem());
  protected readonly describedBy = computed(() =>
    [this.hint() ? `${this.id}-hint` : '', this.problem() ? `${this.id}-error` : ''].filter(Boolean).join(' '),
  );

  private tellForm: (value: T) => void = () => undefined;
  private tellTouched: () => void = () => undefined;

  constructor() {
    const injector = inject(Injector);
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const control = injector.get(NgControl, null, { self: true, optional: true })?.control;
      if (!control) return;
      this.formProblem.set(shownProblem(control));
      control.events.pipe(takeUntilDestroyed(destroyed)).subscribe(() => this.formProblem.set(shownProblem(control)));
    });
  }

  /** What is wrong with what was typed, before any rule of the form. */
  protected ownProblem(): string | undefined {
    return undefined;
  }

  /** Takes a change by the hand. `told` is what goes out when it is more than the value. */
  protected take(value: T, told: Told = value as unknown as Told): void {
    this.current.set(value);
    this.tellForm(value);
    this.changed.emit(told);
  }

  protected leave(): void {
    this.tellTouched();
  }

  writeValue(value: T): void {
    this.current.set(value);
  }

  registerOnChange(tell: (value: T) => void): void {
    this.tellForm = tell;
  }

  registerOnTouched(tell: () => void): void {
    this.tellTouched = tell;
  }

  setDisabledState(disabled: boolean): void {
    this.disabledByForm.set(disabled);
  }
}

/** An untouched field is not scolded yet. */
const shownProblem = (control: AbstractControl): string | undefined => (control.touched || control.dirty ? sentenceOf(control.errors) : undefined);
