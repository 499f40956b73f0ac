import { FormArray, FormControl, FormGroup } from '@angular/forms';
import { scaleSchema, studioBodySchema, vesselSchema, type Scale, type StudioBody, type Vessel } from '@cazuela/contract';
import { contractForm, readForm } from '../../ui/forms/contract-form';

export const scaleForm = (scale: Scale): ReturnType<typeof contractForm<Scale>> => contractForm(scaleSchema, scale);
export const vesselForm = (vessel: Vessel): ReturnType<typeof contractForm<Vessel>> => contractForm(vesselSchema, vessel);
export type ScaleForm = ReturnType<typeof scaleForm>;
export type VesselForm = ReturnType<typeof vesselForm>;

type Plain = Required<Pick<StudioBody, 'name' | 'currency' | 'reads'>>;
export type StudioForm = FormGroup<
  ReturnType<typeof contractForm<Plain>>['controls'] & {
    /** Names with commas between. */
    members: FormControl<string>;
    scales: FormArray<ScaleForm>;
    vessels: FormArray<VesselForm>;
  }
>;

/** The studio’s own things, as they are typed. */
export function studioForm({ name, currency, reads = 'both', members, scales, vessels }: StudioBody): StudioForm {
  return new FormGroup({
    ...contractForm(studioBodySchema, { name, currency, reads }).controls,
    members: new FormControl(members.join(', '), { nonNullable: true }),
    scales: new FormArray(scales.map(scaleForm)),
    vessels: new FormArray(vessels.map(vesselForm)),
  });
}

/** Returns what is typed, or undefined when a rule speaks against it. */
export function readStudio(form: StudioForm): StudioBody | undefined {
  const names = form.controls.members.value
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  return readForm(form, studioBodySchema, { members: names });
}
