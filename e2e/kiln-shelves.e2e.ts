import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './studio';

test('a kiln is described by keyboard; cones read on its shelves teach how hot each of them gets', async ({ page }) => {
  await page.goto('/kiln/kilns/new');
  await page.getByLabel('Name').focus();
  await page.keyboard.type('Cocuyo');
  const high = page.getByLabel('Inside high');
  await high.fill('500');
  for (const [name, height, count] of [
    ['Low', '40', 1],
    ['High', '350', 2],
  ] as const) {
    await page.getByRole('button', { name: 'A shelf', exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByLabel(/^Shelf \d+$/)).toHaveCount(count);
    const last = page.getByLabel(/^Shelf \d+$/).last();
    await last.fill(name);
    await page
      .getByLabel(/^Shelf \d+ above the floor$/)
      .last()
      .fill(height);
  }
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Keep the kiln' }).focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/kiln\/kilns\/[0-9a-f-]{36}$/);
  await expect(page.getByRole('heading', { name: 'Cocuyo' })).toBeVisible();
  await expect(page.getByText('No cone was read on a shelf yet', { exact: false })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Shelf 2', { exact: true })).toHaveValue('High');

  await page.goto('/kiln');
  await page.getByRole('button', { name: 'Note a firing' }).click();
  const form = page.getByRole('form', { name: 'A firing' });
  await form.getByRole('combobox', { name: 'Kiln' }).fill('Cocuyo');
  await form.getByRole('textbox', { name: 'Started' }).fill('05/01/2026');
  await form.getByRole('button', { name: 'Keep the firing' }).click();
  await expect(page.getByRole('region', { name: 'Cocuyo' })).toBeVisible();
  const shelf = (name: string) => page.getByRole('group', { name, exact: true });
  await shelf('High').getByLabel('The cone that bends').selectOption('7');
  await expect(page.getByText(/Learnt from 1 cone in 1 firing/)).toBeVisible();
  await shelf('Low').getByLabel('The cone that bends').selectOption('6');
  await shelf('Low').getByLabel('How far it bent').selectOption('half way');
  await expect(page.getByText(/Learnt from 2 cones in 1 firing/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^The kiln from the side: High cone 7 read there/ })).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id }) => id)).toEqual([]);
  // The next firing is told by this one, before anybody reads a cone in it.
  await page.getByRole('link', { name: 'The kiln’s card' }).click();
  await expect(page.getByRole('img', { name: /^The kiln from the side: High \+\d+ °C/ })).toBeVisible();
  await page.goBack();
  // Pots that stood there saw that cone; it is long cool.
  await page.getByLabel('On which shelf').selectOption('High, cone 7');
  await expect(page.getByLabel('Cone it saw')).toHaveValue('7');

  // The next plan stands on that shelf, at the heat that was learnt.
  await page.goto('/piece');
  await page
    .getByRole('link', { name: /Cup with a blue lip/ })
    .first()
    .click();
  const stands = page.getByLabel('It stands', { exact: true });
  const learnt = await stands.locator('option', { hasText: /^Cocuyo, High: \+\d+ °C, from/ }).innerText();
  await stands.selectOption(learnt);
  await expect(stands.locator('option:checked')).toHaveText(learnt);
});
