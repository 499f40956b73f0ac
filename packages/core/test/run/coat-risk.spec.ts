import { attempt, coatRisk, quickForecast, SAFE_CHANCE, shapeOf, worstSide, type PiecePlan } from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GLAZES = [glazeOf('iron', { flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' } })];
const cup = (change: Partial<PiecePlan> = {}): PiecePlan => planOf({ outside: [{ ...coat('iron', 0.6), id: 'over' }] }, change);
const ask = (plan: PiecePlan) => ({ plan, shape: shapeOf(plan), glazes: GLAZES });

describe('a coat that is not as planned', () => {
  it('as planned it does what was planned', () => {
    const { plannedChance, reachChance } = coatRisk(ask(cup()), ['over'], 1);
    expect(reachChance).toBeCloseTo(plannedChance, 9);
  });

  it('the thicker it is, the likelier it reaches the shelf, and the more is to be scraped', () => {
    const plan = cup({ waxFootMm: 12 });
    const risks = [1, 1.5, 2, 2.5].map((ratio) => coatRisk(ask(plan), ['over'], ratio));
    const chances = risks.map(({ reachChance }) => reachChance);
    expect([...chances].sort((a, b) => a - b)).toEqual(chances);
    const scrapes = risks.map(({ scrapeMm }) => scrapeMm ?? Infinity);
    expect([...scrapes].sort((a, b) => a - b)).toEqual(scrapes);
    expect(scrapes[3]).toBeGreaterThan(0);
  });

  it('scraped as far as it says, the thick coat stays off the shelf', () => {
    const plan = cup({ waxFootMm: 12 });
    const { scrapeMm } = coatRisk(ask(plan), ['over'], 1.8);
    const thick = cup({ waxFootMm: 12 + scrapeMm!, zones: { ...plan.zones, outside: [{ ...plan.zones.outside[0]!, coatMm: 0.6 * 1.8 }] } });
    expect(worstSide(quickForecast(ask(thick)))!.nearChance).toBeLessThan(SAFE_CHANCE);
  });

  it('only the coats that are named change; a ratio of nothing is refused', () => {
    const { plannedChance, reachChance } = coatRisk(ask(cup()), ['another'], 3);
    expect(reachChance).toBeCloseTo(plannedChance, 9);
    expect(attempt(() => coatRisk(ask(cup()), ['over'], 0)).kind).toBe('refused');
  });
});
