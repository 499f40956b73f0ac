import type { Unity } from './oxides';

export interface FlowGuess {
  flow: number;
  /** Standard deviation of ln F. */
  lnSd: number;
  basis: 'startingGuess' | 'pottersWord' | 'runnerTile';
  /** How many fired feet it rests on as well. */
  feet?: number;
  /** How many fired pieces whose run was measured it rests on as well. */
  pieces?: number;
}

/** How a potter says a glaze moves, at a normal dip, with the middle of its run in mm. */
export type MovementWord = 'stays' | 'moves' | 'runs' | 'pours';

/**
 * Returns a starting guess of the flow figure at cone 6: ln F = ln 60 − 4(X − 0.92), with X = Al₂O₃ + 0.25 SiO₂ − 0.6 B₂O₃ in unity (− 0.9
 * for B₂O₃ above 0.6).
 *
 * It is a guess from the recipe, never a measurement. The standard deviation of ln F is 0.9, for an unusual recipe 1.3, and 0.3 more with
 * over 5 % of colouring oxides.
 *
 * @param question - `unity`, the unity formula; `colouringPercent`, iron, titanium, phosphorus, tin and zirconium oxides in percent by
 * weight, 0 when left out
 * @example
 * flowGuess({ unity: { SiO2: 3, Al2O3: 0.35, CaO: 1 } }) // { flow: 29.205135, lnSd: 0.9, basis: 'startingGuess' }
 */
export function flowGuess({ unity, colouringPercent = 0 }: { unity: Unity; colouringPercent?: number }): FlowGuess {
  const silica = unity.SiO2 ?? 0;
  const alumina = unity.Al2O3 ?? 0;
  const boron = unity.B2O3 ?? 0;
  const x = alumina + 0.25 * silica - 0.6 * Math.min(boron, 0.6) - 0.9 * Math.max(0, boron - 0.6);
  const flow = Math.min(2000, Math.max(0.5, 60 * Math.exp(-4 * (x - 0.92))));
  const usual = silica >= 2 && silica <= 4.5 && alumina >= 0.15 && alumina <= 0.6 && boron < 0.6;
  return { flow, lnSd: (usual ? 0.9 : 1.3) + (colouringPercent > 5 ? 0.3 : 0), basis: 'startingGuess' };
}

/** Melted thickness of a normal dip, mm, and the middle run for each word, mm. */
const WORD_RUN_MM: Record<MovementWord, number> = { stays: 1, moves: 4, runs: 14, pours: 35 };
const NORMAL_MELT_MM = 0.3;

/**
 * Returns the flow figure of a word that a potter or a label says. It is better than the recipe: the standard deviation of ln F is 0.5.
 *
 * @param question - `word`, how the glaze moves
 * @example
 * flowFromWord({ word: 'moves' }) // { flow: 44.444444, lnSd: 0.5, basis: 'pottersWord' }
 */
export function flowFromWord({ word }: { word: MovementWord }): FlowGuess {
  return { flow: WORD_RUN_MM[word] / NORMAL_MELT_MM ** 2, lnSd: 0.5, basis: 'pottersWord' };
}

/** Under this flow figure a glaze stays dry and rough at its cone: a normal dip would run a quarter of a millimetre. */
const LEAST_MELTED_FLOW = 3;

/**
 * Returns whether a glaze of this flow figure melts at all. A limit of experience, as rough as the flow figure it is held against.
 *
 * @param question - `flow`, the flow figure in 1/mm, 0 or more
 * @example
 * meltsAtAll({ flow: 1.5 }) // false
 */
export const meltsAtAll = ({ flow }: { flow: number }): boolean => flow >= LEAST_MELTED_FLOW;

/**
 * Returns the word for a flow figure, by the run of a normal dip on a wide band.
 *
 * @param question - `flow`, the flow figure in 1/mm, 0 or more
 * @example
 * movementWord({ flow: 60 }) // 'moves'
 */
export function movementWord({ flow }: { flow: number }): MovementWord {
  const runMm = NORMAL_MELT_MM ** 2 * flow;
  return runMm <= 2 ? 'stays' : runMm <= 8 ? 'moves' : runMm <= 25 ? 'runs' : 'pours';
}
