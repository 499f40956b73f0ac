export { poundsAndOunces } from './pounds';
export { readNumber, type NumberReading, type VolumeSystem } from './read-number';
export { decimalsForDivision, formatFixed, formatSensible } from './round';
export {
  HYDROMETER_SCALES,
  PINT_SCALES,
  pintSgSd,
  SG_SCALES,
  baumeFromSg,
  sgFromBaume,
  twaddellFromSg,
  ouncesPerPintFromSg,
  sgFromTwaddell,
  sgFromOuncesPerPint,
  sgFromScale,
  sgOnScale,
  type SgScale,
} from './sg-scales';
export {
  MASS_UNITS,
  VOLUME_UNITS,
  LENGTH_UNITS,
  toCanonical,
  fromCanonical,
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  type MassUnit,
  type VolumeUnit,
  type LengthUnit,
  type Unit,
  type Entered,
} from './units';
export { DAY_MS, HOUR_MS, MINUTE_MS } from './time';
