import type { FirstStep } from '@cazuela/core';
import type { FirstHourLinks } from '../../data/state/first-hour-store';

export interface FirstStepWords {
  what: string;
  why: string;
  action: string;
  path: string[];
  query: Record<string, string>;
}

const plain = (what: string, why: string, action: string, ...path: string[]): FirstStepWords => ({ what, why, action, path, query: {} });

/** Each first step: what it is, what it is good for, and the page where it is done. */
export function firstStepWords(step: FirstStep, { recipeId, bucketId }: FirstHourLinks): FirstStepWords {
  switch (step) {
    case 'body':
      return plain('Your clay body', 'Its bisque cone decides how fast glaze goes on.', 'Add a clay', '/studio');
    case 'vessel':
      return plain('A scale and a vessel', 'A cylinder or cup, weighed empty: with it the SG of a bucket is read.', 'Add a vessel', '/studio');
    case 'recipe':
      return plain('The first recipe', 'Typed, pasted, or one of ours to begin with.', 'Write it', '/recipe/new');
    case 'weigh': {
      const words = plain('Weigh it', 'The bench counts, line by line; what is weighed is a bucket.', 'Weigh', '/weigh');
      return recipeId ? { ...words, query: { recipe: recipeId } } : words;
    }
    case 'measure':
      return plain(
        'Measure its SG',
        'The weight of a known volume says how much water is in it.',
        'Measure',
        ...(bucketId ? ['/bucket', bucketId] : ['/bucket']),
      );
    case 'tile': {
      const words = plain('The first step tile', 'Dipped in steps and fired, it says how thick this glaze wants to be.', 'Plan a tile', '/coat');
      return { ...words, query: { ...(bucketId ? { bucket: bucketId } : {}), bench: 'tile' } };
    }
    case 'piece':
      return plain('The first piece', 'What goes where, how long in which bucket, in an order that holds.', 'Plan a piece', '/piece');
  }
}
