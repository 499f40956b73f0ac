import type { Type } from '@angular/core';
import type { HarnessLoader } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { MatAutocompleteHarness } from '@angular/material/autocomplete/testing';
import { MatCheckboxHarness } from '@angular/material/checkbox/testing';
import { MatExpansionPanelHarness } from '@angular/material/expansion/testing';
import { MatNativeSelectHarness } from '@angular/material/input/testing';
import { MatSortHeaderHarness } from '@angular/material/sort/testing';
import { Keys } from '../app/data/devices/keys';

/** A screen as a potter uses it: by the words on it. */
export class Screen<T> {
  private readonly loader: HarnessLoader;
  private keyAtMs = 0;

  private constructor(readonly fixture: ComponentFixture<T>) {
    this.loader = TestbedHarnessEnvironment.documentRootLoader(fixture);
  }

  static async open<T>(component: Type<T>, inputs: Record<string, unknown> = {}): Promise<Screen<T>> {
    const fixture = TestBed.createComponent(component);
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    const screen = new Screen(fixture);
    await screen.settle();
    return screen;
  }

  async settle(): Promise<void> {
    TestBed.tick();
    await this.fixture.whenStable();
  }

  get root(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  /** Returns everything that can be read, as somebody would read it out: one space between words, none before a full stop. */
  get text(): string {
    return this.roots
      .flatMap(wordsIn)
      .join(' ')
      .replace(/\s+/g, ' ')
      .replace(/ ([.,;:)])/g, '$1')
      .trim();
  }

  button(name: string | RegExp): HTMLButtonElement {
    const found = this.all<HTMLButtonElement>('button, a').find((button) => matches(nameOf(button), name));
    if (!found) throw new Error(`There is no button “${String(name)}”. There are: ${this.all('button, a').map(nameOf).join(' | ')}`);
    return found;
  }

  has(name: string | RegExp): boolean {
    return this.all('button, a').some((button) => matches(nameOf(button), name));
  }

  async press(name: string | RegExp): Promise<void> {
    this.button(name).click();
    await this.settle();
  }

  field(label: string): HTMLInputElement {
    const found = this.all<HTMLInputElement>('input, select, textarea').find((field) => labelOf(field) === label);
    if (!found)
      throw new Error(`There is no field “${label}”. There are: ${this.all<HTMLInputElement>('input, select, textarea').map(labelOf).join(' | ')}`);
    return found;
  }

  async type(label: string, text: string): Promise<void> {
    const field = this.field(label);
    field.value = text;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    field.dispatchEvent(new Event('change', { bubbles: true }));
    await this.settle();
  }

  async leave(label: string): Promise<void> {
    this.field(label).dispatchEvent(new Event('blur'));
    await this.settle();
  }

  /** Chooses from a list, short or long, through Material's harness. */
  async choose(label: string, option: string): Promise<void> {
    const field = this.field(label);
    const { tagName, id } = field;
    if (tagName === 'SELECT') {
      const list = await this.loader.getHarness(MatNativeSelectHarness.with({ selector: `#${id}` }));
      const options = await Promise.all((await list.getOptions()).map((one) => one.getText()));
      if (!options.includes(option)) throw new Error(`“${label}” has no “${option}”, but ${options.join(' | ')}`);
      // The harness tells of every option that changed; a browser tells once.
      (field as unknown as HTMLSelectElement).selectedIndex = options.indexOf(option);
      field.dispatchEvent(new Event('change', { bubbles: true }));
    } else {
      const list = await this.loader.getHarness(MatAutocompleteHarness.with({ selector: `#${id}` }));
      await list.clear();
      await list.enterText(option);
      await list.selectOption({ text: option });
    }
    await this.settle();
  }

  /** Puts a tick on, or takes it away. */
  async check(label: string): Promise<void> {
    await (await this.loader.getHarness(MatCheckboxHarness.with({ label }))).toggle();
    await this.settle();
  }

  /** Opens what stands folded under this heading. */
  async unfold(title: string): Promise<void> {
    await (await this.loader.getHarness(MatExpansionPanelHarness.with({ title }))).expand();
    await this.settle();
  }

  /** Sorts by the column with this heading. */
  async sort(column: string): Promise<void> {
    await (await this.loader.getHarness(MatSortHeaderHarness.with({ label: column }))).click();
    await this.settle();
  }

  /** Presses a key of this screen, with nothing focused. */
  async key(key: string): Promise<void> {
    const event = new KeyboardEvent('keydown', { key, cancelable: true });
    // A second after the last one, as hands at a bench are.
    Object.defineProperties(event, { target: { value: document.body }, timeStamp: { value: (this.keyAtMs += 1_000) } });
    TestBed.inject(Keys).press(event);
    await this.settle();
  }

  all<E extends HTMLElement = HTMLElement>(selector: string): E[] {
    return this.roots.flatMap((root) => [...root.querySelectorAll<E>(selector)]);
  }

  /** The screen, and what is open over it. */
  private get roots(): HTMLElement[] {
    return [this.root, ...document.querySelectorAll<HTMLElement>('.cdk-overlay-container mat-dialog-container')];
  }
}

function wordsIn(root: HTMLElement): string[] {
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
  const words: string[] = [];
  while (walker.nextNode()) words.push(walker.currentNode.textContent ?? '');
  return words;
}

const nameOf = (element: HTMLElement): string => (element.getAttribute('aria-label') ?? element.textContent ?? '').replace(/\s+/g, ' ').trim();
const matches = (text: string, name: string | RegExp): boolean => (typeof name === 'string' ? text === name : name.test(text));

function labelOf(field: HTMLInputElement): string {
  const label = field.labels?.[0]?.cloneNode(true) as HTMLElement | undefined;
  label?.querySelectorAll('input, select, textarea').forEach((inner) => inner.remove());
  return (field.getAttribute('aria-label') ?? label?.textContent ?? '').replace(/\s+/g, ' ').trim();
}
