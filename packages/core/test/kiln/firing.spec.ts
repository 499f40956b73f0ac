import fc from 'fast-check';
import {
  attempt,
  coneReached,
  coolingHoursOf,
  firingProgress,
  foretellFiring,
  fullnessFactor,
  heatAfter,
  hoursToCool,
  kilnModel,
  scheduleCurve,
  SimulatedKiln,
  storedJoule,
  USUAL_PACE,
  type FiringPoint,
  type FiringSchedule,
  type KilnHeat,
  type KilnToModel,
  type KilnTrouble,
} from '../../src/index';

const ABUELA: KilnToModel = { chamber: { kind: 'rectangular', widthMm: 620, depthMm: 580, heightMm: 900 }, powerWatts: 18_000, mostCelsius: 1_300 };
const CONE_6: FiringSchedule = {
  segments: [
    { celsiusPerHour: 80, toCelsius: 120, holdMinutes: 30 },
    { celsiusPerHour: 120, toCelsius: 1_100, holdMinutes: 0 },
    { celsiusPerHour: 60, toCelsius: 1_206, holdMinutes: 10 },
  ],
};
const MODEL = kilnModel(ABUELA, 45_000);
const COLD: KilnHeat = { wareCelsius: 20, brickCelsius: 20, inJoule: 0, lostJoule: 0 };

/** What a controller logs of a firing, a reading every two minutes. */
function logOf(trouble: KilnTrouble, hours: number, curve = scheduleCurve(CONE_6)): FiringPoint[] {
  const kiln = new SimulatedKiln(MODEL, curve, trouble);
  return Array.from({ length: hours * 30 }, () => kiln.run(120)).flatMap((reading) =>
    reading ? [{ hours: reading.seconds / 3_600, celsius: reading.celsius }] : [],
  );
}

describe('a schedule', () => {
  it('is a curve: its rates, holds, and the cooling that the kiln does by itself', () => {
    const curve = scheduleCurve(CONE_6);
    expect(curve.slice(0, 3)).toEqual([
      { hours: 0, celsius: 20 },
      { hours: 1.25, celsius: 120 },
      { hours: 1.75, celsius: 120 },
    ]);
    const peak = curve.find(({ celsius }) => celsius === 1_206)!;
    expect(peak.hours).toBeCloseTo(1.75 + 980 / 120 + 106 / 60);
    expect(curve.at(-1)!.celsius).toBeCloseTo(40);
    expect(coneReached({ firing: curve }).kind).toBe('between');
  });

  it('cools slowly where it is told to, and by itself where it is not', () => {
    const slow = scheduleCurve({
      segments: [...CONE_6.segments, { celsiusPerHour: 50, toCelsius: 900, holdMinutes: 60 }, { toCelsius: 300, holdMinutes: 0 }],
    });
    const at = (celsius: number): number => slow.findLast((point) => Math.abs(point.celsius - celsius) < 0.01)!.hours;
    expect(at(900) - at(1_206)).toBeCloseTo(306 / 50 + 1);
    expect(at(300) - at(900)).toBeCloseTo(hoursToCool(900, 300, USUAL_PACE));
  });

  it('a kiln never gets colder than its room, and a schedule needs a step that leads somewhere', () => {
    expect(() => hoursToCool(500, 20, USUAL_PACE)).toThrow('never cools below its room');
    expect(() => scheduleCurve({ segments: [] })).toThrow('needs at least one step');
    expect(() => scheduleCurve({ segments: [{ celsiusPerHour: -5, toCelsius: 900, holdMinutes: 0 }] })).toThrow();
    expect(() => scheduleCurve({ segments: [{ celsiusPerHour: 100, toCelsius: 2_192, holdMinutes: 0 }] })).toThrow('between 20 and 1,400 °C');
  });

  it('whatever its steps, time goes forward and no figure is missing', () => {
    const segment = fc.record({
      celsiusPerHour: fc.option(fc.double({ min: 1, max: 600, noNaN: true }), { nil: undefined }),
      toCelsius: fc.double({ min: 20, max: 1_400, noNaN: true }),
      holdMinutes: fc.double({ min: 0, max: 600, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(segment, { minLength: 1, maxLength: 8 }), (segments) => {
        const curve = scheduleCurve({ segments });
        for (const [at, { hours, celsius }] of curve.entries()) {
          expect(Number.isFinite(hours) && Number.isFinite(celsius)).toBe(true);
          if (at > 0) expect(hours).toBeGreaterThanOrEqual(curve[at - 1]!.hours);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a kiln of two masses', () => {
  it('keeps its energy: what went in is stored or lost, to a millionth', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ share: fc.double({ min: 0, max: 1, noNaN: true }), seconds: fc.integer({ min: 1, max: 7_200 }), isDoorOpen: fc.boolean() }),
          {
            minLength: 1,
            maxLength: 20,
          },
        ),
        (story) => {
          const heat = story.reduce((now, during) => heatAfter(now, MODEL, during), COLD);
          const balance = heat.inJoule - heat.lostJoule - storedJoule(heat, MODEL);
          expect(Math.abs(balance)).toBeLessThanOrEqual(1e-6 * Math.max(1, heat.inJoule));
        },
      ),
      { numRuns: 40 },
    );
  });

  it('fires to cone 6 in a night with the energy such a kiln takes', () => {
    const { followed, kilowattHours, behind } = foretellFiring(CONE_6, MODEL);
    expect(behind).toBeUndefined();
    expect(Math.max(...followed.map(({ celsius }) => celsius))).toBeGreaterThan(1_195);
    expect(kilowattHours).toBeGreaterThan(50);
    expect(kilowattHours).toBeLessThan(200);
  });

  it('says before what it cannot follow', () => {
    const fast = { segments: [{ celsiusPerHour: 400, toCelsius: 1_220, holdMinutes: 10 }] };
    const { behind } = foretellFiring(fast, MODEL);
    expect(behind!.wantedPerHour).toBeCloseTo(400);
    expect(behind!.canPerHour).toBeLessThan(400);
    // As fast as it can asks for nothing it cannot do.
    expect(attempt(() => foretellFiring({ segments: [{ toCelsius: 1_000, holdMinutes: 0 }] }, MODEL)).kind).toBe('ok');
  });

  it('a full kiln cools slower, and its own pace is learnt from its log', () => {
    expect(fullnessFactor(ABUELA, 60_000)).toBeGreaterThan(1.2);
    const slow = scheduleCurve(CONE_6, { ...USUAL_PACE, coolingHours: 8 });
    expect(coolingHoursOf(slow)).toBeCloseTo(8, 3);
    expect(coolingHoursOf(slow.slice(0, 6))).toBeUndefined();
    expect(coolingHoursOf([])).toBeUndefined();
  });
});

describe('a firing that runs', () => {
  const wanted = scheduleCurve(CONE_6);
  const progress = (trouble: KilnTrouble, hours: number) => firingProgress({ log: logOf(trouble, hours), wanted });

  it('that keeps up has nothing wrong with it, and is done when it was meant to be', () => {
    const { trouble, doneAtHours, opensAtHours, perHour } = progress({}, 6);
    expect(trouble).toEqual([]);
    expect(perHour).toBeCloseTo(120, -1);
    const end = wanted.findLast(({ celsius }) => celsius === 1_206)!.hours;
    expect(doneAtHours).toBeCloseTo(end, 1);
    expect(opensAtHours).toBeCloseTo(end + hoursToCool(1_206, 100, USUAL_PACE), 1);
  });

  it('tells its cone as it goes, and at the end the one that was wanted', () => {
    expect(progress({}, 3).cone).toBeUndefined();
    expect(progress({}, 12).cone).toMatchObject({ kind: 'between' });
  });

  it('with a dead element it comes slower than wanted, and is done later', () => {
    const { trouble, doneAtHours } = progress({ deadElement: { fromSeconds: 6 * 3_600, elements: 2 } }, 10);
    expect(trouble.map(({ kind }) => kind)).toContain('slow');
    const slow = trouble.find(({ kind }) => kind === 'slow')!;
    expect(slow).toMatchObject({ kind: 'slow', wantedPerHour: expect.closeTo(100, -2) as number });
    expect(doneAtHours!).toBeGreaterThan(12);
  });

  it('a power cut is a gap and a kiln that cooled; the log goes on after it', () => {
    const { trouble } = progress({ powerCuts: [{ fromSeconds: 5 * 3_600, untilSeconds: 6 * 3_600 }] }, 6.2);
    expect(trouble.find(({ kind }) => kind === 'gap')).toMatchObject({ fromHours: expect.closeTo(5, 0) as number });
    expect(trouble.map(({ kind }) => kind)).toContain('behind');
  });

  it('an open door and a thermocouple that reads wrong move what is in the kiln, not what is wanted', () => {
    const open = logOf({ doorOpen: [{ fromSeconds: 3 * 3_600, untilSeconds: 3.4 * 3_600 }] }, 3.4).at(-1)!.celsius;
    expect(open).toBeLessThanOrEqual(logOf({}, 3.4).at(-1)!.celsius);
    const kiln = new SimulatedKiln(MODEL, wanted, { readsOver: 15 });
    const reading = kiln.run(8 * 3_600)!;
    expect(reading.celsius - kiln.now.wareCelsius).toBeGreaterThan(8);
    expect(Math.abs(reading.celsius - reading.setCelsius)).toBeLessThan(10);
  });

  it('without a reading nothing is told', () => {
    expect(() => firingProgress({ log: [], wanted })).toThrow('Nothing was read of this firing yet.');
  });
});
