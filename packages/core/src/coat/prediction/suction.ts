import { requireNotNegative, requirePositive, requireNumber } from '../../checks/require';
import { PotterError } from '../../checks/potter-error';
import { coneCelsius } from '../../melt/cones';

/** Suction of the glaze's own cake, mm²/s: starting guess for any glaze. */
export const CAKE_SUCTION_GUESS = 0.09;

/** Suction of the bisque wall by its cone, mm²/s: starting guesses; between cones linear in ln J over °C. */
export const WALL_SUCTION_BY_CONE: readonly { cone: string; suction: number }[] = [
  { cone: '08', suction: 0.14 },
  { cone: '06', suction: 0.07 },
  { cone: '04', suction: 0.035 },
  { cone: '02', suction: 0.011 },
  { cone: '1', suction: 0.005 },
];

/**
 * Returns the suction of glaze and wall in series, mm²/s: 1/J = 1/J_cake + 1/(k J_wall). A fired wall drinks nothing: 0.
 *
 * @param pair - `cakeSuction`, above 0, and `wallSuction`, 0 or more, mm²/s; `cakeFactor` k
 * @throws PotterError for what lies outside
 * @example
 * effectiveSuction({ cakeSuction: 0.02, wallSuction: 0.02, cakeFactor: 1 }) // 0.01
 */
export function effectiveSuction(pair: { cakeSuction: number; wallSuction: number; cakeFactor: number }): number {
  requirePositive('cakeSuction', pair.cakeSuction);
  requireNotNegative('wallSuction', pair.wallSuction);
  requirePositive('cakeFactor', pair.cakeFactor);
  if (pair.wallSuction === 0) return 0;
  return 1 / (1 / pair.cakeSuction + 1 / (pair.cakeFactor * pair.wallSuction));
}

/**
 * Returns a starting guess for the suction of a wall, mm²/s. Outside 08–1 the end value holds.
 *
 * @param body - `bisqueCone`, the cone that the bisque reached
 * @throws PotterError for a cone that is not in the table
 * @example
 * wallSuctionGuess({ bisqueCone: '05' }) // 0.049234261
 */
export function wallSuctionGuess({ bisqueCone }: { bisqueCone: string }): number {
  return Math.exp(interpolateByCone(bisqueCone, LN_WALL_SUCTION));
}

/** A figure at the heat of a cone. */
interface AtHeat {
  celsius: number;
  value: number;
}

const LN_WALL_SUCTION = WALL_SUCTION_BY_CONE.map(({ cone, suction }): AtHeat => ({ celsius: coneCelsius(cone), value: Math.log(suction) }));

/** Absorption by bisque cone, percent: starting guesses for stoneware; earthenware takes up 3 more. */
const ABSORPTION = [
  { cone: '08', value: 15 },
  { cone: '06', value: 13 },
  { cone: '04', value: 11 },
  { cone: '02', value: 8 },
  { cone: '1', value: 5 },
].map(({ cone, value }): AtHeat => ({ celsius: coneCelsius(cone), value }));

/**
 * Returns a starting guess for the water that a bisque wall takes up, percent of its dry weight. Outside 08–1 the end value holds.
 *
 * @param body - `bisqueCone`, the cone that the bisque reached; `earthenware`, false when left out
 * @throws PotterError for a cone that is not in the table
 * @example
 * absorptionGuessPercent({ bisqueCone: '05' }) // 11.984615
 */
export function absorptionGuessPercent({ bisqueCone, earthenware = false }: { bisqueCone: string; earthenware?: boolean }): number {
  return interpolateByCone(bisqueCone, ABSORPTION) + (earthenware ? 3 : 0);
}

/**
 * Returns the water that one face of a wall can drink, mm: absorption/100 × body density × wall. Two faces at once get half each.
 *
 * @param wall - `absorptionPercent`, 0 or more; `bodyDensity`, g/mL, and `wallMm`, above 0; `faces`, 1 or 2
 * @throws PotterError for what lies outside
 * @example
 * wallCapacityMm({ absorptionPercent: 14, bodyDensity: 1.9, wallMm: 6, faces: 2 }) // 0.798
 */
export function wallCapacityMm(wall: { absorptionPercent: number; bodyDensity: number; wallMm: number; faces: number }): number {
  requireNotNegative('absorptionPercent', wall.absorptionPercent);
  requirePositive('wallMm', wall.wallMm);
  requirePositive('bodyDensity', wall.bodyDensity);
  requireNumber('faces', wall.faces);
  if (wall.faces !== 1 && wall.faces !== 2) throw new PotterError('impossible', 'faces', wall.faces, 'A wall has one or two faces in the glaze.');
  return ((wall.absorptionPercent / 100) * wall.bodyDensity * wall.wallMm) / wall.faces;
}

function interpolateByCone(cone: string, points: readonly AtHeat[]): number {
  const celsius = coneCelsius(cone);
  const first = points[0]!;
  if (celsius <= first.celsius) return first.value;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    if (celsius <= b.celsius) return a.value + ((b.value - a.value) * (celsius - a.celsius)) / (b.celsius - a.celsius);
  }
  return points.at(-1)!.value;
}
