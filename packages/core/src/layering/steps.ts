import { rimIsApart, type Layer, type PiecePlan, type Way, type Zone } from './piece-plan';

export type StepKind = 'check' | 'wax' | 'waxOver' | 'layer' | 'wipeFoot';

/** One thing hands do to a piece. `key` stays the same while the plan's layers do. */
export interface PieceStep {
  key: string;
  kind: StepKind;
  zones: Zone[];
  layer?: Layer;
  /** Hands, seconds for one piece. */
  handSeconds: number;
}

/** Hand time per piece, s: starting guesses. */
export const HAND_SECONDS: Record<Way | 'wax' | 'waxOver' | 'wipeFoot' | 'check', number> = {
  wax: 40,
  waxOver: 40,
  dip: 25,
  pour: 35,
  brush: 150,
  wipeFoot: 30,
  check: 20,
};

/** Waits before the piece may be touched again, minutes at 0.6 mm: starting guesses, to be learnt from "dry" taps. */
export const WAIT_MINUTES: Record<Way | 'wax' | 'waxOver' | 'check' | 'wipeFoot', number> = {
  wax: 20,
  waxOver: 60,
  dip: 8,
  brush: 20,
  pour: 10,
  check: 10,
  wipeFoot: 0,
};

/**
 * The steps a plan asks for, in no order yet. When the first coat inside and outside is the same glaze, dipped, one dip
 * does both.
 */
export function stepsOf({ plan }: { plan: PiecePlan }): PieceStep[] {
  const steps: PieceStep[] = [{ key: 'check', kind: 'check', zones: [], handSeconds: HAND_SECONDS.check }];
  if (plan.waxFootMm > 0) steps.push({ key: 'wax', kind: 'wax', zones: ['foot'], handSeconds: HAND_SECONDS.wax });
  const joint = jointDip(plan);
  if (joint) steps.push(layerStep(`layer:${joint.inside.id}+${joint.outside.id}`, joint.outside, ['inside', 'outside']));
  for (const zone of ['inside', 'outside', 'rim', 'foot'] as const) {
    plan.zones[zone].forEach((layer, index) => {
      const joined = joint && index === 0 && (zone === 'inside' || zone === 'outside');
      if (!joined) steps.push(layerStep(`layer:${layer.id}`, layer, [zone]));
    });
  }
  if (rimIsApart(plan)) steps.push({ key: 'waxOver', kind: 'waxOver', zones: ['rim'], handSeconds: HAND_SECONDS.waxOver });
  steps.push({ key: 'wipeFoot', kind: 'wipeFoot', zones: ['foot'], handSeconds: HAND_SECONDS.wipeFoot });
  return steps;
}

function jointDip(plan: PiecePlan): { inside: Layer; outside: Layer } | undefined {
  const inside = plan.zones.inside[0];
  const outside = plan.zones.outside[0];
  const same = inside && outside && inside.bucketId === outside.bucketId && inside.way === 'dip' && outside.way === 'dip';
  return same ? { inside, outside } : undefined;
}

const layerStep = (key: string, layer: Layer, zones: Zone[]): PieceStep => ({
  key,
  kind: 'layer',
  zones,
  layer,
  handSeconds: HAND_SECONDS[layer.way],
});

/** The plan as it stands after its first so many steps: what a small picture of the piece shows there. */
export function planAfter({ plan, steps, done }: { plan: PiecePlan; steps: readonly PieceStep[]; done: number }): PiecePlan {
  const keys = steps.slice(0, done).map((step) => step.key);
  const on = (layers: readonly Layer[]): Layer[] => layers.filter((layer) => keys.some((key) => key.includes(layer.id)));
  const { inside, outside, rim, foot } = plan.zones;
  return {
    ...plan,
    zones: { inside: on(inside), outside: on(outside), rim: on(rim), foot: on(foot) },
    waxFootMm: keys.includes('wax') ? plan.waxFootMm : 0,
  };
}
