import fc from 'fast-check';
import {
  CHANGES,
  changeOutcome,
  changesFor,
  coatCausesOf,
  coatTimesOf,
  FIRED_FAULTS,
  helpedBefore,
  planWithChange,
  runCauses,
  windowChange,
  scheduleCurve,
  scheduleWithChange,
  shapeOf,
  type FaultRecord,
  type FiringSchedule,
  type GlazeFacts,
  type MadeChange,
  type PiecePlan,
  type ResultChange,
  type TriedPiece,
} from '../../src/index';

const PLAN: PiecePlan = {
  shapeId: 'cup',
  zones: {
    inside: [{ id: 'in', bucketId: 'white', method: 'pour', coatMm: 0.5 }],
    outside: [
      { id: 'low', bucketId: 'white', method: 'dip', coatMm: 0.6 },
      { id: 'top', bucketId: 'ash', method: 'dip', coatMm: 0.9 },
    ],
    rim: [],
    foot: [],
  },
  waxFootMm: 8,
  rimBandMm: 0,
  order: [],
  putAside: [],
};
const change = (kind: ResultChange['kind'], figures: Partial<ResultChange> = {}): ResultChange => ({
  kind,
  chanceBefore: 0.4,
  chanceAfter: 0.1,
  ...figures,
});

describe('one change', () => {
  it('a coat that was planned too thick is planned thinner, into the middle of its window', () => {
    const [best] = changesFor({ fault: 'crawled', record: { coatMm: 0.92, windowLowMm: 0.4, windowTopMm: 0.8 }, facts: { plannedMm: 0.9 } });
    expect(best).toMatchObject({ kind: 'thinnerCoat', from: 0.9, to: 0.6 });
    expect(best!.chanceBefore).toBeCloseTo(1 - 0.98 * (1 - 0.5 * 0.3), 6);
    expect(best!.chanceAfter).toBeCloseTo(0.02, 6);
  });

  it('a coat that was planned right and dipped too long is no fault of the plan: the seconds are kept next time', () => {
    const record: FaultRecord = { coatMm: 0.92, windowLowMm: 0.4, windowTopMm: 0.8, secondsShare: 2 };
    const kinds = changesFor({ fault: 'crawled', record, facts: { plannedMm: 0.6, coatByPlannedSecondsMm: 0.62 } }).map(({ kind }) => kind);
    expect(kinds).toEqual(['keepSeconds']);
  });

  it('of two that do as much, the one that asks less comes first', () => {
    const record: FaultRecord = { hairlinesLeftOpen: true, upperShrinkPercent: 28, shrinkDifference: 12 };
    const kinds = changesFor({ fault: 'crawled', record, facts: { lowerShrinkPercent: 16 } }).map(({ kind }) => kind);
    expect(kinds).toEqual(['smearHairlines', 'otherOrder', 'calcineClay']);
  });

  it('what was not recorded is no reason to change anything', () => {
    for (const fault of FIRED_FAULTS) expect(changesFor({ fault, record: {}, facts: {} })).toEqual([]);
  });

  it('a firing too fast at its end, a short hold, a kiln opened hot: each has its own', () => {
    const best = (fault: 'pinholed' | 'cracked' | 'dull', record: FaultRecord) => changesFor({ fault, record, facts: {} })[0]?.kind;
    expect(best('pinholed', { fastestOver1000PerHour: 200 })).toBe('slowerOver1000');
    expect(best('pinholed', { holdMinutes: 0 })).toBe('holdLonger');
    expect(best('cracked', { openedCelsius: 220 })).toBe('openLater');
    expect(best('cracked', { fastestAt570PerHour: 300 })).toBe('slowerAt570');
    expect(best('dull', { conesUnder: 1 })).toBe('hotterPlace');
  });

  it('crazed: a recipe that fits is offered as far as the shelf reaches, and only where it can be made', () => {
    const record: FaultRecord = { bodyLessGlazeExpansion: -0.9 };
    const asked: number[] = [];
    const expansionFall = (wanted: number): number => (asked.push(wanted), 0.7);
    const [best] = changesFor({ fault: 'crazed', record, facts: { expansionFall } });
    expect(best).toMatchObject({ kind: 'closerFit', from: -0.9 });
    expect(best!.to).toBeCloseTo(-0.2, 9);
    expect(asked[0]).toBeCloseTo(1.2, 9);
    expect(best!.chanceAfter).toBeCloseTo(1 - 0.98 * (1 - 0.6 * (0.2 / 1.5)), 6);
    expect(changesFor({ fault: 'crazed', record, facts: { expansionFall: () => undefined } })).toEqual([]);
    expect(changesFor({ fault: 'crazed', record, facts: {} })).toEqual([]);
  });

  it('whatever was recorded: a change lowers the chance, and says by how much from the same chance', () => {
    const record = fc.record(
      {
        coatMm: fc.double({ min: 0.2, max: 2, noNaN: true }),
        windowLowMm: fc.constant(0.4),
        windowTopMm: fc.constant(0.8),
        secondsShare: fc.double({ min: 0.3, max: 3, noNaN: true }),
        sgOver: fc.double({ min: 0, max: 0.08, noNaN: true }),
        sgUnder: fc.double({ min: 0, max: 0.08, noNaN: true }),
        upperShrinkPercent: fc.double({ min: 0, max: 40, noNaN: true }),
        holdMinutes: fc.double({ min: 0, max: 30, noNaN: true }),
        fastestOver1000PerHour: fc.double({ min: 20, max: 400, noNaN: true }),
        conesOver: fc.constantFrom(0, 1, 2),
        stirredInTime: fc.boolean(),
        waxStrayed: fc.boolean(),
      },
      { requiredKeys: [] },
    );
    const facts = fc.record(
      { plannedMm: fc.double({ min: 0.2, max: 2, noNaN: true }), lowerShrinkPercent: fc.double({ min: 0, max: 40, noNaN: true }) },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.constantFrom(...FIRED_FAULTS), record, facts, (fault, told, of) => {
        const changes = changesFor({ fault, record: told, facts: of });
        const worth = changes.map(({ kind, chanceBefore, chanceAfter }) => (chanceBefore - chanceAfter) / CHANGES[kind].price);
        expect(worth.every((one) => one > 0)).toBe(true);
        expect([...worth].sort((a, b) => b - a)).toEqual(worth);
        expect(new Set(changes.map(({ chanceBefore }) => chanceBefore)).size).toBeLessThanOrEqual(1);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a change becomes a new plan', () => {
  it('loaded too soon: from then on the plan says how long it dries, and never for less than it did', () => {
    const change = { kind: 'dryLonger', from: 0.4, to: 1, chanceBefore: 0.4, chanceAfter: 0.1 } as const;
    expect(planWithChange(PLAN, change, 'outside')?.dryHours).toBe(12);
    expect(planWithChange({ ...PLAN, dryHours: 24 }, change, 'outside')?.dryHours).toBe(24);
  });

  it('thinner where the fault is, and nowhere else', () => {
    const plan = planWithChange(PLAN, change('thinnerCoat', { from: 0.9, to: 0.6 }), 'outside')!;
    expect(plan.zones.outside.map(({ coatMm }) => coatMm)).toEqual([0.4, 0.6]);
    expect(plan.zones.inside).toEqual(PLAN.zones.inside);
  });

  it('a rim without coats of its own has those of the outside', () => {
    expect(planWithChange(PLAN, change('otherOrder'), 'rim')!.zones.outside.map(({ id }) => id)).toEqual(['top', 'low']);
    expect(planWithChange(PLAN, change('otherOrder'), 'inside')).toBeUndefined();
  });

  it('inside and outside are evened, the edge goes up, the place cools', () => {
    const evened = planWithChange(PLAN, change('evenCoats'), 'outside')!;
    expect(evened.zones.outside.reduce((sum, { coatMm }) => sum + coatMm, 0)).toBeCloseTo(1.3 * 0.5, 1);
    expect(planWithChange(PLAN, change('higherEdge', { from: 8, to: 13.2 }), 'outside')!.waxFootMm).toBe(14);
    const cooler = planWithChange({ ...PLAN, firing: { placeCelsius: 12, holdMinutes: 10 } }, change('coolerPlace'), 'outside')!;
    expect(cooler.firing).toEqual({ holdMinutes: 10, place: 'cool' });
  });

  it('a habit changes no plan', () => {
    expect(planWithChange(PLAN, change('wipe'), 'outside')).toBeUndefined();
  });
});

describe('a change becomes a new schedule', () => {
  const CONE_6: FiringSchedule = {
    segments: [
      { celsiusPerHour: 150, toCelsius: 600, holdMinutes: 0 },
      { celsiusPerHour: 200, toCelsius: 1_215, holdMinutes: 5 },
      { celsiusPerHour: 60, toCelsius: 950, holdMinutes: 0 },
    ],
  };
  const fastest = (schedule: FiringSchedule, from: number, until: number): number => {
    const points = scheduleCurve(schedule);
    return Math.max(
      ...points.slice(1).map((point, at) => {
        const before = points[at]!;
        const isThere = before.celsius >= from - 1e-6 && point.celsius <= until + 1e-6 && point.celsius > before.celsius;
        return isThere ? (point.celsius - before.celsius) / (point.hours - before.hours) : 0;
      }),
    );
  };

  it('slower over 1,000 °C, and as fast as before below', () => {
    const slow = scheduleWithChange(CONE_6, change('slowerOver1000', { from: 200, to: 100 }))!;
    expect(fastest(slow, 1_000, 1_300)).toBeCloseTo(100, 3);
    expect(fastest(slow, 600, 1_000)).toBeCloseTo(200, 3);
  });

  it('slower through 570 °C only', () => {
    const slow = scheduleWithChange(CONE_6, change('slowerAt570', { from: 200, to: 100 }))!;
    expect(slow.segments.map(({ celsiusPerHour, toCelsius }) => [celsiusPerHour, toCelsius])).toEqual([
      [150, 520],
      [100, 600],
      [100, 620],
      [200, 1_215],
      [60, 950],
    ]);
  });

  it('a longer hold at the peak; a slower fall from it; as it falls by itself', () => {
    expect(scheduleWithChange(CONE_6, change('holdLonger', { to: 15 }))!.segments[1]!.holdMinutes).toBe(15);
    expect(scheduleWithChange(CONE_6, change('slowerFromPeak', { to: 150 }))!.segments[2]).toMatchObject({ celsiusPerHour: 150, toCelsius: 1_100 });
    expect(scheduleWithChange(CONE_6, change('fasterCooling', { to: 100 }))!.segments).toHaveLength(2);
  });

  it('whatever the schedule: what comes of a change is one that can be fired', () => {
    const segment = fc.record({
      celsiusPerHour: fc.option(fc.integer({ min: 20, max: 400 }), { nil: undefined }),
      toCelsius: fc.integer({ min: 300, max: 1_250 }),
      holdMinutes: fc.constantFrom(0, 10, 60),
    });
    const kinds = fc.constantFrom(
      'holdLonger' as const,
      'slowerOver1000' as const,
      'slowerAt570' as const,
      'slowerFromPeak' as const,
      'fasterCooling' as const,
    );
    fc.assert(
      fc.property(fc.array(segment, { minLength: 1, maxLength: 5 }), kinds, (segments, kind) => {
        const changed = scheduleWithChange({ segments }, change(kind, { to: 100 }))!;
        const peak = (of: FiringSchedule) => Math.max(...of.segments.map(({ toCelsius }) => toCelsius));
        expect(peak(changed)).toBeGreaterThanOrEqual(peak({ segments }));
        expect(changed.segments.every(({ toCelsius }) => Number.isFinite(toCelsius))).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a window that the fires show otherwise', () => {
  const kept = { windowLowMm: 0.4, windowTopMm: 0.8, coatMm: 0.42 };
  const windowSeen = { thinMm: 0.5, thickMm: 0.8 };

  it('a piece that was planned inside its window and came out thin asks for another window', () => {
    const change = changesFor({ fault: 'thin', record: kept, facts: { plannedMm: 0.42, windowSeen } }).find(({ kind }) => kind === 'moveWindow');
    expect(change).toMatchObject({ from: 0.4, to: 0.5 });
    expect(change!.chanceBefore).toBeGreaterThan(0.7);
    expect(change!.chanceAfter).toBeLessThan(0.15);
  });

  it('not where the plan was outside its window, or the fires agree with it', () => {
    const kinds = (plannedMm: number, seen: typeof windowSeen): string[] =>
      changesFor({ fault: 'thin', record: kept, facts: { plannedMm, windowSeen: seen } }).map(({ kind }) => kind);
    expect(kinds(0.35, windowSeen)).not.toContain('moveWindow');
    expect(kinds(0.42, { thinMm: 0.4, thickMm: 0.8 })).not.toContain('moveWindow');
    expect(windowChange({ fault: 'crazed', plannedMm: 0.42, kept: windowSeen, seen: windowSeen })).toBeUndefined();
  });

  it('a thick one moves the upper end; where nobody kept a window, the one that was seen is kept', () => {
    expect(windowChange({ fault: 'thick', plannedMm: 0.7, kept: { thinMm: 0.4, thickMm: 0.8 }, seen: { thinMm: 0.4, thickMm: 0.65 } })).toMatchObject(
      {
        from: 0.8,
        to: 0.65,
      },
    );
    expect(windowChange({ fault: 'thick', plannedMm: 0.7, seen: { thinMm: 0.4, thickMm: 0.65 } })).not.toHaveProperty('from');
  });
});

describe('why a piece ran', () => {
  const glaze: GlazeFacts = {
    bucketId: 'ash',
    name: 'Ceniza Clara',
    lightness: 0.7,
    sg: 1.45,
    density: 2.6,
    packing: 0.5,
    filmMm: 0.15,
    slurryState: 'normal',
    shrinkShare: 15,
    loiPercent: 8,
    flow: { flow: 250, lnSd: 0.3, basis: 'runnerTile' },
    surface: 'gloss',
    foodTested: false,
    firedPercent: {},
    unity: {},
  };
  const plan: PiecePlan = {
    ...PLAN,
    zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.6 }], rim: [], foot: [] },
  };
  const question = { plan, shape: shapeOf(plan), glazes: [glaze] };

  it('twice as long in the glaze and a cone too hot: each by how the chance falls when it is set back', () => {
    const coats = [{ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 2, seconds: 5.12 }];
    const done = { coatTimes: coatTimesOf({ coats, ranges: new Map() }), coatCauses: coatCausesOf({ coats, ranges: new Map() }) };
    expect(done.coatTimes.get('ash')).toBeGreaterThan(1.5);
    const { reach, changes } = runCauses(question, { ...done, coneReached: '7' });
    expect(reach.without.coat).toBeLessThan(reach.chance);
    expect(reach.without.cone).toBeLessThan(reach.chance);
    expect(changes.map(({ kind }) => kind)).toContain('keepSeconds');
    for (const one of changes) expect(one.chanceAfter).toBeLessThan(reach.chance);
    expect(changes.find(({ kind }) => kind === 'keepSeconds')).toMatchObject({ from: 2.56, chanceAfter: reach.without.coat! });
    expect(changes.map(({ kind }) => kind)).not.toContain('bringSg');
  });

  it('too thick by its bucket, in the planned seconds: the bucket is brought in range, nobody is told to keep the time', () => {
    const coats = [{ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 2, seconds: 2.1, sg: 1.6 }];
    const ranges = new Map([['ash', { lowSg: 1.42, highSg: 1.46 }]]);
    const { reach, changes } = runCauses(question, { coatTimes: coatTimesOf({ coats, ranges }), coatCauses: coatCausesOf({ coats, ranges }) });
    const kinds = changes.map(({ kind }) => kind);
    expect(kinds).not.toContain('keepSeconds');
    const sg = changes.find(({ kind }) => kind === 'bringSg')!;
    expect(sg.from).toBeCloseTo(0.14, 9);
    expect(sg.chanceAfter).toBeLessThan(reach.chance);
  });

  it('a glaze, or a pair, that flows further than was thought is told by what was thought before', () => {
    const slower = question.glazes.map((glaze) => ({ ...glaze, flow: { ...glaze.flow, flow: glaze.flow.flow / 4 } }));
    const { reach } = runCauses(question, { coatTimes: new Map(), thought: { glazes: slower } });
    expect(reach.without.flow).toBeLessThan(reach.chance);
    const overlaps = [{ a: 'white', b: 'ash', omega: 2.5, lnSd: 0.2 }];
    const over = { id: 'b', bucketId: 'white', method: 'dip', coatMm: 0.3 } as const;
    const both = { ...plan, zones: { ...plan.zones, outside: [...plan.zones.outside, over] } };
    const glazes = [glaze, { ...glaze, bucketId: 'white' }];
    const pair = runCauses({ ...question, plan: both, glazes, overlaps }, { coatTimes: new Map(), thought: { overlaps: [] } });
    expect(pair.reach.without.overlap).toBeLessThan(pair.reach.chance);
    expect(pair.reach.without.flow).toBeUndefined();
  });

  it('a foot that was neither waxed nor wiped: glaze began at the shelf', () => {
    const { reach } = runCauses(question, { coatTimes: new Map(), edgeMm: 0 });
    expect(reach.chance).toBeGreaterThan(0.9);
    expect(reach.without.edge).toBeLessThan(reach.chance);
    const asMeant = runCauses(question, { coatTimes: new Map(), edgeMm: plan.waxFootMm });
    expect(asMeant.reach.without.edge).toBe(asMeant.reach.chance);
  });

  it('held longer than planned: the cone that was read holds it, and it falls with the hold set back', () => {
    const held = runCauses(question, { coatTimes: new Map(), coneReached: '6', heldLongerMinutes: 30 });
    expect(held.reach.without.hold).toBeLessThan(held.reach.chance);
    const kept = runCauses(question, { coatTimes: new Map(), coneReached: '6', heldLongerMinutes: 4 });
    expect(kept.reach.without.hold).toBe(kept.reach.chance);
    // Without a cone that was read nobody knows what the hold did.
    expect(runCauses(question, { coatTimes: new Map(), heldLongerMinutes: 30 }).reach.without).not.toHaveProperty('hold');
  });

  it('flutes that lead it down, and a handle, are told by how it ran without them', () => {
    const fluted = { ...plan, textures: { outside: { kind: 'flutes', pitchMm: 8, valleyMm: 3 } as const } };
    const { reach } = runCauses({ ...question, plan: fluted }, { coatTimes: new Map() });
    expect(reach.without.grooves).toBeLessThan(reach.chance);
    const mug: PiecePlan = { ...plan, shapeId: 'mug' };
    const ofMug = runCauses({ ...question, plan: mug, shape: shapeOf(mug) }, { coatTimes: new Map() });
    expect(ofMug.reach.without.handle).toBeLessThanOrEqual(ofMug.reach.chance);
  });

  it('as planned, and it ran: the plan itself is too thick or starts too low', () => {
    const { reach, changes } = runCauses(question, { coatTimes: new Map() });
    expect(Object.keys(reach.without).sort()).toEqual(['grooves', 'handle']);
    const kinds = changes.map(({ kind }) => kind);
    expect(kinds.every((kind) => ['higherEdge', 'thinnerCoat'].includes(kind))).toBe(true);
    expect(kinds.length).toBeGreaterThan(0);
    const [best] = changes;
    const better = planWithChange(plan, best!, 'outside')!;
    expect(runCauses({ ...question, plan: better }, { coatTimes: new Map() }).reach.chance).toBeCloseTo(best!.chanceAfter, 2);
  });
});

describe('the ledger of changes', () => {
  const made: MadeChange = { pieceId: 'platter', fault: 'crawled', kind: 'thinnerCoat', madeAt: '2026-03-01T09:00:00Z' };
  const piece = (resultId: string, doneAt: string, faults: TriedPiece['faults'] = [], pieceId = 'platter'): TriedPiece => ({
    resultId,
    pieceId,
    doneAt,
    faults,
  });

  it('is not tried before something of that plan was glazed and read', () => {
    expect(changeOutcome(made, [piece('a', '2026-02-20T09:00:00Z', ['crawled']), piece('b', '2026-03-05T09:00:00Z', [], 'cup')])).toEqual({
      kind: 'notTried',
    });
  });

  it('helped where the next ones of that plan no longer have the fault; later ones do not speak for it', () => {
    const next = [piece('c', '2026-03-05T09:00:00Z'), piece('d', '2026-03-05T09:00:00Z'), piece('e', '2026-03-05T09:00:00Z', ['crawled'])];
    expect(changeOutcome(made, [...next, piece('f', '2026-03-20T09:00:00Z', ['crawled'])])).toEqual({
      kind: 'helped',
      pieces: 3,
      faulty: 1,
      resultId: 'c',
    });
    expect(changeOutcome(made, [piece('g', '2026-03-05T09:00:00Z', ['crawled'])])).toMatchObject({ kind: 'notHelped', faulty: 1 });
    expect(changeOutcome(made, [piece('h', '2026-03-05T09:00:00Z', ['pinholed'])])).toMatchObject({ kind: 'helped' });
  });

  it('says how often such a change helped here', () => {
    const tried = { change: made, outcome: changeOutcome(made, [piece('c', '2026-03-05T09:00:00Z')]) };
    const not = { change: { ...made, pieceId: 'cup' }, outcome: changeOutcome(made, []) };
    expect(helpedBefore(made, [tried, not])).toEqual({ tried: 1, helped: 1 });
    expect(helpedBefore({ kind: 'wipe', fault: 'crawled' }, [tried, not])).toEqual({ tried: 0, helped: 0 });
  });
});
