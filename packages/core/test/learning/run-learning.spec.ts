import fc from 'fast-check';
import {
  bandRunMm,
  flowInFiring,
  flowOfReading,
  learnFlow,
  learnPairs,
  narrowsTo,
  OVERLAP_OMEGA,
  RUN_LN_SD,
  STUCK_FILM_MM,
  type FlowGuess,
  type RunReading,
} from '../../src/index';

const GUESS: FlowGuess = { flow: 60, lnSd: 0.9, basis: 'startingGuess' };
const tile = (change: Partial<RunReading> & { flow?: number }): RunReading => {
  const { flow = 200, ...rest } = change;
  const reading = { layers: [{ glazeId: 'ash', meltedMm: 0.35 }], bandMm: 30, firingRatio: 1, ...rest };
  const whole = reading.layers.reduce((sum, layer) => sum + layer.meltedMm, 0);
  return { runMm: bandRunMm({ meltedMm: whole - STUCK_FILM_MM, bandMm: reading.bandMm, flow: flow * reading.firingRatio }), ...reading };
};

describe('a runner tile', () => {
  it('gives back the flow that made it run so far, for any band, coat and firing', () => {
    const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(within(20, 800), within(0.2, 0.7), within(10, 60), within(0.3, 3), (flow, meltedMm, bandMm, firingRatio) => {
        const reading = tile({ flow, layers: [{ glazeId: 'ash', meltedMm }], bandMm, firingRatio });
        if (reading.runMm < 0.5) return;
        expect(flowOfReading(reading)).toBeCloseTo(flow, 6);
      }),
    );
  });

  it('no run says only that it flows no more than a ruler sees', () => {
    expect(flowOfReading(tile({ runMm: 0 }))).toBeLessThan(10);
    expect(flowOfReading(tile({ runMm: 0 }))).toBeGreaterThan(0);
  });

  it('one tile draws a starting guess most of the way, two further, and the range narrows as it says', () => {
    const one = learnFlow(GUESS, 'ash', [tile({})]);
    const two = learnFlow(GUESS, 'ash', [tile({}), tile({})]);
    expect(one.flow).toBeGreaterThan(150);
    expect(two.flow).toBeGreaterThan(one.flow);
    expect(two.flow).toBeLessThan(200);
    expect(one.lnSd / GUESS.lnSd).toBeCloseTo(narrowsTo(GUESS.lnSd), 9);
    expect(two.lnSd).toBeLessThan(one.lnSd);
    expect(one.basis).toBe('runnerTile');
  });

  it('other glazes learn nothing from it, nor does it speak for itself when another lies over it', () => {
    expect(learnFlow(GUESS, 'iron', [tile({})])).toBe(GUESS);
    const pair = tile({
      layers: [
        { glazeId: 'ash', meltedMm: 0.2 },
        { glazeId: 'iron', meltedMm: 0.2 },
      ],
    });
    expect(learnFlow(GUESS, 'ash', [pair])).toBe(GUESS);
  });
});

describe('two glazes over one another', () => {
  const sure = (flow: number): FlowGuess => ({ flow, lnSd: 0.1, basis: 'runnerTile' });
  const flows = new Map([
    ['ash', sure(300)],
    ['iron', sure(60)],
  ]);
  const layers = [
    { glazeId: 'iron', meltedMm: 0.2 },
    { glazeId: 'ash', meltedMm: 0.2 },
  ];
  /** Half and half, the pair flows as the mean of the logarithms, times ω. */
  const together = (omega: number): RunReading => tile({ layers, flow: Math.sqrt(300 * 60) * omega });

  it('that run as far as by themselves draw ω from its start guess towards one', () => {
    const [pair] = learnPairs([together(1)], (id) => flows.get(id));
    expect(pair!.omega).toBeLessThan(OVERLAP_OMEGA.omega);
    expect(pair!.omega).toBeGreaterThan(1);
    expect(pair!.lnSd).toBeLessThan(OVERLAP_OMEGA.lnSd);
  });

  it('many tiles of ω 2 come to 2, whichever lies beneath', () => {
    const turned = { ...together(2), layers: [...layers].reverse() };
    const [pair, ...more] = learnPairs([...Array.from({ length: 20 }, () => together(2)), ...Array.from({ length: 20 }, () => turned)], (id) =>
      flows.get(id),
    );
    expect(more).toEqual([]);
    expect(pair!.omega).toBeCloseTo(2, 1);
  });

  it('a glaze over itself, or of unknown flow, teaches no pair', () => {
    expect(learnPairs([tile({ layers: [layers[0]!, layers[0]!] })], (id) => flows.get(id))).toEqual([]);
    expect(learnPairs([together(2)], () => undefined)).toEqual([]);
  });

  it('one more tile halves what is not known of a pair with a guess as wide as a tile is sure', () => {
    expect(narrowsTo(RUN_LN_SD)).toBeCloseTo(Math.SQRT1_2, 9);
  });
});

describe('a firing that is not the usual one', () => {
  it('the usual one to cone 6 is what flow figures are told for', () => {
    expect(flowInFiring({ cone: '6' })).toBeCloseTo(1, 9);
  });

  it.each([
    ['hotter', { cone: '7' }],
    ['held longer', { cone: '6', holdMinutes: 40 }],
    ['cooled slowly', { cone: '6', cooling: 'slow' }],
    ['on a hot shelf', { cone: '6', place: 'hot' }],
  ] as const)('%s, it flows further', (_name, asked) => {
    expect(flowInFiring(asked)).toBeGreaterThan(1.02);
  });

  it.each([
    ['cooler', { cone: '5' }],
    ['cooled fast', { cone: '6', cooling: 'fast' }],
    ['on a cool shelf', { cone: '6', place: 'cool' }],
  ] as const)('%s, it stays higher', (_name, asked) => {
    expect(flowInFiring(asked)).toBeLessThan(0.98);
  });

  it('a hold of a day and a cone nobody has are refused', () => {
    expect(() => flowInFiring({ cone: '6', holdMinutes: 1440 })).toThrow('between 0 and 600 minutes');
    expect(() => flowInFiring({ cone: '13' })).toThrow('There is no cone');
  });
});
