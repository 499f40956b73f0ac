import { LENGTH_UNITS, MASS_UNITS, VOLUME_UNITS, type Unit } from './units';

export type NumberReading =
  | { kind: 'ok'; value: number; unit?: Unit }
  | { kind: 'empty' }
  /** `meant`: the units it may stand for, where that is what is not clear. */
  | { kind: 'notANumber'; text: string; meant?: readonly Unit[] };

/** Whose pints, quarts and gallons a bare "pt" stands for; left out where nobody said. */
export type VolumeSystem = 'US' | 'imp';

const UNIT_NAMES = [...Object.keys(MASS_UNITS), ...Object.keys(VOLUME_UNITS), ...Object.keys(LENGTH_UNITS)] as Unit[];
const OUNCES_IN_POUND = 16;

/** Other names that are written for a unit. */
const ALSO: Readonly<Record<string, Unit>> = {
  ...{ gr: 'g', gram: 'g', grams: 'g', kgs: 'kg', kilo: 'kg', kilos: 'kg', ounce: 'oz', ounces: 'oz', lbs: 'lb', pound: 'lb', pounds: 'lb' },
  ...{ litre: 'L', litres: 'L', liter: 'L', liters: 'L', mls: 'mL', drops: 'drop', inch: 'in', inches: 'in' },
};
/** Names of a volume that is larger in Britain than in the United States. */
const EITHER_SYSTEM: Readonly<Record<string, string>> = {
  ...{ 'fl oz': 'fl oz', floz: 'fl oz', 'fluid ounce': 'fl oz', 'fluid ounces': 'fl oz', pt: 'pt', pint: 'pt', pints: 'pt' },
  ...{ qt: 'qt', quart: 'qt', quarts: 'qt', gal: 'gal', gallon: 'gal', gallons: 'gal', tbsp: 'tbsp', tsp: 'tsp' },
};

/**
 * Returns the number a potter typed: "1.5", "1,5", "1,556", "1.234,5", "2 lbs", "1 lb 4 oz", "1/2". Anything else is said to be no number, never
 * guessed; so is "1 pt" where nobody said whose pint.
 *
 * @param text - as it was typed
 * @param system - whose pints and gallons are meant
 * @example
 * readNumber('1,5 lb') // { kind: 'ok', value: 1.5, unit: 'lb' }
 * @example
 * readNumber('1 lb 4 oz') // { kind: 'ok', value: 1.25, unit: 'lb' }
 */
export function readNumber(text: string, system?: VolumeSystem): NumberReading {
  const trimmed = text.trim().replace(/\u00a0|\u202f/g, ' ');
  if (trimmed === '') return { kind: 'empty' };
  const inPounds = poundsFrom(trimmed);
  if (inPounds !== undefined) return { kind: 'ok', value: inPounds, unit: 'lb' };
  const match = /^([-+]?[\d.,\s/]+?)\s*([a-zA-Z][a-zA-Z .]*)?$/.exec(trimmed);
  const value = match ? numberFrom(match[1]!) : undefined;
  if (!match || value === undefined) return { kind: 'notANumber', text: trimmed };
  if (!match[2]) return { kind: 'ok', value };
  const units = unitsNamed(match[2], system);
  return units.length === 1
    ? { kind: 'ok', value, unit: units[0]! }
    : { kind: 'notANumber', text: trimmed, ...(units.length > 1 ? { meant: units } : {}) };
}

/** "1 lb 4 oz", in pounds. */
function poundsFrom(text: string): number | undefined {
  const match = /^([\d.,/ ]+?)\s*(?:lbs?|pounds?)\.?\s+([\d.,/ ]+?)\s*(?:oz|ounces?)\.?$/i.exec(text);
  const [pounds, ounces] = [match && numberFrom(match[1]!), match && numberFrom(match[2]!)];
  return typeof pounds === 'number' && typeof ounces === 'number' ? pounds + ounces / OUNCES_IN_POUND : undefined;
}

function unitsNamed(written: string, system: VolumeSystem | undefined): Unit[] {
  const name = written.toLowerCase().replace(/\./g, '').replace(/\s+/g, ' ').trim();
  const exact = UNIT_NAMES.find((one) => one.toLowerCase() === name) ?? ALSO[name];
  if (exact) return [exact];
  const either = EITHER_SYSTEM[name];
  if (!either) return [];
  const both = (['US', 'imp'] as const).filter((whose) => UNIT_NAMES.includes(`${whose} ${either}` as Unit));
  return (both.some((whose) => whose === system) ? [system!] : both).map((whose) => `${whose} ${either}` as Unit);
}

function numberFrom(text: string): number | undefined {
  const compact = text.trim();
  const fraction = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(compact);
  if (fraction) {
    const below = Number(fraction[3]);
    return below === 0 ? undefined : Number(fraction[1] ?? 0) + Number(fraction[2]) / below;
  }
  const plain = decimalPoint(compact.replace(/\s/g, ''));
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined;
}

/** The last of two kinds of marks is the decimal one, and the others stand between thousands; a comma alone may be either. */
function decimalPoint(text: string): string {
  if (/^[-+]?\d{1,3}(,\d{3})+\.\d*$/.test(text)) return text.replace(/,/g, '');
  if (/^[-+]?\d{1,3}(\.\d{3})+,\d*$/.test(text)) return text.replace(/\./g, '').replace(',', '.');
  if (text.includes(',') && text.includes('.')) return text;
  return /^[-+]?[1-9]\d{0,2}(,\d{3})+$/.test(text) ? text.replace(/,/g, '') : text.replace(',', '.');
}
