export { heightShareOf, type KilnChamber, type KilnShelf, type ShelfWitness } from './kiln';
export { shelfOffsetCelsius, shiftedFiring, type WitnessReading } from './shelf-offset';
export { learntOffsets, type KilnOffsets, type OffsetReading, type ShelfOffset } from './learnt-offsets';
export { kilnOffsets, shelfCones, type KilnPlaces, type ShelfCone, type WitnessedFiring } from './shelf-cones';
export {
  areaShare,
  gapBetween,
  PIECE_GAP_MM,
  RUNNER_GAP_MM,
  SHELF_ROOM_MM,
  type Footprint,
  type LoadPiece,
  type ShelfOutline,
  type StandingPiece,
} from './load/load-piece';
export { packShelf, USUAL_EFFORT } from './load/pack-shelf';
export { type PackingEffort } from './load/shelf-packing';
export { LEFT_OUT_WHY, planLoad, type KilnLoad, type KilnToLoad, type LoadedShelf } from './load/plan-load';
