import fc from 'fast-check';
import { dropDose, dropGrams, dropsCounted, offeredDose, thinnestPoint, turningPoint, type BucketEvent } from '../../src/index';

const epsomDose = ({ drops, dryGrams }: { drops: number; dryGrams: number }) =>
  dropDose({ grams: dropGrams({ drops, of: 'epsom' }), of: 'epsom', dryGrams });

describe('Epsom brine by the drop', () => {
  it('0.1 % of ten litres is 10.5 mL', () => {
    // 10 L at 1.45 hold about 7.3 kg of dry glaze of density 2.6.
    const dose = epsomDose({ drops: 209, dryGrams: 7312.5 });
    expect(dose.percent).toBeCloseTo(0.1, 3);
    expect(dose.millilitres).toBeCloseTo(10.6, 1);
    expect(dose.bySyringe).toBe(true);
  });

  it.each([
    [0, 'little'],
    [10, 'little'],
    [20, 'usual'],
    [60, 'much'],
    [86, 'ceiling'],
  ])('%s drops in a kilo are %s', (drops, zone) => {
    expect(epsomDose({ drops, dryGrams: 1000 }).zone).toBe(zone);
  });

  it('never allows a drop over the ceiling', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.double({ min: 200, max: 20_000, noNaN: true }), (drops, dryGrams) => {
        const { dropsLeft } = epsomDose({ drops, dryGrams });
        if (dropsLeft > 0) expect(epsomDose({ drops: drops + dropsLeft, dryGrams }).percent).toBeLessThanOrEqual(0.3 + 1e-6);
      }),
    );
  });
});

describe('a dose that did well', () => {
  const kept = { of: 'epsom', gramsPerDryKg: 1.2 } as const;

  it('is offered to the next bucket by its dry weight', () => {
    expect(offeredDose({ kept, dryGrams: 5000, insideGrams: 0 })).toMatchObject({ grams: 6, drops: 171, zone: 'usual', bySyringe: true });
  });

  it('is offered less what is in there already, and never above the usual most', () => {
    expect(offeredDose({ kept, dryGrams: 5000, insideGrams: 4 }).grams).toBeCloseTo(2, 9);
    expect(offeredDose({ kept, dryGrams: 5000, insideGrams: 9 }).grams).toBe(0);
    expect(offeredDose({ kept: { of: 'epsom', gramsPerDryKg: 8 }, dryGrams: 1000, insideGrams: 0 }).percent).toBeCloseTo(0.2, 9);
  });
});

describe('silicate on its own curve', () => {
  const after = (drops: number, seconds: number) => ({ drops, seconds });

  it('is still thinning while the flow cup falls', () => {
    expect(thinnestPoint({ points: [after(0, 22), after(5, 18), after(10, 15)] })).toEqual({ kind: 'falling', drops: 10 });
  });

  it('is at its thinnest when a step changes nothing', () => {
    expect(thinnestPoint({ points: [after(0, 22), after(5, 15), after(10, 14.9)] })).toEqual({ kind: 'thinnest', drops: 10, seconds: 14.9 });
  });

  it('is past it when the cup takes longer again', () => {
    expect(thinnestPoint({ points: [after(0, 22), after(5, 15), after(10, 13), after(15, 16)] })).toEqual({ kind: 'past', drops: 10, seconds: 13 });
  });

  it('says nothing before three readings', () => {
    expect(thinnestPoint({ points: [after(0, 22), after(5, 15)] })).toEqual({ kind: 'tooFew', points: 2 });
  });

  it('knows its own ceiling: 0.4 % of the dry glaze', () => {
    expect(dropDose({ grams: 4, of: 'silicate', dryGrams: 1000 })).toMatchObject({ zone: 'ceiling', dropsLeft: 0 });
    expect(dropDose({ grams: 2, of: 'silicate', dryGrams: 1000 })).toMatchObject({ zone: 'usual', dropsLeft: 28 });
  });
});

describe('the response of a bucket', () => {
  const after = (drops: number, seconds: number) => ({ drops, seconds });

  it('turns where the swirl begins to fall', () => {
    const points = [after(0, 14), after(10, 13.8), after(20, 14.1), after(30, 9), after(40, 4.2), after(50, 3.9)].slice(0, 5);
    const turn = turningPoint({ points });
    expect(turn).toMatchObject({ kind: 'ok', drops: 20 });
    expect(turn.kind === 'ok' && turn.after).toBeLessThan(-0.4);
  });

  it('turns where it begins to fall, though it stands still again later', () => {
    const points = [after(0, 15), after(10, 14.8), after(20, 14.9), after(30, 9), after(40, 5), after(50, 4.5)];
    expect(turningPoint({ points })).toMatchObject({ kind: 'ok', drops: 20 });
  });

  it('that is even has no turning point', () => {
    expect(turningPoint({ points: [0, 10, 20, 30, 40, 50].map((drops) => after(drops, 15 - drops / 10)) })).toEqual({ kind: 'noTurn' });
  });

  it('says nothing before five swirls', () => {
    expect(turningPoint({ points: [after(0, 14), after(10, 8)] })).toEqual({ kind: 'tooFew', points: 2 });
  });

  it('finds any clear corner, wherever it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 7 }), fc.double({ min: 0.3, max: 1, noNaN: true }), (corner, slope) => {
        const points = Array.from({ length: 10 }, (_, index) => after(index * 5, 20 - Math.max(0, index - corner) * 5 * slope));
        expect(turningPoint({ points })).toMatchObject({ kind: 'ok', drops: corner * 5 });
      }),
    );
  });
});

describe('drops are counted', () => {
  let minute = 0;
  const later = (hour: number) => `2026-03-01T${String(hour).padStart(2, '0')}:30:00.000Z`;
  const head = (id: string) => ({ id, at: `2026-03-01T08:${String(minute++).padStart(2, '0')}:00.000Z`, by: 'Maia' });
  const fill = (): BucketEvent => ({ ...head('f'), type: 'filled', parts: [], waterGrams: 1, from: 'batch' });
  it('with the swirl after each step; what was taken back never was, and a new filling starts anew', () => {
    const events: BucketEvent[] = [
      fill(),
      { ...head('a'), type: 'dropsAdded', drops: 5 },
      { ...head('b'), type: 'swirlTimed', seconds: 12 },
      { ...head('c'), type: 'dropsAdded', drops: 5 },
      { ...head('d'), type: 'dropsAdded', drops: 1 },
      { ...head('u'), type: 'undone', eventId: 'd' },
      { ...head('e'), type: 'swirlTimed', seconds: 9 },
    ];
    expect(dropsCounted({ events })).toEqual({
      drops: 10,
      flows: [],
      swirls: [
        { drops: 5, seconds: 12 },
        { drops: 10, seconds: 9 },
      ],
    });
    const weeksLater: BucketEvent = { ...head('w'), at: '2026-04-01T09:00:00.000Z', type: 'swirlTimed', seconds: 3 };
    expect(dropsCounted({ events: [...events, weeksLater] }).swirls).toHaveLength(2);
    expect(dropsCounted({ events: [...events, { ...fill(), at: later(9) }] })).toEqual({ drops: 0, swirls: [], flows: [] });
  });
});
