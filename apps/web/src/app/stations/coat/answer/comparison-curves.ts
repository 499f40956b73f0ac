import {
  attempt,
  coated,
  coatPredictor,
  faceNow,
  waited,
  type CoatKnowledge,
  type CoatSituation,
  type Face,
  type PieceWall,
  type WallState,
} from '@cazuela/core';
import type { COMPARISONS } from './coat-question';

export interface ComparisonCurve {
  id: string;
  words: string;
  points: { x: number; y: number }[];
}

const POINTS = 60;
/** How long after the first the second dip is shown, minutes. */
export const SECOND_AFTER_MINUTES = 20;
/** Walls that are thinner and thicker than the one in question. */
const WALL_FACTORS = [0.6, 1.6];
/** A curve nearer than this is the same one. */
const SAME_SG = 0.004;
/** A curve this close to the main one lies under it. */
const SAME_SHARE = 0.005;

/** The curves to compare with: at the wanted SG, for a second dip, on a thinner and a thicker wall. */
export function comparisonCurves(question: {
  which: readonly (typeof COMPARISONS)[number][];
  situation: CoatSituation;
  knowledge: CoatKnowledge;
  wall: PieceWall;
  state: WallState;
  faces: readonly Face[];
  sgWanted: number;
  firstSeconds: number;
  mostSeconds: number;
}): ComparisonCurve[] {
  const { which, situation, knowledge, state, faces, sgWanted, mostSeconds } = question;
  const main = attempt(() => coatPredictor(situation, knowledge));
  const curve = (id: string, words: string, asked: CoatSituation): ComparisonCurve[] => {
    const made = attempt(() => coatPredictor(asked, knowledge));
    if (made.kind === 'refused') return [];
    const points = Array.from({ length: POINTS }, (_, index) => mostSeconds * (index / (POINTS - 1)) ** 2).flatMap((seconds) => {
      const { coat } = made.value(seconds);
      return coat.kind === 'ok' ? [{ x: seconds, y: coat.coatMm }] : [];
    });
    if (points.length === 0) return [];
    const [last, own] = [points.at(-1)!.y, main?.kind === 'ok' ? main.value(mostSeconds).coat : undefined];
    const same = own?.kind === 'ok' && Math.abs(last / own.coatMm - 1) < SAME_SHARE;
    return [{ id, words: same ? `${words}: the same here` : words, points }];
  };
  const made: ComparisonCurve[] = [];
  if (which.includes('sg') && Math.abs(situation.sg - sgWanted) > SAME_SG) {
    made.push(...curve('sg', `SG ${sgWanted.toFixed(2)}`, { ...situation, sg: sgWanted }));
  }
  if (which.includes('second')) {
    const first = attempt(() => coatPredictor(situation, knowledge)(question.firstSeconds).coat);
    if (first.kind === 'ok' && first.value.kind === 'ok') {
      const { coatMm, waterTakenMm, saturated } = first.value;
      const after = waited(coated(state, { faces, coatMm, waterMm: waterTakenMm, full: saturated }), SECOND_AFTER_MINUTES);
      made.push(...curve('second', `a second dip, ${SECOND_AFTER_MINUTES} min after`, { ...situation, ...faceNow(after, faces) }));
    }
  }
  if (which.includes('walls')) {
    for (const factor of WALL_FACTORS) {
      const wallMm = Number((factor * situation.wallMm).toFixed(1));
      made.push(...curve(`wall ${factor}`, `wall ${wallMm} mm`, { ...situation, wallMm }));
    }
  }
  return made;
}
