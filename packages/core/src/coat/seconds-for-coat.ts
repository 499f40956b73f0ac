import { requirePositive } from '../checks/require';
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

/** Bisection halves 60 times: below a nanosecond for any dip. */
const HALVINGS = 60;

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
  let low = 0;
  let high = wanted.longestSeconds;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (cakeAt(middle) < cakeWanted) low = middle;
    else high = middle;
  }
  return { kind: 'ok', seconds: (low + high) / 2 };
}
