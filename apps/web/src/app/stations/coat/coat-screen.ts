import { computed, inject, Injectable, signal } from '@angular/core';
import type { BucketSummary, CoatDipBody } from '@cazuela/contract';
import {
  bisqueOf,
  wallObservations,
  glazeIdOf,
  coatObservations,
  passReadings,
  attempt,
  coatCurve,
  coatPredictor,
  dryWall,
  faceNow,
  knowledgeOf,
  predictCoat,
  predictSeconds,
  sgForCoat,
  tooShortForHands,
  waitForCoat,
  wallAfter,
  type CoatKnowledge,
  type CoatSituation,
} from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { CoatLearner } from '../../data/learning/coat-learner';
import { sessionSignal } from '../../data/offline/kept-signal';
import { StudioApi } from '../../data/http/studio-api';
import { StudioStore } from '../../data/state/studio-store';
import { comparisonCurves } from './answer/comparison-curves';
import { facesOf, pieceTreatments, questionSchema, START, type Question } from './answer/coat-question';
import { curveSeconds } from './coat-words';
import { PutAwayStore } from '../../data/state/put-away-store';

/** Enough for a curve that bends once; each point is computed and painted on every move of a drag. */
const CURVE_POINTS = 80;
/** Where neither the lot nor the body says. */
const USUAL_WALL_MM = 5;

/** What the coat station asks and knows, shared by its answer, its chart and its benches. */
@Injectable()
export class CoatScreen {
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  private readonly away = inject(PutAwayStore);
  readonly all = apiResource(() =>
    combineLatest({
      buckets: this.api.buckets(),
      bodies: this.api.bodies(),
      powders: this.api.powders(),
      dips: this.api.coatDips(),
      windows: this.api.coatWindows(),
    }),
  );
  readonly question = sessionSignal<Question>('coat', START, (kept) => questionSchema.safeParse(kept).data);
  readonly buckets = computed(() => this.all.value()?.buckets.filter((bucket) => bucket.contents) ?? []);
  readonly bodies = computed(() => this.all.value()?.bodies ?? []);
  readonly bucket = computed(() => this.buckets().find((bucket) => bucket.id === this.question().bucketId) ?? this.buckets()[0]);
  readonly body = computed(() => this.bodies().find((body) => body.id === this.question().bodyId) ?? this.bodies()[0]);
  readonly bisque = computed(() => {
    const body = this.body();
    return body && bisqueOf(body, this.question().lotId);
  });
  readonly wallMm = computed(() => this.question().wallMm ?? this.bisque()?.wallMm ?? USUAL_WALL_MM);
  readonly sg = computed(() => this.question().sg ?? this.bucket()?.contents?.sg ?? null);
  /** Seconds from the dip timer, passed to the measured dips. */
  readonly timed = signal<readonly number[]>([]);

  readonly observations = computed(() => coatObservations(this.all.value()?.dips ?? []));
  readonly lessons = inject(CoatLearner).learn(computed(() => ({ observations: this.observations(), walls: wallObservations(this.bodies()) })));
  readonly learning = this.lessons.learning;
  readonly pair = computed(() => ({ glazeId: this.bucket() ? glazeIdOf(this.bucket()!) : '', bodyId: this.body()?.id ?? '' }));
  readonly knowledge = computed(() => knowledgeOf(this.learning(), this.pair()));
  readonly passReadings = computed(() => passReadings(this.all.value()?.dips ?? [], this.pair().glazeId));
  readonly pairDips = computed(() => {
    const { glazeId, bodyId } = this.pair();
    return this.observations().filter((dip) => dip.glazeId === glazeId && dip.bodyId === bodyId);
  });
  readonly windowDocument = computed(() => {
    const { glazeId, bodyId } = this.pair();
    return this.all.value()?.windows.find((one) => one.glazeId === glazeId && one.bodyId === bodyId);
  });
  /** A window that is put away decides nothing. */
  readonly window = computed(() => {
    const document = this.windowDocument();
    return document && !this.away.find({ kind: 'window', id: document.id }) ? document.changes.at(-1)?.window : undefined;
  });

  readonly wall = computed(() => {
    const bisque = this.bisque();
    if (!bisque) return undefined;
    const { bisqueCone, earthenware, absorptionPercent } = bisque;
    return { bisqueCone, earthenware, absorptionPercent, wallMm: this.wallMm() };
  });
  /** The wall as it is now, after all treatments. */
  readonly wallState = computed(() => {
    const [wall, bucket] = [this.wall(), this.bucket()];
    if (!wall || !bucket) return undefined;
    const asked = attempt(() =>
      wallAfter(
        wall,
        pieceTreatments(this.question().treatments, this.buckets(), bucket, (one) => this.knowledgeOfBucket(one)),
      ),
    );
    return asked.kind === 'ok' ? asked.value : dryWall(wall);
  });
  readonly faces = computed(() => facesOf(this.question().face));
  /** What the dip meets compared with a fresh dry wall; undefined where the piece is untouched. */
  readonly before = computed(() => {
    const state = this.wallState();
    const { treatments, firedUnder } = this.question();
    if (!state || (treatments.length === 0 && !firedUnder)) return undefined;
    const { underMm, underDryness, wallTakenMm, thirst } = faceNow(state, this.faces());
    return { underMm, underDryness, wallTakenMm, thirst, ...(firedUnder ? { firedUnder } : {}) };
  });
  readonly glaze = computed(() => {
    const [contents, sg] = [this.bucket()?.contents, this.sg()];
    return contents && sg !== null ? { sg, density: contents.density, state: contents.slurryState } : undefined;
  });
  readonly situation = computed<CoatSituation | undefined>(() => {
    const [glaze, wall] = [this.glaze(), this.wall()];
    if (!glaze || !wall) return undefined;
    return { ...glaze, ...wall, faces: this.faces().length === 2 ? 2 : 1, ...this.before() };
  });
  readonly predictor = computed(() => {
    const situation = this.situation();
    const asked = situation && attempt(() => coatPredictor(situation, this.knowledge()));
    return asked?.kind === 'ok' ? asked.value : undefined;
  });
  readonly result = computed(() => {
    const situation = this.situation();
    const { seconds, coatMm } = this.question();
    if (!situation || seconds === null || coatMm === null) return undefined;
    return attempt(() => {
      const known = this.knowledge();
      const wanted = predictSeconds({ ...situation, coatMm }, known);
      const at = predictCoat({ ...situation, seconds }, known);
      // The band of the wanted coat: what comes out when the seconds are kept exactly.
      const band = wanted.kind === 'ok' ? predictCoat({ ...situation, seconds: wanted.seconds }, known) : undefined;
      const mostSeconds = curveSeconds(wanted, seconds);
      const tooShort = tooShortForHands({ ...situation, coatMm, method: 'dip', bucket: this.bucket()!.contents! }, known);
      const curve = coatCurve({ ...situation, points: CURVE_POINTS, mostSeconds }, known);
      const sgWanted = seconds > 0 ? sgForCoat({ ...situation, seconds, coatMm }, known) : undefined;
      return { wanted, tooShort, at, band, curve, mostSeconds, sgWanted };
    });
  });
  readonly wantedSeconds = computed(() => {
    const result = this.result();
    return result?.kind === 'ok' && result.value.wanted.kind === 'ok' && !result.value.tooShort ? result.value.wanted.seconds : undefined;
  });
  /** How long the wall has to rest first, when it has to. */
  readonly wait = computed(() => {
    const [state, wall, glaze, coatMm] = [this.wallState(), this.wall(), this.glaze(), this.question().coatMm];
    if (!state || !wall || !glaze || coatMm === null || this.question().firedUnder) return undefined;
    const air = this.question().treatments.findLast((treatment) => treatment.kind === 'waited')?.air ?? 'usual';
    const asked = attempt(() => waitForCoat({ state, faces: this.faces(), coatMm, glaze, wall, air }, this.knowledge()));
    return asked.kind === 'ok' ? asked.value : undefined;
  });
  /** Comparison curves in the same picture. */
  readonly also = computed(() => {
    const [situation, bucket, wall, state, result] = [this.situation(), this.bucket(), this.wall(), this.wallState(), this.result()];
    if (!situation || !bucket || !wall || !state || result?.kind !== 'ok') return [];
    return comparisonCurves({
      which: this.question().also,
      situation,
      knowledge: this.knowledge(),
      wall,
      state,
      faces: this.faces(),
      sgWanted: (bucket.body.sgLow + bucket.body.sgHigh) / 2,
      firstSeconds: this.wantedSeconds() ?? this.question().seconds ?? 0,
      mostSeconds: result.value.mostSeconds,
    });
  });

  /** What a measured dip of this bucket on this lot stores with it; the glaze as the bucket stands, unless given otherwise. */
  dipHead(glaze = this.glaze()): Omit<CoatDipBody, 'at' | 'seconds' | 'reading'> | undefined {
    const [bucket, bisque, before] = [this.bucket(), this.bisque(), this.before()];
    if (!bucket || !bisque || !glaze) return undefined;
    const { bisqueCone, earthenware, absorptionPercent, lot } = bisque;
    return {
      by: this.store.by(),
      bucketId: bucket.id,
      ...this.pair(),
      ...(lot ? { lotId: lot.id } : {}),
      ...glaze,
      bisqueCone,
      earthenware,
      ...(absorptionPercent === undefined ? {} : { absorptionPercent }),
      ...(before ? { before } : {}),
      wallMm: this.wallMm(),
      faces: this.faces().length === 2 ? 2 : 1,
    };
  }

  /** Asks of the glaze and the clay of a window; false where it is not here. */
  askOfWindow(id: string): boolean {
    const document = this.all.value()?.windows.find((one) => one.id === id);
    const bucket = this.buckets().find((one) => glazeIdOf(one) === document?.glazeId);
    if (!document || !bucket) return false;
    this.change({ bucketId: bucket.id, bodyId: document.bodyId, lotId: '', sg: null, wallMm: null });
    return true;
  }

  change(change: Partial<Question>): void {
    this.question.update((question) => ({ ...question, ...change }));
  }

  knowledgeOfBucket(bucket: BucketSummary): CoatKnowledge {
    return knowledgeOf(this.learning(), { glazeId: glazeIdOf(bucket), bodyId: this.pair().bodyId });
  }
}
