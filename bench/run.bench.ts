import {
  drawFilms,
  drawnForecast,
  FILMS,
  safeLine,
  PIECE_SHAPES,
  sideToRun,
  solveRun,
  uprightStrip,
  planAlternatives,
  type GlazeFacts,
  type Layer,
  type PiecePlan,
  type RunLayer,
} from '@cazuela/core';
import { inTurnWithC } from './beside-c';
import { middleMs, type Row } from './measure';

const glaze = (bucketId: string, flow: number, shrinkShare: number, lightness: number): GlazeFacts => ({
  bucketId,
  name: bucketId,
  lightness,
  sg: 1.45,
  density: 2.6,
  packing: 0.5,
  filmMm: 0.15,
  slurryState: 'normal',
  shrinkShare,
  loiPercent: 8,
  flow: { flow, lnSd: 0.5, basis: 'pottersWord' },
  surface: 'gloss',
  foodTested: true,
  firedPercent: {},
  unity: {},
});
const GLAZES = [glaze('white', 40, 15, 0.9), glaze('ash', 200, 4, 0.7), glaze('yellow', 60, 31, 0.6), glaze('amber', 90, 12, 0.3)];
const layer = (bucketId: string, coatMm: number): Layer => ({ id: `${bucketId}${coatMm}`, bucketId, method: 'dip', coatMm });
const PLAN: PiecePlan = {
  shapeId: 'liddedPot',
  zones: {
    inside: [layer('white', 0.35)],
    outside: [layer('ash', 0.4), layer('amber', 0.3)],
    rim: [layer('yellow', 0.3)],
    foot: [layer('amber', 0.2)],
  },
  waxFootMm: 0,
  rimBandMm: 40,
  order: [],
  putAside: [],
};
const SHAPE = PIECE_SHAPES.find((shape) => shape.id === 'liddedPot')!;
/** From, to, melted mm and flow of three bands on an upright wall. */
const BANDS = [
  [0, 260, 0.3, 200],
  [0, 80, 0.25, 400],
  [0, 40, 0.2, 80],
] as const;
const WORKERS = 2;

/** The run of melted glaze beside the same loop in C, its draws, and the search for an order. */
export function runRows(): Row[] {
  const strip = uprightStrip({ lengthMm: 300 });
  const layers = BANDS.map(([from, to, mm, flow]): RunLayer => ({
    flow,
    meltedMm: Float64Array.from({ length: strip.count }, (_, at) => (at >= from && at < to ? mm : 0)),
  }));
  const solve = (): ReturnType<typeof solveRun> => solveRun({ strip, layers, overlap: () => 1.3 });
  const { ms: one, c } = inTurnWithC(() => middleMs(solve, { warmUp: 30, perRound: 1 }), 'run.c', [1e4, 0.05, 1.3, ...BANDS.flat()]);
  const moving = (layer: Float64Array, put: Float64Array): number => layer.reduce((sum, mm, at) => sum + (mm - stillMm(put, layers, at)) * at, 0);
  const ours = solve().moments[0]!.layerMm.reduce((sum, row, at) => sum + moving(row, layers[at]!.meltedMm), 0);
  const same = c !== undefined && Math.abs(ours / c.sum - 1) < 1e-3;
  const side = sideToRun({ plan: PLAN, shape: SHAPE, glazes: GLAZES, side: 'outside' })!;
  const films = FILMS / WORKERS;
  const whole = middleMs(() => drawFilms(side, 0, films), { warmUp: 1, rounds: 5, perRound: 1 });
  const question = { plan: PLAN, shape: SHAPE, glazes: GLAZES, body: { name: 'b', bisqueCone: '05', earthenware: false }, count: 12 };
  const priced = middleMs(() => planAlternatives({ ...question, runFrom: 'quickLook' }), { warmUp: 2, rounds: 5, perRound: 1 });
  const forecast = drawnForecast(question);
  const line = safeLine(question);
  const drawn = middleMs(() => planAlternatives({ ...question, forecast, safeLine: line }), { warmUp: 0, rounds: 3, perRound: 1 });
  return [
    { what: 'one run, 300 cells, three layers', measured: `${one.toFixed(2)} ms`, wanted: 'under 20 ms', ok: one < 20 },
    {
      what: 'the same in plain C',
      measured: c ? `${c.ms.toFixed(2)} ms, ours ${(one / c.ms).toFixed(2)}×` : 'no C compiler here',
      wanted: c && !same ? 'the same sum, and it is another' : 'ours under 2×',
      ok: c === undefined || (same && one / c.ms < 2),
    },
    {
      what: '2,000 draws of a pot in two workers, from the half of one',
      measured: `${(whole / 1000).toFixed(2)} s`,
      wanted: 'under 1.5 s',
      ok: whole < 1_500,
    },
    { what: 'alternatives to 5 coats in 4 zones, by a quick look', measured: `${priced.toFixed(0)} ms`, wanted: 'under 200 ms', ok: priced < 200 },
    { what: 'the same, the best three from 2,000 draws', measured: `${(drawn / 1000).toFixed(2)} s`, wanted: 'under 5 s', ok: drawn < 5_000 },
  ];
}

/** What stays on the wall of a layer in a cell: its share of the stuck film. */
function stillMm(put: Float64Array, layers: readonly RunLayer[], at: number): number {
  const whole = layers.reduce((sum, layer) => sum + layer.meltedMm[at]!, 0);
  return whole > 0 ? (put[at]! * Math.min(whole, 0.05)) / whole : 0;
}
