import { randomUUID } from 'node:crypto';
import type { Recipe } from '@cazuela/contract';
import type { Page } from '@playwright/test';
import { choose } from './choose';
import { expect, test } from './studio';

const steps = (page: Page) => page.getByRole('list', { name: 'Steps in order' }).getByRole('listitem');
const alternatives = (page: Page) => page.locator('cz-alternatives-panel').getByRole('article');

/** A new piece of a form, with a name, as a new user would begin. */
async function begin(page: Page, form: string, name: string): Promise<void> {
  await page.goto('/piece');
  await page.getByRole('button', { name: form, exact: true }).click();
  await page.getByLabel('Name').first().fill(name);
  await page.getByLabel('Name').first().blur();
}

async function coat(page: Page, place: string, zone: string, at: number, glaze: string | { pot: string }, mm: string): Promise<void> {
  await page.getByRole('button', { name: at === 1 ? `A coat on the ${zone}` : `One over it on the ${zone}` }).click();
  const label = typeof glaze === 'string' ? glaze : glaze.pot;
  await choose(page.getByLabel(`${place}, coat ${at}: bucket`), label);
  await page.getByLabel(`${place}, coat ${at}: thickness`).fill(mm);
}

async function pot(page: Page, name: string, coatingKind: string): Promise<void> {
  await page.getByRole('button', { name: 'A small pot' }).click();
  const group = page.getByRole('group', { name: /^Small pot/ }).last();
  await group.getByLabel('Name').fill(name);
  await group.getByLabel('Name').blur();
  await choose(group.getByLabel('It is'), coatingKind);
}

test.describe('plans an experienced potter would make', () => {
  test('a strip that would flake off the outside goes first and is waxed', async ({ page }) => {
    await begin(page, 'Vase', 'Tres esmaltes');
    await coat(page, 'Inside', 'inside', 1, 'Leche de Higo', '0.3');
    await coat(page, 'Outside', 'outside', 1, 'Ceniza Clara', '0.4');
    await page.getByRole('button', { name: 'A strip round it' }).click();
    await coat(page, 'Strip 1', 'strip 1', 1, 'Retama', '0.4');
    await expect(page.getByText('Retama will flake off Ceniza Clara')).toBeVisible();
    await alternatives(page)
      .filter({ hasText: 'The strip first, waxed' })
      .first()
      .getByRole('button', { name: /^Take this way/ })
      .click();
    await expect(page.getByText('Retama will flake off Ceniza Clara')).toHaveCount(0);
    await expect(steps(page).filter({ hasText: 'Wax over the strip' })).toHaveCount(1);
    await expect(page.getByRole('checkbox', { name: 'glazed first and waxed over' })).toBeChecked();
  });

  test('a glaze nobody has mixed yet is planned with, and the batch for these pieces is one tap away', async ({ page, studio, request }) => {
    const retama = (await studio.records<Recipe[]>(request, '/recipes')).find((one) => one.body.name === 'Retama')!;
    const [studioNow] = (await (await request.get(`${studio.address}/api/studios`)).json()) as [{ id: string }];
    const id = randomUUID();
    await request.post(`${studio.address}/api/studios/${studioNow.id}/recipes`, { data: { id, body: { ...retama.body, name: 'Retama honda' } } });
    await begin(page, 'Cup', 'Taza honda');
    await coat(page, 'Outside', 'outside', 1, 'Retama honda', '0.5');
    await expect(page.getByText('Retama honda is not mixed yet: reckoned as its recipe says')).toBeVisible();
    await expect(steps(page).filter({ hasText: /Dip the outside in Retama honda, \d+\.\d s/ })).toHaveCount(1);
    await page.getByRole('link', { name: 'Weigh enough for these pieces' }).click();
    await expect(page.getByRole('radio', { name: 'for my pieces' })).toHaveAttribute('aria-checked', 'true');
    await expect(page.getByRole('textbox', { name: 'How many Taza honda' })).toHaveValue('1');
    await expect(page.getByRole('row', { name: /Water first/ })).toBeVisible();
  });

  test('a planter: its drain hole taped, opened again before the glaze is bone dry, and a saucer to go with it', async ({ page }) => {
    await begin(page, 'Planter', 'Maceta');
    await coat(page, 'Inside', 'inside', 1, 'Leche de Higo', '0.35');
    await coat(page, 'Outside', 'outside', 1, 'Marisma', '0.45');
    await page.getByRole('button', { name: 'Tape the drain hole' }).click();
    await expect(steps(page).filter({ hasText: 'Tape the drain hole shut' })).toHaveCount(1);
    const order = await steps(page).allTextContents();
    const at = (words: string): number => order.findIndex((step) => step.includes(words));
    expect(at('Tape the drain hole')).toBeLessThan(at('Pour Leche de Higo'));
    expect(at('Take the tape off')).toBeGreaterThan(at('Marisma'));
    await expect(alternatives(page).first().getByText('Take the tape off the drain hole before the glaze is bone dry')).toBeVisible();
    await begin(page, 'Platter', 'Plato de la maceta');
    await page.getByRole('radio', { name: 'Form' }).click();
    await page.getByLabel('Widest').fill('180');
    await page.getByLabel('Height').fill('24');
    await coat(page, 'Inside', 'inside', 1, 'Marisma', '0.45');
    await expect(page.getByRole('img', { name: /Platter in section\. Coats: inside 1/ })).toBeVisible();
    await page.reload();
    await page.getByRole('radio', { name: 'Form' }).click();
    await expect(page.getByLabel('Widest')).toHaveValue('180');
  });

  test('seven platters, all different, each with its own line on the day', async ({ page }) => {
    await begin(page, 'Platter', 'Fuente');
    await page.getByLabel('How many').fill('7');
    await coat(page, 'Inside', 'inside', 1, 'Marisma', '0.45');
    await coat(page, 'Outside', 'outside', 1, 'Tinaja', '0.45');
    await page.getByRole('tab', { name: 'The set of 7' }).click();
    await page.getByLabel('each one different').check();
    const pieces = page.getByRole('list', { name: 'Pieces of the set' }).getByRole('listitem');
    await expect(pieces).toHaveCount(7);
    const told = (await pieces.allTextContents()).map((words) => words.replace(/^\s*\d+\.\s*/, '').trim());
    expect(new Set(told).size).toBe(7);
    await page.getByLabel('How many').fill('9');
    await expect(pieces).toHaveCount(9);
    await page.getByLabel('How many').fill('400');
    await expect(page.getByText(/make \d+ different pieces, and 400 are wanted: add a glaze or a place/)).toBeVisible();
    await page.getByLabel('How many').fill('7');
    await page.getByRole('button', { name: 'Put 7 on the day' }).click();
    await expect(page).toHaveURL(/\/day/);
    await expect(page.getByText('Fuente, 7 of 7').first()).toBeAttached();
  });

  test('a white base with painted colours: the base dipped first, the colours brushed on it last', async ({ page }) => {
    await begin(page, 'Bowl', 'Cuenco pintado');
    await pot(page, 'Azul', 'underglaze');
    await coat(page, 'Inside', 'inside', 1, 'Leche de Higo', '0.4');
    await coat(page, 'Outside', 'outside', 1, 'Leche de Higo', '0.4');
    await coat(page, 'Outside', 'outside', 2, { pot: 'Azul (underglaze)' }, '0.1');
    const order = await steps(page).allTextContents();
    expect(order.findIndex((step) => step.includes('Brush Azul on the outside'))).toBeGreaterThan(
      order.findIndex((step) => step.includes('Leche de Higo')),
    );
    await expect(alternatives(page).filter({ hasText: 'Brush Azul on the outside' }).first()).toBeVisible();
    await page.reload();
    await expect(steps(page).filter({ hasText: 'Brush Azul on the outside' })).toHaveCount(1);
  });

  test('a dark body with a white slip: the light glaze keeps its colour, if slip and body shrink alike', async ({ page }) => {
    await begin(page, 'Cup', 'Taza oscura');
    await choose(page.getByLabel('Clay body'), 'Barro Tostado');
    await coat(page, 'Outside', 'outside', 1, 'Leche de Higo', '0.3');
    await expect(page.getByText('on Barro Tostado its colour is lost')).toBeVisible();
    await page.getByRole('button', { name: 'Take coat 1 off the outside' }).click();
    await pot(page, 'Nieve', 'slip');
    await page.getByLabel('Shrinks').fill('14');
    await coat(page, 'Outside', 'outside', 1, { pot: 'Nieve (slip)' }, '0.2');
    await coat(page, 'Outside', 'outside', 2, 'Leche de Higo', '0.3');
    await expect(page.getByText('Nieve will crack and peel off Barro Tostado.')).toBeVisible();
    await page.getByLabel('Shrinks').fill('11.5');
    await expect(page.getByText('peel off Barro Tostado')).toHaveCount(0);
    await expect(page.getByText('its colour is lost')).toHaveCount(0);
    await expect(alternatives(page).first().getByText('Brush Nieve on the outside')).toBeVisible();
  });

  test('a refire: a glazed wall drinks nothing, so it is brushed', async ({ page }) => {
    await begin(page, 'Cup', 'Segunda vuelta');
    await coat(page, 'Outside', 'outside', 1, 'Tinaja', '0.4');
    await page.getByLabel('glazed and fired before').check();
    await expect(page.getByText('A glazed wall drinks no water: a dip slides off it.')).toBeVisible();
    await expect(alternatives(page).filter({ hasText: 'Brushed instead' }).first()).toBeVisible();
    await page.getByRole('button', { name: 'Brush all of it' }).click();
    await expect(page.getByText('A glazed wall drinks no water')).toHaveCount(0);
    await expect(steps(page).filter({ hasText: /Brush Tinaja on the outside, \d coats/ })).toHaveCount(1);
  });

  test('a step nobody wants is left out with one tap, and what it was for is done another way', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('link', { name: /Lidded pot, tall/ }).click();
    await page.getByRole('heading', { name: 'Ways to get there' }).scrollIntoViewIfNeeded();
    await page
      .getByRole('button', { name: /^Not this step: Dip the outside in Tinaja/ })
      .first()
      .click();
    await expect(page.getByText('Left out: dip of Tinaja.')).toBeVisible();
    const poured = page.getByRole('button', { name: /^Take this way: Poured instead/ }).first();
    await expect(poured).toBeVisible();
    await poured.click();
    await expect(steps(page).filter({ hasText: 'Pour Tinaja over the outside' })).toHaveCount(1);
    await page.getByRole('button', { name: 'Allow all again' }).click();
    await expect(page.getByText('Left out:')).toHaveCount(0);
  });
});

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
    await page.getByRole('radio', { name: 'In the round' }).click();
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
    await expect(page.getByRole('combobox', { name: 'Strip 1, coat 1: bucket' })).toHaveValue('Nieve (slip)');
    await page.getByRole('tab', { name: 'Print and files' }).click();
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
    const openRun = () => page.getByRole('tab', { name: 'How far it will run' }).click();
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
