import { FormControl, FormGroup } from '@angular/forms';
import { powderBodySchema, type PowderBody } from '@cazuela/contract';
import { MOLAR_MASS } from '@cazuela/core';
import { contractForm, readForm } from '../../../ui/forms/contract-form';

/** The oxides of an analysis, and "other" for what is none of them. */
export const OXIDES = [...Object.keys(MOLAR_MASS), 'other'];

type PowderFields = Pick<PowderBody, 'name' | 'role' | 'densityGMl' | 'rawClay' | 'shrinkWeight' | 'loiPercent'> & {
  [Key in 'pricePerKg' | 'lowGrams' | 'sieveMesh']: number | null;
};
export type PowderForm = FormGroup<
  ReturnType<typeof contractForm<PowderFields>>['controls'] & {
    oxides: FormGroup<Record<string, FormControl<number | null>>>;
    /** One a line. */
    hazards: FormControl<string>;
    /** With commas. */
    aliases: FormControl<string>;
  }
>;

/** What a powder is, as it is typed. */
export function powderForm(body: PowderBody): PowderForm {
  const { name, role, densityGMl, rawClay, shrinkWeight, loiPercent } = body;
  const fields: PowderFields = {
    ...{ name, role, densityGMl, rawClay, shrinkWeight, loiPercent },
    pricePerKg: body.pricePerKg ?? null,
    lowGrams: body.lowGrams ?? null,
    sieveMesh: body.sieveMesh ?? null,
  };
  return new FormGroup({
    ...contractForm(powderBodySchema, fields).controls,
    oxides: new FormGroup(Object.fromEntries(OXIDES.map((oxide) => [oxide, new FormControl(body.oxides[oxide] ?? null)]))),
    hazards: new FormControl(body.hazards.join('\n'), { nonNullable: true }),
    aliases: new FormControl((body.aliases ?? []).join(', '), { nonNullable: true }),
  });
}

/** Returns what is typed, or undefined when a rule speaks against it. An oxide of 0 % is none. */
export function readPowder(form: PowderForm): PowderBody | undefined {
  const { oxides, hazards, aliases } = form.getRawValue();
  const others = aliases
    .split(',')
    .map((alias) => alias.trim())
    .filter(Boolean);
  return readForm(form, powderBodySchema, {
    oxides: Object.fromEntries(Object.entries(oxides).flatMap(([oxide, percent]) => (percent ? [[oxide, percent]] : []))),
    hazards: hazards
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
    aliases: others.length > 0 ? others : undefined,
  });
}
