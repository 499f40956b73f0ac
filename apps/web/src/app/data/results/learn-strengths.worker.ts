/// <reference lib="webworker" />
import { doLearnStrengthsJob, type LearnStrengthsJob } from './learn-strengths-job';

addEventListener('message', ({ data }: MessageEvent<LearnStrengthsJob>) => postMessage(doLearnStrengthsJob(data)));
