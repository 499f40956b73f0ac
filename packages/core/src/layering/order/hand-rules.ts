import type { Layer } from '../../plan/layer';
import type { GlazeFacts } from '../../plan/facts';
import { withLayers, type PiecePlan } from '../../plan/piece-plan';
import type { ShortestStepTime, TimedStep } from '../steps/step-times';
import type { PlanFix, Warning } from '../warnings';

export interface HandQuestion {
  plan: PiecePlan;
  steps: readonly TimedStep[];
  glazes: readonly GlazeFacts[];
}

/**
 * Returns T1, said once for each coat that would be on before hands are out of the glaze again: what the shortest time gives, and what would make
 * the planned coat possible. Nothing is known of hands with seconds below those of `SHORTEST_SECONDS`.
 *
 * @param question - `plan`; its timed `steps`; `glazes`
 * @example
 * handWarnings({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, steps: [], glazes: [] }) // []
 */
export function handWarnings({ plan, steps, glazes }: HandQuestion): Warning[] {
  return steps.flatMap((step) => {
    const { layer, tooShort } = step;
    if (!layer || !tooShort) return [];
    const glaze = glazes.find((one) => one.bucketId === layer.bucketId);
    const name = glaze?.name ?? 'This glaze';
    const { wantedSeconds, shortestSeconds, givesMm } = tooShort;
    const gives = Math.round(100 * givesMm) / 100;
    return [
      {
        rule: 'T1',
        badness: shortestSeconds - wantedSeconds,
        bucketId: layer.bucketId,
        severity: 'look' as const,
        what: `${layer.coatMm.toFixed(2)} mm of ${name} would be on after ${wantedSeconds < 0.05 ? 'no time at all' : `${wantedSeconds.toFixed(1)} s`}; hands need ${shortestSeconds.toFixed(1)} s.`,
        why: `${shortestSeconds.toFixed(1)} s give ${gives.toFixed(2)} mm: that is what is reckoned with.`,
        remedies: remedies(name, tooShort, glaze?.bucket?.volumeMl),
        fixes: fixes(plan, step, gives),
      },
    ];
  });
}

function remedies(name: string, { thinner }: ShortestStepTime, volumeMl: number | undefined): string[] {
  const all = thinner && volumeMl ? `, ${((thinner.waterMlPerLitre * volumeMl) / 1e6).toFixed(1)} L for the whole bucket` : '';
  return [
    ...(thinner ? [`Thin ${name} to SG ${thinner.sg.toFixed(2)}: ${Math.round(thinner.waterMlPerLitre / 5) * 5} mL of water a litre${all}`] : []),
    'Brush it or spray it on',
    'Plan the coat that the shortest time gives',
  ];
}

/** A dip of inside and outside together has both coats. */
const layerIdsOf = ({ key }: TimedStep): string[] => key.replace('layer:', '').split('+');

/** A part of the bucket, in a second one: the others that use it keep theirs. */
const thinned = (plan: PiecePlan, bucketId: string, sg: number): PlanFix['change'] => ({
  thinned: [...(plan.thinned ?? []).filter((one) => one.bucketId !== bucketId), { bucketId, sg: Math.floor(100 * sg) / 100 }],
});

function fixes(plan: PiecePlan, step: TimedStep, givesMm: number): PlanFix[] {
  const ids = layerIdsOf(step);
  const changed = (change: Partial<Layer>): PlanFix['change'] => {
    const { zones, strips } = withLayers(plan, (layer) => (ids.includes(layer.id) ? { ...layer, ...change } : layer));
    return { zones, ...(strips ? { strips } : {}) };
  };
  return [
    { words: `Plan ${givesMm.toFixed(2)} mm`, change: changed({ coatMm: givesMm }) },
    { words: 'Brush it on', change: changed({ method: 'brush' }) },
    ...(step.tooShort?.thinner
      ? [
          {
            words: `Thin part of it to ${step.tooShort.thinner.sg.toFixed(2)}`,
            change: thinned(plan, step.layer!.bucketId, step.tooShort.thinner.sg),
          },
        ]
      : []),
  ];
}
