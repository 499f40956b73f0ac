export { BATCH_CHECKS, type BatchCheck, type BatchEvent } from './batch-events';
export { replayBatch, type BatchLineState, type BatchStep, type BatchState, type CheckDone } from './replay-batch';
