import type { CoatDeviation, DayHelp, DayWork, ToolNeed } from '@cazuela/core';

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

export const HELP_WORDS: Record<DayHelp['help'], string> = {
  onePerson: 'One more person, with the hours of the first',
  lots: 'The longest lot in two halves that go on by themselves',
  waxBefore: 'Checking and waxing the evening before',
  fan: 'A fan on drying pots, if it takes two fifths off the waits',
  thinner: 'Coats a fifth thinner',
  fewer: 'Two pieces fewer of the largest lot',
  tongs: 'A second set of tongs and brushes, so that none are washed between dark and light',
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
};

export const OFF_WORDS = { dropped: 'dropped', cracked: 'coat cracked, washed off', other: 'left out' } as const;

/** What a coat became, and what to do about it now. */
export function deviationWords({ coatMm, verdict }: CoatDeviation, { plannedMm, coat }: { plannedMm: number; coat: (mm: number) => string }): string {
  const became = `About ${coat(coatMm)} instead of ${coat(plannedMm)}, by the plan’s own seconds.`;
  switch (verdict) {
    case 'asPlanned':
      return `${became} As near as hands come.`;
    case 'thinner':
      return `${became} Thinner: dip it once more for the time that is missing, once it is handle-dry.`;
    case 'thicker':
      return `${became} Thicker: let it dry longer before the next coat.`;
    case 'muchThicker':
      return `${became} It may run or crawl: scrape the lowest 8 mm damp, or fire it on a plate.`;
  }
}
