/** Sd of ln J_cake, ln J_wall and ln f before anything was weighed. */
export const PRIOR_LN_SD = 0.5;

/** What a prediction rests on: the studio's own dips, counted by what they share with the question, or starting guesses alone. */
export type CoatBasis = { kind: 'startingGuess' } | { kind: 'learnt'; pair: number; glaze: number; body: number; thirstTest?: true };

/** What is known of one glaze on one body: J_cake and f belong to the glaze, J_wall to the bisque. */
export interface CoatKnowledge {
  /** How far ln J_cake, ln J_wall and ln f lie from their starting guesses. */
  shift: readonly [lnCake: number, lnWall: number, lnFilm: number];
  /** Covariance of the three. */
  covariance: readonly (readonly number[])[];
  basis: CoatBasis;
}

const variance = PRIOR_LN_SD ** 2;

/** Nothing was weighed yet. */
export const PRIOR_KNOWLEDGE: CoatKnowledge = {
  shift: [0, 0, 0],
  covariance: [
    [variance, 0, 0],
    [0, variance, 0],
    [0, 0, variance],
  ],
  basis: { kind: 'startingGuess' },
};
