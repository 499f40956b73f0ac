import AxeBuilder from '@axe-core/playwright';
import type { APIRequestContext, Page } from '@playwright/test';
import type { RunOptions } from 'axe-core';
import type { Result } from '@cazuela/contract';
import { expect, test, type StudioUnderTest } from './studio';

/** What is right need not be listed element by element. */
const FAULTS_ONLY: RunOptions = { resultTypes: ['violations'] };

async function pathsOf(studio: StudioUnderTest, request: APIRequestContext): Promise<string[]> {
  const first = async (kind: string): Promise<string> => (await studio.records<{ id: string }[]>(request, `/${kind}`))[0]!.id;
  return [
    '/',
    '/recipe',
    `/recipe/${await first('recipes')}`,
    '/recipe/powders',
    `/recipe/powders/${await first('powders')}`,
    `/recipe/${await first('recipes')}/convert`,
    `/recipe/${await first('recipes')}/substitute`,
    '/recipe/files',
    '/weigh',
    '/weigh/series',
    `/weigh/${await first('batches')}`,
    '/bucket',
    `/bucket/${await first('buckets')}`,
    '/coat',
    '/piece',
    '/piece/runners',
    `/piece/${await first('pieces')}`,
    '/day',
    '/kiln',
    `/kiln/kilns/${await first('kilns')}`,
    `/kiln/loads/${await first('loads')}`,
    `/kiln/firings/${await first('firings')}`,
    `/kiln/firings/${(await studio.records<{ id: string }[]>(request, '/firings'))[1]!.id}/opening`,
    '/kiln/log-file',
    `/kiln/schedules/${await first('schedules')}`,
    '/wall',
    '/wall/changes',
    '/wall/glazes',
    '/wall/glazes?slices=clay',
    '/wall/keepers',
    `/wall?result=${(await studio.records<Result[]>(request, '/results')).find(({ body }) => body.photoId)!.id}`,
    `/wall/compare?of=${(await studio.records<{ id: string }[]>(request, '/results'))
      .slice(0, 3)
      .map(({ id }) => id)
      .join()}`,
    '/studio',
    '/studio/words',
    '/studio/put-away',
    `/studio/bodies/${await first('bodies')}`,
    `/coat/tile/${await first('tiles')}`,
  ];
}

async function settled(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.getByRole('heading').first()).toBeVisible();
  await expect(page.getByRole('status', { name: 'Fetching' })).toHaveCount(0);
}

/** Each view is read whole: many views take their time, so they are read in parts. */
const PARTS = 3;
for (let part = 0; part < PARTS; part++)
  test(`axe finds nothing serious on any view, by day and in the dark: part ${part + 1} of ${PARTS}`, async ({ page, studio, request }) => {
    test.setTimeout(300_000);
    const paths = await pathsOf(studio, request);
    for (const path of paths.filter((_, at) => at % PARTS === part)) {
      await page.emulateMedia({ colorScheme: 'light' });
      await settled(page, path);
      const byDay = await new AxeBuilder({ page }).options(FAULTS_ONLY).analyze();
      // In the dark only the colours differ.
      await page.emulateMedia({ colorScheme: 'dark' });
      const inTheDark = await new AxeBuilder({ page }).options(FAULTS_ONLY).withRules(['color-contrast', 'link-in-text-block']).analyze();
      const serious = [...byDay.violations, ...inTheDark.violations].filter(({ impact }) => impact === 'serious' || impact === 'critical');
      expect(serious.map(({ id, nodes }) => `${path} ${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`)).toEqual([]);
    }
  });

test('keys 1 to 8 go left to right through the work; / finds; ? shows the keys', async ({ page }) => {
  await settled(page, '/');
  for (const [key, heading] of [
    ['1', 'Recipes'],
    ['2', 'Weigh a batch'],
    ['3', 'Buckets'],
    ['4', 'Coat'],
    ['5', 'Pieces'],
    ['7', 'Kiln'],
    ['8', 'Wall'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: heading, level: 1 })).toBeVisible();
  }
  await page.keyboard.press('/');
  await page.getByRole('searchbox', { name: 'Name or code' }).fill('b5');
  await expect(page.getByRole('button', { name: /Tinaja/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Tinaja', level: 1 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('stirred just now');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('digits typed into a field stay in the field', async ({ page }) => {
  await settled(page, '/weigh');
  await page.getByLabel('Base', { exact: true }).fill('');
  await page.getByLabel('Base', { exact: true }).pressSequentially('1234');
  await expect(page).toHaveURL(/\/weigh$/);
});

test('pounds, gallons and °F are shown when the device counts so', async ({ page }) => {
  await settled(page, '/studio/device');
  await page.getByRole('radio', { name: 'lb' }).click();
  await page.getByRole('radio', { name: 'US' }).click();
  await page.getByRole('radio', { name: '°F' }).click();
  await settled(page, '/weigh');
  await expect(page.getByText(/\d lb .*of powder and/)).toBeVisible();
  await expect(page.getByText(/US gal at SG/)).toBeVisible();
  await settled(page, '/kiln');
  await expect(page.getByText(/°F/).first()).toBeVisible();
});

test('the theme is kept on the device', async ({ page }) => {
  await settled(page, '/studio/device');
  await page.getByRole('radio', { name: 'dark', exact: true }).click();
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('the weigh sheet prints black on white, without buttons', async ({ page }) => {
  await settled(page, '/weigh');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Start weighing' })).toBeHidden();
  await expect(page.getByRole('cell', { name: 'Water first' })).toBeVisible();
  await expect(page.getByText('□').first()).toBeVisible();
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(255, 255, 255)');
});

test('on paper nothing is left to press', async ({ page }) => {
  for (const path of ['/wall', '/wall/glazes', '/wall/changes', '/recipe', '/kiln']) {
    await settled(page, path);
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.locator('.mat-mdc-button-base:visible, cz-record-menu:visible')).toHaveCount(0);
    await page.emulateMedia({ media: 'screen' });
  }
});

test('an empty studio says what to do first on every shelf', async ({ browser }) => {
  const { StudioUnderTest: Studio } = await import('./studio');
  const empty = await Studio.open({ demo: false });
  const page = await browser.newPage();
  for (const [path, words] of [
    ['/', 'The first hour'],
    ['/recipe', 'No recipe yet'],
    ['/weigh', 'no recipe to weigh yet'],
    ['/bucket', 'No bucket yet'],
    ['/coat', 'no bucket to dip in yet'],
    ['/piece', 'No piece planned yet'],
    ['/day', 'Nothing is planned'],
    ['/kiln', 'No firing noted yet'],
    ['/wall', 'The wall is empty'],
  ] as const) {
    await page.goto(empty.address + path);
    await expect(page.getByText(words).first()).toBeVisible();
  }
  await page.close();
  await empty.close();
});
