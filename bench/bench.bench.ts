import { chromium, type CDPSession, type Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import type { Recipe, StudioPowder } from '@cazuela/contract';
import { percentile, type Row } from './measure';

const SLOW_DOWN = 4;
const MOST_MS = 50;
const EDITS = 40;
/** A heap may vary by this much and still count as flat. */
const MOST_GROWTH = 1.15;

interface Seen {
  at: number[];
  painted: number[];
}

/** Editing a long recipe, and a scale running: from the input or the reading to what is painted. */
export async function benchRows(address: string, minutes: number): Promise<Row[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const session = await page.context().newCDPSession(page);
    return [...(await editing(page, session, address)), ...(await scale(page, session, address, minutes))];
  } finally {
    await browser.close();
  }
}

async function editing(page: Page, session: CDPSession, address: string): Promise<Row[]> {
  const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
  const base = `${address}/api/studios/${studio.id}`;
  const powders = (await (await fetch(`${base}/powders`)).json()) as StudioPowder[];
  const [some] = (await (await fetch(`${base}/recipes`)).json()) as Recipe[];
  const lines = powders.slice(0, 20).map((powder) => ({ id: uuid(), powderId: powder.id, part: 'base' as const, percent: 5 }));
  const id = uuid();
  const body = { ...some!.body, name: 'Twenty lines', lines };
  await fetch(`${base}/recipes`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ id, body }) });
  await page.goto(`${address}/recipe/${id}`);
  const field = page.getByRole('textbox', { name: 'Percent of line 10 of the base' });
  await field.waitFor();
  // As a hand types: in the field that has the focus.
  await field.focus();
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
  const times: number[] = [];
  for (let index = 0; index < EDITS; index++) {
    times.push(
      await field.evaluate(
        (input: HTMLInputElement, value) =>
          new Promise<number>((resolve) => {
            // In a task of its own, as a key press comes: not within a frame that is being made.
            setTimeout(() => {
              const started = performance.now();
              input.value = value;
              input.dispatchEvent(new Event('input', { bubbles: true }));
              // The computation and the drawing are tasks and frames behind this one: after the frame that shows them, it is painted.
              setTimeout(() => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - started))));
            }, 7);
          }),
        String(5 + index / 10),
      ),
    );
  }
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const middle = percentile(times, 0.5);
  const wanted = `under ${MOST_MS} ms (95 of 100 under ${percentile(times, 0.95).toFixed(0)} ms)`;
  return [{ what: `a 20-line recipe, key to paint, ${SLOW_DOWN}× slower`, measured: `${middle.toFixed(1)} ms`, wanted, ok: middle < MOST_MS }];
}

async function scale(page: Page, session: CDPSession, address: string, minutes: number): Promise<Row[]> {
  await page.addInitScript(watchReadings);
  await page.goto(address);
  await page.getByRole('link', { name: 'Go on weighing' }).click();
  await page.getByRole('button', { name: /No scale connected/ }).click();
  await page.getByRole('button', { name: 'Practise with Bench scale' }).click();
  await page.getByRole('progressbar', { name: 'Of this line' }).waitFor();
  // Powder trickles in and out, so that the number never stands still.
  const trickle = setInterval(() => void page.evaluate(pourALittle).catch(() => undefined), 2_000);
  const heap = async (): Promise<number> => {
    await session.send('HeapProfiler.collectGarbage');
    return ((await page.evaluate(() => (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize)) as number) / 1e6;
  };
  await page.waitForTimeout(15_000);
  const before = await heap();
  await page.waitForTimeout(minutes * 60_000);
  const after = await heap();
  clearInterval(trickle);
  const { at, painted } = await page.evaluate(() => (window as unknown as { seen: Seen }).seen);
  const delays = painted.map((time, index) => time - at[index]!);
  const middle = percentile(delays, 0.5);
  return [
    {
      what: `a scale at 10 Hz, reading to paint, ${delays.length} readings`,
      measured: `${middle.toFixed(1)} ms`,
      wanted: `under ${MOST_MS} ms (95 of 100 under ${percentile(delays, 0.95).toFixed(0)} ms)`,
      ok: middle < MOST_MS,
    },
    {
      what: `its memory over ${minutes} min`,
      measured: `${before.toFixed(1)} → ${after.toFixed(1)} MB`,
      wanted: `flat: at most × ${MOST_GROWTH}`,
      ok: after <= before * MOST_GROWTH,
    },
  ];
}

/** Notes when each reading came and when the frame that shows it was made. Runs in the page. */
function watchReadings(): void {
  const seen: Seen = { at: [], painted: [] };
  const Real = window.WebSocket;
  Object.assign(window, { seen });
  window.WebSocket = class extends Real {
    constructor(url: string | URL, protocols?: string | string[]) {
      super(url, protocols);
      if (!String(url).includes('/devices/scale')) return;
      Object.assign(window, { scaleSocket: this });
      this.addEventListener('message', () => {
        const came = performance.now();
        requestAnimationFrame(() =>
          setTimeout(() => {
            seen.at.push(came);
            seen.painted.push(performance.now());
          }),
        );
      });
    }
  };
}

function pourALittle(): void {
  const { scaleSocket } = window as unknown as { scaleSocket?: WebSocket };
  const steps = [
    { gramsPerSecond: 5, seconds: 1 },
    { gramsPerSecond: -5, seconds: 1 },
  ];
  scaleSocket?.send(JSON.stringify({ kind: 'script', steps }));
}
