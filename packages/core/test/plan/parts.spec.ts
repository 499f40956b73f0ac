import {
  areasOf,
  formFault,
  layersOf,
  lidFor,
  pieceWarnings,
  PIECE_SHAPES,
  planOfPart,
  quickForecast,
  saucerFor,
  shapeOf,
  stepsOf,
  tallMm,
  widestMm,
  withPartPlan,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GLAZES = [glazeOf('ash', { flow: { flow: 300, lnSd: 0.4, basis: 'runnerTile' } })];
const pot = planOf({ outside: [coat('ash', 0.4)] }, { shapeId: 'liddedPot', lid: true });
const lid: PiecePlan = planOf({ outside: [coat('ash', 0.4)] }, { form: lidFor(shapeOf(pot)), shapeId: 'bowl', waxFootMm: 0, setting: 'onRim' });
const whole = { plan: pot, parts: [{ id: 'lid', name: 'Lid', plan: lid }] };

describe('pot, lid and saucer as one plan', () => {
  it('each part has its own coats; one firing and one set of small pots serve all', () => {
    const hotter = withPartPlan(whole, 'lid', { ...lid, cone: '7', waxFootMm: 3, gumIn: ['ash'] });
    expect(planOfPart(hotter, 'lid').waxFootMm).toBe(3);
    expect([hotter.plan.cone, hotter.plan.gumIn, hotter.plan.waxFootMm]).toEqual(['7', ['ash'], pot.waxFootMm]);
    expect(planOfPart(withPartPlan(whole, '', { ...pot, cone: '5' }), 'lid').cone).toBe('5');
    // What is alike is left as it is: nothing is computed anew.
    expect(withPartPlan(whole, 'lid', { ...lid, waxFootMm: 2 }).plan).toBe(pot);
    expect(planOfPart(whole, 'gone')).toBe(pot);
  });

  it('a lid for any pot and a saucer for any piece can be made, and fit', () => {
    for (const shape of PIECE_SHAPES.filter(({ slabMm }) => slabMm === undefined)) {
      expect([shape.id, formFault(lidFor(shape)), formFault(saucerFor(shape))]).toEqual([shape.id, undefined, undefined]);
      const saucer = shapeOf({ shapeId: 'platter', form: saucerFor(shape) });
      expect(widestMm(saucer)).toBeGreaterThan(shape.outside[0]!.radiusMm + 10);
      expect(Math.abs(lidFor(shape).points.at(-1)!.radiusMm - Math.max(24, shape.outside.at(-1)!.radiusMm))).toBeLessThan(1);
    }
  });
});

describe('a lid, fired on its rim', () => {
  const bare = (seatMm: number): PiecePlan => {
    const top = tallMm(shapeOf(lid));
    return { ...lid, masks: [{ id: 'seat', kind: 'wax', where: 'band', fromMm: top - seatMm, toMm: top }] };
  };
  const rules = (plan: PiecePlan): Map<string, string> =>
    new Map(pieceWarnings({ plan, shape: shapeOf(plan), glazes: GLAZES }).map(({ rule, what }) => [rule, what]));

  it('its knob may be glazed; its seat has to be bare (M8)', () => {
    expect(rules(lid).get('M8')).toBe('The lid stands on its rim, and that is glazed.');
    expect(rules(lid).has('M5')).toBe(false);
    expect(rules(bare(6)).has('M8')).toBe(false);
    expect(stepsOf({ plan: lid }).find(({ kind }) => kind === 'wipeFoot')!.place).toBe('the seat');
  });

  it('its glaze runs down to the seat: the wider that is bare, the safer', () => {
    const near = (plan: PiecePlan): number => quickForecast({ plan, shape: shapeOf(plan), glazes: GLAZES }).sides[0]!.reachChance;
    expect(near(bare(3))).toBeGreaterThan(near(bare(12)));
    expect(rules(bare(3)).get('M1')).toMatch(/reach the seat it stands on/);
    expect(quickForecast({ plan: bare(6), shape: shapeOf(lid), glazes: GLAZES }).sides[0]!.endsAt).toBe('shelf');
  });

  it('the bare gallery of its pot is told so', () => {
    const top = tallMm(shapeOf(pot));
    const gallery: PiecePlan = { ...pot, masks: [{ id: 'g', kind: 'wax', where: 'band', face: 'inside', fromMm: top - 8, toMm: top }] };
    expect(stepsOf({ plan: gallery }).find(({ key }) => key === 'mask:g')!.place).toBe('the gallery, 8 mm');
    expect(rules(gallery).has('M8')).toBe(false);
    expect(layersOf(gallery)).toHaveLength(1);
    expect(areasOf({ plan: gallery, shape: shapeOf(pot) })).toHaveLength(4);
  });
});
