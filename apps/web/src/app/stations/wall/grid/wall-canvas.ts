import { drawLight } from '../../../parts/token';
import { WallPhotos } from './wall-photos';
import { WallPicture, type WallScene } from './wall-picture';

/** Dots of paper for one px. */
const PAPER_SCALE = 3;

/** What of a scene the wall knows; the canvas adds its own. */
export type WallSeen = Omit<WallScene, 'scale' | 'photoOf'>;

/** The canvas of the wall: as large as what is seen of it, drawn once a frame at most. */
export class WallCanvas {
  private readonly photos = new WallPhotos(() => this.drawSoon());
  private readonly ended = new AbortController();
  private picture: WallPicture | undefined;
  private frame = 0;

  /** @param scene - what is to be seen now */
  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly scene: () => WallSeen,
  ) {
    const { signal } = this.ended;
    window.addEventListener('online', () => this.photos.retry(), { signal });
    window.matchMedia?.('(prefers-color-scheme: dark)').addEventListener('change', () => this.drawSoon(), { signal });
    document.fonts?.addEventListener('loadingdone', () => this.fontsCame(), { signal });
  }

  drawSoon(): void {
    this.frame ||= requestAnimationFrame(() => this.draw());
  }

  draw(): void {
    cancelAnimationFrame(this.frame);
    this.frame = 0;
    const scene = this.scene();
    // It is not laid out yet.
    if (scene.view.high === 0) return;
    const scale = window.devicePixelRatio || 1;
    fit(this.canvas, scene.view, scale);
    this.picture ??= this.pictureOf();
    this.photos.begin();
    this.picture?.draw({ ...scene, scale, photoOf: (url, sidePx) => this.photos.square(url, sidePx, scene.isZooming) });
    this.photos.end();
  }

  /** Draws all of a scene on another canvas, sharp enough for paper. */
  print(paper: HTMLCanvasElement, scene: WallSeen): void {
    const pen = paper.getContext('2d', { alpha: false });
    if (!pen) return;
    fit(paper, scene.view, PAPER_SCALE);
    drawLight(() => new WallPicture(pen).draw({ ...scene, scale: PAPER_SCALE, photoOf: (url, sidePx) => this.photos.square(url, sidePx, true) }));
  }

  close(): void {
    this.ended.abort();
    cancelAnimationFrame(this.frame);
    this.photos.close();
  }

  private pictureOf(): WallPicture | undefined {
    // Waiting for the compositor costs every tenth frame where no graphics card draws.
    const pen = this.canvas.getContext('2d', { alpha: false, desynchronized: true });
    return pen ? new WallPicture(pen) : undefined;
  }

  private fontsCame(): void {
    this.picture?.measureAnew();
    this.drawSoon();
  }
}

function fit(canvas: HTMLCanvasElement, { wide, high }: WallScene['view'], scale: number): void {
  const [width, height] = [Math.round(wide * scale), Math.round(high * scale)];
  if (canvas.width === width && canvas.height === height) return;
  Object.assign(canvas, { width, height });
  Object.assign(canvas.style, { width: `${wide}px`, height: `${high}px` });
}
