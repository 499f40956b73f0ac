import type { TestState, WallCell, WallCoat } from '@cazuela/core';

/** How far a test is. */
export const STATE_WORDS: Readonly<Record<TestState, string>> = { planned: 'planned', glazed: 'glazed', inKiln: 'in the kiln', fired: 'fired' };

/** How thick the upper glaze is, by its window on that clay. */
export const COAT_WORDS: Readonly<Record<WallCoat, string>> = {
  thin: 'a thin coat',
  right: 'the right coat',
  thick: 'a thick coat',
  steps: 'in steps',
};

/** The first row of the wall: glazes on the bare clay, in the colour of clay. */
export const CLAY = { id: '', name: 'on the clay', colour: '' };

/** Which glaze lies on what. */
export const combinationTitle = (lower: { id: string; name: string }, upper: { name: string }): string =>
  lower.id === '' ? `${upper.name} on the clay` : `${upper.name} over ${lower.name}`;

/** How often a combination was made, and what came of it. */
export function cellWords({ state, fired, stars, isDisputed }: WallCell): string {
  if (state !== 'fired') return STATE_WORDS[state];
  return `fired ${fired === 1 ? 'once' : `${fired} times`}${stars === undefined ? '' : `, ${stars} ${stars === 1 ? 'star' : 'stars'} in the middle`}${isDisputed ? ', verdicts disagree' : ''}`;
}

/** What stands on a cell, short. */
export function markOf({ state, fired, isDisputed }: WallCell): string {
  if (state === 'planned') return 'plan';
  if (state === 'glazed') return 'wet';
  if (state === 'inKiln') return 'kiln';
  return `${isDisputed ? '≠ ' : ''}${fired}×`;
}
