import { FormArray, FormGroup } from '@angular/forms';
import { bisqueLotSchema, bodyBodySchema, type BisqueLot, type BodyBody } from '@cazuela/contract';
import type { ThirstTest } from '@cazuela/core';
import { contractForm, readForm } from '../../../ui/forms/contract-form';

const lotForm = ({ id, name, at, bisqueCone, wallMm, absorptionPercent, thirst }: BisqueLot): ReturnType<typeof contractForm<LotFields>> =>
  contractForm<LotFields>(bisqueLotSchema, {
    id,
    name,
    at,
    bisqueCone,
    wallMm: wallMm ?? null,
    absorptionPercent: absorptionPercent ?? null,
    thirst: thirst ?? null,
  });
type LotFields = Pick<BisqueLot, 'id' | 'name' | 'at' | 'bisqueCone'> & {
  wallMm: number | null;
  absorptionPercent: number | null;
  thirst: ThirstTest | null;
};
export type LotForm = ReturnType<typeof lotForm>;

type BodyFields = Pick<BodyBody, 'name' | 'colour' | 'bisqueCone' | 'earthenware'> & {
  [Key in 'shrinkagePercent' | 'absorptionPercent' | 'expansion' | 'wallMm']: number | null;
} & { lowCone: string; highCone: string; speckled: boolean; groggy: boolean; notes: string };
export type BodyForm = FormGroup<ReturnType<typeof contractForm<BodyFields>>['controls'] & { lots: FormArray<LotForm> }>;

/** The card of a clay body, as it is typed. */
export function bodyForm(body: BodyBody): BodyForm {
  const fields: BodyFields = {
    name: body.name,
    colour: body.colour,
    bisqueCone: body.bisqueCone,
    earthenware: body.earthenware,
    shrinkagePercent: body.shrinkagePercent ?? null,
    absorptionPercent: body.absorptionPercent ?? null,
    expansion: body.expansion ?? null,
    wallMm: body.wallMm ?? null,
    lowCone: body.lowCone ?? '',
    highCone: body.highCone ?? '',
    speckled: body.speckled ?? false,
    groggy: body.groggy ?? false,
    notes: body.notes ?? '',
  };
  return new FormGroup({ ...contractForm(bodyBodySchema, fields).controls, lots: new FormArray((body.lots ?? []).map(lotForm)) });
}

export const newLotForm = (id: string, at: Date, bisqueCone: string): LotForm =>
  lotForm({ id, name: at.toLocaleDateString('en', { month: 'long', day: 'numeric' }), at: at.toISOString(), bisqueCone });

/** Returns what is typed, or undefined when a rule speaks against it. */
export const readBody = (form: BodyForm): BodyBody | undefined => readForm(form, bodyBodySchema);
