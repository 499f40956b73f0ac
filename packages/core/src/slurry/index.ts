export { dryGrams, waterGrams, solidsByMass, solidsByVolume, waterPerDryGram, type SlurryReading } from './contents';
export { FIRST_STAGE_SHARE, planCorrection, type CorrectionQuestion, type CorrectionPlan } from './correction-plan';
export { waterToThin, waterToPourOff, powderToThicken, slurryToBlend, waterLost, type SgChange } from './into-range';
export { UNMEASURED_SG_SD, measuredSg, measuredSgSd, type VesselReading } from './measured-sg';
export { sgOfMix, densityFromMix, densityOfPowders } from './mix';
export { SLURRY_STATES, slurryStateFromSwirl, type SlurryState } from './slurry-state';
export { checkVessel, HYDROMETER_SG_SD, POOR_SG_SD, sgIfTypedNet, vesselErrors, type VesselCheck } from './vessel-errors';
