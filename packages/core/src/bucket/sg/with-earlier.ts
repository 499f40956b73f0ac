import { requireNotNegative, requirePositive, requireSg } from '../../checks/require';
import { LEAST_SG_SD, type SgReading } from './combine-readings';

/** What an open bucket may thicken in a day: so much less sure the earlier reading is for each, sd of the SG. */
const WIDENS_PER_DAY = 0.002;
/** Readings closer than one sd of their difference tell nothing new. */
const SAME_SDS = 1;
/** Further apart than this, something happened that nobody noted, and the newer one counts alone. */
const CHANGED_SDS = 2;

/**
 * Returns what a bucket's SG is by an earlier reading and a new one, with nothing gone in between. Within the error of both, the earlier stays, so
 * that litres in the records do not wander with the noise of a scale. Otherwise both count by their errors, the earlier one less for each day,
 * because a bucket thickens unseen; after weeks the new one counts all but alone.
 *
 * @param question - `earlier` and `reading`, each with an sd above 0; `days` between them, 0 or more
 * @throws PotterError for an SG that no slurry has, or an sd of 0 or less
 * @example
 * withEarlier({ earlier: { sg: 1.45, sgSd: 0.015 }, reading: { sg: 1.47, sgSd: 0.015 }, days: 0 })
 * // { sg: 1.45, sgSd: 0.010606602 }
 */
export function withEarlier({ earlier, reading, days }: { earlier: SgReading; reading: SgReading; days: number }): SgReading {
  const sgSd = requirePositive('sgSd', reading.sgSd);
  const ofBoth = Math.hypot(sgSd, requirePositive('sgSd', earlier.sgSd));
  const thickened = WIDENS_PER_DAY * requireNotNegative('days', days);
  const apart = requireSg('sg', reading.sg) - earlier.sg;
  const earlierSd = Math.hypot(earlier.sgSd, thickened);
  if (Math.abs(apart) > CHANGED_SDS * Math.hypot(sgSd, earlierSd)) return { sg: reading.sg, sgSd };
  const weight = earlierSd ** 2 / (earlierSd ** 2 + sgSd ** 2);
  const isSame = Math.abs(apart) <= SAME_SDS * ofBoth && thickened < ofBoth;
  return { sg: isSame ? earlier.sg : earlier.sg + weight * apart, sgSd: Math.max(LEAST_SG_SD, sgSd * Math.sqrt(weight)) };
}
