import { glazeIdOf, type GlazeInBucket } from '../bucket/events/glaze-id';
import type { FlowGuess } from '../chemistry/flow-guess';
import { attempt } from '../checks/potter-error';
import { flowInFiring, type Cooling, type ShelfPlace } from '../melt/kiln-place';
import type { GlazeFacts } from '../plan/facts';
import { USUAL_CONE } from '../plan/piece-plan';
import type { PairFlow } from '../run/piece-run';
import { learnFlow, learnPairs, type RunReading } from './run-learning';

/** A runner tile, as the records keep it: a band of one glaze, or of two, the lower one first. */
export interface RunnerRecord {
  body: {
    /** `meltsTo`: melted thickness of one mm of the coat. */
    layers: readonly { glazeId: string; coatMm: number; meltsTo: number }[];
    bandMm: number;
    /** Left out until it was fired and measured. */
    runMm?: number | undefined;
    cone?: string | undefined;
    holdMinutes?: number | undefined;
    cooling?: Cooling | undefined;
    place?: ShelfPlace | undefined;
  };
}

/**
 * Returns what measured runner tiles say. A tile that is only planned, or whose firing cannot be computed, says nothing.
 *
 * @param tiles - all runner tiles of the studio
 * @example
 * runnerReadings([{ body: { layers: [{ glazeId: 'ash', coatMm: 0.5, meltsTo: 0.5 }], bandMm: 20, runMm: 12 } }])
 * // [{ layers: [{ glazeId: 'ash', meltedMm: 0.25 }], bandMm: 20, runMm: 12, firingRatio: 1 }]
 */
export function runnerReadings(tiles: readonly RunnerRecord[]): RunReading[] {
  return tiles.flatMap(({ body }): RunReading[] => {
    const { layers, bandMm, runMm, cone = USUAL_CONE, holdMinutes, cooling, place } = body;
    if (runMm === undefined) return [];
    const asked = {
      cone,
      ...(holdMinutes === undefined ? {} : { holdMinutes }),
      ...(cooling === undefined ? {} : { cooling }),
      ...(place === undefined ? {} : { place }),
    };
    const ratio = attempt(() => flowInFiring(asked));
    if (ratio.kind !== 'ok') return [];
    const melted = layers.map((layer) => ({ glazeId: layer.glazeId, meltedMm: layer.coatMm * layer.meltsTo }));
    return [{ layers: melted, bandMm, runMm, firingRatio: ratio.value }];
  });
}

/**
 * Returns glazes with their flow as the runner tiles have it, and the pairs that were measured over one another. Both are told by bucket.
 *
 * @param records - what the studio has
 * @param records.tiles - all runner tiles of the studio
 * @param records.facts - the glazes with their flow before any tile
 * @param records.buckets - the buckets they are in
 * @example
 * learnFromRunners({ tiles: [], facts: [], buckets: [] }) // { facts: [], overlaps: [] }
 */
export function learnFromRunners({
  tiles,
  facts,
  buckets,
}: {
  tiles: readonly RunnerRecord[];
  facts: readonly GlazeFacts[];
  buckets: readonly GlazeInBucket[];
}): { facts: GlazeFacts[]; overlaps: PairFlow[] } {
  const readings = runnerReadings(tiles);
  const glazeIds = new Map(buckets.map((bucket) => [bucket.id, glazeIdOf(bucket)]));
  const idOf = (bucketId: string): string => glazeIds.get(bucketId) ?? bucketId;
  const learnt = facts.map((glaze) => ({ ...glaze, flow: learnFlow(glaze.flow, idOf(glaze.bucketId), readings) }));
  const flows = new Map<string, FlowGuess>(learnt.map((glaze) => [idOf(glaze.bucketId), glaze.flow]));
  const bucketsOf = (glazeId: string): string[] => learnt.flatMap(({ bucketId }) => (idOf(bucketId) === glazeId ? [bucketId] : []));
  const overlaps = learnPairs(readings, (glazeId) => flows.get(glazeId)).flatMap((pair) =>
    bucketsOf(pair.a).flatMap((a) => bucketsOf(pair.b).map((b) => ({ ...pair, a, b }))),
  );
  return { facts: learnt, overlaps };
}
