import { normalDraw, normalSdsBelow } from '../math/normal';
import { seededUniform } from '../math/seeded-uniform';
import { COAT_LN_SD, joinDraws, KILN_LN_SD, type DrawnRuns } from './draw-runs';
import { frontOf, overlapOf, pairFlow, reachedEnd, runLayers, type SideToRun } from './piece-run';
import { solveRun } from './run-solver';

/** Films of a side, each with its own coats, flows and pairs; drawn by number, so that several workers make the very ones that a single one does. */
export const FILMS = 400;
/** Kilns that one film is fired in: the flow of all its layers by the same factor is time through the solver, so one solve serves them all. */
export const KILNS_PER_FILM = 5;
export const FORECAST_DRAWS = FILMS * KILNS_PER_FILM;
/** Has no divisor in common with 400. */
const STRATUM_STEP = 249;

/** What is not known of the film of a side: normals of its coats, of its glazes, and one for all pairs together. */
interface FilmNormals {
  coats: number[];
  glazes: Map<string, number>;
  pairs: number;
}

/**
 * Returns the lower edge of a film of a side in five kilns, the coolest first: always the same ones for the same side and film.
 *
 * @param side - from `sideToRun`
 * @param film - 0 to 399
 * @example
 * drawFilm(sideToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside', cellMm: 3 }), 0).fronts.length // 5
 */
export function drawFilm(side: SideToRun, film: number): DrawnRuns {
  const random = seededUniform(film + 1);
  // Neighbours in the list lie far apart among all runs, so that a part of the films is a fair sample of them.
  const stratum = (film * STRATUM_STEP) % FILMS;
  const normals = filmNormals(side, (stratum + random()) / FILMS, random);
  const kilns = Array.from({ length: KILNS_PER_FILM }, (_, at) => Math.exp(KILN_LN_SD * normalSdsBelow((at + random()) / KILNS_PER_FILM)));
  const hottest = kilns.at(-1)!;
  const layers = runLayers(side, (at) => {
    const { layer, flowLnSd } = side.layers[at]!;
    return { coat: Math.exp(COAT_LN_SD * normals.coats[at]!), flow: hottest * Math.exp(flowLnSd * normals.glazes.get(layer.bucketId)!) };
  });
  const { strip, stuckMm, gathers } = side;
  const lookAt = kilns.map((kiln) => kiln / hottest);
  const stopAtEnd = side.endHoldsMm3 === 0;
  const { moments } = solveRun({ strip, stuckMm, gathers, layers, overlap: overlapOf(side, normals.pairs), lookAt, stopAtEnd });
  let hasReached = false;
  let reached = 0;
  const fronts = Float64Array.from(kilns, (_, at) => {
    hasReached ||= reachedEnd(side, moments[at]!);
    if (hasReached) reached += 1;
    return frontOf(side, moments[at]!, hasReached);
  });
  return { fronts, reached };
}

/**
 * Returns the draws of some films of a side, one after the other.
 *
 * @param side - from `sideToRun`
 * @param from - first film, 0 to 399
 * @param until - the film after the last, 400 at most
 * @example
 * drawFilms(sideToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside', cellMm: 3 }), 0, 2).fronts.length // 10
 */
export const drawFilms = (side: SideToRun, from: number, until: number): DrawnRuns =>
  joinDraws(Array.from({ length: until - from }, (_, at) => drawFilm(side, from + at)));

/**
 * Returns all 2,000 draws of a side, film after film.
 *
 * @param side - from `sideToRun`
 * @example
 * drawAll(sideToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside', cellMm: 3 })).fronts.length // 2000
 */
export const drawAll = (side: SideToRun): DrawnRuns => drawFilms(side, 0, FILMS);

/** Draws a film whose run lies at this share of all runs, near enough: evenly along what decides it most, at random across it. */
function filmNormals({ layers, overlaps }: SideToRun, share: number, random: () => number): FilmNormals {
  const whole = layers.reduce((sum, layer) => sum + layer.meltedMm, 0);
  const buckets = [...new Set(layers.map(({ layer }) => layer.bucketId))];
  const shareOf = (bucketId: string): number =>
    layers.reduce((sum, layer) => sum + (layer.layer.bucketId === bucketId ? layer.meltedMm / whole : 0), 0);
  const lnSdOf = (bucketId: string): number => layers.find(({ layer }) => layer.bucketId === bucketId)!.flowLnSd;
  let pairWeight = 0;
  layers.forEach((a, at) => {
    for (const b of layers.slice(at + 1))
      pairWeight += ((4 * a.meltedMm * b.meltedMm) / whole ** 2) * pairFlow(overlaps, a.layer.bucketId, b.layer.bucketId).lnSd;
  });
  // ln of how much it flows, to first order: twice ln of the coats, ln F by melted share, ln ω by pair.
  const weights = [
    ...layers.map((layer) => (2 * COAT_LN_SD * layer.meltedMm) / whole),
    ...buckets.map((bucketId) => shareOf(bucketId) * lnSdOf(bucketId)),
    pairWeight,
  ];
  const length = Math.hypot(...weights);
  const normals = weights.map(() => normalDraw(random));
  const along = normals.reduce((sum, normal, at) => sum + (normal * weights[at]!) / length, 0);
  const wanted = normalSdsBelow(share);
  const drawn = normals.map((normal, at) => normal + ((wanted - along) * weights[at]!) / length);
  return {
    coats: drawn.slice(0, layers.length),
    glazes: new Map(buckets.map((bucketId, at) => [bucketId, drawn[layers.length + at]!])),
    pairs: drawn.at(-1)!,
  };
}
