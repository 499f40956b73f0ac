import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { FAULTS } from '@cazuela/contract';
import { HOUR_MS, lotIdOf, type StackedShelf, type Verdict } from '@cazuela/core';
import { Keys } from '../../../data/devices/keys';
import { PhotoQueue } from '../../../data/photos/photo-queue';
import { addressed, titleOf } from '../../../data/state/address';
import { formatDayTime, formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { EmptyState } from '../../../ui/empty-state';
import { NumberField } from '../../../ui/number-field';
import { ResourceState } from '../../../ui/resource-state';
import { TextField } from '../../../ui/text-field';
import { FiringScreen } from '../firing/firing-screen';
import { LoadScreen } from '../load/load-screen';
import { shelfName } from '../load/load-words';
import { ShelfBoard, type PieceLook } from '../load/shelf-board';
import { FiredPiece, type PointedAt } from './fired-piece';
import { OpeningScreen, type OpenedPiece } from './opening-screen';
import { FAULT_KEYS, markOf, readingWords } from './opening-words';
import { TileReading } from './tile-reading';
import { VerdictPanel } from './verdict-panel';

/** A kiln is opened: piece after piece by the map of its load or by code, each verdict a tap, all of a set at once except those that differ. */
@Component({
  selector: 'cz-opening-page',
  imports: [EmptyState, FiredPiece, MatButton, NumberField, ResourceState, RouterLink, ShelfBoard, TextField, TileReading, VerdictPanel],
  providers: [FiringScreen, LoadScreen, OpeningScreen],
  templateUrl: './opening-page.html',
  styleUrl: './opening-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpeningPage {
  readonly id = input.required<string>();
  /** From the address: the piece that is looked at. */
  readonly piece = input<string>();
  protected readonly screen = inject(OpeningScreen);
  private readonly units = inject(Units);
  private readonly queue = inject(PhotoQueue);
  protected readonly chosenId = addressed('piece', () => this.piece());
  protected readonly when = formatWhen;
  protected readonly markOf = markOf;
  protected readonly readCelsius = signal<number | null>(null);
  protected readonly code = signal('');
  protected readonly codeSays = signal('');
  private readonly shelfId = signal('');
  private readonly panel = viewChild(VerdictPanel);
  /** Why it is not read yet: it is hot. */
  protected readonly hot = computed(() => {
    const [now, firing] = [this.screen.firing.now(), this.screen.firing.firing()];
    if (!now || !firing || now.kind === 'canBeOpened') return undefined;
    if (now.kind === 'notStarted') return 'It is not lit yet.';
    return `By what is known of it, it is at ${this.units.temperature(now.celsius)} and may be opened at ${this.timeAt(now.opensAtHours)}. A hot kiln burns, and pots that are opened too early crack: what is read then is not what they will be.`;
  });
  /** From the top down, as it is emptied; those on which pots stood. */
  protected readonly shelves = computed(() => {
    const ids = new Set(this.screen.pieces().map(({ id }) => id));
    return [...this.screen.load.shelves()].reverse().filter(({ pieces }) => pieces.some(({ pieceId }) => ids.has(pieceId)));
  });
  protected readonly shelfChoices = computed(() =>
    this.shelves().map((shelf) => {
      const left = this.screen.pieces().filter(({ id, isRead }) => !isRead && shelf.pieces.some(({ pieceId }) => pieceId === id)).length;
      return { id: shelf.id, words: `${this.nameOf(shelf)}${left > 0 ? `, ${left} left` : ' ✓'}` };
    }),
  );
  protected readonly chosen = computed((): OpenedPiece | undefined => {
    const pieces = this.screen.pieces();
    return pieces.find(({ id }) => id === this.chosenId()) ?? pieces.find(({ isRead }) => !isRead) ?? pieces[0];
  });
  protected readonly shelf = computed(() => {
    const shelves = this.shelves();
    return (
      shelves.find(({ id }) => id === this.shelfId()) ??
      shelves.find(({ pieces }) => pieces.some(({ pieceId }) => pieceId === this.chosen()?.id)) ??
      shelves[0]
    );
  });
  protected readonly ofLot = computed(() => this.screen.pieces().filter(({ lot }) => lot.id === this.chosen()?.lot.id));
  /** Those of its lot that nobody looked at. */
  protected readonly rest = computed(() => this.ofLot().filter(({ id, isRead }) => !isRead && id !== this.chosen()?.id));
  protected readonly alikeWords = computed(() => {
    const [left, all] = [this.rest().length, this.ofLot().length];
    return left === all - 1 ? `All ${all} came out like this` : `So did the other ${left}`;
  });
  /** The next that nobody looked at: of its own lot first, then from the top down. */
  protected readonly next = computed(() => {
    const pieces = this.screen.pieces().filter(({ id, isRead }) => !isRead && id !== this.chosen()?.id);
    return pieces.find(({ id }) => lotIdOf(id) === this.chosen()?.lot.id) ?? pieces[0];
  });
  protected readonly looks = computed((): ReadonlyMap<string, PieceLook> => {
    const readings = new Map(this.screen.pieces().map(({ id, reading }) => [id, markOf(reading)]));
    return new Map([...this.screen.load.looks()].map(([id, look]) => [id, { ...look, mark: readings.get(id) ?? '' }]));
  });
  protected readonly colours = computed(() => new Map((this.screen.load.records.value()?.buckets ?? []).map(({ id, body }) => [id, body.colour])));
  protected readonly waitingPhotos = computed(() => this.queue.waiting().filter(({ firingId }) => firingId === this.id()).length);

  constructor() {
    effect(() => this.screen.firing.id.set(this.id()));
    titleOf(() => this.screen.firing.firing() && `Opening ${this.screen.firing.firing()!.body.kiln}`);
    // The first one stays in sight while it is read.
    effect(() => {
      const piece = this.chosen();
      if (piece && piece.id !== this.chosenId()) untracked(() => this.chosenId.choose(piece.id));
    });
    // Another piece is on its own shelf.
    effect(() => {
      this.chosenId();
      untracked(() => this.shelfId.set(''));
    });
    const isOpen = (): boolean => this.hot() === undefined && this.chosen() !== undefined;
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'the next piece', run: () => this.goOn(), when: isOpen, restsMs: 250 },
      { keys: ['arrowright', '+'], words: 'a star more', run: () => this.star(1), when: isOpen },
      { keys: ['arrowleft', '-'], words: 'a star less', run: () => this.star(-1), when: isOpen },
      { keys: ['a'], words: 'all of its lot came out like this', run: () => this.allAlike(), when: () => isOpen() && this.rest().length > 0 },
      { keys: ['n'], words: 'no fault', run: () => this.say({ faults: [] }), when: isOpen },
      { keys: ['f'], words: 'its foot is clean', run: () => this.say({ foot: 'clean' }), when: isOpen },
      { keys: ['g'], words: 'glaze came to its foot', run: () => this.say({ foot: 'touched' }), when: isOpen },
      { keys: ['backspace', 'u'], words: 'take the last word back', run: () => this.screen.takeBack(), when: isOpen },
      ...FAULTS.map((fault) => ({ keys: [FAULT_KEYS[fault]], words: fault, run: () => this.panel()?.toggle(fault), when: isOpen })),
    ]);
  }

  protected nameOf(shelf: StackedShelf): string {
    return shelfName(shelf, this.screen.load.shelves());
  }

  protected wordsOf({ reading }: OpenedPiece): string {
    return readingWords(reading);
  }

  protected choose(id: string): void {
    if (id !== this.chosenId()) this.chosenId.choose(id);
  }

  /** The first piece on it that nobody looked at. */
  protected chooseShelf(shelfId: string): void {
    const on = new Set(
      this.shelves()
        .find(({ id }) => id === shelfId)
        ?.pieces.map(({ pieceId }) => pieceId),
    );
    const pieces = this.screen.pieces().filter(({ id }) => on.has(id));
    const piece = pieces.find(({ isRead }) => !isRead) ?? pieces[0];
    if (piece) this.choose(piece.id);
  }

  protected byCode(): void {
    const wanted = this.code().trim().toLowerCase();
    const piece = this.screen.pieces().find((one) => one.code.toLowerCase() === wanted);
    this.codeSays.set(piece || wanted === '' ? '' : `No piece in this kiln is called ${this.code().trim()}.`);
    if (piece) {
      this.choose(piece.id);
      this.code.set('');
    }
  }

  /** A piece that was looked at and found as good as it is goes on without a word: only what was said counts. */
  protected goOn(): void {
    this.panel()?.keepNote();
    const next = this.next();
    if (next) this.choose(next.id);
  }

  protected say(verdict: Verdict): void {
    const piece = this.chosen();
    if (piece) this.screen.say([piece.id], verdict);
  }

  protected allAlike(): void {
    this.panel()?.keepNote();
    const piece = this.chosen();
    if (!piece?.reading?.coneReached) return;
    // How far one ran, and where on it a fault is, is its own.
    const { ranMm: _ran, faults, ...verdict } = piece.reading.verdict;
    const alike = faults?.map(({ at: _at, ...fault }) => fault);
    this.screen.say(
      this.rest().map(({ id }) => id),
      { ...verdict, ...(alike ? { faults: alike } : {}) },
    );
  }

  protected point({ where, at }: PointedAt): void {
    const faults = this.chosen()?.reading?.verdict.faults ?? [];
    const last = faults.at(-1);
    if (last) this.say({ faults: [...faults.slice(0, -1), { ...last, where, at }] });
  }

  protected putTo(lotId: string): void {
    this.screen.putTo(lotId);
    const piece = this.screen.pieces().find(({ lot }) => lot.id === lotId);
    if (piece) this.choose(piece.id);
  }

  protected noteReading(): void {
    const celsius = this.readCelsius();
    if (celsius === null) return;
    if (this.screen.firing.noteReading(celsius, this.screen.load.nowAt())) this.readCelsius.set(null);
  }

  private star(by: number): void {
    const stars = Math.min(5, Math.max(1, (this.chosen()?.reading?.verdict.stars ?? (by > 0 ? 2 : 4)) + by));
    this.say({ stars });
  }

  private timeAt(hours: number): string {
    const at = new Date(Date.parse(this.screen.firing.firing()!.body.startedAt) + hours * HOUR_MS).toISOString();
    return formatDayTime(at, this.screen.load.nowAt());
  }
}
