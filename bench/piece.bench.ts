import { chromium, type Page } from '@playwright/test';
import { dragOnPage } from './hand';
import type { Row } from './measure';

/** How much slower than this machine the page is made to run: a tablet of some years. */
const SLOW_DOWN = 4;
const ROUND_KB = 400;
const FRAME_MS = 16;
/** Other work on the machine comes and goes: so many drags, and the quietest tells what the page itself costs. */
const DRAGS = 5;
const SETTLES_MS = 1_500;

/** A point of a form dragged on a slowed page with all its numbers, and the size of the 3D view when it is opened. */
export async function pieceRows(address: string): Promise<Row[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/piece`);
    await page.getByRole('link', { name: /Lidded pot, tall/ }).click();
    await page.getByRole('radio', { name: 'Form' }).click();
    const rows: Row[] = [];
    // Once to warm up, and after the two thousand runs of the plan are done.
    await restsFrom(page);
    await dragOnPage(page, await middleOf(page), { x: 24, y: 0 });
    for (const rate of [1, SLOW_DOWN]) {
      const session = await page.context().newCDPSession(page);
      const middles: number[] = [];
      for (let drag = 0; drag < DRAGS; drag++) {
        await restsFrom(page);
        await session.send('Emulation.setCPUThrottlingRate', { rate });
        middles.push(await dragOnPage(page, await middleOf(page), { x: 24, y: 0 }));
        await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      }
      const middle = Math.min(...middles);
      rows.push({
        what: `a point of the form dragged, ${rate}× slower, move to paint, middle of the quietest drag`,
        measured: `${middle.toFixed(1)} ms of ${middles.map((each) => each.toFixed(1)).join(', ')}`,
        wanted: `under ${FRAME_MS} ms`,
        ok: middle < FRAME_MS,
      });
    }
    rows.push(await verdictRow(page));
    const before = await loadedBytes(page);
    await Promise.all([
      page.waitForResponse((response) => response.url().endsWith('.js') && response.ok()),
      page.getByRole('radio', { name: 'Round', exact: true }).click(),
    ]);
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(SETTLES_MS);
    const kb = ((await loadedBytes(page)) - before) / 1024;
    rows.push({
      what: 'the view in the round, loaded when opened',
      measured: `${kb.toFixed(0)} kB`,
      wanted: `under ${ROUND_KB} kB`,
      ok: kb > 50 && kb < ROUND_KB,
    });
    return rows;
  } finally {
    await browser.close();
  }
}

/** From the end of a drag until headline, warnings and safe line stand on the same draws. */
async function verdictRow(page: Page): Promise<Row> {
  const taken: number[] = [];
  for (let drag = 0; drag < DRAGS; drag++) {
    await restsFrom(page);
    await dragOnPage(page, await middleOf(page), { x: 24, y: 0 });
    const at = await middleOf(page);
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x + 6 * (drag % 2 === 0 ? 1 : -1), at.y, { steps: 3 });
    await page.mouse.up();
    const from = Date.now();
    await page.getByText('A quick look; the draws follow').waitFor({ timeout: 10_000 });
    await page.getByText('Lowest safe line').first().waitFor({ timeout: 60_000 });
    taken.push(Date.now() - from);
  }
  const middle = taken.sort((a, b) => a - b)[Math.floor(DRAGS / 2)]!;
  return {
    what: 'the verdict agreed by all views after a drag: draws and safe line, from rest',
    measured: `${(middle / 1000).toFixed(1)} s of ${taken.map((ms) => (ms / 1000).toFixed(1)).join(', ')}`,
    wanted: 'under 6 s',
    ok: middle < 6_000,
  };
}

/** No run is being drawn any more. */
async function restsFrom(page: Page): Promise<void> {
  await page.waitForTimeout(SETTLES_MS);
  await page.getByText('Lowest safe line').first().waitFor({ timeout: 60_000 });
}

/** The dot itself: its label belongs to the same handle. */
async function middleOf(page: Page): Promise<{ x: number; y: number }> {
  const box = (await page.getByRole('slider', { name: 'Point 4' }).locator('.dot').boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** Scripts fetched so far, as they came over the network. */
const loadedBytes = (page: Page): Promise<number> =>
  page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter((entry): entry is PerformanceResourceTiming => entry instanceof PerformanceResourceTiming && entry.name.endsWith('.js'))
      .reduce((sum, entry) => sum + entry.transferSize, 0),
  );
