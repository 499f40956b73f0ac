export { brimMl, depthAtVolume, narrowestMm, surfaceCm2AtDepth, volumeAtDepth, type BucketShape } from './bucket-shape';
export { FORM_LIMITS, formFault, type FormFault } from './check-form';
export { curveThrough } from './curve-through';
export {
  bowMm,
  gripAreaCm2,
  gripCount,
  gripMl,
  shapeFromForm,
  tallMm,
  widestMm,
  type FootKind,
  type FormPoint,
  type Grip,
  type PieceForm,
  type PieceShape,
} from './piece-form';
export { areaCm2, volumeMl, profileBetween, type ProfilePoint } from './profile';
export { formOf, insideProfile, PIECE_FORMS, PIECE_SHAPES, shapeOf, type NamedForm } from './shapes';
export { clayGrams } from './clay-grams';
export { lidFor, saucerFor } from './part-forms';
