/// <reference lib="webworker" />
import { doRunCausesJob, type RunCausesJob } from './run-causes-job';

addEventListener('message', ({ data }: MessageEvent<RunCausesJob>) => postMessage(doRunCausesJob(data)));
