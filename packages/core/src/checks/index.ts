export { PotterError, attempt, type RefusalCode, type Attempt } from './potter-error';
export {
  fieldWords,
  requireNumber,
  requirePositive,
  requireNotNegative,
  SG_LIMITS,
  requireSg,
  requireDensity,
  requireThinnerThanPowder,
} from './require';
