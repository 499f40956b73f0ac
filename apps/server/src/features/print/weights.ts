import { decimalsForDivision, formatFixed, fromCanonical, poundsAndOunces, scaleFor } from '@cazuela/core';
import type { StudioBody } from '@cazuela/contract';

/** The fonts on paper have halves and quarters, and no eighths. */
const EIGHTHS: Readonly<Record<string, string>> = { '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8' };

export type PrintedMass = 'g' | 'oz' | 'lb';

/** The unit that a sheet is wanted in; grams when the address names no known one. */
export const printedMass = (asked: unknown): PrintedMass => (asked === 'oz' || asked === 'lb' ? asked : 'g');

/** Returns a weight as the studio's scales can show it, in the unit of the studio. */
export function formatMass(grams: number, unit: PrintedMass, scales: StudioBody['scales']): string {
  if (unit === 'lb') return poundsAndOunces(grams).replace(/[⅛⅜⅝⅞]/g, (sign) => EIGHTHS[sign]!);
  if (unit === 'oz') return `${formatFixed(fromCanonical(grams, 'oz'), 2)} oz`;
  const { divisionGrams } = scaleFor({ targetGrams: grams, scales });
  return `${formatFixed(grams, decimalsForDivision(divisionGrams))} g`;
}
