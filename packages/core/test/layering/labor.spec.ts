import fc from 'fast-check';
import {
  chosenOrder,
  laborOf,
  planAlternatives,
  shapeOf,
  sortWarnings,
  pieceWarnings,
  timeSteps,
  type BodyFacts,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const GLAZES = [glazeOf('iron', { lightness: 0.2 }), glazeOf('ash', { lightness: 0.8 })];
const lightness = new Map(GLAZES.map((glaze) => [glaze.bucketId, glaze.lightness]));
const question = (plan: PiecePlan, count: number) => ({
  plan,
  shape: shapeOf(plan),
  glazes: GLAZES,
  body: BODY,
  count,
  runFrom: 'quickLook' as const,
});

describe('labor is one figure with one meaning', () => {
  it('the steps and the ways tell the same for the same order', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.boolean(), (count, rim) => {
        const plan = planOf({ inside: [coat('ash')], outside: [coat('iron')], rim: rim ? [coat('ash', 0.3)] : [] });
        const [asDrawn] = planAlternatives(question(plan, count)).filter((one) => one.changes.length === 0);
        expect(asDrawn!.laborMinutes).toBeCloseTo(laborOf({ steps: asDrawn!.steps, count, lightness }).allMinutes, 9);
      }),
      { numRuns: 20 },
    );
  });

  it('a bucket is fetched once for all pieces, and tools are washed before a lighter one', () => {
    const plan = planOf({ outside: [coat('iron', 0.3), coat('ash', 0.3)] });
    const steps = timeSteps({ steps: chosenOrder({ plan, glazes: GLAZES }), glazes: GLAZES, body: BODY, wallMm: 6 });
    const one = laborOf({ steps, count: 1, lightness });
    const ten = laborOf({ steps, count: 10, lightness });
    expect(one.bucketMinutes).toBe(ten.bucketMinutes);
    expect(one.bucketMinutes).toBe(5 + 10);
    expect(ten.allMinutes).toBeCloseTo(10 * one.pieceMinutes + one.bucketMinutes, 9);
  });

  it('two coats that must each be dry through cost two nights', () => {
    const plan = planOf({ outside: [coat('iron', 0.6), coat('ash', 0.6), coat('iron', 0.61)] });
    const [asDrawn] = planAlternatives(question(plan, 1)).filter((one) => one.changes.length === 0);
    expect(asDrawn!.nights).toBe(2);
    expect(asDrawn!.waitMinutes).toBeGreaterThanOrEqual(2 * 12 * 60);
  });
});

describe('what speaks against a piece', () => {
  it('is told before what is true of nearly every piece', () => {
    const look = (rule: string) => ({ rule, severity: 'look' as const, what: rule, why: '', remedies: [] });
    const stop = { ...look('F1'), severity: 'stop' as const };
    expect(sortWarnings({ warnings: [look('H1'), look('O6'), look('B3'), stop, look('M2')] }).map((one) => one.rule)).toEqual([
      'F1',
      'B3',
      'M2',
      'H1',
      'O6',
    ]);
  });

  it('a planter is eaten from by nobody', () => {
    const rules = (shapeId: string): string[] => {
      const plan = planOf({ inside: [coat('iron')] }, { shapeId });
      return pieceWarnings({ plan, shape: shapeOf(plan), glazes: [glazeOf('iron', { foodTested: false })], body: BODY }).map((one) => one.rule);
    };
    expect(rules('cup')).toContain('H4');
    expect(rules('planter')).not.toContain('H4');
  });
});
