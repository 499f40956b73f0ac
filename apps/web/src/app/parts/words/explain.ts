import { CRAFT_WORDS } from './craft-words';

/** Names that newcomers stumble over: each explains itself at a tap, once in a text. Longer names are found before shorter ones inside them. */
const EXPLAINED: readonly string[] = [
  'shrink share',
  'over the base',
  'runner tile',
  'step tile',
  'flow figure',
  'witness cone',
  'cone seen',
  'thirst test',
  'starting guess',
  'loss on ignition',
  'hard pan',
  'safe line',
  'deflocculated',
  'flocculated',
  'absorption',
  'bentonite',
  'bisque',
  'packing',
  'swirl',
  'unity',
  'window',
  'film',
  'cone',
  'SG',
];

const MEANINGS = new Map(CRAFT_WORDS.flatMap(([words, meaning]) => words.split(', ').map((word) => [word.toLowerCase(), meaning] as const)));
const MENTION = new RegExp(`(?<![\\p{L}\\p{N}])(${EXPLAINED.join('|')})s?(?![\\p{L}\\p{N}])`, 'giu');

export interface TextPart {
  text: string;
  /** What the word means; left out for what lies between. */
  meaning?: string;
}

/** Returns the meaning of a word, or undefined. */
export const meaningOf = (word: string): string | undefined => MEANINGS.get(word.toLowerCase());

/** Returns a text cut into words of the craft, the first mention of each, and what lies between them. */
export function explained(text: string): TextPart[] {
  const parts: TextPart[] = [];
  const told = new Set<string>();
  let from = 0;
  for (const match of text.matchAll(MENTION)) {
    const word = match[1]!.toLowerCase();
    const meaning = meaningOf(word);
    if (meaning === undefined || told.has(word)) continue;
    told.add(word);
    if (match.index > from) parts.push({ text: text.slice(from, match.index) });
    parts.push({ text: match[0], meaning });
    from = match.index + match[0].length;
  }
  if (from < text.length) parts.push({ text: text.slice(from) });
  return parts;
}
