export const APPLICATION_METHODS = ['dip', 'halfDips', 'pour', 'brush', 'spray', 'sponge', 'trail', 'rub'] as const;

/** How a coat goes on. Half dips are two that overlap, the second once the first is handle-dry; rubbed means a wash worked into texture and wiped back. */
export type ApplicationMethod = (typeof APPLICATION_METHODS)[number];

/** Share of the glaze that never stays on a pot, by method. Starting guesses. */
export const WASTE_SHARE: Readonly<Record<ApplicationMethod, number>> = {
  dip: 0.1,
  halfDips: 0.1,
  pour: 0.15,
  brush: 0.15,
  spray: 0.4,
  sponge: 0.15,
  trail: 0.1,
  rub: 0.3,
};
