/// <reference lib="webworker" />
import { doLoadJob, type LoadJob } from './load-job';

addEventListener('message', ({ data }: MessageEvent<LoadJob>) => postMessage(doLoadJob(data)));
