/** A line is called safe when the shelf is reached less often than this. */
export const SAFE_CHANCE = 0.05;
