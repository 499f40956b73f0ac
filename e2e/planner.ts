import { expect, type Page } from '@playwright/test';
import { choose } from './choose';

/** The piece planner as a potter uses it. */

/** A new piece of a form, with a name, as a new user would begin. */
export async function begin(page: Page, form: string, name: string): Promise<void> {
  await page.goto('/piece');
  await page.getByRole('button', { name: form, exact: true }).click();
  await page.getByLabel('Name').first().fill(name);
  await page.getByLabel('Name').first().blur();
}

/** Chooses a place in the list, where it is not chosen yet; nothing for the piece itself. */
export async function select(page: Page, place: string | undefined): Promise<void> {
  const list = page.getByRole('list', { name: 'Places of the piece' });
  if (place === undefined) {
    const chosen = list.getByRole('button', { pressed: true });
    if ((await chosen.count()) > 0) await chosen.click();
    return;
  }
  const wanted = list.getByRole('button', { name: new RegExp(`^${place}`) }).first();
  if ((await wanted.getAttribute('aria-pressed')) !== 'true') await wanted.click();
  await expect(wanted).toHaveAttribute('aria-pressed', 'true');
}

/** A coat on a place, from the clay up. */
export async function coat(page: Page, place: string, where: string, at: number, glaze: string, mm: string, method?: string): Promise<void> {
  await page.getByRole('button', { name: at === 1 ? `A coat on the ${where}` : `One over it on the ${where}` }).click();
  await choose(page.getByLabel(`${place}, coat ${at}: bucket`), glaze);
  if (method) await choose(page.getByLabel(`${place}, coat ${at}: way`), method);
  await page.getByLabel(`${place}, coat ${at}: thickness`).fill(mm);
  await page.getByLabel(`${place}, coat ${at}: thickness`).blur();
}

export async function smallPot(page: Page, name: string, coatingKind: string): Promise<void> {
  await page.getByRole('button', { name: 'A small pot' }).click();
  const group = page.getByRole('group', { name: /^Small pot/ }).last();
  await group.getByLabel('Name').fill(name);
  await group.getByLabel('Name').blur();
  await choose(group.getByLabel('It is'), coatingKind);
}

export const openTab = (page: Page, name: string | RegExp): Promise<void> => page.getByRole('tab', { name }).click();
