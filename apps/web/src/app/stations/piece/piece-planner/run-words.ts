import { OVERLAP_OMEGA, SAFE_CHANCE, type PlannedLayer, type RunChances, type SafeLine, type SideToRun } from '@cazuela/core';
import type { Units } from '../../../data/units';
import { heightAlong } from './run-drawing';

/** The chance to reach the shelf, and where the edge ends. */
export function reachWords(
  side: SideToRun,
  { reachChance, middleMm, lowMm, highMm }: RunChances,
  units: Units,
): { figure: string; words: string; edge: string; tone: string } {
  const percent = reachChance > 0 && reachChance < 0.01 ? 'under 1 %' : reachChance > 0.99 ? 'over 99 %' : `${Math.round(100 * reachChance)} %`;
  const at = (run: number): string => units.roughly(heightAlong(side, side.startMm + run));
  const start = units.roughly(heightAlong(side, side.startMm));
  return {
    figure: percent,
    words: 'is the chance that the outside reaches the shelf.',
    edge: `It starts ${start} up and runs about ${units.roughly(middleMm)}: its edge ends ${at(middleMm)} up (four of five times ${at(highMm)} to ${at(lowMm)}).`,
    tone: reachChance >= SAFE_CHANCE ? (reachChance >= 0.3 ? 'stop' : 'look') : 'good',
  };
}

export function safeLineWords(line: SafeLine, waxFootMm: number): { words: string; waxFootMm?: number } {
  if (line.kind === 'none') return { words: 'No line on this piece keeps it off the shelf: thinner, less overlap, or on a plate with kiln wash.' };
  const now = line.waxFootMm <= waxFootMm ? 'yours is safe' : `yours is ${waxFootMm} mm`;
  return {
    words: `Lowest safe line: ${line.waxFootMm} mm up (${now}); there it reaches the shelf less than once in twenty.`,
    waxFootMm: line.waxFootMm,
  };
}

/** Deeper than this a pool may crack the pot as it cools, mm: the bench's word. */
const DEEP_POOL_MM = 3;

export function poolWords(deepestMm: number, wallMm: number, units: Units): { words: string; tone: string } {
  const pool = `Inside it gathers to ${units.roughly(deepestMm)} where the wall meets the floor; the wall keeps ${wallMm.toFixed(2)} mm.`;
  return deepestMm > DEEP_POOL_MM
    ? { words: `${pool} So deep a pool may crack the pot: less inside.`, tone: 'look' }
    : { words: pool, tone: 'small' };
}

/** What the run leans on, and what would make it surer. */
export function groundOfRun(layers: readonly PlannedLayer[], outside: SideToRun | undefined): string[] {
  const guesses = [...new Set(layers.filter((layer) => layer.isGuess).map((layer) => layer.name))];
  const names = [...new Set((outside?.layers ?? []).map((layer) => layer.name))];
  return [
    ...(guesses.length > 0
      ? [`${guesses.join(' and ')}: how it flows is a starting guess from the recipe. A runner tile would narrow the range.`]
      : []),
    ...(names.length > 1
      ? [
          `${names.slice(1).join(' and ')} over ${names[0]} was never measured here: together they are taken to run ${OVERLAP_OMEGA.omega} times as far, give or take.`,
        ]
      : []),
    'From 2,000 runs, each with its own coat, flow and half a cone of the kiln; a wall that leans, pools and overlaps are in it, a handle is not.',
  ];
}
