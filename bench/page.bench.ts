import { chromium } from '@playwright/test';
import { percentile, type Row } from './measure';

const MOST_KB = 350;
const LOADS = 7;

/** What the first screen costs: bytes over the wire without fonts, and the time until "What now?" can be read. */
export async function pageRows(address: string): Promise<Row[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const kilobytes: number[] = [];
  const useful: number[] = [];
  for (let i = 0; i < LOADS; i++) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const started = performance.now();
    await page.goto(address);
    await page.getByRole('link', { name: 'Go on weighing' }).waitFor();
    useful.push(performance.now() - started);
    await page.waitForLoadState('networkidle');
    const bytes = await page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter((entry) => /\.(js|css)$/.test(entry.name))
        .reduce((sum, entry) => sum + entry.encodedBodySize, 0),
    );
    kilobytes.push(bytes / 1024);
    await page.close();
  }
  await browser.close();
  const kb = percentile(kilobytes, 0.5);
  return [
    { what: 'first load, JS and CSS compressed', measured: `${kb.toFixed(0)} kB`, wanted: `under ${MOST_KB} kB`, ok: kb < MOST_KB },
    { what: 'first useful paint, cold cache, middle', measured: `${percentile(useful, 0.5).toFixed(0)} ms`, wanted: 'told, not judged', ok: true },
  ];
}
