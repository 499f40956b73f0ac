import type { Result } from '@cazuela/contract';
import { choose } from './choose';
import { expect, test } from './studio';

test.describe('what cannot be right gets a sentence that helps, and nothing is lost', () => {
  test('an SG', async ({ page }) => {
    await page.goto('/bucket');
    await page.getByRole('link', { name: /Tinaja/ }).click();
    const full = page.getByLabel('Full weight');
    const keep = page.getByRole('button', { name: 'Keep the reading' });
    for (const [text, words] of [
      ['', null],
      ['much', '“much” is not a number'],
      ['0', 'must be more than'],
      ['-5', 'must be more than'],
      ['60', 'must be more than the empty vessel'],
      ['150', 'must be above 1.00'],
      ['400', 'cannot be above 2.20'],
      ['3 spoons', 'is not a number'],
      ['2 in', 'Here it takes g, kg, oz, lb'],
    ] as const) {
      await full.fill(text);
      if (words) await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
      await expect(keep).toBeDisabled();
    }
    await choose(page.getByRole('combobox', { name: 'With' }), 'Hydrometer');
    await page.getByLabel('It reads').fill('145');
    await expect(page.getByRole('alert').filter({ hasText: 'type 1.45' })).toBeVisible();
    await page.getByLabel('It reads').fill('1,45');
    await expect(keep).toBeEnabled();
  });

  test('a batch', async ({ page }) => {
    await page.goto('/weigh');
    const base = page.getByLabel('Base', { exact: true });
    const start = page.getByRole('button', { name: 'Start weighing' });
    for (const [text, words] of [
      ['0', 'Base: at least 1 g'],
      ['lots', 'is not a number'],
      ['9999999', 'Base: at most'],
    ] as const) {
      await base.fill(text);
      await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
      await expect(start).toBeHidden();
    }
    await base.fill('2 lb');
    await expect(start).toBeVisible();
    await base.press('Tab');
    await expect(base).toHaveValue('907.2');
    await page.getByLabel('SG wanted').fill('1');
    await expect(page.getByRole('alert').filter({ hasText: 'SG wanted: at least 1.01' })).toBeVisible();
    await page.getByLabel('SG wanted').fill('1.42');
    // What was typed is there again after a reload.
    await page.reload();
    await expect(page.getByLabel('SG wanted')).toHaveValue('1.42');
    await expect(page.getByLabel('Base', { exact: true })).toHaveValue('907.2');
  });

  test('a photo of ten megabytes, and a text named .png', async ({ page, studio, request }) => {
    const before = await studio.records<Result[]>(request, '/results');
    await page.goto('/kiln');
    await page.getByRole('navigation', { name: 'Firings' }).getByRole('button').nth(1).click();
    await choose(page.getByRole('combobox', { name: 'Piece' }), 'Oil bottle');
    await page.getByLabel('What it looks like').fill('worth keeping');
    await page.getByLabel(/Photo/).setInputFiles({ name: 'big.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(10 * 1024 * 1024) });
    await expect(page.getByRole('alert').filter({ hasText: '8 MB is the most' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep the result' })).toBeDisabled();
    await page.getByLabel(/Photo/).setInputFiles({ name: 'pot.png', mimeType: 'image/png', buffer: Buffer.from('only words') });
    await page.getByRole('button', { name: 'Keep the result' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'not a photo we can read' })).toBeVisible();
    await expect(page.getByLabel('What it looks like')).toHaveValue('worth keeping');
    expect(await studio.records<Result[]>(request, '/results')).toHaveLength(before.length);
  });

  test('a recipe without a name or with an upside-down range is not kept', async ({ page }) => {
    await page.goto('/recipe/new');
    await page.getByRole('button', { name: 'A line in the base' }).click();
    await expect(page.getByText('Give it a name.')).toBeVisible();
    await page.getByLabel('Name').fill('Prueba');
    await page.getByText('Cone, surface, SG').click();
    await page.getByLabel('SG from').fill('1.6');
    await expect(page.getByText('The lower SG must be below the upper one.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep the recipe' })).toBeDisabled();
    await page.getByLabel('SG from').fill('1.4');
    await page.getByLabel('Percent of line 1 of the base').fill('lots');
    await expect(page.getByText('A field above holds no number yet.')).toBeVisible();
  });

  test('a coat no dip can give says why and what would', async ({ page }) => {
    await page.goto('/coat');
    await page.getByLabel('SG', { exact: true }).fill('1.9');
    await expect(page.getByText('too thick to dip')).toBeVisible();
    await page.getByLabel('SG', { exact: true }).fill('1.45');
    await page.getByLabel('Coat wanted', { exact: true }).fill('4.5');
    await expect(page.getByText(/The wall is full at|longer than a minute/)).toBeVisible();
    await page.getByLabel('Coat wanted', { exact: true }).fill('0.05');
    await expect(page.getByText(/comes out is already/)).toBeVisible();
  });

  test('a part of the app that cannot be fetched is said to be away, and opens once it can', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('heading', { name: 'What now?' }).waitFor();
    await page.route('**/*.js', (route) => route.abort());
    await page.getByRole('button', { name: 'find' }).click();
    const told = page.getByText('That part is not on this device yet');
    await expect(told).toBeVisible();
    await page.unroute('**/*.js');
    await page.getByRole('button', { name: 'Put this aside' }).click();
    await expect(told).toBeHidden();
    await page.getByRole('button', { name: 'find' }).click();
    await expect(page.getByRole('dialog', { name: 'Find by name or code' })).toBeVisible();
  });

  test('an address nobody has', async ({ page }) => {
    await page.goto('/somewhere/else');
    await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
    await page.goto('/bucket/0198c0de-0000-7000-8000-000000000000');
    await expect(page.getByRole('alert')).toContainText('There is no such bucket.');
  });
});
