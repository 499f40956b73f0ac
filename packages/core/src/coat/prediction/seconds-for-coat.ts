import { requirePositive } from '../../checks/require';
import { bisect } from '../../math/bisect';
import { cakeFactor, unlimitedCakeMm } from './cake';
import { checkDip, filmCoatMm, roomMm, TOO_THICK_SHARE, type Dip } from './dip-coat';

export type SecondsForCoat =
  | { kind: 'tooThickToDip' }
  | { kind: 'filmAlreadyExceeds'; filmCoatMm: number }
  | { kind: 'noSuction'; filmCoatMm: number }
  | { kind: 'wallSaturated'; mostMm: number }
  | { kind: 'tooSlow' }
  | { kind: 'ok'; seconds: number };

export interface WantedCoat extends Omit<Dip, 'seconds'> {
  coatMm: number;
  longestSeconds: number;
}

/**
 * Returns the seconds for a wanted coat, or why no time gives it. The cases are tested in the order of the type.
 *
 * Accuracy: the inverse of `dipCoat` to below a nanosecond.
 *
 * @param wanted - as for `dipCoat`, with `coatMm` and `longestSeconds` above 0 in place of `seconds`
 * @throws PotterError for what no bucket or wall can be
 * @example
 * secondsForCoat({ coatMm: 0.01, longestSeconds: 60, solidsByVolume: 0.28, packing: 0.5, suction: 0.02, filmMm: 0.15, underMm: 0, underDryness: 1, wallWaterMm: 0.8 })
 * // { kind: 'filmAlreadyExceeds', filmCoatMm: 0.084 }
 */
export function secondsForCoat(wanted: WantedCoat): SecondsForCoat {
  checkDip(wanted);
  requirePositive('coatMm', wanted.coatMm);
  requirePositive('longestSeconds', wanted.longestSeconds);
  if (wanted.solidsByVolume > TOO_THICK_SHARE * wanted.packing) return { kind: 'tooThickToDip' };
  const film = filmCoatMm(wanted);
  if (film > wanted.coatMm) return { kind: 'filmAlreadyExceeds', filmCoatMm: film };
  if (wanted.suction === 0) return { kind: 'noSuction', filmCoatMm: film };
  const factor = cakeFactor(wanted);
  const mostMm = factor * roomMm(wanted) + film;
  if (wanted.coatMm > mostMm) return { kind: 'wallSaturated', mostMm };
  const cakeAt = (seconds: number): number => unlimitedCakeMm({ ...wanted, factor, seconds });
  const cakeWanted = wanted.coatMm - film;
  if (cakeAt(wanted.longestSeconds) < cakeWanted) return { kind: 'tooSlow' };
  const { middle } = bisect({ low: 0, high: wanted.longestSeconds, isPast: (seconds) => cakeAt(seconds) >= cakeWanted });
  return { kind: 'ok', seconds: middle };
}
