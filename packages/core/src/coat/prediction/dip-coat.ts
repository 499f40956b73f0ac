import { requireNotNegative, requireNumber, requirePositive } from '../../checks/require';
import { PotterError } from '../../checks/potter-error';
import { cakeFactor, unlimitedCakeMm } from './cake';

export interface Dip {
  /** Time fully under, plus half of going in and out. */
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

/** Above this share of the packing the slurry no longer runs off a piece. */
export const TOO_THICK_SHARE = 0.9;

/**
 * Returns the dry coat of one dip, mm: the filter cake plus the film that clings. The cake is at most k × room; when the wall is full by
 * then, the film drains to half.
 *
 * Accuracy with starting guesses: about a factor 1.6 either way.
 *
 * @param dip - solids, packing, suction in mm²/s, film, coat beneath and room in the wall in mm, and `seconds`
 * @throws PotterError for what no bucket or wall can be
 * @example
 * dipCoat({ seconds: 3, solidsByVolume: 0.28, packing: 0.5, suction: 0.02, filmMm: 0.15, underMm: 0, underDryness: 1, wallWaterMm: 0.8 })
 * // { kind: 'ok', coatMm: 0.47480337, cakeMm: 0.39080337, waterTakenMm: 0.37305979, saturated: false }
 */
export function dipCoat(dip: Dip): DipCoat {
  checkDip(dip);
  return checkedDipCoat(dip, requireNotNegative('seconds', dip.seconds));
}

/**
 * Returns the same as `dipCoat`, for a dip that `checkDip` has passed. A curve asks hundreds of times for one bucket and one wall.
 *
 * @param dip - as for `dipCoat`
 * @param seconds - 0 or more
 * @example
 * checkedDipCoat({ solidsByVolume: 0.28, packing: 0.5, suction: 0, filmMm: 0.15, underMm: 0, underDryness: 1, wallWaterMm: 0.8 }, 3).coatMm
 * // 0.084
 */
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

/**
 * Returns the water that a dip can take, mm: what the face can still drink plus the pores of a dry coat beneath.
 *
 * @param dip - `wallWaterMm` and `underMm`, 0 or more; `packing` and `underDryness`, 0–1
 * @example
 * roomMm({ wallWaterMm: 0.8, packing: 0.5, underMm: 0.4, underDryness: 1 }) // 1
 */
export function roomMm({ wallWaterMm, packing, underMm, underDryness }: Pick<Dip, 'wallWaterMm' | 'packing' | 'underMm' | 'underDryness'>): number {
  return wallWaterMm + (1 - packing) * underMm * underDryness;
}

/**
 * Returns the dry thickness of a wet film, mm: f φ/c.
 *
 * @param dip - `filmMm`, 0 or more; `solidsByVolume` and `packing`, 0–1
 * @example
 * filmCoatMm({ filmMm: 0.15, solidsByVolume: 0.28, packing: 0.5 }) // 0.084
 */
export function filmCoatMm({ filmMm, solidsByVolume, packing }: Pick<Dip, 'filmMm' | 'solidsByVolume' | 'packing'>): number {
  return (filmMm * solidsByVolume) / packing;
}

/**
 * Refuses a dip that no bucket or wall can make.
 *
 * @param dip - as for `dipCoat`
 * @throws PotterError that names the figure
 * @example
 * checkDip({ solidsByVolume: 0.28, packing: 0.5, suction: 0.02, filmMm: 0.15, underMm: 0, underDryness: 1, wallWaterMm: 0.8 }) // undefined
 */
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
