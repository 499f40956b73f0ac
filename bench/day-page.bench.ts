import { chromium, type Browser, type Page } from '@playwright/test';
import { percentile, type Row } from './measure';

const DEVICES = 3;
const TICKS = 25;
const BETWEEN_MS = 1_500;
/** A frame later than this is seen, ms. */
const LATE_FRAME_MS = 34;

/** The day on three devices: how long until a tick of one is on the others, and whether the timeline moves without late frames. */
export async function dayPageRows(address: string): Promise<Row[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    return [await tickRow(browser, address), await frameRow(browser, address)];
  } finally {
    await browser.close();
  }
}

const countOn = async (page: Page): Promise<number> =>
  Number(/(\d+) of \d+ steps done/.exec((await page.getByText(/\d+ of \d+ steps done/).textContent()) ?? '')?.[1]);

/**
 * Told by the page when it shows so many steps done: a locator's own waiting grows to half a second between two looks. As text, like what is measured
 * below.
 */
const seenOn = (page: Page, done: number): Promise<unknown> =>
  page.evaluate(`new Promise((resolve) => {
    const isThere = ({ textContent }) => /^\\s*${done} of \\d+ steps done/.test(textContent);
    const observer = new MutationObserver(look);
    function look() {
      if (![...document.querySelectorAll('cz-day-page p')].some(isThere)) return;
      observer.disconnect();
      resolve();
    }
    observer.observe(document.body, { subtree: true, childList: true, characterData: true });
    look();
  })`);

async function tickRow(browser: Browser, address: string): Promise<Row> {
  const pages = await Promise.all(
    Array.from({ length: DEVICES }, async () => {
      const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
      await page.goto(`${address}/day`);
      await page.getByText(/\d+ of \d+ steps done/).waitFor();
      return page;
    }),
  );
  const [ticking, ...watching] = pages as [Page, ...Page[]];
  const times: number[] = [];
  for (let i = 0; i < TICKS; i++) {
    const after = (await countOn(ticking)) + (i % 2 === 0 ? 1 : -1);
    const started = performance.now();
    // Skipped and taken back in turn: neither waits for the code of a bucket.
    await ticking.keyboard.press(i % 2 === 0 ? 's' : 'u');
    await Promise.all(watching.map((page) => seenOn(page, after)));
    times.push(performance.now() - started);
    // People tick at their own pace: nothing is left of one tick when the next one comes.
    await ticking.waitForTimeout(BETWEEN_MS + (i % 5) * 61);
  }
  // The timeline is looked at by one of them, while the others do nothing.
  await Promise.all(pages.map((page) => page.context().close()));
  const [median, late] = [percentile(times, 0.5), percentile(times, 0.95)];
  return {
    what: `a tick seen on ${DEVICES - 1} other devices: median, p95`,
    measured: `${median.toFixed(0)} ms, ${late.toFixed(0)} ms`,
    wanted: 'within a second',
    ok: late < 1_000,
  };
}

async function frameRow(browser: Browser, address: string): Promise<Row> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/day?bench=plan`);
  await page.getByText('In four of five days by').waitFor({ timeout: 60_000 });
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Larger' }).click();
  // As text: what compiles this file names its functions, and a page knows nothing of that.
  const frames = await page.evaluate<number[]>(`new Promise((resolve) => {
    const sheet = document.querySelector('cz-day-timeline .scroll');
    const gaps = [];
    let before = performance.now();
    requestAnimationFrame(function step(now) {
      gaps.push(now - before);
      before = now;
      sheet.scrollLeft += 12;
      if (gaps.length < 120) requestAnimationFrame(step);
      else resolve(gaps.slice(1));
    });
  })`);
  const late = frames.filter((ms) => ms > LATE_FRAME_MS).length;
  return {
    what: `timeline scrolled, ${frames.length} frames: late ones, the longest`,
    measured: `${late}, ${Math.max(...frames).toFixed(0)} ms`,
    wanted: 'none late',
    ok: late === 0,
  };
}
