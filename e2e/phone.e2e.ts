import { expect, test } from './studio';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, studioOf: 'phone' });

test('on a phone: from what now to a measured bucket by tap, nothing wider than the screen', async ({ page }) => {
  const fits = async (): Promise<void> => {
    const [page_, screen] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth] as const);
    expect(page_).toBeLessThanOrEqual(screen);
  };
  await page.goto('/');
  // On a full day it stands under what is more urgent.
  await page.getByRole('button', { name: /^\d+ more/ }).tap();
  const bring = page.getByRole('link', { name: 'Bring into range' }).first();
  await expect(bring).toBeVisible();
  await fits();
  await bring.tap();
  await expect(page.getByRole('heading', { name: /Marisma|Humo/, level: 1 })).toBeVisible();
  await fits();
  for (const bench of ['By feel', 'Stain it', 'Settling', 'Level', 'What dips in it', 'Pour', 'Label', 'Notes']) {
    await page.getByRole('tab', { name: bench, exact: true }).tap();
    await fits();
    if (bench === 'What dips in it') {
      await expect(page.getByRole('row', { name: /Cup with a blue lip/ })).toBeVisible();
      await fits();
    }
    if (bench === 'Settling') {
      // The last of five cures can be reached, not only the first three.
      await page.getByRole('radio', { name: 'thin it: silicate' }).tap();
      await expect(page.getByText('Liquid sodium silicate')).toBeVisible();
      await fits();
    }
  }
  await page.getByLabel('Full weight').fill('208');
  await page.getByRole('button', { name: 'Keep the reading' }).tap();
  await expect(page.getByRole('heading', { name: 'In range.' })).toBeVisible();
  for (const station of ['Recipe', 'Weigh', 'Bucket', 'Coat', 'Piece', 'Day', 'Kiln', 'Wall']) {
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).tap();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await fits();
  }
});

test('on a phone: one line fills the bench, with targets for wet knuckles', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Go on weighing' }).tap();
  const next = page.getByRole('button', { name: 'Next' });
  await expect(next).toBeVisible();
  for (const button of await page.getByRole('button').all()) expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(64);
  const before = await page.getByRole('heading', { level: 2 }).first().textContent();
  await next.tap();
  await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText(before!);
  await page.getByRole('button', { name: 'back', exact: true }).tap();
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText(before!);
  await page.getByRole('button', { name: 'note', exact: true }).tap();
  const question = page.getByRole('dialog', { name: 'Note' });
  await expect(question.getByRole('textbox', { name: 'Note' })).toBeFocused();
  for (const button of await question.getByRole('button').all()) expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(64);
  await page.keyboard.type('some lumps');
  await question.getByRole('button', { name: 'Keep it' }).tap();
  await expect(question).toBeHidden();
  await expect(page.getByText('Note: some lumps')).toBeAttached();
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText(before!);
});

test('on a phone: every bench of the coat, its map and its timer', async ({ page }) => {
  await page.goto('/coat');
  for (const bench of ['Step tile', 'Its window', 'Another way', 'As it dries', 'Glaze for pieces', 'Bucket on the scale', 'Measured dips']) {
    await page.getByRole('tab', { name: bench, exact: true }).tap();
    await expect(page.getByRole('tab', { name: bench, exact: true })).toHaveAttribute('aria-selected', 'true');
    expect(await page.evaluate(() => document.documentElement.scrollWidth), bench).toBeLessThanOrEqual(390);
  }
  await page.getByRole('radio', { name: 'seconds and SG' }).tap();
  await expect(page.getByRole('img', { name: /^Band:/ })).toBeVisible();
  await page.getByText('Already wet or glazed? Say how').tap();
  await page.getByRole('button', { name: 'A first coat, half dry' }).tap();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('radio', { name: 'caliper, needle, comb' }).tap();
  await expect(page.getByLabel('It measures, dip 1')).toBeVisible();
  await page.getByRole('button', { name: 'Dip timer' }).tap();
  const box = await page.getByRole('button', { name: 'Count in, Space' }).boundingBox();
  expect(box!.height).toBeGreaterThanOrEqual(64);
});

test('on a phone: the card of a clay body and its thirst test', async ({ page }) => {
  await page.goto('/studio');
  await page.getByRole('link', { name: 'Barro Claro' }).tap();
  await page.getByRole('button', { name: 'Thirst test in water' }).first().tap();
  await expect(page.getByLabel('Weight dry')).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  // A wrong figure far above the button is brought back into sight.
  const wall = page.getByLabel('Usual wall');
  await wall.fill('900');
  await page.getByRole('button', { name: 'Keep the card' }).tap();
  await expect(wall).toBeFocused();
  await expect(wall).toBeInViewport();
});

test('on a phone: a piece plan, its alternatives and its run', async ({ page }) => {
  await page.goto('/piece');
  await page
    .getByRole('link', { name: /Lidded pot, tall/ })
    .first()
    .tap();
  await page.getByRole('tab', { name: 'Alternatives' }).tap();
  await expect(page.getByRole('article', { name: 'As drawn' })).toBeVisible({ timeout: 60_000 });
  await page.getByRole('tab', { name: 'Run' }).tap();
  await expect(page.getByText('is the chance that the outside reaches the shelf.')).toBeVisible({ timeout: 60_000 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test('on a phone: a finger takes the nearest point of a form, though its neighbour lies close', async ({ page }) => {
  await page.goto('/piece');
  await page
    .getByRole('link', { name: /Lidded pot, tall/ })
    .first()
    .tap();
  await page.getByRole('radio', { name: 'Form' }).tap();
  const board = page.getByRole('group', { name: 'Points of the form' });
  await board.scrollIntoViewIfNeeded();
  // Beside the dot, away from the other one: as far as a finger misses.
  for (const [name, x, y] of [
    ['Foot', -8, 6],
    ['Point 2', 8, -6],
    ['Rim', 8, 0],
  ] as const) {
    const dot = (await board.getByRole('slider', { name, exact: true }).locator('.dot').boundingBox())!;
    const touch = await page.context().newCDPSession(page);
    const at = { x: dot.x + dot.width / 2 + x, y: dot.y + dot.height / 2 + y };
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [at] });
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [{ ...at, x: at.x + 1 }] });
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await expect(board.getByRole('slider', { name, exact: true })).toHaveClass(/chosen/);
  }
});
