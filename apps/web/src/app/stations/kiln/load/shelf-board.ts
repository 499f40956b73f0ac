import { ChangeDetectionStrategy, Component, computed, type ElementRef, input, output, signal, viewChild } from '@angular/core';
import {
  checkLoad,
  halfSizeMm,
  keptFreeOn,
  nearestPlace,
  RUNNER_GAP_MM,
  type KilnToLoad,
  type LoadPiece,
  type StackedShelf,
  type StandingPiece,
} from '@cazuela/core';

/** How a piece looks from above. */
export interface PieceLook {
  code: string;
  name: string;
  fill: string;
  isOnPlate: boolean;
  /** Under its code, e.g. what was said of it. */
  mark?: string;
}

const MARGIN_MM = 20;
const KEY_MM = 5;
const FINE_KEY_MM = 1;
/** A hand need not be more exact than this, mm. */
const SNAP_MM = 15;
const PLATE_BEYOND_MM = 5;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

interface Held {
  id: string;
  xMm: number;
  yMm: number;
  /** Of the hand from its middle. */
  byX: number;
  byY: number;
}

/** A shelf from above, to scale: its pieces are dragged, or moved by keys, and what stands too near shows at once. */
@Component({
  selector: 'cz-shelf-board',
  templateUrl: './shelf-board.html',
  styleUrl: './shelf-board.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShelfBoard {
  readonly label = input.required<string>();
  readonly shelf = input.required<StackedShelf>();
  readonly pieces = input.required<readonly LoadPiece[]>();
  readonly kiln = input.required<KilnToLoad>();
  readonly looks = input.required<ReadonlyMap<string, PieceLook>>();
  readonly chosen = input('');
  /** A load that was fired is only looked at. */
  readonly isLocked = input(false);
  readonly chose = output<string>();
  readonly moved = output<StandingPiece>();
  readonly takenOut = output<string>();
  /** A place was pointed at on which nothing stands. */
  readonly pointed = output<{ xMm: number; yMm: number }>();
  private readonly board = viewChild.required<ElementRef<SVGSVGElement>>('board');
  protected readonly margin = MARGIN_MM;
  protected readonly held = signal<Held | undefined>(undefined);
  /** A left half is the mirror of a right one. */
  private readonly mirror = computed(() => (this.shelf().side === 'left' && this.kiln().outline.kind === 'halfRound' ? -1 : 1));
  protected readonly edgeX = computed(() => {
    const { outline } = this.kiln();
    return outline.kind === 'rectangular' ? outline.widthMm / 2 : outline.diameterMm / 2;
  });
  protected readonly edgeY = computed(() => {
    const { outline } = this.kiln();
    return outline.kind === 'rectangular' ? outline.depthMm / 2 : outline.diameterMm / 2;
  });
  private readonly isHalf = computed(() => this.kiln().outline.kind === 'halfRound');
  protected readonly view = computed(() => {
    const [x, y] = [this.edgeX() + MARGIN_MM + 4, this.edgeY() + MARGIN_MM + 4];
    if (!this.isHalf()) return `${-x} ${-y} ${2 * x} ${2 * y}`;
    return `${this.mirror() > 0 ? -MARGIN_MM : -x} ${-y} ${x + MARGIN_MM} ${2 * y}`;
  });
  protected readonly halfRound = computed(() => {
    const radius = this.edgeX();
    return `M0 ${-radius} A${radius} ${radius} 0 0 ${this.mirror() > 0 ? 1 : 0} 0 ${radius} Z`;
  });
  protected readonly doorX = computed(() => (this.isHalf() ? (this.mirror() * this.edgeX()) / 3 : 0));
  protected readonly spots = computed(() => keptFreeOn(this.shelf(), this.kiln()).map((spot) => ({ ...spot, x: this.mirror() * spot.xMm })));
  /** As it would be if the hand let go here. */
  private readonly asHeld = computed((): StackedShelf => {
    const held = this.held();
    const shelf = this.shelf();
    if (!held) return shelf;
    return { ...shelf, pieces: shelf.pieces.map((place) => (place.pieceId === held.id ? { ...place, xMm: held.xMm, yMm: held.yMm } : place)) };
  });
  private readonly wrong = computed(() => {
    const faults = checkLoad([this.asHeld()], this.pieces(), { ...this.kiln(), shelves: Infinity });
    return new Set(faults.flatMap((fault) => ('otherId' in fault ? [fault.pieceId, fault.otherId] : 'pieceId' in fault ? [fault.pieceId] : [])));
  });
  private readonly byId = computed(() => new Map(this.pieces().map((piece) => [piece.id, piece])));
  protected readonly drawn = computed(() =>
    this.asHeld().pieces.flatMap((place) => {
      const piece = this.byId().get(place.pieceId);
      if (!piece) return [];
      const look = this.looks().get(piece.id);
      const [halfX, halfY] = halfSizeMm({ footprint: piece.footprint, isTurned: place.isTurned });
      return [
        {
          id: piece.id,
          x: this.mirror() * place.xMm,
          y: place.yMm,
          halfX,
          halfY,
          isBox: piece.footprint.kind === 'box',
          isOnPlate: look?.isOnPlate ?? false,
          rimMm: look?.isOnPlate ? halfX - PLATE_BEYOND_MM : halfX,
          gapMm: piece.isRunner ? RUNNER_GAP_MM : 0,
          fill: look?.fill ?? 'var(--kaolin)',
          code: look?.code ?? '',
          mark: look?.mark ?? '',
          fontMm: Math.max(14, Math.min(26, Math.min(halfX, halfY) * 0.7)),
          isWrong: this.wrong().has(piece.id),
          label: `${look?.code ?? ''} ${look?.name ?? ''}, ${placeWords(place)}`,
        },
      ];
    }),
  );

  protected take(event: PointerEvent, id: string): void {
    this.chose.emit(id);
    const place = this.shelf().pieces.find(({ pieceId }) => pieceId === id);
    if (!place || this.isLocked()) return;
    const at = this.pointAt(event);
    this.board().nativeElement.setPointerCapture?.(event.pointerId);
    this.held.set({ id, xMm: place.xMm, yMm: place.yMm, byX: at.xMm - place.xMm, byY: at.yMm - place.yMm });
  }

  protected drag(event: PointerEvent): void {
    const held = this.held();
    if (!held) return;
    const at = this.pointAt(event);
    this.held.set({ ...held, xMm: at.xMm - held.byX, yMm: at.yMm - held.byY });
  }

  protected drop(event: PointerEvent): void {
    if (!this.held()) {
      if (!this.isLocked()) this.pointed.emit(this.pointAt(event));
      return;
    }
    this.drag(event);
    const { id, xMm, yMm } = this.held()!;
    this.held.set(undefined);
    this.put(id, { xMm, yMm });
  }

  protected leave(): void {
    this.held.set(undefined);
  }

  protected key(event: KeyboardEvent, id: string): void {
    if (this.isLocked() || event.ctrlKey || event.metaKey || event.altKey) return;
    const place = this.shelf().pieces.find(({ pieceId }) => pieceId === id);
    const arrow = ARROWS[event.key];
    if (!place) return;
    if (arrow) {
      const mm = event.shiftKey ? FINE_KEY_MM : KEY_MM;
      this.moved.emit({ ...place, xMm: tenth(place.xMm + this.mirror() * arrow[0] * mm), yMm: tenth(place.yMm + arrow[1] * mm) });
    } else if (event.key === 'Delete') this.takenOut.emit(id);
    else if (event.key === 'r') this.moved.emit({ ...place, isTurned: !place.isTurned });
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** Where a hand put it, or a little beside that where it only just does not fit. */
  private put(id: string, at: { xMm: number; yMm: number }): void {
    const [shelf, piece] = [this.shelf(), this.byId().get(id)];
    const before = shelf.pieces.find(({ pieceId }) => pieceId === id);
    if (!piece || !before || Math.hypot(at.xMm - before.xMm, at.yMm - before.yMm) < 1) return;
    const wanted = { ...before, xMm: tenth(at.xMm), yMm: tenth(at.yMm) };
    this.moved.emit(nearestPlace(wanted, piece, { shelf, pieces: this.pieces(), kiln: this.kiln(), withinMm: SNAP_MM }) ?? wanted);
  }

  /** Where on the shelf a pointer is, mm from its middle. */
  private pointAt(event: MouseEvent): { xMm: number; yMm: number } {
    const matrix = this.board().nativeElement.getScreenCTM?.();
    if (!matrix) return { xMm: event.clientX, yMm: event.clientY };
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { xMm: this.mirror() * x, yMm: y };
  }
}

const tenth = (mm: number): number => Math.round(10 * mm) / 10;

function placeWords({ xMm, yMm }: StandingPiece): string {
  const across = Math.abs(xMm) < 1 ? 'in the middle' : `${Math.round(Math.abs(xMm))} mm to the ${xMm < 0 ? 'left' : 'right'}`;
  const deep = Math.abs(yMm) < 1 ? '' : `, ${Math.round(Math.abs(yMm))} mm towards the ${yMm > 0 ? 'door' : 'back'}`;
  return `${across}${deep}`;
}
