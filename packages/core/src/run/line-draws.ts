import { SHELF_MARGIN_MM, type DrawnRuns } from './draw-runs';
import { drawAll, drawFilm, FILMS, FORECAST_DRAWS, KILNS_PER_FILM } from './film-draws';
import { sideKey, sidesToRun, type PieceRunQuestion, type SideToRun } from './piece-run';
import { isHarmful } from './run-forecast';
import { SAFE_CHANCE } from './safe-chance';

/** How often the shelf is reached, and how often the glaze comes near it, 0–1. */
export interface LineChances {
  reach: number;
  near: number;
}

/** From another line a film runs no further than it did, by more than this share: a longer band runs by its two-thirds power (Huppert). */
const ALIKE_SHARE = 0.65;

/**
 * The draws of a plan at one wax line after another. The draws are those of the forecast; a film that ran far too short at the line before is not
 * solved again.
 */
export class LineDraws {
  /** How far each film ran in each kiln, mm, at the line drawn last, by side; infinite where it came to the end. */
  private readonly runs = new Map<string, Float64Array>();

  /**
   * @param question - plan, shape, glazes, firing and texture
   * @param drawn - all draws of each side as it is planned, by its key; drawn here where left out
   */
  constructor(
    private readonly question: PieceRunQuestion,
    drawn: Readonly<Record<string, DrawnRuns>>,
  ) {
    for (const side of sidesToRun(question).filter(isHarmful)) this.runs.set(sideKey(side), runsOf(side, drawn[sideKey(side)] ?? drawAll(side)));
  }

  /**
   * Returns the chances of the worst side at a line. They are exact below 1 in 20, and at least that where the line is not safe.
   *
   * @param waxFootMm - height of the line above the shelf
   */
  chancesAt(waxFootMm: number): LineChances {
    const { plan, ...rest } = this.question;
    const worst = { reach: 0, near: 0 };
    for (const side of sidesToRun({ ...rest, plan: { ...plan, waxFootMm } }).filter(isHarmful)) {
      const { reach, near } = this.sideChances(side);
      worst.reach = Math.max(worst.reach, reach);
      worst.near = Math.max(worst.near, near);
      if (worst.near >= SAFE_CHANCE) break;
    }
    return worst;
  }

  private sideChances(side: SideToRun): LineChances {
    const freeMm = side.endMm - side.startMm - (side.endsAt === 'shelf' ? SHELF_MARGIN_MM : 0);
    const before = this.runs.get(sideKey(side)) ?? new Float64Array(FORECAST_DRAWS).fill(Infinity);
    const runs = Float64Array.from(before);
    const furthest = (film: number): number => before[(film + 1) * KILNS_PER_FILM - 1]!;
    // The furthest first: where the line is not safe, that is known soonest.
    const films = Array.from({ length: FILMS }, (_, film) => film).sort((a, b) => furthest(b) - furthest(a) || a - b);
    let [reached, near] = [0, 0];
    for (const film of films) {
      if (furthest(film) < ALIKE_SHARE * freeMm) break;
      const drawn = drawFilm(side, film);
      const own = runsOf(side, drawn);
      runs.set(own, film * KILNS_PER_FILM);
      reached += drawn.reached;
      near += own.reduce((sum, run) => sum + (run > freeMm ? 1 : 0), 0);
      if (near >= SAFE_CHANCE * FORECAST_DRAWS) break;
    }
    this.runs.set(sideKey(side), runs);
    return { reach: reached / FORECAST_DRAWS, near: near / FORECAST_DRAWS };
  }
}

const runsOf = ({ startMm, endMm }: SideToRun, { fronts }: DrawnRuns): Float64Array =>
  Float64Array.from(fronts, (front) => (front >= endMm ? Infinity : front - startMm));
