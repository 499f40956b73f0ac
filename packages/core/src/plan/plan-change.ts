/** How an alternative differs from the plan as drawn. */
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

/** A step that nobody wants, by its key and its method or kind. */
export interface UnwantedStep {
  key: string;
  by: string;
}
