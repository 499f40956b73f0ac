import type { Firing, Kiln } from '@cazuela/contract';
import { kilnOffsets, type KilnOffsets, type ShelfCone, type ShelfOffset, type WitnessedFiring } from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { shortCone } from '../kiln-words';

/** Firings that were in this kiln: by its card, or by its name where there was no card yet. */
export const firingsOf = ({ id, body }: { id: string | undefined; body: Pick<Kiln['body'], 'name'> }, firings: readonly Firing[]): Firing[] =>
  firings.filter((firing) => (firing.body.kilnId === undefined ? firing.body.kiln === body.name : firing.body.kilnId === id));

export const asWitnessed = ({ id, body }: Firing): WitnessedFiring => ({ id, points: body.points, witnesses: body.witnesses ?? [] });

/** What the cones of all its firings taught of a kiln. */
export const offsetsOf = ({ id, body }: { id: string | undefined; body: Kiln['body'] }, firings: readonly Firing[]): KilnOffsets =>
  kilnOffsets(body, firingsOf({ id, body }, firings).map(asWitnessed));

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
