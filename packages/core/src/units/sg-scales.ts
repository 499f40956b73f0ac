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

/** SG from degrees Twaddell. */
export function sgFromTwaddell({ twaddell }: { twaddell: number }): number {
  return requireSg('sg', 1 + twaddell / 200);
}

/** SG from ounces per imperial pint. */
export function sgFromOuncesPerPint({ ounces }: { ounces: number }): number {
  return requireSg('sg', ounces / 20);
}

/** Scales a hydrometer or an old recipe book may be written in. */
export const SG_SCALES = ['SG', '°Bé', '°Tw', 'oz/pt'] as const;
export type SgScale = (typeof SG_SCALES)[number];

/** SG from a figure on any of these scales. Example: 45 °Bé, 90 °Tw and 29 oz to the imperial pint are all 1.45. */
export function sgFromScale({ value, scale }: { value: number; scale: SgScale }): number {
  switch (scale) {
    case 'SG':
      return requireSg('sg', value);
    case '°Bé':
      return sgFromBaume({ baume: value });
    case '°Tw':
      return sgFromTwaddell({ twaddell: value });
    case 'oz/pt':
      return sgFromOuncesPerPint({ ounces: value });
  }
}

/** The same the other way, for showing beside an SG. */
export function sgOnScale({ sg, scale }: { sg: number; scale: SgScale }): number {
  switch (scale) {
    case 'SG':
      return requireSg('sg', sg);
    case '°Bé':
      return baumeFromSg({ sg });
    case '°Tw':
      return twaddellFromSg({ sg });
    case 'oz/pt':
      return ouncesPerPintFromSg({ sg });
  }
}
