import { gripAreaCm2, gripMl, tallMm, type PieceShape } from '../geometry/piece-form';
import { areaCm2, profileBetween, volumeMl, type ProfilePoint } from '../geometry/profile';
import { insideProfile } from '../geometry/shapes';
import { edgeOffsetMm, type EdgeLine } from './edge-line';
import { keepsOff, leftOf, maskedArcs, type Band } from './masked-area';
import { handleMask, isBand, USUAL_RING_MM, type Mask } from './mask';
import { isDunked, rimIsApart, ZONES, type PiecePlan, type Zone } from './piece-plan';
import type { Layer } from './layer';
import { handleStrip, isOnWall, isOutside, type Strip } from './strip';

/** A place on a piece with the coats that lie there. */
export interface PlannedArea {
  id: string;
  kind: Zone | 'strip' | 'panel';
  /** Its edges above the shelf, mm, at their middle. */
  fromMm: number;
  toMm: number;
  /** Share of the way round. */
  roundShare: number;
  layers: readonly Layer[];
  /** Glazed in the end: what is masked, scraped or sponged is taken off. */
  areaCm2: number;
  /** Takes glaze from the bucket: scraped and sponged places do, and lose it again. */
  takesCm2: number;
  /** Volume it displaces in a dip, mL; 0 inside. */
  displacedMl: number;
}

/** The foot as a zone, mm. */
export const FOOT_ZONE_MM = 8;
/** At how many places round the piece the band of an uneven edge is measured. */
const ROUND = 24;

/**
 * Returns every zone, strip and panel of a plan with its glazed area. Grips count with the outside; a drain hole is taken off the inside.
 *
 * @param question - `plan` and its `shape`
 * @example
 * areasOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }) }).length
 * // 4
 */
export function areasOf({ plan, shape }: { plan: PiecePlan; shape: PieceShape }): PlannedArea[] {
  const topMm = tallMm(shape);
  const { zones, strips = [], waxFootMm, rimBandMm, edges } = plan;
  const wax = Math.min(waxFootMm, topMm);
  const rimFrom = Math.max(0, topMm - rimBandMm);
  const outsideTo = rimIsApart(plan) ? Math.max(wax, rimFrom) : topMm;
  const band = (fromMm: number, toMm: number, fromEdge?: EdgeLine, toEdge?: EdgeLine): number => bandCm2(shape, fromMm, toMm, fromEdge, toEdge);
  // A mask over one of several coats keeps off only the coats after it: it is counted where it lies on bare clay.
  const all = (plan.masks ?? []).filter((mask) => isBand(mask) && mask.overLayerId === undefined);
  const masks = all.filter(isOutside);
  const inside = { ...shape, outside: shape.slabMm === undefined ? insideProfile(shape) : [] };
  const innerMasks = all.filter((mask) => !isOutside(mask));
  const maskedOff = (fromMm: number, toMm: number, those: readonly Mask[]): number => maskedCm2(shape, { fromMm, toMm }, those);
  const innerOff = (those: readonly Mask[]): number =>
    shape.slabMm === undefined ? maskedCm2(inside, { fromMm: shape.floorMm, toMm: topMm }, those) + ringCm2(shape, plan) : 0;
  const zone = (kind: Zone, fromMm: number, toMm: number, cm2: number, displaced: number): PlannedArea => ({
    id: kind,
    kind,
    fromMm,
    toMm,
    roundShare: 1,
    layers: zones[kind],
    ...(kind === 'foot'
      ? { areaCm2: cm2, takesCm2: cm2 }
      : kind === 'inside'
        ? { areaCm2: Math.max(0, cm2 - innerOff(innerMasks)), takesCm2: Math.max(0, cm2 - innerOff(innerMasks.filter(keepsOff))) }
        : {
            areaCm2: Math.max(0, cm2 - maskedOff(fromMm, toMm, masks)),
            takesCm2: Math.max(0, cm2 - maskedOff(fromMm, toMm, masks.filter(keepsOff))),
          }),
    displacedMl: displaced,
  });
  const first = strips.filter((strip) => strip.first && isOnWall(strip));
  const parted = first.reduce((sum, strip) => sum + stripCm2(shape, strip), 0);
  const outsideCm2 = Math.max(0, band(wax, outsideTo, edges?.wax, rimIsApart(plan) ? edges?.rim : undefined) - parted);
  const offHandle = handleMask(plan);
  const handle = handleStrip(plan);
  const [wholeGripCm2, wholeGripMl] = shape.grip ? [gripAreaCm2(shape.grip), gripMl(shape.grip)] : [0, 0];
  const gripCm2 = offHandle || handle?.first ? 0 : wholeGripCm2;
  // A dip with nothing on the foot wets the underside too.
  const under = waxFootMm === 0 && zones.foot.length === 0 && isDipped(zones.outside[0]) ? undersideCm2(shape) : 0;
  const gripDips = !(offHandle && keepsOff(offHandle));
  const placeCm2 = (strip: Strip): number =>
    (strip.linesShare ?? 1) * (strip.on === 'handle' ? wholeGripCm2 : stripCm2(isOutside(strip) ? shape : inside, strip));
  const placeMl = (strip: Strip): number => {
    if (strip.on === 'handle') return wholeGripMl;
    return isOutside(strip) ? solidMl(shape, strip.fromMm, strip.toMm) * roundShare(strip.turn) : 0;
  };
  return [
    zone('inside', shape.floorMm, topMm, shape.slabMm === undefined ? insideCm2(shape) : 0, 0),
    zone(
      'outside',
      wax,
      outsideTo,
      outsideCm2 + gripCm2 + under,
      solidMl(shape, wax, topMm) + (gripDips ? wholeGripMl : 0) - (isDunked(plan) ? holdsMl(shape) : 0),
    ),
    zone('rim', rimFrom, topMm, band(rimFrom, topMm, edges?.rim), solidMl(shape, rimFrom, topMm)),
    zone('foot', 0, Math.min(topMm, FOOT_ZONE_MM), undersideCm2(shape), 0),
    ...strips.map((strip): PlannedArea => ({
      id: strip.id,
      kind: strip.turn ? 'panel' : 'strip',
      fromMm: strip.fromMm,
      toMm: strip.toMm,
      roundShare: roundShare(strip.turn),
      layers: strip.layers,
      areaCm2: placeCm2(strip),
      takesCm2: placeCm2(strip),
      displacedMl: placeMl(strip),
    })),
  ];
}

/**
 * Returns how much of the turn a band covers, 0–1: 1 when it goes all round.
 *
 * @param turn - from and to, in shares of the turn
 * @example
 * roundShare({ from: 0.9, to: 0.15 }) // 0.25
 */
export const roundShare = (turn: Strip['turn']): number => (turn ? (turn.to - turn.from + 1) % 1 || 1 : 1);

/**
 * Returns a place in the words of the bench.
 *
 * @param id - a zone, or the id of a strip
 * @param plan - `strips`
 * @example
 * placeWords('rim', {}) // 'the rim'
 */
export function placeWords(id: string, { strips = [] }: Pick<PiecePlan, 'strips'>): string {
  if (id === 'inside') return 'inside';
  const strip = strips.find((one) => one.id === id);
  if (!strip) return `the ${id}`;
  if (strip.on === 'handle') return 'the handle';
  if (strip.fromRim) return `the upper ${Math.round(strip.toMm - strip.fromMm)} mm${isOutside(strip) ? '' : ' inside'}`;
  const words = `${Math.round(strip.fromMm)}–${Math.round(strip.toMm)} mm up${isOutside(strip) ? '' : ' inside'}`;
  return `the ${strip.turn ? 'panel' : 'strip'} ${words}`;
}

/**
 * Returns whether an id is that of a zone.
 *
 * @param id - any text
 * @example
 * isZone('rim') // true
 */
export const isZone = (id: string): id is Zone => (ZONES as readonly string[]).includes(id);

const stripCm2 = (shape: PieceShape, { fromMm, toMm, turn, edge }: Strip): number => bandCm2(shape, fromMm, toMm, edge, edge) * roundShare(turn);

/** What masks take out of a band of the outside, cm². Where they overlap it is counted once. */
function maskedCm2(shape: PieceShape, band: Band, masks: readonly Mask[]): number {
  const all = bandCm2(shape, band.fromMm, band.toMm);
  // Lines lie here and there over what is left.
  const lines = masks
    .filter(({ linesShare }) => linesShare !== undefined)
    .reduce((sum, mask) => {
      const [fromMm, toMm] = [Math.max(band.fromMm, mask.fromMm), Math.min(band.toMm, mask.toMm)];
      return sum + mask.linesShare! * roundShare(mask.turn) * bandCm2(shape, fromMm, toMm);
    }, 0);
  return maskedArcs(masks.filter(({ linesShare }) => linesShare === undefined)).reduce((sum, arc) => {
    const left = leftOf(band, arc.masks).reduce((cm2, one) => cm2 + bandCm2(shape, one.fromMm, one.toMm), 0);
    return sum + arc.share * (all - left);
  }, lines);
}

/** What a waxed ring round the drain hole keeps bare inside, cm². */
function ringCm2({ holeMm }: PieceShape, { masks = [] }: PiecePlan): number {
  const ring = masks.find(({ where, kind }) => where === 'hole' && kind !== 'tape');
  if (!holeMm || !ring) return 0;
  const width = ring.ringMm ?? USUAL_RING_MM;
  return (Math.PI * ((holeMm / 2 + width) ** 2 - (holeMm / 2) ** 2)) / 100;
}

/** Glaze runs in when a piece is dipped inside and outside at once: only its wall is displaced. */
const holdsMl = (shape: PieceShape): number => (shape.slabMm === undefined ? volumeMl({ profile: insideProfile(shape) }) : 0);

function bandCm2(shape: PieceShape, fromMm: number, toMm: number, fromEdge?: EdgeLine, toEdge?: EdgeLine): number {
  const level = (!fromEdge || fromEdge.kind === 'straight') && (!toEdge || toEdge.kind === 'straight');
  const rounds = level ? 1 : ROUND;
  let sum = 0;
  for (let at = 0; at < rounds; at++) {
    const turn = (at + 0.5) / rounds;
    const cut = part(shape.outside, fromMm + edgeOffsetMm(level ? undefined : fromEdge, turn), toMm + edgeOffsetMm(level ? undefined : toEdge, turn));
    if (cut.length > 1) sum += areaCm2({ profile: cut }) / rounds;
  }
  return sum;
}

/** What it stands on, cm². A tile stands on an edge. */
const undersideCm2 = ({ outside, holeMm = 0, slabMm }: PieceShape): number =>
  slabMm === undefined ? Math.max(0, (Math.PI * (outside[0]!.radiusMm ** 2 - (holeMm / 2) ** 2)) / 100) : 0;

const isDipped = (layer: Layer | undefined): boolean => layer?.method === 'dip' || layer?.method === 'halfDips';

function insideCm2(shape: PieceShape): number {
  const hole = shape.holeMm ? (Math.PI * (shape.holeMm / 2) ** 2) / 100 : 0;
  return Math.max(0, areaCm2({ profile: insideProfile(shape) }) - hole);
}

function solidMl(shape: PieceShape, fromMm: number, toMm: number): number {
  const cut = part(shape.outside, fromMm, toMm);
  if (cut.length < 2) return 0;
  // A tile displaces its face times its thickness; as a tube it only has the right face.
  return shape.slabMm === undefined ? volumeMl({ profile: cut }) : (shape.slabMm * shape.wallMm * (toMm - fromMm)) / 1000;
}

const part = (profile: readonly ProfilePoint[], fromMm: number, toMm: number): ProfilePoint[] =>
  toMm > fromMm ? profileBetween({ profile, fromMm, toMm }) : [];
