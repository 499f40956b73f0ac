import { attempt } from '../checks/potter-error';
import { coatDeviation } from '../day/deviation';
import { bisect } from '../math/bisect';
import { layersOf, withLayers, type PiecePlan } from '../plan/piece-plan';

/** A glaze of a piece that is worth repeating, as it was used. */
export interface KeptGlaze {
  bucketId: string;
  /** The recipe, or the bucket of a glaze without one. */
  glazeId: string;
  name: string;
  /** Left out where nobody knows. */
  recipeVersion?: number | undefined;
  sg?: number | undefined;
  coatMm?: number | undefined;
  seconds?: number | undefined;
  /** The seconds are the plan's: nobody timed it. */
  secondsPlanned?: true | undefined;
}

/** What has to be the same for a piece to come out as it did. */
export interface Keeper {
  resultId: string;
  /** When it was glazed; when it was fired where nobody knows. */
  glazedAt: string;
  coneReached: string;
  glazes: KeptGlaze[];
  clayLotId?: string | undefined;
  kilnId?: string | undefined;
  shelfId?: string | undefined;
}

/** A bucket as it stands now, as far as a keeper needs it. */
export interface KeptIn {
  id: string;
  glazeId: string;
  /** Undefined without a recipe. */
  recipeVersion?: number | undefined;
  /** Undefined where it is empty. */
  sg?: number | undefined;
  /** Put away, or empty. */
  isGone?: boolean | undefined;
  createdAt: string;
}

/** The studio as it stands now, as far as a keeper needs it. */
export interface StudioSince {
  buckets: readonly KeptIn[];
  /** Newest version of each recipe. */
  recipeVersions: ReadonlyMap<string, number>;
  /** How many times as far a glaze flows by its chemistry as the version that was used, by glaze; left out where nobody can tell. */
  flowRatios?: ReadonlyMap<string, number> | undefined;
  /** Newest bisque lot of the clay. */
  clayLotId?: string | undefined;
  /** The cone that its shelf is foretold; undefined where the shelf is gone or nobody knows. */
  shelfCone?: string | undefined;
  hasShelf: boolean;
  /** Lots of powder that came since it was glazed, with the glazes that need them. */
  powderLots: readonly { powder: string; lot: string; glazeIds: readonly string[] }[];
}

/** What has changed since a piece was glazed, and what that may do. */
export type SinceKept =
  | { kind: 'noBucket'; name: string; recipeVersion?: number | undefined }
  | { kind: 'otherBucket'; name: string; bucketId: string }
  | { kind: 'recipe'; name: string; from: number; to: number; flowRatio?: number | undefined }
  | { kind: 'newerRecipe'; name: string; used: number; newest: number }
  | { kind: 'sg'; name: string; from: number; to: number; coatMm?: { from: number; to: number } | undefined; seconds?: number | undefined }
  | { kind: 'powderLot'; name: string; powder: string; lot: string }
  | { kind: 'clayLot' }
  | { kind: 'shelfGone' }
  | { kind: 'shelfCone'; from: string; to: string };

/** SG that no hydrometer tells apart. */
const SAME_SG = 0.005;
/** Nobody holds a piece longer in a bucket, s. */
const LONGEST_SECONDS = 60;

/**
 * Returns what has changed since a keeper was glazed, the weightiest first: a glaze that is in no bucket, another version of its recipe, another SG with
 * the coat that the same seconds would make and the seconds that make the same coat, another lot of clay or powder, another heat of its shelf.
 *
 * @param keeper - as it was
 * @param now - the studio
 * @example
 * changedSince({ resultId: 'r', glazedAt: '2026-03-01', coneReached: '6', glazes: [] }, { buckets: [], recipeVersions: new Map(), hasShelf: true, powderLots: [] })
 * // []
 */
export function changedSince(keeper: Keeper, now: StudioSince): SinceKept[] {
  const found = keeper.glazes.flatMap((glaze) => changesOfGlaze(glaze, keeper, now));
  if (keeper.clayLotId !== undefined && now.clayLotId !== undefined && keeper.clayLotId !== now.clayLotId) found.push({ kind: 'clayLot' });
  if (keeper.shelfId !== undefined && !now.hasShelf) found.push({ kind: 'shelfGone' });
  if (now.shelfCone !== undefined && now.shelfCone !== keeper.coneReached)
    found.push({ kind: 'shelfCone', from: keeper.coneReached, to: now.shelfCone });
  const rank = Object.fromEntries(ORDER.map((kind, at) => [kind, at]));
  return found.sort((a, b) => rank[a.kind]! - rank[b.kind]!);
}

const ORDER: readonly SinceKept['kind'][] = [
  'noBucket',
  'recipe',
  'newerRecipe',
  'sg',
  'shelfCone',
  'shelfGone',
  'clayLot',
  'powderLot',
  'otherBucket',
];

/**
 * Returns the bucket that holds a kept glaze now: the same one, else one with the version that was used, else the newest; undefined where none does.
 *
 * @param glaze - as it was used
 * @param buckets - as they stand now
 * @example
 * bucketNow({ bucketId: 'B1', glazeId: 'ash', name: 'Ash' }, [{ id: 'B2', glazeId: 'ash', createdAt: '2026-03-01' }])?.id // 'B2'
 */
export function bucketNow(glaze: KeptGlaze, buckets: readonly KeptIn[]): KeptIn | undefined {
  const holding = buckets
    .filter(({ glazeId, isGone }) => glazeId === glaze.glazeId && !isGone)
    .sort((a, b) => b.createdAt.localeCompare(a.createdAt));
  return (
    holding.find(({ id, recipeVersion }) => id === glaze.bucketId && isSameVersion(glaze, recipeVersion)) ??
    holding.find(({ recipeVersion }) => isSameVersion(glaze, recipeVersion)) ??
    holding[0]
  );
}

/**
 * Returns the plan of a keeper with the buckets that hold its glazes now. A glaze that is in no bucket keeps the one it had.
 *
 * @param plan - as it was kept
 * @param keeper - its glazes
 * @param buckets - as they stand now
 * @example
 * planAgain({ shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 0, rimBandMm: 0, order: [], putAside: [] }, { glazes: [] }, []).waxFootMm // 0
 */
export function planAgain(plan: PiecePlan, { glazes }: Pick<Keeper, 'glazes'>, buckets: readonly KeptIn[]): PiecePlan {
  const used = new Set(layersOf(plan).map(({ bucketId }) => bucketId));
  const next = new Map(
    glazes.flatMap((glaze) => {
      const bucket = bucketNow(glaze, buckets);
      return bucket && bucket.id !== glaze.bucketId && used.has(glaze.bucketId) ? [[glaze.bucketId, bucket.id] as const] : [];
    }),
  );
  return next.size === 0 ? plan : withBuckets(plan, next);
}

function changesOfGlaze(glaze: KeptGlaze, { glazedAt }: Keeper, now: StudioSince): SinceKept[] {
  const { name, recipeVersion, glazeId } = glaze;
  const bucket = bucketNow(glaze, now.buckets);
  if (!bucket) return [{ kind: 'noBucket', name, recipeVersion }];
  const found: SinceKept[] = [];
  const flowRatio = now.flowRatios?.get(glazeId);
  if (!isSameVersion(glaze, bucket.recipeVersion))
    found.push({ kind: 'recipe', name, from: recipeVersion!, to: bucket.recipeVersion!, ...(flowRatio === undefined ? {} : { flowRatio }) });
  const newest = now.recipeVersions.get(glazeId);
  if (newest !== undefined && bucket.recipeVersion !== undefined && newest > bucket.recipeVersion)
    found.push({ kind: 'newerRecipe', name, used: bucket.recipeVersion, newest });
  if (bucket.id !== glaze.bucketId) found.push({ kind: 'otherBucket', name, bucketId: bucket.id });
  if (glaze.sg !== undefined && bucket.sg !== undefined && Math.abs(glaze.sg - bucket.sg) > SAME_SG)
    found.push({ kind: 'sg', name, from: glaze.sg, to: bucket.sg, ...atOtherSg(glaze, bucket.sg) });
  // What was mixed before the lot came has none of it.
  if (bucket.createdAt > glazedAt)
    for (const { powder, lot, glazeIds } of now.powderLots) if (glazeIds.includes(glazeId)) found.push({ kind: 'powderLot', name, powder, lot });
  return found;
}

/** The coat that the same seconds make, and the seconds that make the same coat. */
function atOtherSg({ coatMm, seconds, sg: plannedSg }: KeptGlaze, sg: number): { coatMm?: { from: number; to: number }; seconds?: number } {
  if (coatMm === undefined) return {};
  const planned = { coatMm, seconds, sg: plannedSg };
  const after = (held: number | undefined): number | undefined => {
    const made = attempt(() => coatDeviation(planned, { sg, seconds: held }));
    return made.kind === 'ok' ? made.value.coatMm : undefined;
  };
  const same = after(seconds);
  if (same === undefined) return {};
  const isReached = seconds !== undefined && (after(LONGEST_SECONDS) ?? 0) >= coatMm;
  const held = isReached
    ? bisect({ low: 0.1, high: LONGEST_SECONDS, isPast: (at) => (after(at) ?? Infinity) > coatMm, width: 0.01 }).middle
    : undefined;
  return { coatMm: { from: coatMm, to: same }, ...(held === undefined ? {} : { seconds: held }) };
}

/** A version that nobody knows is taken as the same. */
const isSameVersion = ({ recipeVersion }: KeptGlaze, version: number | undefined): boolean =>
  recipeVersion === undefined || version === undefined || recipeVersion === version;

/** Every name of a bucket in a plan, also in the keys of its steps. Which recipes they hold is read anew. */
function withBuckets(plan: PiecePlan, next: ReadonlyMap<string, string>): PiecePlan {
  const named = (text: string): string => [...next].reduce((so, [from, to]) => so.replaceAll(from, to), text);
  const { versions: _versions, ...rest } = withLayers(plan, (layer) => ({ ...layer, bucketId: named(layer.bucketId) }));
  return {
    ...rest,
    order: rest.order.map(named),
    ...(rest.pins ? { pins: rest.pins.map(({ before, after }) => ({ before: named(before), after: named(after) })) } : {}),
    ...(rest.gumIn ? { gumIn: rest.gumIn.map(named) } : {}),
    ...(rest.thinned ? { thinned: rest.thinned.map((part) => ({ ...part, bucketId: named(part.bucketId) })) } : {}),
  };
}
