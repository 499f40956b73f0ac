/** Apart, because only a browser can make one. */
export const coatMapWorker = (): Worker => new Worker(new URL('./coat-map.worker', import.meta.url), { type: 'module' });
