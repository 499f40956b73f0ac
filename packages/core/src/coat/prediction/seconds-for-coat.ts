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

/** Seconds for a wanted coat, or why no time gives it. The cases are tested in the order of the type. */
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
