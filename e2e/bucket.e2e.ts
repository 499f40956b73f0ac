import type { Bucket, BucketSummary } from '@cazuela/contract';
import type { Page } from '@playwright/test';
import { choose } from './choose';
import { expect, test } from './studio';

test.describe('at the bucket', () => {
  const open = async (page: Page, name: string): Promise<void> => {
    await page.goto('/bucket');
    await page.getByRole('link', { name: new RegExp(name) }).click();
    await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  };
  const weigh = async (page: Page, grams: string): Promise<void> => {
    await page.getByLabel('Full weight').fill(grams);
    await page.getByRole('button', { name: 'Keep the reading' }).click();
  };

  test('an evaporated bucket is brought back in two stages, each from its own reading', async ({ page }) => {
    await open(page, 'Marisma');
    await expect(page.getByRole('heading', { name: 'Add 1,310 mL of water, stir, measure.' })).toBeVisible();
    await page.getByRole('button', { name: '1,310 mL went in' }).click();
    await expect(page.getByRole('heading', { name: /In range by the sum|Stir, then measure again/ })).toBeVisible();
    // It was more than ten litres, as buckets are: still 1.485.
    await weigh(page, '210.9');
    const second = page.getByRole('heading', { name: /Add \d{3} mL of water, stir, measure\./ });
    await expect(second).toBeVisible();
    await page.reload();
    await expect(second).toBeVisible();
    await page.getByRole('button', { name: /mL went in/ }).click();
    await weigh(page, '207.9');
    await expect(page.getByRole('heading', { name: 'In range.' })).toBeVisible();
    // The cylinder once more: both readings together are surer than each.
    await weigh(page, '208.1');
    await expect(page.getByText('from 2 readings')).toBeVisible();
  });

  test('forty drops of brine, and the point where the bucket turned', async ({ page, studio, request }) => {
    await open(page, 'Tinaja');
    await page.getByRole('tab', { name: 'Settling' }).click();
    await page.getByRole('radio', { name: 'Epsom drops' }).click();
    const swirl = async (seconds: number): Promise<void> => {
      await page.getByLabel('Swirl after this step').fill(String(seconds));
      await page.getByRole('button', { name: 'Keep it' }).click();
    };
    await swirl(14);
    for (const [step, seconds] of [13.8, 14.1, 13.9, 9.6, 5.8, 4.4, 4.2].entries()) {
      await page.getByRole('button', { name: 'Five drops' }).click();
      await expect(page.getByText(`${5 * (step + 1)} drops are in it`)).toBeVisible();
      await swirl(seconds);
    }
    for (let drop = 36; drop <= 40; drop++) {
      await page.getByRole('button', { name: /One drop in/ }).click();
      await expect(page.getByText(`${drop} drops are in it`)).toBeVisible();
    }
    await swirl(4);
    await expect(page.getByText('It turned at about 15 drops.')).toBeVisible();
    await page.getByRole('button', { name: 'Take the last back' }).click();
    await expect(page.getByText('39 drops are in it')).toBeVisible();
    await page.getByRole('button', { name: 'Keep this dose for the glaze' }).click();
    await expect(page.getByText(/Kept: about \d+ drops a litre/)).toBeVisible();
    const buckets = await studio.records<BucketSummary[]>(request, '/buckets');
    const tinaja = buckets.find((bucket) => bucket.body.name === 'Tinaja')!;
    expect(tinaja.body.doses![0]!.gramsPerDryKg).toBeCloseTo((1000 * 39 * 0.035) / tinaja.contents!.dryGrams, 6);
    // The swirl, not the dose, says how it stands now.
    expect(tinaja.contents!.slurryState).toBe('flocculated');
  });

  test('a hydrometer studio reads in °Bé, and is told how sure that is', async ({ page }) => {
    await open(page, 'Retama');
    await choose(page.getByRole('combobox', { name: 'With' }), 'Hydrometer');
    await choose(page.getByRole('combobox', { name: 'Its scale' }), '°Bé');
    await page.getByLabel('It reads').fill('46');
    await expect(page.getByText('1.465')).toBeVisible();
    await expect(page.getByText('A hydrometer hangs in a thick glaze')).toBeVisible();
    await page.getByRole('button', { name: 'Keep the reading' }).click();
    await expect(page.getByRole('cell', { name: 'SG 1.465 ± 0.010, hydrometer, 46 °Bé', exact: true })).toBeVisible();
    // Something that cannot be read as a glaze is refused with the reason.
    await page.getByLabel('It reads').fill('145');
    await expect(page.getByRole('alert')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep the reading' })).toBeDisabled();
  });

  test('a merge is named as a mixture, balances, and is taken back in both buckets', async ({ page, studio, request }) => {
    const dryOf = async (name: string): Promise<number> =>
      (await studio.records<BucketSummary[]>(request, '/buckets')).find((bucket) => bucket.body.name === name)?.contents?.dryGrams ?? 0;
    const [humo, ceniza] = [await dryOf('Humo'), await dryOf('Ceniza Clara')];
    await open(page, 'Humo');
    await page.getByRole('tab', { name: 'Pour', exact: true }).click();
    await choose(page.getByRole('combobox', { name: 'Into' }), 'B3 Ceniza Clara');
    await page.getByRole('textbox', { name: 'Pour', exact: true }).fill('1.5 L');
    await expect(page.getByText(/B3 then holds 7\.8 L at 1\.3\d/)).toBeVisible();
    await expect(page.getByText('it becomes a mixture of both, and is called one')).toBeVisible();
    await page.getByRole('button', { name: 'Pour it' }).click();
    await expect(page.getByText('A mixture: Ceniza Clara, version 1 and Humo, version 1.')).toBeVisible();
    expect((await dryOf('Humo')) + (await dryOf('Ceniza Clara'))).toBeCloseTo(humo + ceniza, 4);
    await page.getByRole('button', { name: /^Take back: Poured from another bucket/ }).click();
    await expect(page.getByText('A mixture:')).toHaveCount(0);
    await expect.poll(async () => Math.round(await dryOf('Humo'))).toBe(Math.round(humo));
    expect(await dryOf('Ceniza Clara')).toBeCloseTo(ceniza, 4);
  });

  test('two who add water to one bucket at once: both are booked, and each sees the other’s', async ({ page, context, studio, request }) => {
    const other = await context.newPage();
    for (const tablet of [page, other]) {
      await open(tablet, 'Leche de Higo');
      await tablet.getByRole('tab', { name: 'Notes' }).click();
    }
    await page.getByLabel('Note', { exact: true }).fill('one jug from Inés');
    await other.getByLabel('Note', { exact: true }).fill('one jug from Bruno');
    await Promise.all([page, other].map((tablet) => tablet.getByRole('button', { name: 'Keep the note' }).click()));
    for (const tablet of [page, other]) {
      await expect(tablet.getByRole('cell', { name: 'one jug from Inés', exact: true })).toBeVisible();
      await expect(tablet.getByRole('cell', { name: 'one jug from Bruno', exact: true })).toBeVisible();
    }
    for (const tablet of [page, other]) {
      await tablet.getByRole('tab', { name: 'In and out' }).click();
      // Fifty litres do not go into it: a slip of the unit is asked about.
      await tablet.getByLabel('How much').fill('50 L');
      await expect(tablet.getByText(/more than its 16\.\d L: is the amount right/)).toBeVisible();
      await expect(tablet.getByRole('button', { name: 'Note it' })).toBeDisabled();
      await tablet.getByLabel('How much').fill('17');
      await expect(tablet.getByText(/^It then holds 11\.\d L at 1\.45\.$/)).toBeVisible();
    }
    await Promise.all([page, other].map((tablet) => tablet.getByRole('button', { name: 'Note it' }).click()));
    const { id } = (await studio.records<BucketSummary[]>(request, '/buckets')).find((bucket) => bucket.body.name === 'Leche de Higo')!;
    const waters = async (): Promise<number> =>
      (await studio.records<Bucket>(request, `/buckets/${id}`)).events.filter(
        (event) => event.type === 'waterAdded' && Date.now() - Date.parse(event.at) < 120_000,
      ).length;
    await expect.poll(waters).toBe(2);
    for (const tablet of [page, other]) await expect(tablet.getByRole('cell', { name: /^\d+ mL of water in$/ }).nth(1)).toBeVisible();
  });

  test('a level by dipstick, and a code typed on the shelf opens its bucket', async ({ page }) => {
    await page.goto('/bucket');
    await page.getByRole('searchbox').fill('b3');
    await page.getByRole('searchbox').press('Enter');
    await expect(page.getByRole('heading', { name: 'Ceniza Clara', level: 1 })).toBeVisible();
    await page.getByRole('tab', { name: 'Level' }).click();
    await page.getByLabel('Dipstick is wet').fill('100');
    await expect(page.getByText('that is 4.5 L')).toBeVisible();
    await page.getByLabel('Dipstick is wet').fill('500');
    await expect(page.getByText('The bucket is 225 mm high inside')).toBeVisible();
    await page.getByRole('tab', { name: 'What dips in it' }).click();
    await expect(page.getByRole('row', { name: /Cup with a blue lip goes under whole/ })).toBeVisible();
  });

  test('its time is looked at more closely by wheel, hand and keys, and the page still scrolls', async ({ page }) => {
    await open(page, 'Leche de Higo');
    const chart = page.locator('cz-line-chart');
    const seen = async (): Promise<string[]> => {
      const words = (await chart.getByRole('img').getAttribute('aria-label'))!;
      return /Seen from (.+) to (.+)\./.exec(words)!.slice(1);
    };
    await chart.scrollIntoViewIfNeeded();
    const all = await seen();
    const box = (await chart.boundingBox())!;
    const middle = [box.x + box.width / 2, box.y + box.height / 3] as const;
    await page.mouse.move(...middle);
    // The wheel alone scrolls the page.
    await page.mouse.wheel(0, 40);
    await page.mouse.wheel(0, -40);
    expect(await seen()).toEqual(all);
    await page.keyboard.down('Control');
    for (let turns = 0; turns < 5; turns++) await page.mouse.wheel(0, -200);
    await page.keyboard.up('Control');
    await expect.poll(seen).not.toEqual(all);
    const closer = await seen();
    await page.mouse.down();
    await page.mouse.move(middle[0] + 60, middle[1], { steps: 4 });
    await page.mouse.move(middle[0] + 160, middle[1], { steps: 4 });
    await page.mouse.up();
    // It goes with the hand: what lies before comes in from the left.
    await expect.poll(async () => (await seen())[0]).not.toBe(closer[0]);
    await chart.focus();
    for (let presses = 0; presses < 8; presses++) await page.keyboard.press('-');
    await expect.poll(seen).toEqual(all);
    await expect(chart.locator('canvas')).toHaveCSS('touch-action', 'pan-y');
  });
});
