/// <reference lib="webworker" />
import { doAlternativesJob, type AlternativesJob } from './alternatives-job';

addEventListener('message', ({ data }: MessageEvent<AlternativesJob>) => postMessage(doAlternativesJob(data)));
