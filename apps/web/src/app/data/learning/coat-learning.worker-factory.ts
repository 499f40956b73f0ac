/** Apart, because only a browser can make one. */
export const coatLearningWorker = (): Worker => new Worker(new URL('./coat-learning.worker', import.meta.url), { type: 'module' });
