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

/** What a fault means for whoever uses or mends the piece. Said where it is read. */
export function cautionsOf(faults: readonly SeenFault[]): { words: string; tone: 'stop' | 'look' }[] {
  const has = (fault: FiredFault, where?: SeenFault['where']): boolean =>
    faults.some((one) => one.fault === fault && (where === undefined || one.where === where));
  return [
    ...(has('shivered') ? [{ words: 'Shivering sheds sharp flakes: never for food, discard the piece.', tone: 'stop' as const }] : []),
    ...(has('crazed', 'inside') || has('crazed', 'rim')
      ? [
          {
            words: 'Crazed where food goes: cracks hold what is cooked. Not for food until a leach test and the local rules say otherwise.',
            tone: 'stop' as const,
          },
        ]
      : []),
    ...(has('dull', 'inside')
      ? [{ words: 'A dull or crystalline liner may give off what is in it: have it tested before food goes in.', tone: 'look' as const }]
      : []),
    ...(has('stuck') || has('ran', 'foot') ? [{ words: 'Grinding it off: goggles and a mask, wet if you can.', tone: 'look' as const }] : []),
    ...(has('cracked')
      ? [{ words: 'A cracked pot can part when it is filled hot: keep it from the oven and the table.', tone: 'look' as const }]
      : []),
  ];
}
