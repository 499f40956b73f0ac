import { PotterError } from './potter-error';

/** Words for field names, so that a refusal speaks of the bench and not of the code. */
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

/**
 * Returns the words for a field, as they begin a sentence.
 *
 * @param field - the name of a field, as in a PotterError
 * @example
 * fieldWords('sg') // 'The SG'
 */
export function fieldWords(field: string): string {
  return FIELD_WORDS[field] ?? `“${field}”`;
}

/**
 * Returns the value, when it is a finite number.
 *
 * @param field - names what was refused
 * @param value - any number
 * @throws PotterError `notANumber` for NaN and infinity
 * @example
 * requireNumber('sg', 1.45) // 1.45
 */
export function requireNumber(field: string, value: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    throw new PotterError('notANumber', field, value, `${fieldWords(field)} must be a number.`);
  }
  return value;
}

/**
 * Returns the value, when it is above 0.
 *
 * @param field - names what was refused
 * @param value - above 0
 * @throws PotterError for 0, less, and what is no number
 * @example
 * requirePositive('volumeMl', 5000) // 5000
 */
export function requirePositive(field: string, value: number): number {
  requireNumber(field, value);
  if (value <= 0) throw new PotterError('tooSmall', field, value, `${fieldWords(field)} must be more than 0; ${value} was given.`);
  return value;
}

/**
 * Returns the value, when it is 0 or more.
 *
 * @param field - names what was refused
 * @param value - 0 or more
 * @throws PotterError for less than 0 and what is no number
 * @example
 * requireNotNegative('grams', 0) // 0
 */
export function requireNotNegative(field: string, value: number): number {
  requireNumber(field, value);
  if (value < 0) throw new PotterError('tooSmall', field, value, `${fieldWords(field)} cannot be less than 0; ${value} was given.`);
  return value;
}

/**
 * Returns the value, when it is a share.
 *
 * @param field - names what was refused
 * @param value - from 0 to 1
 * @throws PotterError for what lies outside and what is no number
 * @example
 * requireShare('share', 0.5) // 0.5
 */
export function requireShare(field: string, value: number): number {
  requireNotNegative(field, value);
  if (value > 1) throw new PotterError('tooLarge', field, value, `${fieldWords(field)} is a share from 0 to 1; ${value} was given.`);
  return value;
}

/** SG of anything that can be called a glaze in a bucket: water is 1.00, a stiff paste about 2.2. */
export const SG_LIMITS = { above: 1, most: 2.2 } as const;

/**
 * Returns the value, when a slurry can have this SG.
 *
 * @param field - names what was refused
 * @param value - above 1; for `sg` and `targetSg`, which a potter measures or wants, at most 2.2
 * @throws PotterError for what lies outside and what is no number
 * @example
 * requireSg('sg', 1.45) // 1.45
 */
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

/**
 * Returns the value, when a ceramic powder can have this density.
 *
 * @param field - names what was refused
 * @param value - g/mL, above 1 and at most 12
 * @throws PotterError for what lies outside and what is no number
 * @example
 * requireDensity('density', 2.6) // 2.6
 */
export function requireDensity(field: string, value: number): number {
  requireNumber(field, value);
  if (value <= 1) throw new PotterError('tooSmall', field, value, `${fieldWords(field)} must be above 1 g/mL; ${value} was given.`);
  if (value > 12) throw new PotterError('tooLarge', field, value, `${fieldWords(field)} cannot be above 12 g/mL; ${value} was given.`);
  return value;
}

/**
 * Refuses a slurry that would be as heavy as its own powder.
 *
 * @param field - names what was refused
 * @param sg - of the slurry, below `density`
 * @param density - of the powder, g/mL
 * @throws PotterError `impossible` when sg is not below density
 * @example
 * requireThinnerThanPowder('targetSg', 1.45, 2.6) // undefined
 */
export function requireThinnerThanPowder(field: string, sg: number, density: number): void {
  if (sg >= density) {
    throw new PotterError('tooLarge', field, sg, `${fieldWords(field)} (${sg}) must stay below the density of its powder (${density}).`);
  }
}
