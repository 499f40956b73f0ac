import type { TestState } from '@cazuela/core';
import { token } from '../../../parts/token';
import type { Sight, WallView } from './wall-view';

/** What is drawn in a cell. */
export interface CellPicture {
  key: string;
  state: TestState | '';
  photoUrl: string;
  /** '' is the colour of clay. */
  lowerColour: string;
  upperColour: string;
  /** How often, or how far. */
  mark: string;
}

/** A glaze on an edge of the wall, or the clay. */
export interface EdgeGlaze {
  name: string;
  /** '' is the colour of clay. */
  colour: string;
}

export interface WallScene {
  view: WallView;
  sight: Sight;
  /** Photos of another size will do, until it stands still. */
  isZooming: boolean;
  /** Device pixels of one px. */
  scale: number;
  lowers: readonly EdgeGlaze[];
  uppers: readonly EdgeGlaze[];
  cellAt: (row: number, column: number) => CellPicture;
  /** A square photo of so many device pixels, if it is there. */
  photoOf: (url: string, sidePx: number) => ImageBitmap | undefined;
  /** Chosen, or where the keys are. */
  isRinged: (key: string) => boolean;
}

/** Photos smaller than this tell less than their colours. */
const PHOTO_FROM_PX = 28;
const MARK_FROM_PX = 40;
const NAME_FROM_PX = 13;
const GAP_PX = 2;
const ROUND_PX = 4;
const FAINT = 0.45;
const RING_PX = 3;
const CHIP_PX = 16;
const TEXT = '"Atkinson Hyperlegible Next Variable", sans-serif';
const FIGURES = '"IBM Plex Mono", monospace';

/** The wall on a canvas: cells first, then the names over them. All that is seen is drawn anew each time; it is a few hundred copies. */
export class WallPicture {
  private readonly fitted = new Map<string, string>();
  private ink = inksNow();

  constructor(private readonly pen: CanvasRenderingContext2D) {}

  /** Names are measured anew: another font is there. */
  measureAnew(): void {
    this.fitted.clear();
  }

  draw(scene: WallScene): void {
    const { pen } = this;
    const { wide, high, namesPx, headsPx } = scene.view;
    this.ink = inksNow();
    pen.setTransform(scene.scale, 0, 0, scene.scale, 0, 0);
    pen.fillStyle = this.ink.paper;
    pen.fillRect(0, 0, wide, high);
    this.within(namesPx, headsPx, wide - namesPx, high - headsPx, () => this.drawCells(scene));
    this.within(namesPx, 0, wide - namesPx, headsPx, () => this.drawHeads(scene));
    this.within(0, headsPx, namesPx, high - headsPx, () => this.drawNames(scene));
    pen.fillStyle = this.ink.iron;
    pen.fillRect(0, headsPx - 2, wide, 2);
    pen.fillRect(namesPx - 2, 0, 2, high);
  }

  private within(x: number, y: number, wide: number, high: number, draw: () => void): void {
    this.pen.save();
    this.pen.beginPath();
    this.pen.rect(x, y, wide, high);
    this.pen.clip();
    draw();
    this.pen.restore();
  }

  private drawCells(scene: WallScene): void {
    const { pen, ink } = this;
    const { view, sight, cellAt, isRinged } = scene;
    const marked: [x: number, y: number, mark: string][] = [];
    const ringed: [x: number, y: number][] = [];
    for (let row = sight.top; row < sight.bottom; row++)
      for (let column = sight.left; column < sight.right; column++) {
        const [x, y, cell] = [leftOf(view, column), topOf(view, row), cellAt(row, column)];
        if (cell.state) this.drawCell(scene, x, y, cell);
        if (cell.mark && view.cellPx >= MARK_FROM_PX) marked.push([x, y, cell.mark]);
        if (isRinged(cell.key)) ringed.push([x, y]);
      }
    this.drawLines(scene);
    this.drawMarks(marked, view.cellPx);
    pen.strokeStyle = ink.cobalt;
    pen.lineWidth = RING_PX;
    const side = view.cellPx - RING_PX - 1;
    for (const [x, y] of ringed) pen.strokeRect(x + RING_PX / 2, y + RING_PX / 2, side, side);
  }

  private drawCell({ view, scale, photoOf }: WallScene, x: number, y: number, cell: CellPicture): void {
    const { pen } = this;
    const gap = Math.min(GAP_PX, Math.floor(view.cellPx / 16));
    const side = view.cellPx - 1 - 2 * gap;
    const photo = cell.photoUrl && view.cellPx >= PHOTO_FROM_PX ? photoOf(cell.photoUrl, Math.round(side * scale)) : undefined;
    if (photo) return pen.drawImage(photo, x + gap, y + gap, side, side);
    pen.globalAlpha = cell.state === 'fired' ? 1 : FAINT;
    // As they lie: the upper glaze is on top.
    const half = Math.ceil(side / 2);
    pen.fillStyle = cell.upperColour;
    pen.fillRect(x + gap, y + gap, side, half);
    pen.fillStyle = cell.lowerColour || this.ink.slip;
    pen.fillRect(x + gap, y + gap + half, side, side - half);
    pen.globalAlpha = 1;
    if (cell.state !== 'planned' || view.cellPx < PHOTO_FROM_PX) return;
    pen.strokeStyle = this.ink.ironWash;
    pen.lineWidth = 2;
    pen.setLineDash([5, 4]);
    pen.strokeRect(x + gap + 1, y + gap + 1, side - 2, side - 2);
    pen.setLineDash([]);
  }

  /** Between the cells. */
  private drawLines({ view, sight }: WallScene): void {
    const { pen, ink } = this;
    const [wide, high] = [leftOf(view, sight.right) - view.namesPx, topOf(view, sight.bottom) - view.headsPx];
    pen.fillStyle = ink.line;
    for (let row = sight.top; row < sight.bottom; row++) pen.fillRect(view.namesPx, topOf(view, row + 1) - 1, wide, 1);
    for (let column = sight.left; column < sight.right; column++) pen.fillRect(leftOf(view, column + 1) - 1, view.headsPx, 1, high);
  }

  /** How often a cell was made, in its corner. */
  private drawMarks(marked: readonly [x: number, y: number, mark: string][], cellPx: number): void {
    const { pen, ink } = this;
    pen.font = `600 12px ${FIGURES}`;
    pen.textAlign = 'center';
    pen.textBaseline = 'middle';
    for (const [x, y, mark] of marked) {
      // Figures of this font are 0.6 of their height wide.
      const wide = mark.length * 7.2 + 8;
      const [left, top] = [x + cellPx - 4 - wide, y + cellPx - 20];
      pen.fillStyle = ink.paper;
      pen.beginPath();
      pen.roundRect(left, top, wide, 16, ROUND_PX);
      pen.fill();
      pen.fillStyle = ink.iron;
      pen.fillText(mark, left + wide / 2, top + 8.5);
    }
  }

  /** Names of the upper glazes, read from below. */
  private drawHeads({ view, sight, uppers }: WallScene): void {
    const { pen } = this;
    const { headsPx, cellPx } = view;
    const chip = chipSide(view);
    this.takeNamePen(view);
    for (let column = sight.left; column < sight.right; column++) {
      const { name, colour } = uppers[column]!;
      const middle = leftOf(view, column) + cellPx / 2;
      this.drawChip(middle, headsPx - 10 - chip / 2, chip, colour);
      if (cellPx < NAME_FROM_PX) continue;
      pen.save();
      pen.translate(middle, headsPx - 16 - chip);
      pen.rotate(-Math.PI / 2);
      pen.fillText(this.fit(name, headsPx - 24 - chip), 0, 0);
      pen.restore();
    }
  }

  /** Names of the lower glazes. */
  private drawNames({ view, sight, lowers }: WallScene): void {
    const { namesPx, cellPx } = view;
    const chip = chipSide(view);
    this.takeNamePen(view);
    for (let row = sight.top; row < sight.bottom; row++) {
      const { name, colour } = lowers[row]!;
      const middle = topOf(view, row) + cellPx / 2;
      this.drawChip(8 + chip / 2, middle, chip, colour);
      if (cellPx >= NAME_FROM_PX) this.pen.fillText(this.fit(name, namesPx - 26 - chip), 16 + chip, middle);
    }
  }

  private takeNamePen({ namesPx, cellPx }: WallView): void {
    const { pen, ink } = this;
    // A tenth of the room for names, which grows with the text size of the browser.
    pen.font = `600 ${Math.min(namesPx / 10, cellPx - 2)}px ${TEXT}`;
    pen.textAlign = 'left';
    pen.textBaseline = 'middle';
    pen.fillStyle = ink.iron;
  }

  private drawChip(x: number, y: number, side: number, colour: string): void {
    const { pen, ink } = this;
    pen.beginPath();
    pen.arc(x, y, side / 2, 0, 2 * Math.PI);
    pen.fillStyle = colour || ink.slip;
    pen.fill();
    pen.lineWidth = 1;
    pen.strokeStyle = ink.iron;
    pen.stroke();
    pen.fillStyle = ink.iron;
  }

  /** A name that is too long ends in dots. */
  private fit(name: string, widePx: number): string {
    const { pen } = this;
    const key = `${pen.font} ${widePx} ${name}`;
    const known = this.fitted.get(key);
    if (known !== undefined) return known;
    let shown = name;
    for (let end = name.length; pen.measureText(shown).width > widePx && end > 1;) shown = `${name.slice(0, --end).trimEnd()}…`;
    this.fitted.set(key, shown);
    return shown;
  }
}

const inksNow = (): Record<'paper' | 'slip' | 'iron' | 'ironWash' | 'line' | 'cobalt', string> => ({
  paper: token('--paper'),
  slip: token('--slip'),
  iron: token('--iron'),
  ironWash: token('--iron-wash'),
  line: token('--line'),
  cobalt: token('--cobalt'),
});

/** On whole pixels: a photo between two of them is a blur. */
const leftOf = ({ left, cellPx, namesPx }: WallView, column: number): number => Math.round(namesPx + column * cellPx - left);
const topOf = ({ top, cellPx, headsPx }: WallView, row: number): number => Math.round(headsPx + row * cellPx - top);
const chipSide = ({ cellPx }: WallView): number => Math.min(CHIP_PX, cellPx - 3);
