/** Two glazes together run more than either: starting guess of ω and the sd of its ln; learnt for each pair. */
export const OVERLAP_OMEGA = { omega: 1.3, lnSd: 0.4 } as const;
