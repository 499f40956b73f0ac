import { readFile } from 'node:fs/promises';
import AxeBuilder from '@axe-core/playwright';
import type { Firing, Kiln } from '@cazuela/contract';
import { coneReached } from '@cazuela/core';
import { expect, StudioUnderTest, test } from './studio';

test.use({ studioOf: 'kiln-firing' });

test.describe('a firing read by its controller', () => {
  let own: StudioUnderTest;
  test.beforeEach(async () => {
    own = await StudioUnderTest.open({ demo: true });
  });
  test.afterEach(() => own.close());

  test('goes through a power cut and a killed server to its cone; its cones teach the next plan', async ({ page, request }) => {
    test.slow();
    const stands = page.getByLabel('It stands', { exact: true }).locator('option', { hasText: /^Abuela, Top: / });
    const openPlan = async (): Promise<string> => {
      await page.goto(`${own.address}/piece`);
      await page
        .getByRole('link', { name: /Cup with a blue lip/ })
        .first()
        .press('Enter');
      return stands.innerText();
    };
    const before = await openPlan();

    // The load is fired by the schedule of the house.
    await page.goto(`${own.address}/kiln`);
    await page.getByRole('link', { name: /^Abuela, begun/ }).press('Enter');
    await page.getByRole('link', { name: 'Fire it' }).press('Enter');
    const form = page.getByRole('form', { name: 'A firing' });
    await form.getByLabel('By the schedule').focus();
    await page.keyboard.type('Cone 6');
    await form.getByRole('button', { name: 'Keep the firing' }).press('Enter');
    await page.getByRole('link', { name: 'Read it: controller, display or file' }).press('Enter');

    // The kiln is still read for the firing before: one kiln, one firing.
    await expect(page.getByText(/Abuela is read for/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Practice kiln: begin' })).toBeDisabled();
    await page.getByRole('button', { name: 'End that log' }).press('Enter');
    await page.getByLabel('The practice kiln goes').focus();
    await page.keyboard.press('ArrowDown');
    // A key does not wait for a button: the log of before must be over.
    await expect(page.getByRole('button', { name: 'Practice kiln: begin' })).toBeEnabled();
    await page.getByRole('button', { name: 'Practice kiln: begin' }).press('Enter');
    await expect(page.getByText(/^Firing\. Read by the practice kiln, [\d,]+ readings?\.$/)).toBeVisible();

    // An hour without power, and a server that dies: nothing that was read is lost, and the log goes on.
    const [firing] = await own.records<Firing[]>(request, '/firings');
    const log = async (): Promise<NonNullable<Firing['log']>> => (await own.records<Firing>(request, `/firings/${firing!.id}`)).log!;
    await expect.poll(async () => (await log()).last?.celsius ?? 0).toBeGreaterThan(250);
    await page.getByRole('checkbox', { name: 'power cut' }).press('Space');
    await expect(page.getByText(/Its controller was not heard for \d+ h/)).toBeVisible();
    const cut = (await log()).last!.seconds;
    await page.getByRole('checkbox', { name: 'power cut' }).press('Space');
    await expect.poll(async () => (await log()).last!.seconds).toBeGreaterThan(cut);
    const known = await log();
    own.killServer();
    await own.startServer();
    await expect.poll(async () => (await log()).readings).toBeGreaterThan(known.readings);
    expect((await log()).points.slice(0, 12)).toEqual(known.points.slice(0, 12));

    await expect(page.getByText(/^(Cooling|Over)\. Read by the practice kiln/)).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('list', { name: 'What was different' })).toContainText('Nothing was read for');
    await expect(page.getByText('now: below 100 °C')).toBeVisible({ timeout: 90_000 });
    const { violations } = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze();
    expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id }) => id)).toEqual([]);

    // Cones on three shelves, then the next plan.
    await page.getByRole('link', { name: 'Read its witness cones' }).press('Enter');
    const kept = async (): Promise<number> => (await own.records<Firing>(request, `/firings/${firing!.id}`)).body.witnesses?.length ?? 0;
    // The cone that it reached: on a slow machine the hour without power is a long one, and the kiln stays cooler.
    const reached = coneReached({ firing: (await log()).points });
    const cone = reached.kind === 'between' ? reached.upper : '6';
    for (const [at, name] of ['Lowest', 'Third', 'Top'].entries()) {
      await page.getByRole('group', { name, exact: true }).getByLabel('The cone that bends').selectOption(cone);
      await expect.poll(kept).toBe(at + 1);
    }
    await expect(page.getByRole('img', { name: new RegExp(`^The kiln from the side: Top cone ${cone} read there`) })).toBeVisible();
    expect(await openPlan()).not.toBe(before);
  });
});

/** A log as another kiln's controller might write it: German, with a spike, a clock that goes back and a broken row. */
function strangersLog(): Buffer {
  const rows = Array.from({ length: 720 }, (_, minute) => {
    const hours = minute / 60;
    const celsius = minute === 200 ? 1_800 : hours < 9 ? 20 + 132 * hours : 1_208 * Math.exp(-(hours - 9) / 6);
    const at = new Date(Date.UTC(2026, 9, 20, 19, minute));
    const date = at.toISOString().slice(0, 10).split('-').reverse().join('.');
    return `${date};${at.toISOString().slice(11, 16)};${celsius.toFixed(1).replace('.', ',')};${Math.round(celsius)}`;
  });
  rows.splice(300, 0, rows[10]!, 'Alarm;;;');
  return Buffer.from(['Ofen 3;Protokoll', 'Datum;Zeit;Ist;Soll', ...rows].join('\r\n'), 'latin1');
}

test('the log of a stranger’s kiln is seen before it is kept, put right, kept and saved again', async ({ page }) => {
  await page.goto('/kiln');
  await page.getByRole('link', { name: 'A log from a file' }).press('Enter');
  const file = page.getByLabel('A table of time and temperature');
  await file.setInputFiles({ name: 'shopping.csv', mimeType: 'text/csv', buffer: Buffer.from('what;how much\nfeldspar;a sack') });
  await expect(page.getByText('Is it the log of a kiln?', { exact: false })).toBeVisible();
  await file.setInputFiles({ name: 'ofen.csv', mimeType: 'text/csv', buffer: strangersLog() });
  await expect(page.getByText(/^719 readings over 11 h 59, hottest 1,208 °C/)).toBeVisible();
  await expect(page.getByLabel('Temperature', { exact: true }).locator('option:checked')).toHaveText('Ist');
  const left = page.getByRole('list', { name: 'Left out' });
  await expect(left).toContainText('1,800 °C, no kiln gives that');
  await expect(left).toContainText('time goes back');
  await expect(left).toContainText('Row 304: no time or no temperature');
  // Taken for °F it is no glaze firing: the cone says so at once.
  await page.getByRole('checkbox', { name: 'temperatures are °F' }).press('Space');
  await expect(page.getByText(/hottest 653 °C/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'temperatures are °F' }).press('Space');
  await page.getByRole('combobox', { name: 'Kiln' }).fill('Ofen 3');
  await page.getByRole('button', { name: 'Keep it as a firing' }).press('Enter');

  await expect(page.getByRole('heading', { name: /^Ofen 3, 20 Oct 2026/ })).toBeVisible();
  await expect(page.getByText('Over. Read by a file, 719 readings.')).toBeVisible();
  // The curve is read off by keys.
  const curve = page.getByRole('slider', { name: 'Read the curve' });
  await curve.press('Home');
  await expect(curve).toHaveAttribute('aria-valuetext', /after 0\.0 h: 20 °C, read/);
  await curve.press('PageUp');
  await expect(curve).toHaveAttribute('aria-valuetext', /after 1\.0 h: 152 °C, read/);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the log as a table' }).press('Enter');
  const saved = await (await download).path();
  expect((await readFile(saved, 'utf8')).split('\r\n')[2]).toContain(',60,22.2,22,');
});

test('a kiln without a controller: readings typed without a network are kept, and say what nobody knows', async ({
  page,
  context,
  studio,
  request,
}) => {
  const kiln = (await studio.records<Kiln[]>(request, '/kilns')).find(({ body }) => body.name === 'Grillo')!;
  const [{ id: studioId }] = (await (await request.get(`${studio.address}/api/studios`)).json()) as [{ id: string }];
  const id = crypto.randomUUID().replace(/^(.{14})./, '$17');
  const startedAt = new Date(Date.now() - 10 * 3_600_000).toISOString();
  const points = [
    { hours: 0, celsius: 20 },
    { hours: 9.5, celsius: 1_206 },
    { hours: 9.7, celsius: 1_206 },
    { hours: 30, celsius: 50 },
  ];
  const body = { kiln: 'Grillo', kilnId: kiln.id, startedAt, wantedCone: '6', witnessCone: null, points };
  await request.post(`${studio.address}/api/studios/${studioId}/firings`, { data: { id, body } });

  await page.goto(`/kiln/firings/${id}`);
  await expect(page.getByText('Nobody read it yet.')).toBeVisible();
  await context.setOffline(true);
  const shows = page.getByLabel('It shows');
  await shows.fill('1190');
  await shows.press('Enter');
  await expect(page.getByText('Read by hand.')).toBeVisible();
  await expect(page.getByText('1,190 °C, 10 h 00 after its begin')).toBeVisible();
  await shows.fill('2200');
  await shows.press('Enter');
  await expect(page.getByRole('list', { name: 'Noted by hand' }).getByRole('listitem')).toHaveCount(1);
  await shows.fill('1192');
  await shows.press('Enter');
  await page.getByRole('button', { name: /^Take back .*1,192 °C/ }).press('Enter');
  await expect(page.getByRole('list', { name: 'Noted by hand' }).getByRole('listitem')).toHaveCount(1);
  await context.setOffline(false);

  // What was written down on paper comes later; between the two anything may have been.
  await page.getByRole('button', { name: 'The meter, or a time that is past' }).press('Enter');
  const meter = page.getByRole('textbox', { name: 'Meter' });
  await meter.fill('1204.5');
  await meter.press('Enter');
  await expect(page.getByRole('list', { name: 'Noted by hand' })).toContainText('meter 1204.5 kWh');
  await expect
    .poll(async () => (await studio.records<Firing>(request, `/firings/${id}`)).events?.filter(({ type }) => type !== 'undone').length)
    .toBe(3);
  const sixHours = new Date(Date.parse(startedAt) + 6 * 3_600_000);
  const day = page.getByRole('textbox', { name: 'Read at' });
  await day.fill(sixHours.toLocaleDateString('en-GB', { timeZone: 'UTC' }));
  await day.press('Tab');
  const time = page.getByRole('combobox', { name: 'Read at, time' });
  await time.fill(sixHours.toISOString().slice(11, 16));
  await time.press('Tab');
  await shows.fill('700');
  await shows.press('Enter');
  await expect(page.getByText(/^cone \S+ to cone .*: nobody read it for/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('1,190 °C, 10 h 00 after its begin')).toBeVisible();
});
