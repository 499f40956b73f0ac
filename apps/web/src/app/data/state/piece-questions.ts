import { inject, Injectable } from '@angular/core';
import type { ClayBody, Piece } from '@cazuela/contract';
import { asThinned, layersOf, shapeOf, type GlazeFacts, type PairFlow, type PieceQuestion } from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { clayFactsOf } from './clay-facts';
import { Glazes } from './glazes';
import { learntFlows } from './learnt-flows';

interface Known {
  learnt: { facts: GlazeFacts[]; overlaps: PairFlow[] };
  pieces: Piece[];
  bodies: ClayBody[];
}

/** A piece of the studio, or the part of it that has these coats. */
export interface PieceAsked {
  pieceId: string;
  layerIds?: readonly string[] | undefined;
}

/** Plans of pieces with all that is known of their glazes, for what they do in the kiln. */
@Injectable({ providedIn: 'root' })
export class PieceQuestions {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);

  /** Emits what finds the question of a piece: undefined where its plan is not known any more. */
  all(): Observable<(asked: PieceAsked) => PieceQuestion | undefined> {
    return combineLatest({
      glazes: this.glazes.all(),
      runners: this.api.runnerTiles(),
      results: this.api.results(),
      pieces: this.api.pieces(),
      bodies: this.api.bodies(),
    }).pipe(
      map(({ glazes, bodies, ...fired }) => {
        const known = { learnt: learntFlows(fired, glazes), pieces: fired.pieces, bodies };
        return (asked) => questionOf(asked, known);
      }),
    );
  }
}

function questionOf({ pieceId, layerIds = [] }: PieceAsked, { learnt, pieces, bodies }: Known): PieceQuestion | undefined {
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
    ...(clay ? { body: clayFactsOf(clay, body.lotId, plan.refire ?? false) } : {}),
  };
}
