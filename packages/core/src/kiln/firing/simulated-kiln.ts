import { celsiusAt } from '../../melt/kiln-now';
import type { FiringPoint } from '../../melt/heat-work';
import { heatAfter, type KilnHeat, type KilnModel } from './kiln-model';

/** What a controller tells of one moment. */
export interface KilnReading {
  /** Since the firing began. */
  seconds: number;
  /** As its thermocouple reads it, and as it is wanted. */
  celsius: number;
  setCelsius: number;
  /** Share of the power that is on, 0–1. */
  share: number;
}

/** What goes wrong in a simulated firing; nothing where left out. All times since its start, s. */
export interface KilnTrouble {
  powerCuts?: readonly TroubleSpan[] | undefined;
  doorOpen?: readonly TroubleSpan[] | undefined;
  /** One of so many elements dies then. */
  deadElement?: { fromSeconds: number; elements: number } | undefined;
  /** The thermocouple reads so much too hot, °C, and lags behind by this, s. */
  readsOver?: number | undefined;
  lagSeconds?: number | undefined;
}

/** From when to when, s; without an end it goes on. */
export interface TroubleSpan {
  fromSeconds: number;
  untilSeconds?: number | undefined;
}

/** How often the controller sets its elements, s. */
const CONTROL_SECONDS = 30;
/** Full power when it is this far below what is wanted, °C; and how slowly what is left over is made up, s. */
const BAND_CELSIUS = 12;
const INTEGRAL_SECONDS = 900;
const USUAL_LAG_SECONDS = 60;

/** A kiln with its controller, as a stand-in for a real one: deterministic, and run as fast as it is asked. */
export class SimulatedKiln {
  private heat: KilnHeat;
  private seconds = 0;
  private feltCelsius: number;
  private summed = 0;
  private share = 0;

  constructor(
    private readonly model: KilnModel,
    private readonly curve: readonly FiringPoint[],
    private readonly trouble: KilnTrouble = {},
  ) {
    this.heat = { wareCelsius: model.roomCelsius, brickCelsius: model.roomCelsius, inJoule: 0, lostJoule: 0 };
    this.feltCelsius = model.roomCelsius;
  }

  /** What is really in it. */
  get now(): Readonly<KilnHeat> {
    return this.heat;
  }

  /** Runs on by some seconds; without power it tells nothing: undefined. */
  run(seconds: number): KilnReading | undefined {
    const until = this.seconds + seconds;
    while (this.seconds < until) this.step(Math.min(CONTROL_SECONDS, until - this.seconds));
    if (isWithin(this.seconds, this.trouble.powerCuts)) return undefined;
    return { seconds: this.seconds, celsius: this.feltCelsius + (this.trouble.readsOver ?? 0), setCelsius: this.wanted(), share: this.share };
  }

  private wanted(): number {
    return celsiusAt(this.curve, this.seconds / 3_600);
  }

  private step(seconds: number): void {
    const { powerCuts, doorOpen, deadElement, readsOver = 0, lagSeconds = USUAL_LAG_SECONDS } = this.trouble;
    const lacks = this.wanted() - (this.feltCelsius + readsOver);
    this.share = isWithin(this.seconds, powerCuts) ? 0 : this.controlled(lacks, seconds);
    const alive = deadElement && this.seconds >= deadElement.fromSeconds ? 1 - 1 / deadElement.elements : 1;
    this.heat = heatAfter(this.heat, this.model, { share: this.share * alive, seconds, isDoorOpen: isWithin(this.seconds, doorOpen) });
    this.feltCelsius += (this.heat.wareCelsius - this.feltCelsius) * (1 - Math.exp(-seconds / lagSeconds));
    this.seconds += seconds;
  }

  /** Proportional, with what is left over made up slowly, and never while it runs at a stop anyway. */
  private controlled(lacks: number, seconds: number): number {
    const share = lacks / BAND_CELSIUS + this.summed;
    if ((share < 1 || lacks < 0) && (share > 0 || lacks > 0)) this.summed += ((lacks / BAND_CELSIUS) * seconds) / INTEGRAL_SECONDS;
    this.summed = Math.min(1, Math.max(0, this.summed));
    return Math.min(1, Math.max(0, share));
  }
}

const isWithin = (seconds: number, spans: readonly TroubleSpan[] = []): boolean =>
  spans.some(({ fromSeconds, untilSeconds = Infinity }) => seconds >= fromSeconds && seconds < untilSeconds);
