import { expect, test } from './studio';

test.describe('at the coat station', () => {
  test('a step tile makes a starting guess the studio’s own, and a slip is left out with its reason', async ({ page }) => {
    await page.goto('/coat');
    await page.getByRole('combobox', { name: 'Bucket' }).selectOption({ label: 'Retama, B4' });
    await page.getByRole('combobox', { name: 'Clay body' }).selectOption({ label: 'Barro Tostado, bisque 05' });
    await expect(page.getByText('how this glaze builds up stays a guess.')).toBeVisible();
    await page.getByRole('button', { name: 'A step tile: 3 dips' }).click();
    for (const [index, coat] of ['0.35', '0.50', '0.62'].entries()) {
      await page.getByLabel(`Time in the glaze, dip ${index + 1}`).fill(String(index + 1));
      await page.getByLabel(`It measures, dip ${index + 1}`).fill(coat);
    }
    await page.reload();
    await expect(page.getByLabel('It measures, dip 3')).toHaveValue('0.62');
    await page.getByRole('button', { name: 'Keep 3 dips' }).click();
    await expect(page.getByText('from 3 dips of this glaze on this body')).toBeVisible();
    await page.getByRole('button', { name: /^Leave out: 3\.0 s/ }).click();
    await page.getByLabel('Why it does not count').fill('the needle went into the clay');
    await page.getByRole('button', { name: 'Leave it out', exact: true }).click();
    await expect(page.getByText('Left out: the needle went into the clay')).toBeVisible();
    await expect(page.getByText('from 2 dips of this glaze on this body')).toBeVisible();
    // What cannot be is said before it is kept.
    await page.getByRole('radio', { name: 'weighed wet' }).click();
    await page.getByLabel('Area', { exact: true }).fill('120');
    await page.getByLabel('Before, dip 1').fill('200');
    await page.getByLabel('After, dip 1').fill('190');
    await expect(page.getByText('After the dip it must weigh more than before.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep the dip' })).toBeDisabled();
  });

  test('the dip timer counts in, counts the real seconds with one key, and hands them on', async ({ page }) => {
    await page.goto('/coat');
    await page.getByRole('button', { name: 'Dip timer' }).click();
    const timer = page.getByRole('dialog', { name: 'Dip timer' });
    await expect(timer.getByText(/take it out at \d+\.\d s/)).toBeVisible();
    await page.keyboard.press('Space');
    await expect(timer.getByRole('button', { name: 'Not yet, Space' })).toBeVisible();
    await expect(timer.getByRole('button', { name: 'Out, Space' })).toBeVisible();
    await expect(timer.getByText(/^0\.\d\d mm, 0\.\d\d mm to/)).toBeVisible();
    await page.keyboard.press('Space');
    await expect(timer.getByRole('button', { name: 'Take the last back' })).toBeVisible();
    // A reload in the middle of a row of pots loses none.
    await page.reload();
    await expect(timer.getByRole('button', { name: 'Take the last back' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(timer).toHaveCount(0);
    await expect(page.getByLabel('Time in the glaze, dip 1')).not.toHaveValue('');
  });
});
