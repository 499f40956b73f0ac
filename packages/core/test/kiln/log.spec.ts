import fc from 'fast-check';
import {
  cleanLog,
  coneReached,
  curveFromLog,
  EMPTY_LOG,
  foretellFiring,
  firedEnergy,
  GAP_SECONDS,
  grownLog,
  heatWorkHours,
  hoursAtFullPower,
  kilnModel,
  disputedBy,
  learntEnergy,
  learntPace,
  mergedReadings,
  LINE_CELSIUS,
  readControllerLine,
  reviewFiring,
  scheduleCurve,
  SimulatedKiln,
  thinLog,
  timeOfLine,
  unreadBounds,
  USUAL_PACE,
  type FiringPoint,
  type FiringSchedule,
  type KilnToModel,
  type KilnTrouble,
  type LogReading,
} from '../../src/index';

const GRILLO: KilnToModel = { chamber: { kind: 'round', diameterMm: 420, heightMm: 460 }, powerWatts: 7_000, mostCelsius: 1_280 };
const CONE_6: FiringSchedule = {
  segments: [
    { celsiusPerHour: 100, toCelsius: 600, holdMinutes: 0 },
    { celsiusPerHour: 120, toCelsius: 1_215, holdMinutes: 15 },
  ],
};
const WANTED = scheduleCurve(CONE_6);
const asPoints = (readings: readonly LogReading[]): FiringPoint[] => readings.map(({ seconds, celsius }) => ({ hours: seconds / 3_600, celsius }));

function firedLog(hours: number, trouble: KilnTrouble = {}, everySeconds = 60): LogReading[] {
  const kiln = new SimulatedKiln(kilnModel(GRILLO, 8_000), WANTED, trouble);
  return Array.from({ length: Math.round((hours * 3_600) / everySeconds) }, () => kiln.run(everySeconds)).filter((reading) => reading !== undefined);
}

describe('a line of a controller', () => {
  it.each([
    ['0:30:00; 78.5; 80; 42 %', { time: { kind: 'elapsed', seconds: 1_800 }, celsius: 78.5, setCelsius: 80, share: 0.42 }],
    [
      '2026-12-01T06:00:00Z,612.4,615,0.62',
      { time: { kind: 'clock', atMs: Date.UTC(2026, 11, 1, 6) }, celsius: 612.4, setCelsius: 615, share: 0.62 },
    ],
    ['3600 612', { time: { kind: 'elapsed', seconds: 3_600 }, celsius: 612 }],
    ['T=1134 °F SP=1140', { celsius: 612.22, setCelsius: 615.56 }],
    ['OUT 55% PV 899,5 SV 900', { celsius: 899.5, setCelsius: 900, share: 0.55 }],
    ['612', { celsius: 612 }],
    ['00:05\t45,5\t50,0\t100', { time: { kind: 'elapsed', seconds: 300 }, celsius: 45.5, setCelsius: 50, share: 1 }],
  ])('“%s” is read', (line, expected) => {
    const { kind, ...read } = readControllerLine(line) as { kind: string; celsius: number; setCelsius?: number };
    expect(kind).toBe('reading');
    expect({
      ...read,
      celsius: Math.round(read.celsius * 100) / 100,
      ...(read.setCelsius === undefined ? {} : { setCelsius: Math.round(read.setCelsius * 100) / 100 }),
    }).toEqual(expected);
  });

  it('tells a fault of the controller from noise', () => {
    expect(readControllerLine('ERR TC open')).toEqual({ kind: 'fault', text: 'ERR TC open' });
    expect(readControllerLine('hello').kind).toBe('unreadable');
    expect(readControllerLine('').kind).toBe('unreadable');
    expect(readControllerLine('9999999').kind).toBe('unreadable');
    expect(readControllerLine('0:01:00 -2000').kind).toBe('unreadable');
    // A set point that is noise takes the reading not with it.
    expect(readControllerLine('0:01:00; 30; 99999')).toEqual({ kind: 'reading', time: { kind: 'elapsed', seconds: 60 }, celsius: 30 });
  });

  it('whatever comes over the cable, no figure is missing', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 60 }), fc.stringMatching(/^[\d:;., %CF=TSP-]{0,40}$/)), (line) => {
        const read = readControllerLine(line);
        if (read.kind !== 'reading') return;
        expect(Number.isFinite(read.celsius)).toBe(true);
        if (read.share !== undefined) expect(read.share >= 0 && read.share <= 1).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a log is cleaned', () => {
  const ramp = (seconds: number): LogReading => ({ seconds, celsius: 20 + seconds / 30 });

  it('of a spike of 1,800 °C, of short jumps, and of time that runs backwards; each is told', () => {
    const log = [0, 60, 120, 180, 240, 300, 360].map(ramp);
    log[2] = { seconds: 120, celsius: 1_800 };
    log[4] = { seconds: 240, celsius: 300 };
    log.splice(6, 0, { seconds: 30, celsius: 29 });
    const { readings, dropped } = cleanLog(log);
    expect(readings.map(({ seconds }) => seconds)).toEqual([0, 60, 180, 300, 360]);
    expect(dropped.map(({ why }) => why).sort()).toEqual(['backwards', 'impossible', 'spike']);
  });

  it('but an opened door and a fast kiln stay as they were read', () => {
    const opened = firedLog(6, { doorOpen: [{ fromSeconds: 4 * 3_600, untilSeconds: 4.2 * 3_600 }] });
    expect(cleanLog(opened).dropped).toEqual([]);
    const fell = [ramp(0), ramp(60), { seconds: 120, celsius: -10 }, { seconds: 180, celsius: -12 }].map((one, at) => ({ ...one, seconds: at * 60 }));
    expect(cleanLog(fell).readings).toHaveLength(4);
  });

  it('whatever comes: time goes forward, each reading is kept or told, and cleaning again changes nothing', () => {
    const reading = fc.record({
      seconds: fc.double({ min: -1e4, max: 1e5, noNaN: true }),
      celsius: fc.double({ min: -200, max: 3_000, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 60 }), (log) => {
        const { readings, dropped } = cleanLog(log);
        expect(readings.length + dropped.length).toBe(log.length);
        expect(readings.every(({ seconds }, at) => at === 0 || seconds > readings[at - 1]!.seconds)).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});

describe('a log is thinned', () => {
  it('to straight lines that stay near every reading, with the same heat-work', () => {
    const log = firedLog(16, {}, 10);
    const thin = thinLog(log);
    expect(thin.length).toBeLessThan(log.length / 15);
    const work = (readings: LogReading[]): number => heatWorkHours({ firing: asPoints(readings), activationKjPerMol: 350 });
    expect(work(thin) / work(log)).toBeCloseTo(1, 1);
    for (const { seconds, celsius } of log) {
      const after = thin.findIndex((one) => one.seconds >= seconds);
      const [a, b] = [thin[Math.max(0, after - 1)]!, thin[after]!];
      const line = b.seconds === a.seconds ? b.celsius : a.celsius + ((b.celsius - a.celsius) * (seconds - a.seconds)) / (b.seconds - a.seconds);
      expect(Math.abs(line - celsius)).toBeLessThanOrEqual(LINE_CELSIUS + 1e-9);
    }
  });

  it('keeps both ends of a gap, and makes no gap of a straight way', () => {
    const log = [...Array.from({ length: 200 }, (_, at) => ({ seconds: at * 60, celsius: 20 + at })), { seconds: 20_000, celsius: 400 }];
    const thin = thinLog(log);
    const gaps = thin.filter(({ seconds }, at) => at > 0 && seconds - thin[at - 1]!.seconds > GAP_SECONDS);
    expect(gaps).toEqual([{ seconds: 20_000, celsius: 400 }]);
    expect(thin).toContainEqual({ seconds: 199 * 60, celsius: 219 });
  });
});

describe('the curve of a firing that is read', () => {
  it('is what was read, then what was wanted, later by what it is behind', () => {
    const log = [
      { hours: 0, celsius: 20 },
      { hours: 4, celsius: 220 },
    ];
    const { points, readUntilHours } = curveFromLog({ log, wanted: WANTED });
    expect(readUntilHours).toBe(4);
    const peak = WANTED.find(({ celsius }) => celsius === 1_215)!;
    // 220 °C were wanted after two hours: all that follows comes two hours later.
    expect(points.find(({ celsius }) => celsius === 1_215)!.hours).toBeCloseTo(peak.hours + 2);
  });

  it('cools by the pace of its kiln once it was at its hottest', () => {
    const log = [...WANTED.filter(({ celsius, hours }) => hours > 0 && celsius >= 600 && hours < 12), { hours: 14, celsius: 900 }];
    const { points } = curveFromLog({ log, wanted: WANTED, pace: { ...USUAL_PACE, coolingHours: 3 } });
    expect(points.at(-1)!.celsius).toBeCloseTo(40);
    expect(points.at(-1)!.hours - 14).toBeCloseTo(3 * Math.log(880 / 20));
  });

  it('read for the first time long after its peak: it fired as it was wanted, and cools', () => {
    const hours = WANTED.at(-1)!.hours + 6;
    const { points } = curveFromLog({ log: [{ hours, celsius: 140 }], wanted: WANTED });
    expect(Math.max(...points.map(({ celsius }) => celsius))).toBeCloseTo(1_215, 0);
    expect(points.filter((point) => point.hours > hours).every(({ celsius }) => celsius < 140)).toBe(true);
  });

  it('without a reading there is none', () => {
    expect(() => curveFromLog({ log: [], wanted: WANTED })).toThrow('Nothing was read');
  });

  it('time never goes back, wherever the log ends', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 900 }), (length) => {
        const { points } = curveFromLog({ log: asPoints(firedLog(15).slice(0, length)), wanted: WANTED });
        expect(points.every(({ hours }, at) => at === 0 || hours >= points[at - 1]!.hours)).toBe(true);
      }),
      { numRuns: 15 },
    );
  });
});

describe('readings typed now and then', () => {
  const noted = [
    { hours: 0, celsius: 20 },
    { hours: 6, celsius: 640 },
    { hours: 10, celsius: 1_180 },
    { hours: 10.5, celsius: 1_215 },
  ];

  it('leave open what the kiln did between: its cone lies between two curves', () => {
    const { least, most, unreadHours } = unreadBounds(noted);
    expect(unreadHours).toBeCloseTo(10.5);
    const work = (firing: FiringPoint[]): number => heatWorkHours({ firing, activationKjPerMol: 350 });
    expect(work(least)).toBeLessThan(work(noted));
    expect(work(most)).toBeGreaterThan(work(noted));
    expect(coneReached({ firing: most }).kind).toBe('between');
    expect(Math.max(...most.map(({ celsius }) => celsius))).toBe(1_215);
    for (const curve of [least, most]) expect(curve.every(({ hours }, at) => at === 0 || hours >= curve[at - 1]!.hours)).toBe(true);
  });

  it('read often, nothing is open', () => {
    const log = asPoints(firedLog(3));
    expect(unreadBounds(log)).toMatchObject({ unreadHours: 0, least: log, most: log });
  });
});

describe('a hand beside the machine', () => {
  it('fills what the machine did not read, and only that', () => {
    const machine = [0, 0.2, 0.4, 6, 6.2].map((hours) => ({ hours, celsius: 20 + hours * 100 }));
    const read = mergedReadings(machine, [
      { hours: 3, celsius: 333 },
      { hours: 0.3, celsius: 55 },
      { hours: -1, celsius: 20 },
    ]);
    expect(read.map(({ hours }) => hours)).toEqual([0, 0.2, 0.4, 3, 6, 6.2]);
    expect(read[3]!.celsius).toBe(333);
  });

  it('what was read off the display after the last line counts at once', () => {
    const read = mergedReadings([{ hours: 30, celsius: 101 }], [{ hours: 30.1, celsius: 93 }]);
    expect(read.at(-1)).toEqual({ hours: 30.1, celsius: 93 });
  });

  it('a display that shows what no kiln can have come to is disputed by the line beside it', () => {
    const machine = [13, 13.2, 13.3].map((hours) => ({ hours, celsius: 997 }));
    expect(disputedBy(machine, { hours: 13.45, celsius: 70 })).toEqual({ hours: 13.3, celsius: 997 });
    expect(disputedBy(machine, { hours: 13.22, celsius: 1_090 })).toEqual({ hours: 13.2, celsius: 997 });
    expect(disputedBy(machine, { hours: 13.45, celsius: 900 })).toBeUndefined();
    // An hour later nobody knows better.
    expect(disputedBy(machine, { hours: 14.3, celsius: 70 })).toBeUndefined();
    expect(disputedBy([], { hours: 1, celsius: 70 })).toBeUndefined();
  });
});

describe('after the firing', () => {
  const whole = (trouble: KilnTrouble = {}): FiringPoint[] => asPoints(firedLog(30, trouble));

  it('nothing is told where all went as wanted, down to where it cools by itself', () => {
    const kinds = reviewFiring({ log: whole(), wanted: WANTED }).map(({ kind }) => kind);
    expect(kinds.filter((kind) => kind !== 'cooling')).toEqual([]);
  });

  it('a power cut is told as a gap, a fall, and what it cost', () => {
    const told = reviewFiring({ log: whole({ powerCuts: [{ fromSeconds: 5 * 3_600, untilSeconds: 6 * 3_600 }] }), wanted: WANTED });
    expect(told.find(({ kind }) => kind === 'gap')).toMatchObject({ fromHours: expect.closeTo(5, 0) as number });
    expect(told.map(({ kind }) => kind)).toContain('fall');
  });

  it('a dead element is told by the hottest it came to and the way there', () => {
    const kinds = reviewFiring({ log: whole({ deadElement: { fromSeconds: 3_600, elements: 2 } }), wanted: WANTED }).map(({ kind }) => kind);
    expect(kinds).toContain('peak');
    expect(kinds).toContain('cone');
  });

  it('too little to compare is said', () => {
    expect(() => reviewFiring({ log: WANTED.slice(0, 1), wanted: WANTED })).toThrow('Too little was read');
  });
});

describe('what logs teach of a kiln', () => {
  it('its cooling, corrected for how full it was; without a log it is a usual kiln', () => {
    const cooled = (coolingHours: number): FiringPoint[] => scheduleCurve(CONE_6, { ...USUAL_PACE, coolingHours });
    expect(learntPace(GRILLO, [])).toEqual({ ...USUAL_PACE, coolingLogs: 0, heatingLogs: 0 });
    const pace = learntPace(GRILLO, [{ points: cooled(4) }, { points: cooled(4) }]);
    expect(pace.coolingHours).toBeCloseTo(4, 2);
    expect(pace.coolingLogs).toBe(2);
    expect(learntPace(GRILLO, [{ points: cooled(4) }], 20_000).coolingHours).toBeGreaterThan(4.5);
    expect(learntPace(GRILLO, [{ points: cooled(5), loadGrams: 20_000 }], 20_000).coolingHours).toBeCloseTo(5, 2);
  });

  it('the fastest it was seen to go', () => {
    const fast = scheduleCurve({ segments: [{ celsiusPerHour: 400, toCelsius: 1_200, holdMinutes: 0 }] });
    const often = Array.from({ length: 60 }, (_, at) => ({ hours: at / 20, celsius: Math.min(1_200, 20 + at * 20) }));
    expect(learntPace(GRILLO, [{ points: often }]).fastestCelsiusPerHour).toBeCloseTo(400);
    expect(learntPace(GRILLO, [{ points: fast.slice(0, 2) }]).fastestCelsiusPerHour).toBe(USUAL_PACE.fastestCelsiusPerHour);
  });

  it('what it takes beside its card: the next firing is foretold by that', () => {
    const { kilowattHours } = foretellFiring(CONE_6, kilnModel(GRILLO, 8_000));
    const firing = (factor: number) => ({ schedule: CONE_6, loadGrams: 8_000, kilowattHours: factor * kilowattHours });
    expect(learntEnergy(GRILLO, [firing(1.2), firing(1.2)])).toEqual({ factor: expect.closeTo(1.2) as number, firings: 2 });
    expect(learntEnergy(GRILLO, [firing(0)])).toEqual({ factor: 1, firings: 0 });
    expect(
      learntEnergy(
        GRILLO,
        Array.from({ length: 9 }, () => firing(0.9)),
      ).firings,
    ).toBe(5);
  });

  it('its energy, by the meter where it was read, else by the time it was on', () => {
    const points = WANTED;
    const meter = [
      { hours: 0.1, kilowattHours: 1_204 },
      { hours: 20, kilowattHours: 1_246.5 },
    ];
    expect(firedEnergy({ meter, points, fullPowerHours: 5, powerWatts: 7_000 })).toEqual({ kilowattHours: 42.5, from: 'meter' });
    expect(firedEnergy({ meter: meter.slice(0, 1), points, fullPowerHours: 5, powerWatts: 7_000 })).toEqual({ kilowattHours: 35, from: 'shareOn' });
    expect(firedEnergy({ meter: [], points })).toBeUndefined();
    const read = firedLog(14);
    const kiln = new SimulatedKiln(kilnModel(GRILLO, 8_000), WANTED);
    kiln.run(14 * 3_600);
    expect(hoursAtFullPower(read, GAP_SECONDS) * 7 * 3.6e6).toBeCloseTo(kiln.now.inJoule, -7);
  });
});

describe('a log that grows while the kiln is hot', () => {
  it('in pieces is the same curve as at once, and its past never changes', () => {
    const all = firedLog(16, { powerCuts: [{ fromSeconds: 5 * 3_600, untilSeconds: 5.5 * 3_600 }] }, 20);
    all[700] = { ...all[700]!, celsius: 1_800 };
    let log = EMPTY_LOG;
    for (let at = 0; at < all.length; at += 37) {
      const known = all.slice(0, at + 37);
      const grown = grownLog(
        log,
        known.filter(({ seconds }) => seconds >= log.settled.seconds),
      );
      expect(grown.points.slice(0, log.settled.points)).toEqual(log.points.slice(0, log.settled.points));
      log = grown;
    }
    const whole = grownLog(EMPTY_LOG, all);
    expect(log.dropped).toBe(1);
    expect(log.fullPowerHours).toBeCloseTo(whole.fullPowerHours, 6);
    expect(log.points.length).toBeLessThan(250);
    const work = ({ points }: { points: FiringPoint[] }): number => heatWorkHours({ firing: points, activationKjPerMol: 350 });
    expect(work(log) / work(whole)).toBeCloseTo(1, 1);
    expect(log.points.every(({ hours }, at) => at === 0 || hours > log.points[at - 1]!.hours)).toBe(true);
  });

  it('of nothing is nothing', () => {
    expect(grownLog(EMPTY_LOG, []).points).toEqual([]);
  });
});

describe('the clock of a controller', () => {
  const line = { beganAtMs: Date.UTC(2026, 11, 1, 6), receivedSeconds: 3_600 };
  const elapsed = (seconds: number) => ({ kind: 'elapsed' as const, seconds });

  it('counts where it is about right; where it is wrong, from when its first line came', () => {
    expect(timeOfLine({ ...line, time: elapsed(3_500) })).toEqual({ seconds: 3_500, offsetSeconds: 0 });
    expect(timeOfLine({ ...line, time: elapsed(60) })).toEqual({ seconds: 3_600, offsetSeconds: 3_540 });
    const anHourWrong = { kind: 'clock' as const, atMs: Date.UTC(2026, 11, 1, 8) };
    expect(timeOfLine({ ...line, time: anHourWrong })).toEqual({ seconds: 3_600, offsetSeconds: -3_600 });
    expect(timeOfLine({ ...line, time: anHourWrong, offsetSeconds: -3_600, lastSeconds: 3_570 })).toMatchObject({ seconds: 3_600 });
    expect(timeOfLine(line)).toEqual({ seconds: 3_600, offsetSeconds: 0 });
  });

  it('that begins anew after a power cut goes on from when its line came', () => {
    expect(timeOfLine({ ...line, time: elapsed(20), offsetSeconds: 0, lastSeconds: 3_000 })).toEqual({ seconds: 3_600, offsetSeconds: 3_580 });
  });

  it('that is set forward makes no gap; a practice kiln may run ahead', () => {
    expect(timeOfLine({ ...line, time: elapsed(7_200), offsetSeconds: 0, lastSeconds: 3_590 })).toEqual({ seconds: 3_600, offsetSeconds: -3_600 });
    expect(timeOfLine({ ...line, time: elapsed(7_200), offsetSeconds: 0, lastSeconds: 3_590, mayRunAhead: true })).toMatchObject({ seconds: 7_200 });
  });

  it('a line sent twice, or late, is not read twice', () => {
    expect(timeOfLine({ ...line, time: elapsed(3_580), offsetSeconds: 0, lastSeconds: 3_580 })).toBeUndefined();
    expect(timeOfLine({ ...line, time: elapsed(3_500), offsetSeconds: 0, lastSeconds: 3_590 })).toBeUndefined();
  });
});
