export { feelAndSg, feelPairs, type FeelAndSg, type FeelPair } from './feel-and-sg';
export {
  FEEL_KINDS,
  WITH_THICKNESS,
  feelReading,
  feelVerdict,
  valueOf as feelValue,
  type FeelKind,
  type FeelRanges,
  type FeelVerdict,
} from './feel-readings';
export { feelRemedy, type FeelRemedy } from './feel-remedy';
