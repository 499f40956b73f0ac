import {
  bucketDrift,
  daysLeft,
  evaporatedSince,
  replayBucket,
  stirringDue,
  stirringNeed,
  washBefore,
  type BucketContents,
  type BucketEvent,
  type BucketShape,
} from '../../src/index';

const DAY = 86_400_000;
const START = Date.UTC(2026, 2, 1, 9);
const on = (day: number): string => new Date(START + day * DAY).toISOString();
let count = 0;
const head = (day: number): { id: string; at: string; by: string } => ({ id: `t${++count}`, at: on(day), by: 'Bruno' });
const filled: BucketEvent = {
  ...head(0),
  type: 'filled',
  parts: [{ powderId: 'k', name: 'Kaolin', part: 'base', grams: 7000, density: 2.6 }],
  waterGrams: 7200,
  from: 'batch',
};
const contents = (...events: BucketEvent[]): BucketContents => {
  const replay = replayBucket({ events: [filled, ...events] });
  if (replay.kind === 'empty') throw new Error('empty');
  return replay.contents;
};
const measured = (day: number, sg: number): BucketEvent => ({ ...head(day), type: 'sgMeasured', sg, sgSd: 0.004 });
const ROUND: BucketShape = { kind: 'cylinder', acrossMm: 300, highMm: 300 };

describe('water that leaves by itself', () => {
  it('is nothing anybody can say while lid and drift are unknown', () => {
    expect(evaporatedSince({ contents: contents(measured(1, 1.45)), capacityMl: 16_000, nowAt: on(8) })).toBeUndefined();
  });

  it('is a guess from surface and lid: 0.15 mL a cm² a day, open', () => {
    const open = contents({ ...head(1), type: 'lidSet', lid: 'open' }, measured(1, 1.45));
    const gone = evaporatedSince({ contents: open, capacityMl: 16_000, shape: ROUND, nowAt: on(8) })!;
    expect(gone.basis).toBe('guess');
    expect(gone.waterMl).toBeCloseTo(0.15 * Math.PI * 15 ** 2 * 7, 6);
    expect(gone.lowMl).toBeCloseTo(gone.waterMl / 2, 9);
    expect(gone.sgNow).toBeGreaterThan(1.47);
  });

  it('under a lid hardly any leaves', () => {
    const closed = contents({ ...head(1), type: 'lidSet', lid: 'closed' }, measured(1, 1.45));
    expect(evaporatedSince({ contents: closed, capacityMl: 16_000, shape: ROUND, nowAt: on(8) })!.waterMl).toBeCloseTo(0.005 * Math.PI * 225 * 7, 6);
  });

  it('is learnt where its own readings tell: water put back brings the SG back', () => {
    const drifting = { ...contents(measured(1, 1.45)), drift: { perDay: 0.004, perDaySd: 0.0005, spells: 5 } };
    const gone = evaporatedSince({ contents: drifting, capacityMl: 16_000, nowAt: on(6) })!;
    expect(gone.basis).toBe('learnt');
    expect(gone.sgNow).toBeCloseTo(1.47, 9);
    const { volumeMl } = drifting;
    const left = volumeMl - gone.waterMl;
    expect((left * gone.sgNow + gone.waterMl) / volumeMl).toBeCloseTo(1.45, 9);
    expect(gone.lowMl).toBeLessThan(gone.waterMl);
    expect(gone.highMl).toBeGreaterThan(gone.waterMl);
  });
});

describe('days until it leaves its range', () => {
  const range = { sgLow: 1.43, sgHigh: 1.47 };
  it('come from its own drift where there is one', () => {
    const drifting = { ...contents(measured(1, 1.45)), drift: { perDay: 0.002, perDaySd: 0.0002, spells: 5 } };
    expect(daysLeft({ contents: drifting, capacityMl: 16_000, nowAt: on(3), ...range })).toMatchObject({
      basis: 'learnt',
      days: expect.closeTo(8, 6),
    });
  });

  it('else from surface and lid, half to double', () => {
    const open = contents({ ...head(1), type: 'lidSet', lid: 'open' }, measured(1, 1.45));
    const left = daysLeft({ contents: open, capacityMl: 16_000, shape: ROUND, nowAt: on(1), ...range })!;
    expect(left.basis).toBe('guess');
    const loss = open.volumeMl * (1 - 0.45 / 0.47);
    expect(left.days).toBeCloseTo(loss / (0.15 * Math.PI * 225), 6);
  });

  it('are not told of a bucket nobody measured or spoke of', () => {
    expect(daysLeft({ contents: contents(), capacityMl: 16_000, nowAt: on(1), ...range })).toBeUndefined();
  });
});

describe('the lid', () => {
  it('drift is per open day once the lid is told: closed weeks do not count as calm', () => {
    const events: BucketEvent[] = [filled, { ...head(0.1), type: 'lidSet', lid: 'open' }, measured(0.2, 1.43)];
    // Three open days, then twenty-one closed ones, then three open ones: 0.004 a day while open.
    events.push(measured(3.2, 1.442), { ...head(3.2), type: 'lidSet', lid: 'closed' }, measured(24.2, 1.4448));
    events.push({ ...head(24.2), type: 'lidSet', lid: 'open' }, measured(27.2, 1.4568));
    const drift = bucketDrift({ events });
    expect(drift.kind === 'ok' && drift.perDay).toBeCloseTo(0.004, 6);
    expect(drift.kind === 'ok' && drift.byLid).toBe(true);
  });

  const always = [measured(0.1, 1.43), measured(10.1, 1.44), measured(20.1, 1.45)];
  const stands = (...told: BucketEvent[]): BucketContents => {
    const drift = bucketDrift({ events: [filled, ...always, ...told] });
    if (drift.kind !== 'ok') throw new Error('no drift');
    return { ...contents(...always, ...told), drift };
  };
  const lostBy = (day: number, ...told: BucketEvent[]) =>
    evaporatedSince({ contents: stands(...told), capacityMl: 16_000, shape: ROUND, nowAt: on(day) })!;
  const told = (day: number, lid: 'open' | 'closed'): BucketEvent => ({ ...head(day), type: 'lidSet', lid });

  it('told today it counts from today: what left before is as it was learnt', () => {
    const untold = lostBy(25.1);
    for (const lid of ['open', 'closed'] as const) {
      const now = lostBy(25.1, told(25.1, lid));
      expect(now.waterMl).toBeCloseTo(untold.waterMl, 6);
      expect(now.basis).toBe('learnt');
    }
  });

  it('from then on it is the surface that tells, until readings with a known lid do', () => {
    const untold = lostBy(25.1);
    const perDayMl = 0.15 * Math.PI * 15 ** 2;
    const off = lostBy(27.1, told(25.1, 'open'));
    expect(off.waterMl).toBeCloseTo(untold.waterMl + 2 * perDayMl, 6);
    expect(off.basis).toBe('guess');
    expect(lostBy(27.1, told(25.1, 'closed')).waterMl).toBeCloseTo(untold.waterMl + (2 * perDayMl) / 30, 6);
  });

  it('a lid off for a while and on again counts for that while', () => {
    const perDayMl = 0.15 * Math.PI * 15 ** 2;
    const whole = lostBy(30.1, told(22.1, 'open'), told(23.1, 'closed'));
    const before = lostBy(22.1);
    expect(whole.waterMl).toBeCloseTo(before.waterMl + perDayMl + (7 * perDayMl) / 30, 6);
  });

  it('the days it has left count from when the lid was put so', () => {
    const left = (...events: BucketEvent[]) =>
      daysLeft({ contents: stands(...events), capacityMl: 16_000, shape: ROUND, nowAt: on(22.1), sgLow: 1.42, sgHigh: 1.47 })!;
    expect(left().basis).toBe('learnt');
    expect(left(told(22.1, 'closed')).days).toBeGreaterThan(5 * left().days);
    expect(left(told(22.1, 'open')).days).toBeLessThan(left().days);
  });

  it('knows how much water the error of the reading is worth', () => {
    const { readingErrorMl } = lostBy(25.1);
    const { sg, sgSd, volumeMl } = stands();
    expect(readingErrorMl).toBeCloseTo(volumeMl - (volumeMl * (sg - 1)) / (sg + sgSd! - 1), 6);
  });
});

describe('stirring', () => {
  it.each([
    ['hardPans', false, 'piece'],
    ['settles', false, 'while'],
    ['holds', false, 'nowAndThen'],
    ['hardPans', true, 'while'],
  ] as const)('a glaze that %s (flocculated: %p) wants it every %s', (suspension, flocculated, every) => {
    expect(stirringNeed({ suspension, flocculated, epsomGrams: 3 }).every).toBe(every);
  });

  it('one quick swirl without salts does not undo “before every piece”', () => {
    expect(stirringNeed({ suspension: 'hardPans', flocculated: true }).every).toBe('piece');
  });

  it('is due after its time, and before anything else when nobody stirred', () => {
    const need = stirringNeed({ suspension: 'settles', flocculated: false });
    expect(stirringDue({ need, stirredAt: undefined, nowAt: on(1) })).toBe(true);
    expect(stirringDue({ need, stirredAt: on(1), nowAt: new Date(START + DAY + 11 * 60_000).toISOString() })).toBe(false);
    expect(stirringDue({ need, stirredAt: on(1), nowAt: new Date(START + DAY + 12 * 60_000).toISOString() })).toBe(true);
  });
});

describe('washing from dark to light', () => {
  const white = { id: 'w', name: 'Leche de Higo', lightness: 0.9 };
  const blue = { id: 'b', name: 'Noche Honda', lightness: 0.2, stirredAt: on(1) };
  const nowAt = new Date(START + DAY + 600_000).toISOString();

  it('the drill from the dark bucket is washed before the light one', () => {
    expect(washBefore({ into: white, others: [blue], nowAt })?.name).toBe('Noche Honda');
  });

  it('not from light to dark, not the next day, not when it has been in this bucket since', () => {
    expect(washBefore({ into: { ...blue, stirredAt: undefined }, others: [{ ...white, stirredAt: on(1) }], nowAt })).toBeUndefined();
    expect(washBefore({ into: white, others: [blue], nowAt: on(2.5) })).toBeUndefined();
    expect(washBefore({ into: { ...white, stirredAt: nowAt }, others: [blue], nowAt })).toBeUndefined();
  });
});
