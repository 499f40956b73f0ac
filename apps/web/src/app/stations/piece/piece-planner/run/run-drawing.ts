import { insideProfile, tallMm, type PieceShape, type RunMoment, type SideToRun } from '@cazuela/core';

/** The film is drawn this many times as thick as it is. */
export const FILM_EXAGGERATION = 12;
const WIDTH = 300;
const HEIGHT = 330;

/** Half a piece in section, its centre line at the left, with the melted film on it. */
export class RunDrawing {
  private readonly scale: number;
  readonly viewBox: string;
  readonly shelfY: number;

  /**
   * @param shape - of the piece
   * @param isUpsideDown - as it stands in the kiln
   */
  constructor(
    private readonly shape: PieceShape,
    private readonly isUpsideDown = false,
  ) {
    const high = Math.max(...shape.outside.map((point) => point.heightMm));
    const wide = Math.max(...shape.outside.map((point) => point.radiusMm));
    this.scale = Math.min(HEIGHT / high, (WIDTH - 60) / wide);
    this.shelfY = high * this.scale;
    this.viewBox = `-6 -16 ${wide * this.scale + 170} ${this.shelfY + 34}`;
  }

  /** The clay between outside and inside. */
  wall(): string {
    if (this.shape.slabMm !== undefined)
      return `M${[0, 1].map((far) => this.at(this.shape.outside[0]!.radiusMm - far * this.shape.wallMm, 0)).join('L')}L${[1, 0].map((far) => this.at(this.shape.outside[0]!.radiusMm - far * this.shape.wallMm, tallMm(this.shape))).join('L')}Z`;
    const inside = [...insideProfile(this.shape)].reverse();
    const points = [...this.shape.outside, ...inside, { radiusMm: 0, heightMm: 0 }];
    const standing = (heightMm: number): number => (this.isUpsideDown ? tallMm(this.shape) - heightMm : heightMm);
    return `M${points.map((point) => this.at(point.radiusMm, standing(point.heightMm))).join('L')}Z`;
  }

  /** Each layer of the film as a band on the wall, the lowest first. */
  film(side: SideToRun, moment: RunMoment): string[] {
    const { strip } = side;
    const outward = side.side === 'inside' ? -1 : 1;
    const beneath = new Float64Array(strip.count);
    return moment.layerMm.map((row) => {
      const [inner, outer]: [string[], string[]] = [[], []];
      for (let cell = 0; cell < strip.count; cell++) {
        const [along, up] = this.normal(side, cell, outward);
        const from = beneath[cell]! * FILM_EXAGGERATION;
        const to = from + row[cell]! * FILM_EXAGGERATION;
        inner.push(this.at(strip.radiusMm[cell]! + along * from, strip.heightMm[cell]! + up * from));
        outer.push(this.at(strip.radiusMm[cell]! + along * to, strip.heightMm[cell]! + up * to));
        beneath[cell]! += row[cell]!;
      }
      return `M${inner.join('L')}L${outer.reverse().join('L')}Z`;
    });
  }

  y = (heightMm: number): number => this.shelfY - heightMm * this.scale;
  heightAt = (y: number): number => (this.shelfY - y) / this.scale;
  x = (radiusMm: number): number => radiusMm * this.scale;

  private at(radiusMm: number, heightMm: number): string {
    return `${this.x(radiusMm).toFixed(1)} ${this.y(heightMm).toFixed(1)}`;
  }

  /** Out of the wall, at a cell. */
  private normal({ strip }: SideToRun, cell: number, outward: number): [number, number] {
    const [before, after] = [Math.max(0, cell - 1), Math.min(strip.count - 1, cell + 1)];
    const dr = strip.radiusMm[after]! - strip.radiusMm[before]!;
    const dz = strip.heightMm[after]! - strip.heightMm[before]!;
    const length = Math.hypot(dr, dz) || 1;
    // The downhill direction turned by a right angle: the outside of the wall lies to the right of the path down.
    return [(-dz / length) * outward, (dr / length) * outward];
  }
}
