/** Apart, because only a browser can make one. */
export const learnStrengthsWorker = (): Worker => new Worker(new URL('./learn-strengths.worker', import.meta.url), { type: 'module' });
