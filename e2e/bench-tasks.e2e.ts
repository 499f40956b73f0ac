import { randomUUID } from 'node:crypto';
import type { Batch, Bucket, BucketSummary, Recipe } from '@cazuela/contract';
import type { APIRequestContext } from '@playwright/test';
import { pressNext } from './hands';
import { expect, test, type StudioUnderTest } from './studio';

const LONG = 'Ceniza de la vid de la ladera norte, tercera cocción de abril';

async function post(studio: StudioUnderTest, request: APIRequestContext, path: string, data: object): Promise<void> {
  const [mine] = (await (await request.get(`${studio.address}/api/studios`)).json()) as [{ id: string }];
  const answer = await request.post(`${studio.address}/api/studios/${mine.id}${path}`, { data });
  expect(answer.ok()).toBe(true);
}

test.describe('tasks of the bench, from the start', () => {
  test('a test of 400 g with a note, a lot and a skipped line, which is said again and weighed in the end', async ({ page, studio, request }) => {
    const recipe = (await studio.records<Recipe[]>(request, '/recipes')).find((one) => one.body.name === 'Leche de Higo')!;
    await page.goto(`/weigh?recipe=${recipe.id}`);
    await page.getByRole('radio', { name: 'a small test' }).click();
    await page.getByRole('textbox', { name: 'Base of the test' }).fill('400');
    await page.getByRole('button', { name: 'Start weighing' }).click();
    await expect(page.getByRole('heading', { name: 'Respirator on' })).toBeVisible();
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Water' })).toBeVisible();
    await pressNext(page);
    const line = page.getByRole('heading', { level: 2 }).first();
    await expect(page.getByText(/Line 1 of/)).toBeVisible();
    await page.keyboard.press('n');
    await page.getByRole('textbox', { name: 'Note' }).fill('some lumps in the bag');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Note: some lumps in the bag')).toBeVisible();
    await page.keyboard.press('l');
    await page.getByRole('dialog').getByRole('textbox').fill('A77');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    const skipped = (await line.textContent())!.trim();
    await page.keyboard.press('s');
    await expect(line).not.toHaveText(skipped);
    while (!(await page.getByRole('heading', { name: 'Mix it' }).isVisible())) {
      const before = (await line.textContent())!;
      await pressNext(page);
      await expect(line).not.toHaveText(before);
    }
    const again = page.getByRole('button', { name: `${skipped} was skipped: weigh it now` }).first();
    await again.click();
    await expect(page.getByRole('heading', { name: skipped, level: 2 })).toBeVisible();
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Mix it' })).toBeVisible();
    await expect(page.getByText('was skipped')).toHaveCount(0);
    const kept = async (): Promise<Batch> => (await studio.records<Batch[]>(request, '/batches')).find((one) => one.plan.baseGrams === 400)!;
    // The last line is on the device at once, and in the records a moment later.
    await expect.poll(async () => (await kept()).linesDone).toBe((await kept()).plan.lines.length);
    const batch = await kept();
    const { events } = await studio.records<Batch>(request, `/batches/${batch.id}`);
    expect(JSON.stringify(events)).toContain('A77');
    expect(JSON.stringify(events)).toContain('some lumps in the bag');
  });

  test('an over-thick bucket with its lid off, and water by one’s own measure, down to its range', async ({ page, studio, request }) => {
    const bucket = (await studio.records<BucketSummary[]>(request, '/buckets')).find((one) => one.body.name === 'Retama')!;
    await page.goto(`/bucket/${bucket.id}`);
    await page.getByRole('textbox', { name: 'Full weight' }).fill('216.4');
    await page.getByRole('button', { name: 'Keep the reading' }).click();
    await expect(page.getByRole('cell', { name: /^SG 1\.540/ })).toBeVisible();
    await page.getByRole('radio', { name: 'off', exact: true }).click();
    // The lid counts from now on: nothing is put back for days that nobody told of.
    await expect(page.getByText(/Top up \d+ mL without measuring/)).toHaveCount(0);
    await page.getByRole('tab', { name: 'In and out' }).click();
    await page.getByRole('textbox', { name: 'How much' }).fill('400 mL');
    await expect(page.getByText(/It then holds .* at 1\.4\d/)).toBeVisible();
    await page.getByRole('button', { name: 'Note it' }).click();
    await expect(page.getByRole('heading', { name: /In range by the sum|Stir, then measure again/ })).toBeVisible();
    await expect
      .poll(async () => (await studio.records<Bucket>(request, `/buckets/${bucket.id}`)).events.filter((one) => one.type === 'waterAdded').at(-1))
      .toMatchObject({ grams: 400 });
    // What somebody else sees first says the same as the bucket’s own page.
    await page.goto('/');
    await expect(
      page
        .getByText(/Retama, 1\.4\d by the sum/)
        .or(page.getByText(/\d more/))
        .first(),
    ).toBeVisible();
  });

  test('a coat no hand can make is answered with what would, and a plan of it is mended with one tap', async ({ page }) => {
    await page.goto('/piece');
    await page.getByRole('button', { name: 'Cup', exact: true }).click();
    await page.getByRole('button', { name: 'A coat on the outside' }).click();
    const coat = page.getByLabel('Outside, coat 1: thickness');
    await coat.fill('0.1');
    await expect(page.getByText(/0\.10 mm of .* would be on after .*; hands need 1\.0 s\./)).toBeVisible();
    await expect(
      page
        .getByText(/Thin .* to SG 1\.\d\d: \d+ mL of water a litre/)
        .or(page.getByText('Brush it or spray it on'))
        .first(),
    ).toBeVisible();
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: /Dip the outside in .*, 1\.0 s/ })
        .first(),
    ).toBeVisible();
    await page.getByRole('button', { name: /^Plan 0\.\d\d mm$/ }).click();
    await expect(page.getByText('hands need 1.0 s')).toHaveCount(0);
    await expect(coat).not.toHaveValue('0.1');
  });

  test('names of sixty characters and a page twice as large fit everywhere', async ({ page, studio, request }) => {
    const recipe = (await studio.records<Recipe[]>(request, '/recipes')).find((one) => one.body.name === 'Leche de Higo')!;
    const id = randomUUID();
    await post(studio, request, '/recipes', { id, body: { ...recipe.body, name: LONG } });
    const bucket = (await studio.records<BucketSummary[]>(request, '/buckets'))[0]!;
    const [mine] = (await (await request.get(`${studio.address}/api/studios`)).json()) as [{ id: string }];
    const rename = async (name: string): Promise<void> => {
      const { version, body } = await studio.records<Bucket>(request, `/buckets/${bucket.id}`);
      const address = `${studio.address}/api/studios/${mine.id}/buckets/${bucket.id}`;
      expect((await request.put(address, { data: { version, body: { ...body, name } } })).ok()).toBe(true);
    };
    await rename(LONG);
    // 1280 px at 200 %.
    for (const width of [1280, 640]) {
      await page.setViewportSize({ width, height: 800 });
      for (const path of [
        '/',
        '/recipe',
        `/recipe/${id}`,
        `/weigh?recipe=${id}`,
        '/bucket',
        `/bucket/${bucket.id}`,
        `/coat?bucket=${bucket.id}`,
        '/day',
        '/studio',
      ]) {
        await page.goto(path);
        await expect(
          page
            .getByRole('heading', { level: 1 })
            .first()
            .or(page.getByRole('textbox', { name: 'Name', exact: true }))
            .first(),
        ).toBeVisible();
        const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
        expect(wide, `${path} at ${width} px`).toBeLessThanOrEqual(0);
      }
    }
    expect(LONG.length).toBeGreaterThanOrEqual(60);
    // The studio is shared: the journeys after this one know the bucket by its name.
    await rename(bucket.body.name);
  });
});
