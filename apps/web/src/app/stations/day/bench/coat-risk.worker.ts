/// <reference lib="webworker" />
import { doCoatRiskJob, type CoatRiskJob } from './coat-risk-job';

addEventListener('message', ({ data }: MessageEvent<CoatRiskJob>) => postMessage(doCoatRiskJob(data)));
