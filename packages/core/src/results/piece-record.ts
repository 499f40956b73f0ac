import type { CoatWindow } from '../coat/window/coat-window';
import type { FiringRates } from '../kiln/log/firing-rates';
import { CONES } from '../melt/cones';
import type { BodyFacts, GlazeFacts } from '../plan/facts';
import type { Layer } from '../plan/layer';
import type { PiecePlan } from '../plan/piece-plan';
import type { FaultRecord } from './fault-record';
import { benchEvidence, type FiredStep } from './bench-evidence';
import type { BucketRecord } from './bench-record';
import { coatDoneMm, coatOfLayer, layersAt, type FaultPlace, type FiredCoat } from './fired-coat';

/** A fired piece with what is known of its glazes, its clay and its firing. */
export interface GlazedPiece {
  plan: Pick<PiecePlan, 'zones' | 'refire' | 'cone' | 'dryHours'>;
  coats: readonly FiredCoat[];
  glazes: readonly Pick<GlazeFacts, 'bucketId' | 'shrinkShare' | 'flow' | 'firedPercent' | 'unity' | 'expansion' | 'coneLow' | 'coneHigh'>[];
  /** SG range and coat window, by bucket. */
  ranges: ReadonlyMap<string, { lowSg: number; highSg: number }>;
  windows: ReadonlyMap<string, { thinMm: number; thickMm: number }>;
  clay?: Partial<Pick<BodyFacts, 'bisqueCone' | 'lowCone' | 'lightness' | 'groggy' | 'expansion'>> | undefined;
  coneReached: string;
  /** Of what was read of its firing; left out where nobody read it. */
  rates?: FiringRates | undefined;
  /** How much longer it was near its hottest than was wanted, minutes. */
  heldLongerMinutes?: number | undefined;
  /** It was fired with glaze before. */
  isRefired?: boolean | undefined;
  /** Every step, also wax and wiping, as its result keeps it. */
  steps?: readonly FiredStep[] | undefined;
  /** When its kiln was lit, UTC, ISO 8601. */
  litAt?: string | undefined;
  /** Of the last piece that came out well, by the bucket of the glaze on top. */
  lastGood?: ReadonlyMap<string, BucketRecord> | undefined;
  /** What its plan, form and clay say at a place; left out where its form is not known. */
  form?: ((where: FaultPlace) => FaultRecord) | undefined;
  /** How hot its kiln was when it was opened, °C, where somebody read it. */
  openedCelsius?: number | undefined;
  /** The kiln fires another atmosphere than the recipe asks for, by bucket. */
  otherAtmosphere?: ReadonlyMap<string, boolean> | undefined;
  /** The window that fired coats of a glaze on this clay show, by bucket. */
  windowSeen?: ((bucketId: string) => Pick<CoatWindow, 'thinMm' | 'thickMm'> | undefined) | undefined;
  /** How much less, 10⁻⁶ per K, the glaze of a bucket would expand with another recipe from the shelf, asked for a fall; undefined where there is none. */
  expansionFall?: ((bucketId: string, wantedFall: number) => number | undefined) | undefined;
  /** Whether its glaze was on this clay before, on a tile or a piece, by bucket. */
  isTestedOnClay?: ReadonlyMap<string, boolean> | undefined;
}

/** A clay darker than this brings iron and gas, 0 black – 1 white. */
const DARK = 0.35;
/** A flow figure known no better than this is a guess, and blames nothing: sd of ln F. */
const KNOWN_FLOW_SD = 0.6;
/** From here on a glaze has much of it, unity: it grows crystals when it cools slowly. */
const MUCH = { CaO: 0.6, MgO: 0.25, ZnO: 0.2 } as const;
const STIFF_OXIDES = ['SnO2', 'ZrO2', 'ZnO', 'MgO'] as const;

/**
 * Returns what was recorded of a fired piece at the place of a fault. What nobody timed, measured or read is left out.
 *
 * @param piece - as it was planned, done and fired
 * @param where - the place of the fault
 * @example
 * recordOfPiece({ plan: { zones: { inside: [], outside: [], rim: [], foot: [] } }, coats: [], glazes: [], ranges: new Map(), windows: new Map(), coneReached: '6' }, 'outside')
 * // {}
 */
export function recordOfPiece(piece: GlazedPiece, where: FaultPlace): FaultRecord {
  const layers = layersAt(piece.plan, where);
  const [top, below] = [layers.at(-1), layers.at(-2)];
  const glaze = piece.glazes.find(({ bucketId }) => bucketId === top?.bucketId);
  const coat = top && coatOfLayer(piece.coats, top);
  const window = top && piece.windows.get(top.bucketId);
  const range = top && piece.ranges.get(top.bucketId);
  const shrinkBelow = below && piece.glazes.find(({ bucketId }) => bucketId === below.bucketId)?.shrinkShare;
  const isTested = top && piece.isTestedOnClay?.get(top.bucketId);
  const record: FaultRecord = {
    coatMm: coat && coatDoneMm(coat, range),
    windowLowMm: window?.thinMm,
    windowTopMm: window?.thickMm,
    upperShrinkPercent: glaze?.shrinkShare,
    shrinkDifference: glaze && shrinkBelow !== undefined ? Math.max(0, glaze.shrinkShare - shrinkBelow) : undefined,
    stiffeningPercent: glaze && percentOf(glaze),
    flowFigure: glaze && glaze.flow.lnSd <= KNOWN_FLOW_SD ? glaze.flow.flow : undefined,
    conesOver: conesFrom(glaze?.coneHigh, piece.coneReached),
    conesUnder: conesFrom(piece.coneReached, glaze?.coneLow),
    muchCalciaMagnesiaZinc: glaze && hasMuch(glaze.unity),
    bisqueConesOver04: conesFrom('04', piece.clay?.bisqueCone),
    bisqueConesUnder05: conesFrom(piece.clay?.bisqueCone, '05'),
    bodyIsDark: piece.clay?.lightness === undefined ? undefined : piece.clay.lightness < DARK,
    bodyIsGroggy: piece.clay?.groggy,
    bodyLessGlazeExpansion: less(piece.clay?.expansion, glaze?.expansion),
    bodyConesUnder: conesFrom(piece.coneReached, piece.clay?.lowCone),
    sgUnder: coat?.sg === undefined || !range ? undefined : Math.max(0, range.lowSg - coat.sg),
    sgOver: coat?.sg === undefined || !range ? undefined : Math.max(0, coat.sg - range.highSg),
    secondsShare: coat?.seconds === undefined || !coat.plannedSeconds ? undefined : coat.seconds / coat.plannedSeconds,
    coatsDiffer: coatsDiffer(piece),
    refired: piece.isRefired ?? (piece.plan.refire ? true : undefined),
    openedCelsius: piece.openedCelsius,
    otherAtmosphere: top && piece.otherAtmosphere?.get(top.bucketId),
    untestedBody: isTested === undefined ? undefined : !isTested,
    ...piece.rates,
    ...piece.form?.(where),
    ...benchEvidence({
      steps: piece.steps ?? [],
      layers,
      litAt: piece.litAt,
      dryHours: piece.plan.dryHours,
      lastGood: top && piece.lastGood?.get(top.bucketId),
    }),
  };
  return Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as FaultRecord;
}

/** The thicker of inside and outside over the thinner; undefined unless both were timed or measured. */
function coatsDiffer({ plan, coats, ranges }: GlazedPiece): number | undefined {
  const sum = (layers: readonly Layer[]): number | undefined =>
    layers.reduce<number | undefined>((all, layer) => {
      const coat = coatOfLayer(coats, layer);
      const done = coat && coatDoneMm(coat, ranges.get(layer.bucketId));
      return all === undefined || done === undefined ? undefined : all + done;
    }, 0);
  const [inside, outside] = [sum(plan.zones.inside), sum(plan.zones.outside)];
  return inside && outside ? Math.max(inside / outside, outside / inside) : undefined;
}

function percentOf({ firedPercent }: Pick<GlazeFacts, 'firedPercent'>): number | undefined {
  if (Object.keys(firedPercent).length === 0) return undefined;
  return STIFF_OXIDES.reduce((sum, oxide) => sum + (firedPercent[oxide] ?? 0), 0);
}

function hasMuch(unity: Readonly<Record<string, number>>): boolean | undefined {
  if (Object.keys(unity).length === 0) return undefined;
  return Object.entries(MUCH).some(([oxide, least]) => (unity[oxide] ?? 0) >= least);
}

const less = (a: number | undefined, b: number | undefined): number | undefined => (a === undefined || b === undefined ? undefined : a - b);

/** How many cones the second is over the first; 0 where it is not. */
function conesFrom(low: string | undefined, high: string | undefined): number | undefined {
  const [a, b] = [low, high].map((cone) => CONES.findIndex((one) => one.cone === cone));
  return a === undefined || b === undefined || a < 0 || b < 0 ? undefined : Math.max(0, b - a);
}
