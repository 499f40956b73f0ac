import { ChangeDetectionStrategy, ChangeDetectorRef, Component, computed, effect, inject, input, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { attempt, loadPieceId, lotIdOf, nearestPlace, placeOn, whyNever, type StackedShelf } from '@cazuela/core';
import { LEFT_OUT_WORDS } from '../../../data/loads/left-out-words';
import { titleOf } from '../../../data/state/address';
import { formatDayTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { RecordMenu } from '../../../parts/records/record-menu';
import { EmptyState } from '../../../ui/empty-state';
import { Notice } from '../../../ui/notice';
import { ResourceState } from '../../../ui/resource-state';
import { SelectField } from '../../../ui/select-field';
import { LoadPrint } from './load-print';
import { LoadScreen } from './load-screen';
import { faultWords, loadSummary, readyWords, shelfName } from './load-words';
import { PieceInLoad } from './piece-in-load';
import { ShelfBoard } from './shelf-board';
import { StackDrawing, type StackLabel } from './stack-drawing';

/** A piece that a hand put down is moved by no more than this to stand clear, mm. */
const SNAP_MM = 60;

/** A load of a kiln: what stands where, from the door and from above, what is wrong with it, and what waits. */
@Component({
  selector: 'cz-load-page',
  imports: [
    EmptyState,
    LoadPrint,
    MatButton,
    MatIcon,
    MatIconButton,
    PieceInLoad,
    PutAwayNote,
    RecordMenu,
    ResourceState,
    RouterLink,
    SelectField,
    ShelfBoard,
    StackDrawing,
  ],
  templateUrl: './load-page.html',
  styleUrl: './load-page.scss',
  providers: [LoadScreen],
  host: { '(window:beforeprint)': 'toPaper(true)', '(window:afterprint)': 'toPaper(false)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadPage {
  readonly id = input.required<string>();
  protected readonly screen = inject(LoadScreen);
  private readonly units = inject(Units);
  private readonly notice = inject(Notice);
  private readonly changes = inject(ChangeDetectorRef);
  protected readonly printing = signal(false);
  protected readonly chosen = signal('');
  private readonly chosenShelf = signal('');
  protected readonly shelf = computed(() => {
    const shelves = this.screen.shelves();
    return shelves.find(({ id }) => id === this.chosenShelf()) ?? shelves[0];
  });
  private readonly placed = computed(() => {
    const out = new Set(this.screen.unplaced().map(({ id }) => id));
    return this.screen.pieces().filter(({ id }) => !out.has(id));
  });
  protected readonly summary = computed(() =>
    loadSummary(this.placed(), this.screen.shelves().filter(({ pieces }) => pieces.length > 0).length, this.units),
  );
  protected readonly labels = computed((): StackLabel[] => {
    const wrong = new Set(this.screen.faults().map(({ shelfId }) => shelfId));
    return this.screen.shelves().map((shelf) => {
      const offset = this.screen.offsetAt(shelf);
      return {
        shelfId: shelf.id,
        name: this.nameOf(shelf),
        figure: `${shelf.pieces.length} ${shelf.pieces.length === 1 ? 'piece' : 'pieces'}${offset ? `, ${this.units.temperatureStep(offset.celsius)}` : ''}`,
        small: shelf.isTop
          ? `${this.units.length(shelf.roomMm)} to the lid`
          : `posts of ${shelf.columnMm.map((mm) => this.units.length(mm)).join(' + ')}`,
        isWrong: wrong.has(shelf.id),
      };
    });
  });
  protected readonly faults = computed(() =>
    this.screen
      .faults()
      .filter(({ shelfId }) => shelfId === this.shelf()?.id)
      .map((fault) => faultWords(fault, { nameOf: (id) => this.screen.looks().get(id)?.code ?? '', units: this.units })),
  );
  protected readonly chosenLot = computed(() => this.screen.standing().lots.find(({ id }) => id === lotIdOf(this.chosen())));
  protected readonly shelfOfChosen = computed(() =>
    this.screen.shelves().find(({ pieces }) => pieces.some(({ pieceId }) => pieceId === this.chosen())),
  );
  protected readonly lots = computed(() =>
    this.screen.standing().lots.map((lot) => ({
      lot,
      ...(lot.isDry ? { words: 'Dry, by hand.', tone: 'good' } : readyWords(this.screen.ready().get(lot.id), this.screen.nowAt())),
      code: this.screen.codes().get(lot.id) ?? '',
      fill: this.screen.looks().get(loadPieceId(lot.id, 0))?.fill ?? '',
    })),
  );
  /** Lots of which some stand on no shelf, with why. */
  protected readonly out = computed(() => {
    const [unplaced, why] = [this.screen.unplaced(), this.screen.leftOutWhy()];
    return this.screen.standing().lots.flatMap((lot) => {
      const ids = unplaced.filter(({ id }) => lotIdOf(id) === lot.id).map(({ id }) => id);
      const reasons = [...new Set(ids.map((id) => why.get(id) ?? this.whyOut(id)))].map((one) => LEFT_OUT_WORDS[one] ?? one);
      return ids.length > 0 ? [{ lot, ids, code: this.screen.codes().get(lot.id) ?? '', reasons: reasons.join(', ') }] : [];
    });
  });
  /** Pieces whose place is only kept. */
  protected readonly notGlazed = computed(() =>
    this.screen.standing().lots.reduce((sum, { id, count }) => sum + (this.screen.ready().get(id)?.kind === 'notGlazed' ? count : 0), 0),
  );
  protected readonly more = computed(() => this.screen.more().map(({ lot, ready }) => ({ lot, ...readyWords(ready, this.screen.nowAt()) })));
  protected readonly glazed = computed(() => this.screen.more().flatMap(({ lot, ready }) => (ready.kind === 'notGlazed' ? [] : [lot.id])));
  /** When the last of what is in it is dry through. */
  protected readonly earliest = computed(() => {
    const waits = this.screen.standing().lots.flatMap((lot) => {
      const ready = this.screen.ready().get(lot.id);
      return ready?.kind === 'drying' && !lot.isDry ? [ready.dryAt] : [];
    });
    const last = waits.sort().at(-1);
    return last && !this.screen.isFired() ? formatDayTime(last, this.screen.nowAt()) : undefined;
  });
  protected readonly ground = computed(() =>
    this.screen.isLearnt()
      ? 'How much hotter each shelf is than the thermocouple is learnt from its cones: runners stand where it is cool.'
      : 'No cone was read in it yet: where it is hot is not known, so runners stand anywhere.',
  );
  protected readonly kilnOptions = computed(() => this.screen.kilns().map(({ id, body }) => [id, body.name] as const));

  constructor() {
    effect(() => this.screen.id.set(this.id()));
    titleOf(() => this.screen.kiln() && `Load of ${this.screen.kiln()!.body.name}`);
  }

  /** Where places were looked for before this page was opened. */
  private whyOut(pieceId: string): string {
    const [kiln, piece] = [this.screen.toLoad(), this.screen.pieces().find(({ id }) => id === pieceId)];
    const never = kiln && piece && attempt(() => whyNever(piece, kiln));
    return (never?.kind === 'ok' ? never.value : undefined) ?? 'noPlaceYet';
  }

  protected nameOf(shelf: StackedShelf): string {
    return shelfName(shelf, this.screen.shelves());
  }

  protected chooseShelf(id: string): void {
    this.chosenShelf.set(id);
  }

  /** The first of its pieces, and the shelf on which that stands. */
  protected chooseLot(lotId: string): void {
    this.chosen.set(loadPieceId(lotId, 0));
    const shelf = this.shelfOfChosen();
    if (shelf) this.chooseShelf(shelf.id);
  }

  protected takeOut(pieceId: string): void {
    this.screen.note(`${this.screen.looks().get(pieceId)?.code ?? 'It'} taken off its shelf`, { type: 'pieceTakenOut', pieceId });
  }

  /** Where a piece that is on no shelf was pointed to. */
  protected putAt({ xMm, yMm }: { xMm: number; yMm: number }): void {
    const [shelf, kiln] = [this.shelf(), this.screen.toLoad()];
    const piece = this.screen.unplaced().find(({ id }) => id === this.chosen());
    if (!shelf || !kiln || !piece) return;
    const wanted = { pieceId: piece.id, xMm: Math.round(xMm), yMm: Math.round(yMm), isTurned: false };
    this.screen.move(shelf.id, nearestPlace(wanted, piece, { shelf, pieces: this.screen.pieces(), kiln, withinMm: SNAP_MM }) ?? wanted);
  }

  /** Onto a shelf where it has room, nothing else moved. */
  protected putOn(shelf: StackedShelf): void {
    const kiln = this.screen.toLoad();
    const piece = this.screen.pieces().find(({ id }) => id === this.chosen());
    if (!kiln || !piece) return;
    const place = placeOn(piece, { shelf, pieces: this.screen.pieces(), kiln });
    if (!place)
      return this.notice.tell(`There is no room for it on ${this.nameOf(shelf)} as its pieces stand: move one first, or find all places anew.`);
    this.screen.move(shelf.id, place);
    this.chooseShelf(shelf.id);
  }

  protected canShift(by: number): boolean {
    return this.neighbour(by) !== undefined;
  }

  /** Changes places with the next shelf of its stack. */
  protected shift(by: number): void {
    const [shelf, other] = [this.shelf(), this.neighbour(by)];
    if (!shelf || !other) return;
    this.screen.orderShelves(this.screen.shelves().map((one) => (one.id === shelf.id ? other : one.id === other.id ? shelf : one)));
    this.chooseShelf(shelf.id);
  }

  private neighbour(by: number): StackedShelf | undefined {
    const shelf = this.shelf();
    const stack = this.screen.shelves().filter(({ side }) => side === shelf?.side);
    return stack[stack.findIndex(({ id }) => id === shelf?.id) + by];
  }

  protected print(): void {
    window.print();
  }

  /** Drawn only when it is printed: every shelf once more is much to draw at each move. */
  protected toPaper(isPrinting: boolean): void {
    this.printing.set(isPrinting);
    this.changes.detectChanges();
  }
}
