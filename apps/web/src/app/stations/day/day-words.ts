import type { DayHelp, DayWork, ToolNeed } from '@cazuela/core';

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
