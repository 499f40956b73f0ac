import { expect, test } from './studio';

test.describe('with the keyboard alone', () => {
  test('a firing is noted: text, day, time, list and numbers, one Tab after the other', async ({ page }) => {
    await page.goto('/kiln');
    await page.getByRole('button', { name: 'Note a firing' }).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Kiln', { exact: true })).toBeFocused();
    await page.keyboard.type('Grillo');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Control+A');
    // The day in the order of the device's language, here British.
    await page.keyboard.type('31/02/2026');
    await page.keyboard.press('Tab');
    await expect(page.getByText('“31/02/2026” cannot be read: type a day, and a time like 18:30.')).toBeVisible();
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.press('Control+A');
    await page.keyboard.type('6/3/2026');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('textbox', { name: 'Started' })).toHaveValue('06/03/2026');
    // The calendar has a button of its own, which Tab reaches too.
    await expect(page.getByRole('button', { name: 'Open calendar' })).toBeFocused();
    await page.keyboard.press('Tab');
    await page.keyboard.press('Control+A');
    await page.keyboard.type('18:30');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('By the schedule')).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Cone wanted')).toBeFocused();
    await page.keyboard.type('5');
    await page.keyboard.press('Tab');
    await expect(page.getByRole('textbox', { name: 'Peak' })).toBeFocused();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('1190,5');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: /Grillo, 6 Mar 2026, 18:30/ })).toBeVisible();
  });

  test('a long list is found by typing; words that name nothing stay, and are said to', async ({ page }) => {
    await page.goto('/coat');
    const bucket = page.getByRole('combobox', { name: 'Bucket' });
    await bucket.focus();
    await page.keyboard.type('tin');
    await expect(page.getByRole('listbox').getByRole('option')).toHaveText(['Tinaja, B5']);
    await page.keyboard.press('Enter');
    await expect(bucket).toHaveValue('Tinaja, B5');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Tinaja');
    await page.keyboard.press('Control+A');
    await page.keyboard.type('selva');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Tab');
    await expect(page.getByText('Nothing is called “selva”: choose from the list.')).toBeVisible();
    await expect(bucket).toHaveValue('selva');
  });

  test('choices, ticks, sliders and tabs answer to Space and arrows', async ({ page }) => {
    await page.goto('/coat');
    await page.getByRole('checkbox', { name: 'second dip' }).focus();
    await page.keyboard.press('Space');
    await expect(page.getByRole('checkbox', { name: 'second dip' })).toBeChecked();
    await page.getByRole('radio', { name: 'outside' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('radio', { name: 'inside' })).toBeChecked();
    await page.getByRole('slider', { name: 'Coat wanted, slide' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByLabel('Coat wanted', { exact: true })).toHaveValue('0.65');
    await page.getByRole('tab', { name: 'Measured dips' }).focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('tab', { name: 'Step tile' })).toHaveAttribute('aria-selected', 'true');
    await expect(page).toHaveURL(/bench=tile/);
    await expect(page.getByRole('tab', { name: 'Step tile' })).toBeFocused();
    await page.reload();
    await expect(page.getByRole('tab', { name: 'Step tile' })).toHaveAttribute('aria-selected', 'true');
  });

  test('a result is noted: piece, stars, faults, words, a photo', async ({ page }) => {
    await page.goto('/kiln');
    await page.getByRole('navigation', { name: 'Firings' }).getByRole('button').nth(1).press('Enter');
    await page.getByRole('combobox', { name: 'Piece' }).focus();
    await page.keyboard.type('oil');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.getByRole('radio', { name: '1 star', exact: true }).focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('radio', { name: '3 stars' })).toBeChecked();
    await expect(page.getByRole('radio', { name: '3 stars' })).toBeFocused();
    await page.getByRole('button', { name: 'pinholed' }).press('Space');
    await expect(page.getByRole('button', { name: 'pinholed' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByLabel('What it looks like').focus();
    await page.keyboard.type('pins under the handle');
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Photo, up to 8 MB')).toBeFocused();
    const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.keyboard.press('Enter')]);
    expect(chooser.isMultiple()).toBe(false);
    await page.getByRole('button', { name: 'Keep the result' }).press('Enter');
    await expect(page.getByText('Oil bottle is noted.')).toBeVisible();
    await expect(page.getByText('pins under the handle')).toBeVisible();
  });

  test('what is folded opens, a colour is one stop, a menu goes by arrows and gives the focus back', async ({ page }) => {
    await page.goto('/recipe');
    await page.getByRole('link', { name: /^Retama/ }).click();
    const fold = page.getByRole('button', { name: 'Cone, surface, SG, colour, notes' });
    await fold.focus();
    await page.keyboard.press('Enter');
    await expect(fold).toHaveAttribute('aria-expanded', 'true');
    await page.getByLabel('SG to').focus();
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Colour in drawings')).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('checkbox', { name: 'A laboratory has leach-tested this version' })).toBeFocused();
    await page.getByRole('button', { name: 'More' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('menuitem', { name: 'Its oxides' })).toBeFocused();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('menuitem', { name: 'Turn it into another' })).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'More' })).toBeFocused();
  });

  test('what was just kept is taken back from the line that says so', async ({ page }) => {
    await page.goto('/bucket');
    await page
      .getByRole('link', { name: /^.*Tinaja/ })
      .first()
      .click();
    await expect(page.getByRole('heading', { name: 'Tinaja' })).toBeVisible();
    await page.keyboard.press('s');
    const back = page.getByRole('button', { name: 'Take it back' });
    await back.focus();
    await page.keyboard.press('Enter');
    await expect(back).toBeHidden();
    await page.getByRole('tab', { name: 'Notes' }).click();
    await expect(page.getByRole('row', { name: /Stirred/ }).first()).toHaveClass(/undone/);
  });

  test('leaving with something typed asks; staying keeps it', async ({ page }) => {
    await page.goto('/studio');
    await page.getByLabel('Name of the studio').fill('La Perdiz');
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Kiln' }).click();
    const asked = page.getByRole('dialog', { name: 'Leave without keeping?' });
    await expect(asked).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(asked).toBeHidden();
    await expect(page.getByLabel('Name of the studio')).toHaveValue('La Perdiz');
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Kiln' }).click();
    await asked.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByRole('heading', { name: 'Kiln', level: 1 })).toBeVisible();
  });
});
