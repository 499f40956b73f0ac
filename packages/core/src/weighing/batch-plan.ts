import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { dryGrams, waterPerDryGram } from '../slurry/contents';
import { sgOfMix } from '../slurry/mix';
import { labelWaterPerGram, type LabelRule } from '../recipe/label-rule';
import { additionSum, normaliseRecipe } from '../recipe/normalise';
import { recipeDensity, resolveLines } from '../recipe/recipe-mix';
import type { RecipeLine } from '../recipe/recipe';
import { dryGramsForPieces, type PiecesToCoat } from './for-pieces';
import { weighOrder } from './weigh-order';
import type { Powder } from '../powder/powder';
import type { BatchPan } from './scale-limits';
import type { BatchPlanLine } from './batch-plan-line';

export type BatchSize =
  | { kind: 'base'; baseGrams: number }
  | { kind: 'all'; totalGrams: number }
  | { kind: 'volume'; volumeMl: number; sg: number }
  /** Enough for these pieces, and what must stay in the bucket for the tallest to go under. */
  | { kind: 'pieces'; pieces: readonly PiecesToCoat[]; stayMl: number; sg: number };
export type WaterRule =
  | { kind: 'perBaseGram'; millilitres: number }
  | { kind: 'perDryGram'; millilitres: number }
  | { kind: 'label'; rule: LabelRule }
  | { kind: 'toSg'; sg: number };

export interface BatchPlan {
  baseGrams: number;
  totalGrams: number;
  density: number;
  waterGrams: number;
  expectedSg: number;
  expectedMl: number;
  /** In the order in which they are weighed. */
  lines: BatchPlanLine[];
  /** Left out where nobody said: any scale, no pan. */
  pan?: BatchPan | undefined;
}

export interface BatchQuestion {
  lines: readonly RecipeLine[];
  powders: readonly Powder[];
  size: BatchSize;
  water: WaterRule;
  order?: 'clayFirst' | 'recipe';
}

/**
 * Returns the whole batch from a recipe and one size. The base is normalised to 100; every line, additions too, is base grams × percent/100.
 * Filling a volume at an SG uses the density of base and additions together.
 *
 * @param question - `lines` of the recipe; `powders` of the studio; `size`; `water`, the rule for it; `order`, clay first when left out
 * @throws PotterError for a recipe without a base, a powder the studio does not have, or a size that cannot be
 * @example
 * planBatch({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', role: 'glassFormer', densityGMl: 2.65, hazards: [] }], size: { kind: 'base', baseGrams: 500 }, water: { kind: 'perBaseGram', millilitres: 0.9 } }).waterGrams
 * // 450
 */
export function planBatch({ lines, powders, size, water, order = 'clayFirst' }: BatchQuestion): BatchPlan {
  const tidy = normaliseRecipe({ lines });
  const density = recipeDensity({ lines: tidy, powders });
  const overBase = 1 + additionSum({ lines: tidy }) / 100;
  const baseGrams = baseFor({ size, density, overBase });
  if (baseGrams > 1_000_000) {
    throw new PotterError('tooLarge', 'baseGrams', baseGrams, 'More than a tonne of base is no bucket: check the size and its unit.');
  }
  const totalGrams = baseGrams * overBase;
  const waterGrams = waterFor({ water, baseGrams, totalGrams, density });
  const resolved = resolveLines({ lines: tidy, powders })
    .filter(({ line }) => line.percent > 0)
    .map(({ line, powder }) => planLine(line, powder, baseGrams));
  return {
    baseGrams,
    totalGrams,
    density,
    waterGrams,
    expectedSg: sgOfMix({ dryGrams: totalGrams, waterGrams, density }),
    expectedMl: totalGrams / density + waterGrams,
    lines: order === 'clayFirst' ? weighOrder({ lines: resolved, roles: rolesOf(powders) }) : resolved,
  };
}

function baseFor({ size, density, overBase }: { size: BatchSize; density: number; overBase: number }): number {
  switch (size.kind) {
    case 'base':
      return requirePositive('baseGrams', size.baseGrams);
    case 'all':
      return requirePositive('dryGrams', size.totalGrams) / overBase;
    case 'volume':
      return dryGrams({ ...size, density }) / overBase;
    case 'pieces': {
      const stays = size.stayMl > 0 ? dryGrams({ volumeMl: size.stayMl, sg: size.sg, density }) : 0;
      const coats = dryGramsForPieces({ pieces: size.pieces, density });
      if (coats === 0) throw new PotterError('emptyList', 'pieces', 0, 'Choose the pieces to glaze and how many of each.');
      return (coats + stays) / overBase;
    }
  }
}

function planLine(line: RecipeLine, powder: Powder, baseGrams: number): BatchPlanLine {
  return {
    lineId: line.id,
    powderId: powder.id,
    name: powder.name,
    part: line.part,
    density: powder.densityGMl,
    targetGrams: (baseGrams * line.percent) / 100,
    sieveMesh: powder.sieveMesh,
    hazards: powder.hazards,
  };
}

function rolesOf(powders: readonly Powder[]): Map<string, string> {
  return new Map(powders.map((powder) => [powder.id, powder.role]));
}

function waterFor(question: { water: WaterRule; baseGrams: number; totalGrams: number; density: number }): number {
  const { water, baseGrams, totalGrams, density } = question;
  switch (water.kind) {
    case 'perBaseGram':
      return baseGrams * requireNotNegative('waterGrams', water.millilitres);
    case 'perDryGram':
      return totalGrams * requireNotNegative('waterGrams', water.millilitres);
    case 'label':
      // A label is about the powder as it comes; stain goes over it and gets its water by the SG later.
      return baseGrams * labelWaterPerGram(water.rule);
    case 'toSg':
      return totalGrams * waterPerDryGram({ sg: water.sg, density });
  }
}
