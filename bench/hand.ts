import type { Page } from '@playwright/test';
import { percentile } from './measure';

const MOVES = 60;

/** Drags to and fro by real input. Each move is timed inside the page, from its event until the frame with it was painted. */
export async function dragOnPage(page: Page, from: { x: number; y: number }, across = { x: 0, y: -60 }): Promise<number> {
  await page.evaluate(() => {
    const taken: number[] = [];
    // Listens only until this drag ends: the measuring must not slow down the next one.
    const ends = new AbortController();
    Object.assign(window, { taken, ends });
    const { scheduler } = window as unknown as { scheduler: { postTask: (run: () => void, options: { priority: 'user-blocking' }) => unknown } };
    window.addEventListener(
      'pointermove',
      () => {
        const heard = performance.now();
        // Asked for within the frame and posted right after it: before other waiting work, such as the next move.
        requestAnimationFrame(() => void scheduler.postTask(() => taken.push(performance.now() - heard), { priority: 'user-blocking' }));
      },
      { capture: true, signal: ends.signal },
    );
  });
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let i = 0; i < MOVES; i++) {
    const share = Math.sin((2 * Math.PI * i) / 30);
    await page.mouse.move(from.x + across.x * share, from.y + across.y * share);
    await page.waitForTimeout(25);
  }
  // Back where it was picked up: the next drag must find the same piece.
  await page.mouse.move(from.x, from.y);
  await page.mouse.up();
  const taken = await page.evaluate(() => {
    const measured = window as unknown as { taken: number[]; ends: AbortController };
    measured.ends.abort();
    return measured.taken;
  });
  return percentile(taken.slice(5), 0.5);
}
