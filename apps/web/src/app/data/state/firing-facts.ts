import type { BucketSummary, Firing, Kiln, Recipe, Result } from '@cazuela/contract';
import { firingRates, HOUR_MS, nearPeakMinutes, unreadBounds, type GlazedPiece } from '@cazuela/core';
import { firingRead, type FiringRead } from './firing-read';

/** What a firing tells of the faults of its pieces. */
export type FiringFacts = Pick<GlazedPiece, 'litAt' | 'rates' | 'heldLongerMinutes' | 'openedCelsius' | 'otherAtmosphere'>;

interface Known {
  firings: readonly Firing[];
  kilns: readonly Kiln[];
  results: readonly Result[];
  buckets: readonly BucketSummary[];
  recipes: readonly Recipe[];
}

/** A firing of which more than this is not read says nothing of its rates, hours. */
const MOST_UNREAD_HOURS = 1;
/** A reading longer before its kiln was opened says nothing of how hot it was then. */
const OPENED_WITHIN_HOURS = 1;

/** Each firing is read once, however many pieces came out of it; empty for one that is gone. */
export function firingFacts({ firings, kilns, results, buckets, recipes }: Known): (firingId: string) => FiringFacts {
  const known = new Map<string, FiringFacts>();
  const openedAt = openings(results);
  const wantsReduction = bucketsForReduction(buckets, recipes);
  const factsOf = (firing: Firing): FiringFacts => {
    const read = firingRead(firing);
    const isRead = read.readUntilHours !== undefined && unreadBounds(read.log).unreadHours <= MOST_UNREAD_HOURS;
    // What heats by wires fires in air; of other kilns nobody noted the atmosphere.
    const isElectric = kilns.find(({ id }) => id === firing.body.kilnId)?.body.powerWatts !== undefined;
    return {
      litAt: firing.body.startedAt,
      openedCelsius: openedCelsius(firing, read, openedAt.get(firing.id)),
      ...(isElectric ? { otherAtmosphere: wantsReduction } : {}),
      ...(isRead ? { rates: firingRates(read.log), heldLongerMinutes: nearPeakMinutes(read.log) - nearPeakMinutes(read.wanted) } : {}),
    };
  };
  return (firingId) => {
    const before = known.get(firingId);
    if (before) return before;
    const firing = firings.find(({ id }) => id === firingId);
    const facts = firing ? factsOf(firing) : {};
    known.set(firingId, facts);
    return facts;
  };
}

/** When the first piece of a firing was read as its kiln was opened. */
function openings(results: readonly Result[]): ReadonlyMap<string, string> {
  const first = new Map<string, string>();
  for (const { body, createdAt } of results) {
    if (!body.loadPieceId) continue;
    const known = first.get(body.firingId);
    if (known === undefined || createdAt < known) first.set(body.firingId, createdAt);
  }
  return first;
}

/** What was read last before its kiln was opened, °C; undefined where that is longer ago. */
function openedCelsius({ body }: Firing, { log }: FiringRead, at: string | undefined): number | undefined {
  if (at === undefined) return undefined;
  const hours = (Date.parse(at) - Date.parse(body.startedAt)) / HOUR_MS;
  const last = log.findLast((point) => point.hours <= hours);
  return last && hours - last.hours <= OPENED_WITHIN_HOURS ? last.celsius : undefined;
}

/** Whether the recipe in a bucket asks for reduction, by bucket. */
function bucketsForReduction(buckets: readonly BucketSummary[], recipes: readonly Recipe[]): ReadonlyMap<string, boolean> {
  const byId = new Map(recipes.map(({ id, body }) => [id, body.atmosphere]));
  return new Map(
    buckets.flatMap(({ id, recipeId }) => {
      const atmosphere = byId.get(recipeId ?? '');
      return atmosphere ? [[id, atmosphere === 'reduction'] as const] : [];
    }),
  );
}
