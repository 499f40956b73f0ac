import { test } from './studio';
test.use({ viewport: { width: 1280, height: 800 } });
test('look', async ({ page }) => {
  page.setDefaultTimeout(8000);
  await page.goto('/recipe');
  await page.getByRole('link', { name: /^Marisma/ }).click();
  await page.getByRole('button', { name: 'More' }).click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: '/tmp/look/menu.png' });
  await page.getByRole('menuitem', { name: 'Its oxides' }).click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: '/tmp/look/oxides.png' });
  await page.goto('/piece');
  await page.getByRole('link', { name: /Lidded pot, tall/ }).click();
  await page.getByRole('article').first().waitFor();
  await page.screenshot({ path: '/tmp/look/piece.png', fullPage: true });
});
