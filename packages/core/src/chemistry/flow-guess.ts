import type { Unity } from './oxides';

export interface FlowGuess {
  flow: number;
  /** Standard deviation of ln F. */
  lnSd: number;
  basis: 'startingGuess' | 'pottersWord' | 'runnerTile';
  /** Fired feet it leans on as well. */
  feet?: number;
}

/** How a potter says a glaze moves, at a normal dip, with the middle of its run in mm. */
export type MovementWord = 'stays' | 'moves' | 'runs' | 'pours';

/**
 * Starting guess of the flow figure at cone 6: ln F = ln 60 − 4(X − 0.92),
 * X = Al₂O₃ + 0.25 SiO₂ − 0.6 B₂O₃ in unity (− 0.9 for B₂O₃ above 0.6). A guess from the recipe, never a measurement.
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

/** Melted thickness of a normal dip, mm, and the middle run of each word, mm. */
const WORD_RUN_MM: Record<MovementWord, number> = { stays: 1, moves: 4, runs: 14, pours: 35 };
const NORMAL_MELT_MM = 0.3;

/** The potter's or the label's word is better than the recipe: sd of ln F 0.5. */
export function flowFromWord({ word }: { word: MovementWord }): FlowGuess {
  return { flow: WORD_RUN_MM[word] / NORMAL_MELT_MM ** 2, lnSd: 0.5, basis: 'pottersWord' };
}

/** The word for a flow figure, by the run of a normal dip on a wide band. */
export function movementWord({ flow }: { flow: number }): MovementWord {
  const runMm = NORMAL_MELT_MM ** 2 * flow;
  return runMm <= 2 ? 'stays' : runMm <= 8 ? 'moves' : runMm <= 25 ? 'runs' : 'pours';
}
