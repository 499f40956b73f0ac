/** Apart, because only a browser can make one. */
export const readFileWorker = (): Worker => new Worker(new URL('./read-file.worker', import.meta.url), { type: 'module' });
