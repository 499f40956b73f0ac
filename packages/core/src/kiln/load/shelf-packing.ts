import { seededUniform } from '../../math/seeded-uniform';
import { gapBetween, type KeptFree, type LoadPiece, type ShelfOutline, type StandingPiece } from './load-piece';

/** Sweeps in which pieces push one another apart; it is looked now and then whether that still helps. */
const SWEEPS = 240;
const LOOKED_EVERY = 16;
/** Helps no more: what is squeezed, as a share of what it was at the last look. */
const STUCK_SHARE = 0.92;
/** Pieces are pushed a hair further apart than they must stand, so that rounding never counts as touching, mm. */
const HAIR_MM = 0.02;
const WITHIN_MM = 1e-6;
const SAME_MM = 1e-9;
/** Places that are looked at for a piece. */
const LOOKS = 40;
/** A worse arrangement is gone on from now and then, or the same pieces are squeezed for ever. */
const GO_ON_SHARE = 0.2;
const TURN_SHARE = 0.4;
const SEED = 20_260_301;

/** How long is looked for a place for all: beginnings, and moves of squeezed pieces after each of them. */
export interface PackingEffort {
  beginnings: number;
  moves: number;
}

/** Pieces on one shelf, that push one another apart. What stays squeezed is put where there is most room. The same pieces give the same places. */
export class ShelfPacking {
  private pieces: LoadPiece[] = [];
  /** Of each piece: its middle, and half its size, mm. */
  private x = new Float64Array(0);
  private y = new Float64Array(0);
  private halfX = new Float64Array(0);
  private halfY = new Float64Array(0);
  private isBox = new Uint8Array(0);
  private isTurned = new Uint8Array(0);
  private gaps = new Float64Array(0);
  private random: () => number = seededUniform(SEED);
  /** The last push that was worked out: how far, and in which direction. */
  private pushMm = 0;
  private pushX = 0;
  private pushY = 0;
  private readonly isRound: boolean;
  private readonly isHalf: boolean;
  private readonly edgeX: number;
  private readonly edgeY: number;

  constructor(
    outline: ShelfOutline,
    private readonly keptFree: readonly KeptFree[] = [],
  ) {
    this.isRound = outline.kind !== 'rectangular';
    this.isHalf = outline.kind === 'halfRound';
    this.edgeX = outline.kind === 'rectangular' ? outline.widthMm / 2 : outline.diameterMm / 2;
    this.edgeY = outline.kind === 'rectangular' ? outline.depthMm / 2 : outline.diameterMm / 2;
  }

  /** Looks for a place for these pieces, from several beginnings. */
  put(pieces: readonly LoadPiece[], { beginnings, moves }: PackingEffort): boolean {
    this.take(pieces);
    this.random = seededUniform(SEED + pieces.length);
    for (let beginning = 0; beginning < beginnings; beginning++) {
      this.begin(beginning);
      if (this.settle(moves)) return true;
    }
    return false;
  }

  /** Looks for a place for one more; all others stand as before where there is none. */
  add(piece: LoadPiece, moves: number): boolean {
    const [before, pieces] = [this.copy(), this.pieces];
    this.take([...pieces, piece]);
    this.restore(before);
    this.roomiest(pieces.length);
    if (this.settle(moves)) return true;
    this.take(pieces);
    this.restore(before);
    return false;
  }

  places(): StandingPiece[] {
    return this.pieces.map(({ id }, at) => ({ pieceId: id, xMm: this.x[at]!, yMm: this.y[at]!, isTurned: this.isTurned[at] === 1 }));
  }

  private take(pieces: readonly LoadPiece[]): void {
    const count = pieces.length;
    this.pieces = [...pieces];
    this.x = new Float64Array(count);
    this.y = new Float64Array(count);
    this.halfX = Float64Array.from(pieces, ({ footprint }) => (footprint.kind === 'circle' ? footprint.radiusMm : footprint.widthMm / 2));
    this.halfY = Float64Array.from(pieces, ({ footprint }) => (footprint.kind === 'circle' ? footprint.radiusMm : footprint.depthMm / 2));
    this.isBox = Uint8Array.from(pieces, ({ footprint }) => (footprint.kind === 'box' ? 1 : 0));
    this.isTurned = new Uint8Array(count);
    this.gaps = new Float64Array(count * count);
    for (let i = 0; i < count; i++) for (let j = 0; j < count; j++) this.gaps[i * count + j] = gapBetween(pieces[i]!, pieces[j]!);
  }

  /** Large ones first where there is most room; every other time they begin anywhere. */
  private begin(beginning: number): void {
    const order = this.pieces.map((_, at) => at).sort((a, b) => this.doorFirst(a, b) || this.sizeOf(b) - this.sizeOf(a) || a - b);
    // What has no place yet is out of the way.
    this.x.fill(Infinity);
    for (const at of order) {
      if (this.isBox[at] === 1 && beginning > 0 && this.random() < TURN_SHARE) this.turn(at);
      if (beginning % 2 === 1 && !this.pieces[at]!.isAtDoor) this.anywhere(at);
      else this.roomiest(at);
    }
  }

  private settle(moves: number): boolean {
    if (this.relax()) return true;
    for (let move = 0; move < moves; move++) {
      const [before, squeezed] = [this.copy(), this.squeeze()];
      this.moveSqueezed();
      if (this.relax()) return true;
      if (this.squeeze() > squeezed && this.random() > GO_ON_SHARE) this.restore(before);
    }
    return false;
  }

  private anywhere(at: number): void {
    const across = this.isHalf ? this.random() : 2 * this.random() - 1;
    this.x[at] = across * Math.max(0, this.edgeX - this.halfX[at]!);
    this.y[at] = (2 * this.random() - 1) * Math.max(0, this.edgeY - this.halfY[at]!);
    this.pushInside(at);
  }

  private doorFirst = (a: number, b: number): number => Number(this.pieces[b]!.isAtDoor ?? false) - Number(this.pieces[a]!.isAtDoor ?? false);

  /** Of several places, the one where it is squeezed least; of equal ones the one nearest to the edge, or to the door, so that the middle stays whole. */
  private roomiest(at: number): void {
    let [bestX, bestY, best] = [0, 0, Infinity];
    for (let look = 0; look < LOOKS; look++) {
      this.anywhere(at);
      const rank = this.squeezeOf(at) - 1e-3 * (this.pieces[at]!.isAtDoor ? this.y[at]! : Math.hypot(this.x[at]!, this.y[at]!));
      if (rank < best) [bestX, bestY, best] = [this.x[at]!, this.y[at]!, rank];
    }
    this.x[at] = bestX;
    this.y[at] = bestY;
  }

  /** Pieces push one another apart until none is too near, or that helps no more. */
  private relax(): boolean {
    const { x, y } = this;
    const count = x.length;
    let before = Infinity;
    for (let sweep = 1; sweep <= SWEEPS; sweep++) {
      let [worst, all] = [0, 0];
      for (let i = 0; i < count; i++) {
        for (let j = i + 1; j < count; j++) {
          this.pushOf(i, j, HAIR_MM);
          const mm = this.pushMm;
          if (mm <= 0) continue;
          x[i]! -= (this.pushX * mm) / 2;
          y[i]! -= (this.pushY * mm) / 2;
          x[j]! += (this.pushX * mm) / 2;
          y[j]! += (this.pushY * mm) / 2;
          all += mm;
          if (mm > worst) worst = mm;
        }
        const over = this.pushOffKeptFree(i) + this.pushInside(i);
        all += over;
        if (over > worst) worst = over;
      }
      if (worst < HAIR_MM / 2) return this.isRight();
      if (sweep % LOOKED_EVERY !== 0) continue;
      if (all > STUCK_SHARE * before) return this.isRight();
      before = all;
    }
    return this.isRight();
  }

  /** Nothing nearer than its gap, nothing over the edge. */
  private isRight(): boolean {
    const count = this.x.length;
    for (let i = 0; i < count; i++) {
      if (this.overEdge(i) > WITHIN_MM || this.onKeptFree(i) > WITHIN_MM) return false;
      for (let j = i + 1; j < count; j++) {
        this.pushOf(i, j, 0);
        if (this.pushMm > WITHIN_MM) return false;
      }
    }
    return true;
  }

  private squeezeOf(at: number): number {
    let sum = this.overEdge(at) ** 2 + this.onKeptFree(at) ** 2;
    for (let other = 0; other < this.x.length; other++) {
      if (other === at) continue;
      this.pushOf(at, other, 0);
      sum += this.pushMm ** 2;
    }
    return sum;
  }

  private squeeze(): number {
    let sum = 0;
    for (let at = 0; at < this.x.length; at++) sum += this.squeezeOf(at);
    return sum;
  }

  private moveSqueezed(): void {
    const squeezed = Array.from(this.x, (_, at) => this.squeezeOf(at) / this.sizeOf(at));
    const most = Math.max(...squeezed);
    const pressed = squeezed.flatMap((one, at) => (one > 0.4 * most ? [at] : []));
    const at = pressed[Math.floor(this.random() * pressed.length)] ?? 0;
    if (this.isBox[at] === 1 && this.random() < TURN_SHARE) this.turn(at);
    this.roomiest(at);
  }

  private turn(at: number): void {
    [this.halfX[at], this.halfY[at]] = [this.halfY[at]!, this.halfX[at]!];
    this.isTurned[at] = 1 - this.isTurned[at]!;
  }

  private copy(): { x: Float64Array; y: Float64Array; turned: Uint8Array } {
    return { x: this.x.slice(), y: this.y.slice(), turned: this.isTurned.slice() };
  }

  /** Fewer pieces than there are now stand as they did; the rest stays. */
  private restore({ x, y, turned }: { x: Float64Array; y: Float64Array; turned: Uint8Array }): void {
    this.x.set(x.subarray(0, this.x.length));
    this.y.set(y.subarray(0, this.y.length));
    for (let at = 0; at < Math.min(turned.length, this.isTurned.length); at++) if (this.isTurned[at] !== turned[at]) this.turn(at);
  }

  private sizeOf = (at: number): number => this.halfX[at]! * this.halfY[at]!;

  /** How far a piece stands over the edge, mm. */
  private overEdge(at: number): number {
    const [x, y] = [Math.abs(this.x[at]!), Math.abs(this.y[at]!)];
    const overHalf = this.isHalf ? this.halfX[at]! - this.x[at]! : 0;
    if (!this.isRound) return Math.max(0, x + this.halfX[at]! - this.edgeX, y + this.halfY[at]! - this.edgeY);
    const reach = this.isBox[at] === 1 ? Math.hypot(x + this.halfX[at]!, y + this.halfY[at]!) : Math.hypot(x, y) + this.halfX[at]!;
    return Math.max(0, overHalf, reach - this.edgeX);
  }

  /** How far a piece stands on what is kept free, mm. */
  private onKeptFree(at: number): number {
    let worst = 0;
    for (const spot of this.keptFree) worst = Math.max(worst, this.offSpot(at, spot).mm);
    return worst;
  }

  /** How far it has to go to be off a spot, and in which direction. */
  private offSpot(at: number, { xMm, yMm, radiusMm }: KeptFree): { mm: number; x: number; y: number } {
    const [dx, dy] = [this.x[at]! - xMm, this.y[at]! - yMm];
    // Of a box, its nearest point counts.
    const [inX, inY] =
      this.isBox[at] === 1
        ? [Math.max(-this.halfX[at]!, Math.min(this.halfX[at]!, -dx)), Math.max(-this.halfY[at]!, Math.min(this.halfY[at]!, -dy))]
        : [0, 0];
    const [x, y] = [dx + inX, dy + inY];
    const far = Math.hypot(x, y);
    const mm = Math.max(0, radiusMm + (this.isBox[at] === 1 ? 0 : this.halfX[at]!) - far);
    if (far >= SAME_MM) return { mm, x: x / far, y: y / far };
    // It lies on the middle of the spot: towards its own middle, or the shelf's.
    const own = Math.hypot(dx, dy) || 1;
    return { mm, x: dx / own || -Math.sign(xMm), y: dy / own || -Math.sign(yMm) };
  }

  private pushOffKeptFree(at: number): number {
    let all = 0;
    for (const spot of this.keptFree) {
      const { mm, x, y } = this.offSpot(at, spot);
      if (mm <= 0) continue;
      this.x[at]! += x * (mm + HAIR_MM);
      this.y[at]! += y * (mm + HAIR_MM);
      all += mm;
    }
    return all;
  }

  /** Moves it back over the shelf; a corner of a box comes in a little at a time. Returns by how much it stood over the edge, mm. */
  private pushInside(at: number): number {
    const over = this.overEdge(at);
    if (over <= 0) return 0;
    const [x, y] = [this.x[at]!, this.y[at]!];
    if (!this.isRound) {
      const [mostX, mostY] = [Math.max(0, this.edgeX - this.halfX[at]!), Math.max(0, this.edgeY - this.halfY[at]!)];
      this.x[at] = Math.min(mostX, Math.max(-mostX, x));
      this.y[at] = Math.min(mostY, Math.max(-mostY, y));
      return over;
    }
    if (this.isHalf && x < this.halfX[at]!) {
      this.x[at] = this.halfX[at]!;
      if (this.overEdge(at) <= 0) return over;
    }
    const far = Math.hypot(this.x[at]!, y);
    const kept = far < SAME_MM ? 0 : 1 - Math.min(far, over) / far;
    this.x[at] = this.x[at]! * kept;
    this.y[at] = y * kept;
    return over;
  }

  /** Works out how far two pieces are to be moved apart, and in which direction, from the first to the second. */
  private pushOf(a: number, b: number, moreMm: number): void {
    const gapMm = this.gaps[a * this.x.length + b]! + moreMm;
    const [dx, dy] = [this.x[b]! - this.x[a]!, this.y[b]! - this.y[a]!];
    this.pushMm = 0;
    if (this.isBox[a] === 0 && this.isBox[b] === 0) {
      const wanted = this.halfX[a]! + this.halfX[b]! + gapMm;
      const squared = dx * dx + dy * dy;
      if (squared >= wanted * wanted) return;
      const far = Math.sqrt(squared);
      this.pushMm = wanted - far;
      this.pushX = far < SAME_MM ? 1 : dx / far;
      this.pushY = far < SAME_MM ? 0 : dy / far;
      return;
    }
    this.pushOfBox(a, b, { dx, dy, gapMm });
  }

  /** A circle at a box counts by the nearest point of the box, two boxes side by side. */
  private pushOfBox(a: number, b: number, { dx, dy, gapMm }: { dx: number; dy: number; gapMm: number }): void {
    const overX = this.halfX[a]! + this.halfX[b]! + gapMm - Math.abs(dx);
    const overY = this.halfY[a]! + this.halfY[b]! + gapMm - Math.abs(dy);
    if (!(overX > 0 && overY > 0)) return;
    const [signX, signY] = [dx < 0 ? -1 : 1, dy < 0 ? -1 : 1];
    if (this.isBox[a] !== this.isBox[b]) {
      const [box, circle] = this.isBox[a] === 1 ? [a, b] : [b, a];
      const [cornerX, cornerY] = [Math.abs(dx) - this.halfX[box]!, Math.abs(dy) - this.halfY[box]!];
      if (cornerX > 0 && cornerY > 0) {
        const far = Math.hypot(cornerX, cornerY);
        this.pushMm = Math.max(0, this.halfX[circle]! + gapMm - far);
        this.pushX = (signX * cornerX) / far;
        this.pushY = (signY * cornerY) / far;
        return;
      }
    }
    const isAcross = overX < overY;
    this.pushMm = isAcross ? overX : overY;
    this.pushX = isAcross ? signX : 0;
    this.pushY = isAcross ? 0 : signY;
  }
}
