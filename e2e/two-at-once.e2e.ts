import type { Batch, Piece, Recipe } from '@cazuela/contract';
import { select } from './planner';
import { expect, test } from './studio';

test('two who change one recipe: the second sees both and chooses', async ({ page, context, studio, request }) => {
  const recipes = await studio.records<Recipe[]>(request, '/recipes');
  const recipe = recipes.find((one) => one.body.name === 'Retama')!;
  const other = await context.newPage();
  for (const tablet of [page, other]) {
    await tablet.goto(`/recipe/${recipe.id}`);
    await expect(tablet.getByLabel('Name')).toHaveValue('Retama');
  }
  await page.getByLabel('Percent of line 1 of the base').fill('33');
  await page.getByLabel('Why it changed').fill('a little less soda');
  await page.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(page.getByText('Version 2. a little less soda')).toBeVisible();

  await other.getByLabel('Percent of line 1 of the base').fill('36');
  await other.getByLabel('Why it changed').fill('more soda');
  await other.getByRole('button', { name: 'Keep as version 2' }).click();
  const both = other.getByRole('alert', { name: 'Changed meanwhile' });
  await expect(both).toContainText('a little less soda');
  await expect(both).toContainText('more soda');
  await both.getByRole('button', { name: 'Keep mine' }).click();
  await expect(other.getByText('Version 3. more soda')).toBeVisible();
});

test('two who plan one piece: the second sees both, and neither’s work goes unseen', async ({ page, context, studio, request }) => {
  const piece = (await studio.records<Piece[]>(request, '/pieces')).find((one) => one.body.name === 'Lidded pot, tall')!;
  const kept = async (): Promise<Piece> => (await studio.records<Piece[]>(request, '/pieces')).find((one) => one.id === piece.id)!;
  const other = await context.newPage();
  for (const tablet of [page, other]) {
    await tablet.goto(`/piece/${piece.id}`);
    await select(tablet, 'Outside');
    await expect(tablet.getByLabel('Wax up the foot')).toHaveValue('12');
  }
  // No height that the arrow keys of the other pass on their way: the same change made twice would find itself done.
  await page.getByLabel('Wax up the foot').fill('15.5');
  await expect.poll(async () => (await kept()).body.plan.waxFootMm).toBe(15.5);
  // Journeys share a studio, so the number of versions is not known before.
  const { version } = await kept();
  expect(version).toBe(piece.version + 1);

  await other.getByRole('slider', { name: 'Upper edge of the bare foot' }).focus();
  for (let i = 0; i < 6; i++) await other.keyboard.press('ArrowUp');
  const both = other.getByRole('alert', { name: 'Changed meanwhile' });
  await expect(both).toContainText(`Lidded pot, tall, version ${version}`);
  await expect(both).toContainText('Both of you changed the waxed foot (yours 18, theirs 15.5).');
  // Until one is chosen nothing is overwritten.
  expect((await kept()).body.plan.waxFootMm).toBe(15.5);
  await both.getByRole('button', { name: 'Keep mine' }).click();
  await expect.poll(async () => (await kept()).body.plan.waxFootMm).toBe(18);
  await expect(both).toHaveCount(0);

  // The first one goes on from what it knows: its rim and the other's foot do not touch, so both are kept.
  await select(page, 'Rim band');
  await page.getByRole('textbox', { name: 'Rim band', exact: true }).fill('60');
  await expect(page.getByText('Changed meanwhile by somebody else: both changes are kept.')).toBeVisible();
  await expect.poll(async () => (await kept()).body.plan).toMatchObject({ waxFootMm: 18, rimBandMm: 60 });
  await select(page, 'Outside');
  await expect(page.getByLabel('Wax up the foot')).toHaveValue('18');
  // As the demo has it, for the journeys after this one.
  await page.getByLabel('Wax up the foot').fill('12');
  await select(page, 'Rim band');
  await page.getByRole('textbox', { name: 'Rim band', exact: true }).fill('70');
  await expect.poll(async () => (await kept()).body.plan).toMatchObject({ waxFootMm: 12, rimBandMm: 70 });
});

test('two tablets on one batch: the line ticked on one is gone from the other', async ({ page, context, studio, request }) => {
  const batch = (await studio.records<Batch[]>(request, '/batches')).sort((a, b) => a.id.localeCompare(b.id)).find((one) => one.bucketId === null)!;
  const other = await context.newPage();
  for (const tablet of [page, other]) {
    await tablet.goto(`/weigh/${batch.id}`);
    await expect(tablet.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
  }
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Whiting' })).toBeVisible();
  await expect(other.getByRole('heading', { name: 'Whiting' })).toBeVisible();
});

test('two taps on “next” tick one line', async ({ page, studio, request }) => {
  const batch = (await studio.records<Batch[]>(request, '/batches')).sort((a, b) => a.id.localeCompare(b.id)).find((one) => one.bucketId === null)!;
  await page.goto(`/weigh/${batch.id}`);
  await expect(page.getByText(/Line \d of 7/)).toBeVisible();
  const before = await page.getByRole('heading', { level: 2 }).first().textContent();
  await page.getByRole('button', { name: 'Next' }).dblclick();
  await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText(before!);
  await page.keyboard.press('Backspace');
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText(before!);
});
