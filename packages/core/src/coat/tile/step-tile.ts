import { PotterError } from '../../checks/potter-error';
import { requirePositive } from '../../checks/require';
import type { CoatKnowledge } from '../prediction/knowledge';
import { coatPredictor, predictSeconds, type CoatSituation } from '../prediction/predict';
import type { SecondsForCoat } from '../prediction/seconds-for-coat';
import { coated, dryWall, faceNow, waited, type WallState } from '../wall/wall-state';
import { EIGHTY_PERCENT_Z } from '../../math/normal';

/** Drawn out strip by strip in one go, or dipped again and again with less of it under each time. */
export type TileMethod = 'inOneGo' | 'dipOverDip';

export interface StepTileStrip {
  wantedMm: number;
  /** The coat with its 80 % band; left out where it cannot be reached. */
  coatMm?: number;
  lowMm?: number;
  highMm?: number;
  /** In one go: seconds from going under until this strip comes out. Dip over dip: seconds of the dip that reaches down to this strip. */
  seconds: SecondsForCoat;
  /** Depth from the lower end that is under, mm. */
  depthMm: number;
}

export interface StepTilePlan {
  /** From the thinnest strip at the top to the thickest at the foot. */
  strips: readonly StepTileStrip[];
  stripMm: number;
  /** Two strips so close in time that a person cannot tell them apart. */
  tooClose: boolean;
}

/** Bare clay at the top to hold the tile by, mm, and the narrowest strip that can be read. */
const HOLD_MM = 15;
const NARROWEST_STRIP_MM = 10;
/** People count seconds to about 0.3 s: strips closer than two of these cannot be told apart. */
const TELL_APART_SECONDS = 0.6;
const MOST_STRIPS = 8;

/**
 * Returns how to dip a tile so that its strips have the wanted coats: seconds and depths, the thinnest at the top.
 *
 * @param question - `wantedMm`, rising, above 0; `tileHighMm`; the situation; `method`, in one go or dip over dip; `betweenMinutes`, 20 when
 * left out
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for coats that do not rise, or a tile too low for its strips
 * @example
 * planStepTile({ wantedMm: [0.4, 0.6], tileHighMm: 95, situation: { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 }, method: 'inOneGo' }).strips.length
 * // 2
 */
export function planStepTile(
  question: { wantedMm: readonly number[]; tileHighMm: number; situation: CoatSituation; method: TileMethod; betweenMinutes?: number },
  knowledge?: CoatKnowledge,
): StepTilePlan {
  const { tileHighMm, situation, method, betweenMinutes = 20 } = question;
  const wanted = [...new Set(question.wantedMm)].sort((a, b) => a - b);
  if (wanted.length === 0) throw new PotterError('emptyList', 'wantedMm', 0, 'Say at least one thickness the tile should show.');
  if (wanted.length > MOST_STRIPS) throw new PotterError('tooLarge', 'wantedMm', wanted.length, `A tile shows at most ${MOST_STRIPS} thicknesses.`);
  for (const mm of wanted) requirePositive('coatMm', mm);
  const stripMm = (requirePositive('tileHighMm', tileHighMm) - HOLD_MM) / wanted.length;
  if (stripMm < NARROWEST_STRIP_MM) {
    const needsMm = HOLD_MM + NARROWEST_STRIP_MM * wanted.length;
    throw new PotterError(
      'tooSmall',
      'tileHighMm',
      tileHighMm,
      `${wanted.length} strips need a tile of at least ${needsMm} mm: take a taller one, or fewer thicknesses.`,
    );
  }
  const depthOf = (index: number): number => stripMm * (wanted.length - index);
  const strips = method === 'inOneGo' ? inOneGo() : dipOverDip();
  const times = strips.flatMap(({ seconds }) => (seconds.kind === 'ok' ? [seconds.seconds] : []));
  const tooClose = method === 'inOneGo' && times.some((seconds, index) => index > 0 && seconds - times[index - 1]! < TELL_APART_SECONDS);
  return { strips, stripMm, tooClose };

  function inOneGo(): StepTileStrip[] {
    const predict = coatPredictor(situation, knowledge);
    return wanted.map((wantedMm, index) => {
      const seconds = predictSeconds({ ...situation, coatMm: wantedMm }, knowledge);
      const head = { wantedMm, seconds, depthMm: depthOf(index) };
      if (seconds.kind !== 'ok') return head;
      const { coat, lowMm, highMm } = predict(seconds.seconds);
      return coat.kind === 'ok' ? { ...head, coatMm: coat.coatMm, lowMm: lowMm!, highMm: highMm! } : head;
    });
  }

  /** Strip by strip: each dip leaves one more strip above the glaze and adds to all below it. */
  function dipOverDip(): StepTileStrip[] {
    const dips: number[] = [];
    return wanted.map((wantedMm, index) => {
      const before = dips.reduce((state, seconds) => waited(dippedOnce(state, seconds), betweenMinutes), dryWall(situation));
      const now = { ...situation, ...faceNow(before, ['outside']) };
      const missing = wantedMm - before.outside.coatMm;
      const head = { wantedMm, depthMm: depthOf(index) };
      if (missing <= 0) return { ...head, seconds: { kind: 'filmAlreadyExceeds', filmCoatMm: before.outside.coatMm } as const };
      const seconds = predictSeconds({ ...now, coatMm: missing }, knowledge);
      // A dip that cannot be made is left out; the strips below build on the others.
      if (seconds.kind !== 'ok') return { ...head, seconds };
      dips.push(seconds.seconds);
      const { coat, lnSd = 0 } = coatPredictor(now, knowledge)(seconds.seconds);
      const coatMm = before.outside.coatMm + (coat.kind === 'ok' ? coat.coatMm : 0);
      // The dips beneath share glaze and wall with this one, so their errors go together.
      const spread = Math.exp(EIGHTY_PERCENT_Z * lnSd);
      return { ...head, seconds, coatMm, lowMm: coatMm / spread, highMm: coatMm * spread };
    });
  }

  function dippedOnce(state: WallState, seconds: number): WallState {
    const { coat } = coatPredictor({ ...situation, ...faceNow(state, ['outside']) }, knowledge)(seconds);
    return coat.kind === 'ok' ? coated(state, { faces: ['outside'], coatMm: coat.coatMm, waterMm: coat.waterTakenMm, full: coat.saturated }) : state;
  }
}
