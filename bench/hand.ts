import type { Page } from '@playwright/test';
import { percentile } from './measure';

const MOVES = 60;

/** Moves the hand to and fro by real input; each move is timed inside the page, from its being heard until the frame with it was painted. */
export async function dragOnPage(page: Page, from: { x: number; y: number }, across = { x: 0, y: -60 }): Promise<number> {
  await page.evaluate(() => {
    const taken: number[] = [];
    // Heard only until this drag ends: what measures one must not weigh on the next.
    const ends = new AbortController();
    Object.assign(window, { taken, ends });
    const { scheduler } = window as unknown as { scheduler: { postTask: (run: () => void, options: { priority: 'user-blocking' }) => unknown } };
    window.addEventListener(
      'pointermove',
      () => {
        const heard = performance.now();
        // Asked for within the frame, told right after it: before whatever else waits, such as the next word of what moves the hand.
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
  // Back where it was taken: the next drag must find the same piece.
  await page.mouse.move(from.x, from.y);
  await page.mouse.up();
  const taken = await page.evaluate(() => {
    const measured = window as unknown as { taken: number[]; ends: AbortController };
    measured.ends.abort();
    return measured.taken;
  });
  return percentile(taken.slice(5), 0.5);
}
