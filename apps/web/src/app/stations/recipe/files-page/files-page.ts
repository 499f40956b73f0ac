import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { decodeText, type CheckedFile, type ImportChoice, type ImportOutcome } from '@cazuela/formats';
import { combineLatest, type Subscription } from 'rxjs';
import { toFailure } from '../../../data/http/api';
import { NOW } from '../../../data/state/clock';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Choice } from '../../../ui/choice';
import { ErrorBanner } from '../../../ui/error-banner';
import { FilesApi, type ImportStep } from './files-api';
import { countWords, outcomeWords } from './files-words';
import { StudioFile } from './studio-file';
import { FileField } from '../../../ui/file-field';

/** A file of tens of thousands of recipes is no recipe book: the wrong file was chosen. */
const MOST_BYTES = 60 * 1024 * 1024;
const SHOWN_PROBLEMS = 50;

type State =
  | { kind: 'waiting' }
  | { kind: 'reading'; name: string }
  | { kind: 'looking'; name: string; file: CheckedFile }
  | { kind: 'sending'; name: string; share: number }
  | { kind: 'taking'; name: string }
  | { kind: 'done'; outcome: ImportOutcome }
  | { kind: 'failed'; message: string };

/** Recipes, powders and batches out of the studio and in again, in open files. */
@Component({
  selector: 'cz-files-page',
  imports: [Choice, ErrorBanner, FileField, MatButton, MatProgressBar, RouterLink, StudioFile],
  templateUrl: './files-page.html',
  styleUrl: './files-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilesPage {
  protected readonly api = inject(StudioApi);
  private readonly files = inject(FilesApi);
  private readonly now = inject(NOW);
  private running: Subscription | undefined;
  protected readonly all = apiResource(() => combineLatest({ recipes: this.api.recipes(), powders: this.api.powders() }));
  /** A file that was chosen before the studio's recipes were loaded waits for them. */
  private readonly chosenEarly = signal<{ name: string; text: string } | undefined>(undefined);
  protected readonly state = signal<State>({ kind: 'waiting' });
  protected readonly choice = signal<ImportChoice>('leaveMine');
  protected readonly choices = [
    ['leaveMine', 'leave mine'],
    ['newVersion', 'as a new version'],
    ['keepBoth', 'keep both'],
  ] as const;
  protected readonly looking = computed(() => {
    const state = this.state();
    if (state.kind !== 'looking') return undefined;
    const { file, name } = state;
    const here = [...file.recipesHere, ...file.powdersHere];
    return {
      name,
      problems: file.problems.slice(0, SHOWN_PROBLEMS),
      more: Math.max(0, file.problems.length - SHOWN_PROBLEMS),
      count: file.problems.length,
      words: countWords(file.counts),
      here: here.slice(0, 8).join(', ') + (here.length > 8 ? ` and ${here.length - 8} more` : ''),
      rows: file.rows.length,
    };
  });
  protected readonly doneWords = computed(() => {
    const state = this.state();
    return state.kind === 'done' ? outcomeWords(state.outcome) : '';
  });
  protected readonly exports = [
    ['/files/cazuela.json', 'One file', 'JSON: powders, recipes with their versions, batches'],
    ['/files/recipes.csv', 'Recipes', 'a table, a row for each line'],
    ['/files/powders.csv', 'Powders', 'a table with analyses and prices'],
    ['/files/batches.csv', 'Batches', 'a table of what was weighed'],
    ['/files/dips.csv', 'Dips', 'a table of every coat measured, to reckon with elsewhere'],
    ['/files/runner-tiles.csv', 'Runner tiles', 'a table of how far each glaze ran'],
    ['/files/results.csv', 'Results', 'a table of what came out of the kilns'],
    ['/files/changes.csv', 'Changes', 'a table of what was done about faults'],
    ['/files/studio.zip', 'Studio', 'a zip of everything, with its photos'],
  ] as const;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.running?.unsubscribe());
    effect(() => {
      const [all, early] = [this.all.value(), this.chosenEarly()];
      if (!all || !early) return;
      untracked(() => {
        this.chosenEarly.set(undefined);
        this.read(early.name, early.text);
      });
    });
  }

  protected async choose(file: File): Promise<void> {
    if (file.size > MOST_BYTES) return this.state.set({ kind: 'failed', message: 'That file is too large for recipes: is it the right one?' });
    this.read(file.name, decodeText(new Uint8Array(await file.arrayBuffer())));
  }

  protected read(name: string, text: string): void {
    const all = this.all.value();
    this.stop();
    this.state.set({ kind: 'reading', name });
    if (!all) return this.chosenEarly.set({ name, text });
    const shelf = {
      powderNames: all.powders.flatMap(({ name, aliases = [] }) => [name, ...aliases]),
      recipeNames: all.recipes.map((recipe) => recipe.body.name),
    };
    this.running = this.files.read({ text, now: this.now().toISOString(), shelf }).subscribe({
      next: (file) => this.state.set({ kind: 'looking', name, file }),
      error: (error: Error) => this.state.set({ kind: 'failed', message: error.message }),
    });
  }

  protected importFile(): void {
    const state = this.state();
    if (state.kind !== 'looking' || state.file.problems.length > 0) return;
    const { name, file } = state;
    this.running = this.files.importFile(file.rows, this.choice()).subscribe({
      next: (step) => this.state.set(stateAfter(step, name)),
      error: (error: unknown) => this.state.set({ kind: 'failed', message: `${toFailure(error).problem.detail} Nothing was taken in.` }),
      complete: () => this.all.reload(),
    });
  }

  /** The import is given up; nothing of it stays. */
  protected stop(): void {
    this.running?.unsubscribe();
    this.running = undefined;
    this.chosenEarly.set(undefined);
    this.state.set({ kind: 'waiting' });
  }
}

function stateAfter(step: ImportStep, name: string): State {
  switch (step.kind) {
    case 'sending':
      return { kind: 'sending', name, share: step.sent / step.of };
    case 'taking':
      return { kind: 'taking', name };
    case 'done':
      return { kind: 'done', outcome: step.outcome };
  }
}
