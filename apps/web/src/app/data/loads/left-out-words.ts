/** Why a piece has no place in a load. */
export const LEFT_OUT_WORDS: Readonly<Record<string, string>> = {
  tooWide: 'wider than a shelf',
  tooTall: 'taller than the kiln',
  tooHeavy: 'heavier than a shelf carries',
  noPlaceYet: 'no place yet',
  noRoom: 'no room left',
  noPosts: 'no posts left for another shelf',
};
