/** Methods that build a coat pass by pass. */
export type PassMethod = 'brushLoaded' | 'brushDry' | 'sponge' | 'spray';

interface PassWayFacts {
  /** Dry coat of one pass, mm: starting guess for any glaze. */
  guessMm: number;
  /** Sd of the ln of the guess, where it is less sure than usual. */
  guessLnSd?: number;
  waste: number;
  /** Labor for one pass over one piece, s, and drying before the next one, minutes, where there is a figure. */
  laborSeconds?: number;
  betweenMinutes: number;
}

/** There is no figure for a dabbed sponge: it is taken as a dry brush, and very unsure. */
export const PASS_METHODS: Readonly<Record<PassMethod, PassWayFacts>> = {
  brushLoaded: { guessMm: 0.13, waste: 0.15, laborSeconds: 150, betweenMinutes: 20 },
  brushDry: { guessMm: 0.08, waste: 0.15, laborSeconds: 150, betweenMinutes: 20 },
  sponge: { guessMm: 0.08, guessLnSd: 1, waste: 0.15, betweenMinutes: 20 },
  spray: { guessMm: 0.05, waste: 0.4, betweenMinutes: 0 },
};
