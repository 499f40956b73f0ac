import { PotterError } from './potter-error';

/** Words for field names, so that a refusal reads like the bench and not like the code. */
const FIELD_WORDS: Record<string, string> = {
  sg: 'The SG',
  targetSg: 'The wanted SG',
  otherSg: 'The SG of the other bucket',
  density: 'The density of the powder',
  dryGrams: 'The dry weight',
  waterGrams: 'The water',
  volumeMl: 'The volume',
  baseGrams: 'The base weight',
  baseDryGrams: 'The dry base',
  grossGrams: 'The full weight',
  tareGrams: 'The empty weight',
  percent: 'The percentage',
  targetPercent: 'The wanted percentage',
  seconds: 'The time in the glaze',
  coatMm: 'The coat',
  areaCm2: 'The glazed area',
  wallMm: 'The wall',
  minutes: 'The wait',
  thirst: 'The thirst of the wall',
  share: 'How wet it is',
  underDryness: 'How dry the coat beneath is',
};

/** The field's words, as used at the start of a sentence. */
export function fieldWords(field: string): string {
  return FIELD_WORDS[field] ?? `“${field}”`;
}

export function requireNumber(field: string, value: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    throw new PotterError('notANumber', field, value, `${fieldWords(field)} must be a number.`);
  }
  return value;
}

export function requirePositive(field: string, value: number): number {
  requireNumber(field, value);
  if (value <= 0) throw new PotterError('tooSmall', field, value, `${fieldWords(field)} must be more than 0; ${value} was given.`);
  return value;
}

export function requireNotNegative(field: string, value: number): number {
  requireNumber(field, value);
  if (value < 0) throw new PotterError('tooSmall', field, value, `${fieldWords(field)} cannot be less than 0; ${value} was given.`);
  return value;
}

/** A share from 0 to 1. */
export function requireShare(field: string, value: number): number {
  requireNotNegative(field, value);
  if (value > 1) throw new PotterError('tooLarge', field, value, `${fieldWords(field)} is a share from 0 to 1; ${value} was given.`);
  return value;
}

/** SG limits of anything that can be called a glaze in a bucket: water is 1.00, a stiff paste about 2.2. */
export const SG_LIMITS = { above: 1, most: 2.2 } as const;

/** Refuses an SG at or below water's and, for what a potter measures or wants, above 2.2. */
export function requireSg(field: string, value: number): number {
  requireNumber(field, value);
  if (value <= SG_LIMITS.above) {
    throw new PotterError('tooSmall', field, value, `${fieldWords(field)} must be above 1.00, which is plain water; ${value} was given.`);
  }
  if (value > SG_LIMITS.most) {
    const hint = value > 100 && value < 250 ? ` If you weighed 100 mL, type ${(value / 100).toFixed(2)}.` : '';
    throw new PotterError('tooLarge', field, value, `${fieldWords(field)} cannot be above 2.20, a stiff paste; ${value} was given.${hint}`);
  }
  return value;
}

/** Refuses a powder density that does not sink in water, or that no ceramic powder has. */
export function requireDensity(field: string, value: number): number {
  requireNumber(field, value);
  if (value <= 1) throw new PotterError('tooSmall', field, value, `${fieldWords(field)} must be above 1 g/mL; ${value} was given.`);
  if (value > 12) throw new PotterError('tooLarge', field, value, `${fieldWords(field)} cannot be above 12 g/mL; ${value} was given.`);
  return value;
}

/** Refuses slurry that would have to be heavier than its own powder. */
export function requireThinnerThanPowder(field: string, sg: number, density: number): void {
  if (sg >= density) {
    throw new PotterError('tooLarge', field, sg, `${fieldWords(field)} (${sg}) must stay below the density of its powder (${density}).`);
  }
}
