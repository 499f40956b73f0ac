import {
  DEEP_POOL_MM,
  heightAlong,
  narrowsTo,
  OVERLAP_OMEGA,
  pairFlow,
  placeWords,
  SAFE_CHANCE,
  worstSide,
  type FlowGuess,
  type PairFlow,
  type PiecePlan,
  type PieceShape,
  type QuickBand,
  type RunChances,
  type RunForecast,
  type SafeLine,
  type SideForecast,
  type SideToRun,
} from '@cazuela/core';
import type { Units } from '../../../../data/units/units';
import { percentOf } from '../../../../parts/words/chance-words';

/** The chance to reach the shelf, and where the edge ends. */
export function reachWords(
  side: SideToRun,
  { reachChance, middleMm, lowMm, highMm }: RunChances | QuickBand,
  { plan, units }: { plan: PiecePlan; units: Units },
): { figure: string; words: string; edge: string; tone: string } {
  const at = (run: number): string => units.roughly(heightAlong(side.strip, side.startMm + run));
  const start = units.roughly(heightAlong(side.strip, side.startMm));
  return {
    figure: percentOf(reachChance),
    words: `is the chance that the outside ${endWords(plan)}.`,
    edge: `It starts ${start} up and runs about ${units.roughly(middleMm)} along the wall: its edge ends ${at(middleMm)} up (four of five times ${at(highMm)} to ${at(lowMm)}).`,
    tone: toneOf(reachChance),
  };
}

const endWords = ({ setting = 'shelf' }: Pick<PiecePlan, 'setting'>): string =>
  ({
    shelf: 'reaches the shelf',
    plate: 'reaches the plate',
    stilts: 'reaches the shelf',
    upsideDown: 'drips from the rim',
    onRim: 'reaches the seat',
  })[setting];

const toneOf = (chance: number): 'stop' | 'look' | 'good' => (chance >= SAFE_CHANCE ? (chance >= 0.3 ? 'stop' : 'look') : 'good');

/** One line on the run of the whole piece: its worst side, and the lowest safe line. */
export function verdictWords(
  forecast: RunForecast,
  line: SafeLine | undefined,
  { plan, shape, units }: { plan: PiecePlan; shape: PieceShape; units: Units },
): { figure: string; words: string; line: string; basis: string; tone: string } | undefined {
  const worst = worstSide(forecast);
  if (!worst) return undefined;
  const { reachChance, middleMm, run95Mm, edgeMm } = worst;
  const where = worst.side === 'outside' ? '' : `, ${sideName(worst, plan, shape).toLowerCase()}`;
  return {
    figure: percentOf(reachChance),
    words: `is the chance that it ${endWords(plan)}${where}.`,
    line: `Starts ${units.roughly(edgeMm)} up, runs about ${units.roughly(middleMm)}; 95 in 100 stay within ${units.roughly(run95Mm)}.${line ? ` ${shortLine(line, plan)}` : ''}`,
    basis: `${basisOfFlow(forecast)}${forecast.from === 'quickLook' ? ' A quick look; the draws follow.' : ''}`,
    tone: toneOf(reachChance),
  };
}

const shortLine = (line: SafeLine, plan: PiecePlan): string =>
  line.kind === 'none' ? safeLineWords(line, plan).words : `Lowest safe line: ${line.waxFootMm} mm up.`;

/** A handle, lug, panel or the inside, beside the answer for the wall. */
export function sideWords(side: SideForecast, plan: PiecePlan, shape: PieceShape): { words: string; tone: string } {
  const { reachChance, middleMm } = side;
  const tone = reachChance >= SAFE_CHANCE ? toneOf(reachChance) : 'small';
  const end = endWords(plan).replace('reaches', 'reach').replace('drips', 'drip');
  return {
    words: `${sideName(side, plan, shape)}: ${percentOf(reachChance)} ${end}, the middle one comes ${Math.round(middleMm)} mm below its edge.`,
    tone,
  };
}

const sideName = ({ side, panelId }: SideForecast, plan: Pick<PiecePlan, 'strips'>, shape: PieceShape): string => {
  if (panelId) return `On ${placeWords(panelId, plan)}`;
  if (side === 'inside') return 'From the inside';
  return shape.grip?.kind === 'lugs' ? 'Down a lug' : 'Down the handle';
};

export function safeLineWords(
  line: SafeLine,
  { waxFootMm, setting }: Pick<PiecePlan, 'waxFootMm' | 'setting'>,
): { words: string; waxFootMm?: number } {
  if (line.kind === 'none')
    return {
      words:
        setting === 'upsideDown'
          ? 'Upside down the rim is lowest: no waxed foot keeps it from dripping there. Thinner, or a bare rim.'
          : setting === 'onRim'
            ? 'A lid stands on its rim: no wax at the knob keeps it from its seat. Thinner, or a wider bare seat.'
            : 'No line on this piece keeps it off the shelf: thinner, less overlap, or on a plate with kiln wash.',
    };
  const now = line.waxFootMm <= waxFootMm ? 'yours is safe' : `yours is ${waxFootMm} mm`;
  return {
    words: `Lowest safe line: ${line.waxFootMm} mm up (${now}); there it comes within 2 mm of the shelf less than once in twenty.`,
    waxFootMm: line.waxFootMm,
  };
}

export function poolWords(deepestMm: number, units: Units): { words: string; tone: string } {
  const pool = `Inside it gathers to a pool of ${units.roughly(deepestMm)}.`;
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
  const glazes = new Map(layers.filter((layer) => layer.basis === 'startingGuess').map((layer) => [layer.layer.bucketId, layer]));
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
export function basisOfFlow({ basis, ...seen }: Pick<RunForecast, 'basis' | 'feet' | 'pieces'>): string {
  const [leans, then] = GROUND_WORDS[basis];
  const more = firedWords(seen);
  return `${leans}${more ? `, and ${more}` : ''}${then}.`;
}

/** What fired pieces taught: runs that were measured, and feet. */
function firedWords({ feet, pieces }: Pick<RunForecast, 'feet' | 'pieces'>): string {
  const ran = pieces === 0 ? [] : [pieces === 1 ? 'the measured run of one fired piece' : `the measured runs of ${pieces} fired pieces`];
  const stood = feet === 0 ? [] : [feet === 1 ? 'the foot of one fired piece' : `the feet of ${feet} fired pieces`];
  return [...ran, ...stood].join(' and ');
}

/** What the run rests on. */
export function basisOfRun(
  sides: readonly SideToRun[],
  overlaps: readonly PairFlow[],
  { from, ...seen }: Pick<RunForecast, 'feet' | 'pieces' | 'from'>,
): string[] {
  const names = new Map(sides.flatMap((side) => side.layers.map((layer) => [layer.layer.bucketId, layer.name])));
  const measured = overlaps.filter((pair) => names.has(pair.a) && names.has(pair.b));
  return [
    ...measured.map(
      (pair) => `${names.get(pair.a)} and ${names.get(pair.b)} together run ${pair.omega.toFixed(1)} times as far, ${pairWords(pair)}.`,
    ),
    ...(firedWords(seen) ? [`How they flow leans on ${firedWords(seen)} as well.`] : []),
    from === 'draws'
      ? 'From 2,000 runs, each with its own coat, flow and half a cone of the kiln; a wall that leans, pools, overlaps and handles are in it.'
      : 'A quick look from one coarse run, scaled; two thousand runs follow when your hand rests.',
  ];
}

const pairWords = ({ pieces = 0 }: PairFlow): string =>
  pieces > 0 ? `from ${pieces} fired ${pieces === 1 ? 'piece' : 'pieces'} of yours` : 'from your runner tiles';
