import { expect, test } from './studio';

test('the kiln is loaded by keyboard from what the days glazed, two people at it, and fired', async ({ page, context }) => {
  await page.goto('/kiln');
  await page.getByRole('link', { name: /^Abuela, begun/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Load of Abuela' })).toBeVisible();
  const summary = page.getByText(/\d+ pieces on \d+ shelves, about/);
  await expect(summary).toBeVisible();
  // Planters that are dry go out, and in again from the day.
  await page.getByRole('button', { name: /4 × Planter with a drain hole/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Take all 4 out of the load' }).press('Enter');
  await page.getByRole('button', { name: 'Put Planter with a drain hole in' }).press('Enter');
  await expect(page.getByRole('button', { name: /4 × Planter with a drain hole Dry/ })).toBeVisible();

  // A piece is moved by keys, keeps its place through a reload, and somebody else sees it.
  await page.getByRole('button', { name: /^Shelf 1:/ }).press('Enter');
  const piece = page
    .getByRole('group', { name: /^From above/ })
    .getByRole('button')
    .first();
  const id = (await piece.getAttribute('data-piece'))!;
  const moved = page.locator(`[data-piece="${id}"]`);
  const before = (await moved.getAttribute('aria-label'))!;
  await moved.press('ArrowDown');
  await expect(moved).not.toHaveAttribute('aria-label', before);
  await expect(moved).toBeFocused();
  const after = (await moved.getAttribute('aria-label'))!;
  const other = await context.newPage();
  await other.goto(page.url());
  const theirs = other.locator(`[data-piece="${id}"]`);
  await expect(theirs).toHaveAttribute('aria-label', after);
  await theirs.press('ArrowDown');
  await expect(moved).not.toHaveAttribute('aria-label', after);
  await other.close();
  await page.reload();
  await expect(moved).not.toHaveAttribute('aria-label', after);

  // Off its shelf and back onto another one.
  await moved.press('Delete');
  await expect(moved).toHaveCount(0);
  await page.getByRole('button', { name: 'Take the last one back' }).press('Enter');
  await expect(moved).toHaveCount(1);

  await page.getByRole('link', { name: 'Fire it' }).press('Enter');
  const form = page.getByRole('form', { name: 'A firing' });
  await expect(form.getByRole('combobox', { name: 'Kiln' })).toHaveValue('Abuela');
  await form.getByRole('button', { name: 'Keep the firing' }).press('Enter');
  await page.getByRole('link', { name: 'What stood where' }).press('Enter');
  await expect(page.getByText('It was fired.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Fire it' })).toHaveCount(0);
});

test('before the day begins it is known whether all of it finds room in the kiln', async ({ page }) => {
  await page.goto('/day?bench=before');
  await expect(page.getByRole('article', { name: /\d+ of 81 stand in Abuela, on 4 shelves|All 81 stand in Abuela/ })).toBeVisible();
  await expect(page.getByRole('article', { name: /of 81 stand in Grillo/ })).toContainText('out: ');
});

test('a schedule is typed and tells what it does; a firing by it keeps it as it was', async ({ page }) => {
  await page.goto('/kiln/schedules/new');
  await page.getByLabel('Name').fill('Cone 6, quick');
  const told = page.getByRole('region', { name: 'What it does' });
  await expect(told.getByText(/by these steps/)).toBeVisible();
  const rate = page.getByRole('group', { name: 'Step 2' }).getByLabel('Rate an hour');
  await rate.fill('900');
  await rate.press('Tab');
  await expect(told.getByText(/Abuela cannot follow from/)).toBeVisible();
  await rate.fill('150');
  await rate.press('Tab');
  await expect(told.getByText('Abuela can follow it, by its card.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep the schedule' }).press('Enter');
  await expect(page).toHaveURL(/\/kiln\/schedules\/[0-9a-f-]{36}$/);
  await page.getByRole('group', { name: 'Step 3' }).getByLabel('Hold').fill('20');
  await page.getByRole('group', { name: 'Step 3' }).getByLabel('Hold').press('Tab');
  await page.getByRole('button', { name: 'Keep the schedule' }).press('Enter');
  await expect(page.getByRole('list', { name: 'Earlier versions' })).toContainText('Version 1');
  await page.getByRole('link', { name: 'Fire with it' }).press('Enter');
  const form = page.getByRole('form', { name: 'A firing' });
  await expect(form.getByLabel('By the schedule').locator('option:checked')).toHaveText('Cone 6, quick');
  await form.getByRole('button', { name: 'Keep the firing' }).press('Enter');
  await expect(page.getByText('Fired by Cone 6, quick, version 2.')).toBeVisible();
});
