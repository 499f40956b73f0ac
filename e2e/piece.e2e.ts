import { choose } from './choose';
import { openTab, select } from './planner';
import { expect, test } from './studio';

test.describe('at the piece plan', () => {
  test('the verdict is at most ten Tabs away, and one key from anywhere', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('link', { name: /Lidded pot, tall/ }).click();
    await expect(page.getByText(/is the chance that it reaches the shelf/)).toBeVisible();
    await page.reload();
    await expect(page.getByText(/is the chance that it reaches the shelf/)).toBeVisible();
    const verdict = page.getByRole('region', { name: 'Verdict' });
    let tabs = 0;
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    for (tabs = 1; tabs <= 10; tabs++) {
      await page.keyboard.press('Tab');
      if ((await page.evaluate(() => document.activeElement?.textContent?.trim())) === 'To the verdict') break;
    }
    expect(tabs).toBeLessThan(10);
    await page.keyboard.press('Enter');
    await expect(verdict).toBeFocused();
    await page.getByRole('tab', { name: 'Steps' }).focus();
    await page.keyboard.press('v');
    await expect(verdict).toBeFocused();
  });

  test('a pale runny ash over an iron glaze stops above the foot: the safe line is found and taken', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('button', { name: 'Lidded pot', exact: true }).click();
    await page.getByLabel('Name').fill('Ceniza sobre Tinaja');
    await page.getByRole('button', { name: 'A coat on the outside' }).click();
    await choose(page.getByLabel('Outside, coat 1: bucket'), 'Tinaja');
    await page.getByRole('button', { name: 'One over it on the outside' }).click();
    await choose(page.getByLabel('Outside, coat 2: bucket'), 'Ceniza Clara');
    await page.getByLabel('Outside, coat 1: thickness').fill('0.4');
    await page.getByLabel('Outside, coat 2: thickness').fill('0.2');
    await page.getByLabel('Wax up the foot').fill('2');
    const run = page.locator('cz-run-panel');
    await openTab(page, 'Run');
    await expect(run.getByText('is the chance that the outside reaches the shelf.')).toBeVisible({ timeout: 60_000 });
    await expect(run.getByText('Ceniza Clara over Tinaja was never measured here')).toBeVisible();
    await expect(run.getByText(/Lowest safe line: \d+ mm up \(yours is 2 mm\)/)).toBeVisible({ timeout: 60_000 });
    await run
      .getByRole('button', { name: /^Wax \d+ mm up$/ })
      .first()
      .click();
    await expect(run.getByText(/yours is safe/)).toBeVisible({ timeout: 60_000 });
    // Hotter, the line is another one.
    const before = await run.getByText(/Lowest safe line/).textContent();
    await select(page, undefined);
    await choose(page.getByRole('combobox', { name: 'Cone' }), '8');
    await expect(run.getByText(/Lowest safe line/)).toBeVisible({ timeout: 60_000 });
    await expect(run.getByText(/Lowest safe line/)).not.toHaveText(before!, { timeout: 60_000 });
  });

  test('a three-glaze pot whose drawn order flakes: the way found waxes the rim first, and goes on the day', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('button', { name: 'Cazuela', exact: true }).click();
    await page.getByLabel('Name').fill('Cazuela de tres');
    await page.getByRole('button', { name: 'A coat on the inside' }).click();
    await choose(page.getByLabel('Inside, coat 1: bucket'), 'Leche de Higo');
    await choose(page.getByLabel('Inside, coat 1: way'), 'pour');
    await page.getByLabel('Inside, coat 1: thickness').fill('0.3');
    await page.getByRole('button', { name: 'A coat on the outside' }).click();
    await choose(page.getByLabel('Outside, coat 1: bucket'), 'Ceniza Clara');
    await page.getByLabel('Outside, coat 1: thickness').fill('0.4');
    await page.getByRole('button', { name: 'A coat on the rim' }).click();
    await choose(page.getByLabel('Rim band, coat 1: bucket'), 'Retama');
    await expect(page.getByText('Retama will flake off Ceniza Clara')).toBeVisible();
    const alternatives = page.locator('cz-alternatives-panel');
    await openTab(page, 'Alternatives');
    await expect(alternatives.getByRole('article')).toHaveCount(3, { timeout: 60_000 });
    await alternatives
      .getByRole('button', { name: /^Take it: The rim first, waxed/ })
      .first()
      .click();
    await expect(alternatives.getByText('This is your plan.')).toBeVisible({ timeout: 60_000 });
    await openTab(page, 'Steps');
    await expect(page.getByText('Retama will flake off Ceniza Clara')).toHaveCount(0);
    const steps = page.getByRole('list', { name: 'Steps in order' }).getByRole('listitem');
    await expect(steps.filter({ hasText: 'Wax over the rim’s dry glaze' })).toHaveCount(1);
    await page.reload();
    await expect(steps.filter({ hasText: 'Wax over the rim’s dry glaze' })).toHaveCount(1);
    await page.getByRole('button', { name: /^Put \d+ on the day$/ }).click();
    await expect(page).toHaveURL(/\/day/);
    await expect(page.getByText('Wax over the rim’s dry glaze').first()).toBeAttached();
  });
});
