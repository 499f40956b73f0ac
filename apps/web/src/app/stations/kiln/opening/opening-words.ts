import type { FaultDegree, FiredFault, PieceReading, SeenFault } from '@cazuela/core';

/** One key for each fault; the letter is shown on its button. */
export const FAULT_KEYS: Readonly<Record<FiredFault, string>> = {
  crawled: 'c',
  pinholed: 'p',
  blistered: 'b',
  ran: 'r',
  stuck: 's',
  thin: 'i',
  thick: 'k',
  cracked: 'x',
  shivered: 'v',
  crazed: 'z',
  dull: 'd',
  'off colour': 'o',
  flaked: 'l',
};

export const DEGREE_WORDS: Readonly<Record<FaultDegree, string>> = { 1: 'hardly', 2: 'plainly', 3: 'spoils it' };

/** A reading in the room of a dot on the map: its stars, or what is wrong. */
export function markOf(reading: PieceReading | undefined): string {
  if (!reading?.coneReached) return '';
  const { stars, faults = [] } = reading.verdict;
  const wrong = faults.length > 0 ? '!' : '';
  return `${stars === undefined ? (faults.length > 0 ? '' : '✓') : `${stars}★`}${wrong}`;
}

/** The same in words. */
export function readingWords(reading: PieceReading | undefined): string {
  if (!reading?.coneReached) return 'not read yet';
  const { stars, faults = [], note } = reading.verdict;
  const parts = [
    ...(stars === undefined ? [] : [`${stars} ${stars === 1 ? 'star' : 'stars'}`]),
    ...(faults.length > 0 ? [faults.map(faultWords).join(', ')] : []),
    ...(note ? [`“${note}”`] : []),
  ];
  return parts.length > 0 ? parts.join('; ') : 'looked at';
}

const faultWords = ({ fault, where, degree }: SeenFault): string => `${fault} (${where}${degree ? `, ${DEGREE_WORDS[degree]}` : ''})`;
