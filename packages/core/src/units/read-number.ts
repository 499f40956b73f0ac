import { LENGTH_UNITS, MASS_UNITS, VOLUME_UNITS, type Unit } from './units';

export type NumberReading = { kind: 'ok'; value: number; unit?: Unit } | { kind: 'empty' } | { kind: 'notANumber'; text: string };

const UNIT_NAMES = [...Object.keys(MASS_UNITS), ...Object.keys(VOLUME_UNITS), ...Object.keys(LENGTH_UNITS)] as Unit[];

/**
 * Returns the number a potter typed: "1.5", "1,5", "1,556", "2 lb", "1/2". Anything else is said to be no number, never guessed.
 *
 * @param text - as it was typed
 * @example
 * readNumber('1,5 lb') // { kind: 'ok', value: 1.5, unit: 'lb' }
 */
export function readNumber(text: string): NumberReading {
  const trimmed = text.trim().replace(/\u00a0|\u202f/g, ' ');
  if (trimmed === '') return { kind: 'empty' };
  const match = /^([-+]?[\d.,\s/]+?)\s*([a-zA-Z][a-zA-Z ]*)?$/.exec(trimmed);
  if (!match) return { kind: 'notANumber', text: trimmed };
  const value = numberFrom(match[1] ?? '');
  if (value === undefined) return { kind: 'notANumber', text: trimmed };
  if (!match[2]) return { kind: 'ok', value };
  const unit = UNIT_NAMES.find((name) => name.toLowerCase() === match[2]!.trim().toLowerCase());
  return unit ? { kind: 'ok', value, unit } : { kind: 'notANumber', text: trimmed };
}

function numberFrom(text: string): number | undefined {
  const compact = text.trim();
  const fraction = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(compact);
  if (fraction) {
    const below = Number(fraction[3]);
    return below === 0 ? undefined : Number(fraction[1] ?? 0) + Number(fraction[2]) / below;
  }
  let plain = compact.replace(/\s/g, '');
  const bothMarks = plain.includes(',') && plain.includes('.');
  if (bothMarks || /^[-+]?[1-9]\d{0,2}(,\d{3})+$/.test(plain)) plain = plain.replace(/,/g, '');
  else plain = plain.replace(',', '.');
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined;
}
