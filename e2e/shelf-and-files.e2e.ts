import { choose } from './choose';
import { pressNext } from './hands';
import { expect, test } from './studio';

test.describe('the shelf, the label, the ladder and the files', () => {
  test('a powdered base by an ounce label with 4 % stain', async ({ page }) => {
    await page.goto('/recipe/new');
    await page.getByRole('textbox', { name: 'Name' }).fill('Humo, by ounces');
    await page.getByRole('button', { name: 'A line in the base' }).click();
    await choose(page.getByRole('combobox', { name: 'Powder of line 1 of the base' }), 'Clear base, bought');
    await page.getByRole('textbox', { name: 'Percent of line 1 of the base' }).fill('100');
    await page.getByRole('button', { name: 'A line over the base' }).click();
    await choose(page.getByRole('combobox', { name: 'Powder of line 1 over the base' }), 'Stain (spinel type)');
    await page.getByRole('textbox', { name: 'Percent of line 1 over the base' }).fill('4');
    await page.getByText('Bought ready: a dry base, a jar').click();
    await page.getByRole('radio', { name: 'a bought dry base' }).click();
    // A scoop is no weight: refused with the reason, then entered in ounces.
    await choose(page.getByRole('combobox', { name: 'Unit of the powder' }), 'US tbsp');
    await expect(page.getByText('A volume of powder weighs more or less')).toBeVisible();
    await choose(page.getByRole('combobox', { name: 'Unit of the powder' }), 'oz');
    await page.getByRole('textbox', { name: 'Powder', exact: true }).fill('16');
    await choose(page.getByRole('combobox', { name: 'Unit of the water' }), 'US fl oz');
    await page.getByRole('textbox', { name: 'to water' }).fill('15');
    await expect(page.getByText('0.978 mL of water for each gram of powder.')).toBeVisible();
    await page.getByRole('button', { name: 'Keep the recipe' }).click();
    await page.getByRole('link', { name: 'Weigh it' }).click();
    // It was never fired here: more than a test asks first.
    await expect(page.getByText('Nobody here has fired it.')).toBeVisible();
    await page.getByRole('button', { name: /Make it a 300/ }).click();
    await page.getByRole('textbox', { name: 'Base of the test' }).fill('16 oz');
    await page.getByRole('radio', { name: 'by the label' }).click();
    await expect(page.getByRole('row', { name: /Water first/ })).toContainText('443.6 g');
    await expect(page.getByRole('row', { name: /Stain \(spinel type\)/ })).toContainText('18.14 g');
    await page.getByRole('button', { name: 'Start weighing' }).click();
    for (const heading of ['Respirator on', 'Water', 'Clear base, bought', 'Stain (spinel type)']) {
      await expect(page.getByRole('heading', { name: heading, level: 2 })).toBeVisible();
      await pressNext(page);
    }
    // The closing weight names what was missed.
    await page.getByRole('textbox', { name: 'It weighs' }).fill('897');
    await expect(page.getByText(/too little: the weight of Stain/)).toBeVisible();
    await page.getByRole('textbox', { name: 'It weighs' }).fill('915.3');
    await expect(page.getByText('It agrees with the sum of the lines.')).toBeVisible();
    await page.getByRole('checkbox', { name: /rinse water and sludge/ }).check();
    await page.getByRole('button', { name: 'It is a bucket' }).click();
    await expect(page.getByRole('heading', { name: 'Humo, by ounces', level: 1 })).toBeVisible();
    await page.getByRole('tab', { name: 'Label', exact: true }).click();
    const label = page.waitForEvent('popup');
    await page.getByRole('link', { name: 'Print the label' }).click();
    expect((await label).url()).toContain('/labels.pdf?size=62x29');
  });

  test('a five-step ladder in one cup', async ({ page }) => {
    await page.goto('/weigh/series');
    await choose(page.getByRole('combobox', { name: 'Stain or oxide' }), 'Stain (spinel type)');
    await page.getByRole('textbox', { name: 'Steps, percent of the dry base' }).fill('3,5, 0, 2, 8, 6');
    await expect(page.getByRole('row')).toHaveCount(6);
    await expect(page.getByRole('row').nth(1)).toContainText('nothing');
    await expect(page.getByText('Scoop 250 mL of')).toBeVisible();
    await expect(page.getByText(/of dry glaze stay in the cup at 8 %/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep it, get its code' }).click();
    await expect(page.getByRole('heading', { name: /^K\d+ · Stain/ })).toBeVisible();
    // At the bench, tile by tile; the second gets more than it wants, and the next so much less.
    const bench = page.getByRole('region', { name: 'At the bench' });
    await expect(bench.getByText('Nothing to add.')).toBeVisible();
    await pressNext(page);
    await expect(bench.getByText('tile 2 of 5')).toBeVisible();
    const wanted = Number(await bench.getByLabel('Really went in').inputValue());
    await bench.getByLabel('Really went in').fill(String(wanted + 1));
    await bench.getByLabel('Really went in').blur();
    await page.reload();
    await expect(bench.getByText('tile 2 of 5')).toBeVisible();
    await bench.getByLabel('Really went in').fill(String(wanted + 1));
    await pressNext(page, 'Enter');
    await expect(bench.getByText('tile 3 of 5')).toBeVisible();
    await pressNext(page);
    await pressNext(page);
    await pressNext(page);
    await bench.getByRole('button', { name: 'Take it off shelf and bucket' }).click();
    await expect(page.getByText('Dipped; stain and glaze are taken off.')).toBeVisible();
    // Its tile tells what really went in.
    await expect(page.getByRole('row').nth(2)).not.toContainText('2 %');
    await page.reload();
    await expect(page.getByText('Dipped; stain and glaze are taken off.')).toBeVisible();
    await page.goto('/recipe/powders');
    await page.getByRole('link', { name: /^Stain \(spinel type\)/ }).click();
    await expect(page.getByRole('link', { name: /^K\d+ Stain/ })).toBeVisible();
  });

  test('any two glazes blended by share, and a bucket from a recipe with stain told by its percent', async ({ page }) => {
    await page.goto('/weigh/series');
    await page.getByRole('radio', { name: 'two buckets' }).click();
    await choose(page.getByRole('combobox', { name: 'One bucket' }), 'B5 Tinaja');
    await choose(page.getByRole('combobox', { name: 'The other' }), 'B4 Retama, 8.00 % stain');
    await choose(page.getByLabel('The steps are'), 'share of the other glaze, dry');
    await page.getByRole('textbox', { name: 'Steps, percent of the other' }).fill('0, 25, 50, 75, 100');
    await expect(page.getByRole('row').nth(1)).toContainText('100 mL');
    await page.getByRole('button', { name: 'Keep it, get its code' }).click();
    await expect(page.getByRole('heading', { name: /Tinaja and Retama/ })).toBeVisible();
    await page.goto('/bucket');
    await page.getByRole('link', { name: /Humo/ }).first().click();
    await page.getByRole('tab', { name: 'Stain it', exact: true }).click();
    await expect(page.getByText('now 6.00 %')).toBeVisible();
    await page.getByLabel('Percent of the dry base').fill('4');
    await expect(page.getByText('of dry base to come down to 4.00 %')).toBeVisible();
  });

  test('an import with three broken lines takes nothing; mended, it takes all', async ({ page }) => {
    const rows = ['recipe;part;powder;percent', 'Prueba Uno;base;Silica;60,5', ';base;Kaolin;39,5', 'Prueba Dos;base;Silica;hundred'];
    const broken = [...rows, 'Prueba Tres;middle;Silica;100', 'Prueba Cuatro;base;Moon dust;100'].join('\r\n');
    await page.goto('/recipe/files');
    const choose = async (text: string): Promise<void> =>
      page.getByLabel('A file').setInputFiles({ name: 'ours.csv', mimeType: 'text/csv', buffer: Buffer.from(`\ufeff${text}`) });
    await choose(broken);
    await expect(page.getByText('3 rows cannot be taken.')).toBeVisible();
    await expect(page.getByRole('row', { name: 'row 4' })).toContainText('“hundred” in the column percent is not a number.');
    await expect(page.getByRole('row', { name: 'row 5' })).toContainText('“part” is one of');
    await expect(page.getByRole('row', { name: 'row 6' })).toContainText('There is no powder “Moon dust”');
    await expect(page.getByRole('button', { name: 'Take it in' })).toHaveCount(0);
    await choose([...rows.slice(0, 3), 'Prueba Dos;base;Silica;100', 'Tinaja;base;Silica;100'].join('\r\n'));
    await expect(page.getByText('Here already: Tinaja.')).toBeVisible();
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByText('Taken in: 2 recipes, 1 was here already and was left alone.')).toBeVisible();
    await page.getByRole('link', { name: 'To the recipes' }).click();
    await expect(page.getByRole('link', { name: /Prueba Uno/ }).first()).toBeVisible();
  });

  test('the oxides of a recipe: what each does, sorted, and who brings it', async ({ page }) => {
    await page.goto('/recipe');
    await page.getByRole('link', { name: /^Marisma/ }).click();
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'Its oxides' }).click();
    await expect(page.getByRole('heading', { name: 'The oxides of Marisma' })).toBeVisible();
    await expect(page.getByRole('row').nth(1)).toContainText('SiO₂');
    await expect(page.getByRole('row', { name: /^Na₂O/ })).toContainText('Nepheline syenite');
    await page.getByRole('button', { name: 'Oxide' }).click();
    await expect(page.getByRole('columnheader', { name: 'Oxide' })).toHaveAttribute('aria-sort', 'ascending');
    await expect(page.getByRole('row').nth(1)).toContainText('Al₂O₃');
    const fit = page.getByRole('region', { name: 'Fit on the clay' });
    await expect(fit).toContainText(/Expands by 6\.\d · 10⁻⁶\/°C, were it all glass/);
    await expect(fit).toContainText(/On Barro Claro \(clay less glaze −0\.\d\): .* it may craze/);
  });

  test('from one recipe to another, or the line that forbids it', async ({ page }) => {
    await page.goto('/recipe');
    await page.getByRole('link', { name: /^Marisma/ }).click();
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'Turn it into another' }).click();
    await choose(page.getByRole('combobox', { name: 'It becomes' }), 'Leche de Higo, version 1');
    await expect(page.getByText('It cannot be done')).toBeVisible();
    await expect(page.getByText(/Copper carbonate/).first()).toBeVisible();
  });

  test('a powder that ran out is solved away, and the new version is marked untested', async ({ page }) => {
    await page.goto('/recipe');
    await page.getByRole('link', { name: /^Marisma/ }).click();
    await page.getByRole('button', { name: 'More' }).click();
    await page.getByRole('menuitem', { name: 'From other powders' }).click();
    await page.getByRole('checkbox', { name: /^Nepheline syenite/ }).uncheck();
    await page.getByRole('checkbox', { name: /^Soda feldspar/ }).check();
    await expect(page.getByRole('row', { name: /Soda feldspar/ })).toBeVisible();
    await page.getByRole('button', { name: /marked untested/ }).click();
    await expect(page.getByText('Untested.')).toBeVisible();
    await page.getByText('Its versions').click();
    await expect(page.getByText('Without Nepheline syenite: solved from other powders').first()).toBeVisible();
  });
});

test.describe('shelves of hundreds', () => {
  test('five hundred buckets: those in view are drawn, the last is reached, and a code finds one of them', async ({ page }) => {
    await page.route(/\/api\/studios\/[^/]+\/buckets$/, async (route) => {
      const answer = await route.fetch();
      const [some] = (await answer.json()) as { id: string; code: string }[];
      const many = Array.from({ length: 500 }, (_, at) => ({ ...some, id: some!.id.slice(0, -3) + String(at + 100), code: `S${at + 1}` }));
      await route.fulfill({ response: answer, json: many });
    });
    await page.goto('/bucket');
    const list = page.getByRole('list', { name: 'Buckets' });
    const item = (code: string) => list.getByRole('listitem').filter({ hasText: new RegExp(`${code},`) });
    await expect(item('S1').first()).toBeVisible();
    await expect(item('S500')).toHaveCount(0);
    expect(await list.getByRole('listitem').count()).toBeLessThan(120);
    await page.evaluate(() => window.scrollTo(0, document.documentElement.scrollHeight));
    await expect(item('S500')).toBeVisible();
    await expect(item('S500')).toHaveAttribute('aria-posinset', '500');
    await page.getByRole('searchbox').fill('S321');
    await expect(list.getByRole('listitem')).toHaveCount(1);
    await expect(item('S321')).toBeVisible();
  });
});
