import {
  drawAll,
  drawFilms,
  drawnForecast,
  drawRuns,
  FILMS,
  joinDraws,
  pieceWarnings,
  planAlternatives,
  poolDepthMm,
  quickForecast,
  runChances,
  SAFE_CHANCE,
  safeLine,
  seededUniform,
  shapeOf,
  sideToRun,
  wallStrip,
  worstSide,
  type PiecePlan,
  type RunForecast,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GLAZES = [
  glazeOf('iron', { flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' } }),
  glazeOf('ash', { flow: { flow: 300, lnSd: 0.7, basis: 'startingGuess' } }),
];
const BODY = { name: 'Barro', bisqueCone: '05', earthenware: false };
const ask = (plan: PiecePlan) => ({ plan, shape: shapeOf(plan), glazes: GLAZES });
const reach = (forecast: RunForecast): number => worstSide(forecast)?.reachChance ?? 0;
const cup = (change: Partial<PiecePlan> = {}): PiecePlan => planOf({ outside: [coat('iron', 0.5)], rim: [coat('ash', 0.35)] }, change);

describe('the 2,000 draws', () => {
  const side = sideToRun({ ...ask(cup()), side: 'outside' })!;

  it('are the same for one worker as for two, half each', () => {
    const halves = joinDraws([drawFilms(side, 0, FILMS / 2), drawFilms(side, FILMS / 2, FILMS)]);
    expect(halves).toEqual(drawAll(side));
  });

  it('tell what as many independent draws tell, within their scatter', () => {
    const even = runChances(side, drawAll(side));
    const random = runChances(side, drawRuns(side, { draws: 800, random: seededUniform(11) }));
    expect(Math.abs(even.reachChance - random.reachChance)).toBeLessThan(0.04);
    for (const at of ['lowMm', 'middleMm', 'highMm'] as const) expect(Math.abs(even[at] / random[at] - 1)).toBeLessThan(0.15);
  });

  it('a part of them is a fair sample: no half has all the runners', () => {
    const half = runChances(side, drawFilms(side, 0, FILMS / 2));
    expect(Math.abs(half.reachChance - runChances(side, drawAll(side)).reachChance)).toBeLessThan(0.03);
  });
});

describe('what is foretold of a run', () => {
  it('a rim band alone is looked at too, and warned of', () => {
    const plan = planOf({ rim: [coat('ash', 0.9)] }, { rimBandMm: 80, waxFootMm: 8 });
    expect(reach(drawnForecast(ask(plan)))).toBeGreaterThan(SAFE_CHANCE);
    expect(pieceWarnings({ ...ask(plan), forecast: drawnForecast(ask(plan)) }).map(({ rule }) => rule)).toContain('M1');
  });

  it('a hotter cone, an hour of hold, a slow cooling and a hot shelf each run further', () => {
    const usual = reach(quickForecast(ask(cup())));
    for (const change of [
      { cone: '8' },
      { firing: { holdMinutes: 60 } },
      { firing: { cooling: 'slow' as const } },
      { firing: { place: 'hot' as const } },
    ])
      expect(reach(quickForecast(ask(cup(change))))).toBeGreaterThan(usual);
  });

  it('says what it rests on: the weakest of the flows', () => {
    expect(quickForecast(ask(cup())).basis).toBe('startingGuess');
    expect(quickForecast(ask(planOf({ outside: [coat('iron')] }))).basis).toBe('pottersWord');
  });

  it('on bare clay nothing runs', () => {
    expect(drawnForecast(ask(planOf({}))).sides).toEqual([]);
    expect(worstSide(drawnForecast(ask(planOf({}))))).toBeUndefined();
  });

  it('the quick look is near the draws where the edge does not start at the very shelf', () => {
    for (const waxFootMm of [14])
      expect(Math.abs(reach(quickForecast(ask(cup({ waxFootMm })))) - reach(drawnForecast(ask(cup({ waxFootMm })))))).toBeLessThan(0.06);
  });

  it('upside down it runs towards the rim: a waxed foot is of no help, a bare rim is', () => {
    const plan = planOf({ outside: [coat('ash', 0.7)] }, { setting: 'upsideDown', waxFootMm: 30 });
    const [worst] = quickForecast(ask(plan)).sides;
    expect(worst).toMatchObject({ side: 'outside', endsAt: 'rim' });
    expect(reach(quickForecast(ask({ ...plan, waxFootMm: 60 })))).toBeGreaterThan(SAFE_CHANCE);
    const bare: PiecePlan = { ...plan, masks: [{ id: 'm', kind: 'wax', where: 'band', fromMm: 60, toMm: 90 }] };
    expect(reach(quickForecast(ask(bare)))).toBeLessThan(reach(quickForecast(ask(plan))));
    expect(safeLine(ask(plan)).kind).toBe('none');
  });

  it('upside down, the inside drips from the rim too; upright it stays in', () => {
    const plan = planOf({ inside: [coat('ash', 0.9)] });
    expect(quickForecast(ask(plan)).sides).toEqual([]);
    expect(quickForecast(ask({ ...plan, setting: 'upsideDown' })).sides.map(({ side }) => side)).toEqual(['inside']);
  });
});

describe('one truth', () => {
  const PLANS: [string, PiecePlan][] = [['a cup that starts too low', cup({ waxFootMm: 6 })]];

  it.each(PLANS)('%s: warnings, safe line and alternatives tell the chance of the same draws', (_, plan) => {
    const forecast = drawnForecast(ask(plan));
    const line = safeLine(ask(plan));
    const warning = pieceWarnings({ ...ask(plan), forecast, safeLine: line }).find(({ rule }) => rule === 'M1')!;
    expect(warning.what).toMatch(new RegExp(`^${Math.round(100 * reach(forecast))} % reach the shelf`));
    if (line.kind !== 'ok') throw new Error(line.kind);
    expect(warning.fixes!.map(({ words }) => words)).toContain(`Wax ${line.waxFootMm} mm up`);
    const higher = drawnForecast(ask({ ...plan, waxFootMm: line.waxFootMm }));
    expect(reach(higher)).toBeCloseTo(line.chance, 12);
    // The line that a warning asks for settles it.
    expect(pieceWarnings({ ...ask({ ...plan, waxFootMm: line.waxFootMm }), forecast: higher }).map(({ rule }) => rule)).not.toContain('M1');
    const alternatives = planAlternatives({ ...ask(plan), body: BODY, count: 4, forecast, safeLine: line });
    for (const { runFrom } of alternatives.slice(0, 3)) expect(runFrom).toBe('draws');
    const [{ plan: best, reachChance }] = alternatives as [(typeof alternatives)[0]];
    expect(reachChance).toBeCloseTo(reach(drawnForecast(ask(best))), 12);
    expect(alternatives.find(({ changes }) => changes.join() === 'higherWax')!.plan.waxFootMm).toBe(line.waxFootMm);
  });

  it('a warning of a quick look says that it is one', () => {
    const warning = pieceWarnings(ask(cup({ waxFootMm: 4 }))).find(({ rule }) => rule === 'M1')!;
    expect(warning.why).toMatch(/^A quick look/);
  });

  it('on a plate it is no stop: the shelf is safe, the foot is ground', () => {
    const low = cup({ waxFootMm: 3, setting: 'plate' });
    const warning = pieceWarnings({ ...ask(low), forecast: drawnForecast(ask(low)) }).find(({ rule }) => rule === 'M1')!;
    expect(warning).toMatchObject({ severity: 'look', what: expect.stringMatching(/reach the plate/) as string });
    expect(warning.remedies.join(' ')).toMatch(/Grind the foot/);
  });
});

describe('a pool inside', () => {
  it('levels: on a flat floor it is what came there over its area', () => {
    const strip = wallStrip({
      downhill: [
        { radiusMm: 40, heightMm: 60 },
        { radiusMm: 40, heightMm: 5 },
        { radiusMm: 0, heightMm: 5 },
      ],
    });
    const film = Float64Array.from(strip.heightMm, (height) => (height < 5.5 ? 1.5 : 0));
    film[55] = film[55]! + 3;
    const area = strip.areaMm2.reduce((sum, mm2, cell) => sum + (strip.heightMm[cell]! < 5.5 ? mm2 : 0), 0);
    expect(Math.abs(poolDepthMm(strip, film) - (1.5 + (3 * strip.areaMm2[55]!) / area))).toBeLessThan(0.1);
  });
});
