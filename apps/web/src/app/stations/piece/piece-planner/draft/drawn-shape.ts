import { computed, type Signal } from '@angular/core';
import { PIECE_SHAPES, shapeOf, type PiecePlan, type PieceShape } from '@cazuela/core';

/** The shape of a plan; the same object while its form is unchanged. */
export function drawnShape(plan: () => PiecePlan | undefined): Signal<PieceShape> {
  const drawn = computed(() => drawnOf(plan()), { equal: sameParts });
  return computed(() => {
    const form = drawn();
    return form ? shapeOf(form) : PIECE_SHAPES[0]!;
  });
}

/** The parts of a plan: a change of one keeps the object identity of the others. */
export const sameParts = (a: object | undefined, b: object | undefined): boolean =>
  a === b ||
  (a !== undefined && b !== undefined && [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => partOf(a, key) === partOf(b, key)));

const partOf = (of: object, key: string): unknown => (of as Record<string, unknown>)[key];
const drawnOf = (plan: PiecePlan | undefined): Pick<PiecePlan, 'shapeId' | 'form'> | undefined => plan && { shapeId: plan.shapeId, form: plan.form };
