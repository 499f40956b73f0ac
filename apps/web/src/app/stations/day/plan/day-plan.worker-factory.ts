/** Apart, because only a browser can make one. */
export const dayPlanWorker = (): Worker => new Worker(new URL('./day-plan.worker', import.meta.url), { type: 'module' });
