import fc from 'fast-check';
import { replayBucket, splitBucket, type BucketContents, type BucketEvent, type BucketPart } from '../../src/index';

/** A studio of three buckets kept twice: by events, and by plain sums of what was moved. */
interface Studio {
  events: BucketEvent[][];
  /** Powder that came in and left, g by powder. */
  put: Record<string, number>;
  gone: Record<string, number>;
}

const KAOLIN: BucketPart = { powderId: 'kaolin', name: 'Kaolin', part: 'base', grams: 1, density: 2.6 };
const FRIT: BucketPart = { powderId: 'frit', name: 'Frit alumina-boron', part: 'base', grams: 1, density: 2.55 };
const STAIN: BucketPart = { powderId: 'stain', name: 'Stain (zircon type)', part: 'stain', grams: 1, density: 4.5 };
const BUCKETS = 3;

type Move =
  | { kind: 'powder'; bucket: number; powder: BucketPart; grams: number }
  | { kind: 'water'; bucket: number; grams: number }
  | { kind: 'measure'; bucket: number; sg: number; sgSd: number }
  | { kind: 'use'; bucket: number; share: number }
  | { kind: 'pour'; bucket: number; into: number; share: number }
  | { kind: 'takeBack'; bucket: number };

const bucket = fc.integer({ min: 0, max: BUCKETS - 1 });
const move: fc.Arbitrary<Move> = fc.oneof(
  fc.record({
    kind: fc.constant('powder' as const),
    bucket,
    powder: fc.constantFrom(KAOLIN, FRIT, STAIN),
    grams: fc.double({ min: 1, max: 4000, noNaN: true }),
  }),
  fc.record({ kind: fc.constant('water' as const), bucket, grams: fc.double({ min: 1, max: 3000, noNaN: true }) }),
  fc.record({
    kind: fc.constant('measure' as const),
    bucket,
    sg: fc.double({ min: 1.2, max: 1.7, noNaN: true }),
    sgSd: fc.double({ min: 0.002, max: 0.02, noNaN: true }),
  }),
  fc.record({ kind: fc.constant('use' as const), bucket, share: fc.double({ min: 0.01, max: 0.9, noNaN: true }) }),
  fc.record({ kind: fc.constant('pour' as const), bucket, into: bucket, share: fc.double({ min: 0.01, max: 1, noNaN: true }) }),
  fc.record({ kind: fc.constant('takeBack' as const), bucket }),
);

let count = 0;
const head = (): { id: string; at: string; by: string } => {
  count += 1;
  return { id: `e${String(count).padStart(9, '0')}`, at: new Date(Date.UTC(2026, 2, 1) + count * 61_000).toISOString(), by: 'Inés' };
};

const inside = (events: readonly BucketEvent[]): BucketContents | undefined => {
  const replay = replayBucket({ events });
  return replay.kind === 'ok' ? replay.contents : undefined;
};

/** Also rinse water in a bucket without powder. */
const waterIn = (events: readonly BucketEvent[]): number => {
  const replay = replayBucket({ events });
  return replay.kind === 'ok' ? replay.contents.waterGrams : replay.waterGrams;
};

function play(moves: readonly Move[]): Studio {
  const studio: Studio = { events: [], put: {}, gone: {} };
  const add = (sums: Record<string, number>, parts: readonly BucketPart[], share = 1): void => {
    for (const part of parts) sums[part.powderId] = (sums[part.powderId] ?? 0) + share * part.grams;
  };
  for (let index = 0; index < BUCKETS; index++) {
    const parts = [
      { ...KAOLIN, grams: 1500 },
      { ...FRIT, grams: 3500 },
    ];
    studio.events.push([{ ...head(), type: 'filled', parts, waterGrams: 5500, from: 'batch' }]);
    add(studio.put, parts);
  }
  for (const one of moves) {
    const events = studio.events[one.bucket]!;
    const now = inside(events);
    switch (one.kind) {
      case 'powder': {
        const parts = [{ ...one.powder, grams: one.grams }];
        events.push({ ...head(), type: 'powderAdded', parts, reason: 'stain' });
        add(studio.put, parts);
        break;
      }
      case 'water':
        events.push({ ...head(), type: 'waterAdded', grams: one.grams });
        break;
      case 'measure':
        events.push({ ...head(), type: 'sgMeasured', sg: one.sg, sgSd: one.sgSd });
        break;
      case 'use':
        if (!now) break;
        events.push({ ...head(), type: 'glazeTaken', millilitres: one.share * now.volumeMl, reason: 'dips' });
        add(studio.gone, now.parts, one.share);
        break;
      case 'pour': {
        if (!now || one.into === one.bucket) break;
        const takenMl = one.share * now.volumeMl;
        const poured = splitBucket({ contents: now, takenMl });
        events.push({ ...head(), type: 'glazeTaken', millilitres: takenMl, reason: 'split', ...poured });
        studio.events[one.into]!.push({ ...head(), type: 'filled', ...poured, from: 'split' });
        break;
      }
      case 'takeBack': {
        const last = events.at(-1)!;
        if (last.type !== 'powderAdded') break;
        events.push({ ...head(), type: 'undone', eventId: last.id });
        add(studio.put, last.parts, -1);
        break;
      }
    }
  }
  return studio;
}

const shuffled = fc.array(move, { minLength: 1, maxLength: 40 }).chain((moves) => fc.tuple(fc.constant(moves), fc.infiniteStream(fc.nat())));

describe('whatever hands do to three buckets', () => {
  it('every powder balances to a hundredth of a gram', () => {
    fc.assert(
      fc.property(fc.array(move, { minLength: 1, maxLength: 60 }), (moves) => {
        const { events, put, gone } = play(moves);
        for (const powderId of ['kaolin', 'frit', 'stain']) {
          const held = events.flatMap((one) => inside(one)?.parts ?? []).filter((part) => part.powderId === powderId);
          const grams = held.reduce((sum, part) => sum + part.grams, 0);
          expect(Math.abs(grams - ((put[powderId] ?? 0) - (gone[powderId] ?? 0)))).toBeLessThan(0.01);
        }
      }),
    );
  });

  it('water balances to a hundredth of a gram while nobody measures', () => {
    fc.assert(
      fc.property(fc.array(move, { minLength: 1, maxLength: 60 }), (moves) => {
        const unmeasured = moves.filter((one) => one.kind !== 'measure');
        const { events } = play(unmeasured);
        const poured = events.flat().reduce((sum, event) => sum + (event.type === 'waterAdded' ? event.grams : 0), 5500 * BUCKETS);
        const held = events.reduce((sum, one) => sum + waterIn(one), 0);
        let used = 0;
        events.forEach((one) =>
          one.forEach((event, index) => {
            if (event.type === 'glazeTaken' && event.reason === 'dips') {
              const before = inside(one.slice(0, index))!;
              used += (before.waterGrams * event.millilitres) / before.volumeMl;
            }
          }),
        );
        expect(Math.abs(held + used - poured)).toBeLessThan(0.01);
      }),
      { numRuns: 100 },
    );
  });

  it('a reading moves water only, to what that SG needs', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.2, max: 1.7, noNaN: true }), (sg) => {
        const [events] = play([]).events;
        const after = inside([...events!, { ...head(), type: 'sgMeasured', sg, sgSd: 0.005 }])!;
        expect(after.dryGrams).toBe(5000);
        expect((after.dryGrams + after.waterGrams) / after.volumeMl).toBeCloseTo(sg, 9);
      }),
    );
  });

  it('replay gives the same state in any order of arrival', () => {
    fc.assert(
      fc.property(shuffled, ([moves, stream]) => {
        for (const events of play(moves).events) {
          const keys = new Map(events.map((event) => [event.id, stream.next().value as number]));
          const arrived = [...events].sort((a, b) => keys.get(a.id)! - keys.get(b.id)!);
          expect(replayBucket({ events: arrived })).toEqual(replayBucket({ events }));
        }
      }),
    );
  });
});

describe('taking back', () => {
  const filled = (): BucketEvent => ({ ...head(), type: 'filled', parts: [{ ...KAOLIN, grams: 1000 }], waterGrams: 1000, from: 'batch' });

  it('is an event of its own, and can be taken back too', () => {
    const events: BucketEvent[] = [filled(), { ...head(), type: 'waterAdded', grams: 300 }];
    const back: BucketEvent = { ...head(), type: 'undone', eventId: events[1]!.id };
    expect(inside([...events, back])!.waterGrams).toBe(1000);
    expect(inside([...events, back, { ...head(), type: 'undone', eventId: back.id }])!.waterGrams).toBe(1300);
  });

  it('times written with and without thousandths are in the order of the clock', () => {
    const early = { ...filled(), at: '2026-03-01T09:00:00Z' };
    const late: BucketEvent = { ...head(), at: '2026-03-01T09:00:00.500Z', type: 'glazeTaken', millilitres: 500, reason: 'dips' };
    expect(replayBucket({ events: [late, early] })).toEqual(replayBucket({ events: [early, late] }));
  });
});
