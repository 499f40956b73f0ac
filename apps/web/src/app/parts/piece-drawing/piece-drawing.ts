import type { PiecePlan, PieceShape } from '@cazuela/core';
import { coatsOf, type DrawnCoat } from './coats';
import { labelsOf, type DrawnLabel } from './labels';
import { Outline } from './outline';
import { frameOf, Sheet, type Frame } from './sheet';
import { zonesOf, type DrawnZone } from './zones';

/**
 * The lines of a piece in section, in drawing units: centre line at x 0, rim at y 0, y down. Straight-sided shapes are given by their corners
 * (`x,y x,y …`): a browser updates `points` faster than a path, which it treats as a style.
 */
export class PieceDrawing {
  private readonly sheet: Sheet;
  private readonly outline: Outline;

  constructor(
    shape: PieceShape,
    private readonly plan: PiecePlan,
    private readonly colours: ReadonlyMap<string, string>,
    private readonly names: ReadonlyMap<string, string>,
    frame: Frame = frameOf(shape),
    /** Which share of the turn is in front. */
    private readonly seenFrom = 0,
  ) {
    this.sheet = new Sheet(shape, frame);
    this.outline = new Outline(this.sheet);
  }

  get fit(): Sheet['fit'] {
    return this.sheet.fit;
  }

  y(heightMm: number): number {
    return this.sheet.y(heightMm);
  }

  /** Outer radius at a height, in the drawing's units. */
  halfWidthAt(heightMm: number): number {
    return this.sheet.halfWidthAt(heightMm);
  }

  outside(): string {
    return this.outline.outside();
  }

  wall(): string {
    return this.outline.wall();
  }

  handle(): { path: string; width: number } | undefined {
    return this.outline.handle();
  }

  gripOut(): number {
    return this.outline.gripOut();
  }

  /** The outside as it will look; `wax` is the fill of what is waxed or taped. */
  zones(wax: string): DrawnZone[] {
    return zonesOf(this.sheet, this.plan, this.colours, wax, this.seenFrom);
  }

  coats(): DrawnCoat[] {
    return coatsOf(this.sheet, this.plan, this.colours);
  }

  labels(): DrawnLabel[] {
    return labelsOf(this.sheet, this.plan, this.names, this.outline.gripOut());
  }
}
