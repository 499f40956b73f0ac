import type { ClayBody, PieceBody, Recipe } from '@cazuela/contract';
import type { PiecePlan } from '@cazuela/core';
import { PiecePlanner } from '../app/stations/piece/piece-planner/piece-planner';
import { bucket, CLAY, id, piece, POWDERS, RECIPE, summaryOf } from './made-up';
import { FakeRecords } from './records';
import { Screen } from './screen';
import { WIDE_SCREEN } from './wide-screen';

/** Two buckets that stand in the studio. */
export const WHITE = bucket();
export const BLUE = bucket({ code: 'B2', body: { ...bucket().body, name: 'Noche Honda', colour: '#25305C' } });
export const coat = (bucketId: string, coatMm = 0.4, method: 'dip' | 'pour' = 'dip') => ({ id: id(), bucketId, method, coatMm });
export const zones = (change: Partial<PiecePlan['zones']> = {}): PiecePlan['zones'] => ({ inside: [], outside: [], rim: [], foot: [], ...change });

/** The planner with one piece, as the records answer it. */
export class PlannerScreen {
  private constructor(
    readonly screen: Screen<PiecePlanner>,
    readonly records: FakeRecords,
  ) {}

  static async open(
    plan: Partial<PiecePlan> = {},
    { body = {}, recipes = [RECIPE], bodies = [CLAY] }: { body?: Partial<PieceBody>; recipes?: Recipe[]; bodies?: ClayBody[] } = {},
  ): Promise<PlannerScreen> {
    const records = new FakeRecords([WIDE_SCREEN]);
    records.openStudio();
    const of = piece(plan);
    const made = { ...of, body: { ...of.body, ...body } };
    const screen = await Screen.open(PiecePlanner, { id: made.id });
    records.answer(`/pieces/${made.id}`, made);
    records.answer('/bodies', bodies);
    records.answer('/buckets', [summaryOf(WHITE), summaryOf(BLUE)]);
    records.answer('/recipes', recipes);
    records.answer('/powders', POWDERS);
    records.answer('/coats', []);
    records.answer('/runner-tiles', []);
    await screen.settle();
    return new PlannerScreen(screen, records);
  }

  /** What was saved last. Saves go one after another: each is answered until nothing is left to save. */
  saved(): PieceBody {
    let saved: PieceBody | undefined;
    for (;;) {
      const put = this.records.http.match((request) => request.method === 'PUT').at(-1);
      if (!put) return saved!;
      const { body, version } = put.request.body as { body: PieceBody; version: number };
      saved = body;
      put.flush({ id: put.request.url.split('/').at(-1)!, version: version + 1, createdAt: '2026-03-01T10:00:00.000Z', body });
    }
  }

  steps(): string {
    return this.screen
      .all('.steps .words')
      .map((step) => step.textContent!.replace(/\s+/g, ' ').trim())
      .join(' | ');
  }

  /** Chooses a place in the list. */
  at(place: string): Promise<void> {
    return this.screen.press(new RegExp(`^${place}(?! band)`));
  }
}
