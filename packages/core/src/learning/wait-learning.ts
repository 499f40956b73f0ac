import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { requirePositive } from '../checks/require';
import { maximumAPosteriori } from '../math/maximum-a-posteriori';
import { normalInterval, type IntervalLikelihood } from '../math/normal-interval';

/** How a wait differs from its guess, ln: by glaze, clay body and day. Starting guesses. */
const GLAZE_LN_SD = 0.4;
const BODY_LN_SD = 0.2;
const DAY_LN_SD = 0.2;
/** One piece scatters about the wait of its glaze, body and day by this, ln. */
export const WAIT_LN_SD = 0.25;

/** What a potter's taps say of one wait: "not dry yet" gives `afterMinutes`, "dry" gives `byMinutes`. */
export interface DryTap {
  glaze: string;
  body: string;
  day: string;
  /** What was guessed for this coat on this wall, minutes. */
  guessMinutes: number;
  afterMinutes?: number | undefined;
  byMinutes?: number | undefined;
}

/** A wait that is asked for. */
export type WaitQuestion = Omit<DryTap, 'afterMinutes' | 'byMinutes'>;

export interface WaitEstimate {
  /** The middle wait, minutes. */
  minutes: number;
  /** Sd of the ln of the middle wait; a piece scatters by `WAIT_LN_SD` more. */
  sdLn: number;
}

/** What all taps of a studio taught. */
export interface WaitKnowledge {
  of: (ask: WaitQuestion) => WaitEstimate;
  /** How many taps of this glaze are part of it. */
  tapsOf: (glaze: string) => number;
}

/**
 * Returns the wait of a glaze on a body on a day as the studio's taps taught it: maximum a posteriori with Laplace's covariance. Without taps it
 * is the guess.
 *
 * Source: ln wait = ln guess + glaze + body + day; a tap says an interval, open where nobody looked.
 *
 * @param question - `dries`, taps of the studio; `ask`, the wait that is wanted
 * @throws PotterError where a guess is not more than 0, or a piece was dry before it was wet
 * @example
 * learnWaits({ dries: [], ask: { glaze: 'ash', body: 'clay', day: '1', guessMinutes: 8 } }).minutes // 8
 */
export const learnWaits = ({ dries, ask }: { dries: readonly DryTap[]; ask: WaitQuestion }): WaitEstimate => waitsFrom(dries).of(ask);

/**
 * Returns what taps taught, to be asked many times.
 *
 * @param dries - taps of the studio
 * @throws PotterError as `learnWaits`
 * @example
 * waitsFrom([]).tapsOf('ash') // 0
 */
export function waitsFrom(dries: readonly DryTap[]): WaitKnowledge {
  const told = dries.filter(({ afterMinutes, byMinutes }) => afterMinutes !== undefined || byMinutes !== undefined);
  const effects = new Map<string, number>();
  const sds: number[] = [];
  const effect = (key: string, lnSd: number): number => {
    const known = effects.get(key);
    if (known !== undefined) return known;
    sds.push(lnSd);
    effects.set(key, sds.length - 1);
    return sds.length - 1;
  };
  const seen = told.map((tap) => ({
    rows: [effect(`glaze ${tap.glaze}`, GLAZE_LN_SD), effect(`body ${tap.body}`, BODY_LN_SD), effect(`day ${tap.day}`, DAY_LN_SD)],
    guessLn: Math.log(requirePositive('minutes', tap.guessMinutes)),
    low: tap.afterMinutes === undefined ? -Infinity : Math.log(Math.max(tap.afterMinutes, 1e-6)),
    high: tap.byMinutes === undefined ? Infinity : Math.log(requirePositive('minutes', tap.byMinutes)),
  }));
  const looks = (mean: readonly number[]): IntervalLikelihood[] =>
    seen.map(({ rows, guessLn, low, high }) =>
      normalInterval({ low, high, mean: rows.reduce((sum, row) => sum + mean[row]!, guessLn), sd: WAIT_LN_SD }),
    );
  const { mean, slopes } = maximumAPosteriori<{ right: number[]; information: CholeskyDecomposition }>({
    size: sds.length,
    cost: (at) => at.reduce((sum, value, row) => sum + (value / sds[row]!) ** 2, -2 * looks(at).reduce((sum, { ln }) => sum + ln, 0)),
    slopesAt: (at) => {
      const information = Matrix.diag(sds.map((sd) => 1 / sd ** 2));
      const right = at.map((value, row) => -value / sds[row]! ** 2);
      looks(at).forEach(({ slope, hold }, index) => {
        const { rows } = seen[index]!;
        for (const one of rows) {
          right[one]! += slope;
          for (const other of rows) information.set(one, other, information.get(one, other) + hold);
        }
      });
      return { right, information: new CholeskyDecomposition(information) };
    },
    stepFrom: ({ right, information }) => (right.length === 0 ? [] : information.solve(Matrix.columnVector(right)).to1DArray()),
  });
  const taps = new Map<string, number>();
  for (const { glaze } of told) taps.set(glaze, (taps.get(glaze) ?? 0) + 1);
  return {
    tapsOf: (glaze) => taps.get(glaze) ?? 0,
    of: ({ glaze, body, day, guessMinutes }) => {
      const asked: [string, number][] = [
        [`glaze ${glaze}`, GLAZE_LN_SD],
        [`body ${body}`, BODY_LN_SD],
        [`day ${day}`, DAY_LN_SD],
      ];
      // What was never seen is known as before: its own spread, apart from all else.
      const known = asked.flatMap(([key]) => effects.get(key) ?? []);
      const unseen = asked.reduce((sum, [key, lnSd]) => sum + (effects.has(key) ? 0 : lnSd ** 2), 0);
      const pick = Matrix.columnVector(sds.map((_, row) => (known.includes(row) ? 1 : 0)));
      const spread = known.length === 0 ? 0 : pick.transpose().mmul(slopes.information.solve(pick)).get(0, 0);
      return {
        minutes: requirePositive('minutes', guessMinutes) * Math.exp(known.reduce((sum, row) => sum + mean[row]!, 0)),
        sdLn: Math.sqrt(spread + unseen),
      };
    },
  };
}
