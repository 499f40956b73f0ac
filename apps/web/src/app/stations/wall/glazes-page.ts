import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { combinationKey, CONES, WALL_COATS, wallCells, type NextTest, type TestCost, type WallPart, type WallTest } from '@cazuela/core';
import { catchError, of, switchMap, timer } from 'rxjs';
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
import { WallGrid } from './grid/wall-grid';
import { cellSize } from './grid/wall-view';
import { WallSlice } from './wall-slice';
import { cellWords, CLAY, COAT_WORDS, combinationTitle, STATE_WORDS } from './wall-words';

const WHY: Readonly<Record<NextTest['because'], string>> = {
  need: 'Pieces are planned with it, and how far it runs is not known well.',
  news: 'Nothing like it was ever fired here.',
  promise: 'What is like it came out well.',
};
const COST_WORDS: Readonly<Record<TestCost, string>> = {
  none: 'one of them is in no bucket',
  outOfRange: 'a bucket is out of its range',
  noRoom: 'no kiln is being filled',
};
/** A wall is drawn by then, ms. */
const DRAWN_MS = 60;
const SUGGESTIONS = 5;
const MOST_LABELS = 60;

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
  imports: [EmptyState, MatButton, ResourceState, RouterLink, SelectField, WallGrid, WallSlice],
  templateUrl: './glazes-page.html',
  styleUrl: './glazes-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GlazesPage {
  readonly clay = input<string>();
  readonly at = input<string>();
  readonly cell = input<string>();
  /** From the address: clay by clay, or cone by cone. */
  readonly slices = input<string>();
  /** From the address: thin, right, thick or in steps. */
  readonly coat = input<string>();
  /** From the address: side of a cell, px. */
  readonly side = input<string>();
  private readonly api = inject(StudioApi);
  private readonly wall = inject(WallTests);
  private readonly suggestions = inject(NextTests);
  protected readonly body = addressed('clay', () => this.clay());
  protected readonly cone = addressed('at', () => this.at());
  protected readonly coatShown = addressed('coat', () => this.coat());
  protected readonly chosen = addressed('cell', () => this.cell());
  protected readonly sliceBy = addressed('slices', () => this.slices());
  protected readonly cellSide = addressed('side', () => this.side());
  protected readonly cellPx = computed(() => cellSize(Number(this.cellSide())));
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
  protected readonly coatOptions: FieldOption[] = [['', 'any coat'], ...WALL_COATS.map((coat) => [coat, COAT_WORDS[coat]] as const)];
  /** The part of the wall that is chosen. */
  private readonly part = computed((): WallPart => {
    const coat = WALL_COATS.find((one) => one === this.coatShown());
    return { bodyId: this.body() || undefined, cone: this.cone() || undefined, coat };
  });
  protected readonly cells = computed(() => wallCells(this.tests(), this.part()));
  protected readonly sliceOptions: FieldOption[] = [
    ['', 'one wall'],
    ['clay', 'clay by clay'],
    ['cone', 'cone by cone'],
    ['coat', 'coat by coat'],
  ];
  /** Small walls beside one another; only those on which something hangs. */
  protected readonly smallWalls = computed(() => {
    const [tests, part] = [this.tests(), this.part()];
    return this.partsBy(this.sliceBy(), tests)
      .map(({ key, title, only }) => ({ key, title, cells: wallCells(tests, { ...part, ...only }) }))
      .filter(({ cells }) => cells.size > 0);
  });
  private partsBy(by: string, tests: readonly WallTest[]): { key: string; title: string; only: WallPart }[] {
    if (by === 'clay') return (this.all.value()?.bodies ?? []).map(({ id, name }) => ({ key: id, title: name, only: { bodyId: id } }));
    if (by === 'coat') return WALL_COATS.map((coat) => ({ key: coat, title: COAT_WORDS[coat], only: { coat } }));
    if (by !== 'cone') return [];
    const cones = [...new Set(tests.map(({ cone }) => cone))].sort((a, b) => coneStep(a) - coneStep(b));
    return cones.map((cone) => ({ key: cone, title: `cone ${cone}`, only: { cone } }));
  }
  private readonly found = toSignal(
    toObservable(this.all.value).pipe(
      // The wall is drawn first: what to make next is read after it.
      switchMap((wall) => (wall ? timer(DRAWN_MS).pipe(switchMap(() => this.suggestions.find(wall, SUGGESTIONS))) : of(undefined))),
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
          title: combinationTitle(lower, upper),
          why: `${WHY[test.because]}${body ? ` On ${body.name}, cone ${test.cone}.` : ''}`,
          figures: `${parts.join(', ')}${test.cost > 0 ? `, less ${test.cost.toFixed(2)}: ${test.costs.map((cost) => COST_WORDS[cost]).join(', ')}` : ''}`,
          plan: planOf(lower, upper, { clay: test.bodyId, at: test.cone }),
          steps: this.stepTileOf(lower, upper, test.bodyId),
        },
      ];
    }),
  );
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
      title: combinationTitle(lower, upper),
      words: cell ? `${cell.fired > 0 ? 'You have made this one' : 'On its way'}: ${cellWords(cell)}.` : 'Not made yet.',
      disputed: cell?.isDisputed ?? false,
      tests: (cell?.tests ?? []).map((test) => this.testRow(test)),
      labels: this.labelsOf(cell?.tests ?? []),
      slices: this.slicesOf(this.chosen()),
      other:
        below && below.id !== upper.id
          ? { key: otherKey, title: combinationTitle(upper, below), words: other ? `${cellWords(other)}.` : 'not made yet.' }
          : undefined,
      plan: planOf(lower, upper, { ...(this.body() ? { clay: this.body() } : {}), ...(this.cone() ? { at: this.cone() } : {}) }),
      steps: this.stepTileOf(lower, upper, this.body()),
      lack: below?.id === upper.id ? 'One glaze over itself is one glaze.' : 'One of them is in no bucket: mix it first.',
    };
  });

  /** Bucket and clay of a step tile, where nobody knows yet how thick this glaze wants to be there; of all clays that is asked there. */
  private stepTileOf(lower: { id: string }, { id, bucketId }: WallGlaze, bodyId: string): Record<string, string> | undefined {
    if (lower.id !== '' || bucketId === undefined || this.all.value()?.hasWindow.has(`${id} ${bodyId}`)) return undefined;
    return { bucket: bucketId, ...(bodyId ? { body: bodyId } : {}), panel: 'tile' };
  }

  /** The same cell on each clay and at each cone where it was made. */
  private slicesOf(key: string): { key: string; title: string; words: string; photoUrl: string }[] {
    const here = this.tests().filter((test) => combinationKey(test) === key);
    const pairs = new Map(here.map(({ bodyId, cone }) => [`${bodyId ?? ''} ${cone}`, { bodyId, cone }]));
    if (pairs.size < 2) return [];
    return [...pairs].flatMap(([of, { bodyId, cone }]) => {
      const same = here.filter((test) => test.bodyId === bodyId && test.cone === cone);
      const cell = wallCells(same).get(key);
      const clay = this.all.value()?.bodies.find(({ id }) => id === bodyId)?.name ?? 'clay not known';
      return cell
        ? [{ key: of, title: `${clay}, cone ${cone}`, words: cellWords(cell), photoUrl: cell.photoId ? this.api.thumbnailUrl(cell.photoId) : '' }]
        : [];
    });
  }

  /** A plan is no thing to hang a label on. */
  private labelsOf(tests: readonly WallTest[]): string | undefined {
    const named = tests.flatMap(({ of: { kind, id } }) => (kind === 'piece' ? [] : [`${kind}:${id}`])).slice(0, MOST_LABELS);
    return named.length > 0 ? this.api.fileUrl(`/wall/labels.pdf?of=${named.join(',')}`) : undefined;
  }

  private testRow({ of, state, cone, coat, at, stars, photoId, isFaulty, bodyId }: WallTest): TestRow {
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
      photoUrl: photoId ? this.api.thumbnailUrl(photoId) : '',
      words: [
        STATE_WORDS[state],
        `cone ${cone}`,
        clay,
        coat && COAT_WORDS[coat],
        state === 'fired' ? formatWhen(at) : undefined,
        isFaulty ? 'with faults' : undefined,
      ]
        .filter((one) => one !== undefined)
        .join(', '),
    };
  }
}

const coneStep = (cone: string): number => CONES.findIndex((one) => one.cone === cone);

/** The buckets of a runner tile; undefined where one is in none, or both are the same. */
function planOf(lower: Partial<WallGlaze>, upper: WallGlaze, on: Record<string, string> = {}): Record<string, string> | undefined {
  if (upper.bucketId === undefined || lower.id === upper.id) return undefined;
  if (lower.id === '') return { below: upper.bucketId, ...on };
  return lower.bucketId === undefined ? undefined : { below: lower.bucketId, over: upper.bucketId, ...on };
}
