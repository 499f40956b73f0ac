import { chromium } from '@playwright/test';
import { dragOnPage } from './hand';
import type { Row } from './measure';

/** One piece of a full load dragged on its shelf: from the move to the next painted frame. */
export async function loadPageRows(address: string): Promise<Row[]> {
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
    const [load] = (await (await fetch(`${address}/api/studios/${studio.id}/loads`)).json()) as [{ id: string }];
    await page.goto(`${address}/kiln/loads/${load.id}`);
    const pieces = page.locator('[data-piece]');
    await pieces.first().waitFor();
    const summary = await page.getByText(/^\s*\d+ pieces on/).innerText();
    const box = (await pieces.nth(3).boundingBox())!;
    const dragged = await dragOnPage(page, { x: box.x + box.width / 2, y: box.y + box.height / 2 }, { x: 30, y: -30 });
    const onShelf = await pieces.count();
    const what = `a piece dragged, move to paint, middle (${summary.replace(/ on .*/, '')} on the load, ${onShelf} on its shelf)`;
    return [{ what, measured: `${dragged.toFixed(1)} ms`, wanted: 'under 16 ms', ok: dragged < 16 }];
  } finally {
    await browser.close();
  }
}
