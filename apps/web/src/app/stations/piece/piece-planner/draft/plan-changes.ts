import { BRUSHED_COAT_MM, GLAZE_COAT_MM, LUSTRE_FILM_MM, type Layer, type PiecePlan, type Strip, type Zone } from '@cazuela/core';

/** Returns the coats of a zone, or of a strip by its id, bottom up. */
export function layersAt({ zones, strips = [] }: PiecePlan, place: string): readonly Layer[] {
  return strips.find((strip) => strip.id === place)?.layers ?? zones[place as Zone] ?? [];
}

/** Returns the part of the plan in which the coats of a zone, or of a strip by its id, are others. */
export function layersChanged(plan: PiecePlan, place: string, change: (layers: readonly Layer[]) => Layer[]): Partial<PiecePlan> {
  const layers = change(layersAt(plan, place));
  if (plan.strips?.some((strip) => strip.id === place)) return stripChanged(plan, place, { layers });
  return { zones: { ...plan.zones, [place]: layers } };
}

/** Returns the part of the plan in which a strip is another. A strip that is glazed first needs another order of steps. */
export function stripChanged(plan: PiecePlan, id: string, change: Partial<Strip>): Partial<PiecePlan> {
  const strips = (plan.strips ?? []).map((strip) => (strip.id === id ? { ...strip, ...change } : strip));
  return change.first === undefined ? { strips } : { strips, order: [] };
}

/** Returns a coat as it is usually put on: decoration is brushed, the inside is poured, all else is dipped. */
export function newLayer(place: string, bucketId: string, coatingKind?: Layer['coatingKind']): Omit<Layer, 'id'> {
  if (coatingKind === 'lustre') return { bucketId, method: 'brush', coatMm: LUSTRE_FILM_MM, coatingKind };
  if (coatingKind && coatingKind !== 'glaze') return { bucketId, method: 'brush', coatMm: BRUSHED_COAT_MM, coatingKind };
  return { bucketId, method: place === 'inside' ? 'pour' : 'dip', coatMm: GLAZE_COAT_MM, ...(coatingKind ? { coatingKind } : {}) };
}
