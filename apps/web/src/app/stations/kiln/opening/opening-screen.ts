import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { FiringEvent, Piece } from '@cazuela/contract';
import {
  attempt,
  coneReached,
  dayStanding,
  loadPieceId,
  lotFromItem,
  lotIdOf,
  lowestShelfMm,
  replayLoad,
  replayOpening,
  shelfCones,
  type LoadLot,
  type PieceReading,
  type StackedShelf,
  type StripLook,
  type Verdict,
} from '@cazuela/core';
import { StudioApi } from '../../../data/http/studio-api';
import { BenchLog } from '../../../data/offline/bench-log';
import { streamStamps } from '../../../data/offline/stream-stamps';
import { asWitnessed, offsetsOf } from '../../../data/state/kiln-offsets';
import { TakeBack } from '../../../parts/take-back';
import { FiringScreen } from '../firing/firing-screen';
import { nearestCone } from '../kiln-words';
import { LoadScreen } from '../load/load-screen';
import { lotCodes, pieceCode, pieceName } from '../load/load-words';

/** Others’ words are looked for so often, ms. */
const LOOK_AGAIN_MS = 500;
/** Lots of the last days may have been in a firing without a load. */
const DAYS_BACK = 30;
const DAY_MS = 86_400_000;

/** A piece that came out of the kiln, as it is asked about. */
export interface OpenedPiece {
  id: string;
  lot: LoadLot;
  /** "B3". */
  code: string;
  name: string;
  reading: PieceReading | undefined;
  /** Its stars, its faults, or that it was looked at were told. */
  isRead: boolean;
}

type PhotoEvent = Extract<FiringEvent, { type: 'piecesPhotographed' }>;

/** A kiln that is being opened: what stood where, what was said of each piece by everybody, and what was not looked at yet. */
@Injectable()
export class OpeningScreen {
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly others = inject(TakeBack);
  readonly firing = inject(FiringScreen);
  readonly load = inject(LoadScreen);
  private readonly opening = computed(() => replayOpening(this.firing.firing()?.events ?? []));
  readonly tileReadings = computed(() => this.opening().tiles);
  readonly lastUndoable = computed(() => this.opening().lastUndoable);
  private readonly loadOfFiring = computed(() =>
    this.load.loads.value()?.find(({ events }) => replayLoad(events).firingId === this.firing.id() && this.firing.id() !== undefined),
  );
  /** Lots that somebody put to it here: nobody planned the load. */
  private readonly added = signal<ReadonlySet<string>>(new Set());
  private readonly ofDays = computed((): LoadLot[] =>
    this.load.days().flatMap((day) =>
      dayStanding(day).lots.flatMap(({ item, open }) => {
        const lot = open > 0 ? lotFromItem(item, { id: item.id, dayId: day.id }) : undefined;
        return lot ? [lot] : [];
      }),
    ),
  );
  /** Lots of pots in this firing: of its load, and those that were read or put to it without one. Tiles are read by themselves. */
  readonly lots = computed((): LoadLot[] => {
    const inLoad = this.load.standing().lots;
    const known = new Set(inLoad.flatMap(({ id, itemId }) => [id, itemId]));
    const readIds = new Set([...this.opening().readings.keys()].map(lotIdOf));
    const more = this.ofDays().filter(({ id }) => !known.has(id) && (readIds.has(id) || this.added().has(id)));
    return [...inLoad, ...more].filter(({ pieceId }) => pieceId !== undefined);
  });
  readonly tiles = computed(() => this.load.standing().lots.filter(({ tileId }) => tileId !== undefined));
  /** Glazed lots of the days before, of which nothing was read: one of them may have been in it. */
  readonly maybe = computed((): LoadLot[] => {
    const startedMs = Date.parse(this.firing.firing()?.body.startedAt ?? '');
    const read = new Set((this.load.records.value()?.results ?? []).map(({ body }) => body.lotId));
    const elsewhere = new Set((this.load.loads.value() ?? []).flatMap(({ events }) => replayLoad(events).lots.map(({ itemId }) => itemId)));
    const here = new Set(this.lots().flatMap(({ id, itemId }) => [id, itemId]));
    const isNear = (dayId: string | undefined): boolean => {
      const date = this.load.days().find(({ id }) => id === dayId)?.date;
      const apart = date === undefined ? Infinity : startedMs - Date.parse(date);
      return apart >= 0 && apart < DAYS_BACK * DAY_MS;
    };
    return this.ofDays().filter(({ id, dayId }) => !read.has(id) && !elsewhere.has(id) && !here.has(id) && isNear(dayId));
  });
  private readonly codes = computed(() => lotCodes(this.lots(), this.load.days()));
  /** From the top shelf down, as a kiln is emptied; each lot by its numbers. */
  readonly pieces = computed((): OpenedPiece[] => {
    const shelfAt = new Map([...this.load.shelves()].reverse().flatMap(({ pieces }, at) => pieces.map(({ pieceId }) => [pieceId, at] as const)));
    const { readings } = this.opening();
    return this.lots()
      .flatMap((lot) =>
        Array.from({ length: lot.count }, (_, at) => {
          const id = loadPieceId(lot.id, at);
          const reading = readings.get(id);
          return {
            id,
            lot,
            code: pieceCode(lot, this.codes().get(lot.id) ?? '', id),
            name: pieceName(lot, id),
            reading,
            isRead: reading?.coneReached !== undefined,
          };
        }),
      )
      .sort((a, b) => (shelfAt.get(a.id) ?? Infinity) - (shelfAt.get(b.id) ?? Infinity));
  });
  readonly readCount = computed(() => this.pieces().filter(({ isRead }) => isRead).length);
  /** What each shelf of its kiln saw, by the usual shelf next to it in height. */
  private readonly cones = computed(() => {
    const [firing, kiln] = [this.firing.firing(), this.load.kiln() ?? this.firing.kiln()];
    const offsets = kiln && offsetsOf(kiln, this.load.records.value()?.firings ?? []);
    const seen = firing && kiln && offsets && attempt(() => shelfCones(kiln.body, asWitnessed(firing), offsets));
    return seen?.kind === 'ok' ? seen.value : [];
  });
  /** The cone of the firing as a whole. */
  private readonly cone = computed(() => {
    const [firing, read] = [this.firing.firing(), this.firing.read()];
    const byCurve = read && attempt(() => coneReached({ firing: read.curve }));
    return firing?.body.witnessCone ?? (byCurve?.kind === 'ok' ? nearestCone(byCurve.value) : (firing?.body.wantedCone ?? '6'));
  });

  constructor() {
    effect(() => {
      const load = this.loadOfFiring();
      if (load) this.load.id.set(load.id);
    });
    const id = computed(() => this.firing.firing()?.id);
    streamStamps(id, this.api.firingStamp, LOOK_AGAIN_MS)
      .pipe(takeUntilDestroyed())
      .subscribe((stamp) => {
        const firing = this.firing.firing();
        if (firing && (stamp.version !== firing.version || stamp.events > (firing.events?.length ?? 0))) this.firing.newest.reload();
      });
  }

  planOf(lot: LoadLot): Piece | undefined {
    return this.load.records.value()?.pieces.find(({ id }) => id === lot.pieceId);
  }

  /** The shelf that a piece stood on in the load. */
  shelfOf(pieceId: string): StackedShelf | undefined {
    return this.load.shelves().find(({ pieces }) => pieces.some((piece) => piece.pieceId === pieceId));
  }

  /** The cone that a piece saw, and the usual shelf beside it. */
  placeOf(pieceId: string): { coneReached: string; shelfId?: string } {
    const [shelf, kiln] = [this.shelfOf(pieceId), this.load.kiln()];
    if (!shelf || !kiln || this.cones().length === 0) return { coneReached: this.cone() };
    const heightMm = lowestShelfMm(kiln.body) + shelf.fromMm;
    const nearest = this.cones().reduce((best, one) =>
      Math.abs(one.shelf.heightMm - heightMm) < Math.abs(best.shelf.heightMm - heightMm) ? one : best,
    );
    return { coneReached: nearestCone(nearest.cone), shelfId: nearest.shelf.id };
  }

  putTo(lotId: string): void {
    this.added.update((ids) => new Set([...ids, lotId]));
  }

  /** Says something of pieces: one event for all that saw the same cone. */
  say(pieceIds: readonly string[], verdict: Verdict): void {
    const firingId = this.firing.id();
    if (!firingId) return;
    const groups = new Map<string, { place: ReturnType<OpeningScreen['placeOf']>; ids: string[] }>();
    for (const id of pieceIds) {
      const place = this.placeOf(id);
      const key = `${place.coneReached} ${place.shelfId ?? ''}`;
      const group = groups.get(key) ?? { place, ids: [] };
      group.ids.push(id);
      groups.set(key, group);
    }
    for (const { place, ids } of groups.values()) this.log.note('firing', firingId, { type: 'piecesRead', pieceIds: ids, verdict, ...place });
  }

  /** Says how a strip of a tile looks, or how far it ran. */
  sayOfTile(lot: LoadLot, said: { look?: StripLook; runMm?: number }): void {
    const firingId = this.firing.id();
    if (!firingId || !lot.tileId) return;
    const { coneReached } = this.placeOf(loadPieceId(lot.id, 0));
    this.log.note('firing', firingId, { type: 'tileRead', tileId: lot.tileId, ...said, coneReached });
  }

  /** The event that says which pieces a photo shows; undefined where it was taken back, or is not told yet. */
  photoEvent(photoId: string): { id: string; pieceIds: readonly string[] } | undefined {
    if (!photoId) return undefined;
    const events = this.firing.firing()?.events ?? [];
    const undone = new Set(events.flatMap((event) => (event.type === 'undone' ? [event.eventId] : [])));
    return events.find((event): event is PhotoEvent => event.type === 'piecesPhotographed' && event.photoId === photoId && !undone.has(event.id));
  }

  takePhotoOff(eventId: string): void {
    this.log.note('firing', this.firing.id()!, { type: 'undone', eventId });
  }

  takeBack(): void {
    const last = this.lastUndoable();
    if (last) this.others.ask(last, () => this.log.note('firing', this.firing.id()!, { type: 'undone', eventId: last.id }));
  }
}
