import { computed, effect, Injectable, signal } from '@angular/core';
import { recipeBodySchema, type RecipeBody } from '@cazuela/contract';
import { normaliseParts, normaliseRecipe, type RecipeLine } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { DraftHistory } from '../../../data/state/draft-history';

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

const KEY = 'cazuela.here.recipe.';
/** Half-written recipes may not be valid yet: lines and numbers are checked, the rest when it is saved. */
const keptSchema = z.object({ version: z.number(), body: z.looseObject({ ...recipeBodySchema.shape, name: z.string() }) });

/** Which recipe at which version; "new" for one that is not in the records yet. */
interface Place {
  id: string;
  version: number;
}

/** The recipe on the screen, with undo; there again after a reload of the tab. */
@Injectable()
export class RecipeDraft {
  private readonly history = new DraftHistory<RecipeBody>();
  private readonly current = signal<RecipeBody>(EMPTY_RECIPE);
  private readonly saved = signal<RecipeBody>(EMPTY_RECIPE);
  private readonly place = signal<Place | undefined>(undefined);
  private readonly cameBack = signal(false);
  readonly body = this.current.asReadonly();
  /** True when unsaved changes were found again. */
  readonly foundAgain = this.cameBack.asReadonly();
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;
  readonly isChanged = computed(() => JSON.stringify(this.current()) !== JSON.stringify(this.saved()));

  constructor() {
    effect(() => {
      const place = this.place();
      if (!place) return;
      if (this.isChanged()) sessionStorage.setItem(KEY + place.id, JSON.stringify({ version: place.version, body: this.current() }));
      else sessionStorage.removeItem(KEY + place.id);
    });
  }

  /** Starts from the records, or from unsaved changes to the same version. */
  open(body: RecipeBody, place: Place): void {
    this.begin(body, place, this.keptAt(place));
  }

  /** Replaces the draft by what the records have now. */
  replace(body: RecipeBody, place: Place): void {
    this.begin(body, place, undefined);
  }

  private begin(body: RecipeBody, place: Place, kept: RecipeBody | undefined): void {
    this.saved.set(body);
    this.current.set(kept ?? body);
    this.history.reset(kept ? [body] : []);
    this.place.set(place);
    this.cameBack.set(kept !== undefined);
  }

  /** Drops unsaved changes. */
  startOver(): void {
    this.replace(this.saved(), this.place()!);
  }

  private keptAt({ id, version }: Place): RecipeBody | undefined {
    try {
      const kept = keptSchema.safeParse(JSON.parse(sessionStorage.getItem(KEY + id) ?? 'null'));
      return kept.success && kept.data.version === version ? (kept.data.body as RecipeBody) : undefined;
    } catch {
      return undefined;
    }
  }

  /** Replaces the whole body in one step to undo: for what is removed. */
  replaceBody(body: RecipeBody): void {
    this.change({});
    this.current.set(body);
  }

  /** Goes on with the change before: the same drag, which undo takes back as a whole. */
  goOn(change: Partial<RecipeBody>): void {
    this.current.update((body) => ({ ...body, ...change }));
  }

  change(change: Partial<RecipeBody>): void {
    this.history.record(this.current());
    this.current.update((body) => ({ ...body, ...change }));
  }

  addLine(part: RecipeLine['part'], powderId: string): void {
    this.change({ lines: [...this.current().lines, { id: uuid(), powderId, part, percent: 0 }] });
  }

  changeLine(id: string, change: Partial<RecipeLine>): void {
    this.change({ lines: this.current().lines.map((line) => (line.id === id ? { ...line, ...change } : line)) });
  }

  slideLine(id: string, { percent, goesOn }: { percent: number; goesOn: boolean }): void {
    const lines = this.current().lines.map((line) => (line.id === id ? { ...line, percent } : line));
    if (goesOn) this.goOn({ lines });
    else this.change({ lines });
  }

  nudgeLine({ id, byPercent, goesOn }: { id: string; byPercent: number; goesOn: boolean }): void {
    const line = this.current().lines.find((one) => one.id === id);
    if (line) this.slideLine(id, { percent: Math.max(0, Number((line.percent + byPercent).toFixed(3))), goesOn });
  }

  removeLine(id: string): void {
    this.change({ lines: this.current().lines.filter((line) => line.id !== id) });
  }

  /** Up or down among the lines of its own part. */
  moveLine(id: string, by: 1 | -1): void {
    const lines = [...this.current().lines];
    const from = lines.findIndex((line) => line.id === id);
    const isBase = lines[from]?.part === 'base';
    let to = from + by;
    while (lines[to] && (lines[to]!.part === 'base') !== isBase) to += by;
    if (!lines[from] || !lines[to]) return;
    [lines[from], lines[to]] = [lines[to]!, lines[from]!];
    this.change({ lines });
  }

  /** The base to 100: what is over it stays, or is scaled along where it was written as parts of the whole. */
  normalise(additions: 'stay' | 'scaled'): void {
    const { lines } = this.current();
    const tidy = additions === 'stay' ? normaliseRecipe({ lines }) : normaliseParts({ lines });
    this.change({ lines: tidy.map((line) => ({ ...line, percent: Number(line.percent.toFixed(3)) })) });
  }

  undo(): void {
    const before = this.history.undo(this.current());
    if (before) this.current.set(before);
  }

  redo(): void {
    const next = this.history.redo(this.current());
    if (next) this.current.set(next);
  }
}
