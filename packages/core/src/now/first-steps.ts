/** What a studio has of each; by feel or by SG. */
export interface FirstHourStudio {
  bodies: number;
  scales: number;
  vessels: number;
  recipes: number;
  /** Buckets with glaze in them, and how many of those were measured, or felt. */
  filledBuckets: number;
  measuredBuckets: number;
  tiles: number;
  pieces: number;
  /** A studio that works by feel needs no vessel. */
  byFeel: boolean;
}

export const FIRST_STEPS = ['body', 'vessel', 'recipe', 'weigh', 'measure', 'tile', 'piece'] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** The first steps of a studio with what is done of them. */
export interface FirstHour {
  steps: readonly { step: FirstStep; done: boolean }[];
  /** The first one that is open; left out when all are done. */
  next?: FirstStep;
}

/**
 * Returns the way of a new studio from nothing to its first planned piece: clay body, scale and vessel, recipe, a weighed batch, its SG, a step
 * tile, a piece. Steps may be taken in any order; the next is the first that is open.
 *
 * @param studio - what the studio has
 * @example
 * firstHour({ bodies: 1, scales: 1, vessels: 0, recipes: 0, filledBuckets: 0, measuredBuckets: 0, tiles: 0, pieces: 0, byFeel: false }).next // 'vessel'
 */
export function firstHour(studio: FirstHourStudio): FirstHour {
  const done: Record<FirstStep, boolean> = {
    body: studio.bodies > 0,
    vessel: studio.scales > 0 && (studio.byFeel || studio.vessels > 0),
    recipe: studio.recipes > 0,
    weigh: studio.filledBuckets > 0,
    measure: studio.measuredBuckets > 0,
    tile: studio.tiles > 0,
    piece: studio.pieces > 0,
  };
  const steps = FIRST_STEPS.map((step) => ({ step, done: done[step] }));
  const next = steps.find((one) => !one.done)?.step;
  return { steps, ...(next ? { next } : {}) };
}
