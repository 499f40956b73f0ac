import { checkAgainst, readFile } from '@cazuela/formats';
import { attempt, coatMap, quickSafeLine } from '@cazuela/core';
import type { MapAnswer, MapQuestion } from '../app/stations/coat/map/coat-map-protocol';
import { doRunJob } from '../app/stations/piece/piece-planner/run/run-job';
import type { RunJob, RunMessage } from '../app/stations/piece/piece-planner/run/run-protocol';
import { doAlternativesJob, type AlternativesJob } from '../app/stations/piece/piece-planner/alternatives/alternatives-job';
import { answerCoatLearning, type CoatLearningQuestion } from '../app/data/learning/coat-learning-protocol';
import { doDayPlanJob, type DayPlanJob, type DayPlanMessage } from '../app/stations/day/plan/day-plan-protocol';
import { doCoatRiskJob, type CoatRiskJob } from '../app/stations/day/bench/coat-risk-job';
import { doNextTestsJob, type NextTestsJob } from '../app/data/results/next-tests-job';
import { doRunCausesJob, type RunCausesJob } from '../app/data/results/run-causes-job';
import { doLoadJob, type LoadJob } from '../app/data/loads/load-job';
import type { ReadAnswer, ReadQuestion } from '../app/stations/recipe/files-page/read-file-protocol';

type AtOnce = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

export const coatMapWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage({ ask, question, knowledge }: MapQuestion) {
    const made = attempt(() => coatMap(question, knowledge));
    const data: MapAnswer = made.kind === 'ok' ? { kind: 'map', ask, map: made.value } : { kind: 'failed', ask, message: made.error.message };
    this.onmessage?.call(this as Worker, { data } as MessageEvent<MapAnswer>);
  },
  terminate: () => undefined,
});

export const runWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: RunJob) {
    const say = (data: RunMessage): void => void this.onmessage?.call(this as Worker, { data } as MessageEvent);
    // In a test a few films say as much as hundreds.
    if (job.kind === 'line') say({ kind: 'safeLine', line: { kind: 'ok', waxFootMm: quickSafeLine(job.question) ?? 0, chance: 0.04 } });
    else return doRunJob(job.kind === 'draw' ? { ...job, untilFilm: job.fromFilm + 2 } : job, say);
    say({ kind: 'done' });
  },
  terminate: () => undefined,
});

export const alternativesWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: AlternativesJob) {
    this.onmessage?.call(
      this as Worker,
      { data: doAlternativesJob({ ...job, question: { ...job.question, runFrom: 'quickLook' } }) } as MessageEvent,
    );
  },
  terminate: () => undefined,
});

export const dayPlanWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: DayPlanJob) {
    const tell = (data: DayPlanMessage): void => void this.onmessage?.call(this as Worker, { data } as MessageEvent);
    // A clock that ends the search after a few looks: the same in every test.
    let looks = 0;
    doDayPlanJob({ ...job, mostMs: 3 }, tell, () => looks++);
  },
  terminate: () => undefined,
});

export const coatRiskWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: CoatRiskJob) {
    this.onmessage?.call(this as Worker, { data: doCoatRiskJob(job) } as MessageEvent);
  },
  terminate: () => undefined,
});

export const runCausesWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: RunCausesJob) {
    this.onmessage?.call(this as Worker, { data: doRunCausesJob(job) } as MessageEvent);
  },
  terminate: () => undefined,
});

export const nextTestsWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: NextTestsJob) {
    this.onmessage?.call(this as Worker, { data: doNextTestsJob(job) } as MessageEvent);
  },
  terminate: () => undefined,
});

export const loadWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(job: LoadJob) {
    this.onmessage?.call(this as Worker, { data: doLoadJob(job) } as MessageEvent);
  },
  terminate: () => undefined,
});

/** Does the worker's work at once: jsdom has no workers. */
export const readFileWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage({ text, now, shelf }: ReadQuestion) {
    const data: ReadAnswer = { kind: 'read', file: checkAgainst(readFile(text, now), shelf) };
    this.onmessage?.call(this as Worker, { data } as MessageEvent<ReadAnswer>);
  },
  terminate: () => undefined,
});

export const coatLearningWorker = (): AtOnce => ({
  onmessage: null,
  onerror: null,
  postMessage(question: CoatLearningQuestion) {
    answerCoatLearning(question, (data) => this.onmessage?.call(this as Worker, { data } as MessageEvent));
  },
  terminate: () => undefined,
});
