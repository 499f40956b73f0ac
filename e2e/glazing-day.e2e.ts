import AxeBuilder from '@axe-core/playwright';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { expect, test, type StudioUnderTest } from './studio';

test.use({ studioOf: 'glazing-day' });

const doneCount = async (page: Page): Promise<number> =>
  Number(/(\d+) of \d+ steps done/.exec((await page.getByText(/\d+ of \d+ steps done/).textContent()) ?? '')?.[1]);
const shown = (locator: Locator): Promise<boolean> => locator.first().isVisible();

test.describe.serial('the soup fair’s day, for three', () => {
  test('planned at a table: the timeline, who comes, a block held fast, and what is lacking', async ({ page }) => {
    await page.goto('/day?bench=plan');
    await expect(page.getByText(/^In four of five days by/)).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText(/The chance to be ready in time is/)).toBeVisible();
    const bars = page.getByRole('group', { name: 'The day by person' }).getByRole('button');
    await expect(bars.filter({ hasText: '' }).first()).toBeAttached();
    // One block of Bruno’s is given to Inés, and let go again.
    const block = page.getByRole('button', { name: /Bruno, .*\d\d:\d\d to/ }).last();
    await block.focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('Done by').selectOption('Inés');
    await expect(page.getByRole('button', { name: 'Let it go again' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('button', { name: /Let go all 1 that/ })).toBeVisible();
    await page.getByRole('button', { name: /Let go all 1 that/ }).click();
    await expect(page.getByRole('button', { name: /Let go all/ })).toBeHidden();
    await page.getByRole('button', { name: 'Oriol comes too' }).click();
    await expect(page.getByRole('button', { name: 'Oriol does not come' })).toBeVisible();
    await page.getByRole('combobox', { name: 'Oriol leaves' }).fill('00:00');
    await page.getByRole('combobox', { name: 'Oriol leaves' }).press('Tab');
    await expect(page.getByText('Oriol leaves before coming: say a later time.')).toBeVisible();
    await page.getByRole('button', { name: 'Oriol does not come' }).click();
    await page
      .getByRole('button', { name: 'Before the first dip' })
      .or(page.getByRole('tab', { name: 'Before the first dip' }))
      .click();
    await expect(page.getByRole('heading', { name: /Marisma, B2/ })).toBeVisible();
    await expect(page.getByText('It is too thick.')).toBeVisible();
    await expect(page.getByRole('article', { name: /stand in Abuela, on \d+ shelves/ })).toBeVisible();
  });

  test('at the bench: a pot is dropped, a glaze found wet, what was typed kept, a tick told to the others', async ({ page, browser, studio }) => {
    const elsewhere = await browser.newContext({ baseURL: studio.address, locale: 'en-GB', timezoneId: 'UTC' });
    const other = await elsewhere.newPage();
    await other.addInitScript(() => localStorage.setItem('cazuela.by', 'Bruno'));
    await page.goto('/day');
    await other.goto('/day');
    await expect(page.getByRole('heading', { name: 'Now, Inés' })).toBeVisible();
    await expect(other.getByRole('heading', { name: 'Now, Bruno' })).toBeVisible();
    const before = await doneCount(page);
    // Inés is at the cazuelas since a while.
    const now = page.getByRole('region', { name: /^Now/ });
    await expect(now.getByText('Pour Leche de Higo inside').first()).toBeVisible();
    await page.getByLabel('Code on the bucket').fill('B1');
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByRole('button', { name: 'Dropped or cracked' }).click();
    await page.getByRole('button', { name: 'dropped', exact: true }).click();
    await expect(now.getByText(/34 × Cazuela for soup/).first()).toBeVisible();
    await expect(other.getByRole('list', { name: 'The others' }).getByText('34 × Cazuela for soup').first()).toBeVisible();
    await page.getByRole('textbox', { name: /^Really in the glaze/ }).fill('5.5');
    await expect(now.getByText(/^About .* mm instead of 0\.60 mm.*Thicker: let it dry longer/)).toBeVisible();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText(`${before + 1} of 28 steps done`)).toBeVisible();
    await expect(other.getByText(`${before + 1} of 28 steps done`)).toBeVisible();
    await other
      .getByRole('button', { name: /^Not dry yet/ })
      .first()
      .click();
    await expect(other.getByText(/10 min more to dry/)).toBeVisible();
    // The tick took glaze out of the bucket: 34 cazuelas.
    await page.goto('/day?bench=pots');
    await expect(page.getByText(/5\.5 s timed/)).toBeVisible();
    await page.getByRole('tab', { name: 'End of the day' }).click();
    await expect(page.getByRole('list', { name: 'Out of the buckets' }).getByText('Leche de Higo')).toBeVisible();
    await expect(page.getByText(/34 × Cazuela for soup, Pour Leche de Higo inside.*: About .* Thicker/)).toBeVisible();
    await expect(page.getByRole('list', { name: 'What is left' }).getByText(/Cazuela for soup/)).toBeVisible();
    await elsewhere.close();
  });

  test('the network is away for one of two: both go on, and what each did is there in the end', async ({ page, browser, studio }) => {
    const elsewhere = await browser.newContext({ baseURL: studio.address, locale: 'en-GB', timezoneId: 'UTC' });
    const other = await elsewhere.newPage();
    await other.addInitScript(() => localStorage.setItem('cazuela.by', 'Maia'));
    await page.goto('/day');
    await other.goto('/day');
    await expect(other.getByRole('heading', { name: 'Now, Maia' })).toBeVisible();
    const before = await doneCount(page);
    await elsewhere.setOffline(true);
    await doNext(other);
    await expect(other.getByText(`${before + 1} of 28 steps done`)).toBeVisible();
    await doNext(page);
    await expect(page.getByText(`${before + 1} of 28 steps done`)).toBeVisible();
    await elsewhere.setOffline(false);
    // Two different steps, or one that both did: never more than was done, and the same on both.
    await expect.poll(() => doneCount(page), { timeout: 30_000 }).toBeGreaterThan(before);
    await expect.poll(async () => (await doneCount(other)) - (await doneCount(page)), { timeout: 30_000 }).toBe(0);
    await elsewhere.close();
  });

  test('a lot of its own day, from the first step to the last', async ({ page, studio, request }) => {
    const date = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
    await putOn(page, { studio, request, piece: 'Oil bottle', date });
    // The people of the last day are asked again, with their hours.
    await expect(page.getByRole('button', { name: 'Inés does not come' })).toBeVisible();
    await page.goBack();
    await page.getByRole('textbox', { name: 'Day', exact: true }).fill(date.split('-').reverse().join('/'));
    await page.getByRole('textbox', { name: 'Day', exact: true }).press('Tab');
    await page.getByRole('button', { name: /^Put 6 on the day$/ }).click();
    await expect(page.getByText('Pots of this piece are on that day already.')).toBeVisible();
    await page.goto(`/day?date=${date}&bench=bench`);
    await expect(page.getByText(/0 of \d+ steps done/)).toBeVisible();
    const total = Number(/of (\d+) steps/.exec((await page.getByText(/0 of \d+ steps done/).textContent())!)![1]);
    for (let done = 0; done < total; done++) {
      await doNext(page);
      await expect(page.getByText(`${done + 1} of ${total} steps done`)).toBeVisible();
    }
    await expect(page.getByText('All done.', { exact: false })).toBeVisible();
  });
});

test('axe finds nothing serious at the table, before the first dip and lot by lot, by day and in the dark', async ({ page }) => {
  for (const bench of ['plan', 'before', 'pots', 'end']) {
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme });
      await page.goto(`/day?bench=${bench}`);
      await expect(page.getByText(/\d+ of \d+ steps done/)).toBeVisible();
      const { violations } = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze();
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
      expect(serious.map(({ id, nodes }) => `${bench} ${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)).toEqual([]);
    }
  }
});

test.describe('by touch, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('the day fits, and its targets are for wet hands', async ({ page }) => {
    for (const bench of ['bench', 'plan', 'before', 'pots', 'end']) {
      await page.goto(`/day?bench=${bench}`);
      await expect(page.getByText(/\d+ of \d+ steps done/)).toBeVisible();
      const [wide, screen] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth] as const);
      expect(wide, bench).toBeLessThanOrEqual(screen);
    }
    await page.goto('/day');
    await expect(page.getByRole('heading', { name: /^Now/ })).toBeVisible();
    await page.getByRole('button', { name: 'A pause' }).tap();
    await page.getByRole('button', { name: '15 min for everybody' }).tap();
    await expect(page.getByText(/A pause until \d\d:\d\d/)).toBeVisible();
    await page
      .getByRole('button', { name: 'Take it back' })
      .or(page.getByRole('button', { name: 'Undo' }))
      .first()
      .tap();
    await expect(page.getByRole('heading', { name: /^Now/ })).toBeVisible();
  });
});

test.describe('by touch, on a phone, at the bench', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a pot dropped, a glaze not dry, a bucket short, a dip that the phone was locked in, and one piece of its own', async ({
    page,
    studio,
    request,
  }) => {
    const date = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10);
    await putOn(page, { studio, request, piece: 'Oil bottle', date });
    await page.goto(`/day?date=${date}&bench=bench`);
    await doNext(page);
    await page
      .getByRole('button', { name: /^Not dry yet/ })
      .first()
      .tap();
    await expect(page.getByText(/10 min more to dry/)).toBeVisible();
    await page.getByRole('button', { name: 'Dropped or cracked' }).tap();
    await page.getByRole('button', { name: 'dropped', exact: true }).tap();
    const bench = page.getByRole('region', { name: /^Now/ });
    await expect(bench.getByText(/5 × Oil bottle/).first()).toBeVisible();
    // On to the first coat: its code is read, and its watch goes on through a reload.
    await doNext(page);
    const watch = page.getByRole('button', { name: /^Time one (dip|pour)/ });
    const done = page.getByRole('button', { name: 'Done', exact: true });
    await comeTo(page, async () => (await shown(watch)) && (await done.isEnabled()));
    await watch.tap();
    await page.reload();
    await page.getByRole('button', { name: /^(Out of the glaze|Poured out)/ }).tap();
    await expect(page.getByRole('textbox', { name: /^Really in the glaze/ })).toHaveValue(/\d/);
    await page.getByRole('button', { name: /^Otherwise than planned/ }).tap();
    for (const [at, seconds] of ['4', '4', '4', '4', '20'].entries()) await page.getByLabel(`Piece ${at + 1}, seconds`).fill(seconds);
    await page.getByLabel('Piece 5, seconds').press('Tab');
    await page.getByRole('button', { name: 'Done; that one is a lot of its own' }).tap();
    await expect(
      page
        .getByText(/1 × Oil bottle/)
        .locator('visible=true')
        .first(),
    ).toBeVisible();
    await page.getByRole('button', { name: 'A bucket is short' }).tap();
    await page.getByRole('button', { name: 'It is short' }).tap();
    await expect(page.getByText(/ is short/).first()).toBeVisible();
    await page.goto(`/day?date=${date}&bench=pots`);
    await expect(
      page
        .getByText(/20\.0 s timed/)
        .locator('visible=true')
        .first(),
    ).toBeVisible();
  });
});

/** Pots of a piece are put on a day. */
async function putOn(
  page: Page,
  { studio, request, piece, date }: { studio: StudioUnderTest; request: APIRequestContext; piece: string; date: string },
): Promise<void> {
  const found = (await studio.records<{ id: string; body: { name: string } }[]>(request, '/pieces')).find(({ body }) => body.name === piece)!;
  await page.goto(`/piece/${found.id}`);
  await page.getByRole('textbox', { name: 'Day', exact: true }).fill(date.split('-').reverse().join('/'));
  await page.getByRole('textbox', { name: 'Day', exact: true }).press('Tab');
  await page.getByRole('button', { name: /^Put \d+ on the day$/ }).click();
  await expect(page).toHaveURL(new RegExp(`date=${date}`));
}

/** Whatever hands can do next: what is dry is felt, a code is read, a step begun, ticked. */
async function doNext(page: Page): Promise<void> {
  const done = page.getByRole('button', { name: 'Done', exact: true });
  await comeTo(page, async () => (await shown(done)) && (await done.isEnabled()));
  await done.click();
}

/** What is dry is felt, a code is read, a step begun, until it is there. */
async function comeTo(page: Page, isThere: () => Promise<boolean>): Promise<void> {
  const taps = [
    page.getByRole('button', { name: /^It is dry/ }),
    page.getByRole('button', { name: 'No code on it, but I looked' }),
    page.getByRole('button', { name: /^Begin: / }),
  ];
  await expect(async () => {
    if (await isThere()) return;
    for (const tap of taps) if (await shown(tap)) await tap.first().click({ timeout: 2_000 });
    expect(await isThere()).toBe(true);
  }).toPass({ timeout: 30_000 });
}
