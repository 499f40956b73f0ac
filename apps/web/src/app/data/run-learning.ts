import type { BucketSummary, RunnerTile } from '@cazuela/contract';
import {
  attempt,
  flowInFiring,
  learnFlow,
  learnPairs,
  USUAL_CONE,
  type FlowGuess,
  type GlazeFacts,
  type PairFlow,
  type RunReading,
} from '@cazuela/core';
import { glazeOf } from './coat-learning';

/** What the studio's measured runner tiles say; those that are only planned or not fired yet say nothing. */
export function readingsOf(tiles: readonly RunnerTile[]): RunReading[] {
  return tiles.flatMap(({ body }): RunReading[] => {
    const { layers, bandMm, runMm, cone = USUAL_CONE, holdMinutes, cooling, place } = body;
    if (runMm === undefined) return [];
    const ratio = attempt(() => flowInFiring({ cone, ...defined({ holdMinutes, cooling, place }) }));
    if (ratio.kind !== 'ok') return [];
    return [
      {
        layers: layers.map((layer) => ({ glazeId: layer.glazeId, meltedMm: layer.coatMm * layer.meltsTo })),
        bandMm,
        runMm,
        firingRatio: ratio.value,
      },
    ];
  });
}

type Defined<T> = { [K in keyof T]?: Exclude<T[K], undefined> };
const defined = <T extends object>(of: T): Defined<T> =>
  Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as Defined<T>;

/** Glazes with their flow as the tiles have it, and the pairs that were measured over one another, by bucket. */
export function learntRuns(
  tiles: readonly RunnerTile[],
  facts: readonly GlazeFacts[],
  buckets: readonly BucketSummary[],
): { facts: GlazeFacts[]; overlaps: PairFlow[] } {
  const readings = readingsOf(tiles);
  const glazeIds = new Map(buckets.map((bucket) => [bucket.id, glazeOf(bucket)]));
  const learnt = facts.map((glaze) => ({ ...glaze, flow: learnFlow(glaze.flow, glazeIds.get(glaze.bucketId) ?? glaze.bucketId, readings) }));
  const flows = new Map<string, FlowGuess>(learnt.map((glaze) => [glazeIds.get(glaze.bucketId) ?? glaze.bucketId, glaze.flow]));
  const bucketsOf = (glazeId: string): string[] =>
    learnt.flatMap(({ bucketId }) => ((glazeIds.get(bucketId) ?? bucketId) === glazeId ? [bucketId] : []));
  const overlaps = learnPairs(readings, (glazeId) => flows.get(glazeId)).flatMap((pair) =>
    bucketsOf(pair.a).flatMap((a) => bucketsOf(pair.b).map((b) => ({ ...pair, a, b }))),
  );
  return { facts: learnt, overlaps };
}
