import type { ProfilePoint } from './profile';
import { curveThrough } from './curve-through';

/** A point that can be dragged: on the outside, from the foot's edge up to the rim. */
export interface FormPoint extends ProfilePoint {
  /** The curve has a corner here. */
  corner?: boolean | undefined;
}

/** A strap handle, or lugs: two short ones, each a bow of a flat strip. */
export interface Grip {
  kind: 'handle' | 'lugs';
  /** Heights of its joints above the shelf, how far it stands out, and width and thickness of the strip, mm. */
  upperMm: number;
  lowerMm: number;
  outMm: number;
  widthMm: number;
  thickMm: number;
}

export type FootKind = 'flat' | 'ring' | 'flared';

/** A piece as it is drawn and edited. */
export interface PieceForm {
  points: FormPoint[];
  wallMm: number;
  /** Clay under the inside floor, mm. */
  floorMm: number;
  grip?: Grip | undefined;
  /** Diameter of a drain hole through the floor, mm. */
  holeMm?: number | undefined;
  foot?: FootKind | undefined;
  /** Width of a flat tile, which is not a turned form, mm; its points give only its height. */
  slabMm?: number | undefined;
}

/** A piece with its curve computed. */
export interface PieceShape extends Omit<PieceForm, 'points'> {
  id: string;
  name: string;
  /** The outside as a dense line, foot's edge to rim. */
  outside: ProfilePoint[];
}

/**
 * Returns a form with its curve drawn out. A flat tile becomes a tube with the same face, so that its area and its run are right.
 *
 * @param form - the form, lengths in mm
 * @param names - `id` and `name` of the shape
 * @example
 * shapeFromForm(formOf({ shapeId: 'cup' }), { id: 'cup', name: 'Cup' }).name // 'Cup'
 */
export function shapeFromForm(form: PieceForm, { id, name }: Pick<PieceShape, 'id' | 'name'>): PieceShape {
  const { points, slabMm, ...rest } = form;
  if (slabMm === undefined) return { id, name, ...rest, outside: curveThrough(points) };
  const radiusMm = slabMm / (2 * Math.PI);
  return { id, name, ...rest, slabMm, outside: points.map(({ heightMm }) => ({ radiusMm, heightMm })) };
}

/**
 * Returns the height of a shape, mm.
 *
 * @param shape - `outside`, its profile
 * @example
 * tallMm({ outside: [{ radiusMm: 40, heightMm: 0 }, { radiusMm: 40, heightMm: 90 }] }) // 90
 */
export const tallMm = ({ outside }: Pick<PieceShape, 'outside'>): number => outside.reduce((top, point) => Math.max(top, point.heightMm), 0);
/**
 * Returns the largest diameter of a shape, mm, without handles and lugs.
 *
 * @param shape - `outside`, its profile
 * @example
 * widestMm({ outside: [{ radiusMm: 30, heightMm: 0 }, { radiusMm: 40, heightMm: 90 }] }) // 40
 */
export const widestMm = ({ outside }: Pick<PieceShape, 'outside'>): number => outside.reduce((wide, point) => Math.max(wide, point.radiusMm), 0);

/**
 * Returns how many bows a grip has: one handle, or two lugs.
 *
 * @param grip - handle or lugs
 * @example
 * gripCount({ kind: 'lugs' }) // 2
 */
export const gripCount = (grip: Grip): number => (grip.kind === 'lugs' ? 2 : 1);

/**
 * Returns the length of one bow along its outer side, mm: half an ellipse between the joints.
 *
 * Source: Ramanujan, 1914.
 *
 * @param grip - heights of its joints, its reach and its strip, mm
 * @example
 * bowMm({ kind: 'handle', upperMm: 90, lowerMm: 30, outMm: 30, widthMm: 15, thickMm: 8 }) // 94.24778
 */
export function bowMm({ upperMm, lowerMm, outMm }: Grip): number {
  const [a, b] = [Math.max(0.5, (upperMm - lowerMm) / 2), Math.max(0.5, outMm)];
  return (Math.PI / 2) * (3 * (a + b) - Math.sqrt((3 * a + b) * (a + 3 * b)));
}

/**
 * Returns the area of all bows, every side of the strip, cm².
 *
 * @param grip - heights of its joints, its reach and its strip, mm
 * @example
 * gripAreaCm2({ kind: 'handle', upperMm: 90, lowerMm: 30, outMm: 30, widthMm: 15, thickMm: 8 }) // 43.353979
 */
export const gripAreaCm2 = (grip: Grip): number => (gripCount(grip) * bowMm(grip) * 2 * (grip.widthMm + grip.thickMm)) / 100;

/**
 * Returns the clay in all bows, mL.
 *
 * @param grip - heights of its joints, its reach and its strip, mm
 * @example
 * gripMl({ kind: 'handle', upperMm: 90, lowerMm: 30, outMm: 30, widthMm: 15, thickMm: 8 }) // 11.309734
 */
export const gripMl = (grip: Grip): number => (gripCount(grip) * bowMm(grip) * grip.widthMm * grip.thickMm) / 1000;
