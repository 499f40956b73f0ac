import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { PhotoColours } from '@cazuela/contract';
import { converter, formatHex } from 'culori';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { ErrorBanner } from '../../ui/error-banner';
import { BalancedPhoto } from './balanced-photo';

/** What a tap on the photo does. */
type TapFor = 'like' | 'grey';
/** How far an arrow key moves the cross, as a share of the photo. */
const STEP = 0.02;
/** What an eye takes as one spot, as a share of the shorter side. */
const SPOT = 0.015;

const linear = converter('lrgb');

/** A result's photo, large: tap a spot to look for what has its colour, or tap something grey to make its colours comparable. */
@Component({
  selector: 'cz-photo-spot',
  imports: [BalancedPhoto, ErrorBanner, MatButton],
  templateUrl: './photo-spot.html',
  styleUrl: './photo-spot.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoSpot {
  readonly photoId = input.required<string>();
  readonly alt = input.required<string>();
  readonly colours = input<PhotoColours>();
  /** A colour to look for, "#a08060". */
  readonly likened = output<string>();
  readonly balanced = output<PhotoColours>();
  private readonly api = inject(StudioApi);
  private readonly frame = viewChild.required<ElementRef<HTMLElement>>('frame');
  protected readonly balancing = createMutation();
  protected readonly tapFor = signal<TapFor>('like');
  protected readonly cross = signal({ across: 0.5, down: 0.5 });
  protected readonly unread = signal('');
  protected readonly swatches = computed(() =>
    (this.colours()?.colours ?? []).map(({ oklab: [l, a, b], share }) => ({
      hex: formatHex({ mode: 'oklab', l, a, b }),
      words: `Look for this colour, ${Math.round(100 * share)} % of the photo`,
    })),
  );

  constructor() {
    effect(() => {
      this.photoId();
      this.cross.set({ across: 0.5, down: 0.5 });
    });
  }

  protected tap(event: MouseEvent): void {
    const box = this.frame().nativeElement.getBoundingClientRect();
    this.cross.set({ across: share((event.clientX - box.left) / box.width), down: share((event.clientY - box.top) / box.height) });
    this.take();
  }

  protected walk(event: KeyboardEvent): void {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (by) this.cross.update(({ across, down }) => ({ across: share(across + STEP * by[0]!), down: share(down + STEP * by[1]!) }));
    else if (event.key === 'Enter' || event.key === ' ') this.take();
    else return;
    event.preventDefault();
  }

  protected asItWas(): void {
    this.balancing.run(this.api.setGreyPatch(this.photoId(), { at: null }), (colours) => this.balanced.emit(colours));
  }

  private take(): void {
    if (this.tapFor() === 'grey') {
      this.balancing.run(this.api.setGreyPatch(this.photoId(), { at: this.cross() }), (colours) => {
        this.tapFor.set('like');
        this.balanced.emit(colours);
      });
      return;
    }
    const colour = this.colourAt();
    if (colour) this.likened.emit(colour);
    else this.unread.set('The photo is not here yet: try again in a moment.');
  }

  /** The mean of what an eye takes as one spot, with the grey patch counted in. */
  private colourAt(): string | undefined {
    const picture = this.frame().nativeElement.querySelector('img');
    if (!picture?.complete || picture.naturalWidth === 0) return undefined;
    const { naturalWidth: width, naturalHeight: height } = picture;
    const side = Math.max(1, Math.round(SPOT * Math.min(width, height)));
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = side;
    const pen = canvas.getContext('2d');
    if (!pen) return undefined;
    const { across, down } = this.cross();
    pen.drawImage(picture, within(across * width, side, width), within(down * height, side, height), side, side, 0, 0, side, side);
    const { data } = pen.getImageData(0, 0, side, side);
    const sums = [0, 0, 0];
    for (let at = 0; at < data.length; at += 4) {
      const light = linear({ mode: 'rgb', r: data[at]! / 255, g: data[at + 1]! / 255, b: data[at + 2]! / 255 });
      sums[0]! += light.r;
      sums[1]! += light.g;
      sums[2]! += light.b;
    }
    const gains = this.colours()?.gains ?? [1, 1, 1];
    const [r, g, b] = sums.map((sum, channel) => Math.min(1, (sum / (data.length / 4)) * gains[channel]!)) as [number, number, number];
    return formatHex({ mode: 'lrgb', r, g, b });
  }
}

const share = (value: number): number => Math.min(1, Math.max(0, value));
const within = (middle: number, side: number, whole: number): number => Math.min(whole - side, Math.max(0, Math.round(middle - side / 2)));
