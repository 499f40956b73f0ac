import type { ApplicationMethod } from '../coat/methods/application-method';
import { coatingKindOf, type Layer } from './layer';

/** What stays in the texture of a stain that is rubbed in and wiped back, mm. */
export const RUBBED_FILM_MM = 0.03;
/** How thick and how wide a trailed line lies, mm: starting guesses, no figure is known. */
export const TRAILED_LINE_MM = 1;
export const TRAILED_WIDTH_MM = 3;
/** How far the second of two half dips goes over the first, mm. */
export const HALVES_OVERLAP_MM = 5;
/** Lustre leaves a film of metal; this stands for it, mm. */
export const LUSTRE_FILM_MM = 0.01;
/** What a coat is planned with until somebody says otherwise, mm: a glaze, and a brushed slip, underglaze or wash. */
export const GLAZE_COAT_MM = 0.5;
export const BRUSHED_COAT_MM = 0.15;

/**
 * Returns a coat put on by another method: rubbed in and wiped back it is a film of its own, and no coat any more.
 *
 * @param layer - the coat
 * @param method - how it is put on
 * @example
 * withMethod({ id: 'a', bucketId: 'oxide', method: 'brush', coatMm: 0.15, coatingKind: 'stain' }, 'rub').coatMm // 0.03
 */
export function withMethod(layer: Layer, method: ApplicationMethod): Layer {
  if (method === layer.method) return layer;
  if (method === 'rub') return { ...layer, method, coatMm: RUBBED_FILM_MM };
  if (method === 'trail') return { ...layer, method, coatMm: TRAILED_LINE_MM };
  if (layer.method !== 'rub' && layer.method !== 'trail') return { ...layer, method };
  return { ...layer, method, coatMm: coatingKindOf(layer) === 'glaze' ? GLAZE_COAT_MM : BRUSHED_COAT_MM };
}
