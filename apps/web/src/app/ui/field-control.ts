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
  type DoCheck,
  type Signal,
} from '@angular/core';
import { NgControl, type AbstractControl, type ControlValueAccessor } from '@angular/forms';
import type { Subscription } from 'rxjs';
import { sentenceOf } from './forms/sentence';

let counter = 0;

/**
 * What every field has, whatever it holds. A value comes in either by a typed reactive form (`formControl`, `formControlName`), or by `[value]`
 * and goes out by `(changed)`, where the form is a live computation with its own store.
 */
@Directive()
export abstract class FieldControl<T, Told = T> implements ControlValueAccessor, DoCheck {
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
  /** What is asked about, and taken all the same. */
  readonly question: Signal<string | undefined> = signal(undefined);
  protected readonly describedBy = computed(() =>
    [this.hint() ? `${this.id}-hint` : '', this.problem() ? `${this.id}-error` : ''].filter(Boolean).join(' '),
  );

  private readonly injector = inject(Injector);
  private ngControl: NgControl | null | undefined;
  private followed: AbstractControl | undefined;
  private subscription: Subscription | undefined;
  private tellForm: (value: T) => void = () => undefined;
  private tellTouched: () => void = () => undefined;

  constructor() {
    afterNextRender(() => this.followControl());
    inject(DestroyRef).onDestroy(() => this.subscription?.unsubscribe());
  }

  ngDoCheck(): void {
    this.followControl();
  }

  /** A form that was made anew, as after keeping, has other controls behind the same fields. */
  private followControl(): void {
    if (this.ngControl === undefined) this.ngControl = this.injector.get(NgControl, null, { self: true, optional: true });
    const control = this.ngControl?.control;
    if (!control || control === this.followed) return;
    this.followed = control;
    this.subscription?.unsubscribe();
    this.formProblem.set(shownProblem(control));
    this.subscription = control.events.subscribe(() => this.formProblem.set(shownProblem(control)));
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
