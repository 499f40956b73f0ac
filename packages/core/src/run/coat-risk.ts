import { requirePositive } from '../checks/require';
import { withLayers } from '../plan/piece-plan';
import type { PieceRunQuestion } from './piece-run';
import { quickForecast, worstSide, type RunForecast } from './run-forecast';
import { SAFE_CHANCE } from './safe-chance';
import { quickSafeLine } from './safe-line';

/** What another coat than planned does to a piece in the kiln. */
export interface CoatRisk {
  /** The chance that its glaze reaches what it stands on, as planned and as it is now, 0–1. */
  plannedChance: number;
  reachChance: number;
  /** So much of the lowest glaze is to be scraped off for it to stay clear, whole mm; 0 where it does. Left out where no scraping helps. */
  scrapeMm?: number;
  basis: RunForecast['basis'];
  feet: number;
  pieces: number;
}

/**
 * Returns the chance that a piece runs to its shelf when some of its coats are thicker or thinner than planned, and how far its lower edge has to be
 * scraped up for it to come within 2 mm of the shelf less often than once in twenty. By quick looks: within a few percent of the draws.
 *
 * @param question - plan, shape and glazes, as for `quickForecast`
 * @param layerIds - of the coats that are not as planned
 * @param ratio - how many times the planned coat, above 0
 * @throws PotterError as `quickForecast`
 * @example
 * coatRisk({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }, [], 1.5).reachChance // 0
 */
export function coatRisk(question: PieceRunQuestion, layerIds: readonly string[], ratio: number): CoatRisk {
  const times = requirePositive('ratio', ratio);
  const plan = withLayers(question.plan, (layer) => (layerIds.includes(layer.id) ? { ...layer, coatMm: layer.coatMm * times } : layer));
  const planned = worstSide(quickForecast(question));
  const forecast = quickForecast({ ...question, plan });
  const worst = worstSide(forecast);
  const isSafe = !worst || worst.nearChance < SAFE_CHANCE;
  const lineMm = isSafe ? plan.waxFootMm : quickSafeLine({ ...question, plan });
  return {
    plannedChance: planned?.reachChance ?? 0,
    reachChance: worst?.reachChance ?? 0,
    ...(lineMm === undefined ? {} : { scrapeMm: Math.max(0, Math.ceil(lineMm - plan.waxFootMm)) }),
    basis: forecast.basis,
    feet: forecast.feet,
    pieces: forecast.pieces,
  };
}
