/** Apart, because only a browser can make one. */
export const alternativesWorker = (): Worker => new Worker(new URL('./alternatives.worker', import.meta.url), { type: 'module' });
