import type { RequestHandler } from 'express';
import { ProblemError } from './problem-error';

const MOST_DEPTH = 40;

/**
 * Half a character (a lone surrogate, as when an emoji was cut in the middle) cannot be written to the records. Returns a sentence when there is
 * one anywhere in `value`, or when it is nested deeper than anything of ours.
 */
export function illFormedText(value: unknown, depth = 0): string | undefined {
  if (depth > MOST_DEPTH) return 'The message is nested too deep.';
  if (typeof value === 'string') return isWellFormed(value) ? undefined : `“${printable(value)}” holds half a character: type it again.`;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, inner] of Object.entries(value)) {
    const bad = isWellFormed(key) ? illFormedText(inner, depth + 1) : 'A name in the message holds half a character.';
    if (bad) return bad;
  }
  return undefined;
}

/** Refuses a message with half a character in it. Bench events are checked one by one instead, so that a bad one does not take the others down. */
export const requireWellFormed: RequestHandler = (request, _response, next) => {
  const bad = /\/events\/?$/.test(request.path) ? undefined : illFormedText(request.body);
  if (bad) throw new ProblemError('checkInput', bad);
  next();
};

const isWellFormed = (text: string): boolean => !/\p{Surrogate}/u.test(text);
const printable = (text: string): string => text.replace(/\p{Surrogate}/gu, '\ufffd').slice(0, 40);
