import type { ClayBody, PieceBody } from '@cazuela/contract';
import type { PiecePlan } from '@cazuela/core';

/** The plan with one thing another: its clay body, its cone, or the SG of one bucket. */
export type PlanVariant =
  { kind: 'planned' } | { kind: 'body'; bodyId: string } | { kind: 'cone'; cone: string } | { kind: 'sg'; bucketId: string; sg: number };

/** What a variant changes of the piece. */
export function variantChange(variant: PlanVariant, plan: PiecePlan): Partial<PieceBody> {
  switch (variant.kind) {
    case 'planned':
      return {};
    case 'body':
      return { bodyId: variant.bodyId, lotId: undefined };
    case 'cone':
      return { plan: { ...plan, cone: variant.cone } };
    case 'sg': {
      const { bucketId, sg } = variant;
      return { plan: { ...plan, thinned: [...(plan.thinned ?? []).filter((one) => one.bucketId !== bucketId), { bucketId, sg }] } };
    }
  }
}

/** A variant in the words of the bench. */
export function variantWords(variant: PlanVariant, { bodies, names }: { bodies: readonly ClayBody[]; names: ReadonlyMap<string, string> }): string {
  switch (variant.kind) {
    case 'planned':
      return 'As planned';
    case 'body':
      return `On ${bodies.find(({ id }) => id === variant.bodyId)?.name ?? 'another body'}`;
    case 'cone':
      return `At cone ${variant.cone}`;
    case 'sg':
      return `${names.get(variant.bucketId) ?? 'The glaze'} at SG ${variant.sg.toFixed(2)}`;
  }
}
