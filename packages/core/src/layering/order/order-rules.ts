import { precedencesOf, type Precedence } from './order';
import { type PiecePlan } from '../../plan/piece-plan';
import type { TimedStep } from '../steps/step-times';
import type { PlanFix, Warning } from '../warnings';
import { coatingKindOf } from '../../plan/layer';
import type { GlazeFacts } from '../../plan/facts';

export interface OrderQuestion {
  plan: PiecePlan;
  steps: readonly TimedStep[];
  glazes: readonly GlazeFacts[];
}

type PrecedenceRule = Precedence['rule'];

/** The words for each broken rule. */
const BROKEN: Record<PrecedenceRule, Omit<Warning, 'rule'>> = {
  O1: {
    severity: 'look',
    what: 'Glaze or wax goes on before the piece is checked.',
    why: 'Sharp edges cut, and dust under glaze crawls.',
    remedies: ['Check edges, wipe with a damp sponge and let it dry first'],
  },
  O2: {
    severity: 'look',
    what: 'The outside is glazed before the inside.',
    why: 'What is poured out of the inside runs over the finished outside.',
    remedies: ['Glaze the inside first', 'Dip inside and outside in one go'],
  },
  O3: {
    severity: 'stop',
    what: 'The wax comes after a glaze it should keep off.',
    why: 'Wax keeps glaze off only where it is on, and dry, first: 20 minutes on bisque.',
    remedies: ['Wax the foot before the first glaze'],
  },
  O4: {
    severity: 'stop',
    what: 'The rim is waxed over before its glaze is on.',
    why: 'The wax keeps the next glaze off a finished coat; on bare clay it keeps its own off.',
    remedies: ['Glaze the rim, let it dry, then wax it'],
  },
  O5: {
    severity: 'stop',
    what: 'An upper coat goes on before the one beneath it.',
    why: 'The layers on the drawing are listed bottom up; this order swaps them.',
    remedies: ['Swap the two layers on the drawing'],
  },
  O8: {
    severity: 'look',
    what: 'The tape comes off before the glaze it keeps clear is on.',
    why: 'Tape keeps a place clear only while it is there; it comes off after the last coat, before that is bone dry.',
    remedies: ['Take the tape off after the last coat over it'],
  },
  O7: {
    severity: 'look',
    what: 'Something comes after the foot is wiped.',
    why: 'One drip on a wiped foot glues the pot to the shelf.',
    remedies: ['Wipe and check the foot last'],
  },
};

const SAFE_ORDER: PlanFix = { words: 'Put the steps into the safe order', change: { order: [] } };

/**
 * Returns what rules O1–O7 say against the steps in the order they stand in.
 *
 * @param question - `plan`; its `steps` in order; `glazes`
 * @example
 * orderWarnings({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, steps: [], glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] })
 * // []
 */
export function orderWarnings({ plan, steps, glazes }: OrderQuestion): Warning[] {
  const at = new Map(steps.map((step, index) => [step.key, index]));
  const broken = new Set<PrecedenceRule>();
  for (const pair of precedencesOf({ plan, steps })) {
    const before = at.get(pair.before);
    const after = at.get(pair.after);
    if (before !== undefined && after !== undefined && before > after) broken.add(pair.rule);
  }
  const warnings: Warning[] = [...broken].map((rule) => ({ rule, ...BROKEN[rule], fixes: [SAFE_ORDER] }));
  return [...warnings, ...waxOverGlaze(steps), ...tapeTooLong(steps), ...dryThrough(steps, glazes), ...darkBeforeLight(steps, glazes)];
}

function waxOverGlaze(steps: readonly TimedStep[]): Warning[] {
  const waxAt = steps.findIndex((step) => step.key === 'wax' && step.kind === 'wax');
  // Wash, slip and underglaze are meant to lie under it.
  const under = steps.slice(0, Math.max(0, waxAt)).some((step) => step.layer && coatingKindOf(step.layer) === 'glaze');
  if (!under) return [];
  return [
    {
      rule: 'O4',
      severity: 'look',
      what: 'The wax goes over glaze.',
      why: 'Wax on a coat that is not handle-dry drags it off, and takes an hour to dry there instead of 20 minutes.',
      remedies: ['Wait until the coat is handle-dry', 'Wax before the glaze'],
    },
  ];
}

/** Tape that stays under a coat until it is bone dry tears the edge off. */
function tapeTooLong(steps: readonly TimedStep[]): Warning[] {
  const late = steps.some((step, at) => {
    if (step.kind !== 'untape') return false;
    const coat = steps.slice(0, at).findLastIndex((earlier) => earlier.kind === 'layer');
    return (
      coat >= 0 &&
      steps.slice(coat, at).some((earlier) => earlier.waitFor === 'dryThrough' || (earlier.kind !== 'layer' && earlier.waitMinutes > TAPE_MINUTES))
    );
  });
  if (!late) return [];
  return [
    {
      rule: 'O8',
      severity: 'look',
      what: 'The tape stays on until the glaze over it is bone dry.',
      why: 'A bone-dry edge breaks off with the tape, and leaves dust.',
      remedies: ['Take it off while the glaze is damp', 'Wax that place instead'],
      fixes: [SAFE_ORDER],
    },
  ];
}

/** Tape comes off so soon after its coat, minutes. */
export const TAPE_MINUTES = 60;

function dryThrough(steps: readonly TimedStep[], glazes: readonly GlazeFacts[]): Warning[] {
  const layers = steps.filter((step) => step.kind === 'layer');
  const index = layers.findIndex((_step, i) => i > 0 && layers[i - 1]!.waitFor === 'dryThrough');
  if (index < 0) return [];
  const step = layers[index]!;
  const name = glazes.find((glaze) => glaze.bucketId === step.layer?.bucketId)?.name ?? 'The next coat';
  const used = Math.round(100 * layers[index - 1]!.wallUsed);
  return [
    {
      rule: 'O5',
      severity: 'look',
      what: `${name} goes over a coat that must be dry through, not only handle-dry.`,
      why:
        used > 70
          ? `About ${used} % of the water the wall can hold is in use: a further coat stays wet and slides.`
          : 'The two coats together are over 0.8 mm: they pull off while damp.',
      remedies: ['Leave it overnight (about 12 hours)', 'Make one of the coats thinner', 'Give the inside a day before the outside'],
    },
  ];
}

function darkBeforeLight(steps: readonly TimedStep[], glazes: readonly GlazeFacts[]): Warning[] {
  const lightness = new Map(glazes.map((glaze) => [glaze.bucketId, glaze]));
  const order = steps.flatMap((step) => (step.layer ? [lightness.get(step.layer.bucketId)] : [])).filter((glaze) => glaze !== undefined);
  for (let i = 1; i < order.length; i++) {
    const before = order[i - 1]!;
    const after = order[i]!;
    if (before.bucketId !== after.bucketId && before.lightness + 0.15 < after.lightness) {
      return [
        {
          rule: 'O6',
          severity: 'look',
          what: `${before.name} comes before the lighter ${after.name}.`,
          why: 'Tongs, hands and ladles carry the dark glaze into the light bucket.',
          remedies: ['Wash hands, tongs and ladle between the two', 'Do the lighter glaze first where the stack allows it'],
        },
      ];
    }
  }
  return [];
}
