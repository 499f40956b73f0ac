import type { Batch } from '@cazuela/contract';
import { pressNext } from './hands';
import { expect, StudioUnderTest, test } from './studio';

const grams = (batch: Batch): Record<string, number> =>
  Object.fromEntries(batch.events.flatMap((event) => (event.type === 'lineWeighed' ? [[event.lineId, event.grams]] : [])));

test.describe('when something dies in the middle of weighing', () => {
  let own: StudioUnderTest;
  test.beforeEach(async () => {
    own = await StudioUnderTest.open({ demo: true });
  });
  test.afterEach(() => own.close());

  test('the server is killed: the bench goes on, and nothing is weighed twice or lost', async ({ page, request }) => {
    await page.goto(own.address);
    await page.getByRole('link', { name: 'Go on weighing' }).click();
    await expect(page.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Whiting' })).toBeVisible();
    own.killServer();
    await page.keyboard.type('660.2');
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Red iron oxide' })).toBeVisible();
    await expect(page.getByText(/(step is|steps are) kept on this device/)).toBeVisible();
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Cobalt carbonate' })).toBeVisible();

    await own.startServer();
    await expect(page.getByText(/records cannot be reached/)).toBeHidden();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Cobalt carbonate' })).toBeVisible();
    await expect(page.getByText('Line 7 of 7')).toBeVisible();
    await pressNext(page);
    await expect(page.getByRole('button', { name: 'It is a bucket' })).toBeEnabled();
    await pressNext(page);
    // The heading of the bench has the version behind the name: only the bucket's page has the name alone.
    await expect(page.getByRole('heading', { name: 'Noche Honda', level: 1, exact: true })).toBeVisible();

    const [batch] = await own.records<Batch[]>(request, '/batches');
    const whole = await own.records<Batch>(request, `/batches/${batch!.id}`);
    const whiting = whole.plan.lines.find((line) => line.name === 'Whiting')!;
    expect(Object.keys(grams(whole))).toHaveLength(7);
    expect(grams(whole)[whiting.lineId]).toBe(660.2);
  });

  test('the page is reloaded while the server is away: what was ticked is still there when it is back', async ({ page, request }) => {
    const [batch] = await own.records<Batch[]>(request, '/batches');
    await page.goto(`${own.address}/weigh/${batch!.id}`);
    await expect(page.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
    own.killServer();
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Whiting' })).toBeVisible();
    // The tab dies with the server; another one finds the event in the device's storage and sends it.
    await page.close();
    await own.startServer();
    const again = await page.context().newPage();
    await again.goto(`${own.address}/weigh/${batch!.id}`);
    await expect(again.getByRole('heading', { name: 'Whiting' })).toBeVisible();
    await expect.poll(async () => (await own.records<Batch>(request, `/batches/${batch!.id}`)).linesDone).toBe(4);
  });

  test('the network is away for a while: the bench goes on, and sends what was weighed once it is back', async ({ page, request, context }) => {
    const [batch] = await own.records<Batch[]>(request, '/batches');
    await page.goto(`${own.address}/weigh/${batch!.id}`);
    await expect(page.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
    await context.setOffline(true);
    await pressNext(page);
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Red iron oxide' })).toBeVisible();
    await expect(page.getByText(/(step is|steps are) kept on this device/)).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText(/records cannot be reached/)).toBeHidden({ timeout: 30_000 });
    await expect.poll(async () => (await own.records<Batch>(request, `/batches/${batch!.id}`)).linesDone).toBe(5);
    const whole = await own.records<Batch>(request, `/batches/${batch!.id}`);
    expect(Object.keys(grams(whole))).toHaveLength(5);
    expect(whole.events.filter((event) => event.type === 'lineWeighed')).toHaveLength(5);
  });

  test('the database stops: the bench says so, keeps what was done, and goes on when it is back', async ({ page, request }) => {
    const [batch] = await own.records<Batch[]>(request, '/batches');
    await page.goto(`${own.address}/weigh/${batch!.id}`);
    await expect(page.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
    await own.stopDatabase();
    await pressNext(page);
    await expect(page.getByRole('heading', { name: 'Whiting' })).toBeVisible();
    await expect(page.getByText(/records cannot be reached/)).toBeVisible();
    await own.startDatabase();
    await expect(page.getByText(/records cannot be reached/)).toBeHidden({ timeout: 30_000 });
    expect((await own.records<Batch>(request, `/batches/${batch!.id}`)).linesDone).toBe(4);
  });

  test('a page not opened before cannot be fetched: one stays where one was, and tries again', async ({ page }) => {
    await page.goto(own.address);
    await expect(page.getByRole('link', { name: 'Go on weighing' })).toBeVisible();
    own.killServer();
    await page.keyboard.press('8');
    await expect(page.getByText('You are still where you were.')).toBeVisible();
    await expect(page.getByRole('heading', { name: 'What now?' })).toBeVisible();
    await own.startServer();
    await page.getByRole('button', { name: 'Try again' }).first().click();
    await expect(page.getByRole('heading', { name: 'Wall', level: 1 })).toBeVisible();
    await expect(page.getByText('You are still where you were.')).toBeHidden();
  });
});
