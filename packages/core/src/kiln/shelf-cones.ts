import { attempt } from '../checks/potter-error';
import { coneReached, type ConeReached, type FiringPoint } from '../melt/heat-work';
import { heightShareOf, type KilnChamber, type KilnShelf, type ShelfWitness } from './kiln';
import { learntOffsets, type KilnOffsets, type OffsetReading, type ShelfOffset } from './learnt-offsets';
import { shelfOffsetCelsius, shiftedFiring } from './shelf-offset';

/** A kiln, as far as its places are known. */
export interface KilnPlaces {
  chamber: KilnChamber;
  shelves: readonly KilnShelf[];
}

/** A firing of it, with the cones that were read on its shelves. */
export interface WitnessedFiring {
  id: string;
  points: readonly FiringPoint[];
  witnesses: readonly ShelfWitness[];
}

/** What a shelf saw in a firing. */
export interface ShelfCone {
  shelf: KilnShelf;
  /** Read there by eye, else from the curve and what cones taught of this place. */
  from: 'witness' | 'learnt' | 'guess';
  cone: ConeReached;
  offset: ShelfOffset;
}

/**
 * Returns what all witness cones of a kiln taught of its places. Cones of shelves that are gone, and readings that no curve could give, are left out.
 *
 * @param kiln - its chamber and shelves
 * @param firings - of this kiln
 * @example
 * kilnOffsets({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, shelves: [] }, []).readings // 0
 */
export const kilnOffsets = ({ chamber, shelves }: KilnPlaces, firings: readonly WitnessedFiring[]): KilnOffsets =>
  learntOffsets(
    firings.flatMap(({ id, points, witnesses }) =>
      witnesses.flatMap(({ shelfId, ...witness }): OffsetReading[] => {
        const shelf = shelves.find((one) => one.id === shelfId);
        const offset = attempt(() => shelfOffsetCelsius({ firing: points, witness }));
        return shelf && offset.kind === 'ok' ? [{ firingId: id, heightShare: heightShareOf(shelf, chamber), offsetCelsius: offset.value }] : [];
      }),
    ),
  );

/**
 * Returns what each shelf saw in a firing, highest first: the cone that was read there, else the curve moved by what cones taught of its place.
 *
 * @param kiln - its chamber and shelves
 * @param firing - the firing, with its cones
 * @param offsets - from `kilnOffsets`, of all firings of this kiln
 * @throws PotterError as `coneReached`
 * @example
 * shelfCones({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, shelves: [] }, { id: 'f', points: [], witnesses: [] }, learntOffsets([])) // []
 */
export function shelfCones({ chamber, shelves }: KilnPlaces, { id, points, witnesses }: WitnessedFiring, offsets: KilnOffsets): ShelfCone[] {
  return [...shelves]
    .sort((a, b) => b.heightMm - a.heightMm)
    .map((shelf): ShelfCone => {
      const offset = offsets.inFiring(id, heightShareOf(shelf, chamber));
      const read = witnesses.find(({ shelfId }) => shelfId === shelf.id);
      if (read) return { shelf, from: 'witness', cone: { kind: 'between', lower: read.lower, upper: read.upper, fraction: read.fraction }, offset };
      return {
        shelf,
        from: offsets.readings > 0 ? 'learnt' : 'guess',
        cone: coneReached({ firing: shiftedFiring(points, offset.celsius) }),
        offset,
      };
    });
}
