import { computed, Injectable, signal } from '@angular/core';
import type { RecipeBody } from '@cazuela/contract';
import { normaliseRecipe, type RecipeLine } from '@cazuela/core';
import { v7 as uuid } from 'uuid';

/** Steps that can be taken back. */
const MOST_UNDO = 100;

export const EMPTY_RECIPE: RecipeBody = {
  name: '',
  lines: [],
  coneLow: '5',
  coneHigh: '6',
  atmosphere: 'oxidation',
  surface: 'unknown',
  colour: '#B9AE97',
  sgLow: 1.43,
  sgHigh: 1.47,
  movement: 'unknown',
  foodTested: false,
  notes: '',
};

/** The recipe as it stands on the screen, with its way back. */
@Injectable()
export class RecipeDraft {
  private readonly past = signal<readonly RecipeBody[]>([]);
  private readonly future = signal<readonly RecipeBody[]>([]);
  private readonly current = signal<RecipeBody>(EMPTY_RECIPE);
  private readonly saved = signal<RecipeBody>(EMPTY_RECIPE);
  readonly body = this.current.asReadonly();
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  readonly isChanged = computed(() => JSON.stringify(this.current()) !== JSON.stringify(this.saved()));

  /** Starts over from what the records have. */
  open(body: RecipeBody): void {
    this.saved.set(body);
    this.current.set(body);
    this.past.set([]);
    this.future.set([]);
  }

  change(change: Partial<RecipeBody>): void {
    this.past.update((past) => [...past.slice(-MOST_UNDO + 1), this.current()]);
    this.future.set([]);
    this.current.update((body) => ({ ...body, ...change }));
  }

  addLine(part: RecipeLine['part'], powderId: string): void {
    this.change({ lines: [...this.current().lines, { id: uuid(), powderId, part, percent: 0 }] });
  }

  changeLine(id: string, change: Partial<RecipeLine>): void {
    this.change({ lines: this.current().lines.map((line) => (line.id === id ? { ...line, ...change } : line)) });
  }

  removeLine(id: string): void {
    this.change({ lines: this.current().lines.filter((line) => line.id !== id) });
  }

  /** Up or down among the lines of its own part. */
  moveLine(id: string, by: 1 | -1): void {
    const lines = [...this.current().lines];
    const from = lines.findIndex((line) => line.id === id);
    const part = lines[from]?.part;
    let to = from + by;
    while (lines[to] && lines[to]!.part !== part) to += by;
    if (!lines[from] || !lines[to]) return;
    [lines[from], lines[to]] = [lines[to]!, lines[from]!];
    this.change({ lines });
  }

  normalise(): void {
    this.change({ lines: normaliseRecipe({ lines: this.current().lines }).map((line) => ({ ...line, percent: Number(line.percent.toFixed(3)) })) });
  }

  undo(): void {
    const before = this.past().at(-1);
    if (!before) return;
    this.future.update((future) => [this.current(), ...future]);
    this.past.update((past) => past.slice(0, -1));
    this.current.set(before);
  }

  redo(): void {
    const next = this.future()[0];
    if (!next) return;
    this.past.update((past) => [...past, this.current()]);
    this.future.update((future) => future.slice(1));
    this.current.set(next);
  }
}
