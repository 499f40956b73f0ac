import type { ScaleCommand } from '@cazuela/contract';

export interface SimulatedScaleOptions {
  divisionGrams: number;
  capacityGrams: number;
  /** Returns 0 to 1, as Math.random; a seeded one in tests. */
  random: () => number;
}

/** Time for a load to come to rest, s; the noise of a pour and of the air, in divisions; drift, divisions a minute. */
const SETTLE_SECONDS = 0.18;
const WOBBLE_DIVISIONS = 0.35;
const DRIFT_DIVISIONS_PER_MINUTE = 0.3;
/** A scale calls a weight still when it moved less than this between readings, in divisions. */
const STILL_DIVISIONS = 0.6;
const STILL_READINGS = 4;

/** No display shows finer, whatever a studio wrote down. */
const FINEST_GRAMS = 1e-6;

/** A simulated bench scale: it settles, wobbles, drifts, has a division and a capacity, and can be unplugged. */
export class SimulatedScale {
  private loadGrams = 0;
  private restingGrams = 0;
  private tareGrams = 0;
  private driftGrams = 0;
  private gramsPerSecond = 0;
  private script: { gramsPerSecond: number; seconds: number }[] = [];
  private plugged = true;
  private lastShown = 0;
  private stillFor = 0;

  private readonly options: SimulatedScaleOptions;

  constructor(options: SimulatedScaleOptions) {
    this.options = { ...options, divisionGrams: Math.max(FINEST_GRAMS, options.divisionGrams) };
  }

  handleCommand(command: ScaleCommand): void {
    switch (command.kind) {
      case 'pour':
        this.script = [];
        this.gramsPerSecond = command.gramsPerSecond;
        break;
      case 'put':
        this.loadGrams = Math.max(0, this.loadGrams + command.grams);
        break;
      case 'clear':
        this.loadGrams = 0;
        this.gramsPerSecond = 0;
        this.script = [];
        break;
      case 'tare':
        this.tareGrams = this.restingGrams + this.driftGrams;
        break;
      case 'plug':
        this.plugged = command.in;
        break;
      case 'script':
        this.gramsPerSecond = 0;
        this.script = command.steps.map((step) => ({ ...step }));
        break;
    }
  }

  /** Advances the scale by some seconds; returns the line it sends, or undefined when it is unplugged. */
  advance(seconds: number): string | undefined {
    this.pour(seconds);
    const { divisionGrams, capacityGrams, random } = this.options;
    this.restingGrams += (this.loadGrams - this.restingGrams) * (1 - Math.exp(-seconds / SETTLE_SECONDS));
    this.driftGrams += (random() - 0.5) * 2 * DRIFT_DIVISIONS_PER_MINUTE * divisionGrams * (seconds / 60);
    if (!this.plugged) return undefined;
    const wobble = (random() + random() - 1) * WOBBLE_DIVISIONS * divisionGrams;
    const gross = this.restingGrams + this.driftGrams + wobble;
    if (gross > capacityGrams + 9 * divisionGrams) return 'OL';
    const shown = Math.round((gross - this.tareGrams) / divisionGrams) * divisionGrams;
    this.stillFor = Math.abs(shown - this.lastShown) <= STILL_DIVISIONS * divisionGrams ? this.stillFor + 1 : 0;
    this.lastShown = shown;
    return lineOf(shown, divisionGrams, this.stillFor >= STILL_READINGS);
  }

  private pour(seconds: number): void {
    this.loadGrams += this.gramsPerSecond * seconds;
    let left = seconds;
    while (this.script.length > 0 && left > 0) {
      const step = this.script[0]!;
      const runs = Math.min(left, step.seconds);
      this.loadGrams = Math.max(0, this.loadGrams + step.gramsPerSecond * runs);
      step.seconds -= runs;
      left -= runs;
      if (step.seconds <= 1e-9) this.script.shift();
    }
  }
}

function lineOf(grams: number, divisionGrams: number, still: boolean): string {
  const decimals = Math.max(0, Math.ceil(-Math.log10(divisionGrams) - 1e-9));
  const text = Math.abs(grams).toFixed(decimals);
  return `${grams < -divisionGrams / 2 ? '-' : '+'} ${text.padStart(9)} g ${still ? 'S' : '?'}`;
}
