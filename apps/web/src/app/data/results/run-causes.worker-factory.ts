/** Apart, because only a browser can make one. */
export const runCausesWorker = (): Worker => new Worker(new URL('./run-causes.worker', import.meta.url), { type: 'module' });
