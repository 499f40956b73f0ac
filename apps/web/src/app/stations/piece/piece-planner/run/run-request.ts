import { coatsForEdge, type PiecePlan, type QuickRun } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';

/** The coats that let the edge end where it is wanted, from where it starts now: all changed by one share, with their seconds. */
export function coatsFor(question: {
  plan: PiecePlan;
  quick: QuickRun;
  wantedMm: number;
  names: readonly (readonly [layerId: string, name: string])[];
  secondsOf: (plan: PiecePlan) => ReadonlyMap<string, number>;
  units: Units;
}): { words: string; change: Partial<PiecePlan> } | undefined {
  const { plan, quick, wantedMm, names, secondsOf, units } = question;
  const made = coatsForEdge({ plan, quick, wantedMm, layerIds: new Set(names.map(([id]) => id)) });
  if (!made) return undefined;
  const seconds = secondsOf(made.plan);
  const words = made.coats.map((layer) => {
    const dip = seconds.get(layer.id);
    return `${names.find(([id]) => id === layer.id)![1]} ${units.coat(layer.coatMm)}${dip === undefined ? '' : ` (${units.seconds(dip)})`}`;
  });
  return { words: [...new Set(words)].join(', '), change: { zones: made.plan.zones, ...(made.plan.strips ? { strips: made.plan.strips } : {}) } };
}
