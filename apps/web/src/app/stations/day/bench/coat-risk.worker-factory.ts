/** Apart, because only a browser can make one. */
export const coatRiskWorker = (): Worker => new Worker(new URL('./coat-risk.worker', import.meta.url), { type: 'module' });
