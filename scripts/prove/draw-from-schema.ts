import type * as z from 'zod';
import type { Random } from './random';

/** Parts of a Zod 4 schema that are needed to draw a value. */
interface Def {
  type: string;
  format?: string;
  checks?: { _zod: { def: Check } }[];
  element?: z.ZodType;
  shape?: Record<string, z.ZodType>;
  options?: z.ZodType[];
  values?: unknown[];
  entries?: Record<string, unknown>;
  innerType?: z.ZodType;
  in?: z.ZodType;
  keyType?: z.ZodType;
  valueType?: z.ZodType;
}
interface Check {
  check: string;
  format?: string;
  value?: number;
  inclusive?: boolean;
  minimum?: number;
  maximum?: number;
  length?: number;
}

const WORDS = [
  '6',
  '05',
  '6',
  'Marisma',
  'Leche de Higo',
  'a',
  'ñandú 🏺',
  'x'.repeat(79),
  '½ cup',
  '=1+1',
  '\u202eabc',
  'dos\nlíneas',
  'Inés',
] as const;
/** A longer list shows nothing that a shorter one does not. */
const LONGEST = 4;
const SMALLEST = [Number.MIN_VALUE, 1e-300, 1e-9] as const;

/** Draws a value that mostly fits a schema; refinements it does not know of may still refuse it. `id` returns ids of existing records. */
export function drawFrom(schema: z.ZodType, random: Random, id: () => string): unknown {
  const draw = (inner: z.ZodType): unknown => drawFrom(inner, random, id);
  const def = (schema as unknown as { _zod: { def: Def } })._zod.def;
  const checks = (def.checks ?? []).map((check) => check._zod.def);
  switch (def.type) {
    case 'string':
      return drawText(def, checks, random, id);
    case 'number':
      return drawNumber(def, checks, random);
    case 'boolean':
      return random.chance(0.5);
    case 'null':
      return null;
    case 'literal':
      return random.pick(def.values!);
    case 'enum':
      return random.pick(Object.values(def.entries!));
    case 'array': {
      const [low, high] = lengths(checks, 0, LONGEST);
      return Array.from({ length: random.int(low, Math.max(low, Math.min(high, LONGEST))) }, () => draw(def.element!));
    }
    case 'object': {
      const entries = Object.entries(def.shape!).map(([key, inner]) => [key, draw(inner)] as const);
      return Object.fromEntries(entries.filter(([, value]) => value !== undefined));
    }
    case 'union':
      return draw(random.pick(def.options!));
    case 'optional':
      return random.chance(0.5) ? undefined : draw(def.innerType!);
    case 'nullable':
      return random.chance(0.3) ? null : draw(def.innerType!);
    case 'record':
      return Object.fromEntries(Array.from({ length: random.int(0, 2) }, () => [String(draw(def.keyType!)), draw(def.valueType!)]));
    case 'pipe':
      return draw(def.in!);
    case 'default':
    case 'readonly':
    case 'catch':
      return draw(def.innerType!);
    default:
      return random.pick([null, 'anything', 7, {}]);
  }
}

function drawText(def: Def, checks: readonly Check[], random: Random, id: () => string): string {
  const format = def.format ?? checks.find((check) => check.check === 'string_format' && check.format !== 'lowercase')?.format;
  if (format === 'uuid') return id();
  if (format === 'datetime')
    return new Date(Date.UTC(2026, random.int(0, 11), random.int(1, 28), random.int(0, 23), random.int(0, 59))).toISOString();
  if (format === 'date') return `20${random.int(10, 98)}-0${random.int(1, 9)}-1${random.int(0, 9)}`;
  if (format === 'regex') return random.pick(['#7FA08C', 'M0,0 L10,10 C1,2 3,4 5,6Z']);
  const [low, high] = lengths(checks, 0, 200);
  const text = random.pick(WORDS);
  return text.length < low ? 'x'.repeat(low) : text.slice(0, high);
}

function drawNumber(def: Def, checks: readonly Check[], random: Random): number {
  let [low, high] = [-1e6, 1e6];
  for (const { check, value = 0 } of checks) {
    if (check === 'greater_than') low = Math.max(low, value);
    if (check === 'less_than') high = Math.min(high, value);
  }
  const whole = [def.format, ...checks.map((check) => check.format)].some((format) => format === 'safeint' || format === 'int32');
  if (whole)
    return random.chance(0.7)
      ? random.int(Math.ceil(low), Math.min(Math.floor(high), Math.ceil(low) + 5))
      : random.int(Math.ceil(low), Math.floor(high));
  // The limits, the smallest numbers there are, and values between.
  if (random.chance(0.08)) return low;
  if (random.chance(0.08)) return high;
  if (low <= 0 && random.chance(0.06)) return random.pick(SMALLEST);
  return random.between(Math.max(low, -1e4), Math.min(high, Math.max(low, 0) + (random.chance(0.8) ? 100 : 1e6)));
}

function lengths(checks: readonly Check[], low: number, high: number): [number, number] {
  for (const { check, minimum, maximum, length } of checks) {
    if (check === 'min_length') low = Math.max(low, minimum ?? 0);
    if (check === 'max_length') high = Math.min(high, maximum ?? high);
    if (check === 'length_equals') [low, high] = [length ?? low, length ?? high];
  }
  return [low, high];
}

/** Values that nobody should send: of another kind, a number beyond all limits, half a character, a strange key. */
const STRANGE: readonly unknown[] = [
  null, -1, 0, 1e308, -1e308, 1e-300, Number.MIN_VALUE, 2 ** 53, 0.1, true, '', ' ', 'x'.repeat(3_000), 'half \ud83c', '\udc00', 'zero \0 in it', '\u202e',
  [], [[]], {}, { a: 1 }, '0001-01-01T00:00:00.000Z', '9999-12-31T23:59:59.999Z', '2026-02-30', "'; DROP TABLE studios; --", '__proto__', 'constructor',
]; // prettier-ignore

/** Returns the same value with one place changed into something strange, removed, or with a key added. */
export function mutate(value: unknown, random: Random): unknown {
  if (typeof value !== 'object' || value === null || random.chance(0.03)) return random.pick(STRANGE);
  const copy = structuredClone(value) as Record<string, unknown>;
  let at: Record<string, unknown> = copy;
  for (;;) {
    const keys = Object.keys(at);
    if (keys.length === 0) return copy;
    const key = random.pick(keys);
    const inner = at[key];
    if (typeof inner === 'object' && inner !== null && Object.keys(inner).length > 0 && random.chance(0.75)) {
      at = inner as Record<string, unknown>;
      continue;
    }
    if (random.chance(0.1)) delete at[key];
    else if (random.chance(0.1)) at[String(random.pick(['sudo', '__proto__', 'toString']))] = random.pick(STRANGE);
    else if (typeof inner === 'string' && random.chance(0.3)) at[key] = random.chance(0.5) ? inner.toUpperCase() : `${inner}\ud83c`;
    else at[key] = random.pick(STRANGE);
    return copy;
  }
}
