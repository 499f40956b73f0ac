import { PotterError } from '../checks/potter-error';

/** Self-supporting pyrometric cones, °C at which they bend when heated at 60 °C/h. A cone is heat-work, not a temperature. */
export const CONES: readonly { cone: string; celsius: number }[] = [
  ['022', 586],
  ['021', 600],
  ['020', 626],
  ['019', 678],
  ['018', 715],
  ['017', 738],
  ['016', 772],
  ['015', 791],
  ['014', 807],
  ['013', 837],
  ['012', 861],
  ['011', 875],
  ['010', 903],
  ['09', 920],
  ['08', 942],
  ['07', 976],
  ['06', 998],
  ['05', 1031],
  ['04', 1063],
  ['03', 1086],
  ['02', 1102],
  ['01', 1119],
  ['1', 1137],
  ['2', 1142],
  ['3', 1152],
  ['4', 1162],
  ['5', 1186],
  ['6', 1222],
  ['7', 1239],
  ['8', 1249],
  ['9', 1260],
  ['10', 1285],
].map(([cone, celsius]) => ({ cone: String(cone), celsius: Number(celsius) }));

/**
 * Returns the temperature at which a cone bends when it is heated at 60 °C/h, °C.
 *
 * @param cone - '022' to '14', as in CONES
 * @throws PotterError for a cone that is not in the table
 * @example
 * coneCelsius('6') // 1222
 */
export function coneCelsius(cone: string): number {
  const found = CONES.find((row) => row.cone === cone);
  if (!found)
    throw new PotterError(
      'unknownName',
      'cone',
      cone,
      `There is no cone “${cone}” here. Cones run from 022 over 01 and 1 to 10; 06 and 6 are different cones.`,
    );
  return found.celsius;
}

/**
 * Returns whether a cone is in the table.
 *
 * @param cone - any text
 * @example
 * isCone('06') // true
 */
export const isCone = (cone: string): boolean => CONES.some((row) => row.cone === cone);
