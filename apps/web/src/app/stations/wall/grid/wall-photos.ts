/** So many squares are kept; what is seen just now is kept in any case. */
const MOST_SQUARES = 800;
/** So many are fetched at a time. */
const AT_ONCE = 6;
/** Of a side. */
const ROUND_SHARE = 0.07;

interface Square {
  picture: ImageBitmap;
  /** In which drawing it was last asked for. */
  seen: number;
}

/** Photos of the wall, cut to squares of the size they are drawn in, so that drawing one is a copy. Each is fetched when it is first seen. */
export class WallPhotos {
  private readonly squares = new Map<string, Square>();
  /** Asked for and not here yet: in which drawing. */
  private readonly wanted = new Map<string, { url: string; sidePx: number; seen: number }>();
  private readonly sides = new Set<number>();
  private readonly failed = new Set<string>();
  private readonly onTheirWay = new Set<string>();
  private drawing = 0;
  private isClosed = false;

  /** @param arrived - told when there is a photo more to draw */
  constructor(private readonly arrived: () => void) {}

  /** Begins a drawing. */
  begin(): void {
    this.drawing++;
  }

  /** Returns the photo in a square of so many device pixels, or one of another size: for as long as that is not there, or where `isAny` will do. */
  square(url: string, sidePx: number, isAny: boolean): ImageBitmap | undefined {
    const key = `${sidePx} ${url}`;
    const found = this.squares.get(key);
    if (found) {
      found.seen = this.drawing;
      return found.picture;
    }
    const other = this.ofAnySize(url);
    if (!(isAny && other) && !this.failed.has(url)) this.wanted.set(key, { url, sidePx, seen: this.drawing });
    return other;
  }

  /** Ends a drawing: fetches what was missing in it, and lets go of what was not seen for long. */
  end(): void {
    this.fetchNext();
    if (this.squares.size <= MOST_SQUARES) return;
    const old = [...this.squares].filter(([, { seen }]) => seen < this.drawing).sort(([, a], [, b]) => a.seen - b.seen);
    for (const [key, { picture }] of old.slice(0, this.squares.size - MOST_SQUARES)) {
      picture.close();
      this.squares.delete(key);
    }
  }

  /** Asks again for what could not be fetched: the network is back. */
  retry(): void {
    this.failed.clear();
    this.arrived();
  }

  close(): void {
    this.isClosed = true;
    this.wanted.clear();
    for (const { picture } of this.squares.values()) picture.close();
    this.squares.clear();
  }

  private ofAnySize(url: string): ImageBitmap | undefined {
    for (const sidePx of this.sides) {
      const ready = this.squares.get(`${sidePx} ${url}`);
      if (!ready) continue;
      ready.seen = this.drawing;
      return ready.picture;
    }
    return undefined;
  }

  private fetchNext(): void {
    for (const [key, { url, sidePx, seen }] of [...this.wanted].reverse()) {
      if (this.onTheirWay.size >= AT_ONCE) return;
      this.wanted.delete(key);
      // It was scrolled past.
      if (seen < this.drawing || this.onTheirWay.has(key)) continue;
      this.onTheirWay.add(key);
      void squareOf(url, sidePx)
        .then((picture) => this.keep(key, sidePx, picture))
        .catch(() => this.failed.add(url))
        .finally(() => {
          this.onTheirWay.delete(key);
          if (!this.isClosed) this.fetchNext();
        });
    }
  }

  private keep(key: string, sidePx: number, picture: ImageBitmap): void {
    if (this.isClosed) return picture.close();
    this.sides.add(sidePx);
    this.squares.set(key, { picture, seen: this.drawing });
    this.arrived();
  }
}

/** Cut to the largest square in its middle, with round corners. */
async function squareOf(url: string, sidePx: number): Promise<ImageBitmap> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`The photo could not be fetched: ${answer.status}`);
  const whole = await createImageBitmap(await answer.blob());
  const side = Math.min(whole.width, whole.height);
  const canvas = new OffscreenCanvas(sidePx, sidePx);
  const pen = canvas.getContext('2d')!;
  pen.beginPath();
  pen.roundRect(0, 0, sidePx, sidePx, sidePx * ROUND_SHARE);
  pen.clip();
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(whole, (whole.width - side) / 2, (whole.height - side) / 2, side, side, 0, 0, sidePx, sidePx);
  whole.close();
  return canvas.transferToImageBitmap();
}
