import type { ProfilePoint } from './profile';
import { curveThrough } from './curve-through';

/** A point that a hand drags: on the outside, from the foot's edge up to the rim. */
export interface FormPoint extends ProfilePoint {
  /** The line breaks here instead of going round. */
  corner?: boolean | undefined;
}

/** A strap handle, or lugs: two short ones, each a bow of a flat strip. */
export interface Grip {
  kind: 'handle' | 'lugs';
  /** Heights of its joints above the shelf, how far it stands out, and the strip's width and thickness, mm. */
  upperMm: number;
  lowerMm: number;
  outMm: number;
  widthMm: number;
  thickMm: number;
}

export type FootKind = 'flat' | 'ring' | 'flared';

/** A piece as it is drawn: what a hand changes. */
export interface PieceForm {
  points: FormPoint[];
  wallMm: number;
  /** Clay under the inside floor, mm. */
  floorMm: number;
  grip?: Grip | undefined;
  /** Drain hole through the floor, across, mm. */
  holeMm?: number | undefined;
  foot?: FootKind | undefined;
  /** A flat tile of this width instead of a turned form, mm: its points tell only its height. */
  slabMm?: number | undefined;
}

/** A piece ready to be reckoned with. */
export interface PieceShape extends Omit<PieceForm, 'points'> {
  id: string;
  name: string;
  /** The outside as a dense line, foot's edge to rim. */
  outside: ProfilePoint[];
}

/** A form made ready: its curve drawn out. A tile becomes a tube of the same face, so that areas and runs are its own. */
export function shapeFromForm(form: PieceForm, { id, name }: Pick<PieceShape, 'id' | 'name'>): PieceShape {
  const { points, slabMm, ...rest } = form;
  if (slabMm === undefined) return { id, name, ...rest, outside: curveThrough(points) };
  const radiusMm = slabMm / (2 * Math.PI);
  return { id, name, ...rest, slabMm, outside: points.map(({ heightMm }) => ({ radiusMm, heightMm })) };
}

export const tallMm = ({ outside }: Pick<PieceShape, 'outside'>): number => outside.reduce((top, point) => Math.max(top, point.heightMm), 0);
export const widestMm = ({ outside }: Pick<PieceShape, 'outside'>): number => outside.reduce((wide, point) => Math.max(wide, point.radiusMm), 0);

/** How many bows a grip is. */
export const gripCount = (grip: Grip): number => (grip.kind === 'lugs' ? 2 : 1);

/** Length of one bow along its outer side, mm: half an ellipse (Ramanujan 1914) between the joints. */
export function bowMm({ upperMm, lowerMm, outMm }: Grip): number {
  const [a, b] = [Math.max(0.5, (upperMm - lowerMm) / 2), Math.max(0.5, outMm)];
  return (Math.PI / 2) * (3 * (a + b) - Math.sqrt((3 * a + b) * (a + 3 * b)));
}

/** Area of all bows, every side of the strip, cm². */
export const gripAreaCm2 = (grip: Grip): number => (gripCount(grip) * bowMm(grip) * 2 * (grip.widthMm + grip.thickMm)) / 100;

/** Clay of all bows, mL. */
export const gripMl = (grip: Grip): number => (gripCount(grip) * bowMm(grip) * grip.widthMm * grip.thickMm) / 1000;
