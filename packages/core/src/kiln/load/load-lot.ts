import type { KilnSetting } from '../../plan/piece-plan';
import { SAFE_CHANCE } from '../../run/safe-chance';
import type { Footprint, LoadPiece } from './load-piece';

/** Pieces of one kind that are to be fired together: pots of a day, a test tile, or what somebody named. */
export interface LoadLot {
  id: string;
  /** Of a day; left out for what comes from elsewhere. */
  dayId?: string | undefined;
  itemId?: string | undefined;
  pieceId?: string | undefined;
  tileId?: string | undefined;
  name: string;
  /** On its tag. */
  code?: string | undefined;
  count: number;
  footprint: Footprint;
  heightMm: number;
  grams?: number | undefined;
  setting?: KilnSetting | undefined;
  /** How likely it runs to where it stands, as foretold, 0–1. */
  reachChance?: number | undefined;
  wants?: 'hot' | 'cool' | undefined;
  /** Lids that are fired on the pots of another lot: they take no room of their own. */
  onLotId?: string | undefined;
  /** Somebody says that it is dry through, whatever the clock says. */
  isDry?: boolean | undefined;
}

/** What pieces stand on, mm: kiln-washed plate, stilts, post that carries one upside down. */
const STANDS_MM: Record<KilnSetting, number> = { shelf: 0, plate: 12, stilts: 25, upsideDown: 10, onRim: 0 };
/** A plate reaches beyond the piece, mm. */
const PLATE_BEYOND_MM = 5;
/** A lid sinks into its gallery by about this, mm. */
const SEAT_DEPTH_MM = 5;

/**
 * Returns the id of one piece of a lot.
 *
 * @param lotId - of the lot
 * @param at - 0 for the first
 * @example
 * loadPieceId('a', 0) // 'a:1'
 */
export const loadPieceId = (lotId: string, at: number): string => `${lotId}:${at + 1}`;

/**
 * Returns the lot that a piece of a load is of.
 *
 * @param pieceId - from `loadPieceId`
 * @example
 * lotIdOf('a:1') // 'a'
 */
export const lotIdOf = (pieceId: string): string => pieceId.slice(0, pieceId.lastIndexOf(':'));

/**
 * Returns the pieces of all lots, as large as they stand: on a plate, on stilts, with their lids. Lids on their pots are none.
 *
 * @param lots - of one load
 * @example
 * loadPieces([{ id: 'a', name: 'Cup', count: 2, footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }]).map(({ id }) => id) // ['a:1', 'a:2']
 */
export function loadPieces(lots: readonly LoadLot[]): LoadPiece[] {
  return lots.flatMap((lot) => {
    if (lot.onLotId && lots.some(({ id }) => id === lot.onLotId)) return [];
    const lids = lots.filter(({ onLotId }) => onLotId === lot.id);
    return Array.from({ length: lot.count }, (_, at) => pieceOf(lot, at, lids));
  });
}

function pieceOf(lot: LoadLot, at: number, lids: readonly LoadLot[]): LoadPiece {
  const { setting = 'shelf', footprint, reachChance, wants, tileId, grams } = lot;
  const isRunner = (reachChance ?? 0) >= SAFE_CHANCE;
  const lid = lids.find(({ count }) => at < count);
  const lidMm = lid ? Math.max(0, lid.heightMm - SEAT_DEPTH_MM) : 0;
  const allGrams = lid ? (grams === undefined || lid.grams === undefined ? undefined : grams + lid.grams) : grams;
  const heat = wants ?? (isRunner ? 'cool' : undefined);
  return {
    id: loadPieceId(lot.id, at),
    footprint: setting === 'plate' ? wider(footprint) : footprint,
    heightMm: lot.heightMm + STANDS_MM[setting] + lidMm,
    ...(allGrams === undefined ? {} : { grams: allGrams }),
    ...(isRunner ? { isRunner } : {}),
    ...(heat ? { wants: heat } : {}),
    ...(tileId ? { isAtDoor: true } : {}),
  };
}

const wider = (footprint: Footprint): Footprint =>
  footprint.kind === 'circle'
    ? { kind: 'circle', radiusMm: footprint.radiusMm + PLATE_BEYOND_MM }
    : { kind: 'box', widthMm: footprint.widthMm + 2 * PLATE_BEYOND_MM, depthMm: footprint.depthMm + 2 * PLATE_BEYOND_MM };
