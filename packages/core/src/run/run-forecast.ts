import type { FlowGuess } from '../chemistry/flow-guess';
import { drawAll } from './film-draws';
import { runChances, type DrawnRuns, type RunChances } from './draw-runs';
import { overlapOf, runLayers, sideKey, sidesToRun, type PieceRunQuestion, type SideToRun } from './piece-run';
import { quickBand, quickRuns, type QuickBand } from './quick-run';
import { poolDepthMm } from './pool-depth';
import type { RunSide } from './run-path';
import { solveRun } from './run-solver';
import { heightAlong } from './strip-heights';

/** How far the glaze of one side runs towards where drips do harm. */
export interface SideForecast extends RunChances {
  side: RunSide;
  panelId?: string | undefined;
  endsAt: 'shelf' | 'rim';
  /** Height of its lower edge before the fire, in the middle case and in the 95 % case, mm above the shelf. */
  edgeMm: number;
  middleEdgeMm: number;
  run95EdgeMm: number;
  /** From its lower edge down to the shelf or rim, mm along the wall. */
  freeMm: number;
}

/** What is foretold of the run of a plan. Whatever speaks of running speaks from this. */
export interface RunForecast {
  /** From 2,000 draws, or from one coarse solve scaled while a hand still moves. */
  from: 'draws' | 'quickLook';
  sides: readonly SideForecast[];
  /** Deepest pool inside, in the middle case, mm; left out where nothing inside melts. */
  poolMm?: number | undefined;
  /** The weakest basis among the flows of its glazes, and how many fired feet and measured pieces are part of them. */
  basis: FlowGuess['basis'];
  feet: number;
  pieces: number;
}

/** Weakest first. */
const BASES: readonly FlowGuess['basis'][] = ['startingGuess', 'pottersWord', 'runnerTile'];

/**
 * Returns whether what comes down a side ends where it does harm: on the shelf, or off the rim of a piece that stands upside down.
 *
 * @param side - which side
 * @example
 * isHarmful({ endsAt: 'floor' }) // false
 */
export const isHarmful = ({ endsAt }: Pick<SideToRun, 'endsAt'>): boolean => endsAt !== 'floor';

/**
 * Returns the forecast from draws that were made of each side.
 *
 * @param sides - from `sidesToRun`
 * @param drawnOf - the draws of a side by its key; a side without draws is left out
 * @param poolMm - deepest pool inside, mm
 * @example
 * forecastFrom([], {}).sides // []
 */
export const forecastFrom = (sides: readonly SideToRun[], drawnOf: Readonly<Record<string, DrawnRuns>>, poolMm?: number): RunForecast =>
  forecast(
    'draws',
    sides.flatMap((side) => {
      const drawn = drawnOf[sideKey(side)];
      return drawn ? [[side, runChances(side, drawn)] as const] : [];
    }),
    poolMm,
  );

/**
 * Returns the forecast of a plan from 2,000 draws of each side. It takes about a second: for workers.
 *
 * @param question - plan, shape and glazes; firing, texture and measured pairs where they are known
 * @throws PotterError for a firing or coats that cannot be
 * @example
 * drawnForecast({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }).from // 'draws'
 */
export function drawnForecast(question: PieceRunQuestion): RunForecast {
  const all = sidesToRun(question);
  const sides = all.filter(isHarmful);
  return forecastFrom(sides, Object.fromEntries(sides.map((side) => [sideKey(side), drawAll(side)])), poolOf(all));
}

/**
 * Returns the forecast of a plan from one coarse solve of each side, scaled: within a few percent of the draws, and quick enough to follow a hand.
 *
 * @param question - as for `drawnForecast`
 * @throws PotterError for a firing or coats that cannot be
 * @example
 * quickForecast({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }).from // 'quickLook'
 */
export function quickForecast(question: PieceRunQuestion): RunForecast {
  const quicks = quickRuns(question);
  const inside = quicks.find(({ side }) => side.endsAt === 'floor');
  return forecast(
    'quickLook',
    quicks.flatMap((quick) => (isHarmful(quick.side) ? [[quick.side, quickBand(quick)] as const] : [])),
    inside && poolDepthMm(inside.side.strip, inside.middle.heightMm),
  );
}

/**
 * Returns the side that comes nearest to harm; undefined where nothing runs.
 *
 * @param forecast - the forecast
 * @example
 * worstSide({ from: 'draws', sides: [], basis: 'startingGuess', feet: 0, pieces: 0 }) // undefined
 */
export const worstSide = ({ sides }: RunForecast): SideForecast | undefined =>
  sides.reduce<SideForecast | undefined>((worst, side) => (worst && rank(worst) >= rank(side) ? worst : side), undefined);

/** By the chance to reach, then to come near, then by how much of the way the 95 % run takes. */
const rank = ({ reachChance, nearChance, run95Mm, freeMm }: SideForecast): number =>
  1e6 * reachChance + 1e3 * nearChance + Math.min(1, run95Mm / Math.max(freeMm, 1e-6));

/** Deepest pool inside, in the middle case, mm. */
function poolOf(sides: readonly SideToRun[]): number | undefined {
  const inside = sides.find(({ endsAt }) => endsAt === 'floor');
  if (!inside) return undefined;
  const { strip, stuckMm, gathers } = inside;
  const { moments } = solveRun({ strip, stuckMm, gathers, layers: runLayers(inside), overlap: overlapOf(inside) });
  return poolDepthMm(strip, moments[0]!.heightMm);
}

function forecast(
  from: RunForecast['from'],
  harmful: readonly (readonly [SideToRun, RunChances | QuickBand])[],
  poolMm: number | undefined,
): RunForecast {
  const layers = harmful.flatMap(([side]) => side.layers);
  const glazes = [...new Map(layers.map((layer) => [layer.layer.bucketId, layer])).values()];
  return {
    from,
    sides: harmful.map(([side, chances]) => {
      const { startMm, endMm, strip, panelId } = side;
      return {
        ...chances,
        side: side.side,
        ...(panelId === undefined ? {} : { panelId }),
        endsAt: side.endsAt === 'rim' ? 'rim' : 'shelf',
        edgeMm: heightAlong(strip, startMm),
        middleEdgeMm: heightAlong(strip, startMm + chances.middleMm),
        run95EdgeMm: heightAlong(strip, startMm + chances.run95Mm),
        freeMm: endMm - startMm,
      };
    }),
    ...(poolMm === undefined ? {} : { poolMm }),
    basis: BASES.find((basis) => layers.some((layer) => layer.basis === basis)) ?? 'startingGuess',
    feet: glazes.reduce((sum, { feet }) => sum + feet, 0),
    pieces: glazes.reduce((sum, { pieces }) => sum + pieces, 0),
  };
}
