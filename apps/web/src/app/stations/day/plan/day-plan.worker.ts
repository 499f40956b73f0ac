/// <reference lib="webworker" />
import { PotterError } from '@cazuela/core';
import { doDayPlanJob, type DayPlanJob, type DayPlanMessage } from './day-plan-protocol';

const tell = (message: DayPlanMessage): void => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<DayPlanJob>) => {
  try {
    doDayPlanJob(data, tell, () => performance.now());
  } catch (error) {
    tell({ kind: 'failed', message: error instanceof PotterError ? error.message : 'The day could not be planned here. Load the page again.' });
  }
});
