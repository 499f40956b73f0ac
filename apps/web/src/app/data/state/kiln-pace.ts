import type { Firing, Kiln, Load } from '@cazuela/contract';
import {
  firedEnergy,
  learntEnergy,
  learntPace,
  replayLoad,
  type EnergyFiring,
  type FiredEnergy,
  type LearntEnergy,
  type LearntPace,
} from '@cazuela/core';
import { firingRead } from './firing-read';
import { firingsOf } from './kiln-offsets';

/** What its logs taught of a kiln. */
export interface KilnHabits {
  pace: LearntPace;
  energy: LearntEnergy;
}

/** What stood in a firing, g, without furniture; undefined where nobody placed it. */
export function loadGramsOf(firing: Pick<Firing, 'id'>, loads: readonly Load[]): number | undefined {
  const load = loads.map(({ events }) => replayLoad(events)).find(({ firingId }) => firingId === firing.id);
  const grams = load?.lots.reduce((sum, lot) => sum + (lot.grams ?? 0) * lot.count, 0);
  return grams === undefined || grams === 0 ? undefined : grams;
}

/** What a firing took, by its meter or by the time it was on. */
export function energyOf(firing: Firing, kiln: Pick<Kiln, 'body'> | undefined): FiredEnergy | undefined {
  const { meter, curve } = firingRead(firing);
  return firedEnergy({ meter, points: curve, fullPowerHours: firing.log?.fullPowerHours, powerWatts: kiln?.body.powerWatts });
}

/** The pace of the kiln of a firing, with what stood in it; undefined for a kiln without a card. */
export function paceOf(
  firing: Firing,
  records: { kilns: readonly Kiln[]; firings: readonly Firing[]; loads: readonly Load[] },
): LearntPace | undefined {
  const kiln = records.kilns.find(({ id }) => id === firing.body.kilnId);
  return kiln && kilnHabits(kiln, records, loadGramsOf(firing, records.loads)).pace;
}

/** How a kiln heats, cools and takes energy, by the logs of its firings; practice firings teach nothing. */
export function kilnHabits(kiln: Kiln, { firings, loads }: { firings: readonly Firing[]; loads: readonly Load[] }, loadGrams?: number): KilnHabits {
  const real = firingsOf(kiln, firings).filter(({ log, events }) => (log !== undefined || events !== undefined) && log?.source !== 'practice');
  const logs = real.map((firing) => ({ points: firingRead(firing).log, loadGrams: loadGramsOf(firing, loads) }));
  const energy = real
    .filter(({ log }) => log?.endedAt !== null)
    .flatMap((firing): EnergyFiring[] => {
      const took = energyOf(firing, kiln);
      return took && firing.body.schedule
        ? [{ schedule: firing.body.schedule, loadGrams: loadGramsOf(firing, loads), kilowattHours: took.kilowattHours }]
        : [];
    });
  return { pace: learntPace(kiln.body, logs, loadGrams), energy: learntEnergy(kiln.body, energy) };
}
