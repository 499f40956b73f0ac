import { readFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { BucketSummary, Firing, PhotoColours, Piece, Recipe, Result, RunnerTile } from '@cazuela/contract';
import { choose } from './choose';
import { expect, test } from './studio';

test.use({ studioOf: 'wall' });

test('a test that was already made is said before it is made again', async ({ page, studio, request }) => {
  const fired = (await studio.records<Result[]>(request, '/results')).find(({ pieceName }) => pieceName === 'Cazuela for soup')!;
  await page.goto(`/piece/${fired.body.pieceId}`);
  const said = page.getByText(/You have made this one: /).first();
  await expect(said).toContainText(/fired (once|\d+ times)/);
  await said.getByRole('link', { name: 'See' }).click();
  await expect(page).toHaveURL(/\/wall\/glazes\?cell=/);
  await expect(page.getByText(/You have made this one: fired/)).toBeVisible();
});

test('the next test is made as a tile with every step, measured, and read: plans reckon with it', async ({ page, studio, request }) => {
  await page.goto('/wall/glazes');
  const plan = page.getByRole('link', { name: /^Plan a runner tile: / }).first();
  const title = (await plan.getAttribute('aria-label'))!.replace('Plan a runner tile: ', '');
  await plan.click();
  await expect(page.getByRole('link', { name: /in the next load of / })).toBeVisible();
  await page.getByRole('button', { name: 'Plan a tile' }).click();
  const planned = async (): Promise<RunnerTile | undefined> =>
    (await studio.records<RunnerTile[]>(request, '/runner-tiles')).find(({ body }) => body.wantedCone !== undefined && body.bodyId !== undefined);
  await expect.poll(planned).toBeDefined();
  const made = (await planned())!;
  const steps = page.getByRole('list', { name: `How ${made.code} is made` });
  await expect(steps).toContainText(`Its code is ${made.code}.`);
  await expect(steps).toContainText(/Dip its upper 30 mm.*SG 1\.\d+\): [\d.]+ s for 0\.\d+ mm/);
  const card = page.getByRole('article', { name: `Runner tile ${made.code}` });
  await card.getByLabel('It ran').fill('11');
  await card.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('The tile is kept.')).toBeVisible();
  await expect(steps).toHaveCount(0);
  await page.goto('/wall/glazes');
  await expect(page.getByRole('link', { name: /^Plan a runner tile: / }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: `Plan a runner tile: ${title}`, exact: true })).toHaveCount(0);
});

test('a keeper is made again with the bucket of a new version: what has changed is said first', async ({ page, studio, request }) => {
  const [{ id: studioId }] = (await (await request.get(`${studio.address}/api/studios`)).json()) as [{ id: string }];
  await page.goto('/wall');
  const row = page.getByRole('listitem').filter({ hasText: 'Cazuela for soup' }).first();
  await row.getByRole('button', { name: 'Keep Cazuela for soup' }).click();
  const keeper = page.getByRole('article', { name: 'Cazuela for soup, kept' });
  await expect(keeper.getByRole('heading', { name: 'Since then' })).toBeVisible();
  const kept = (await studio.records<Piece[]>(request, '/pieces')).find(({ body }) => body.keeper)!;
  const glaze = kept.body.keeper!.glazes.at(-1)!;

  // Another version of its glaze in a bucket of its own; the old bucket is put away.
  const recipe = (await studio.records<Recipe[]>(request, '/recipes')).find(({ id }) => id === glaze.glazeId)!;
  const lines = recipe.body.lines.map((line, at) => (at === 0 ? { ...line, percent: line.percent + 4 } : line));
  const url = `${studio.address}/api/studios/${studioId}`;
  const changed = await request.put(`${url}/recipes/${recipe.id}`, {
    data: { version: recipe.version, reason: 'runs too little', body: { ...recipe.body, lines } },
  });
  expect(changed.ok(), await changed.text()).toBe(true);
  const next = (await changed.json()) as Recipe;
  const batchId = randomUUID();
  const batch = {
    id: batchId,
    recipeVersionId: next.versionId,
    size: { kind: 'base', baseGrams: 2000 },
    water: { kind: 'perDryGram', millilitres: 1 },
    order: 'recipe',
  };
  expect((await request.post(`${url}/batches`, { data: batch })).ok()).toBe(true);
  const { plan } = (await (await request.get(`${url}/batches/${batchId}`)).json()) as {
    plan: { lines: { lineId: string; targetGrams: number }[]; waterGrams: number };
  };
  const head = (at: number) => ({ id: randomUUID(), at: new Date(Date.now() - 60_000 + at).toISOString(), by: 'Maia' });
  const weighed = plan.lines.map((line, at) => ({ ...head(at), type: 'lineWeighed', lineId: line.lineId, grams: line.targetGrams }));
  await request.post(`${url}/events`, {
    data: {
      events: [{ ...head(0), type: 'respiratorOn' }, ...weighed, { ...head(100), type: 'waterPoured', grams: plan.waterGrams }].map((event) => ({
        stream: 'batch',
        streamId: batchId,
        event,
      })),
    },
  });
  const bucket = { bucketId: randomUUID(), filledEventId: randomUUID(), finishedEventId: randomUUID() };
  const finished = await request.post(`${url}/batches/${batchId}/bucket`, {
    data: { ...bucket, at: new Date().toISOString(), by: 'Maia', name: recipe.body.name },
  });
  expect(finished.ok(), await finished.text()).toBe(true);
  const old = (await studio.records<BucketSummary[]>(request, '/buckets')).find(({ id }) => id === glaze.bucketId)!;
  const poured = { toId: null, scrapsId: randomUUID(), takenEventId: randomUUID(), filledEventId: randomUUID() };
  const emptied = await request.post(`${url}/buckets/${old.id}/pour`, {
    data: { ...poured, at: new Date().toISOString(), by: 'Maia', takenMl: old.contents!.volumeMl },
  });
  expect(emptied.ok(), await emptied.text()).toBe(true);

  await page.reload();
  const since = page.getByRole('region', { name: 'Since then: Cazuela for soup, kept' });
  await expect(since).toContainText(/its bucket holds version \d+: by its chemistry it runs/);
  await since.getByRole('button', { name: 'Make it again' }).click();
  await expect(page).toHaveURL(/\/piece\//);
  await expect(page.getByLabel('Name')).toHaveValue('Cazuela for soup');
  const again = (await studio.records<Piece[]>(request, '/pieces')).find(({ id }) => page.url().endsWith(id))!;
  expect(again.body.keeper).toBeUndefined();
  expect(JSON.stringify(again.body.plan.zones)).not.toContain(old.id);
});

test('a spot of a photo finds what has its colour; a grey patch that is none is refused in words', async ({ page, studio, request }) => {
  const shown = (await studio.records<Result[]>(request, '/results')).find(({ body }) => body.photoId)!;
  await page.goto(`/wall?result=${shown.id}`);
  const photo = page.getByRole('application', { name: /choose a spot/ });
  await expect(photo.getByRole('img')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Look for this colour/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'This is grey' }).click();
  const grey = page.getByRole('application', { name: /something grey/ });
  await grey.focus();
  await page.keyboard.press('Enter');
  // What was drawn is warm: either it is taken as grey, or refused with a reason.
  const taken = page.getByText('Its colours are made neutral by a grey patch.');
  const refused = page.getByText(/^That spot is/);
  await expect(taken.or(refused)).toBeVisible();
  if (await taken.isVisible()) {
    const all = await studio.records<PhotoColours[]>(request, '/photo-colours');
    expect(all.find(({ id }) => id === shown.body.photoId)!.gains).toHaveLength(3);
    await page.getByRole('button', { name: 'As the camera saw it' }).click();
    await expect(taken).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Find this colour' }).click();
  await page.getByRole('application', { name: /choose a spot/ }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/like=/);
  await expect(page.getByRole('listitem').first()).toContainText(/ΔE [01]\.\d: looks the same/);
  await choose(page.getByLabel('Stars at least'), '5 stars and more');
  await page.getByRole('button', { name: 'Any colour' }).click();
  await expect(page.getByText(/ΔE/)).toHaveCount(0);
});

test('a whole studio leaves as one file and comes back: nothing is there twice', async ({ page }) => {
  await page.goto('/recipe/files');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Studio', exact: true }).click();
  const path = await (await download).path();
  expect((await readFile(path)).subarray(0, 2).toString()).toBe('PK');
  await page.getByLabel('The zip of a studio').setInputFiles(path);
  await expect(page.getByText(/^Everything in it was here already: \d+ records\./)).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('The zip of a studio').setInputFiles({ name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from('just words') });
  await expect(page.getByText('This file is no zip of a studio.')).toBeVisible();
});

test('the wall is walked and looked at closer: by finger, wheel and keys, and a reload shows the same', async ({ page }) => {
  await page.goto('/wall/glazes');
  const grid = page.getByRole('grid', { name: /Glazes below in rows/ });
  const fired = grid.getByRole('gridcell', { name: /: fired/ }).first();
  const side = async (): Promise<number> => (await fired.boundingBox())!.width;
  await fired.click();
  await expect(fired).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByText(/You have made this one: fired/)).toBeVisible();
  // It is drawn there: what stands in its middle is no paper.
  const inks = async (): Promise<number> => {
    const { x, y, width } = (await fired.boundingBox())!;
    const picture = await page.screenshot({ clip: { x: x + width / 4, y: y + width / 4, width: width / 2, height: width / 2 } });
    return (await sharp(picture).stats()).entropy;
  };
  await expect.poll(inks).toBeGreaterThan(0.5);

  const usual = await side();
  await fired.hover();
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -150);
  await page.keyboard.up('Control');
  await expect(page).toHaveURL(/side=\d+/);
  await expect.poll(side).toBeGreaterThan(usual + 10);
  const closer = await side();
  await page.reload();
  await expect.poll(side).toBe(closer);

  await fired.focus();
  await page.keyboard.press('-');
  await expect.poll(side).toBeLessThan(closer);
  const label = await fired.getAttribute('aria-label');
  await page.keyboard.press('ArrowDown');
  await expect(grid.locator(':focus')).not.toHaveAttribute('aria-label', label!);
  await page.keyboard.press('ArrowUp');
  await expect(grid.locator(':focus')).toHaveAttribute('aria-label', label!);
});

test('walls stand side by side, clay by clay, drawn as soon as they are there', async ({ page }) => {
  await page.goto('/wall/glazes?slices=clay');
  const walls = page.getByRole('img', { name: /^Barro .*: \d+ fired/ });
  await expect(walls).not.toHaveCount(0);
  const drawn = (canvas: HTMLCanvasElement): boolean =>
    canvas
      .getContext('2d')!
      .getImageData(0, 0, canvas.width, canvas.height)
      .data.some((value) => value > 0);
  await expect.poll(() => walls.first().evaluate(drawn)).toBe(true);
});

test('a photo is turned and cropped by hand: the part that is kept takes its place', async ({ page, studio, request }) => {
  const firing = (await studio.records<Firing[]>(request, '/firings'))[1]!;
  await page.goto(`/kiln/firings/${firing.id}/opening`);
  const wide = await sharp({ create: { width: 600, height: 300, channels: 3, background: '#9A6A42' } })
    .jpeg()
    .toBuffer();
  await page.getByLabel('Photos of this piece').setInputFiles({ name: 'pot.jpg', mimeType: 'image/jpeg', buffer: wide });
  await page.getByRole('button', { name: /^Photo 1 of .*turn, crop/ }).click();
  await page.getByRole('button', { name: 'Turn it' }).click();
  await page.getByRole('button', { name: 'Keep this part' }).click();
  await expect(page.getByRole('button', { name: /turn, crop/ })).toHaveCount(1);
  const tall = page.getByRole('button', { name: /^Photo 1 of .*turn, crop/ }).getByRole('img');
  await expect.poll(() => tall.evaluate((image: HTMLImageElement) => image.naturalHeight > image.naturalWidth)).toBe(true);
  // Taken off, it shows no more.
  await page.getByRole('button', { name: /turn, crop/ }).click();
  await page.getByRole('button', { name: 'Take it off' }).click();
  await expect(page.getByRole('button', { name: /turn, crop/ })).toHaveCount(0);
});
