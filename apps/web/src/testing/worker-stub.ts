import { checkAgainst, readFile } from '@cazuela/formats';
import { attempt, coatMap, quickSafeLine, type CauseStrengths, type RunCauses } from '@cazuela/core';
import type { MapAnswer, MapQuestion } from '../app/stations/coat/map/coat-map-protocol';
import { doRunJob } from '../app/stations/piece/piece-planner/run/run-job';
import type { RunJob, RunMessage } from '../app/stations/piece/piece-planner/run/run-protocol';
import { doAlternativesJob, type AlternativesJob } from '../app/stations/piece/piece-planner/alternatives/alternatives-job';
import { answerCoatLearning, type CoatLearningQuestion } from '../app/data/learning/coat-learning-protocol';
import { doDayPlanJob, type DayPlanJob, type DayPlanMessage } from '../app/stations/day/plan/day-plan-protocol';
import { doCoatRiskJob, type CoatRiskJob } from '../app/stations/day/bench/coat-risk-job';
import { doNextTestsJob, type NextTestsJob } from '../app/data/results/next-tests-job';
import { doRunCausesJob, type RunCausesJob } from '../app/data/results/run-causes-job';
import { doLearnStrengthsJob, type LearnStrengthsJob } from '../app/data/results/learn-strengths-job';
import { doLoadJob, type LoadJob } from '../app/data/loads/load-job';
import type { ReadAnswer, ReadQuestion } from '../app/stations/recipe/files-page/read-file-protocol';

type AtOnce = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

/** Does the work of a worker at once: jsdom has no workers. */
const atOnce =
  <Job, Answer>(work: (job: Job, say: (data: Answer) => void) => void) =>
  (): AtOnce => ({
    onmessage: null,
    onerror: null,
    postMessage(job: Job) {
      work(job, (data) => void this.onmessage?.call(this as Worker, { data } as MessageEvent));
    },
    terminate: () => undefined,
  });
/** One answer for one job. */
const answering = <Job, Answer>(answer: (job: Job) => Answer): (() => AtOnce) => atOnce<Job, Answer>((job, say) => say(answer(job)));

export const coatMapWorker = answering<MapQuestion, MapAnswer>(({ ask, question, knowledge }) => {
  const made = attempt(() => coatMap(question, knowledge));
  return made.kind === 'ok' ? { kind: 'map', ask, map: made.value } : { kind: 'failed', ask, message: made.error.message };
});

export const runWorker = atOnce<RunJob, RunMessage>((job, say) => {
  // In a test a few films say as much as hundreds.
  if (job.kind === 'line') say({ kind: 'safeLine', line: { kind: 'ok', waxFootMm: quickSafeLine(job.question) ?? 0, chance: 0.04 } });
  else return doRunJob(job.kind === 'draw' ? { ...job, untilFilm: job.fromFilm + 2 } : job, say);
  say({ kind: 'done' });
});

export const alternativesWorker = answering((job: AlternativesJob) =>
  doAlternativesJob({ ...job, question: { ...job.question, runFrom: 'quickLook' } }),
);

export const dayPlanWorker = atOnce<DayPlanJob, DayPlanMessage>((job, say) => {
  // A clock that ends the search after a few looks: the same in every test.
  let looks = 0;
  doDayPlanJob({ ...job, mostMs: 3 }, say, () => looks++);
});

export const coatRiskWorker = answering((job: CoatRiskJob) => doCoatRiskJob(job));
export const runCausesWorker = answering((job: RunCausesJob): RunCauses | undefined => doRunCausesJob(job));
export const nextTestsWorker = answering((job: NextTestsJob) => doNextTestsJob(job));
export const learnStrengthsWorker = answering((job: LearnStrengthsJob): CauseStrengths => doLearnStrengthsJob(job));
export const loadWorker = answering((job: LoadJob) => doLoadJob(job));
export const readFileWorker = answering(({ text, now, shelf }: ReadQuestion): ReadAnswer => ({
  kind: 'read',
  file: checkAgainst(readFile(text, now), shelf),
}));
export const coatLearningWorker = atOnce((question: CoatLearningQuestion, say) => answerCoatLearning(question, say));
