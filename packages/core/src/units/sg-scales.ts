import { requireSg } from '../checks/require';

/** Degrees Baumé (heavy liquids): °Bé = 145 − 145/d. Example: d 1.45 → 45. */
export function baumeFromSg({ sg }: { sg: number }): number {
  return 145 - 145 / requireSg('sg', sg);
}

/** SG from degrees Baumé. */
export function sgFromBaume({ baume }: { baume: number }): number {
  return requireSg('sg', 145 / (145 - baume));
}

/** Degrees Twaddell: °Tw = 200(d − 1). */
export function twaddellFromSg({ sg }: { sg: number }): number {
  return 200 * (requireSg('sg', sg) - 1);
}

/** Ounces per imperial pint: an imperial pint of water weighs 20 oz. */
export function ouncesPerPintFromSg({ sg }: { sg: number }): number {
  return 20 * requireSg('sg', sg);
}
