import { alongTo, coatScaleFor, heightAlong, withLayers, type PiecePlan, type QuickRun } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';

/** No coat is planned thinner or thicker than this, mm. */
const [THINNEST_MM, THICKEST_MM] = [0.1, 1.2];

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
  if (wantedMm >= heightAlong(quick.side.strip, quick.side.startMm)) return undefined;
  const scale = coatScaleFor(quick, alongTo(quick.side.strip, wantedMm));
  if (scale === undefined) return undefined;
  const run = new Set(names.map(([id]) => id));
  const made = withLayers(plan, (layer) => (run.has(layer.id) ? { ...layer, coatMm: Math.round(100 * layer.coatMm * scale) / 100 } : layer));
  const seconds = secondsOf(made);
  const coats = [...made.zones.outside, ...made.zones.rim, ...(made.strips ?? []).flatMap((strip) => strip.layers)].filter((layer) =>
    run.has(layer.id),
  );
  if (coats.some((layer) => layer.coatMm < THINNEST_MM || layer.coatMm > THICKEST_MM)) return undefined;
  const words = coats.map((layer) => {
    const dip = seconds.get(layer.id);
    return `${names.find(([id]) => id === layer.id)![1]} ${units.coat(layer.coatMm)}${dip === undefined ? '' : ` (${units.seconds(dip)})`}`;
  });
  return { words: [...new Set(words)].join(', '), change: { zones: made.zones, ...(made.strips ? { strips: made.strips } : {}) } };
}
