import type { RecipeBody, StudioPowder } from '@cazuela/contract';
import {
  MOST_BENTONITE_PERCENT,
  recipeDifference,
  type DryCoat,
  type FireOutlook,
  type LineDifference,
  type Powder,
  type RecipeOutlook,
  type Suspension,
} from '@cazuela/core';
import { fireWords } from '../../parts/fire-words';
import type { Units } from '../../data/units/units';

export const SUSPENSION_WORDS: Record<Suspension, { tone: 'good' | 'look' | 'stop'; what: string; remedy: string }> = {
  hardPans: { tone: 'stop', what: 'Settles hard on the bottom.', remedy: 'Put some of the clay in raw, or up to 2 % bentonite, slaked first.' },
  settles: { tone: 'look', what: 'Settles within the hour.', remedy: 'Stir before every piece, or take more raw clay or a little bentonite.' },
  holds: { tone: 'good', what: 'Stays up.', remedy: '' },
};

export const DRY_COAT_WORDS: Record<DryCoat, { tone: 'good' | 'look'; what: string; remedy: string }> = {
  powdery: { tone: 'look', what: 'Dries powdery.', remedy: 'Handle little; a little gum, or some raw clay for calcined.' },
  sound: { tone: 'good', what: 'Dries sound.', remedy: '' },
  shrinks: { tone: 'look', what: 'Shrinks as it dries: cracks and flakes when thick.', remedy: 'Calcine part of the clay; keep the coat thin.' },
};

/** A flow that differs by less than this factor is about the same in the fire. */
const SAME_FLOW = 1.5;

/** How the fire changes between two mixtures: "about as before" only where the flow is. */
function fireChange(before: FireOutlook, after: FireOutlook): string {
  if (!('flow' in before) || !('flow' in after)) return '';
  const times = after.flow / before.flow;
  if (before.kind === after.kind && times < SAME_FLOW && times > 1 / SAME_FLOW) return ' about as before';
  return times > 1 ? ', more fluid than before' : ', stiffer than before';
}

/** Why its bentonite is too much; empty when it is not. */
export const bentoniteWords = ({ bentonitePercent }: RecipeOutlook, units: Units): string =>
  bentonitePercent > MOST_BENTONITE_PERCENT + 0.005
    ? `${units.share(bentonitePercent)} of bentonite: over ${MOST_BENTONITE_PERCENT} % it gels the bucket and shrinks as it dries.`
    : '';

const FIELDS = [
  ['name', 'name'],
  ['coneLow', 'lowest cone'],
  ['coneHigh', 'highest cone'],
  ['surface', 'surface'],
  ['movement', 'in the fire'],
  ['sgLow', 'SG from'],
  ['sgHigh', 'SG to'],
] as const;

/** What changed from one version to the next, in a sentence. */
export function differenceWords(before: RecipeBody, after: RecipeBody, powders: readonly Powder[], units: Units): string {
  const nameOf = (powderId: string): string => powders.find((powder) => powder.id === powderId)?.name ?? 'a powder no longer listed';
  const lineWords = (line: LineDifference): string => {
    switch (line.kind) {
      case 'added':
        return `${nameOf(line.powderId)} ${units.share(line.percent)} new`;
      case 'removed':
        return `${nameOf(line.powderId)} ${units.share(line.percent)} out`;
      case 'changed':
        return `${nameOf(line.powderId)} ${units.share(line.fromPercent)} → ${units.share(line.toPercent)}`;
    }
  };
  const fields = FIELDS.filter(([key]) => before[key] !== after[key]).map(([key, words]) => `${words} ${before[key]} → ${after[key]}`);
  const all = [...recipeDifference({ before: before.lines, after: after.lines }).map(lineWords), ...fields];
  return all.length > 0 ? `${all.join('; ')}.` : 'Nothing in its lines; notes or colour only.';
}

/** What changes in bucket, on the pot and in the fire between two mixtures, each in a sentence. */
export function outlookChangeWords(before: RecipeOutlook, after: RecipeOutlook): string[] {
  const bucket = before.suspension === after.suspension ? 'In the bucket as before: ' : 'In the bucket it changes: ';
  const pot = before.dryCoat === after.dryCoat ? 'On the pot as before: ' : 'On the pot it changes: ';
  const low = (words: string): string => `${words[0]!.toLowerCase()}${words.slice(1)}`;
  return [
    `${bucket}${low(SUSPENSION_WORDS[after.suspension].what)} ${SUSPENSION_WORDS[after.suspension].remedy}`.trim(),
    `${pot}${low(DRY_COAT_WORDS[after.dryCoat].what)} ${DRY_COAT_WORDS[after.dryCoat].remedy}`.trim(),
    ...after.hazards
      .filter(({ hazard }) => !before.hazards.some((one) => one.hazard === hazard))
      .map(({ hazard, powders }) => `New to this recipe: ${hazard} (${powders.join(', ')}). The data sheet comes first.`),
    `In the fire${fireChange(before.fire, after.fire)}: ${low(fireWords(after.fire))}${'flow' in after.fire ? ' A starting guess from its oxides.' : ''}`,
  ];
}

/** There is less of it on the shelf than the studio wants to have; what was never counted is not said to be low. */
export const isLow = ({ stockGrams, lowGrams }: StudioPowder): boolean => stockGrams !== undefined && stockGrams <= (lowGrams ?? 0);
