import type { Firing, Piece, Recipe, Result } from '@cazuela/contract';
import { expect, test } from './studio';

test.describe('what is no longer wanted, and what was noted wrongly', () => {
  test('a recipe in a bucket is put away, found again whole and brought back; it cannot be deleted', async ({ page, studio, request }) => {
    const recipe = (await studio.records<Recipe[]>(request, '/recipes')).find((one) => one.body.name === 'Retama')!;
    await page.goto(`/recipe/${recipe.id}`);
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Delete it…' }).click();
    const asked = page.getByRole('dialog', { name: 'Delete Retama' });
    await expect(asked.getByText('1 bucket', { exact: true })).toBeVisible();
    await expect(asked.getByRole('button', { name: 'Delete for good' })).toHaveCount(0);
    await asked.getByRole('button', { name: 'Put it away' }).click();
    await expect(page.getByText('Put away by Inés')).toBeVisible();

    await page.goto('/recipe');
    await expect(page.getByRole('link', { name: /^Leche de Higo/ }).first()).toBeVisible();
    await expect(page.getByRole('link', { name: /^Retama/ })).toHaveCount(0);
    await page.getByRole('link', { name: '1 put away' }).click();
    await expect(page).toHaveURL(/kind=recipe/);
    await page.reload();
    await page.getByRole('button', { name: 'Bring back Retama' }).click();
    await expect(page.getByText('Nothing of that kind or name is put away.')).toBeVisible();
    await page.goto('/recipe');
    await expect(page.getByRole('link', { name: /^Retama/ }).first()).toBeVisible();
  });

  test('a piece made by mistake is deleted for good, and its shelf is where one ends', async ({ page, studio, request }) => {
    await page.goto('/piece');
    await page.getByRole('button', { name: 'Planter' }).click();
    await expect(page).toHaveURL(/\/piece\/[0-9a-f-]{36}$/);
    const name = page.getByRole('textbox', { name: 'Name' });
    await name.fill('Planter by mistake');
    await name.press('Tab');
    await expect
      .poll(async () => (await studio.records<Piece[]>(request, '/pieces')).filter((one) => one.body.name === 'Planter by mistake').length)
      .toBe(1);
    await page.getByRole('button', { name: 'More of Planter by mistake' }).click();
    await page.getByRole('menuitem', { name: 'Delete it…' }).click();
    await expect(page.getByText('Nothing else needs it. This cannot be taken back.')).toBeVisible();
    await page.getByRole('button', { name: 'Delete for good' }).click();
    await expect(page.getByRole('heading', { name: 'Pieces', level: 1 })).toBeVisible();
    expect((await studio.records<Piece[]>(request, '/pieces')).some((one) => one.body.name === 'Planter by mistake')).toBe(false);
  });

  test('a result noted wrongly is corrected from the wall, and another is deleted with what goes with it', async ({ page, studio, request }) => {
    const results = await studio.records<Result[]>(request, '/results');
    const [first, second] = results;
    await page.goto(`/wall?result=${first!.id}`);
    await page.getByRole('link', { name: `Correct ${first!.pieceName}` }).click();
    await expect(page.getByRole('heading', { name: `Correct ${first!.pieceName}` })).toBeVisible();
    await page.getByRole('textbox', { name: 'What it looks like' }).fill('on a second look it is duller');
    await page.getByRole('radio', { name: '2 stars' }).click();
    await page.getByRole('button', { name: 'Keep the correction' }).click();
    await expect(page.getByText(`${first!.pieceName} is corrected.`)).toBeVisible();
    const corrected = (await studio.records<Result[]>(request, '/results')).find((one) => one.id === first!.id)!;
    expect(corrected.body).toEqual({ ...first!.body, stars: 2, note: 'on a second look it is duller' });
    // How it was glazed stays as it was recorded.
    expect(corrected.glazedWith).toEqual(first!.glazedWith);

    await page.goto(`/wall?result=${second!.id}`);
    await page.getByRole('button', { name: `More of the result of ${second!.pieceName}` }).click();
    await page.getByRole('menuitem', { name: 'Delete it…' }).click();
    await page.getByRole('button', { name: 'Delete for good' }).click();
    await expect(page.getByText(/is deleted\./)).toBeVisible();
    expect((await studio.records<Result[]>(request, '/results')).some((one) => one.id === second!.id)).toBe(false);
  });

  test('a firing noted with the wrong kiln is corrected; its curve and its cone stay', async ({ page, studio, request }) => {
    const firing = (await studio.records<Firing[]>(request, '/firings')).at(-1)!;
    await page.goto(`/kiln?firing=${firing.id}`);
    await page.getByRole('button', { name: 'Correct what was noted' }).click();
    await page
      .getByRole('combobox', { name: 'Kiln' })
      .or(page.getByRole('textbox', { name: 'Kiln' }))
      .fill('Grillo, the small one');
    await page.getByRole('button', { name: 'Keep the correction' }).click();
    await expect(page.getByText('The firing is corrected.')).toBeVisible();
    const kept = (await studio.records<Firing[]>(request, '/firings')).find((one) => one.id === firing.id)!;
    // No kiln of that name has a card: its shelves and their cones were those of another one.
    const { kilnId: _id, witnesses: _cones, ...noted } = firing.body;
    expect(kept.body).toEqual({ ...noted, kiln: 'Grillo, the small one' });
  });
});
