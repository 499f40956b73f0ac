import { requireSg } from '../checks/require';

/**
 * Returns degrees Baumé for heavy liquids: °Bé = 145 − 145/d.
 *
 * @param question - `sg`, above 1, at most 2.2
 * @throws PotterError for what lies outside
 * @example
 * baumeFromSg({ sg: 1.45 }) // 45
 */
export function baumeFromSg({ sg }: { sg: number }): number {
  return 145 - 145 / requireSg('sg', sg);
}

/**
 * Returns the SG of degrees Baumé.
 *
 * @param question - `baume`, degrees for heavy liquids, above 0
 * @throws PotterError for an SG that no slurry has
 * @example
 * sgFromBaume({ baume: 45 }) // 1.45
 */
export function sgFromBaume({ baume }: { baume: number }): number {
  return requireSg('sg', 145 / (145 - baume));
}

/**
 * Returns degrees Twaddell: °Tw = 200(d − 1).
 *
 * @param question - `sg`, above 1, at most 2.2
 * @throws PotterError for what lies outside
 * @example
 * twaddellFromSg({ sg: 1.45 }) // 90
 */
export function twaddellFromSg({ sg }: { sg: number }): number {
  return 200 * (requireSg('sg', sg) - 1);
}

/**
 * Returns ounces to the imperial pint. A pint of water weighs 20 oz.
 *
 * @param question - `sg`, above 1, at most 2.2
 * @throws PotterError for what lies outside
 * @example
 * ouncesPerPintFromSg({ sg: 1.45 }) // 29
 */
export function ouncesPerPintFromSg({ sg }: { sg: number }): number {
  return 20 * requireSg('sg', sg);
}

/**
 * Returns the SG of degrees Twaddell.
 *
 * @param question - `twaddell`, degrees, above 0
 * @throws PotterError for an SG that no slurry has
 * @example
 * sgFromTwaddell({ twaddell: 90 }) // 1.45
 */
export function sgFromTwaddell({ twaddell }: { twaddell: number }): number {
  return requireSg('sg', 1 + twaddell / 200);
}

/**
 * Returns the SG of ounces to the imperial pint.
 *
 * @param question - `ounces`, above 20
 * @throws PotterError for an SG that no slurry has
 * @example
 * sgFromOuncesPerPint({ ounces: 29 }) // 1.45
 */
export function sgFromOuncesPerPint({ ounces }: { ounces: number }): number {
  return requireSg('sg', ounces / 20);
}

/** Scales of hydrometers. */
export const HYDROMETER_SCALES = ['SG', '°Bé', '°Tw'] as const;
/** A pint weighed in ounces, as old recipe books do it. */
export const PINT_SCALES = ['oz/imp pt', 'oz/US pt'] as const;
export const SG_SCALES = [...HYDROMETER_SCALES, ...PINT_SCALES] as const;
export type SgScale = (typeof SG_SCALES)[number];

/** What a US pint of water weighs, oz: 473.176473 mL at 28.349523125 g to the ounce. */
const US_PINT_OUNCES = 473.176473 / 28.349523125;
/** A pint is weighed to half an ounce: a quarter is its standard deviation. */
const PINT_OUNCES_SD = 0.25;

/**
 * Returns the standard deviation of an SG read as ounces to the pint.
 *
 * @param question - `scale`, which pint
 * @example
 * pintSgSd({ scale: 'oz/imp pt' }) // 0.0125
 */
export const pintSgSd = ({ scale }: { scale: (typeof PINT_SCALES)[number] }): number =>
  PINT_OUNCES_SD / (scale === 'oz/imp pt' ? 20 : US_PINT_OUNCES);

/**
 * Returns the SG of a figure on one of the scales.
 *
 * @param question - `value`, as read; `scale`, one of SG_SCALES
 * @throws PotterError for an SG that no slurry has
 * @example
 * sgFromScale({ value: 45, scale: '°Bé' }) // 1.45
 */
export function sgFromScale({ value, scale }: { value: number; scale: SgScale }): number {
  switch (scale) {
    case 'SG':
      return requireSg('sg', value);
    case '°Bé':
      return sgFromBaume({ baume: value });
    case '°Tw':
      return sgFromTwaddell({ twaddell: value });
    case 'oz/imp pt':
      return sgFromOuncesPerPint({ ounces: value });
    case 'oz/US pt':
      return requireSg('sg', value / US_PINT_OUNCES);
  }
}

/**
 * Returns an SG as a figure on one of the scales.
 *
 * @param question - `sg`, above 1, at most 2.2; `scale`, one of SG_SCALES
 * @throws PotterError for what lies outside
 * @example
 * sgOnScale({ sg: 1.45, scale: '°Tw' }) // 90
 */
export function sgOnScale({ sg, scale }: { sg: number; scale: SgScale }): number {
  switch (scale) {
    case 'SG':
      return requireSg('sg', sg);
    case '°Bé':
      return baumeFromSg({ sg });
    case '°Tw':
      return twaddellFromSg({ sg });
    case 'oz/imp pt':
      return ouncesPerPintFromSg({ sg });
    case 'oz/US pt':
      return requireSg('sg', sg) * US_PINT_OUNCES;
  }
}
