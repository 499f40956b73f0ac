/** Apart, because only a browser can make one. */
export const nextTestsWorker = (): Worker => new Worker(new URL('./next-tests.worker', import.meta.url), { type: 'module' });
