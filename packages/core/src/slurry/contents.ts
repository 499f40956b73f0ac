import { requireDensity, requireNumber, requirePositive, requireThinnerThanPowder } from '../checks/require';
import { PotterError } from '../checks/potter-error';

export interface SlurryReading {
  volumeMl: number;
  sg: number;
  density: number;
}

function checkSlurry({ sg, density }: { sg: number; density: number }): void {
  requireNumber('sg', sg);
  if (sg < 1) throw new PotterError('tooSmall', 'sg', sg, `The SG cannot be below 1.00, which is plain water; ${sg} was given.`);
  requireDensity('density', density);
  requireThinnerThanPowder('sg', sg, density);
}

/** Dry powder in a volume at an SG: m = V(d − 1)ρ/(ρ − 1), g. An error of 0.25 in ρ moves it by about 6 %. */
export function dryGrams({ volumeMl, sg, density }: SlurryReading): number {
  requirePositive('volumeMl', volumeMl);
  checkSlurry({ sg, density });
  return (volumeMl * (sg - 1) * density) / (density - 1);
}

/** Water in a volume at an SG: w = Vd − m, g. */
export function waterGrams(reading: SlurryReading): number {
  return reading.volumeMl * reading.sg - dryGrams(reading);
}

/** Solids by mass, 0–1: s = ρ(d − 1)/(d(ρ − 1)). */
export function solidsByMass({ sg, density }: { sg: number; density: number }): number {
  checkSlurry({ sg, density });
  return (density * (sg - 1)) / (sg * (density - 1));
}

/** Solids by volume, 0–1: φ = (d − 1)/(ρ − 1). */
export function solidsByVolume({ sg, density }: { sg: number; density: number }): number {
  checkSlurry({ sg, density });
  return (sg - 1) / (density - 1);
}

/** Grams of water for each dry gram to reach an SG: (1 − d/ρ)/(d − 1). */
export function waterPerDryGram({ sg, density }: { sg: number; density: number }): number {
  checkSlurry({ sg, density });
  if (sg <= 1) throw new PotterError('tooSmall', 'sg', sg, 'An SG of 1.00 is plain water: no amount of water reaches it.');
  return (1 - sg / density) / (sg - 1);
}
