import type { Page } from '@playwright/test';

/** Two presses closer than this are one press at the weighing bench, ms. */
const APART_MS = 400;
const lastPress = new WeakMap<Page, number>();

/** “Next” at the weighing bench, no sooner after the last one than a hand presses it on purpose. */
export async function pressNext(page: Page, key: 'Space' | 'Enter' = 'Space'): Promise<void> {
  await page.waitForFunction((from) => Date.now() >= from, (lastPress.get(page) ?? 0) + APART_MS);
  await page.keyboard.press(key);
  lastPress.set(page, Date.now());
}
