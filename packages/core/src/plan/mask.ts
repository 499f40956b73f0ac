import type { Turn } from './strip';

/** What keeps glaze off a place, or takes it off again. */
export interface Mask {
  id: string;
  kind: 'wax' | 'tape' | 'scrape' | 'sponge';
  where: 'hole' | 'handle' | 'band' | 'panel';
  /** Edges of a band or panel, mm above the shelf. A thin band is a line. */
  fromMm: number;
  toMm: number;
  turn?: Turn | undefined;
  /** On the inside; on the outside when left out. */
  face?: 'inside' | undefined;
  /** Only lines: which share of the band or panel they take, 0–1. All of it when left out. */
  linesShare?: number | undefined;
  /** Wax round the drain hole: how wide the ring is, mm. */
  ringMm?: number | undefined;
  /** Put on over this layer; on bare clay when left out. */
  overLayerId?: string | undefined;
}

/**
 * Returns whether a mask lies between two heights of the wall; one of a hole or handle does not.
 *
 * @param mask - its `where`
 * @example
 * isBand({ where: 'hole' }) // false
 */
export const isBand = ({ where }: Pick<Mask, 'where'>): boolean => where === 'band' || where === 'panel';

/**
 * Returns the mask that leaves the handle or lugs out; undefined where they are glazed with the outside.
 *
 * @param plan - its `masks`
 * @example
 * handleMask({}) // undefined
 */
export const handleMask = ({ masks = [] }: { masks?: readonly Mask[] | undefined }): Mask | undefined =>
  masks.find(({ where }) => where === 'handle');

/** A band that ends nearer to the rim than this takes the lip too, mm. */
export const LIP_MM = 1.5;

/** Width of a waxed ring round a hole where none is told, mm. */
export const USUAL_RING_MM = 5;

/** How the foot is kept bare. A soaked foot is wiped clean by a finger; its water counts. */
export type FootBy = 'wax' | 'soak' | 'tape' | 'sponge';

export const MOST_MASKS = 6;
