import { percentOf } from '../../parts/words/chance-words';
import { PLACES_MORE, SAFE_CHANCE } from '@cazuela/core';
import type { BenchSight, CoatDeviation, CoatRisk, DayHelp, DayWork, ToolNeed } from '@cazuela/core';

/** Kinds of work as people say what they do not do. */
export const WORK_WORDS: Record<DayWork, string> = {
  check: 'check and wipe',
  wax: 'wax feet',
  soak: 'soak feet',
  tape: 'tape',
  waxOver: 'wax over glaze',
  untape: 'take tape off',
  scrape: 'scrape back',
  spongeOff: 'sponge off',
  wipeFoot: 'wipe feet',
  fire: 'fire',
  fireLustre: 'fire lustre',
  dip: 'dip',
  halfDips: 'dip in halves',
  pour: 'pour',
  brush: 'brush',
  spray: 'spray',
  sponge: 'dab',
  trail: 'trail',
  rub: 'rub',
};
/** What people are asked about: the rest goes with these. */
export const ASKED_WORK: readonly DayWork[] = ['check', 'wax', 'tape', 'dip', 'pour', 'brush', 'spray', 'scrape', 'wipeFoot'];

/** What may be seen at a coat, beside how it was put on. */
export const SIGHT_WORDS: Record<BenchSight, string> = {
  hairlines: 'Hairlines in the coat below were left open',
  powderyBelow: 'The coat below was powdery and bone dry',
  waxStrayed: 'Wax strayed',
  blended: 'The bucket was beaten with a blender within the hour',
  oneMoreCoat: 'One coat more than planned',
};

export const HELP_WORDS: Record<DayHelp['help'], string> = {
  onePerson: 'One more person, with the hours of the first',
  lots: 'The longest lot in two halves that go on by themselves',
  waxBefore: 'Checking and waxing the evening before',
  fan: 'A fan on drying pots, if it takes two fifths off the waits',
  thinner: 'Coats a fifth thinner',
  fewer: 'Two pieces fewer of the largest lot',
  tongs: 'A second set of tongs and brushes, so that none are washed between dark and light',
  places: `A board more, for ${PLACES_MORE} wet pieces`,
};

export const TOOL_WORDS: Record<ToolNeed['tool'], string> = {
  wax: 'Wax and its brush',
  tape: 'Tape, cut to length',
  sponge: 'A clean sponge and a bowl of water',
  brush: 'Glaze brushes',
  spray: 'Spray gun, booth that draws, respirators',
  tongs: 'Tongs, or a free hand, washed',
  jug: 'A jug and a basin for pouring',
  trailer: 'A trailer, its tip open',
  plate: 'Plates or biscuits under runners, washed',
  stilts: 'Stilts',
  post: 'Posts to stand on, rim down',
};

export const STIR_WORDS = { piece: 'before every piece', while: 'every ten minutes or so', nowAndThen: 'now and then' } as const;

export const OFF_WORDS = { dropped: 'dropped', cracked: 'coat cracked, washed off', other: 'left out' } as const;

/** What a coat became, what it stands on, and what to do about it now. */
export function deviationWords(
  { coatMm, verdict, from }: CoatDeviation,
  { plannedMm, coat, risk }: { plannedMm: number; coat: (mm: number) => string; risk?: CoatRisk | undefined },
): string {
  const became = `About ${coat(coatMm)} instead of ${coat(plannedMm)}, ${GROUND_WORDS[from]}.`;
  return [became, DEVIATION_WORDS[verdict], ...(risk && verdict !== 'asPlanned' ? [riskWords(risk)] : [])].join(' ');
}

const GROUND_WORDS: Record<CoatDeviation['from'], string> = {
  told: 'by your own look',
  weight: 'by its weight',
  secondsAndSg: 'by the plan’s own seconds',
};

const DEVIATION_WORDS: Record<CoatDeviation['verdict'], string> = {
  asPlanned: 'As near as hands come.',
  thinner: 'Thinner: once more for the time that is missing, once it is handle-dry.',
  thicker: 'Thicker: let it dry longer before the next coat.',
  muchThicker: 'Much thicker: it may crawl; let it dry longer before the next coat.',
};

const FLOW_WORDS: Record<CoatRisk['basis'], string> = {
  startingGuess: 'a starting guess',
  pottersWord: 'from your own word',
  runnerTile: 'from a runner tile',
};

/** How it stands with the shelf, and what would keep it off. */
function riskWords({ plannedChance, reachChance, scrapeMm, basis, feet, pieces }: CoatRisk): string {
  const seen = `${pieces > 0 ? ` and ${pieces} measured ${pieces === 1 ? 'piece' : 'pieces'}` : ''}${feet > 0 ? ` and ${feet} fired ${feet === 1 ? 'foot' : 'feet'}` : ''}`;
  const chance = `The chance that it runs to where it stands is ${percentOf(reachChance)}, planned ${percentOf(plannedChance)} (a quick look; its flow is ${FLOW_WORDS[basis]}${seen}).`;
  if (scrapeMm === 0 || (reachChance < SAFE_CHANCE && scrapeMm === undefined)) return chance;
  const out =
    scrapeMm === undefined ? 'Fire it on a plate: no scraping keeps it off.' : `Scrape the lowest ${scrapeMm} mm damp, or fire it on a plate.`;
  return `${chance} ${out}`;
}
