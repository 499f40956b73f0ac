import { firingFromPeak, FLOW_ACTIVATION, flowRatio, peakForCone, type FiringPoint } from '@cazuela/core';

/** Hours up of the reference firing. */
const HOURS_UP = 8 + 100 / 60;
export const USUAL_HOLD_MINUTES = 10;

/** How much more such a firing flows than the usual one to cone 6, for which flow figures are told. Fired alike but for peak and hold. */
export function firingRatio(cone: string, holdMinutes: number): number {
  const fired = (to: string, hold: number): FiringPoint[] =>
    firingFromPeak({
      peakCelsius: peakForCone({ cone: to, hoursUp: HOURS_UP, holdMinutes: USUAL_HOLD_MINUTES }),
      hoursUp: HOURS_UP,
      holdMinutes: hold,
    });
  return flowRatio({ firing: fired(cone, holdMinutes), reference: fired('6', USUAL_HOLD_MINUTES), activationKjPerMol: FLOW_ACTIVATION });
}
