/// <reference lib="webworker" />
import { doRunJob } from './run-job';
import type { RunJob } from './run-protocol';

addEventListener('message', ({ data }: MessageEvent<RunJob>) => doRunJob(data, (message) => postMessage(message)));
