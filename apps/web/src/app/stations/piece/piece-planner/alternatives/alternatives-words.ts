import { layersOf, type PiecePlan, type TimedStep, type UnwantedStep, type PlanChange, type PlanRisk, type PlanAlternative } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';
import { percentOf } from '../../../../parts/words/chance-words';

/** How an alternative differs, and why. */
export const CHANGE_WORDS: Record<PlanChange, { title: string; short: string; why: string }> = {
  gum: {
    title: 'Gum in the powdery one',
    short: 'gum',
    why: 'Gum binds the coat beneath, so that the one over it does not pull it off; that bucket dries slower.',
  },
  rimFirst: {
    title: 'The rim first, waxed',
    short: 'rim first',
    why: 'The rim’s glaze goes on bare clay and is waxed: the two meet at an edge and never lie on one another.',
  },
  stripFirst: {
    title: 'The strip first, waxed',
    short: 'strip first',
    why: 'The strip’s glaze goes on bare clay and is waxed: the outside ends at its edges and they never lie on one another.',
  },
  thinner: { title: 'A thinner upper coat', short: 'thinner', why: 'Half a millimetre pulls less as it dries.' },
  brush: { title: 'Brushed instead', short: 'the brush', why: 'A brush needs no thirsty wall; it takes many coats and hands.' },
  pour: { title: 'Poured instead', short: 'pouring', why: 'Poured, since the other step is not wanted; a pour is less even than a dip.' },
  dip: { title: 'Dipped instead', short: 'dipping', why: 'Dipped, since the other step is not wanted.' },
  wax: {
    title: 'Waxed instead',
    short: 'wax',
    why: 'Wax keeps it bare, since the other step is not wanted; what is waxed stays waxed until the fire.',
  },
  tape: {
    title: 'Taped instead',
    short: 'tape',
    why: 'Tape keeps it bare, since the other step is not wanted; it must come off before the glaze is bone dry.',
  },
  sponge: {
    title: 'Sponged off after',
    short: 'sponging off',
    why: 'The glaze is sponged off again, since the other step is not wanted; the edge is softer.',
  },
  overlap: { title: 'Over one another', short: 'the overlap', why: 'Nothing is waxed over between them, so the two lie on one another.' },
  oneDip: { title: 'Inside and out in one dip', short: 'one dip', why: 'The same glaze on both faces is one dip, and both are even.' },
  insideFirst: { title: 'Inside first, then the outside', short: 'inside first', why: 'Two dips, so that each face gets its own seconds.' },
  higherWax: { title: 'Waxed higher', short: 'higher wax', why: 'It starts high enough that nineteen of twenty stay off the shelf.' },
};

export const titleOf = (changes: readonly PlanChange[]): string =>
  changes.length === 0
    ? 'As drawn'
    : changes.map((change, at) => (at === 0 ? CHANGE_WORDS[change].title : lower(CHANGE_WORDS[change].title))).join(', ');

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** Labor as in the steps: for all the pieces, buckets fetched and tools washed. */
export function costWords({ laborMinutes, waitMinutes, nights, skill }: PlanAlternative, count: number, units: Units): string {
  const wait =
    nights > 0
      ? nights === 1
        ? 'and a night of drying'
        : `and ${nights} nights of drying`
      : waitMinutes >= 1
        ? `and ${units.minutes(waitMinutes)} of waiting`
        : 'and no waiting: the first is dry when the last is done';
  const skillWords = { 1: '', 2: ' A steady brush.', 3: ' A steady hand at the edge.' }[skill];
  return `${units.minutes(laborMinutes)} of hands${count > 1 ? ` for all ${count}` : ''} ${wait}.${skillWords}`;
}

const RISK_WORDS: Record<Exclude<PlanRisk['what'], 'runs'>, string> = {
  flakes: 'the upper coat pulls the lower one off',
  cracks: 'a coat cracks as it dries, and crawls',
  noSuchCoat: 'a dip cannot give the coat that is planned',
};

/** What may go wrong with an alternative, and which risks of the drawn plan it takes away. */
export function riskWords(alternative: PlanAlternative, drawn: PlanAlternative | undefined): { risk: string; why: string } {
  const told = [
    ...new Set(alternative.risks.map((risk) => (risk.what === 'runs' ? `${percentOf(risk.chance)} reach the shelf` : RISK_WORDS[risk.what]))),
  ];
  const of = (share: number): string => `about ${Math.round(10 * share)} of ten come out as drawn`;
  const risk = told.length === 0 ? 'Nothing speaks against it.' : `${capital(told.join('; '))}: ${of(alternative.goodShare)}.`;
  const why = alternative.changes.map((change) => CHANGE_WORDS[change].why).join(' ');
  if (alternative.changes.length > 0) return { risk, why };
  return {
    risk,
    why:
      drawn && drawn.risks.length > 0 ? 'Your stack in its cheapest order.' : 'Your stack, in the order with the fewest buckets to fetch and wash.',
  };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Only what an alternative does otherwise than the drawn plan: steps, minutes, nights and the chance to reach the shelf. */
export function differenceWords(
  alternative: PlanAlternative,
  drawn: PlanAlternative | undefined,
  wordsOf: (step: TimedStep) => string,
): string | undefined {
  if (!drawn || alternative === drawn) return undefined;
  const told = (of: PlanAlternative): string[] => of.steps.map(wordsOf);
  const [now, before] = [told(alternative), told(drawn)];
  const added = now.filter((words) => !before.includes(words)).map((words) => `+ ${lower(words)}`);
  const gone = before.filter((words) => !now.includes(words)).map((words) => `− ${lower(words)}`);
  const gum = (alternative.plan.gumIn?.length ?? 0) > (drawn.plan.gumIn?.length ?? 0) ? ['+ gum'] : [];
  const minutes = Math.round(alternative.laborMinutes - drawn.laborMinutes);
  const nights = alternative.nights - drawn.nights;
  const signed = (value: number, unit: string): string[] => (value === 0 ? [] : [`${value > 0 ? '+' : '−'} ${Math.abs(value)} ${unit}`]);
  const spoilt = (of: PlanAlternative): number => Math.round(100 * (1 - of.goodShare));
  const risk = spoilt(alternative) === spoilt(drawn) ? [] : [`risk ${spoilt(drawn)} → ${spoilt(alternative)} %`];
  return [
    ...gum,
    ...added,
    ...gone,
    ...signed(minutes, 'min of hands'),
    ...signed(nights, Math.abs(nights) === 1 ? 'night' : 'nights'),
    ...risk,
  ].join(', ');
}

const HANDLING_WORDS: Readonly<Record<string, string>> = {
  wax: 'wax',
  soak: 'the soaked foot',
  tape: 'tape',
  waxOver: 'wax over a glaze',
  scrape: 'scraping back',
  spongeOff: 'sponging off',
};

/** A step that was left out, in a few words: "dip of Tinaja", "wax". */
export function unwantedWords({ key, by }: UnwantedStep, plan: PiecePlan, names: ReadonlyMap<string, string>): string {
  const layer = key.startsWith('layer:') ? layersOf(plan).find((one) => key.includes(one.id)) : undefined;
  if (layer) return `${by} of ${names.get(layer.bucketId) ?? layer.bucketId}`;
  return `${HANDLING_WORDS[by] ?? by}${key === 'wax' ? ' on the foot' : ''}`;
}
