import type { BatchCost, BatchPlan, ClosingCheck, LineOnScale, RecipeOutlook, Shortage, StockDilution } from '@cazuela/core';
import type { Units } from '../../data/units/units';
import { fireWords } from '../../parts/fire-words';
import { sumWords } from '../../parts/powder-prices';

/** What the scale makes of a line; undefined when it is fine. */
export function scaleWords(line: LineOnScale, units: Units): string {
  if (line.kind === 'tooSmall') {
    return `± ${units.plain(100 * line.error)} % on this scale: weigh a batch ${units.plain(line.baseFactor)} times as large, or dilute 1 + 9 in another powder of the recipe.`;
  }
  return line.loads > 1 ? `in ${line.loads} loads` : '';
}

/** A scale that nobody held against a known weight says so. */
export const scaleTrust = ({ checks }: { checks: readonly unknown[] }): string => (checks.length === 0 ? ', never checked with a known weight' : '');

/** The stock dilution of a line in words: what to mix, what to take of it, what to take less of. */
export function dilutionWords(name: string, dilution: StockDilution, units: Units): string {
  const { carrierName, powderGrams, carrierGrams, mixtureGrams, carrierLessGrams } = dilution;
  return `in a jar, ${units.mass(powderGrams)} ${name} well shaken with ${units.mass(carrierGrams)} ${carrierName}: weigh ${units.mass(mixtureGrams)} of that, and ${units.mass(carrierLessGrams)} less ${carrierName}.`;
}

export function shortageWords(short: readonly Shortage[], units: Units): string {
  return `${short.map(({ name, needGrams, haveGrams }) => `${name}: ${units.sack(needGrams)} wanted, ${units.sack(haveGrams)} there`).join('; ')}.`;
}

/** What the powder of a batch costs; a piece costs the glaze on it, not what must stay in the bucket. */
export function costWords(batch: BatchCost, expectedMl: number, units: Units, pieces = { count: 0, shareOnThem: 0 }): string {
  return sumWords(batch, (cost) => {
    const each = pieces.count > 0 ? `, ${units.money((cost * pieces.shareOnThem) / pieces.count)} a piece` : '';
    return `${units.money(cost)} for the powder, ${units.money((cost / expectedMl) * 1000)} a litre${each}`;
  });
}

/** What to watch for with one powder at the bench: all that its data sheet warns of, and silica dust where it makes any. */
export function powderHint(hazards: readonly string[]): string {
  const serious = seriousHazards(hazards).join('; ');
  return [
    serious && `${serious[0]!.toUpperCase()}${serious.slice(1)}. Its data sheet comes first.`,
    hazards.includes('silica dust') && 'Silica dust: scoop low, pour slowly, wipe wet.',
  ]
    .filter(Boolean)
    .join(' ');
}

/** What sets a powder apart: every powder makes dust. */
export const seriousHazards = (hazards: readonly string[]): string[] => hazards.filter((hazard) => hazard !== 'silica dust' && hazard !== 'dust');

/** Sieving after weighing, from the finest mesh a powder asks for. */
export function sieveWords(meshes: readonly (number | undefined)[]): string {
  const finest = Math.max(0, ...meshes.map((mesh) => mesh ?? 0));
  if (finest <= 0) return 'Mix; no powder here asks for a sieve.';
  return finest > 60
    ? `Sieve through 60 mesh, then through ${finest}: some oxides clump and want the fine one. Again if lumps stay.`
    : `Sieve through ${finest} mesh. Again if lumps stay.`;
}

/** What the closing weight says, and where to look. */
export function closingWords(check: ClosingCheck, units: Units): { tone: 'good' | 'look'; words: string } {
  const size = units.mass(Math.abs(check.differenceGrams));
  switch (check.kind) {
    case 'agrees':
      return { tone: 'good', words: 'It agrees with the sum of the lines.' };
    case 'skippedIsIn':
      return { tone: 'look', words: `${size} too much: the weight of ${check.lines.join(' or ')}, noted as skipped. If it is in, weigh it now.` };
    case 'missed':
      return { tone: 'look', words: `${size} too little: the weight of ${check.lines.join(' or ')}. Did it go in?` };
    case 'doubled':
      return { tone: 'look', words: `${size} too much: the weight of ${check.lines.join(' or ')}. Did it go in twice?` };
    case 'lost':
      return { tone: 'good', words: `${size} less than went in: scoops and dust keep that much.` };
    case 'unexplained':
      return {
        tone: 'look',
        words: `${size} too ${check.differenceGrams < 0 ? 'little' : 'much'}, and no single line weighs that. Check the scale against a known weight; dip a test before trusting it.`,
      };
  }
}

const SUSPENSION = { hardPans: 'settles hard', settles: 'settles within the hour', holds: 'stays up' } as const;
const DRIES = { powdery: 'dries powdery', sound: 'dries sound', shrinks: 'shrinks as it dries' } as const;

const inSentence = (sentence: string): string => `${sentence[0]!.toLowerCase()}${sentence.slice(1).replace(/\.$/, '')}`;

/** What another powder in a line's place changes in bucket, on the pot and in the fire. */
export function anotherPowderWords(powder: { hazards: readonly string[] }, before: RecipeOutlook, after: RecipeOutlook): string {
  const said: string[] = [];
  if (before.suspension !== after.suspension)
    said.push(`in the bucket it ${SUSPENSION[after.suspension]} instead of ${SUSPENSION[before.suspension]}`);
  if (before.dryCoat !== after.dryCoat) said.push(`it ${DRIES[after.dryCoat]}`);
  if (after.fire.kind !== 'moves') said.push(`in the fire: ${inSentence(fireWords(after.fire))}`);
  else if (before.fire.kind === 'moves' && before.fire.likely !== after.fire.likely)
    said.push(`in the fire it likely ${after.fire.likely} instead of ${before.fire.likely}`);
  else said.push('in the fire it likely moves about the same, and its colour may still change');
  const hazard = powderHint(powder.hazards);
  const sentence = said.join('; ');
  return `${sentence[0]!.toUpperCase()}${sentence.slice(1)}.${hazard ? ` ${hazard}` : ''}`;
}

/** With a larger factor, the line is better weighed again. */
const MOST_RAISED = 20;

/** What raising a batch means, before it is done. */
export function rescueWords({
  factor,
  plan,
  short = [],
  units,
}: {
  factor: number;
  plan: BatchPlan;
  /** Powders the shelf has too little of for that. */
  short?: readonly Shortage[];
  units: Units;
}): {
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
    words: `Raised to ${units.plain(100 * factor)} %: ${units.mass(more)} of powder more in all, ${units.litres(plan.expectedMl * factor)} in the end. Does the bucket hold that?${short.length > 0 ? ` The shelf does not: ${shortageWords(short, units)}` : ''}`,
  };
}
