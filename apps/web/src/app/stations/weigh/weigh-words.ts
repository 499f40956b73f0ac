import type { BatchPlan, LineOnScale } from '@cazuela/core';
import type { Units } from '../../data/units';

/** What the scale makes of a line; nothing when it is simply fine. */
export function scaleWords(line: LineOnScale, units: Units): string {
  if (line.kind === 'tooSmall') {
    return `± ${units.plain(100 * line.error)} % on this scale: weigh a batch ${units.plain(line.baseFactor)} times as large, or dilute 1 + 9 in another powder of the recipe.`;
  }
  return line.loads > 1 ? `in ${line.loads} loads` : '';
}

/** What to watch for with one powder at the bench. */
export function powderHint(hazards: readonly string[]): string {
  const serious = hazards.filter((hazard) => hazard !== 'silica dust' && hazard !== 'dust');
  if (serious.length > 0) return `${serious[0]![0]!.toUpperCase()}${serious[0]!.slice(1)}. Its data sheet comes first.`;
  return hazards.includes('silica dust') ? 'Silica dust: scoop low, pour slowly, wipe wet.' : '';
}

/** Sieving after weighing, from the finest mesh a powder asks for. */
export function sieveWords(meshes: readonly (number | undefined)[]): string {
  const finest = Math.max(0, ...meshes.map((mesh) => mesh ?? 0));
  if (finest <= 0) return 'Mix; no powder here asks for a sieve.';
  return finest > 60
    ? `Sieve through 60 mesh, then through ${finest}: some oxides clump and want the fine one. Again if lumps stay.`
    : `Sieve through ${finest} mesh. Again if lumps stay.`;
}

/** Raised further than this, the line is better weighed out again. */
const MOST_RAISED = 20;

/** What raising a batch means, before it is done. */
export function rescueWords({ factor, plan, units }: { factor: number; plan: BatchPlan; units: Units }): {
  can: boolean;
  factor: number;
  words: string;
} {
  if (factor > MOST_RAISED)
    return { can: false, factor, words: `That would make the batch ${units.plain(factor)} times as large: weigh this line out again instead.` };
  const more = plan.totalGrams * (factor - 1);
  return {
    can: true,
    factor,
    words: `Raised to ${units.plain(100 * factor)} %: ${units.mass(more)} of powder more in all, ${units.litres(plan.expectedMl * factor)} in the end. Does the bucket hold that, and is there enough powder?`,
  };
}
