import { meltedMm } from '../coat/from-weight';
import { insideProfile, type PieceShape } from '../geometry/shapes';
import { rimIsApart, type GlazeFacts, type Layer, type PiecePlan } from '../layering/piece-plan';
import { OVERLAP_OMEGA } from '../layering/stack-flow';
import type { RunLayer } from './film';
import { STUCK_FILM_MM } from './run-solver';
import { wallStrip, type WallStrip } from './wall-strip';

export type RunSide = 'outside' | 'inside';
export type Texture = { kind: 'smooth' } | { kind: 'grooves'; depthMm: number } | { kind: 'flutes'; pitchMm: number; valleyMm: number };

/** One layer of a plan where it lies before the fire, with what is known of its flow. */
export interface PlannedLayer {
  layer: Layer;
  name: string;
  /** From and to along the strip, mm from its top. */
  fromMm: number;
  toMm: number;
  meltedMm: number;
  flow: number;
  flowLnSd: number;
  /** Whether nobody measured or told how it moves. */
  isGuess: boolean;
}

/** One side of a piece ready to be run, from the rim down. */
export interface SideToRun {
  side: RunSide;
  strip: WallStrip;
  layers: readonly PlannedLayer[];
  stuckMm: number;
  gathers: number;
  /** Lower edge of the glaze before the fire, mm down the strip, and where the strip ends: at the shelf, or in the middle of the floor. */
  startMm: number;
  endMm: number;
}

/** Lays a plan's coats on one side of its piece, melted; nothing where that side stays bare. */
export function sideToRun(question: {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  side: RunSide;
  /** How much more this firing flows than the reference one. */
  firingRatio?: number;
  texture?: Texture;
}): SideToRun | undefined {
  const { plan, shape, glazes, side, firingRatio = 1, texture = { kind: 'smooth' } } = question;
  const downhill = side === 'outside' ? [...shape.outside].reverse() : [...insideProfile(shape)].reverse();
  const strip = wallStrip({ downhill });
  const endMm = strip.count * strip.cellMm;
  const topMm = downhill[0]!.heightMm;
  const downTo = (heightMm: number): number => {
    for (let cell = 0; cell < strip.count; cell++) if (strip.heightMm[cell]! < heightMm) return cell * strip.cellMm;
    return endMm;
  };
  const waxLine = downTo(plan.waxFootMm);
  const place = (layers: readonly Layer[], fromMm: number, toMm: number): PlannedLayer[] =>
    layers.flatMap((layer) => {
      const glaze = glazes.find((facts) => facts.bucketId === layer.bucketId);
      if (!glaze || toMm <= fromMm) return [];
      const { flow, lnSd, ground } = glaze.flow;
      return [
        {
          layer,
          name: glaze.name,
          fromMm,
          toMm,
          meltedMm: meltedMm({ ...glaze, coatMm: layer.coatMm }),
          flow: flow * firingRatio,
          flowLnSd: lnSd,
          isGuess: ground === 'startingGuess',
        },
      ];
    });
  const layers =
    side === 'inside'
      ? place(plan.zones.inside, 0, endMm)
      : [
          // Where the rim is glazed first and waxed, the outside begins at its band's edge.
          ...place(plan.zones.outside, rimIsApart(plan) ? Math.min(waxLine, downTo(topMm - plan.rimBandMm)) : 0, waxLine),
          ...place(plan.zones.rim, 0, Math.min(waxLine, downTo(topMm - plan.rimBandMm))),
          ...(plan.waxFootMm === 0 ? place(plan.zones.foot, Math.min(endMm, downTo(FOOT_ZONE_MM)), endMm) : []),
        ];
  if (layers.length === 0) return undefined;
  return {
    side,
    strip,
    layers,
    // Grooves across hold a third of their depth; flutes down gather the melt in their valleys.
    stuckMm: STUCK_FILM_MM + (texture.kind === 'grooves' ? texture.depthMm / 3 : 0),
    gathers: texture.kind === 'flutes' ? Math.max(1, texture.pitchMm / Math.max(0.1, texture.valleyMm)) : 1,
    startMm: Math.max(...layers.map((layer) => layer.toMm)),
    endMm,
  };
}

/** Height of the foot as a zone, mm. */
const FOOT_ZONE_MM = 8;

/** The layers of a side as the solver takes them: each a band of one thickness. Thickness and flow may be scaled, for a draw. */
export function runLayers(side: SideToRun, scale?: (layer: number) => { coat: number; flow: number }): RunLayer[] {
  const { strip, layers } = side;
  return layers.map(({ fromMm, toMm, meltedMm: mm, flow }, index) => {
    const { coat, flow: flows } = scale?.(index) ?? { coat: 1, flow: 1 };
    const row = new Float64Array(strip.count);
    for (let cell = 0; cell < strip.count; cell++) {
      const [top, bottom] = [cell * strip.cellMm, (cell + 1) * strip.cellMm];
      const covered = Math.max(0, Math.min(bottom, toMm) - Math.max(top, fromMm));
      row[cell] = (mm * coat * covered) / strip.cellMm;
    }
    return { meltedMm: row, flow: flow * flows };
  });
}

/** ω of a pair of layers: 1 for a glaze over itself. */
export const overlapOf =
  (side: SideToRun, omega: number = OVERLAP_OMEGA.omega) =>
  (a: number, b: number): number =>
    side.layers[a]!.layer.bucketId === side.layers[b]!.layer.bucketId ? 1 : omega;
