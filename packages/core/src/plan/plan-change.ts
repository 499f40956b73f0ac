/** What a way there does otherwise than drawn. */
export const PLAN_CHANGES = [
  'gum',
  'rimFirst',
  'stripFirst',
  'thinner',
  'brush',
  'pour',
  'dip',
  'oneDip',
  'insideFirst',
  'higherWax',
  'wax',
  'tape',
  'sponge',
  'overlap',
] as const;

export type PlanChange = (typeof PLAN_CHANGES)[number];

/** A step that nobody wants, as it would be done: by its way, or its kind. */
export interface UnwantedStep {
  key: string;
  by: string;
}
