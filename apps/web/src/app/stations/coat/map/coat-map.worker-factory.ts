/** A file of its own, because only a browser can make a worker. */
export const coatMapWorker = (): Worker => new Worker(new URL('./coat-map.worker', import.meta.url), { type: 'module' });
