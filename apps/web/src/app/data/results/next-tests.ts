import { inject, Injectable } from '@angular/core';
import type { BucketSummary } from '@cazuela/contract';
import { glazeIdOf, rangeVerdict, recipeOfGlaze, seenCombinations, USUAL_CONE, type GlazeToTest, type NextTest, type TestCell } from '@cazuela/core';
import { converter } from 'culori';
import { combineLatest, map, shareReplay, switchMap, type Observable } from 'rxjs';
import { StudioApi } from '../http/studio-api';
import { workerAnswer } from '../worker-answer';
import { Glazes, type StudioGlazes } from '../state/glazes';
import { PieceQuestions } from '../state/piece-questions';
import type { NextTestsJob } from './next-tests-job';
import { nextTestsWorker } from './next-tests.worker-factory';
import type { WallOfTests } from './wall-tests';

const oklab = converter('oklab');

/** Which tests are worth making next, from all that hangs on the wall; worked out in a worker. */
@Injectable({ providedIn: 'root' })
export class NextTests {
  private readonly api = inject(StudioApi);
  private readonly glazes = inject(Glazes);
  private readonly questions = inject(PieceQuestions);

  private readonly found = new WeakMap<WallOfTests, Observable<NextTest[]>>();

  /** Looked for once, as long as nothing that hangs on the wall changed. */
  find(wall: WallOfTests, count: number): Observable<NextTest[]> {
    const before = this.found.get(wall);
    if (before) return before;
    const now = this.look(wall, count).pipe(shareReplay(1));
    this.found.set(wall, now);
    return now;
  }

  private look(wall: WallOfTests, count: number): Observable<NextTest[]> {
    return combineLatest({ glazes: this.glazes.all(), questionOf: this.questions.all(), pieces: this.api.pieces(), loads: this.api.loads() }).pipe(
      map(({ glazes, questionOf, pieces, loads }): NextTestsJob => {
        const fired = new Set(wall.tests.flatMap(({ of, state }) => (state === 'fired' && of.kind === 'result' ? [of.name] : [])));
        const glazeOf = new Map(glazes.buckets.map((bucket) => [bucket.id, glazeIdOf(bucket)]));
        const plans = pieces.flatMap(({ id, body }) => {
          const run = body.keeper || fired.has(body.name) ? undefined : questionOf({ pieceId: id });
          return run ? [{ run, combinations: seenCombinations(body.plan, (bucketId) => glazeOf.get(bucketId) ?? bucketId) }] : [];
        });
        // A runner tile is of no body of its own: its pair is tested, or about to be, on each.
        const onBodies = wall.tests.flatMap(({ bodyId, ...test }) =>
          bodyId === undefined ? wall.bodies.map(({ id }) => ({ ...test, bodyId: id })) : [{ ...test, bodyId }],
        );
        // An older version of a recipe is like the newest: nobody mixes it for a test.
        const cellOf = ({ lowerId, upperId, bodyId, cone }: TestCell): TestCell => ({
          ...(lowerId === undefined ? {} : { lowerId: recipeOfGlaze(lowerId) }),
          upperId: recipeOfGlaze(upperId),
          bodyId,
          cone,
        });
        return {
          count,
          plans,
          question: {
            glazes: wall.glazes.filter(({ id }) => recipeOfGlaze(id) === id).flatMap(({ id, colour }) => glazeToTest(id, colour, glazes)),
            bodyIds: wall.bodies.map(({ id }) => id),
            cones: mostUsed(wall),
            fired: onBodies
              .filter(({ state }) => state === 'fired')
              .map((test) => ({ ...cellOf(test), ...(test.stars === undefined ? {} : { stars: test.stars }) })),
            underWay: onBodies.filter(({ state }) => state !== 'fired').map(cellOf),
            hasRoom: loads.some(({ events }) => !events.some(({ type }) => type === 'fired')),
          },
        };
      }),
      switchMap((job) => workerAnswer<NextTestsJob, NextTest[]>(nextTestsWorker, job)),
    );
  }
}

/** The cone at which most is fired here: a next test is made there. */
function mostUsed({ tests }: WallOfTests): string[] {
  const counts = new Map<string, number>();
  for (const { cone } of tests) counts.set(cone, (counts.get(cone) ?? 0) + 1);
  const [most] = [...counts].sort(([, a], [, b]) => b - a);
  return [most?.[0] ?? USUAL_CONE];
}

/** Nothing where nobody knows what is in it. */
function glazeToTest(id: string, colour: string, { buckets, facts }: StudioGlazes): GlazeToTest[] {
  const bucket = buckets.find((one) => glazeIdOf(one) === id);
  const known = facts.find(({ bucketId }) => bucketId === bucket?.id);
  const of = oklab(colour);
  return [
    {
      id,
      oklab: [of?.l ?? 0.5, of?.a ?? 0, of?.b ?? 0],
      flow: known?.flow.flow ?? USUAL_FLOW,
      lnSd: known?.flow.lnSd ?? USUAL_LN_SD,
      shrinkPercent: known?.shrinkShare ?? USUAL_SHRINK,
      bucket: bucket ? bucketState(bucket) : 'none',
    },
  ];
}

/** Of a glaze that nobody mixed. */
const USUAL_FLOW = 60;
const USUAL_LN_SD = 0.8;
const USUAL_SHRINK = 15;

function bucketState({ contents, body }: BucketSummary): GlazeToTest['bucket'] {
  if (!contents) return 'none';
  return rangeVerdict({ sg: contents.sg, sgSd: contents.sgSd, lowSg: body.sgLow, highSg: body.sgHigh }) === 'inRange' ? 'inRange' : 'outOfRange';
}
