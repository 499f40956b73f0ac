import { randomUUID } from 'node:crypto';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import sharp from 'sharp';
import type { Firing, Kiln, Piece, Result, StepTile } from '@cazuela/contract';
import { kilnToLoad, loadPieces, planLoad, type LoadLot } from '@cazuela/core';
import { expect, test, type StudioUnderTest } from './studio';

test.use({ studioOf: 'kiln-opening' });

const head = (minutesAgo: number) => ({ id: randomUUID(), at: new Date(Date.now() - minutesAgo * 60_000).toISOString(), by: 'Bruno' });

/** Forty pieces of three lots, glazed, loaded and fired three days ago. */
async function firedKiln(request: APIRequestContext, studio: StudioUnderTest): Promise<Firing> {
  const [{ id: studioId }] = (await (await request.get(`${studio.address}/api/studios`)).json()) as [{ id: string }];
  const post = (path: string, data: object) => request.post(`${studio.address}/api/studios/${studioId}${path}`, { data });
  const pieces = await studio.records<Piece[]>(request, '/pieces');
  const kiln = (await studio.records<Kiln[]>(request, '/kilns')).find(({ body }) => body.name === 'Abuela')!;
  const lots = (
    [
      ['Cup with a blue lip', 12, 'C'],
      ['Cazuela for soup', 20, 'K'],
      ['Oil bottle', 8, 'O'],
    ] as const
  ).map(([name, count, code]) => ({
    piece: pieces.find(({ body }) => body.name === name)!,
    name,
    count,
    code,
    itemId: randomUUID(),
    stepId: randomUUID(),
  }));
  const dayId = randomUUID();
  const items = lots.map(({ piece, name, count, code, itemId, stepId }) => ({
    id: itemId,
    pieceId: piece.id,
    name,
    code,
    count,
    heightMm: 80,
    widthMm: 70,
    steps: [{ id: stepId, itemId, kind: 'wax', words: 'Wax the foot', laborSeconds: 30, waitMinutes: 5 }],
  }));
  const date = new Date(Date.now() - 5 * 86_400_000).toISOString().slice(0, 10);
  expect((await post('/days', { id: dayId, date, items })).ok()).toBe(true);
  const done = lots.map(({ stepId }) => ({ stream: 'day', streamId: dayId, event: { ...head(5 * 1_440), type: 'stepDone', stepId } }));
  await post('/events', { events: done });
  const firingId = randomUUID();
  const body = {
    kiln: 'Abuela',
    kilnId: kiln.id,
    startedAt: new Date(Date.now() - 72 * 3_600_000).toISOString(),
    wantedCone: '6',
    witnessCone: '6',
    points: [
      { hours: 0, celsius: 20 },
      { hours: 10, celsius: 1_206 },
      { hours: 36, celsius: 60 },
    ],
  };
  expect((await post('/firings', { id: firingId, body })).ok()).toBe(true);
  const loadId = randomUUID();
  await post('/loads', { id: loadId, kilnId: kiln.id });
  const toLoad: LoadLot[] = lots.map(({ piece, name, count, code, itemId }) => ({
    id: itemId,
    dayId,
    itemId,
    pieceId: piece.id,
    name,
    code,
    count,
    footprint: { kind: 'circle', radiusMm: 35 },
    heightMm: 80,
  }));
  const { shelves } = planLoad(loadPieces(toLoad), kilnToLoad(kiln.body, 0));
  const events = [
    ...toLoad.map((lot) => ({ ...head(80 * 60), type: 'lotAdded', lot })),
    { ...head(79 * 60), type: 'placesSet', shelves: shelves.map(({ pieces: places }) => ({ id: randomUUID(), pieces: places })) },
    { ...head(73 * 60), type: 'fired', firingId },
  ];
  expect((await post('/events', { events: events.map((event) => ({ stream: 'load', streamId: loadId, event })) })).ok()).toBe(true);
  return studio.records<Firing>(request, `/firings/${firingId}`);
}

const readCount = (page: Page, count: number) => expect(page.getByText(`${count} of 40 read.`)).toBeVisible({ timeout: 15_000 });
const lookAt = async (page: Page, code: string): Promise<void> => {
  await page.getByRole('textbox', { name: 'Code on it' }).fill(code);
  await page.getByRole('textbox', { name: 'Code on it' }).press('Enter');
  await expect(page.getByRole('heading', { name: new RegExp(`^${code} `) })).toBeVisible();
};

test('a kiln of forty is opened by two people: twelve alike, one cracked, one without the network', async ({ page, browser, studio, request }) => {
  const firing = await firedKiln(request, studio);
  const elsewhere = await browser.newContext({ baseURL: studio.address, locale: 'en-GB', timezoneId: 'UTC' });
  const other = await elsewhere.newPage();
  await other.addInitScript(() => localStorage.setItem('cazuela.by', 'Maia'));
  await page.goto(`/kiln?firing=${firing.id}`);
  await page.getByRole('link', { name: 'Open it, piece after piece' }).click();
  await other.goto(`/kiln/firings/${firing.id}/opening`);
  await readCount(page, 0);
  await readCount(other, 0);

  // Twelve cups alike, in three taps; then the one that is not.
  await lookAt(page, 'C1');
  await page.getByRole('radio', { name: '4 stars' }).click();
  await page.getByRole('button', { name: 'clean', exact: true }).click();
  await page.getByRole('button', { name: 'All 12 came out like this' }).click();
  await readCount(page, 12);
  await readCount(other, 12);
  await page
    .getByRole('button', { name: /^C7, 4 stars/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^cracked/ }).click();
  await page.getByRole('button', { name: 'cracked rim' }).click();
  await page.getByRole('button', { name: 'cracked spoils it' }).click();
  await expect(page.getByText(/can part when it is filled hot/)).toBeVisible();

  // The other one goes on without the network, by keys, with a photo.
  await lookAt(other, 'O1');
  await elsewhere.setOffline(true);
  await other.getByRole('heading', { name: /^O1 / }).click();
  await other.keyboard.press('ArrowRight');
  await other.keyboard.press('r');
  await other.keyboard.press('g');
  await expect(other.getByRole('radio', { name: '3 stars' })).toBeChecked();
  const picture = await sharp({ create: { width: 2_400, height: 1_800, channels: 3, background: '#2B7257' } })
    .jpeg()
    .toBuffer();
  await other.getByLabel('Photos of this piece').setInputFiles({ name: 'o1.jpg', mimeType: 'image/jpeg', buffer: picture });
  await expect(other.getByRole('img', { name: /^Photo of O1, still on this device/ })).toBeVisible();
  await other.getByRole('textbox', { name: 'What it looks like' }).fill('ran onto the shelf, lovely shoulder');
  await other.getByRole('button', { name: 'Next: O2' }).click();
  await readCount(other, 13);

  // What was done here stays: also over a reload in between, while the other reads on.
  await page.reload();
  await lookAt(page, 'K20');
  await page.getByRole('radio', { name: '5 stars' }).click();
  await page.getByRole('button', { name: 'All 20 came out like this' }).click();
  await readCount(page, 32);
  await elsewhere.setOffline(false);
  for (const one of [page, other]) await readCount(one, 33);
  await lookAt(page, 'O1');
  await expect(page.getByRole('img', { name: 'Photo 1 of O1' })).toBeVisible({ timeout: 30_000 });

  const results = (await studio.records<Result[]>(request, '/results')).filter(({ body }) => body.firingId === firing.id);
  expect(results).toHaveLength(33);
  const faulty = results.filter(({ body }) => body.faults.length > 0).map(({ body }) => body);
  expect(faulty).toContainEqual(expect.objectContaining({ stars: 4, foot: 'clean', faults: [{ fault: 'cracked', where: 'rim', degree: 3 }] }));
  expect(faulty).toContainEqual(
    expect.objectContaining({ stars: 3, foot: 'touched', note: 'ran onto the shelf, lovely shoulder', photoId: expect.any(String) }),
  );

  // Taken back by whoever said it; then it is not read.
  await other.getByRole('heading', { name: /^O2 / }).click();
  await other.keyboard.press('ArrowRight');
  await readCount(page, 34);
  await other.getByRole('button', { name: 'Take the last word back' }).click();
  await readCount(page, 33);
  await elsewhere.close();
});

test('the kiln that is cool is opened from the first screen; one that is hot is refused in words', async ({ page, studio, request }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Read the results' }).first().click();
  await expect(page.getByRole('heading', { name: /^Opening Grillo/ })).toBeVisible();
  const running = (await studio.records<Firing[]>(request, '/firings')).find(({ log }) => log?.endedAt === null)!;
  await page.goto(`/kiln/firings/${running.id}/opening`);
  await expect(page.getByRole('heading', { name: 'It is not cool yet' })).toBeVisible();
  await expect(page.getByText(/A hot kiln burns/)).toBeVisible();
  await expect(page.getByRole('radio', { name: '4 stars' })).toHaveCount(0);
});

test('a tile is looked at strip by strip where it comes out, also without the network; its card follows', async ({
  page,
  context,
  studio,
  request,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Read the results' }).first().click();
  const strips = page.getByRole('list', { name: /^Strips of T\d/ });
  const strip = (at: number): Locator => strips.getByRole('group').nth(at);
  await expect(strip(2)).toBeVisible();
  await context.setOffline(true);
  await strip(0).getByRole('button', { name: 'thin' }).click();
  await strip(1).getByRole('button', { name: 'right' }).click();
  await strip(2).getByRole('button', { name: 'right' }).click();
  await strip(2).getByRole('button', { name: 'right' }).click();
  await expect(strip(1).getByRole('button', { name: 'right' })).toHaveAttribute('aria-pressed', 'true');
  await expect(strip(2).getByRole('button', { name: 'right' })).toHaveAttribute('aria-pressed', 'false');
  await context.setOffline(false);
  const verdicts = async (): Promise<(string | undefined)[]> => {
    const tiles = await studio.records<StepTile[]>(request, '/tiles');
    return tiles.find(({ body }) => body.glazeName === 'Retama')!.body.strips.map(({ verdict }) => verdict);
  };
  await expect.poll(verdicts, { timeout: 30_000 }).toEqual(['thin', 'right', undefined]);
  await page.getByRole('button', { name: 'Take the last word back' }).click();
  await expect.poll(verdicts).toEqual(['thin', 'right', 'right']);
});
