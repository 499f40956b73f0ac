import { flakesOff } from '../coat/crack-advice';
import { meltedMm } from '../coat/from-weight';
import type { PieceShape } from '../geometry/shapes';
import { outerStacks } from './order';
import { rimIsApart, type GlazeFacts, type Layer, type PiecePlan } from './piece-plan';
import { stackRun, type MeltedLayer } from './stack-flow';
import type { Warning } from './warnings';

export interface PieceQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
}

/** Kept free between the 95 % run and the shelf, mm (M4). */
export const SHELF_MARGIN_MM = 2;

/** Rules F1, M4, H1, H4 for a plan. */
export function pieceWarnings(question: PieceQuestion): Warning[] {
  const hasGlaze = Object.values(question.plan.zones).some((layers) => layers.length > 0);
  return [...flaking(question), ...running(question), ...glazeOverWax(question), ...liner(question), ...(hasGlaze ? [DUST] : [])];
}

/** The stacks that really form on the piece: the rim band lies over the outside. */
export const stacksOf = (plan: PiecePlan): Layer[][] => outerStacks(plan);

/** Where the lowest glaze edge of the outside starts, and how far its thickest stack runs. */
export function outsideRun({ plan, shape, glazes }: PieceQuestion): { edgeMm: number; runMm: number; run95Mm: number; guess: boolean } | undefined {
  const layers = meltedLayers(plan.zones.outside, glazes);
  if (layers.length === 0) return undefined;
  const topMm = Math.max(...shape.outside.map((point) => point.heightMm));
  const bandMm = Math.max(1, topMm - plan.waxFootMm);
  const alone = stackRun({ layers, bandMm });
  const rim = rimIsApart(plan) ? [] : meltedLayers([...plan.zones.outside, ...plan.zones.rim], glazes);
  const overlapEdgeMm = Math.max(plan.waxFootMm, topMm - plan.rimBandMm);
  const rimRun = rim.length > layers.length ? stackRun({ layers: rim, bandMm: Math.max(1, plan.rimBandMm) }) : undefined;
  // The rim's own edge starts higher: it matters only when it runs past the edge below it.
  const reach95 = Math.max(alone.run95Mm, rimRun ? rimRun.run95Mm - (overlapEdgeMm - plan.waxFootMm) : 0);
  const guess = plan.zones.outside
    .concat(plan.zones.rim)
    .some((layer) => glazes.find((glaze) => glaze.bucketId === layer.bucketId)?.flow.ground === 'startingGuess');
  return { edgeMm: plan.waxFootMm, runMm: alone.runMm, run95Mm: reach95, guess };
}

function meltedLayers(layers: readonly Layer[], glazes: readonly GlazeFacts[]): MeltedLayer[] {
  return layers.flatMap((layer) => {
    const glaze = glazes.find((facts) => facts.bucketId === layer.bucketId);
    return glaze ? [{ meltedMm: meltedMm({ ...glaze, coatMm: layer.coatMm }), flow: glaze.flow }] : [];
  });
}

function flaking({ plan, glazes }: PieceQuestion): Warning[] {
  const facts = (layer: Layer): GlazeFacts | undefined => glazes.find((glaze) => glaze.bucketId === layer.bucketId);
  for (const stack of stacksOf(plan)) {
    for (let i = 1; i < stack.length; i++) {
      const lower = facts(stack[i - 1]!);
      const upper = facts(stack[i]!);
      if (!lower || !upper || !flakesOff({ upper: upper.shrinkShare, lower: lower.shrinkShare })) continue;
      const gummed = plan.gumIn?.includes(lower.bucketId) ?? false;
      return [
        {
          rule: 'F1',
          severity: gummed ? 'look' : 'stop',
          what: `${upper.name} ${gummed ? 'may still' : 'will'} flake off ${lower.name}${stack[i]!.coatMm > 0.5 ? ', all the more at over 0.5 mm' : ''}.`,
          why: `${upper.name} is rich in clay and shrinks as it dries (${upper.shrinkShare.toFixed(0)}); ${lower.name} beneath is nearly dust (${lower.shrinkShare.toFixed(0)}).`,
          remedies: [`Put ${upper.name} on first and wax it`, `Gum in ${lower.name}`, `Calcine part of the clay in ${upper.name}`],
        },
      ];
    }
  }
  return [];
}

function running(question: PieceQuestion): Warning[] {
  const run = outsideRun(question);
  if (!run || run.edgeMm >= run.run95Mm + SHELF_MARGIN_MM) return [];
  const needMm = Math.ceil(run.run95Mm + SHELF_MARGIN_MM);
  return [
    {
      rule: 'M4',
      severity: run.edgeMm < run.runMm ? 'stop' : 'look',
      what: `The glaze may reach the shelf: it starts ${run.edgeMm.toFixed(0)} mm up and can run ${run.run95Mm.toFixed(0)} mm.`,
      why: `For the coats as planned, on an upright wall, in a usual cone 6 firing${run.guess ? '; a starting guess from the recipe, so fire a runner tile' : ''}.`,
      remedies: ['Thinner coats', 'On a plate with kiln wash'],
      fixes: [{ words: `Wax ${needMm} mm up`, change: { waxFootMm: needMm } }],
    },
  ];
}

function glazeOverWax({ plan }: PieceQuestion): Warning[] {
  if (plan.waxFootMm <= 0 || plan.zones.foot.length === 0) return [];
  return [
    {
      rule: 'F4',
      severity: 'stop',
      what: 'Glaze is planned on the waxed foot.',
      why: 'Glaze does not stay on wax: the foot stays bare, with drops that stick to the shelf.',
      remedies: [],
      fixes: [
        { words: 'No wax on the foot', change: { waxFootMm: 0 } },
        { words: 'No glaze on the foot', change: { zones: { ...plan.zones, foot: [] } } },
      ],
    },
  ];
}

const DUST: Warning = {
  rule: 'H1',
  severity: 'look',
  what: 'Dry glaze is silica dust.',
  why: 'Rubbing, scraping or brushing a dry coat puts it into the air.',
  remedies: ['Wipe wet, never dry; respirator when you must scrape', 'Read the data sheets of the powders'],
};

/** Percent of the fired glaze from which a colouring oxide alone asks for a leach test (H4). */
const LINER_LIMITS: readonly { oxide: string; percent: number }[] = [
  { oxide: 'CuO', percent: 2 },
  { oxide: 'MnO', percent: 2 },
  { oxide: 'CoO', percent: 1.5 },
  { oxide: 'BaO', percent: 0.001 },
  { oxide: 'Cr2O3', percent: 0.001 },
  { oxide: 'NiO', percent: 0.001 },
];

function liner({ plan, glazes }: PieceQuestion): Warning[] {
  const top = plan.zones.inside.at(-1);
  const glaze = top && glazes.find((facts) => facts.bucketId === top.bucketId);
  if (!glaze) return [];
  const reasons = linerReasons(glaze);
  if (reasons.length === 0 && glaze.foodTested) return [];
  const serious = reasons.length > 0;
  return [
    {
      rule: 'H4',
      severity: serious ? 'stop' : 'look',
      what: `${glaze.name} inside: not for food until a laboratory has leach-tested it.`,
      why: serious ? reasons.join(' ') : 'Nobody here has had it tested. Looking balanced is not a test.',
      remedies: ['Leach test by a laboratory, and your local rules', 'A tested liner inside', 'Sell it as not for food'],
    },
  ];
}

function linerReasons(glaze: GlazeFacts): string[] {
  const reasons: string[] = [];
  if (['matt', 'crystalline', 'crazed'].includes(glaze.surface)) reasons.push(`Its surface is ${glaze.surface}.`);
  for (const { oxide, percent } of LINER_LIMITS) {
    if ((glaze.firedPercent[oxide] ?? 0) >= percent) reasons.push(`It holds ${glaze.firedPercent[oxide]!.toFixed(1)} % ${oxide}.`);
  }
  const { SiO2, Al2O3 } = glaze.unity;
  if (SiO2 !== undefined && SiO2 < 2.5) reasons.push('It is low in silica.');
  if (Al2O3 !== undefined && Al2O3 < 0.25) reasons.push('It is low in alumina.');
  return reasons;
}
