import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { combinationKey, wallCells, type NextTest, type TestState, type WallCell, type WallTest } from '@cazuela/core';
import { catchError, of, switchMap } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { NextTests } from '../../data/results/next-tests';
import { WallTests, type WallGlaze } from '../../data/results/wall-tests';
import { addressed } from '../../data/state/address';
import { formatWhen } from '../../data/units/times';
import { EmptyState } from '../../ui/empty-state';
import type { FieldOption } from '../../ui/options';
import { ResourceState } from '../../ui/resource-state';
import { SelectField } from '../../ui/select-field';

const STATE_WORDS: Readonly<Record<TestState, string>> = { planned: 'planned', glazed: 'glazed', inKiln: 'in the kiln', fired: 'fired' };
const WHY: Readonly<Record<NextTest['because'], string>> = {
  need: 'Pieces are planned with it, and how far it runs is not known well.',
  news: 'Nothing like it was ever fired here.',
  promise: 'What is like it came out well.',
};
const SUGGESTIONS = 5;
const MOST_LABELS = 60;
const CLAY = { id: '', name: 'on the clay', colour: 'var(--slip)' };
const ARROWS: Readonly<Record<string, readonly [row: number, column: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** A piece or tile of a cell. */
interface TestRow {
  key: string;
  name: string;
  link: string[];
  query: Record<string, string>;
  stars: string;
  photoUrl: string;
  words: string;
}

/** Glaze over glaze as one picture that can be walked: what was made, how often, whether verdicts disagree, and what was not. */
@Component({
  selector: 'cz-glazes-page',
  imports: [EmptyState, MatButton, ResourceState, RouterLink, SelectField],
  templateUrl: './glazes-page.html',
  styleUrl: './glazes-page.scss',
  // One listener for all cells.
  host: { '(keydown)': 'move($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GlazesPage {
  readonly clay = input<string>();
  readonly at = input<string>();
  readonly cell = input<string>();
  private readonly api = inject(StudioApi);
  private readonly wall = inject(WallTests);
  private readonly suggestions = inject(NextTests);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly body = addressed('clay', () => this.clay());
  protected readonly cone = addressed('at', () => this.at());
  protected readonly chosen = addressed('cell', () => this.cell());
  protected readonly all = apiResource(() => this.wall.all());
  protected readonly glazes = computed((): WallGlaze[] => this.all.value()?.glazes ?? []);
  private readonly tests = computed((): WallTest[] => this.all.value()?.tests ?? []);
  protected readonly bodyOptions = computed((): FieldOption[] => [
    ['', 'any clay'],
    ...(this.all.value()?.bodies ?? []).map(({ id, name }) => [id, name] as const),
  ]);
  protected readonly coneOptions = computed((): FieldOption[] => [
    ['', 'any cone'],
    ...[...new Set(this.tests().map(({ cone }) => cone))].sort().map((cone) => [cone, `cone ${cone}`] as const),
  ]);
  private readonly cells = computed(() => wallCells(this.tests(), { bodyId: this.body() || undefined, cone: this.cone() || undefined }));
  protected readonly rows = computed(() => {
    const cells = this.cells();
    return [CLAY, ...this.glazes()].map((lower) => ({
      ...lower,
      cells: this.glazes().map((upper) => {
        const key = combinationKey({ lowerId: lower.id, upperId: upper.id });
        const cell = cells.get(key);
        return {
          key,
          state: cell?.state ?? '',
          photoUrl: cell?.photoId ? this.api.photoUrl(cell.photoId) : '',
          lowerColour: lower.colour,
          upperColour: upper.colour,
          mark: cell ? markOf(cell) : '',
          label: `${titleOf(lower, upper)}: ${cell ? cellWords(cell) : 'not made'}`,
        };
      }),
    }));
  });
  private readonly found = toSignal(
    toObservable(this.all.value).pipe(
      switchMap((wall) => (wall ? this.suggestions.find(wall, SUGGESTIONS) : of(undefined))),
      catchError(() => of([])),
    ),
  );
  protected readonly nextFound = computed(() => this.found() !== undefined);
  protected readonly next = computed(() =>
    (this.found() ?? []).flatMap((test) => {
      const lower = test.lowerId === undefined ? CLAY : this.glazes().find(({ id }) => id === test.lowerId);
      const upper = this.glazes().find(({ id }) => id === test.upperId);
      const body = this.all.value()?.bodies.find(({ id }) => id === test.bodyId);
      if (!lower || !upper) return [];
      const parts = [`need ${test.need.toFixed(2)}`, `news ${test.news.toFixed(2)}`, `promise ${test.promise.toFixed(2)}`];
      return [
        {
          key: combinationKey(test),
          title: titleOf(lower, upper),
          why: `${WHY[test.because]}${body ? ` On ${body.name}, cone ${test.cone}.` : ''}`,
          figures: `${parts.join(', ')}${test.cost > 0 ? `, less ${test.cost.toFixed(2)}: ${costWords(test.cost)}` : ''}`,
          plan: planOf(lower, upper, { clay: test.bodyId, at: test.cone }),
        },
      ];
    }),
  );
  /** One stop for Tab. */
  protected readonly focusKey = computed(() => this.chosen() || this.rows()[0]?.cells[0]?.key || '');
  protected readonly summary = computed(() => {
    const cells = [...this.cells().values()];
    const fired = cells.filter(({ state }) => state === 'fired').length;
    const disputed = cells.filter(({ isDisputed }) => isDisputed).length;
    const all = this.glazes().length * (this.glazes().length + 1);
    return `${fired} of ${all} combinations are fired, ${cells.length - fired} on their way${disputed > 0 ? `; verdicts disagree at ${disputed}` : ''}. Both orders of a pair are two cells.`;
  });
  protected readonly told = computed(() => {
    const [lowerId = '', upperId = ''] = this.chosen().split('/');
    const lower = lowerId === '' ? CLAY : this.glazes().find(({ id }) => id === lowerId);
    const upper = this.glazes().find(({ id }) => id === upperId);
    if (!this.chosen() || !lower || !upper) return undefined;
    const cell = this.cells().get(this.chosen());
    const otherKey = combinationKey({ lowerId: upper.id, upperId: lower.id });
    const other = this.cells().get(otherKey);
    const below = lower === CLAY ? undefined : (lower as WallGlaze);
    return {
      title: titleOf(lower, upper),
      words: cell ? `${cell.fired > 0 ? 'You have made this one' : 'On its way'}: ${cellWords(cell)}.` : 'Not made yet.',
      disputed: cell?.isDisputed ?? false,
      tests: (cell?.tests ?? []).map((test) => this.testRow(test)),
      labels: this.labelsOf(cell?.tests ?? []),
      other:
        below && below.id !== upper.id
          ? { key: otherKey, title: titleOf(upper, below), words: other ? `${cellWords(other)}.` : 'not made yet.' }
          : undefined,
      plan: planOf(lower, upper, { ...(this.body() ? { clay: this.body() } : {}), ...(this.cone() ? { at: this.cone() } : {}) }),
      lack: below?.id === upper.id ? 'One glaze over itself is one glaze.' : 'One of them is in no bucket: mix it first.',
    };
  });

  /** Arrows walk the wall; Home and End go to the ends of a row. */
  protected move(event: KeyboardEvent): void {
    const key = (event.target as HTMLElement).dataset['key'];
    if (key === undefined) return;
    const rows = this.rows();
    const row = rows.findIndex(({ cells }) => cells.some((cell) => cell.key === key));
    const column = rows[row]?.cells.findIndex((cell) => cell.key === key) ?? -1;
    const by = ARROWS[event.key];
    const last = this.glazes().length - 1;
    const to = by
      ? rows[row + by[0]]?.cells[column + by[1]]
      : event.key === 'Home'
        ? rows[row]?.cells[0]
        : event.key === 'End'
          ? rows[row]?.cells[last]
          : undefined;
    if (!to) return;
    event.preventDefault();
    this.chosen.choose(to.key);
    const next = [...this.host.nativeElement.querySelectorAll<HTMLElement>('[data-key]')].find((cell) => cell.dataset['key'] === to.key);
    next?.focus();
  }

  /** A plan is no thing to hang a label on. */
  private labelsOf(tests: readonly WallTest[]): string | undefined {
    const named = tests.flatMap(({ of: { kind, id } }) => (kind === 'piece' ? [] : [`${kind}:${id}`])).slice(0, MOST_LABELS);
    return named.length > 0 ? this.api.fileUrl(`/wall/labels.pdf?of=${named.join(',')}`) : undefined;
  }

  private testRow({ of, state, cone, at, stars, photoId, isFaulty, bodyId }: WallTest): TestRow {
    const clay = this.all.value()?.bodies.find(({ id }) => id === bodyId)?.name;
    const links: Record<WallTest['of']['kind'], Pick<TestRow, 'link' | 'query'>> = {
      result: { link: ['/wall'], query: { result: of.id } },
      piece: { link: ['/piece', of.id], query: {} },
      tile: { link: ['/coat/tile', of.id], query: {} },
      runner: { link: ['/piece/runners', of.id], query: {} },
    };
    return {
      key: `${of.kind} ${of.id}`,
      name: of.name,
      ...links[of.kind],
      stars: stars ? '★'.repeat(stars) : '',
      photoUrl: photoId ? this.api.photoUrl(photoId) : '',
      words: [STATE_WORDS[state], `cone ${cone}`, clay, state === 'fired' ? formatWhen(at) : undefined, isFaulty ? 'with faults' : undefined]
        .filter((one) => one !== undefined)
        .join(', '),
    };
  }
}

const costWords = (cost: number): string =>
  cost >= 0.3 ? 'one of them is in no bucket' : 'a bucket is out of its range, or no kiln is being loaded';

/** The buckets of a runner tile; undefined where one is in none, or both are the same. */
function planOf(lower: Partial<WallGlaze>, upper: WallGlaze, on: Record<string, string> = {}): Record<string, string> | undefined {
  if (upper.bucketId === undefined || lower.id === upper.id) return undefined;
  if (lower.id === '') return { below: upper.bucketId, ...on };
  return lower.bucketId === undefined ? undefined : { below: lower.bucketId, over: upper.bucketId, ...on };
}

const titleOf = (lower: { id: string; name: string }, upper: { name: string }): string =>
  lower.id === '' ? `${upper.name} on the clay` : `${upper.name} over ${lower.name}`;

function cellWords({ state, fired, stars, isDisputed }: WallCell): string {
  if (state !== 'fired') return STATE_WORDS[state];
  return `fired ${fired === 1 ? 'once' : `${fired} times`}${stars === undefined ? '' : `, ${stars} ${stars === 1 ? 'star' : 'stars'} in the middle`}${isDisputed ? ', verdicts disagree' : ''}`;
}

function markOf({ state, fired, isDisputed }: WallCell): string {
  if (state === 'planned') return 'plan';
  if (state === 'glazed') return 'wet';
  if (state === 'inKiln') return 'kiln';
  return `${isDisputed ? '≠ ' : ''}${fired}×`;
}
