import type { FiringPoint } from '@cazuela/core';
import { line } from 'd3-shape';
import type { Units } from '../../data/units/units';

/** Where hours and °C are on a drawing, in its own units. */
export class CurveScale {
  readonly left = 62;
  private readonly foot = 26;
  private readonly head = 8;

  constructor(
    readonly width: number,
    readonly height: number,
    private readonly lastHours: number,
    private readonly mostCelsius: number,
  ) {}

  readonly x = (hours: number): number => this.left + ((this.width - this.left - 4) * hours) / this.lastHours;
  readonly y = (celsius: number): number => this.head + (this.height - this.foot - this.head) * (1 - celsius / (1.04 * this.mostCelsius));
  readonly hoursAt = (x: number): number => Math.min(this.lastHours, Math.max(0, ((x - this.left) * this.lastHours) / (this.width - this.left - 4)));

  /** Lines across, with their temperatures. */
  celsiusGrid(units: Units): { y: number; text: string }[] {
    return [300, 600, 900, 1200].filter((one) => one <= this.mostCelsius).map((one) => ({ y: this.y(one), text: units.temperature(one) }));
  }

  /** Hours along the foot, as many as can be read. */
  hoursGrid(): { x: number; text: string; hours: number }[] {
    const every = [1, 2, 4, 6, 12, 24, 48].find((one) => this.lastHours / one <= this.width / 60) ?? 96;
    return Array.from({ length: Math.floor(this.lastHours / every) }, (_, at) => {
      const hours = (at + 1) * every;
      return { x: this.x(hours), text: `${hours} h`, hours };
    });
  }

  path(points: readonly FiringPoint[]): string {
    return (
      line<FiringPoint>(
        ({ hours }) => this.x(hours),
        ({ celsius }) => this.y(celsius),
      )(points as FiringPoint[]) ?? ''
    );
  }
}
