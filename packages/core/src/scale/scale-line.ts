import { MASS_UNITS, type MassUnit } from '../units/units';

/** One line of text from a scale, read. */
export type ScaleLine =
  | { kind: 'reading'; grams: number; saysStable: boolean }
  /** More is on the scale than it can weigh. */
  | { kind: 'overload' }
  | { kind: 'unreadable'; text: string };

const OVERLOAD = /^(ol|overload|over|-{3,}|h{3,})$/i;
const NUMBER_AND_UNIT = /([+\-−]?)\s*(\d+(?:[.,]\d+)?)\s*(kg|g|oz|lb)?\b/i;
/** Words by which scales say that the weight is stable, or not. */
const STABLE = /(^|[\s,;])(s|st|stable|\*)($|[\s,;])/i;
const MOVING = /(^|[\s,;])(d|us|sd|moving|unstable|\?)($|[\s,;])/i;

/**
 * Returns a line as bench scales send it: a number, a unit (grams when none is named) and a word for standing still, in any order.
 *
 * @param text - one line
 * @example
 * readScaleLine('ST,GS, 0.512 kg') // { kind: 'reading', grams: 512, saysStable: true }
 */
export function readScaleLine(text: string): ScaleLine {
  const line = text.trim();
  if (OVERLOAD.test(line)) return { kind: 'overload' };
  const match = NUMBER_AND_UNIT.exec(line);
  if (!match) return { kind: 'unreadable', text: line.slice(0, 80) };
  const size = Number(match[2]!.replace(',', '.'));
  const unit = (match[3]?.toLowerCase() ?? 'g') as MassUnit;
  const words = `${line.slice(0, match.index)} ${line.slice(match.index + match[0].length)}`;
  const grams = (match[1] === '' || match[1] === '+' ? size : -size) * MASS_UNITS[unit];
  return { kind: 'reading', grams, saysStable: STABLE.test(words) && !MOVING.test(words) };
}
