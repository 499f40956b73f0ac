import {
  heightAlong,
  narrowsTo,
  OVERLAP_OMEGA,
  pairFlow,
  placeWords,
  SAFE_CHANCE,
  type FlowGuess,
  type OutsideRun,
  type PairFlow,
  type PiecePlan,
  type PieceShape,
  type QuickBand,
  type RunChances,
  type SafeLine,
  type SideToRun,
} from '@cazuela/core';
import type { Units } from '../../../../data/units/units';

/** The chance to reach the shelf, and where the edge ends. */
export function reachWords(
  side: SideToRun,
  { reachChance, middleMm, lowMm, highMm }: RunChances | QuickBand,
  units: Units,
): { figure: string; words: string; edge: string; tone: string } {
  const percent = percentOf(reachChance);
  const at = (run: number): string => units.roughly(heightAlong(side.strip, side.startMm + run));
  const start = units.roughly(heightAlong(side.strip, side.startMm));
  return {
    figure: percent,
    words: 'is the chance that the outside reaches the shelf.',
    edge: `It starts ${start} up and runs about ${units.roughly(middleMm)} along the wall: its edge ends ${at(middleMm)} up (four of five times ${at(highMm)} to ${at(lowMm)}).`,
    tone: reachChance >= SAFE_CHANCE ? (reachChance >= 0.3 ? 'stop' : 'look') : 'good',
  };
}

const percentOf = (chance: number): string => (chance < 0.01 ? 'under 1 %' : chance > 0.99 ? 'over 99 %' : `${Math.round(100 * chance)} %`);

/** A handle, lug or panel, beside the answer for the wall. */
export function sideWords(
  side: SideToRun,
  { reachChance, middleMm }: RunChances,
  plan: Pick<PiecePlan, 'strips'>,
  shape: PieceShape,
): { words: string; tone: string } {
  const name = side.panelId ? `On ${placeWords(side.panelId, plan)}` : shape.grip?.kind === 'lugs' ? 'Down a lug' : 'Down the handle';
  const tone = reachChance >= SAFE_CHANCE ? (reachChance >= 0.3 ? 'stop' : 'look') : 'small';
  return { words: `${name}: ${percentOf(reachChance)} reach the shelf, the middle one comes ${Math.round(middleMm)} mm below its edge.`, tone };
}

export function safeLineWords(line: SafeLine, waxFootMm: number): { words: string; waxFootMm?: number } {
  if (line.kind === 'none') return { words: 'No line on this piece keeps it off the shelf: thinner, less overlap, or on a plate with kiln wash.' };
  const now = line.waxFootMm <= waxFootMm ? 'yours is safe' : `yours is ${waxFootMm} mm`;
  return {
    words: `Lowest safe line: ${line.waxFootMm} mm up (${now}); there it reaches the shelf less than once in twenty.`,
    waxFootMm: line.waxFootMm,
  };
}

/** A deeper pool may crack the pot as it cools, mm: a rule of the bench. */
const DEEP_POOL_MM = 3;

export function poolWords(deepestMm: number, wallMm: number, units: Units): { words: string; tone: string } {
  const pool = `Inside it gathers to ${units.roughly(deepestMm)} where the wall meets the floor; the wall keeps ${wallMm.toFixed(2)} mm.`;
  return deepestMm > DEEP_POOL_MM
    ? { words: `${pool} So deep a pool may crack the pot: less inside.`, tone: 'look' }
    : { words: pool, tone: 'small' };
}

export interface Unknown {
  words: string;
  button: string;
  bucketIds: readonly string[];
}

/** What is not known of the glazes and pairs of a run, and what one tile would change. */
export function unknownsOf(sides: readonly SideToRun[], overlaps: readonly PairFlow[]): Unknown[] {
  const layers = sides.flatMap((side) => side.layers);
  const glazes = new Map(layers.filter((layer) => layer.isGuess).map((layer) => [layer.layer.bucketId, layer]));
  const alone = [...glazes.values()].map(({ layer, name, flowLnSd }): Unknown => ({
    words: `${name}: how it flows is a starting guess from the recipe; a runner tile would make the range ${narrowWords(flowLnSd)}.`,
    button: `Plan a runner tile of ${name}`,
    bucketIds: [layer.bucketId],
  }));
  const pairs = new Map<string, Unknown>();
  for (const side of sides.filter((one) => one.side === 'outside')) {
    side.layers.forEach((lower, at) => {
      for (const upper of side.layers.slice(at + 1)) {
        const [a, b] = [lower.layer.bucketId, upper.layer.bucketId];
        // Neighbours that only meet at an edge never run as one.
        const meet = Math.min(lower.toMm, upper.toMm) > Math.max(lower.fromMm, upper.fromMm);
        if (a === b || !meet || pairs.has(`${a} ${b}`) || overlaps.some((pair) => [pair.a, pair.b].includes(a) && [pair.a, pair.b].includes(b)))
          continue;
        pairs.set(`${a} ${b}`, {
          words: `${upper.name} over ${lower.name} was never measured here: together they are taken to run ${OVERLAP_OMEGA.omega} times as far, give or take ${Math.round(100 * (Math.exp(pairFlow(overlaps, a, b).lnSd) - 1))} %; a runner tile would make that ${narrowWords(OVERLAP_OMEGA.lnSd)}.`,
          button: `Plan a runner tile of ${upper.name} over ${lower.name}`,
          bucketIds: [a, b],
        });
      }
    });
  }
  return [...alone, ...pairs.values()];
}

const narrowWords = (lnSd: number): string => {
  const left = narrowsTo(lnSd);
  return left < 0.4 ? 'a third as wide' : left < 0.62 ? 'half as wide' : left < 0.85 ? 'a quarter narrower' : 'a little narrower';
};

const GROUND_WORDS: Record<FlowGuess['basis'], [leans: string, then: string]> = {
  startingGuess: ['Starting guess from the recipe', ': fire a runner tile'],
  pottersWord: ['From how you say it moves', ', not from a tile'],
  runnerTile: ['From your runner tiles', ''],
};

/** What is known of the flow outside, in a sentence; fired feet sharpen it. */
export function basisOfFlow({ basis, feet }: Pick<OutsideRun, 'basis' | 'feet'>): string {
  const [leans, then] = GROUND_WORDS[basis];
  return `${leans}${feet > 0 ? `, and ${feetWords(feet)}` : ''}${then}.`;
}

const feetWords = (feet: number): string => (feet === 1 ? 'the foot of one fired piece' : `the feet of ${feet} fired pieces`);

/** What the run rests on. */
export function basisOfRun(sides: readonly SideToRun[], overlaps: readonly PairFlow[], feet: number, isDrawn: boolean): string[] {
  const names = new Map(sides.flatMap((side) => side.layers.map((layer) => [layer.layer.bucketId, layer.name])));
  const measured = overlaps.filter((pair) => names.has(pair.a) && names.has(pair.b));
  return [
    ...measured.map(
      (pair) => `${names.get(pair.a)} and ${names.get(pair.b)} together run ${pair.omega.toFixed(1)} times as far, from your runner tiles.`,
    ),
    ...(feet > 0 ? [`How they flow leans on ${feetWords(feet)} as well: clean, or stuck to the shelf.`] : []),
    isDrawn
      ? 'From 2,000 runs, each with its own coat, flow and half a cone of the kiln; a wall that leans, pools, overlaps and handles are in it.'
      : 'A quick look from one coarse run, scaled; two thousand runs follow when your hand rests.',
  ];
}
