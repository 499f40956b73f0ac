import { randomUUID } from 'node:crypto';
import type { Recipe } from '@cazuela/contract';
import type { Page } from '@playwright/test';
import { choose } from './choose';
import { begin, coat, openTab, select, smallPot } from './planner';
import { expect, test } from './studio';

const steps = (page: Page) => page.getByRole('list', { name: 'Steps in order' }).getByRole('listitem');
const alternatives = (page: Page) => page.locator('cz-alternatives-panel').getByRole('article');

test.describe('plans an experienced potter would make', () => {
  test('a strip that would flake off the outside goes first and is waxed', async ({ page }) => {
    await begin(page, 'Vase', 'Tres esmaltes');
    await coat(page, 'Inside', 'inside', 1, 'Leche de Higo', '0.3');
    await coat(page, 'Outside', 'outside', 1, 'Ceniza Clara', '0.4');
    await page.getByRole('button', { name: 'A strip' }).click();
    await coat(page, 'Strip 1', 'strip 1', 1, 'Retama', '0.4');
    await expect(page.getByText('Retama will flake off Ceniza Clara')).toBeVisible();
    await openTab(page, 'Alternatives');
    await alternatives(page)
      .filter({ hasText: 'The strip first, waxed' })
      .first()
      .getByRole('button', { name: /^Take it/ })
      .click({ timeout: 60_000 });
    await expect(page.getByText('Retama will flake off Ceniza Clara')).toHaveCount(0);
    await openTab(page, 'Steps');
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
    await expect(steps(page).filter({ hasText: 'Take the tape off the drain hole before the glaze is bone dry' })).toHaveCount(1);
    await select(page, undefined);
    await page.getByRole('button', { name: 'A saucer' }).click();
    await expect(page.getByRole('img', { name: /Platter in section\. Coats: inside 1, outside 1/ })).toBeVisible();
    await page.getByRole('radio', { name: 'Form' }).click();
    await page.getByLabel('Widest').fill('180');
    await page.getByLabel('Widest').blur();
    await page.reload();
    await page.getByRole('radio', { name: 'Saucer' }).click();
    await page.getByRole('radio', { name: 'Form' }).click();
    await expect(page.getByLabel('Widest')).toHaveValue('180');
    await page.getByRole('button', { name: /^Put 1 on the day$/ }).click();
    await page.getByRole('tab', { name: 'Lot by lot' }).click();
    await expect(page.getByRole('heading', { name: /: 1 × Maceta, Saucer$/ })).toBeVisible();
  });

  test('seven platters, all different, each with its own line on the day', async ({ page }) => {
    await begin(page, 'Platter', 'Fuente');
    await page.getByLabel('How many').fill('7');
    await coat(page, 'Inside', 'inside', 1, 'Marisma', '0.45');
    await coat(page, 'Outside', 'outside', 1, 'Tinaja', '0.45');
    await openTab(page, 'Set of 7');
    await page.getByLabel('each one different').check();
    const pieces = page.getByRole('list', { name: 'Pieces of the set' }).getByRole('listitem');
    await expect(pieces).toHaveCount(7);
    const told = (await pieces.allTextContents()).map((words) => words.replace(/^\s*\d+\.\s*/, '').trim());
    expect(new Set(told).size).toBe(7);
    await select(page, undefined);
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
    await smallPot(page, 'Azul', 'underglaze');
    await coat(page, 'Inside', 'inside', 1, 'Leche de Higo', '0.4');
    await coat(page, 'Outside', 'outside', 1, 'Leche de Higo', '0.4');
    await coat(page, 'Outside', 'outside', 2, 'Azul (underglaze)', '0.1');
    const order = await steps(page).allTextContents();
    expect(order.findIndex((step) => step.includes('Brush Azul on the outside'))).toBeGreaterThan(
      order.findIndex((step) => step.includes('Leche de Higo')),
    );
    await page.reload();
    await expect(steps(page).filter({ hasText: 'Brush Azul on the outside' })).toHaveCount(1);
  });

  test('a dark body with a white slip: the light glaze keeps its colour, if slip and body shrink alike', async ({ page }) => {
    await begin(page, 'Cup', 'Taza oscura');
    await choose(page.getByLabel('Clay body'), 'Barro Tostado');
    await coat(page, 'Outside', 'outside', 1, 'Leche de Higo', '0.3');
    await expect(page.getByText('on Barro Tostado its colour is lost')).toBeVisible();
    await page.getByRole('button', { name: 'Take coat 1 off the outside' }).click();
    await smallPot(page, 'Nieve', 'slip');
    await page.getByLabel('Shrinks').fill('14');
    await coat(page, 'Outside', 'outside', 1, 'Nieve (slip)', '0.2');
    await coat(page, 'Outside', 'outside', 2, 'Leche de Higo', '0.3');
    await expect(page.getByText('Nieve will crack and peel off Barro Tostado.')).toBeVisible();
    await select(page, 'Small pots');
    await page.getByLabel('Shrinks').fill('11.5');
    await page.getByLabel('Shrinks').blur();
    await expect(page.getByText('peel off Barro Tostado')).toHaveCount(0);
    await expect(page.getByText('its colour is lost')).toHaveCount(0);
    await expect(steps(page).filter({ hasText: 'Brush Nieve on the outside' })).toHaveCount(1);
  });

  test('a refire: what was fired lies beneath and drinks nothing, so the new coat is sprayed on the warm piece', async ({ page }) => {
    await begin(page, 'Cup', 'Segunda vuelta');
    await coat(page, 'Outside', 'outside', 1, 'Tinaja', '0.4');
    await select(page, undefined);
    await page.getByLabel('glazed and fired before').check();
    await expect(page.getByText('Fired beneath: Tinaja 0.40 mm outside.')).toBeVisible();
    await coat(page, 'Outside', 'outside', 1, 'Ceniza Clara', '0.3');
    await expect(page.getByText('A glazed wall drinks no water: a dip leaves its film and no more.')).toBeVisible();
    await expect(page.getByText(/Warm the fired pieces to about 80 °C/)).toBeVisible();
    await page.getByRole('button', { name: /^What to do: A glazed wall drinks no water/ }).click();
    await page.getByRole('button', { name: 'Spray all of it' }).click();
    await expect(page.getByText('A glazed wall drinks no water')).toHaveCount(0);
    await expect(steps(page).filter({ hasText: /Spray Ceniza Clara on the outside, \d passes/ })).toHaveCount(1);
    await page.reload();
    await expect(page.getByText(/Warm the fired pieces/)).toBeVisible();
  });

  test('a mug with three overlapping dips and a bare handle', async ({ page }) => {
    await begin(page, 'Mug with a handle', 'Tres baños');
    await page.getByRole('button', { name: 'A bare handle' }).click();
    await expect(steps(page).filter({ hasText: 'Wax the handle' })).toHaveCount(1);
    for (const [at, glaze] of ['Leche de Higo', 'Marisma', 'Noche Honda'].entries()) {
      await page.getByRole('button', { name: 'A dip from the rim' }).click();
      await coat(page, `Dip ${at + 1}`, `dip ${at + 1}`, 1, glaze, '0.4');
    }
    const order = await steps(page).allTextContents();
    const at = (words: RegExp): number => order.findIndex((step) => words.test(step));
    expect(at(/Wax the handle/)).toBeLessThan(at(/Dip the upper \d+ mm/));
    expect(order.filter((step) => /Dip the upper \d+ mm in/.test(step))).toHaveLength(3);
    await page.reload();
    await expect(steps(page).filter({ hasText: /Dip the upper \d+ mm in Noche Honda/ })).toHaveCount(1);
  });

  test('a sugar pot: its lid on a bare seat, the gallery bare, a lustre at the rim after the glaze firing', async ({ page }) => {
    await begin(page, 'Lidded pot', 'Azucarero');
    await smallPot(page, 'Oro', 'lustre');
    await coat(page, 'Outside', 'outside', 1, 'Marisma', '0.4');
    await coat(page, 'Rim band', 'rim', 1, 'Oro (lustre)', '0.01');
    await expect(page.getByText('The seat of the lid is glazed.')).toBeVisible();
    await page.getByRole('button', { name: 'A bare gallery' }).click();
    await expect(page.getByText('The seat of the lid is glazed.')).toHaveCount(0);
    const order = async (): Promise<string> => (await steps(page).allTextContents()).join(' | ').replace(/\s+/g, ' ');
    await expect.poll(order).toMatch(/Wax the gallery, 8 mm.*Dip the outside.*Fire it to cone 6.*Brush Oro on the rim.*Fire it again/);
    await select(page, undefined);
    await page.getByRole('button', { name: 'A lid', exact: true }).click();
    await expect(page.getByText(/is the chance that it reaches the seat/)).toBeVisible();
    await expect.poll(order).toMatch(/Wax the seat, 5 mm.*Dip the outside in Marisma.*Wipe the seat/);
    // What is another on a second body, hotter, is seen beside it, and left.
    await openTab(page, 'Alternatives');
    await choose(page.getByLabel('At cone', { exact: true }), '8');
    await page.getByRole('button', { name: 'Compare it' }).click();
    await expect(page.getByRole('article', { name: 'At cone 8' })).toContainText('is the chance', { timeout: 60_000 });
    await page.getByRole('article', { name: 'At cone 8' }).getByRole('button', { name: 'Leave it' }).click();
    await page.getByRole('button', { name: /^Put 1 on the day$/ }).click();
    await page.getByRole('tab', { name: 'Lot by lot' }).click();
    await expect(page.getByRole('heading', { name: /: 1 × Azucarero$/ })).toBeVisible();
    await expect(page.getByRole('heading', { name: /: 1 × Azucarero, Lid$/ })).toBeVisible();
    await expect(page.getByText(/is the chance that it runs to where it stands/).first()).toBeVisible();
    // A lustre is work of another day.
    await expect(page.getByText('Brush Oro')).toHaveCount(0);
  });

  test('bands of underglaze under a clear, a ring of wax round the hole, a line of wax as resist', async ({ page }) => {
    await begin(page, 'Planter', 'Maceta pintada');
    await smallPot(page, 'Azul', 'underglaze');
    await coat(page, 'Outside', 'outside', 1, 'Leche de Higo', '0.4');
    await page.getByRole('button', { name: 'A strip', exact: true }).click();
    await coat(page, 'Strip 1', 'strip 1', 1, 'Azul (underglaze)', '0.1');
    await page.getByLabel('beneath the coats around it').check();
    await expect
      .poll(async () => {
        const order = await steps(page).allTextContents();
        return order.findIndex((step) => step.includes('Brush Azul')) - order.findIndex((step) => step.includes('Dip the outside'));
      })
      .toBeLessThan(0);
    await page.getByRole('button', { name: 'Tape the drain hole' }).click();
    await choose(page.getByRole('group', { name: 'Mask 1' }).getByLabel('By'), 'wax');
    await expect(steps(page).filter({ hasText: 'Wax a ring of 5 mm round the drain hole' })).toHaveCount(1);
    await page.getByRole('button', { name: 'A bare band' }).click();
    await page.getByRole('group', { name: 'Mask 2' }).getByLabel('only lines').check();
    await expect(steps(page).filter({ hasText: /Wax lines on the band/ })).toHaveCount(1);
  });

  test('a bowl too wide for its bucket is poured over; glazed all over it is fired upside down', async ({ page }) => {
    await begin(page, 'Platter', 'Fuente ancha');
    await coat(page, 'Outside', 'outside', 1, 'Marisma', '0.5');
    await expect(page.getByText(/It cannot be dipped in Marisma: it is \d+ mm wide/)).toBeVisible();
    await page.getByRole('button', { name: 'Pour it over' }).click();
    await expect(page.getByText('It cannot be dipped in Marisma')).toHaveCount(0);
    await expect(steps(page).filter({ hasText: 'Pour Marisma over the outside' })).toHaveCount(1);
    await page.getByLabel('Wax up the foot').fill('0');
    await page.getByLabel('Wax up the foot').blur();
    await expect(page.getByText('A glazed foot glues the piece to the shelf.')).toBeVisible();
    await page.getByRole('button', { name: 'Upside down on a post' }).click();
    await expect(page.getByText('A glazed foot glues')).toHaveCount(0);
    await expect(page.getByText(/is the chance that it drips from the rim/)).toBeVisible();
  });

  test('a step nobody wants is left out with one tap, and what it was for is done another way', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('link', { name: /Lidded pot, tall/ }).click();
    await openTab(page, 'Alternatives');
    const drawn = alternatives(page).first();
    await drawn.getByRole('button', { name: /^Its \d+ steps/ }).click({ timeout: 60_000 });
    await drawn.getByRole('button', { name: /^Not this step: Dip the outside in Tinaja/ }).click();
    await expect(page.getByText('Left out: dip of Tinaja.')).toBeVisible();
    const poured = page.getByRole('button', { name: /^Take it: Poured instead/ }).first();
    await expect(poured).toBeVisible({ timeout: 60_000 });
    await poured.click();
    await page.getByRole('button', { name: 'Allow all again' }).click();
    await expect(page.getByText('Left out:')).toHaveCount(0);
    await openTab(page, 'Steps');
    await expect(steps(page).filter({ hasText: 'Pour Tinaja over the outside' })).toHaveCount(1);
  });
});
