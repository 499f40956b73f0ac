import type { FireOutlook } from '@cazuela/core';

const FURTHER = ['stays', 'moves', 'runs', 'pours'] as const;

/** The likely movement, and how much less or more it may be: the guess is never shown without its range. */
export function fireWords(fire: FireOutlook): string {
  switch (fire.kind) {
    case 'noAnalysis':
      return `Nobody can say: ${fire.powders.join(' and ')} ${fire.powders.length > 1 ? 'have' : 'has'} no analysis.`;
    case 'noFlux':
      return 'It has no flux: nothing in it makes it melt.';
    case 'doesNotMelt':
      return `It will not melt at cone 6: dry and rough, with ${fire.silica.toFixed(1)} of silica and ${fire.alumina.toFixed(2)} of alumina to one of flux. More melter, or less of the others.`;
    case 'moves':
      return movesWords(fire);
  }
}

function movesWords(fire: FireOutlook & { kind: 'moves' }): string {
  const isBetween = (one: (typeof FURTHER)[number], low: number, high: number): boolean => FURTHER.indexOf(one) > low && FURTHER.indexOf(one) < high;
  const likely = FURTHER.indexOf(fire.likely);
  const less = isBetween(fire.least, -1, likely) ? `only ${fire.least.replace(/s$/, '')}` : '';
  const more = isBetween(fire.most, likely, FURTHER.length) ? fire.most.replace(/s$/, '') : '';
  const may = [less, more].filter(Boolean).join(' or ');
  return `Likely ${fire.likely} at cone 6${may ? `; may ${may}` : ''}.`;
}
