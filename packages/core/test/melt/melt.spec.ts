import fc from 'fast-check';
import {
  bandRunMm,
  celsiusAt,
  celsiusToFahrenheit,
  coneCelsius,
  coneReached,
  firingFromPeak,
  peakOfFiring,
  FLOW_ACTIVATION,
  flowFromRun,
  flowFromWord,
  flowGuess,
  flowRatio,
  heatWorkHours,
  isCone,
  kilnNow,
  movementWord,
  peakForCone,
  REFERENCE_FIRING,
  unity,
  unityFormula,
} from '../../src/index';

const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a melted band', () => {
  it('0.3 mm at F 200 runs 18 mm on a wide band', () => {
    expect(bandRunMm({ meltedMm: 0.3, bandMm: 500, flow: 200 })).toBeCloseTo(18, 9);
  });

  it('0.6 mm at F 50 runs like 0.3 mm at F 200', () => {
    expect(bandRunMm({ meltedMm: 0.6, bandMm: 500, flow: 50 })).toBeCloseTo(18, 9);
  });

  it('a measured run gives its flow figure back', () => {
    fc.assert(
      fc.property(positive(0.05, 1), positive(5, 200), positive(0.5, 2000), (meltedMm, bandMm, flow) => {
        const runMm = bandRunMm({ meltedMm, bandMm, flow });
        expect(flowFromRun({ meltedMm, bandMm, runMm }) / flow).toBeCloseTo(1, 6);
      }),
    );
  });

  it('runs on smoothly where the two formulas meet', () => {
    const at = (share: number): number => bandRunMm({ meltedMm: 0.4, bandMm: 60, flow: (share * 60) / (2 * 0.16) });
    expect(at(1.000001) - at(0.999999)).toBeLessThan(1e-3);
  });

  it('nothing melted, nothing runs', () => {
    expect(bandRunMm({ meltedMm: 0, bandMm: 40, flow: 300 })).toBe(0);
  });
});

describe('cones', () => {
  it('06 and 6 are different cones', () => {
    expect(coneCelsius('6') - coneCelsius('06')).toBe(224);
  });

  it.each(['11', '0', '6.5', 'six', ''])('there is no cone “%s”', (cone) => {
    expect(isCone(cone)).toBe(false);
    expect(() => coneCelsius(cone)).toThrow('There is no cone');
  });

  it('a ramp of 60 °C/h to its temperature reaches its cone', () => {
    for (const cone of ['04', '5', '6', '10']) {
      const celsius = coneCelsius(cone);
      const reached = coneReached({
        firing: [
          { hours: 0, celsius: 20 },
          { hours: (celsius - 20) / 60, celsius },
        ],
      });
      if (reached.kind !== 'between') throw new Error(reached.kind);
      expect(reached.upper).toBe(cone);
      expect(reached.fraction).toBeCloseTo(1, 4);
    }
  });

  it('a hold adds heat-work at the same peak', () => {
    const work = (holdMinutes: number): number =>
      heatWorkHours({ firing: firingFromPeak({ peakCelsius: 1210, hoursUp: 9, holdMinutes }), activationKjPerMol: FLOW_ACTIVATION });
    expect(work(30)).toBeGreaterThan(work(0));
  });

  it('what was set for a firing is read back from its curve', () => {
    for (const set of [
      { peakCelsius: 1200, hoursUp: 10, holdMinutes: 15 },
      { peakCelsius: 1040, hoursUp: 7.5, holdMinutes: 0 },
    ])
      expect(peakOfFiring({ points: firingFromPeak(set) })).toEqual(set);
    expect(() => peakOfFiring({ points: [] })).toThrow('no curve yet');
  });

  it('the peak for a cone reaches that cone, hold and cooling counted', () => {
    for (const cone of ['04', '5', '6', '8']) {
      const question = { hoursUp: 9.5, holdMinutes: 10 };
      const reached = coneReached({ firing: firingFromPeak({ ...question, peakCelsius: peakForCone({ ...question, cone }) }) });
      if (reached.kind !== 'between') throw new Error(reached.kind);
      expect(reached.fraction > 0.5 ? reached.upper : reached.lower).toBe(cone);
    }
  });

  it('the reference firing flows as itself, a hotter one more', () => {
    expect(flowRatio({ firing: REFERENCE_FIRING, reference: REFERENCE_FIRING, activationKjPerMol: FLOW_ACTIVATION })).toBe(1);
    const hotter = REFERENCE_FIRING.map((point) => ({ ...point, celsius: point.celsius + 10 }));
    expect(flowRatio({ firing: hotter, reference: REFERENCE_FIRING, activationKjPerMol: FLOW_ACTIVATION })).toBeGreaterThan(1.15);
  });

  it('a curve that goes back in time is refused', () => {
    expect(() =>
      coneReached({
        firing: [
          { hours: 2, celsius: 20 },
          { hours: 1, celsius: 900 },
        ],
      }),
    ).toThrow('back in time');
  });

  it('a cold kiln is below the lowest cone', () => {
    expect(
      coneReached({
        firing: [
          { hours: 0, celsius: 20 },
          { hours: 5, celsius: 120 },
        ],
      }),
    ).toEqual({ kind: 'below', cone: '022' });
  });
});

describe('where a kiln stands', () => {
  const firing = firingFromPeak({ peakCelsius: 1200, hoursUp: 10, holdMinutes: 0 });
  it.each([
    [-1, 'notStarted'],
    [4, 'firing'],
    [12, 'cooling'],
    [40, 'canBeOpened'],
  ])('after %p h: %s', (hours, kind) => {
    expect(kilnNow({ firing, hours }).kind).toBe(kind);
  });

  it('reads the temperature off its curve', () => {
    expect(
      celsiusAt(
        [
          { hours: 0, celsius: 20 },
          { hours: 10, celsius: 1020 },
        ],
        5,
      ),
    ).toBeCloseTo(520, 9);
  });

  it.each([[100], [1500]])('a peak of %p °C is no glaze firing', (peakCelsius) => {
    expect(() => firingFromPeak({ peakCelsius, hoursUp: 9, holdMinutes: 0 })).toThrow('peaks between');
  });

  it('100 °C is 212 °F', () => {
    expect(celsiusToFahrenheit(100)).toBeCloseTo(212, 9);
  });
});

describe('how it moves', () => {
  it('the fluxes of a unity formula make one', () => {
    const formula = unity({ oxideGrams: { SiO2: 60, Al2O3: 15, CaO: 12, K2O: 6, ZnO: 5, MgO: 2 } });
    expect((formula.CaO ?? 0) + (formula.K2O ?? 0) + (formula.ZnO ?? 0) + (formula.MgO ?? 0)).toBeCloseTo(1, 12);
  });

  it('without a flux there is no formula', () => {
    expect(unityFormula({ oxideGrams: { SiO2: 100 } })).toEqual({ kind: 'noFlux' });
  });

  it('alumina stiffens, boron loosens', () => {
    const flow = (change: object): number => flowGuess({ unity: { SiO2: 3, Al2O3: 0.35, B2O3: 0.2, CaO: 0.7, K2O: 0.3, ...change } }).flow;
    expect(flow({ Al2O3: 0.45 })).toBeLessThan(flow({}));
    expect(flow({ B2O3: 0.35 })).toBeGreaterThan(flow({}));
  });

  it('a guess outside usual glazes is less sure', () => {
    expect(flowGuess({ unity: { SiO2: 1.5, Al2O3: 0.1 } }).lnSd).toBeGreaterThan(flowGuess({ unity: { SiO2: 3, Al2O3: 0.35 } }).lnSd);
  });

  it.each(['stays', 'moves', 'runs', 'pours'] as const)('“%s” means what it says at a normal dip', (word) => {
    expect(movementWord({ flow: flowFromWord({ word }).flow })).toBe(word);
  });
});
