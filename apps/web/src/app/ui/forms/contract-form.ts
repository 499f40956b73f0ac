import { effect, signal, untracked, type Signal } from '@angular/core';
import { FormArray, FormControl, FormGroup, type AbstractControl, type ValidatorFn } from '@angular/forms';
import type { Problem } from '@cazuela/contract';
import type * as z from 'zod';
import { SENTENCE } from './sentence';

type Controls<Values> = { [Key in keyof Values]: FormControl<Values[Key]> };
type ObjectSchema = z.ZodObject<Record<string, z.ZodType>>;

const isEmpty = (value: unknown): boolean => value === null || value === undefined || value === '';
const mayBeLeftOut = (schema: z.ZodType): boolean => schema.safeParse(undefined).success;

/** A rule of the contract as a rule of a form: its first sentence stands under the field. An empty field is a figure left out. */
export function contractValidator(schema: z.ZodType): ValidatorFn {
  const optional = mayBeLeftOut(schema);
  return ({ value }) => {
    if (isEmpty(value) && optional) return null;
    if (value === null) return { [SENTENCE]: 'A number is missing here.' };
    const read = schema.safeParse(value);
    return read.success ? null : { [SENTENCE]: read.error.issues[0]?.message };
  };
}

/**
 * Returns a typed form of fields of the contract, each checked by its own schema. `values` says which fields, and what stands in them: null or
 * an empty text for what is not known.
 */
export function contractForm<Values extends object>(schema: ObjectSchema, values: Values): FormGroup<Controls<Values>> {
  const controls = Object.entries(values).map(([key, value]) => {
    const rule = schema.shape[key];
    return [key, new FormControl(value, { nonNullable: true, validators: rule ? contractValidator(rule) : [] })] as const;
  });
  return new FormGroup(Object.fromEntries(controls)) as unknown as FormGroup<Controls<Values>>;
}

/**
 * Returns what the form holds, checked as a whole by the contract, empty fields left out where they may be. Undefined when a rule speaks against
 * it: the sentence then stands under its field. `instead` stands in place of fields that are typed in another shape than they are kept.
 */
export function readForm<Output>(form: FormGroup, schema: z.ZodType<Output>, instead: Partial<Output> = {}): Output | undefined {
  form.markAllAsTouched();
  // What was refused last time may be right now: a rule between two fields is mended at either of them.
  for (const control of fieldsOf(form)) control.updateValueAndValidity();
  if (form.invalid) return goToWrongField();
  const read = schema.safeParse(withoutEmpty({ ...form.getRawValue(), ...instead }, schema));
  if (read.success) return read.data;
  showErrors(
    form,
    read.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })),
  );
  return goToWrongField();
}

/** Puts the focus on the first field that a rule speaks against, in the form whose button was pressed: it may stand far above that. */
function goToWrongField(): undefined {
  setTimeout(() => {
    const form = document.activeElement?.closest('form') ?? document;
    const wrong = [...form.querySelectorAll('.ng-invalid')].find((one) => !one.matches('form') && !one.querySelector('.ng-invalid'));
    wrong?.querySelector<HTMLElement>('input, select, textarea')?.focus();
  });
}

/**
 * Puts each sentence of a refused write under its field. The signal holds what has no field, to be shown beside the button. A document that
 * somebody else changed meanwhile is not a mistake of a field: the screen shows both. Call it where fields are initialised.
 */
export function formProblem(form: () => FormGroup | undefined, problem: () => Problem | undefined): Signal<string | undefined> {
  const words = signal<string | undefined>(undefined);
  effect(() => {
    const refused = problem();
    untracked(() => {
      const [open, errors] = [form(), refused?.errors ?? []];
      const left = open ? showErrors(open, errors) : [];
      if (left.length < errors.length) goToWrongField();
      const shown = errors.length > 0 && left.length === 0;
      words.set(shown || refused?.code === 'stale' ? undefined : (left[0] ?? refused?.detail));
    });
  });
  return words.asReadonly();
}

function showErrors(form: FormGroup, errors: readonly { path: string; message: string }[]): string[] {
  return errors.flatMap(({ path, message }) => {
    // The server counts from the whole message, where the form is its body.
    const control = controlAt(form, path) ?? controlAt(form, path.replace(/^body\./, ''));
    if (!control) return [message];
    control.setErrors({ [SENTENCE]: message });
    control.markAsTouched();
    return [];
  });
}

const fieldsOf = (control: AbstractControl): AbstractControl[] =>
  control instanceof FormGroup || control instanceof FormArray ? Object.values(control.controls).flatMap(fieldsOf) : [control];

const controlAt = (form: FormGroup, path: string): AbstractControl | null => (path ? form.get(path) : null);

/** What is not known is left out: null everywhere, and an empty text, list or tick where the contract lets the field be missing. */
function withoutEmpty(value: unknown, schema?: z.ZodType): unknown {
  if (Array.isArray(value)) return value.map((one) => withoutEmpty(one));
  if (value === null || typeof value !== 'object') return value;
  const shape = (schema as ObjectSchema | undefined)?.shape;
  const mayMiss = (key: string): boolean => shape?.[key] !== undefined && mayBeLeftOut(shape[key]);
  const isNothing = (key: string, one: unknown): boolean =>
    one === null || one === undefined || ((one === '' || one === false || (Array.isArray(one) && one.length === 0)) && mayMiss(key));
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key, one]) => !isNothing(key, one))
      .map(([key, one]) => [key, withoutEmpty(one)]),
  );
}
