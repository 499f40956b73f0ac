export const APPLICATION_METHODS = ['dip', 'pour', 'brush', 'spray', 'sponge', 'rub'] as const;

/** How a coat goes on. Rubbed means a wash worked into texture and wiped back. */
export type ApplicationMethod = (typeof APPLICATION_METHODS)[number];

/** Share of the glaze that never stays on a pot, by method. Starting guesses. */
export const WASTE_SHARE: Readonly<Record<ApplicationMethod, number>> = { dip: 0.1, pour: 0.15, brush: 0.15, spray: 0.4, sponge: 0.15, rub: 0.3 };
