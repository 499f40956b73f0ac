import { expect, type Locator } from '@playwright/test';

/** Chooses by the words on it: from a short list, or from a long one by typing and taking the option found. */
export async function choose(field: Locator, words: string): Promise<void> {
  if ((await field.evaluate((element) => element.tagName)) === 'SELECT') {
    await field.selectOption(words);
    return;
  }
  const option = field.page().getByRole('option', { name: words, exact: true });
  // A list that a slow page closed again is opened anew, as hands would.
  await expect(async () => {
    if (!(await option.isVisible())) await field.fill('');
    await field.fill(words);
    await option.click({ timeout: 3_000 });
  }).toPass({ timeout: 30_000 });
}
