import type { BucketSummary } from '@cazuela/contract';
import { feelVerdict, rangeVerdict, type FeelVerdict } from '@cazuela/core';
import { verdictTone, verdictWords } from './bucket-drawing';

const FEEL_WORDS: Readonly<Record<FeelVerdict, string>> = {
  inRange: 'feels right',
  tooThick: 'too thick',
  tooThin: 'too thin',
  mixed: 'feel again',
  unknown: 'not felt',
};
const FEEL_TONES: Readonly<Record<FeelVerdict, string>> = { inRange: 'good', tooThick: 'stop', tooThin: 'stop', mixed: 'look', unknown: 'quiet' };

/** Whether a bucket is as it should be, in words and tone, by what this studio judges with. */
export function bucketVerdict({ contents, body }: Pick<BucketSummary, 'contents' | 'body'>, byFeel: boolean): { words: string; tone: string } {
  if (byFeel) {
    const felt = feelVerdict({ feel: contents?.feel, ranges: body.feel });
    return { words: contents ? FEEL_WORDS[felt] : 'empty', tone: FEEL_TONES[felt] };
  }
  const verdict = contents ? rangeVerdict({ sg: contents.sg, sgSd: contents.sgSd, lowSg: body.sgLow, highSg: body.sgHigh }) : 'unmeasured';
  return { words: contents ? verdictWords(verdict) : 'empty', tone: verdictTone(verdict) };
}
