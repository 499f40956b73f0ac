import { inject, Injectable } from '@angular/core';
import type { ClayBody, Piece } from '@cazuela/contract';
import { asThinned, layersOf, shapeOf, type GlazeFacts, type PairFlow, type PiecePlan, type PieceQuestion } from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { clayFactsOf } from './clay-facts';
import { Glazes } from './glazes';
import { learntFlows } from './learnt-flows';

interface Known {
  learnt: { facts: GlazeFacts[]; overlaps: PairFlow[] };
  thought: readonly GlazeFacts[];
  pieces: Piece[];
  bodies: ClayBody[];
}

/** A piece of the studio, or the part of it that has these coats. */
export interface PieceAsked {
  pieceId: string;
  layerIds?: readonly string[] | undefined;
}

/** Its plan with what is known, and what was thought before tiles and fired pieces taught. */
export interface KnownPiece extends PieceQuestion {
  thought: { glazes?: readonly GlazeFacts[]; overlaps?: readonly PairFlow[] };
}

/** Plans of pieces with all that is known of their glazes, for what they do in the kiln. */
@Injectable({ providedIn: 'root' })
export class PieceQuestions {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);

  /** Emits what finds the question of a piece: undefined where its plan is not known any more. */
  all(): Observable<(asked: PieceAsked) => KnownPiece | undefined> {
    return combineLatest({
      glazes: this.glazes.all(),
      runners: this.api.runnerTiles(),
      results: this.api.results(),
      pieces: this.api.pieces(),
      bodies: this.api.bodies(),
    }).pipe(
      map(({ glazes, bodies, ...fired }) => {
        const known = { learnt: learntFlows(fired, glazes), thought: glazes.facts, pieces: fired.pieces, bodies };
        return (asked) => questionOf(asked, known);
      }),
    );
  }
}

function questionOf({ pieceId, layerIds = [] }: PieceAsked, { learnt, thought, pieces, bodies }: Known): KnownPiece | undefined {
  const body = pieces.find(({ id }) => id === pieceId)?.body;
  const plans = body ? [body.plan, ...(body.parts ?? []).map((part) => part.plan)] : [];
  const plan = plans.find((one) => layerIds.every((id) => layersOf(one).some((layer) => layer.id === id)));
  if (!body || !plan) return undefined;
  const clay = bodies.find(({ id }) => id === body.bodyId);
  return {
    plan,
    shape: shapeOf(plan),
    glazes: asThinned(plan, learnt.facts),
    overlaps: learnt.overlaps,
    thought: thoughtOf(plan, learnt, thought),
    ...(clay ? { body: clayFactsOf(clay, body.lotId, plan.refire ?? false) } : {}),
  };
}

/** Only where something was learnt of a glaze, or a pair, of this plan. */
function thoughtOf(plan: PiecePlan, learnt: Known['learnt'], thought: readonly GlazeFacts[]): KnownPiece['thought'] {
  const used = new Set(layersOf(plan).map(({ bucketId }) => bucketId));
  const isLearnt = learnt.facts.some(
    ({ bucketId, flow }) => used.has(bucketId) && flow.flow !== thought.find((one) => one.bucketId === bucketId)?.flow.flow,
  );
  const hasPair = learnt.overlaps.some(({ a, b }) => used.has(a) && used.has(b));
  return { ...(isLearnt ? { glazes: asThinned(plan, thought) } : {}), ...(hasPair ? { overlaps: [] } : {}) };
}
