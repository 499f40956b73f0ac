import { chromium, type Page } from '@playwright/test';
import { createConnection } from 'mariadb';
import { v7 as uuid } from 'uuid';
import type { MariaDbAddress } from '../scripts/lib/private-mariadb';
import { fillShelf } from './list.bench';
import { percentile, type Row } from './measure';

const SLOW_DOWN = 4;
const PIECES = 500;
const RECIPES = 300;
const WHEELS = 40;
const FRAME_MS = 16.7;
const MOST_KEY_MS = 100;
const WAIT_MS = 60_000;

interface Named {
  id: string;
  body: { name: string };
}

/** Shelves of hundreds of things on a slowed page: a letter typed into the filter until it is painted, and frames that come late while scrolling. */
export async function shelfRows(address: string, db: MariaDbAddress): Promise<Row[]> {
  await fill(address, db);
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const rows: Row[] = [];
    for (const [path, things, count] of [
      ['/recipe', 'recipes', RECIPES],
      ['/bucket', 'buckets', 500],
      ['/piece', 'pieces', PIECES],
    ] as const) {
      await page.goto(address + path);
      await page.getByRole('searchbox').first().waitFor({ timeout: WAIT_MS });
      const session = await page.context().newCDPSession(page);
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
      const key = await keyToPaint(page);
      const late = await lateFrames(page);
      await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      await session.detach();
      rows.push(
        {
          what: `${count} ${things}, ${SLOW_DOWN}× slower, key to paint`,
          measured: `${key.toFixed(0)} ms`,
          wanted: `under ${MOST_KEY_MS} ms`,
          ok: key < MOST_KEY_MS,
        },
        { what: `${count} ${things}, ${SLOW_DOWN}× slower, scrolled`, measured: late.words, wanted: 'told, not judged', ok: true },
      );
    }
    return rows;
  } finally {
    await browser.close();
  }
}

/** The middle of the time from a typed or deleted letter to the painted list, ms. */
async function keyToPaint(page: Page): Promise<number> {
  const search = page.getByRole('searchbox').first();
  await search.focus();
  const taken: number[] = [];
  for (const letter of ['p', 'r', 'u', 'Backspace', 'Backspace', 'Backspace', 'p', 'r', 'u', 'Backspace', 'Backspace', 'Backspace']) {
    await page.evaluate(() => {
      Object.assign(window, {
        painted: new Promise<number>((done) =>
          window.addEventListener(
            'keydown',
            () => {
              const started = performance.now();
              // The frame with the change, not one that was on its way.
              setTimeout(() => requestAnimationFrame(() => setTimeout(() => done(performance.now() - started))));
            },
            { capture: true, once: true },
          ),
        ),
      });
    });
    await page.keyboard.press(letter);
    taken.push(await page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted));
  }
  return percentile(taken, 0.5);
}

/** Wheels down the list, and counts frames that came later than the next but one. */
async function lateFrames(page: Page): Promise<{ words: string }> {
  await page.evaluate((frameMs) => {
    const seen = {
      frames: 0,
      late: 0,
      longestMs: 0,
      on: true,
      beforeMs: performance.now(),
      frame(): void {
        const now = performance.now();
        seen.frames++;
        if (now - seen.beforeMs > 2.5 * frameMs) seen.late++;
        seen.longestMs = Math.max(seen.longestMs, now - seen.beforeMs);
        seen.beforeMs = now;
        if (seen.on) requestAnimationFrame(() => seen.frame());
      },
    };
    requestAnimationFrame(() => seen.frame());
    Object.assign(window, { seen });
  }, FRAME_MS);
  await page.mouse.move(640, 500);
  for (let i = 0; i < WHEELS; i++) {
    await page.mouse.wheel(0, 240);
    await page.waitForTimeout(30);
  }
  const { frames, late, longestMs } = await page.evaluate(() => {
    const { seen } = window as unknown as { seen: { frames: number; late: number; longestMs: number; on: boolean } };
    seen.on = false;
    return { frames: seen.frames, late: seen.late, longestMs: seen.longestMs };
  });
  return { words: `${late} of ${frames} frames late, longest ${longestMs.toFixed(0)} ms` };
}

async function fill(address: string, db: MariaDbAddress): Promise<void> {
  const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
  const base = `${address}/api/studios/${studio.id}`;
  const sql = await createConnection({ host: db.host, port: db.port, user: db.user, password: db.password, database: db.database });
  await fillShelf(sql, studio.id, 'S');
  await sql.end();
  for (const [list, count] of [
    ['pieces', PIECES],
    ['recipes', RECIPES],
  ] as const) {
    const some = (await (await fetch(`${base}/${list}`)).json()) as Named[];
    for (let i = 0; i < count; i++) {
      const { body } = some[i % some.length]!;
      const made = { id: uuid(), body: { ...body, name: `Prueba ${body.name.slice(0, 40)} ${i}` } };
      await fetch(`${base}/${list}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(made) });
    }
  }
}
