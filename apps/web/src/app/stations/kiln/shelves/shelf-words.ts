import type { KilnOffsets, ShelfCone, ShelfOffset } from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { shortCone } from '../kiln-words';

/** How much hotter a place is, and between what in four of five firings. */
export const offsetWords = ({ celsius, lowCelsius, highCelsius }: ShelfOffset, units: Units): { figure: string; small: string } => ({
  figure: units.temperatureStep(celsius),
  small: `${units.temperatureStep(lowCelsius)} to ${units.temperatureStep(highCelsius)}`,
});

/** What a shelf saw. */
export function shelfConeWords({ cone, from, offset }: ShelfCone, units: Units): { figure: string; small: string } {
  const { figure, small } = offsetWords(offset, units);
  return { figure: shortCone(cone), small: from === 'witness' ? `read there; ${figure}` : `${figure}, from ${small}` };
}

/** What the figures stand on. */
export function groundWords(offsets: KilnOffsets | undefined): string {
  if (!offsets) return '';
  if (offsets.readings === 0) return 'No cone was read on a shelf yet: how hot each gets is a starting guess with a wide band.';
  const cones = `${offsets.readings} ${offsets.readings === 1 ? 'cone' : 'cones'}`;
  return `Learnt from ${cones} in ${offsets.firings} ${offsets.firings === 1 ? 'firing' : 'firings'}: how much hotter each shelf gets than the thermocouple says, and between what in four of five firings.`;
}
