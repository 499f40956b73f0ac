import { requirePositive } from '../../checks/require';
import type { CoatWindow, WindowVerdict } from './coat-window';

/** How one coat looked after the fire. */
export interface CoatLook {
  coatMm: number;
  verdict: WindowVerdict;
  words: string;
}

export type WindowFromLooks =
  | {
      kind: 'ok';
      window: CoatWindow;
      /** Nothing thinner, or thicker, was looked at: that end is only the last one seen. */
      thinOpen: boolean;
      thickOpen: boolean;
      /** Looks that contradict the window, such as a right one among the thin. */
      contradictions: number;
      looks: number;
    }
  /** Nothing looked right. */
  | { kind: 'nothingRight'; looks: number };

/**
 * Returns the window that fired coats show. Each end lies between neighbours that differ, at their geometric mean, where it contradicts the
 * fewest. Where nothing was too thin, or too thick, it ends at the last one that looked right.
 *
 * @param question - `looks`, coats above 0 with how each looked
 * @throws PotterError for a coat of 0 or less
 * @example
 * windowFromLooks({ looks: [{ coatMm: 0.2, verdict: 'thin', words: '' }, { coatMm: 0.5, verdict: 'right', words: '' }] }).window.thickMm // 0.5
 */
export function windowFromLooks({ looks }: { looks: readonly CoatLook[] }): WindowFromLooks {
  const sorted = [...looks].sort((a, b) => requirePositive('coatMm', a.coatMm) - requirePositive('coatMm', b.coatMm));
  const right = sorted.filter((look) => look.verdict === 'right');
  if (right.length === 0) return { kind: 'nothingRight', looks: looks.length };
  const thinOpen = !sorted.some((look) => look.verdict === 'thin');
  const thickOpen = !sorted.some((look) => look.verdict === 'thick');
  const thinMm = thinOpen ? right[0]!.coatMm : bestCut(sorted, (look) => look.verdict === 'thin');
  const thickMm = thickOpen ? right.at(-1)!.coatMm : bestCut(sorted, (look) => look.verdict !== 'thick');
  const verdictAt = (mm: number): WindowVerdict => (mm < thinMm ? 'thin' : mm > thickMm ? 'thick' : 'right');
  const contradictions = sorted.filter((look) => verdictAt(look.coatMm) !== look.verdict).length;
  const words = (verdict: WindowVerdict): string =>
    sorted
      .filter((look) => look.verdict === verdict && look.words.trim())
      .at(-1)
      ?.words.trim() ?? '';
  // A window from a single coat has no width: it gets that of a caliper's error.
  const [low, high] = thinMm < thickMm ? [thinMm, thickMm] : [0.95 * Math.min(thinMm, thickMm), 1.05 * Math.max(thinMm, thickMm)];
  const window = { thinMm: low, thickMm: high, looks: { thin: words('thin'), right: words('right'), thick: words('thick') } };
  return { kind: 'ok', window, thinOpen, thickOpen, contradictions, looks: looks.length };
}

/** Returns the cut with most of the lower kind below it and the others above. */
function bestCut(sorted: readonly CoatLook[], isLower: (look: CoatLook) => boolean): number {
  let best = { wrong: Infinity, at: sorted[0]!.coatMm };
  for (let cut = 0; cut <= sorted.length; cut++) {
    const wrong = sorted.filter((look, index) => isLower(look) !== index < cut).length;
    if (wrong >= best.wrong) continue;
    const [below, above] = [sorted[cut - 1]?.coatMm, sorted[cut]?.coatMm];
    best = { wrong, at: below === undefined ? above! : above === undefined ? below : Math.sqrt(below * above) };
  }
  return best.at;
}
