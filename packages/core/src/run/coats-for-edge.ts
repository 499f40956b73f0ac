import { layersOf, withLayers, type PiecePlan } from '../plan/piece-plan';
import type { Layer } from '../plan/layer';
import { coatScaleFor, type QuickRun } from './quick-run';
import { alongTo, heightAlong } from './strip-heights';

/** No coat is planned thinner or thicker than this, mm. */
const THINNEST_MM = 0.1;
const THICKEST_MM = 1.2;

export interface CoatsForEdge {
  plan: PiecePlan;
  /** The changed coats of outside, rim and strips. */
  coats: Layer[];
}

/**
 * Returns the plan whose coats let the lower edge end where it is wanted, from where it starts now: all coats changed by one share, to a
 * hundredth of a mm. Undefined where the edge starts below that height, where no share does it, or where a coat would leave 0.1–1.2 mm.
 *
 * @param question - `plan`; `quick`, its run; `wantedMm`, height of the fired edge above the shelf; `layerIds`, the coats that run on this side
 * @example
 * coatsForEdge({ plan: {}, quick: { side: { strip: uprightStrip({ lengthMm: 100, cellMm: 1 }), startMm: 90 } }, wantedMm: 20, layerIds: new Set() })
 * // undefined
 */
export function coatsForEdge({
  plan,
  quick,
  wantedMm,
  layerIds,
}: {
  plan: PiecePlan;
  quick: QuickRun;
  wantedMm: number;
  layerIds: ReadonlySet<string>;
}): CoatsForEdge | undefined {
  const { strip, startMm } = quick.side;
  if (wantedMm >= heightAlong(strip, startMm)) return undefined;
  const scale = coatScaleFor(quick, alongTo(strip, wantedMm));
  if (scale === undefined) return undefined;
  const scaled = withLayers(plan, (layer) => (layerIds.has(layer.id) ? { ...layer, coatMm: Math.round(100 * layer.coatMm * scale) / 100 } : layer));
  const { inside: _inside, foot: _foot, ...outer } = scaled.zones;
  const coats = layersOf({ zones: { inside: [], foot: [], ...outer }, strips: scaled.strips }).filter((layer) => layerIds.has(layer.id));
  if (coats.some((layer) => layer.coatMm < THINNEST_MM || layer.coatMm > THICKEST_MM)) return undefined;
  return { plan: scaled, coats };
}
