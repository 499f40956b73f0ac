import type { BucketSummary } from '@cazuela/contract';
import type { Locator, Page } from '@playwright/test';
import { pressNext } from './hands';
import { expect, StudioUnderTest, test } from './studio';

/** A potter whose actions are counted: a tap, a typed field, a key. */
class CountedPotter {
  count = 0;
  constructor(private readonly page: Page) {}
  async tap(on: Locator): Promise<void> {
    this.count++;
    await on.click();
  }
  async type(into: Locator, text: string): Promise<void> {
    this.count++;
    await into.fill(text);
  }
  async next(): Promise<void> {
    this.count++;
    await pressNext(this.page);
  }
}

const MOST_ACTIONS = 30;

test.describe('a studio with nothing in it', () => {
  let empty: StudioUnderTest;
  test.beforeAll(async () => {
    empty = await StudioUnderTest.open({ demo: false });
  });
  test.afterAll(() => empty.close());

  test('is led to its first bucket in range in under thirty actions, from any page, and over a reload', async ({ page, request }) => {
    const potter = new CountedPotter(page);
    await page.goto(empty.address);
    await potter.tap(page.getByRole('link', { name: 'Add a clay' }));
    await potter.type(page.getByLabel('Name of the body'), 'Barro Claro');
    await potter.tap(page.getByRole('button', { name: 'Add the body' }));
    await expect(page.getByRole('link', { name: 'A scale and a vessel' })).toBeVisible();
    await potter.tap(page.getByRole('button', { name: 'A vessel' }));
    await potter.type(page.getByRole('textbox', { name: 'Empty', exact: true }), '62.4');
    await potter.tap(page.getByRole('button', { name: 'Keep', exact: true }));
    await potter.tap(page.getByRole('link', { name: 'The first recipe' }));
    await potter.tap(page.getByRole('button', { name: 'White to begin with' }));
    await expect(page.getByText('Nothing speaks against it before the fire.')).toBeVisible();
    await potter.tap(page.getByRole('button', { name: 'Keep the recipe' }));
    await potter.tap(page.getByRole('link', { name: 'Weigh it', exact: true }).first());
    await potter.tap(page.getByRole('button', { name: /Make it a 300/ }));
    await potter.tap(page.getByRole('button', { name: 'Start weighing' }));
    for (const heading of ['Respirator on', 'Water', 'Kaolin']) {
      await expect(page.getByRole('heading', { name: heading, level: 2 })).toBeVisible();
      await potter.next();
    }
    await page.reload();
    while (!(await page.getByRole('heading', { name: 'Mix it' }).isVisible())) {
      const heading = page.getByRole('heading', { level: 2 }).first();
      const before = (await heading.textContent())!;
      await potter.next();
      await expect(heading).not.toHaveText(before);
    }
    await potter.tap(page.getByRole('button', { name: 'It is a bucket' }));
    await potter.type(page.getByLabel('Full weight'), '207.4');
    await potter.tap(page.getByRole('button', { name: 'Keep the reading' }));
    await expect(page.getByRole('heading', { name: 'In range.' })).toBeVisible();
    expect(potter.count).toBeLessThan(MOST_ACTIONS);
    test.info().annotations.push({ type: 'actions', description: String(potter.count) });
    const [bucket] = await empty.records<BucketSummary[]>(request, '/buckets');
    expect(bucket!.contents!.sg).toBeCloseTo(1.45, 2);

    await page.getByRole('link', { name: /^First hour: 5 of 7/ }).click();
    await expect(page.getByRole('link', { name: 'Plan a tile' })).toBeVisible();
    await page.getByRole('link', { name: 'Plan a tile' }).click();
    await expect(page.getByRole('tab', { name: 'Step tile' })).toHaveAttribute('aria-selected', 'true');
  });

  test('an example is put in, looked at, and taken out with one tap; the studio’s own stays', async ({ page, request }) => {
    const example = await StudioUnderTest.open({ demo: false });
    await page.goto(example.address);
    await page.getByRole('button', { name: 'Put an example in, to look around' }).click();
    await expect(page.getByText('An example is in your studio')).toBeVisible();
    await page.goto(`${example.address}/bucket`);
    await page
      .getByRole('link', { name: /Example white/ })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: 'In range.' })).toBeVisible();
    // The same bucket in a studio that works by feel: no SG is asked for, and what to try is an amount.
    await page.goto(`${example.address}/studio`);
    await page.getByRole('radio', { name: 'feel', exact: true }).click();
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.goto(`${example.address}/bucket`);
    await page
      .getByRole('link', { name: /Example white/ })
      .first()
      .click();
    await expect(page.getByRole('textbox', { name: 'Full weight' })).toHaveCount(0);
    const feel = page.getByRole('textbox', { name: 'Swirl stops after' });
    if (!(await feel.isVisible())) await page.getByRole('tab', { name: 'By feel' }).click();
    await page.getByRole('button', { name: 'What it should feel like' }).click();
    await page.getByRole('textbox', { name: 'Swirl from' }).fill('6');
    await page.getByRole('textbox', { name: 'to', exact: true }).first().fill('10');
    await page.getByRole('button', { name: 'Keep these' }).click();
    await feel.fill('3');
    await page.getByRole('button', { name: 'Keep the swirl' }).click();
    await expect(page.getByText(/Try \d+ mL of water, stir well, and feel it again\./)).toBeVisible();
    await page.getByRole('button', { name: /^\d+ mL went in$/ }).click();
    await expect(page.getByRole('cell', { name: /mL of water in/ }).first()).toBeVisible();
    await page.goto(example.address);
    await page.getByRole('button', { name: 'Take the example out' }).click();
    await expect(page.getByRole('button', { name: 'Put an example in, to look around' })).toBeVisible();
    expect(await example.records<BucketSummary[]>(request, '/buckets')).toEqual([]);
    await example.close();
  });
});
