import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  checkLoad,
  heightShareOf,
  kilnToLoad,
  loadPieceId,
  loadPieces,
  lotIdOf,
  lowestShelfMm,
  replayLoad,
  stackShelves,
  type LoadEvent,
  type LoadLot,
  type LoadPiece,
  type LoadShelf,
  type LoadStanding,
  type ShelfOffset,
  type StackedShelf,
  type StandingPiece,
  type Warning,
} from '@cazuela/core';
import { catchError, combineLatest, debounceTime, of, switchMap } from 'rxjs';
import { apiResource } from '../../../data/http/api-resource';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { BenchLog, withLocalEvents, type NewEvent } from '../../../data/offline/bench-log';
import { Outbox } from '../../../data/offline/outbox';
import { streamStamps } from '../../../data/offline/stream-stamps';
import { Clock } from '../../../data/state/clock';
import { PieceQuestions } from '../../../data/state/piece-questions';
import { TakeBack } from '../../../parts/take-back';
import { Notice } from '../../../ui/notice';
import { offsetsOf } from '../../../data/state/kiln-offsets';
import { LoadFinder } from '../../../data/loads/load-finder';
import { lotCodes, pieceCode, pieceName } from './load-words';
import { lotColour, lotsToLoad, readyOf } from './lots-to-load';
import type { PieceLook } from './shelf-board';

/** Others’ moves are looked for so often, ms. */
const LOOK_AGAIN_MS = 500;
/** Warnings are worked out once hands have rested for this long, ms. */
const REST_MS = 250;
const EMPTY_STANDING: LoadStanding = { lots: [], shelves: [] };

/** A load as it stands at this moment, replayed from its events: what stands where, how high, and what is wrong with it. */
@Injectable()
export class LoadScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly clock = inject(Clock);
  private readonly notice = inject(Notice);
  private readonly finder = inject(LoadFinder);
  private readonly questions = inject(PieceQuestions);
  private readonly others = inject(TakeBack);
  readonly id = signal('');
  readonly moving = createMutation();
  readonly records = apiResource(() =>
    combineLatest({
      kilns: this.api.kilns(),
      firings: this.api.firings(),
      days: this.api.days(),
      tiles: this.api.tiles(),
      runners: this.api.runnerTiles(),
      results: this.api.results(),
      pieces: this.api.pieces(),
      buckets: this.api.buckets(),
    }),
  );
  readonly loads = apiResource(() => this.api.loads());
  readonly all = computed(() => {
    const [records, loads] = [this.records.value(), this.loads.value()];
    return records && loads && { ...records, loads };
  });
  readonly load = computed(() => this.loads.value()?.find(({ id }) => id === this.id()));
  readonly kilns = computed(() => this.records.value()?.kilns ?? []);
  readonly kiln = computed(() => this.kilns().find(({ id }) => id === this.load()?.kilnId));
  private readonly offsets = computed(() => {
    const kiln = this.kiln();
    return kiln && offsetsOf(kiln, this.records.value()?.firings ?? []);
  });
  /** Cones were read in it: where it is hot is known, and not guessed. */
  readonly isLearnt = computed(() => (this.offsets()?.readings ?? 0) > 0);
  readonly toLoad = computed(() => {
    const [kiln, offsets] = [this.kiln(), this.offsets()];
    if (!kiln || !offsets) return undefined;
    return kilnToLoad(kiln.body, offsets.readings > 0 ? offsets.at(1).celsius - offsets.at(0).celsius : 0);
  });
  readonly events = computed<LoadEvent[]>(() => {
    const load = this.load();
    return load ? withLocalEvents(load.events, this.outbox.localEvents('load', load.id)) : [];
  });
  readonly standing = computed(() => (this.load() ? replayLoad(this.events()) : EMPTY_STANDING));
  readonly pieces = computed((): LoadPiece[] => loadPieces(this.standing().lots));
  readonly shelves = computed((): StackedShelf[] => {
    const kiln = this.toLoad();
    return kiln ? stackShelves(this.standing().shelves, this.pieces(), kiln) : [];
  });
  readonly faults = computed(() => {
    const kiln = this.toLoad();
    return kiln ? checkLoad(this.shelves(), this.pieces(), kiln) : [];
  });
  readonly unplaced = computed(() => {
    const placed = new Set(this.standing().shelves.flatMap(({ pieces }) => pieces.map(({ pieceId }) => pieceId)));
    return this.pieces().filter(({ id }) => !placed.has(id));
  });
  readonly codes = computed(() => lotCodes(this.standing().lots, this.records.value()?.days ?? []));
  /** How each piece looks from above: its outermost glaze. */
  readonly looks = computed((): ReadonlyMap<string, PieceLook> => {
    const [records, codes] = [this.records.value(), this.codes()];
    return new Map(
      this.standing().lots.flatMap((lot) => {
        const look = { fill: records ? lotColour(lot, records) : 'var(--kaolin)', isOnPlate: lot.setting === 'plate' };
        return Array.from({ length: lot.count }, (_, at) => {
          const id = loadPieceId(lot.id, at);
          return [id, { ...look, code: pieceCode(lot, codes.get(lot.id) ?? '', id), name: pieceName(lot, id) }] as const;
        });
      }),
    );
  });
  readonly isFired = computed(() => this.standing().firingId !== undefined);
  /** What was left out when places were looked for, with why. */
  readonly leftOutWhy = signal<ReadonlyMap<string, string>>(new Map());
  readonly finding = signal(false);
  readonly nowAt = computed(() => this.clock.at());
  readonly ready = computed(() => {
    const [records, nowMs] = [this.records.value(), Date.parse(this.clock.at())];
    return new Map(records ? this.standing().lots.map((lot) => [lot.id, readyOf(lot, records, nowMs)] as const) : []);
  });
  /** What could be put on this load as well. */
  readonly more = computed(() => {
    const records = this.all();
    return records ? lotsToLoad(records, Date.parse(this.clock.at())) : [];
  });
  readonly days = computed(() => this.records.value()?.days ?? []);
  private readonly questionOf = toSignal(this.questions.all().pipe(catchError(() => of(() => undefined))));
  private readonly asked = computed(() => {
    const questionOf = this.questionOf();
    if (!questionOf) return [];
    return this.standing().lots.flatMap((lot) => {
      const question = lot.pieceId ? questionOf({ pieceId: lot.pieceId }) : undefined;
      if (!question) return [];
      const { setting = 'shelf' } = lot;
      const plan = { ...question.plan, setting };
      return this.shelvesOf(lot.id).map((shelf) => ({
        key: `${lot.id} ${shelf.id}`,
        question: { ...question, plan },
        placeCelsius: Math.round(this.offsetAt(shelf)?.celsius ?? 0),
      }));
    });
  });
  /** What speaks against a lot on a shelf, at that shelf’s heat. */
  readonly warnings = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(REST_MS),
      switchMap((asked) => (asked.length === 0 ? of(new Map<string, Warning[]>()) : this.finder.warnings(asked))),
    ),
    { initialValue: new Map<string, Warning[]>() as ReadonlyMap<string, Warning[]> },
  );

  constructor() {
    const id = computed(() => this.load()?.id);
    streamStamps(id, this.api.loadStamp, LOOK_AGAIN_MS)
      .pipe(takeUntilDestroyed())
      .subscribe((stamp) => {
        const load = this.load();
        if (load && (stamp.version !== load.version || stamp.events > load.events.length)) this.loads.reload();
      });
  }

  /** How much hotter a shelf is than the thermocouple, where it stands in this load. */
  offsetAt(shelf: StackedShelf): ShelfOffset | undefined {
    const kiln = this.kiln();
    return kiln && this.offsets()?.at(heightShareOf({ heightMm: lowestShelfMm(kiln.body) + shelf.fromMm }, kiln.body.chamber));
  }

  shelvesOf(lotId: string): StackedShelf[] {
    return this.shelves().filter(({ pieces }) => pieces.some(({ pieceId }) => lotIdOf(pieceId) === lotId));
  }

  /** `words` say what it was, for the line that offers to take it back. */
  note(words: string, event: NewEvent<'load'>): void {
    const eventId = this.log.note('load', this.id(), event);
    if (words) this.notice.kept(words, () => this.log.note('load', this.id(), { type: 'undone', eventId }));
  }

  move(shelfId: string, place: StandingPiece): void {
    this.note('', { type: 'pieceMoved', shelfId, ...place });
  }

  /** Places for all, whatever stood where. */
  findPlaces(): void {
    const kiln = this.toLoad();
    if (kiln) this.find(this.finder.places(this.pieces(), kiln), 'All places found anew');
  }

  /** Places for those that have none: nothing that stands is moved. */
  findRest(): void {
    const kiln = this.toLoad();
    if (kiln) this.find(this.finder.rest(this.standing().shelves, this.pieces(), kiln), 'Places found for the rest');
  }

  private find(search: ReturnType<LoadFinder['places']>, words: string): void {
    this.finding.set(true);
    search.subscribe((answer) => {
      this.finding.set(false);
      if (answer.kind === 'failed') return this.notice.tell(answer.message);
      this.leftOutWhy.set(new Map(answer.leftOut.map(({ pieceId, why }) => [pieceId, why])));
      this.note(words, { type: 'placesSet', shelves: answer.shelves });
    });
  }

  /** Puts lots on the load, and finds places for them beside what stands there, or for all where nothing stands. */
  add(lotIds: readonly string[]): void {
    const lots = this.more().filter(({ lot }) => lotIds.includes(lot.id));
    for (const { lot } of lots) this.log.note('load', this.id(), { type: 'lotAdded', lot: { ...lot, ...this.wishOf(lot) } });
    if (this.standing().shelves.length === 0) this.findPlaces();
    else this.findRest();
  }

  /** What its plan says of the shelf it is for. */
  private wishOf({ pieceId }: LoadLot): Pick<LoadLot, 'wants'> {
    const place = this.records.value()?.pieces.find(({ id }) => id === pieceId)?.body.plan.firing?.place;
    return place === 'hot' || place === 'cool' ? { wants: place } : {};
  }

  orderShelves(shelves: readonly LoadShelf[]): void {
    this.note('Shelves in another order', { type: 'shelvesOrdered', shelfIds: shelves.map(({ id }) => id) });
  }

  takeBack(): void {
    const last = this.standing().lastUndoable;
    if (last) this.others.ask(last, () => this.log.note('load', this.id(), { type: 'undone', eventId: last.id }));
  }

  inKiln(kilnId: string): void {
    const load = this.load();
    if (load) this.moving.run(this.api.updateLoad(load.id, load.version, kilnId), () => this.loads.reload());
  }
}
