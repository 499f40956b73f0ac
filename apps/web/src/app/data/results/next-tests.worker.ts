/// <reference lib="webworker" />
import { doNextTestsJob, type NextTestsJob } from './next-tests-job';

addEventListener('message', ({ data }: MessageEvent<NextTestsJob>) => postMessage(doNextTestsJob(data)));
