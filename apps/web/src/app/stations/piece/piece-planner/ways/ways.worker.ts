/// <reference lib="webworker" />
import { doWaysJob, type WaysJob } from './ways-job';

addEventListener('message', ({ data }: MessageEvent<WaysJob>) => postMessage(doWaysJob(data)));
