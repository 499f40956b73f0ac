import type { BucketContents } from '../events/bucket-contents';
import { replayBucket } from '../events/replay-bucket';
import { PotterError } from '../../checks/potter-error';
import type { Powder } from '../../powder/powder';
import type { RecipeLine } from '../../recipe/recipe';
import { planBatch } from '../../weighing/batch-plan';

/** Any size does: what follows from it are shares. */
const BASE_GRAMS = 1000;

/**
 * Returns what a bucket would hold if a recipe were mixed now to an SG: a kilo of base, as by the book. For plans with a glaze that is not mixed
 * yet.
 *
 * @param question - `lines` of the recipe; `powders` of the studio; `sg`, between 1 and the SG of the powder
 * @throws PotterError for a recipe without a base, a powder the studio does not have, or an SG that cannot be
 * @example
 * contentsIfMixed({ lines: [{ id: 'a', powderId: 's', part: 'base', percent: 100 }], powders: [{ id: 's', name: 'Silica', role: 'glassFormer', densityGMl: 2.65, hazards: [] }], sg: 1.45 }).dryGrams
 * // 1000
 */
export function contentsIfMixed({ lines, powders, sg }: { lines: readonly RecipeLine[]; powders: readonly Powder[]; sg: number }): BucketContents {
  const plan = planBatch({ lines, powders, size: { kind: 'base', baseGrams: BASE_GRAMS }, water: { kind: 'toSg', sg } });
  const parts = plan.lines.map(({ powderId, name, part, targetGrams: grams, density }) => ({ powderId, name, part, grams, density }));
  const replay = replayBucket({
    events: [{ id: 'mixed', at: '2000-01-01T00:00:00.000Z', by: '', type: 'filled', from: 'batch', parts, waterGrams: plan.waterGrams }],
  });
  if (replay.kind === 'empty') throw new PotterError('impossible', 'lines', lines.length, 'This recipe has no powder in it yet.');
  return replay.contents;
}
