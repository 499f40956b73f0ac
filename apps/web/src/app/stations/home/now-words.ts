import type { NowItem } from '@cazuela/core';
import { verdictWords } from '../../parts/bucket-drawing';
import type { Units } from '../../data/units/units';
import { formatDate, formatTime, formatWhen } from '../../data/units/times';

export interface NowRow {
  tag: string;
  what: string;
  why: string;
  action: string;
  link: string[];
  query?: Record<string, string>;
  tone: 'plain' | 'look';
}

/** Each open item as a row: what it is, why, and one button that goes on with it. */
export function nowRow(item: NowItem, units: Units): NowRow {
  switch (item.kind) {
    case 'unfinishedBatch':
      return {
        tag: 'Unfinished',
        what: `${item.recipeName}, ${units.litres(item.expectedMl)}`,
        why: item.lastAt
          ? `Weighing stopped at line ${item.nextLine} of ${item.lineCount}, ${item.lastBy}, ${formatWhen(item.lastAt)}`
          : `Planned, nothing weighed yet: ${item.lineCount} lines`,
        action: item.lastAt ? 'Go on weighing' : 'Start weighing',
        link: ['/weigh', item.batchId],
        tone: 'look',
      };
    case 'outOfRange':
      // As on the bucket's own page: after something went in, a measurement comes first.
      if (item.bySum)
        return {
          tag: 'To measure',
          what: `${item.name}, ${units.sg(item.sg)} by the sum`,
          why: `Something went in since it was measured: stir, then measure again. Wanted ${units.sg(item.sgLow)}–${units.sg(item.sgHigh)}`,
          action: 'Measure again',
          link: ['/bucket', item.bucketId],
          tone: 'look',
        };
      return {
        tag: item.verdict === 'tooThick' ? 'Too thick' : item.verdict === 'tooThin' ? 'Too thin' : 'Not sure',
        what: `${item.name} reads ${units.sg(item.sg)} ± ${units.sg(item.sgSd)}`,
        why: `Wanted ${units.sg(item.sgLow)}–${units.sg(item.sgHigh)}. ${item.waterMl ? `About ${units.litres(item.waterMl)} of water in two stages` : item.verdict === 'unsure' ? verdictWords('unsure') : 'Let it settle and pour off clear water, or add powder'}`,
        action: item.verdict === 'unsure' ? 'Measure again' : 'Bring into range',
        link: ['/bucket', item.bucketId],
        tone: 'look',
      };
    case 'dryEnough':
      return {
        tag: 'Dry enough',
        what: `${item.count} × ${item.name}`,
        why: `Next: ${item.nextWords}`,
        action: 'Open the day',
        link: ['/day'],
        tone: 'plain',
      };
    case 'drying':
      return {
        tag: 'Drying',
        what: `${item.count} × ${item.name}`,
        why: `May be touched about ${formatTime(item.untilAt)} (starting guess)`,
        action: 'Open the day',
        link: ['/day'],
        tone: 'plain',
      };
    case 'kiln':
      return {
        tag: item.cooling ? 'Cooling' : 'Firing',
        what: `${item.kiln}, ${item.isRead ? units.temperature(item.celsius) : `about ${units.temperature(item.celsius)} by its curve`}`,
        why: `Can be opened ${formatWhen(item.opensAt)}`,
        action: 'See the firing',
        link: ['/kiln/firings', item.firingId],
        tone: 'plain',
      };
    case 'toRead':
      return {
        tag: 'To read',
        what: `${item.kiln} can be unloaded`,
        why: `Fired ${formatWhen(item.startedAt)}, no result noted yet`,
        action: 'Read the results',
        link: ['/kiln/firings', item.firingId, 'opening'],
        tone: 'plain',
      };
    case 'tileToRead':
      return {
        tag: 'Tile',
        what: `Tile ${item.code}, ${item.glazeName}`,
        why: 'Fired, no strip looked at yet: it says how thick this glaze wants to be',
        action: 'Read the tile',
        link: ['/coat'],
        query: { bucket: item.bucketId, body: item.bodyId, bench: 'tile' },
        tone: 'plain',
      };
    case 'firingToCome':
      return {
        tag: 'To come',
        what: `${item.kiln} is to be lit`,
        why: formatWhen(item.startsAt),
        action: 'See the firing',
        link: ['/kiln/firings', item.firingId],
        tone: 'plain',
      };
    case 'unfinishedDay':
      return {
        tag: 'Left over',
        what: `The day of ${formatDate(`${item.date}T12:00:00`)}`,
        why: `${item.left} of ${item.of} steps are not ticked`,
        action: 'Open that day',
        link: ['/day'],
        query: { date: item.date },
        tone: 'look',
      };
    case 'recipeToWeigh':
      return {
        tag: 'Recipe',
        what: item.name,
        why: 'Nobody weighed it yet',
        action: 'Weigh it',
        link: ['/weigh'],
        query: { recipe: item.recipeId },
        tone: 'plain',
      };
    case 'pieceToGlaze':
      return {
        tag: 'To glaze',
        what: `${item.count} × ${item.name}`,
        why: 'Planned, and on no day yet',
        action: 'Open the plan',
        link: ['/piece', item.pieceId],
        tone: 'plain',
      };
    case 'neverMeasured':
      return {
        tag: 'New bucket',
        what: `${item.name} was never measured`,
        why: 'Its SG is computed from what was weighed',
        action: 'Measure it',
        link: ['/bucket', item.bucketId],
        tone: 'plain',
      };
  }
}
