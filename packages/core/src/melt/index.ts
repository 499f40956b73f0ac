export { bandRunMm, flowFromRun } from './band';
export { CONES, coneCelsius, isCone } from './cones';
export { FLOW_ACTIVATION, REFERENCE_FIRING, heatWorkHours, flowRatio, coneReached, type FiringPoint, type ConeReached } from './heat-work';
export { OPEN_BELOW_CELSIUS, kilnNow, celsiusAt, type KilnNow } from './kiln-now';
export { COOLINGS, flowInFiring, SHELF_PLACES, USUAL_HOLD_MINUTES, type Cooling, type FiringAsked, type ShelfPlace } from './kiln-place';
export { firingFromPeak, peakForCone, peakOfFiring } from './simple-firing';
