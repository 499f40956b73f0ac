import type { Locator } from '@playwright/test';

/** Chooses by the words on it: from a short list, or from a long one by typing and taking the option found. */
export async function choose(field: Locator, words: string): Promise<void> {
  if ((await field.evaluate((element) => element.tagName)) === 'SELECT') {
    await field.selectOption(words);
    return;
  }
  await field.fill(words);
  await field.page().getByRole('option', { name: words, exact: true }).click();
}
