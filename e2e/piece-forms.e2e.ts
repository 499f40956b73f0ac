import type { Page } from '@playwright/test';
import { choose } from './choose';
import { begin, coat, openTab, select } from './planner';
import { expect, test } from './studio';

const steps = (page: Page) => page.getByRole('list', { name: 'Steps in order' }).getByRole('listitem');

test.describe('a form drawn by hand', () => {
  test('points are dragged and nudged by keys; what cannot be made is refused; undone, redone, there again after a reload', async ({ page }) => {
    await begin(page, 'Cup', 'Taza dibujada');
    await page.getByRole('radio', { name: 'Form' }).click();
    const point = page.getByRole('slider', { name: 'Point 4' });
    await expect(point).toHaveAttribute('aria-valuetext', '82 mm across, 40 mm up');
    const box = (await point.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 5 });
    await page.mouse.up();
    await expect(point).not.toHaveAttribute('aria-valuetext', '82 mm across, 40 mm up');
    const dragged = (await point.getAttribute('aria-valuetext'))!;
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(point).toHaveAttribute('aria-valuetext', '82 mm across, 40 mm up');
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(point).toHaveAttribute('aria-valuetext', dragged);
    await page.getByRole('slider', { name: 'Rim' }).focus();
    await page.keyboard.press('Shift+ArrowUp');
    await expect(page.getByRole('slider', { name: 'Rim' })).toHaveAttribute('aria-valuetext', '84 mm across, 93 mm up');
    await page.getByRole('textbox', { name: 'Wall', exact: true }).fill('50');
    await expect(page.getByText(/block: check the unit|nothing is left inside/)).toBeVisible();
    await expect(page.getByRole('slider', { name: 'Rim' })).toHaveAttribute('aria-valuetext', '84 mm across, 93 mm up');
    await page.getByRole('textbox', { name: 'Wall', exact: true }).fill('5');
    // The last change is saved once the page shows nothing else.
    await expect
      .poll(async () => {
        await page.reload();
        await page.getByRole('radio', { name: 'Form' }).click();
        return page.getByRole('slider', { name: 'Rim' }).getAttribute('aria-valuetext');
      })
      .toBe('84 mm across, 93 mm up');
    await expect(page.getByRole('textbox', { name: 'Wall', exact: true })).toHaveValue('5');
  });

  test('edges of the zones are dragged on the drawing, and the piece is seen in the round', async ({ page }) => {
    await begin(page, 'Cup', 'Taza con borde');
    await coat(page, 'Outside', 'outside', 1, 'Tinaja', '0.4');
    const edge = page.getByRole('slider', { name: 'Upper edge of the bare foot' });
    await edge.focus();
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await expect(page.getByLabel('Wax up the foot')).toHaveValue('12');
    await page.getByRole('radio', { name: 'Round', exact: true }).click();
    const round = page.getByRole('img', { name: /in the round/ });
    await round.focus();
    await page.keyboard.press('ArrowRight');
    await expect(round).toBeVisible();
    await expect(page.getByText('This device cannot draw in the round')).toHaveCount(0);
  });
});

test.describe('a panel on a part of the turn', () => {
  test('its side is dragged where it is seen, nudged by keys, and brought to the front by turning the piece', async ({ page }) => {
    await begin(page, 'Cup', 'Taza con panel');
    await coat(page, 'Outside', 'outside', 1, 'Tinaja', '0.4');
    await page.getByRole('button', { name: 'A panel', exact: true }).click();
    const right = page.getByRole('slider', { name: 'Right side of panel 1' });
    const left = page.getByRole('slider', { name: 'Left side of panel 1' });
    await expect(right).toHaveAttribute('aria-valuetext', '15 % round');
    // Left of the front, on the side that is not visible.
    await expect(left).toHaveCount(0);
    const dot = (await right.locator('.dot').boundingBox())!;
    await page.mouse.move(dot.x + dot.width / 2, dot.y + dot.height / 2);
    await page.mouse.down();
    await page.mouse.move(dot.x - 20, dot.y + dot.height / 2, { steps: 4 });
    await page.mouse.up();
    await expect(page.getByRole('textbox', { name: 'Round to' })).not.toHaveValue('15');
    await page.getByRole('button', { name: 'Undo' }).click();
    await right.focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.getByRole('textbox', { name: 'Round to' })).toHaveValue('20');
    for (let i = 0; i < 7; i++) await page.getByRole('button', { name: /Turn it/ }).click();
    await expect(left).toHaveAttribute('aria-valuetext', '90 % round');
    await choose(page.getByRole('combobox', { name: 'Surface of panel 1' }), 'carved');
    await expect(page.getByRole('group', { name: 'Panel 1' }).getByLabel('Depth')).toHaveValue('0.5');
  });
});

test.describe('a plan in and out', () => {
  test('the plan as a file is taken in again, its glazes found by name; the section and the steps are written', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('link', { name: /Vase with a white strip/ }).click();
    await select(page, 'Strip 1');
    await expect(page.getByRole('combobox', { name: 'Strip 1, coat 1: bucket' })).toHaveValue('Nieve (slip)');
    await openTab(page, 'Files');
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'The plan as a file' }).click()]);
    const path = await file.path();
    const [svg] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'The section (SVG)' }).click()]);
    expect(svg.suggestedFilename()).toBe('Vase with a white strip.section.svg');
    const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Step sheet (PDF)' }).click()]);
    expect(pdf.suggestedFilename()).toBe('Vase with a white strip.steps.pdf');
    await page.goto('/piece');
    await page
      .getByLabel('Take in a plan’s file')
      .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"something"}') });
    await expect(page.getByText('This file holds no piece plan')).toBeVisible();
    await page.getByLabel('Take in a plan’s file').setInputFiles(path);
    await expect(page.getByRole('form', { name: /Take in Vase/ })).toBeVisible();
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByLabel('Name').first()).toHaveValue('Vase with a white strip');
    await expect(steps(page).filter({ hasText: 'Brush Nieve on the strip' })).toHaveCount(1);
  });

  test('a runner tile is planned from the run with one tap, measured, and the run leans on it', async ({ page }) => {
    await begin(page, 'Cup', 'Taza de prueba');
    await coat(page, 'Outside', 'outside', 1, 'Humo', '0.4');
    const run = page.locator('cz-run-panel');
    const openRun = () => openTab(page, 'Run');
    await openRun();
    await run.getByRole('button', { name: /^Plan a runner tile of Humo$/ }).click();
    await expect(page).toHaveURL(/piece\/runners/);
    const tile = page
      .getByRole('article', { name: /Runner tile R\d+/ })
      .filter({ hasText: 'Humo' })
      .first();
    await tile.getByLabel('It ran').fill('9');
    await expect(tile.getByText(/It (stays|moves|runs|pours) at a normal dip/)).toBeVisible();
    await tile.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByText(/Humo runs about [\d.]+ mm at a normal dip/)).toBeVisible();
    await page.goto('/piece');
    await page.getByRole('link', { name: /Taza de prueba/ }).click();
    await openRun();
    await expect(run.getByText('is the chance that the outside reaches the shelf.')).toBeVisible({ timeout: 60_000 });
    await expect(run.getByRole('button', { name: /^Plan a runner tile of Humo$/ })).toHaveCount(0);
  });
});
