import { predictFromFit, type FeelAndSg, type FeelKind, type FeelVerdict, type NailLook } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';

export const FEEL_NAMES: Readonly<Record<FeelKind, string>> = {
  swirl: 'swirl',
  flow: 'flow cup',
  drips: 'finger drips',
  nail: 'thumbnail',
};
export const NAIL_WORDS: Readonly<Record<NailLook, string>> = {
  clear: 'edge clear',
  softened: 'edge softened',
  hidden: 'edge hidden',
};

export const FEEL_VERDICT_WORDS: Readonly<Record<FeelVerdict, { tone: string; words: string }>> = {
  inRange: { tone: 'good', words: 'Feels right' },
  tooThick: { tone: 'stop', words: 'Feels too thick' },
  tooThin: { tone: 'stop', words: 'Feels too thin' },
  mixed: { tone: 'look', words: 'The readings contradict each other, stir and take them again' },
  unknown: { tone: 'quiet', words: '' },
};

/** A reading by feel in words. */
export function feelValueWords(kind: FeelKind, value: number): string {
  switch (kind) {
    case 'swirl':
    case 'flow':
      return `${value.toFixed(1)} s`;
    case 'drips':
      return `${Math.round(value)} drips`;
    case 'nail':
      return ['edge clear', 'edge softened', 'edge hidden'][Math.max(0, Math.min(2, Math.round(value)))]!;
  }
}

/** What one kind of reading and SG tell of each other, with what that rests on; or how many pairs are missing. */
export function relationWords(both: FeelAndSg, now: { value: number | undefined; sg: number | undefined }, units: Units): string {
  const { kind, sgFromFeel, feelFromSg, pairs } = both;
  if (sgFromFeel.kind === 'tooFew' || feelFromSg.kind === 'tooFew') {
    if (pairs.length === 0) return '';
    return `${pairs.length} ${pairs.length === 1 ? 'pair' : 'pairs'} of ${FEEL_NAMES[kind]} and SG so far: from four different ones on, each tells the other.`;
  }
  const basis = `from ${pairs.length} pairs in this bucket`;
  if (now.value !== undefined) {
    const { y, low, high, outside } = predictFromFit({ fit: sgFromFeel, x: now.value });
    const said = `A ${FEEL_NAMES[kind]} of ${feelValueWords(kind, now.value)} stands for SG ${units.sg(y)} (${units.sg(low)}–${units.sg(high)}), ${basis}.`;
    return outside ? `${said} No pair was like that: a guess.` : said;
  }
  if (now.sg === undefined) return '';
  const { y, low, high } = predictFromFit({ fit: feelFromSg, x: now.sg });
  return `At SG ${units.sg(now.sg)} expect a ${FEEL_NAMES[kind]} of ${feelValueWords(kind, y)} (${units.plain(Math.max(0, low))}–${units.plain(high)}), ${basis}.`;
}
