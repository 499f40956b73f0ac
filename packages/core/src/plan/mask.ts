import type { Turn } from './strip';

/** What keeps glaze off a place, or takes it off again. */
export interface Mask {
  id: string;
  kind: 'wax' | 'tape' | 'scrape' | 'sponge';
  where: 'hole' | 'band' | 'panel';
  /** Edges of a band or panel, mm above the shelf. A thin band is a line. */
  fromMm: number;
  toMm: number;
  turn?: Turn | undefined;
  /** Put on over this layer; on bare clay when left out. */
  overLayerId?: string | undefined;
}

/** How the foot is kept bare. A soaked foot is wiped clean by a finger; its water counts. */
export type FootBy = 'wax' | 'soak' | 'tape' | 'sponge';

export const MOST_MASKS = 6;
