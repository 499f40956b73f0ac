import {
  causesOfFault,
  firingRates,
  recordOfPiece,
  scheduleCurve,
  USUAL_PACE,
  type FiringPoint,
  type Layer,
  type GlazedPiece,
} from '../../src/index';

const layer = (bucketId: string, coatMm = 0.6): Layer => ({ id: `${bucketId}-layer`, bucketId, method: 'dip', coatMm });
const glaze = (bucketId: string, change: Partial<GlazedPiece['glazes'][number]> = {}): GlazedPiece['glazes'][number] => ({
  bucketId,
  shrinkShare: 15,
  flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' },
  firedPercent: { SnO2: 5, ZnO: 6, SiO2: 60 },
  unity: { CaO: 0.7, K2O: 0.3 },
  coneLow: '5',
  coneHigh: '6',
  ...change,
});
const piece = (change: Partial<GlazedPiece> = {}): GlazedPiece => ({
  plan: { zones: { inside: [layer('white')], outside: [layer('ash')], rim: [], foot: [] } },
  coats: [
    { bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 4, seconds: 8, sg: 1.5 },
    { bucketId: 'white', plannedMm: 0.6, plannedSeconds: 4, seconds: 4, sg: 1.45 },
  ],
  glazes: [glaze('ash'), glaze('white', { shrinkShare: 30 })],
  ranges: new Map([
    ['ash', { lowSg: 1.44, highSg: 1.46 }],
    ['white', { lowSg: 1.44, highSg: 1.46 }],
  ]),
  windows: new Map([['ash', { thinMm: 0.4, thickMm: 0.7 }]]),
  clay: { bisqueCone: '05', lowCone: '4', lightness: 0.2 },
  coneReached: '7',
  ...change,
});

describe('what was recorded of a fired piece', () => {
  it('stands at the place of its fault: seconds, SG and coat of the glaze that is on top there', () => {
    const record = recordOfPiece(piece(), 'outside');
    expect(record).toMatchObject({ secondsShare: 2, sgOver: expect.closeTo(0.04) as number, sgUnder: 0, windowTopMm: 0.7, upperShrinkPercent: 15 });
    // Twice the seconds in a thicker slurry: well over what was planned.
    expect(record.coatMm).toBeGreaterThan(0.8);
    expect(recordOfPiece(piece(), 'inside')).toMatchObject({ secondsShare: 1, upperShrinkPercent: 30 });
    expect(recordOfPiece(piece(), 'inside')).not.toHaveProperty('windowTopMm');
  });

  it('its cones, clay and oxides', () => {
    expect(recordOfPiece(piece(), 'rim')).toMatchObject({
      conesOver: 1,
      conesUnder: 0,
      bisqueConesOver04: 0,
      bisqueConesUnder05: 0,
      bodyConesUnder: 0,
      bodyIsDark: true,
      stiffeningPercent: 11,
      muchCalciaMagnesiaZinc: true,
      flowFigure: 60,
    });
    expect(recordOfPiece(piece({ clay: { bisqueCone: '07' }, coneReached: '4' }), 'outside')).toMatchObject({ bisqueConesUnder05: 2, conesUnder: 1 });
  });

  it('what nobody timed, measured, read or knows is left out, and blames nothing', () => {
    const untimed = piece({ coats: [{ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 4 }], clay: undefined, windows: new Map() });
    const record = recordOfPiece(untimed, 'outside');
    for (const field of ['coatMm', 'secondsShare', 'sgOver', 'coatsDiffer', 'holdMinutes', 'bisqueConesOver04', 'refired', 'bodyIsDark'])
      expect(record).not.toHaveProperty(field);
    expect(causesOfFault('thick', record).causes).toEqual([]);
    // A flow figure that is a guess from a recipe says nothing either.
    const guessed = recordOfPiece(piece({ glazes: [glaze('ash', { flow: { flow: 900, lnSd: 0.9, basis: 'startingGuess' } })] }), 'outside');
    expect(guessed).not.toHaveProperty('flowFigure');
  });

  it('of two glazes on one another: what the upper one shrinks more', () => {
    const zones = { inside: [], outside: [layer('ash'), layer('white')], rim: [], foot: [] };
    expect(recordOfPiece(piece({ plan: { zones } }), 'outside')).toMatchObject({ shrinkDifference: 15 });
  });

  it('how its glaze fits its clay, where both are known; and grog in the clay', () => {
    const clay = { expansion: 6, groggy: true };
    const fitting = piece({ clay, glazes: [glaze('ash', { expansion: 7.2 }), glaze('white')] });
    const record = recordOfPiece(fitting, 'outside');
    expect(record.bodyLessGlazeExpansion).toBeCloseTo(-1.2, 9);
    expect(record.bodyIsGroggy).toBe(true);
    expect(causesOfFault('crazed', record).causes.map(({ id }) => id)).toContain('glazeShrinksMore');
    expect(causesOfFault('pinholed', record).causes.map(({ id }) => id)).toContain('darkOrGroggyBody');
    expect(recordOfPiece(fitting, 'inside')).not.toHaveProperty('bodyLessGlazeExpansion');
    expect(recordOfPiece(piece({ glazes: fitting.glazes }), 'outside')).not.toHaveProperty('bodyLessGlazeExpansion');
  });

  it('inside and outside that differ much, a second firing', () => {
    const record = recordOfPiece(piece({ isRefired: true }), 'outside');
    expect(record.coatsDiffer).toBeGreaterThan(1.3);
    expect(record.refired).toBe(true);
    expect(causesOfFault('cracked', record).causes.map(({ id }) => id)).toContain('refired');
  });
});

describe('how fast a firing went where that makes faults', () => {
  const log = (points: FiringPoint[]): FiringPoint[] => points;

  it('its rates up and down, around 570 °C, and its hold, as they were', () => {
    const curve = scheduleCurve(
      {
        segments: [
          { celsiusPerHour: 100, toCelsius: 1_000, holdMinutes: 0 },
          { celsiusPerHour: 180, toCelsius: 1_200, holdMinutes: 15 },
          { celsiusPerHour: 300, toCelsius: 1_100, holdMinutes: 0 },
          { celsiusPerHour: 50, toCelsius: 850, holdMinutes: 0 },
        ],
      },
      { ...USUAL_PACE, coolingHours: 2 },
    );
    const rates = firingRates(curve);
    expect(rates.fastestOver1000PerHour).toBeCloseTo(180);
    expect(rates.fastestFromPeakPerHour).toBeCloseTo(300);
    expect(rates.from1100To900PerHour).toBeCloseTo(50);
    expect(rates.holdMinutes).toBeGreaterThan(15);
    expect(rates.holdMinutes).toBeLessThan(22);
    // Down by itself: some 275 °C an hour there, faster than the 100 up.
    expect(rates.fastestAt570PerHour).toBeGreaterThan(200);
  });

  it('what it did not come to is left out', () => {
    expect(firingRates(log([{ hours: 0, celsius: 20 }]))).toEqual({});
    const bisque = firingRates(
      log([
        { hours: 0, celsius: 20 },
        { hours: 10, celsius: 980 },
      ]),
    );
    expect(bisque).toEqual({ fastestAt570PerHour: expect.closeTo(96) as number });
    const stillHot = firingRates(
      log([
        { hours: 0, celsius: 20 },
        { hours: 12, celsius: 1_220 },
        { hours: 12.5, celsius: 1_180 },
      ]),
    );
    expect(stillHot).not.toHaveProperty('from1100To900PerHour');
    expect(stillHot).not.toHaveProperty('holdMinutes');
  });
});
