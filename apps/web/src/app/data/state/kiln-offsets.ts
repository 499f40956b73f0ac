import type { Firing, Kiln } from '@cazuela/contract';
import { kilnOffsets, type KilnOffsets, type WitnessedFiring } from '@cazuela/core';
import { curveOf } from './firing-read';

/** Firings that were in this kiln: by its card, or by its name where there was no card yet. */
export const firingsOf = ({ id, body }: { id: string | undefined; body: Pick<Kiln['body'], 'name'> }, firings: readonly Firing[]): Firing[] =>
  firings.filter((firing) => (firing.body.kilnId === undefined ? firing.body.kiln === body.name : firing.body.kilnId === id));

export const asWitnessed = (firing: Firing): WitnessedFiring => ({ id: firing.id, points: curveOf(firing), witnesses: firing.body.witnesses ?? [] });

/** What the cones of all its firings taught of a kiln. */
export const offsetsOf = ({ id, body }: { id: string | undefined; body: Kiln['body'] }, firings: readonly Firing[]): KilnOffsets =>
  kilnOffsets(body, firingsOf({ id, body }, firings).map(asWitnessed));
