import { suspensionOf, type Suspension } from '../../powder/behaviour';
import type { BucketPart } from './bucket-events';
import type { Powder, WeighedPowder } from '../../powder/powder';

/**
 * Returns what is in a bucket as powders of the studio's table. What the table no longer has is left out.
 *
 * @param question - `parts` of the bucket; `powders` of the studio
 * @example
 * weighedParts({ parts: [], powders: [] }) // []
 */
export function weighedParts({ parts, powders }: { parts: readonly BucketPart[]; powders: readonly Powder[] }): WeighedPowder[] {
  const byId = new Map(powders.map((powder) => [powder.id, powder]));
  return parts.flatMap((part) => {
    const powder = byId.get(part.powderId);
    return powder && part.grams > 0 ? [{ grams: part.grams, powder }] : [];
  });
}

export interface SuspensionRisk {
  suspension: Suspension;
  /** The reason. */
  causes: ('littleClay' | 'heavy' | 'ash' | 'alkali')[];
  rawClayShare: number;
}

const ALKALI = /gives off alkali/i;
const CAUSTIC = /caustic/i;

/**
 * Returns how the powder of a bucket stays up, and why; undefined when none of it is known.
 *
 * @param question - `parts`, weighed powders
 * @example
 * suspensionRisk({ parts: [] }) // undefined
 */
export function suspensionRisk({ parts }: { parts: readonly WeighedPowder[] }): SuspensionRisk | undefined {
  const grams = parts.reduce((sum, part) => sum + part.grams, 0);
  if (!(grams > 0)) return undefined;
  const rawClayShare = (100 * parts.reduce((sum, part) => sum + part.grams * part.powder.rawClay, 0)) / grams;
  const contains = (pattern: RegExp): boolean => parts.some(({ powder }) => powder.hazards.some((hazard) => pattern.test(hazard)));
  const suspension = suspensionOf({ parts });
  return {
    suspension,
    rawClayShare,
    causes: [
      ...(rawClayShare < 10 ? (['littleClay'] as const) : []),
      ...(suspension === 'hardPans' && rawClayShare >= 5 ? (['heavy'] as const) : []),
      ...(contains(CAUSTIC) ? (['ash'] as const) : []),
      ...(contains(ALKALI) ? (['alkali'] as const) : []),
    ],
  };
}

/**
 * Returns the names of powders that go into solution: clear water that is poured off would carry them away.
 *
 * @param parts - weighed powders
 * @example
 * solubleNames([]) // []
 */
export const solubleNames = (parts: readonly WeighedPowder[]): string[] =>
  parts.filter(({ powder }) => powder.hazards.some((hazard) => /soluble/i.test(hazard))).map(({ powder }) => powder.name);
