import {
  drawnForecast,
  notRefired,
  pieceWarnings,
  planAlternatives,
  preparationsOf,
  quickForecast,
  refired,
  shapeOf,
  sortWarnings,
  stepsOf,
  timeSteps,
  withMethod,
  worstSide,
  type BodyFacts,
  type PiecePlan,
  type Warning,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const FIRED: BodyFacts = { ...BODY, absorptionPercent: 0.2, firedUnder: true };
const GLAZES = [glazeOf('iron'), glazeOf('ash', { flow: { flow: 300, lnSd: 0.5, basis: 'pottersWord' } })];
const ask = (plan: PiecePlan) => ({ plan, shape: shapeOf(plan), glazes: GLAZES, body: BODY });

describe('a piece that is fired again', () => {
  const before = planOf({ inside: [coat('iron', 0.4)], outside: [coat('ash', 0.4)] });
  const again: PiecePlan = { ...before, ...refired(before) };

  it('what was fired lies beneath; new coats are planned over it, and taken back it is as it was', () => {
    expect(again.fired).toEqual({ inside: before.zones.inside, outside: before.zones.outside });
    expect(again.zones.outside).toEqual([]);
    const back = { ...again, ...notRefired(again) };
    expect(back.zones).toEqual(before.zones);
    expect(back.fired).toBeUndefined();
  });

  it('melts and runs again, further with what goes over it', () => {
    const chance = (plan: PiecePlan): number => worstSide(quickForecast(ask(plan)))!.reachChance;
    expect(chance(again)).toBeCloseTo(chance(before), 9);
    const more = { ...again, zones: { ...again.zones, outside: [coat('iron', 0.3)] } };
    expect(chance(more)).toBeGreaterThan(chance(again));
  });

  it('drinks nothing: a dip is told by its film, and never asked to wait a day between the faces', () => {
    const plan = { ...again, zones: { ...again.zones, outside: [coat('iron', 0.5)] } };
    const dip = timeSteps({ steps: stepsOf({ plan }), glazes: GLAZES, body: FIRED, wallMm: 6 }).find((step) => step.layer)!.dip!;
    expect(dip.kind).toBe('noSuction');
  });

  it('is warmed first; the ways on are spray, brush and gum', () => {
    const plan = { ...again, zones: { ...again.zones, outside: [coat('iron', 0.5)] } };
    expect(preparationsOf(plan, GLAZES).map(({ kind }) => kind)).toEqual(['warm']);
    const found = pieceWarnings({ ...ask(plan), body: FIRED }).find(({ rule }) => rule === 'F3')!;
    expect(found.fixes!.map(({ words }) => words)).toEqual(['Spray all of it', 'Brush all of it', 'Gum in all of it']);
    const sprayed = { ...plan, ...found.fixes![0]!.change };
    expect(pieceWarnings({ ...ask(sprayed), body: FIRED }).map(({ rule }) => rule)).not.toContain('F3');
  });
});

describe('chemistry is told of the fired coat', () => {
  const clear = glazeOf('clear', { surface: 'gloss', firedPercent: { SiO2: 65, CaO: 12 } });
  const oxide = glazeOf('oxide', { firedPercent: { CoO: 60, Al2O3: 40 }, surface: 'gloss' });
  const liner = (plan: PiecePlan): Warning | undefined =>
    pieceWarnings({ plan, shape: shapeOf(plan), glazes: [clear, oxide], body: BODY }).find(({ rule }) => rule === 'H4');

  it('a stain under a clear counts by its share of what melts together', () => {
    const thin = coat('oxide', 0.005, { coatingKind: 'stain', method: 'rub' });
    expect(liner(planOf({ inside: [thin, coat('clear', 0.5)] }))).toBeUndefined();
    const much = liner(planOf({ inside: [coat('oxide', 0.03, { coatingKind: 'stain', method: 'rub' }), coat('clear', 0.5)] }))!;
    // 60 % of 0.03 mm in 0.53 mm is 3.4 %.
    expect(much.why).toMatch(/holds 3\.4 % CoO/);
  });

  it('what is rubbed in and wiped back is a film of its own', () => {
    const brushed = coat('oxide', 0.15, { coatingKind: 'stain', method: 'brush' });
    const rubbed = withMethod(brushed, 'rub');
    expect(rubbed.coatMm).toBe(0.03);
    expect(withMethod(rubbed, 'brush').coatMm).toBe(0.15);
    expect(withMethod(coat('clear', 0.4), 'pour').coatMm).toBe(0.4);
    expect(withMethod(withMethod(coat('clear', 0.4), 'rub'), 'dip').coatMm).toBe(0.5);
  });
});

describe('a warning that was put aside', () => {
  const warning = (badness: number, severity: Warning['severity'] = 'look'): Warning => ({
    rule: 'F2',
    severity,
    badness,
    what: '',
    why: '',
    remedies: [],
  });
  const shown = (now: Warning, badness: number | undefined): number =>
    sortWarnings({ warnings: [now], putAside: [{ rule: 'F2', reason: 'tried', severity: 'look', ...(badness === undefined ? {} : { badness }) }] })
      .length;

  it('stays away while it is as it was, and comes back when it is worse', () => {
    expect(shown(warning(1.1), 1.1)).toBe(0);
    expect(shown(warning(1.15), 1.1)).toBe(0);
    expect(shown(warning(1.5), 1.1)).toBe(1);
    expect(shown(warning(1.1, 'stop'), 1.1)).toBe(1);
  });

  it('put aside before its figure was kept, it stays away', () => {
    expect(shown(warning(9), undefined)).toBe(0);
  });
});

describe('drying cracks', () => {
  it('a glaze rich in clay is a risk of every alternative that a warning tells of', () => {
    const rich = glazeOf('yellow', { shrinkShare: 31 });
    const plan = planOf({ outside: [coat('yellow', 0.5)] });
    const question = { plan, shape: shapeOf(plan), glazes: [rich], body: BODY };
    expect(pieceWarnings(question).map(({ rule }) => rule)).toContain('F2');
    const [asDrawn] = planAlternatives({ ...question, count: 1, runFrom: 'quickLook' });
    expect(asDrawn!.risks.map(({ what }) => what)).toContain('cracks');
  });
});

describe('a piece that stands upside down', () => {
  it('has its floor rest on the post: a glazed inside is asked for a bare spot, and the rim drips are foretold', () => {
    const plan = planOf({ inside: [coat('ash', 0.5)], outside: [coat('ash', 0.8)] }, { waxFootMm: 0, setting: 'upsideDown' });
    const found = pieceWarnings({ ...ask(plan), forecast: drawnForecast(ask(plan)) });
    expect(found.find(({ rule }) => rule === 'M5')!.remedies.join(' ')).toMatch(/bare spot on the floor inside/);
    expect(found.find(({ rule }) => rule === 'M1')!.what).toMatch(/reach the rim, and drips/);
  });
});
