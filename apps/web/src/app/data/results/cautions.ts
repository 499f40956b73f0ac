import type { FiredFault, SeenFault } from '@cazuela/core';

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
