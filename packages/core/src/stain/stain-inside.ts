import type { LinePart } from '../recipe/recipe';
import { baseToDilute } from './percent';

/** What a bucket holds of one powder. */
interface Part {
  powderId: string;
  part: LinePart;
  grams: number;
}

export interface StainInside {
  baseDryGrams: number;
  stainGrams: number;
  /** Neither base nor stain: opacifier, suspender and other additions. */
  otherGrams: number;
  /** Stain in percent of the dry base; 0 where there is no base. */
  percent: number;
}

const isStain = ({ part, powderId }: Part, stainId: string | undefined): boolean => part === 'stain' || (part === 'addition' && powderId === stainId);

/**
 * Returns how much stain a bucket holds: what was marked as stain, in its recipe or when it went in, and the stain asked about, however it went
 * in.
 *
 * @param question - `parts` of the bucket; `stainId`, the powder that is asked about
 * @example
 * stainInside({ parts: [{ powderId: 'c', part: 'base', grams: 1000 }, { powderId: 's', part: 'addition', grams: 60 }], stainId: 's' }).percent
 * // 6
 */
export function stainInside({ parts, stainId }: { parts: readonly Part[]; stainId?: string | undefined }): StainInside {
  const found: StainInside = { baseDryGrams: 0, stainGrams: 0, otherGrams: 0, percent: 0 };
  for (const part of parts) {
    if (part.part === 'base') found.baseDryGrams += part.grams;
    else if (isStain(part, stainId)) found.stainGrams += part.grams;
    else found.otherGrams += part.grams;
  }
  if (found.baseDryGrams > 0) found.percent = (100 * found.stainGrams) / found.baseDryGrams;
  return found;
}

/**
 * Returns what rescues an over-stained bucket, powder by powder: base, and the other additions in proportion to it, so that the glaze stays as
 * opaque as it was.
 *
 * @param question - `parts` of the bucket; `stainId`, the powder that is asked about; `targetPercent`, above 0
 * @throws PotterError for a bucket that is not over-stained
 * @example
 * rescueParts({ parts: [{ powderId: 'c', part: 'base', grams: 1000 }, { powderId: 's', part: 'stain', grams: 80 }], targetPercent: 4 })
 * // [{ powderId: 'c', part: 'base', grams: 1000 }]
 */
export function rescueParts<P extends Part>({
  parts,
  stainId,
  targetPercent,
}: {
  parts: readonly P[];
  stainId?: string | undefined;
  targetPercent: number;
}): P[] {
  const { baseDryGrams, stainGrams } = stainInside({ parts, stainId });
  const share = baseToDilute({ baseDryGrams, stainGrams, targetPercent }) / baseDryGrams;
  return parts.filter((part) => part.grams > 0 && !isStain(part, stainId)).map((part) => ({ ...part, grams: part.grams * share }));
}
