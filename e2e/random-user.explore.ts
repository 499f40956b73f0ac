import { seededUniform } from '@cazuela/core';
import type { Locator, Page } from '@playwright/test';
import { expect, StudioUnderTest, test } from './studio';

/**
 * `./cazuela explore app`: presses, types and goes back at random, from a seed that is printed. Whatever it does, no screen may break, send what
 * the records refuse as badly formed, or show a number that is none.
 */
const SEED = Number(process.env['CAZUELA_SEED'] ?? Date.now() % 2 ** 31);
const UNTIL = Date.now() + 60_000 * Number(process.env['CAZUELA_MINUTES'] ?? 10);
const STARTS = [
  '/recipe',
  '/recipe/new',
  '/recipe/files',
  '/weigh',
  '/weigh/series',
  '/bucket',
  '/coat',
  '/piece',
  '/piece/runners',
  '/day',
  '/kiln',
  '/wall',
];
const DEEDS_A_START = 60;
const TYPED = ['0.5', '1,5', '12', '300', '0', '-3', 'ash over iron', '', '99999999', '2 lb', '1.25'];
const KEYS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'Space', 'Enter', 'Escape', 'Backspace'];
const PRESSABLE =
  'button:visible:enabled, summary:visible, [role=slider]:visible, input:visible:enabled, select:visible:enabled, textarea:visible:enabled';
const NO_NUMBER = /.{0,40}\b(?:NaN|undefined|Infinity|\[object Object\])\b.{0,40}/;

/** The same actions from the same seed, as far as what they press is there in time. */
function drawn(seed: number): { share: () => number; of: <T>(things: readonly T[]) => T } {
  const share = seededUniform(seed);
  return { share, of: (things) => things[Math.floor(share() * things.length)]! };
}

test('a hand that wanders finds no broken screen', async ({ page }) => {
  console.log(`Seed ${SEED} (again: CAZUELA_SEED=${SEED} ./cazuela explore app)`);
  const own = await StudioUnderTest.open({ demo: true });
  const draw = drawn(SEED);
  const actions: string[] = [];
  const faults: string[] = [];
  page.on('response', (answer) => {
    if (answer.status() >= 500 || [400, 422].includes(answer.status()))
      faults.push(
        `${answer.request().method()} ${answer.url()} was answered ${answer.status()}: ${answer.request().postData()?.slice(0, 2000) ?? ''}`,
      );
  });
  page.on('pageerror', (error) => faults.push(error.message));
  page.on('console', (message) => {
    // A refused request is logged by the browser; it is looked at above.
    if (message.type() === 'error' && !/Failed to load resource|net::ERR/.test(message.text())) faults.push(message.text());
  });
  page.on('dialog', (dialog) => void dialog.accept());
  try {
    while (Date.now() < UNTIL) {
      const start = draw.of(STARTS);
      await page.goto(own.address + start);
      await page.getByRole('heading').first().waitFor();
      actions.push(`at ${start}`);
      console.log(`${actions.length} actions, on at ${start}`);
      for (let count = 0; count < DEEDS_A_START && page.url().startsWith(own.address) && !page.url().includes('/api/'); count++) {
        const there = await page.locator('main').locator(`${PRESSABLE}, a[href^="/piece/"]:visible, a[href^="/recipe/"]:visible`).all();
        if (there.length === 0) break;
        actions.push(await act(page, draw.of(there), draw));
        const shown = await page
          .locator('main')
          .innerText({ timeout: 2_000 })
          .catch(() => '');
        const odd = NO_NUMBER.exec(shown);
        if (odd) faults.push(`“${odd[0]}” is shown at ${page.url()}`);
        expect(faults, `after ${actions.slice(-8).join(', ')}; seed ${SEED}`).toEqual([]);
      }
    }
  } finally {
    await own.close();
  }
});

/** Does something that is possible with this element, and returns what was done. An element that is gone is skipped. */
async function act(page: Page, thing: Locator, draw: ReturnType<typeof drawn>): Promise<string> {
  const soon = { timeout: 1_000 };
  const [typed, key, also, option] = [draw.of(TYPED), draw.of(KEYS), draw.share(), draw.share()];
  try {
    const { kind, name } = await thing.evaluate((it: HTMLInputElement) => {
      const words = it.getAttribute('aria-label') ?? it.closest('label')?.innerText ?? it.innerText;
      return { kind: it.tagName === 'INPUT' ? it.type : it.tagName, name: words.replace(/\s+/g, ' ').slice(0, 40) };
    }, soon);
    if (['date', 'datetime-local', 'file', 'color'].includes(kind)) return `left ${name}`;
    if (kind === 'SELECT') await thing.selectOption({ index: Math.floor(option * (await thing.locator('option').count())) }, soon);
    else if (['text', 'search', 'number', 'TEXTAREA'].includes(kind)) await thing.fill(kind === 'number' ? '12' : typed, soon);
    else await thing.click(soon);
    if (also < 0.25) await page.keyboard.press(key);
    return `${kind} “${name}”${kind === 'text' ? ` ${typed}` : ''}${also < 0.25 ? ` then ${key}` : ''}`;
  } catch {
    return 'what was gone';
  }
}
