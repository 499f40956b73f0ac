import { requireNotNegative, requireNumber, requirePositive } from '../../checks/require';
import { PotterError } from '../../checks/potter-error';
import { cakeFactor, unlimitedCakeMm } from './cake';

export interface Dip {
  /** Time fully under plus half of going in and out. */
  seconds: number;
  solidsByVolume: number;
  packing: number;
  suction: number;
  /** Wet film that clings, mm. */
  filmMm: number;
  /** All dry glaze beneath, film included, mm. */
  underMm: number;
  /** 0 still damp, 1 dry. */
  underDryness: number;
  /** What this face of the wall can still drink, mm of water. */
  wallWaterMm: number;
}

export type DipCoat =
  | { kind: 'ok'; coatMm: number; cakeMm: number; waterTakenMm: number; saturated: boolean }
  | { kind: 'tooThickToDip'; solidsByVolume: number; mostSolidsByVolume: number };

/** Above this share of the packing fraction the slurry no longer runs off a piece. */
export const TOO_THICK_SHARE = 0.9;

/**
 * Dry coat of one dip, mm: filter cake plus the film that clings. Cake ≤ k × room; if the wall is full at that
 * point the film drains to half. Accuracy with starting guesses: about a factor 1.6 either way.
 */
export function dipCoat(dip: Dip): DipCoat {
  checkDip(dip);
  return checkedDipCoat(dip, requireNotNegative('seconds', dip.seconds));
}

/** The same for a dip that was checked: a curve asks hundreds of times for one bucket and one wall. */
export function checkedDipCoat(dip: Omit<Dip, 'seconds'>, seconds: number): DipCoat {
  const { solidsByVolume, packing, filmMm, suction, underMm, underDryness } = dip;
  if (solidsByVolume > TOO_THICK_SHARE * packing) {
    return { kind: 'tooThickToDip', solidsByVolume, mostSolidsByVolume: TOO_THICK_SHARE * packing };
  }
  const factor = cakeFactor(dip);
  const room = roomMm(dip);
  const unlimited = unlimitedCakeMm({ seconds, factor, packing, suction, underMm, underDryness });
  const saturated = suction > 0 && unlimited >= factor * room;
  const cakeMm = Math.min(unlimited, factor * room);
  const film = saturated ? filmMm / 2 : filmMm;
  const drunk = cakeMm / factor + film * (1 - solidsByVolume / packing);
  return {
    kind: 'ok',
    coatMm: cakeMm + (film * solidsByVolume) / packing,
    cakeMm,
    waterTakenMm: suction > 0 ? Math.min(drunk, room) : 0,
    saturated,
  };
}

/** Water this dip can take: what the face can still drink plus the pores of a dry coat beneath, mm. */
export function roomMm({ wallWaterMm, packing, underMm, underDryness }: Pick<Dip, 'wallWaterMm' | 'packing' | 'underMm' | 'underDryness'>): number {
  return wallWaterMm + (1 - packing) * underMm * underDryness;
}

/** Dry thickness of a wet film: f φ/c. */
export function filmCoatMm({ filmMm, solidsByVolume, packing }: Pick<Dip, 'filmMm' | 'solidsByVolume' | 'packing'>): number {
  return (filmMm * solidsByVolume) / packing;
}

/** Refuses what no bucket or wall can be. Shared with the inverse, which asks for seconds. */
export function checkDip(dip: Omit<Dip, 'seconds'>): void {
  requirePositive('solidsByVolume', dip.solidsByVolume);
  requirePositive('packing', dip.packing);
  if (dip.packing >= 1) throw new PotterError('tooLarge', 'packing', dip.packing, 'The packing of a dry coat must be below 1.');
  requireNotNegative('suction', dip.suction);
  requireNotNegative('filmMm', dip.filmMm);
  requireNotNegative('underMm', dip.underMm);
  requireNotNegative('wallWaterMm', dip.wallWaterMm);
  requireNumber('underDryness', dip.underDryness);
  if (dip.underDryness < 0 || dip.underDryness > 1) {
    throw new PotterError('tooLarge', 'underDryness', dip.underDryness, 'Dryness runs from 0 (still damp) to 1 (dry through).');
  }
}
