import { MOLAR_MASS } from '@cazuela/core';

/** Columns of our tables, in the order in which they are written. Read by name, in any order. */
export const OXIDE_COLUMNS = [...Object.keys(MOLAR_MASS), 'other'];

export const POWDER_COLUMNS = [
  'powder',
  'role',
  'density_g_ml',
  'raw_clay',
  'shrink_weight',
  'loi_percent',
  'sieve_mesh',
  'price_per_kg',
  'low_g',
  'hazards',
  ...OXIDE_COLUMNS.map((oxide) => oxide.toLowerCase()),
] as const;

export const RECIPE_COLUMNS = [
  'recipe',
  'part',
  'powder',
  'percent',
  'cone_low',
  'cone_high',
  'atmosphere',
  'surface',
  'colour',
  'sg_low',
  'sg_high',
  'movement',
  'food_tested',
  'notes',
  'reason',
  'changed_at',
  'untested',
  'product',
  'label_powder',
  'label_water',
  'pack_g',
  'coats',
  'jar_ml',
  'price',
  'maker_says_food_safe',
] as const;

export const BATCH_COLUMNS = [
  'batch',
  'recipe',
  'version',
  'weighed_at',
  'by',
  'water_g',
  'water_in_g',
  'expected_sg',
  'part',
  'powder',
  'target_g',
  'in_g',
] as const;

/** Measurements, written for other programs; no studio imports another one's. */
export const DIP_COLUMNS = [
  'measured_at',
  'by',
  'bucket',
  'recipe',
  'body',
  'bisque_lot',
  'bisque',
  'wall_mm',
  'faces',
  'way',
  'passes',
  'seconds',
  'sg',
  'state',
  'under_mm',
  'reading',
  'gain_g',
  'area_cm2',
  'division_g',
  'coat_mm',
  'left_out',
] as const;

export const RUNNER_COLUMNS = [
  'tile',
  'made_at',
  'by',
  'glaze',
  'coat_mm',
  'over',
  'over_coat_mm',
  'band_mm',
  'fired_at',
  'fired_to',
  'hold_min',
  'cooling',
  'shelf',
  'ran_mm',
  'notes',
] as const;

export const LOG_COLUMNS = ['time', 'seconds', 'celsius', 'set_celsius', 'share_on'] as const;

/**
 * Returns which table a heading belongs to; undefined when it is none of ours.
 *
 * @param heading - the cells of the first row
 * @example
 * tableKind(['shoe size']) // undefined
 */
export function tableKind(heading: readonly string[]): 'powders' | 'recipes' | 'batches' | 'measured' | undefined {
  if (heading.includes('batch') && heading.includes('target_g')) return 'batches';
  if (heading.includes('recipe') && heading.includes('percent')) return 'recipes';
  if (heading.includes('powder') && heading.includes('density_g_ml')) return 'powders';
  if (heading.includes('measured_at') || heading.includes('ran_mm')) return 'measured';
  return undefined;
}

export const RESULT_COLUMNS = [
  'fired_at',
  'kiln',
  'cone',
  'piece',
  'body',
  'stars',
  'faults',
  'foot',
  'ran_mm',
  'looks',
  'glazes',
  'coat_mm',
  'seconds',
  'sg',
  'photo',
] as const;

export const CHANGE_COLUMNS = [
  'at',
  'by',
  'piece',
  'fault',
  'where',
  'change',
  'from',
  'to',
  'chance_before',
  'chance_after',
  'decision',
  'reason',
] as const;
