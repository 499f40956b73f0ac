import type { SinceKept } from '@cazuela/core';
import type { Units } from '../../data/units/units';

/** A change since a keeper was glazed, what it may do, and how it looks. */
export interface SinceWords {
  words: string;
  tone: 'stop' | 'look' | 'quiet';
}

type UnitWords = Pick<Units, 'sg' | 'coat' | 'seconds'>;
/** A coat within this of the one that was is as thick. */
const SAME_COAT = 0.05;

/** Returns what has changed, and what that may do, in a sentence. */
export function sinceWords(since: SinceKept, units: UnitWords): SinceWords {
  switch (since.kind) {
    case 'noBucket':
      return {
        tone: 'stop',
        words: `${since.name} is in no bucket${since.recipeVersion === undefined ? '' : ` (it was version ${since.recipeVersion})`}: mix it first.`,
      };
    case 'recipe':
      return { tone: 'stop', words: `${since.name} was version ${since.from}, its bucket holds version ${since.to}: ${flowWords(since.flowRatio)}.` };
    case 'newerRecipe':
      return { tone: 'look', words: `${since.name} has a version ${since.newest} by now; its bucket still holds ${since.used}, the one to use.` };
    case 'sg':
      return {
        tone: isSameCoat(since) ? 'quiet' : 'look',
        words: `${since.name} was at SG ${units.sg(since.from)}, it is at ${units.sg(since.to)} now${coatWords(since, units)}.`,
      };
    case 'shelfCone':
      return {
        tone: 'look',
        words: `Its shelf saw cone ${since.to} last, this piece cone ${since.from}: it may run further or stay duller. Look at the load before it is lit.`,
      };
    case 'shelfGone':
      return { tone: 'look', words: 'The shelf it stood on is not there any more: the heat of another place may differ.' };
    case 'clayLot':
      return { tone: 'look', words: 'The clay is of another bisque lot: it may drink otherwise. Dip one and weigh it first.' };
    case 'powderLot':
      return {
        tone: 'look',
        words: `${since.name} was mixed anew, and ${since.powder} came from lot ${since.lot} since: colour and melt may differ. Fire a tile first.`,
      };
    case 'otherBucket':
      return { tone: 'quiet', words: `${since.name} is in another bucket now.` };
  }
}

function flowWords(ratio: number | undefined): string {
  if (ratio === undefined) return 'it may run, feel and look otherwise. Fire a tile first';
  if (ratio > 0.9 && ratio < 1.1) return 'by its chemistry it runs as far. Colour and surface may still differ: fire a tile first';
  return `by its chemistry it runs about ${ratio.toFixed(1)} times as far, a guess. Fire a tile first`;
}

function coatWords({ coatMm, seconds }: Extract<SinceKept, { kind: 'sg' }>, units: UnitWords): string {
  if (!coatMm) return '';
  if (isSameCoat({ coatMm })) return ', the same coat within what a hand does';
  const same = seconds === undefined ? '' : `; ${units.seconds(seconds)} make it ${units.coat(coatMm.from)} again`;
  return `: the same seconds make ${units.coat(coatMm.to)} in place of ${units.coat(coatMm.from)}${same}`;
}

const isSameCoat = ({ coatMm }: Pick<Extract<SinceKept, { kind: 'sg' }>, 'coatMm'>): boolean =>
  coatMm !== undefined && Math.abs(coatMm.to / coatMm.from - 1) < SAME_COAT;
