import { inject, Injectable } from '@angular/core';
import type { ClayBody, Piece } from '@cazuela/contract';
import { asThinned, layersOf, shapeOf, type GlazeFacts, type PairFlow, type PiecePlan, type PieceQuestion } from '@cazuela/core';
import { combineLatest, map, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { clayFactsOf } from './clay-facts';
import { Glazes } from './glazes';
import { learntFlows } from './learnt-flows';

interface Learnt {
  facts: GlazeFacts[];
  overlaps: PairFlow[];
}
interface Known {
  /** From all that was fired, but for one result. */
  learntWithout: (resultId: string | undefined) => Learnt;
  thought: readonly GlazeFacts[];
  pieces: Piece[];
  bodies: ClayBody[];
}

/** A piece of the studio, or the part of it that has these coats. */
export interface PieceAsked {
  pieceId: string;
  layerIds?: readonly string[] | undefined;
  /** A result that is to be explained: what it taught itself is no cause of it. */
  withoutResultId?: string | undefined;
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
        const learntWithout = (resultId: string | undefined): Learnt =>
          learntFlows({ ...fired, results: fired.results.filter(({ id }) => id !== resultId) }, glazes);
        const known = { learntWithout: lastKept(learntWithout), thought: glazes.facts, pieces: fired.pieces, bodies };
        return (asked) => questionOf(asked, known);
      }),
    );
  }
}

/** Many pieces are asked for with the same knowledge: it is worked out once. */
function lastKept<Answer>(work: (asked: string | undefined) => Answer): (asked: string | undefined) => Answer {
  let last: { asked: string | undefined; answer: Answer } | undefined;
  return (asked) => {
    if (!last || last.asked !== asked) last = { asked, answer: work(asked) };
    return last.answer;
  };
}

function questionOf(
  { pieceId, layerIds = [], withoutResultId }: PieceAsked,
  { learntWithout, thought, pieces, bodies }: Known,
): KnownPiece | undefined {
  const body = pieces.find(({ id }) => id === pieceId)?.body;
  const plans = body ? [body.plan, ...(body.parts ?? []).map((part) => part.plan)] : [];
  const plan = plans.find((one) => layerIds.every((id) => layersOf(one).some((layer) => layer.id === id)));
  if (!body || !plan) return undefined;
  const clay = bodies.find(({ id }) => id === body.bodyId);
  const learnt = learntWithout(withoutResultId);
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
function thoughtOf(plan: PiecePlan, learnt: Learnt, thought: readonly GlazeFacts[]): KnownPiece['thought'] {
  const used = new Set(layersOf(plan).map(({ bucketId }) => bucketId));
  const isLearnt = learnt.facts.some(
    ({ bucketId, flow }) => used.has(bucketId) && flow.flow !== thought.find((one) => one.bucketId === bucketId)?.flow.flow,
  );
  const hasPair = learnt.overlaps.some(({ a, b }) => used.has(a) && used.has(b));
  return { ...(isLearnt ? { glazes: asThinned(plan, thought) } : {}), ...(hasPair ? { overlaps: [] } : {}) };
}
