import { PotterError } from '../../checks/potter-error';
import { requireNotNegative, requirePositive } from '../../checks/require';
import { normalShareBelow } from '../../math/normal';

/** The coats at which a glaze looks as wanted on a body, mm, and how it looks below, within and above. */
export interface CoatWindow {
  thinMm: number;
  thickMm: number;
  looks: { thin: string; right: string; thick: string };
}

export type WindowVerdict = 'thin' | 'right' | 'thick';

/**
 * Returns whether a coat is too thin, right or too thick for a window.
 *
 * @param question - `coatMm`; `window`, `thinMm` above 0 and below `thickMm`
 * @throws PotterError for a window that is empty or turned round
 * @example
 * windowVerdict({ coatMm: 0.9, window: { thinMm: 0.4, thickMm: 0.8 } }) // 'thick'
 */
export function windowVerdict({ coatMm, window }: { coatMm: number; window: Pick<CoatWindow, 'thinMm' | 'thickMm'> }): WindowVerdict {
  checkWindow(window);
  return coatMm < window.thinMm ? 'thin' : coatMm > window.thickMm ? 'thick' : 'right';
}

/**
 * Returns the shares of dips that come out thin, right and thick when ln(coat) scatters about ln(coatMm). They add up to 1.
 *
 * @param question - `coatMm`, above 0; `lnSd`, 0 or more; `window`, as for `windowVerdict`
 * @throws PotterError for what lies outside
 * @example
 * windowChances({ coatMm: 0.6, lnSd: 0, window: { thinMm: 0.4, thickMm: 0.8 } }) // { thin: 0, right: 1, thick: 0 }
 */
export function windowChances(question: {
  coatMm: number;
  lnSd: number;
  window: Pick<CoatWindow, 'thinMm' | 'thickMm'>;
}): Record<WindowVerdict, number> {
  const { window, lnSd } = question;
  checkWindow(window);
  const lnCoat = Math.log(requirePositive('coatMm', question.coatMm));
  if (requireNotNegative('lnSd', lnSd) === 0) {
    const verdict = windowVerdict(question);
    return { thin: verdict === 'thin' ? 1 : 0, right: verdict === 'right' ? 1 : 0, thick: verdict === 'thick' ? 1 : 0 };
  }
  const below = (mm: number): number => normalShareBelow((Math.log(mm) - lnCoat) / lnSd);
  const thin = below(window.thinMm);
  const thick = 1 - below(window.thickMm);
  return { thin, thick, right: Math.max(0, 1 - thin - thick) };
}

function checkWindow({ thinMm, thickMm }: Pick<CoatWindow, 'thinMm' | 'thickMm'>): void {
  requirePositive('coatMm', thinMm);
  if (requirePositive('coatMm', thickMm) <= thinMm) {
    throw new PotterError('wrongSide', 'thickMm', thickMm, `Too thick (${thickMm} mm) must lie above too thin (${thinMm} mm).`);
  }
}
