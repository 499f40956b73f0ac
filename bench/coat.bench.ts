import { chromium, type Page } from '@playwright/test';
import {
  BODY_DENSITY,
  CAKE_SUCTION_GUESS,
  coatMap,
  coatPredictor,
  knowledgeOf,
  learnCoats,
  predictCoat,
  STATE_GUESSES,
  wallSuctionGuess,
  type CoatObservation,
  type CoatSituation,
} from '@cazuela/core';
import { inTurnWithC } from './beside-c';
import { dragOnPage } from './hand';
import { middleMs, type Row } from './measure';

const SITUATION: CoatSituation = {
  sg: 1.46,
  density: 2.6,
  state: 'normal',
  bisqueCone: '05',
  absorptionPercent: 12,
  wallMm: 5,
  faces: 1,
  underMm: 0.4,
  underDryness: 0.5,
};
const MAP = { lowSg: 1.32, highSg: 1.6, mostSeconds: 10, columns: 200, rows: 200 };

/** Six dips of each glaze, on twenty bodies. */
const studioOf = (glazes: number): CoatObservation[] =>
  Array.from({ length: 6 * glazes }, (_, index): CoatObservation => {
    const situation: CoatSituation = {
      sg: 1.42 + 0.002 * (index % 40),
      density: 2.6,
      state: 'normal',
      bisqueCone: '05',
      wallMm: 4 + (index % 4),
      faces: 1,
    };
    const [seconds, glaze, body] = [1 + (index % 7), index % glazes, (7 * index + Math.floor(index / glazes)) % 20];
    const { coat } = predictCoat({ ...situation, seconds });
    const coatMm = (coat.kind === 'ok' ? coat.coatMm : 0.5) * (1 + 0.08 * Math.sin(index) + 0.2 * Math.sin(glaze));
    return { id: `d${index}`, glazeId: `g${glaze}`, bodyId: `b${body}`, situation, seconds, coatMm, lnSd: 0.08 };
  });

/** The computation of the coat: one prediction with its band, a studio's fit, the whole map beside the same loop in C. */
export function coatRows(): Row[] {
  const observations = Array.from({ length: 40 }, (_, index): CoatObservation => {
    const situation: CoatSituation = { sg: 1.42 + 0.002 * index, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 4 + (index % 4), faces: 1 };
    const seconds = 1 + (index % 7);
    const { coat } = predictCoat({ ...situation, seconds });
    const coatMm = coat.kind === 'ok' ? coat.coatMm * (1 + 0.08 * Math.sin(index)) : 0.5;
    return { id: `d${index}`, glazeId: `g${index % 5}`, bodyId: `b${index % 2}`, situation, seconds, coatMm, lnSd: 0.08 };
  });
  const fit = (): unknown => {
    const learning = learnCoats({ observations });
    return coatPredictor(SITUATION, knowledgeOf(learning, { glazeId: 'g0', bodyId: 'b0' }))(3);
  };
  const [large, half] = [studioOf(1000), studioOf(500)].map((dips) => middleMs(() => learnCoats({ observations: dips }), { warmUp: 8, perRound: 1 }));
  const one = middleMs(() => predictCoat({ ...SITUATION, seconds: 3 }));
  const forty = middleMs(fit, { warmUp: 20, perRound: 5 });
  const { sg: _sg, ...rest } = SITUATION;
  const map = (): Float32Array => coatMap({ situation: rest, ...MAP }).coatMm;
  const { filmMm, packing } = STATE_GUESSES.normal;
  const water = (12 / 100) * BODY_DENSITY * 5;
  const { ms: whole, c } = inTurnWithC(() => middleMs(map, { warmUp: 30, perRound: 5 }), 'coat-map.c', [
    SITUATION.density,
    packing,
    filmMm,
    CAKE_SUCTION_GUESS,
    wallSuctionGuess(SITUATION),
    water,
    SITUATION.underMm!,
    SITUATION.underDryness!,
    MAP.lowSg,
    MAP.highSg,
    MAP.mostSeconds,
    MAP.columns,
    MAP.rows,
  ]);
  const ours = map().reduce((sum, mm) => sum + mm, 0);
  const same = c !== undefined && Math.abs(ours / c.sum - 1) < 1e-6;
  return [
    { what: 'one coat predicted with its band', measured: `${one.toFixed(4)} ms`, wanted: 'under 0.05 ms', ok: one < 0.05 },
    { what: 'a fit of 40 dips, with the interval', measured: `${forty.toFixed(2)} ms`, wanted: 'under 10 ms', ok: forty < 10 },
    {
      what: '1,000 glazes, 20 bodies, 6,000 dips learnt',
      measured: `${large!.toFixed(0)} ms, ${(large! / half!).toFixed(1)}× that of half of them`,
      wanted: 'under 200 ms, under 3×',
      ok: large! < 200 && large! / half! < 3,
    },
    { what: 'the map of 200 × 200', measured: `${whole.toFixed(2)} ms`, wanted: 'under 60 ms', ok: whole < 60 },
    {
      what: 'the same in plain C',
      measured: c ? `${c.ms.toFixed(2)} ms, ours ${(whole / c.ms).toFixed(2)}×` : 'no C compiler here',
      wanted: c && !same ? 'the same sum, and it is another' : 'ours under 2×',
      ok: c === undefined || (same && whole / c.ms < 2),
    },
  ];
}

/** The coat and the SG are dragged in the chart: from the move to the next painted frame. And the map as the page sees it. */
export async function coatPageRows(address: string): Promise<Row[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/coat`);
  await page.locator('cz-line-chart canvas').waitFor();
  const box = (await page.locator('cz-line-chart canvas').boundingBox())!;
  const rows: Row[] = [];
  // The handle of the wanted line is at its right end; the curve is dragged in its middle.
  const line = { x: box.x + box.width - 8, y: await yOfLine(page) };
  const dragged = await dragOnPage(page, line);
  rows.push({
    what: 'the wanted coat dragged, move to paint, middle',
    measured: `${dragged.toFixed(1)} ms`,
    wanted: 'under 16 ms',
    ok: dragged < 16,
  });
  await browser.close();
  return rows;
}

/** Where the dashed line is drawn, found by its colour at the right edge of the picture. */
async function yOfLine(page: Page): Promise<number> {
  return page.locator('cz-line-chart canvas').evaluate((canvas: HTMLCanvasElement) => {
    const context = canvas.getContext('2d')!;
    const scale = canvas.width / canvas.clientWidth;
    const column = Math.round((canvas.clientWidth - 8) * scale);
    const pixels = context.getImageData(column, 0, 1, canvas.height).data;
    const ys: number[] = [];
    for (let y = 0; y < canvas.height; y++) {
      const [red, green, blue, alpha] = [pixels[4 * y]!, pixels[4 * y + 1]!, pixels[4 * y + 2]!, pixels[4 * y + 3]!];
      if (alpha > 200 && green > red + 30 && green > blue) ys.push(y);
    }
    return canvas.getBoundingClientRect().top + ys[ys.length >> 1]! / scale;
  });
}
