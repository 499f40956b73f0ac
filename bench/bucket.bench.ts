import { chromium, type Browser, type Page } from '@playwright/test';
import { createConnection, type Connection } from 'mariadb';
import { v7 as uuid } from 'uuid';
import type { BucketSummary } from '@cazuela/contract';
import type { MariaDbAddress } from '../scripts/lib/private-mariadb';
import { fillShelf } from './list.bench';
import { percentile, type Row } from './measure';

const EVENTS = 5_000;
const OPENINGS = 7;
const MOST_OPEN_MS = 300;
/** The bundler wraps named functions with a helper that does not exist in a page. */
const NAMED = 'globalThis.__name = (named) => named';
/** A frame at 60 Hz, and what still counts as one when the machine's clock jitters, ms. */
const LATE_FRAME_MS = 25;

/** A bucket with 5,000 events, from the tap on it to its chart, and moved through; a list of 500 buckets, scrolled. */
export async function bucketRows(address: string, db: MariaDbAddress): Promise<Row[]> {
  const sql = await createConnection({ host: db.host, port: db.port, user: db.user, password: db.password, database: db.database });
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
    const buckets = (await (await fetch(`${address}/api/studios/${studio.id}/buckets`)).json()) as BucketSummary[];
    const bucket = buckets.find((one) => one.body.name === 'Marisma')!;
    await addHistory(sql, studio.id, bucket.id);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(NAMED);
    const opened: number[] = [];
    for (let i = 0; i < OPENINGS; i++) opened.push(await open(page, address, bucket.id));
    const other = buckets.find((one) => one.body.name === 'Retama')!;
    const short = await open(page, address, other.id);
    await open(page, address, bucket.id);
    const pan = await frames(page, panning);
    await fillShelf(sql, studio.id, 'S');
    await page.goto(`${address}/bucket`);
    // Of a long shelf, the cards in view are drawn.
    await page.getByRole('listitem').nth(10).waitFor();
    const scroll = await frames(page, scrolling);
    const idle = await frames(await idlePage(browser), standing);
    const openMs = percentile(opened, 0.5);
    return [
      {
        what: `a bucket of ${EVENTS} events, pointed at, tap to chart`,
        measured: `${openMs.toFixed(0)} ms`,
        wanted: `under ${MOST_OPEN_MS} ms`,
        ok: openMs < MOST_OPEN_MS,
      },
      { what: 'a bucket of some fifty events, the same way', measured: `${short.toFixed(0)} ms`, wanted: 'told, not judged', ok: true },
      frameRow('its chart dragged', pan, idle),
      frameRow('a shelf of 500 buckets scrolled', scroll, idle),
    ];
  } finally {
    await browser.close();
    await sql.end();
  }
}

/** Late frames while something moves, beside those on an empty page in the same run, which are the machine's own. */
function frameRow(what: string, times: readonly number[], idle: readonly number[]): Row {
  const lateShare = (some: readonly number[]): number => some.filter((ms) => ms > LATE_FRAME_MS).length / some.length;
  const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
  return {
    what,
    measured: `${percent(lateShare(times))} late`,
    wanted: `no more than an empty page (${percent(lateShare(idle))}) and one in a hundred; 95 of 100 within ${percentile(times, 0.95).toFixed(1)} ms`,
    ok: lateShare(times) <= lateShare(idle) + 0.01,
  };
}

async function idlePage(browser: Browser): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(NAMED);
  await page.goto('data:text/html,<div id="dot">.</div>');
  return page;
}

/** Something small moves, so that frames are made at all. */
async function standing(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let step = 0;
        const move = (): void => {
          document.getElementById('dot')!.style.transform = `translateX(${step}px)`;
          if (step++ < 240) requestAnimationFrame(move);
          else resolve();
        };
        move();
      }),
  );
}

/** A pointer rests on what it is about to press, ms. */
const POINTED_MS = 200;

/** Hovered as by hand, then from the tap in the list to the frame after which the chart is there. */
async function open(page: Page, address: string, id: string): Promise<number> {
  await page.goto(`${address}/bucket`);
  await page.locator(`a[href="/bucket/${id}"]`).waitFor();
  await page.waitForLoadState('networkidle');
  await page.locator(`a[href="/bucket/${id}"]`).hover();
  await page.waitForTimeout(POINTED_MS);
  return page.evaluate(
    (href) =>
      new Promise<number>((resolve) => {
        const started = performance.now();
        document.querySelector<HTMLElement>(`a[href="${href}"]`)!.click();
        const look = (): void => {
          const canvas = document.querySelector<HTMLCanvasElement>('cz-line-chart canvas');
          if (canvas && canvas.width > 300) requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - started)));
          else requestAnimationFrame(look);
        };
        look();
      }),
    `/bucket/${id}`,
  );
}

/** Times between frames, ms, while something moves. */
async function frames(page: Page, moving: (page: Page) => Promise<void>): Promise<number[]> {
  await page.evaluate(() => {
    const seen: number[] = [];
    (window as unknown as { seen: number[] }).seen = seen;
    const frame = (at: number): void => {
      seen.push(at);
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  });
  await moving(page);
  const at = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
  return at.slice(1).map((time, index) => time - at[index]!);
}

/** Zoomed in first, then to and fro, one move a frame as a finger does it. */
async function panning(page: Page): Promise<void> {
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Closer' }).click();
  const words = (): Promise<string | null> => page.locator('cz-line-chart canvas').getAttribute('aria-label');
  const before = await words();
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const chart = document.querySelector<HTMLElement>('cz-line-chart canvas')!;
        const box = chart.getBoundingClientRect();
        const send = (type: string, clientX: number): boolean =>
          chart.dispatchEvent(
            new PointerEvent(type, { clientX, clientY: box.top + 20, pointerId: 1, pointerType: 'mouse', button: 0, buttons: 1, bubbles: true }),
          );
        send('pointerdown', box.left + box.width / 2);
        let step = 0;
        const move = (): void => {
          send('pointermove', box.left + box.width / 2 + 200 * Math.sin(step / 20));
          if (step++ < 180) requestAnimationFrame(move);
          else resolve();
        };
        move();
      }),
  );
  if ((await words()) === before) throw new Error('The chart did not go with the pointer.');
}

async function scrolling(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let step = 0;
        const move = (): void => {
          window.scrollBy(0, step < 120 ? 60 : -60);
          if (step++ < 240) requestAnimationFrame(move);
          else resolve();
        };
        move();
      }),
  );
}

async function addHistory(sql: Connection, studioId: string, bucketId: string): Promise<void> {
  const start = Date.now() - EVENTS * 600_000;
  const rows = Array.from({ length: EVENTS }, (_, i) => {
    const head = { id: uuid(), at: new Date(start + i * 600_000).toISOString(), by: 'Inés' };
    const event =
      i % 3 === 0
        ? { ...head, type: 'sgMeasured', sg: 1.455 + 0.01 * Math.sin(i / 90), sgSd: 0.006 }
        : i % 3 === 1
          ? { ...head, type: 'waterAdded', grams: 3 }
          : { ...head, type: 'glazeTaken', millilitres: 0.5, reason: 'dips' };
    return [head.id, studioId, bucketId, JSON.stringify(event)];
  });
  await sql.batch("INSERT INTO bench_events (id, studio_id, stream, stream_id, body, received_at) VALUES (?, ?, 'bucket', ?, ?, NOW(3))", rows);
}
