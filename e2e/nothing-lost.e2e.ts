import type { Batch, Bucket } from '@cazuela/contract';
import type { BrowserContext, Page, Route } from '@playwright/test';
import { pressNext } from './hands';
import { expect, StudioUnderTest, test } from './studio';

/** What may answer in place of the records, each for a while. */
const TROUBLES: readonly (readonly [name: string, answer: (route: Route) => Promise<void>])[] = [
  ['a proxy asks for a sign-in', (route) => route.fulfill({ status: 401, contentType: 'text/html', body: '<h1>Sign in</h1>' })],
  ['a hotel’s welcome page', (route) => route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Welcome</h1>' })],
  ['too large for a proxy', (route) => route.fulfill({ status: 413, contentType: 'text/html', body: 'Too large' })],
  [
    'the server is broken',
    (route) =>
      route.fulfill({
        status: 500,
        contentType: 'application/problem+json',
        body: JSON.stringify({ type: 'x', title: 'x', status: 500, code: 'broken', detail: 'Something went wrong on our side.' }),
      }),
  ],
  ['no network', (route) => route.abort('internetdisconnected')],
];

test.describe('what hands did is never lost', () => {
  let own: StudioUnderTest;
  test.beforeAll(async () => {
    own = await StudioUnderTest.open({ demo: true });
  });
  test.afterAll(() => own.close());

  const stirredIn = (bucket: Bucket): number => bucket.events.filter((event) => event.type === 'stirred').length;
  async function bucketPage(page: Page, request: BrowserContext['request']): Promise<{ id: string; stirred: () => Promise<number> }> {
    const [first] = await own.records<Bucket[]>(request, '/buckets');
    await page.goto(`${own.address}/bucket/${first!.id}`);
    return { id: first!.id, stirred: async () => stirredIn(await own.records<Bucket>(request, `/buckets/${first!.id}`)) };
  }
  const stir = async (page: Page): Promise<void> => {
    await page.getByRole('button', { name: 'Stirred just now' }).click();
  };

  test('whatever answers in place of the records, also over a reload: every tick is there in the end, once', async ({ page, context }) => {
    const bucket = await bucketPage(page, context.request);
    const before = await bucket.stirred();
    for (const [index, [, answer]] of TROUBLES.entries()) {
      await context.route('**/events', answer);
      await stir(page);
      await expect(page.getByText(/kept on this device/)).toBeVisible();
      await page.reload();
      await expect(page.getByText(new RegExp(`1 step is kept on this device`))).toBeVisible();
      await context.unroute('**/events');
      await expect(page.getByText(/kept on this device/)).toBeHidden();
      await expect.poll(bucket.stirred).toBe(before + index + 1);
    }
  });

  test('a device without room: the step is sent from the page, which says so and asks before it is closed', async ({ page, context }) => {
    const bucket = await bucketPage(page, context.request);
    const before = await bucket.stirred();
    const browser = await context.newCDPSession(page);
    const roomOf = (quotaSize?: number): Promise<unknown> =>
      browser.send('Storage.overrideQuotaForOrigin', { origin: own.address, ...(quotaSize === undefined ? {} : { quotaSize }) });
    await roomOf(1);
    await page.reload();
    await context.route('**/events', (route) => route.abort());
    await stir(page);
    await expect(page.getByText('This device has no room left')).toBeVisible();
    await context.unroute('**/events');
    await expect(page.getByText('This device has no room left')).toBeHidden();
    await expect.poll(bucket.stirred).toBe(before + 1);
    await roomOf();
  });

  test('a step the records refuse is read, saved as a file, and put aside by nobody but the potter', async ({ page, context, request }) => {
    const batch = (await own.records<Batch[]>(request, '/batches')).find((one) => one.bucketId === null)!;
    await page.goto(`${own.address}/weigh/${batch.id}`);
    await expect(page.getByRole('heading', { name: 'Potash feldspar' })).toBeVisible();
    // For this request, the record it belongs to is gone.
    await context.route('**/events', async (route) => {
      const { events } = route.request().postDataJSON() as { events: { streamId: string }[] };
      const gone = events.map((event) => ({ ...event, streamId: '0198c0de-0000-7000-8000-00000000dead' }));
      await route.continue({ postData: JSON.stringify({ events: gone }) });
    });
    await pressNext(page);
    await page.goto(own.address);
    await expect(page.getByText('One step was not taken over: There is no such batch here any more.')).toBeVisible();
    await page.reload();
    await page.getByRole('link', { name: 'Look at it' }).click();
    await expect(page.getByRole('heading', { name: 'Steps not taken over' })).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: 'A powder weighed' })).toBeVisible();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save them as a file' }).click();
    expect((await download).suggestedFilename()).toBe('steps-not-taken.json');

    await page.getByRole('button', { name: /Put aside/ }).click();
    await page.getByRole('button', { name: 'Keep it after all' }).click();
    await context.unroute('**/events');
    await page.getByRole('button', { name: /Send again/ }).click();
    await expect(page.getByText('All that was done on this device is in the records')).toBeVisible();
    await expect.poll(async () => (await own.records<Batch>(request, `/batches/${batch.id}`)).linesDone).toBe(4);
  });

  test('a bucket one step made unreadable: the shelf shows the others, and taking that step back mends it', async ({ page, request }) => {
    const buckets = await own.records<Bucket[]>(request, '/buckets');
    const spoiled = buckets.find((bucket) => bucket.body.name === 'Retama')!;
    await own.corruptBucket(spoiled.id);
    await page.goto(`${own.address}/bucket`);
    await expect(page.getByText(`${spoiled.code} Retama cannot be read.`)).toBeVisible();
    await expect(page.getByRole('link', { name: /Marisma/ }).first()).toBeVisible();
    await page.getByRole('link', { name: 'See its last steps' }).click();
    await page.getByRole('button', { name: 'Take back: Powder added, Silica 2,000,000 g' }).click();
    await page.getByRole('button', { name: 'Look again' }).click();
    await expect(page.getByRole('heading', { name: 'Retama', level: 1, exact: true })).toBeVisible();
    await page.goto(`${own.address}/bucket`);
    await expect(page.getByText('cannot be read')).toBeHidden();
  });
});
