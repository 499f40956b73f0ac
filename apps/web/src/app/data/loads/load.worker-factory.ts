/** Apart, because only a browser can make one. */
export const loadWorker = (): Worker => new Worker(new URL('./load.worker', import.meta.url), { type: 'module' });
