import type { Page } from '@playwright/test';
import type { Batch } from '@cazuela/contract';
import { choose } from './choose';
import { pressNext } from './hands';
import { expect, StudioUnderTest, test } from './studio';

/** Pours at the practice scale: a stream for most of it, and nothing more. */
async function pour(page: Page, grams: number): Promise<void> {
  await page.evaluate((amount) => {
    const socket = (window as unknown as { scaleSocket: WebSocket }).scaleSocket;
    socket.send(JSON.stringify({ kind: 'script', steps: [{ gramsPerSecond: amount / 0.5, seconds: 0.5 }] }));
  }, grams);
}

/** The page's own socket to its scale, so that a test can pour an exact amount. */
const catchSocket = (): void => {
  const Real = window.WebSocket;
  window.WebSocket = class extends Real {
    constructor(url: string | URL, protocols?: string | string[]) {
      super(url, protocols);
      if (String(url).includes('/devices/scale')) (window as unknown as { scaleSocket: WebSocket }).scaleSocket = this;
    }
  };
};

const targetOf = async (page: Page): Promise<number> => Number((await page.locator('.weight.figure').textContent())!.replace(/[^\d.]/g, ''));

/** A test batch with its water in, at its first powder, with the practice scale connected. */
async function startWithScale(page: Page, own: StudioUnderTest): Promise<void> {
  await page.goto(`${own.address}/weigh`);
  await choose(page.getByRole('combobox', { name: 'Recipe' }), 'Leche de Higo, version 1');
  await page.getByRole('radio', { name: 'a small test' }).click();
  await page.getByRole('button', { name: 'Start weighing' }).click();
  await expect(page.getByRole('heading', { name: 'Respirator on' })).toBeVisible();
  await pressNext(page);
  await expect(page.getByRole('heading', { name: 'Water' })).toBeVisible();
  await pressNext(page);
  await page.getByRole('button', { name: /No scale connected/ }).click();
  await page.getByRole('button', { name: 'Practise with Bench scale' }).click();
}

test.describe('a test batch with the live scale', () => {
  let own: StudioUnderTest;
  test.beforeEach(async ({ page }) => {
    own = await StudioUnderTest.open({ demo: true });
    await page.addInitScript(catchSocket);
  });
  test.afterEach(() => own.close());

  test('lines accept themselves, too much raises the batch, and unplugging, reloading and a killed server lose and double nothing', async ({
    page,
    request,
  }) => {
    test.setTimeout(180_000);
    await startWithScale(page, own);
    await page.getByRole('button', { name: 'A pan on it' }).click();
    await expect(page.getByText('150.0')).toBeVisible();
    await page.keyboard.press('t');
    await expect(page.getByText(/^\s*0\.0\s*g/)).toBeVisible();

    // The first line: its weight rises, stands still, and the next line comes by itself.
    await expect(page.getByRole('heading', { name: 'Kaolin', level: 2 })).toBeVisible();
    await pour(page, await targetOf(page));
    const second = page.getByRole('heading', { name: 'Silica', level: 2 });
    await expect(second).toBeVisible();

    // In the middle of the second one the scale is unplugged and the page reloaded: what was poured is still there.
    const target = await targetOf(page);
    await pour(page, target / 2);
    await expect(page.getByRole('progressbar', { name: 'Of this line' })).toHaveAttribute('aria-valuenow', /^(49|50|51)$/);
    await page.getByRole('button', { name: 'Unplug it' }).click();
    await expect(page.getByText('Nothing comes from the scale')).toBeVisible();
    await page.getByRole('button', { name: 'Plug it in' }).click();
    await page.reload();
    await expect(second).toBeVisible();
    await expect(page.getByRole('progressbar', { name: 'Of this line' })).toHaveAttribute('aria-valuenow', /^(49|50|51)$/);

    // Too much of it: the whole batch is raised.
    await pour(page, target * 0.6);
    await expect(page.getByText(/too much/).first()).toBeVisible();
    await expect(page.locator('.net')).toHaveText(new RegExp(`^\\s*${Math.floor(target * 1.1)}|${Math.ceil(target * 1.1)}`));
    await expect(page.getByRole('button', { name: 'Raise the batch' })).toBeVisible();
    await page.keyboard.press('o');
    await expect(page.getByText(/raised to 1\d\d %/)).toBeVisible();

    // The server dies, and its practice scale with it: the display is read by eye, and the work goes on.
    const newest = async (): Promise<Batch> => {
      const [first] = await own.records<Batch[]>(request, '/batches');
      return own.records<Batch>(request, `/batches/${first!.id}`);
    };
    await expect.poll(async () => (await newest()).events.some((event) => event.type === 'batchRaised')).toBe(true);
    own.killServer();
    const before = await page.getByRole('heading', { level: 2 }).first().textContent();
    await page.keyboard.type('9');
    await pressNext(page);
    await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText(before!);
    await own.startServer();
    await expect(page.getByText(/records cannot be reached/)).toBeHidden({ timeout: 20_000 });
    await expect.poll(async () => (await newest()).events.filter((event) => event.type === 'lineWeighed')).toHaveLength(3);
    const batch = await newest();
    const weightsOf = (name: string): number[] => {
      const line = batch.plan.lines.find((one) => one.name === name)!;
      return batch.events.flatMap((event) => (event.type === 'lineWeighed' && event.lineId === line.lineId ? [event.grams] : []));
    };
    // The clay went in once by the scale, and once more, by eye, for what the raised batch lacked. The silica went in once.
    const [clay, topUp] = weightsOf('Kaolin');
    expect(Math.abs(clay! - batch.plan.lines.find((line) => line.name === 'Kaolin')!.targetGrams)).toBeLessThan(0.6);
    expect(topUp).toBe(9);
    expect(weightsOf('Silica')).toHaveLength(1);
    expect(Math.abs(weightsOf('Silica')[0]! - target * 1.1)).toBeLessThan(0.6);
    expect(batch.events.filter((event) => event.type === 'batchRaised')).toHaveLength(1);
  });

  test('hands wait for a line that opens late, and a page opened while the scale is unplugged says so', async ({ page }) => {
    let open = (): void => undefined;
    const opened = new Promise<void>((resolve) => (open = resolve));
    await page.routeWebSocket(/devices\/scale/, async (line) => {
      await opened;
      line.connectToServer();
    });
    await startWithScale(page, own);
    await expect(page.getByText('Being connected')).toBeVisible();
    await expect(page.getByRole('button', { name: 'A pan on it' })).toBeDisabled();
    open();
    await page.getByRole('button', { name: 'A pan on it' }).click();
    await expect(page.getByText('150.0')).toBeVisible();

    await page.getByRole('button', { name: 'Unplug it' }).click();
    await expect(page.getByText('Nothing comes from the scale')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Nothing comes from the scale')).toBeVisible();
    await page.getByRole('button', { name: 'Plug it in' }).click();
    await expect(page.getByText('150.0')).toBeVisible();
  });
});
