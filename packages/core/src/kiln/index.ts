export { heightShareOf, type KilnChamber, type KilnShelf, type ShelfWitness } from './kiln';
export { shelfOffsetCelsius, shiftedFiring, type WitnessReading } from './shelf-offset';
export { learntOffsets, type KilnOffsets, type OffsetReading, type ShelfOffset } from './learnt-offsets';
export { kilnOffsets, shelfCones, type KilnPlaces, type ShelfCone, type WitnessedFiring } from './shelf-cones';
