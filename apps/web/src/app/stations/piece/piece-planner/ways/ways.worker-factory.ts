/** Apart, because only a browser can make one. */
export const waysWorker = (): Worker => new Worker(new URL('./ways.worker', import.meta.url), { type: 'module' });
