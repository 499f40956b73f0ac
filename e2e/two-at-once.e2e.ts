import type { Batch, Recipe } from '@cazuela/contract';
import { expect, test } from './studio';

test('two who change one recipe: the second sees both and chooses', async ({ page, context, studio, request }) => {
  const recipes = await studio.records<Recipe[]>(request, '/recipes');
  const recipe = recipes.find((one) => one.body.name === 'Retama')!;
  const other = await context.newPage();
  for (const tablet of [page, other]) {
    await tablet.goto(`/recipe/${recipe.id}`);
    await expect(tablet.getByLabel('Name')).toHaveValue('Retama');
  }
  await page.getByLabel('Percent of line 1 of the base').fill('33');
  await page.getByLabel('Why it changed').fill('a little less soda');
  await page.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(page.getByText('Version 2. a little less soda')).toBeVisible();

  await other.getByLabel('Percent of line 1 of the base').fill('36');
  await other.getByLabel('Why it changed').fill('more soda');
  await other.getByRole('button', { name: 'Keep as version 2' }).click();
  const both = other.getByRole('alert', { name: 'Changed meanwhile' });
  await expect(both).toContainText('a little less soda');
  await expect(both).toContainText('more soda');
  await both.getByRole('button', { name: 'Keep mine' }).click();
  await expect(other.getByText('Version 3. more soda')).toBeVisible();
});

test('two tablets on one batch: the line ticked on one is gone from the other', async ({ page, context, studio, request }) => {
  const batch = (await studio.records<Batch[]>(request, '/batches')).find((one) => one.bucketId === null)!;
  const other = await context.newPage();
  for (const tablet of [page, other]) {
    await tablet.goto(`/weigh/${batch.id}`);
    await expect(tablet.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
  }
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Whiting' })).toBeVisible();
  await expect(other.getByRole('heading', { name: 'Whiting' })).toBeVisible();
});

test('two taps on “next” tick one line', async ({ page, studio, request }) => {
  const batch = (await studio.records<Batch[]>(request, '/batches')).find((one) => one.bucketId === null)!;
  await page.goto(`/weigh/${batch.id}`);
  await expect(page.getByText(/Line \d of 7/)).toBeVisible();
  const before = await page.getByRole('heading', { level: 2 }).first().textContent();
  await page.getByRole('button', { name: 'Next' }).dblclick();
  await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText(before!);
  await page.keyboard.press('Backspace');
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText(before!);
});
