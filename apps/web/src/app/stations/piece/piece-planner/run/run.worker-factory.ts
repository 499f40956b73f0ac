/** Apart, because only a browser can make one. */
export const runWorker = (): Worker => new Worker(new URL('./run.worker', import.meta.url), { type: 'module' });
