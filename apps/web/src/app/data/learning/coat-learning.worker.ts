/// <reference lib="webworker" />
import { answerCoatLearning, type CoatLearningQuestion } from './coat-learning-protocol';

addEventListener('message', ({ data }: MessageEvent<CoatLearningQuestion>) => answerCoatLearning(data, (answer) => postMessage(answer)));
