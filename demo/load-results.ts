import { v7 as uuid } from 'uuid';
import { type BenchSight, type FiringPoint, scheduleCurve, seededUniform, thinLog } from '@cazuela/core';
import type { FAULTS, FiringBody, Result, ResultChangeBody } from '@cazuela/contract';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';
import { factsOf, itemOf } from './load-days';
import type { LoadedPiece } from './load-pieces';
import { conesOn, loadKilns, type LoadedKiln, type LoadedSchedule } from './load-kilns';
import { keepLog, readLog } from './load-logs';
import { potPicture } from './picture';

type Fault = (typeof FAULTS)[number];

interface ResultStory {
  piece: number;
  stars: number;
  faults: { fault: Fault; where: 'inside' | 'outside' | 'rim' | 'foot' }[];
  note: string;
  /** At its last coat. */
  seen?: BenchSight[];
}

/** Peak at which the demo's kilns, with their hold and cooling, reach cone 6. */
const CONE_6_PEAK = 1206;

/** The firing of which a log is there, and what it went through. */
const LOGGED = 1;
const HALF_AN_HOUR = { fromSeconds: 6 * 3_600, untilSeconds: 6.5 * 3_600 };

/** What came out of the kiln, newest firing first. */
const STORIES: readonly ResultStory[][] = [
  [
    { piece: 1, stars: 4, faults: [], note: 'Ceniza breaks over the amber just as drawn; 5 mm to spare.' },
    { piece: 2, stars: 5, faults: [], note: 'The sea is back. Keep.' },
  ],
  [
    {
      piece: 5,
      stars: 2,
      faults: [
        { fault: 'ran', where: 'outside' },
        { fault: 'stuck', where: 'foot' },
      ],
      note: 'Ash too thick on the shoulder, ran to the shelf.',
    },
    { piece: 0, stars: 4, faults: [], note: '' },
  ],
  [
    { piece: 2, stars: 2, faults: [{ fault: 'thin', where: 'outside' }], note: 'Grey and dry: one quick dip was not enough.' },
    { piece: 4, stars: 3, faults: [{ fault: 'pinholed', where: 'outside' }], note: 'Pinholes on the shoulder only.' },
    { piece: 3, stars: 5, faults: [], note: 'Best lips so far.' },
  ],
  [
    {
      piece: 5,
      stars: 1,
      faults: [{ fault: 'crawled', where: 'rim' }],
      note: 'Retama flaked off the ash before it went in.',
      seen: ['powderyBelow', 'hairlines'],
    },
  ],
  [
    { piece: 0, stars: 3, faults: [{ fault: 'dull', where: 'inside' }], note: 'Grillo was half a cone soft.' },
    { piece: 3, stars: 4, faults: [], note: '' },
  ],
];

/** Six months of firings; the newest is cooling, its results are still to be read. */
export async function loadResults(
  load: DemoLoad,
  pieces: readonly LoadedPiece[],
  buckets: LoadedBuckets,
): Promise<{ kilns: LoadedKiln[]; schedules: LoadedSchedule[] }> {
  const random = seededUniform(41);
  const glazes = await factsOf(load, buckets);
  const { kilns, schedules } = await loadKilns(load);
  const [abuela, grillo] = kilns as [LoadedKiln, LoadedKiln];
  const slow = asFired(schedules[0]!);
  const wanted = scheduleCurve(slow);
  const lit = { startedAt: load.clock.ago({ hours: 13, minutes: 20 }), points: wanted, witnessCone: null, schedule: slow };
  const readings = readLog(abuela, wanted, { hours: 13.3 });
  await keepLog(load, { firingId: await createFiring(load, abuela, lit), kiln: abuela, startedAt: lit.startedAt, readings, isRunning: true });
  for (let i = 0; i < 14; i++) {
    const kiln = i % 4 === 3 ? grillo : abuela;
    const soft = i === 4 ? 14 : Math.round(random() * 8 - 4);
    const startedAt = load.clock.ago({ days: 12 * i + 3, hours: 5 });
    // One of them was read by its controller, through half an hour without power.
    const log = i === LOGGED ? readLog(kiln, wanted, { hours: 44, trouble: { powerCuts: [HALF_AN_HOUR] } }) : undefined;
    const points = log ? wanted : curve(CONE_6_PEAK - soft, kiln === grillo ? 0.6 : 1);
    const seen = log ? thinLog(log).map(({ seconds, celsius }) => ({ hours: seconds / 3_600, celsius })) : points;
    // Of the last firings, cones were read on the shelves of the large one.
    const names = kiln === abuela && i > 0 && i < 6 ? ['Lowest', 'Third', 'Top'].slice(0, 1 + (i % 3)) : [];
    const witnesses = conesOn(kiln, seen, { names, elsewhere: Math.round(random() * 6 - 3) });
    const firingId = await createFiring(load, kiln, {
      startedAt,
      points,
      witnessCone: soft > 10 ? '5' : '6',
      witnesses,
      ...(log ? { schedule: slow } : {}),
    });
    if (log) await keepLog(load, { firingId, kiln, startedAt, readings: log, isRunning: false });
    for (const [index, story] of (STORIES[i] ?? []).entries()) {
      const piece = pieces[story.piece]!;
      const glaze = piece.body.plan.zones.outside[0] ?? piece.body.plan.zones.inside[0]!;
      const colour = [...buckets.values()].find((bucket) => bucket.id === glaze.bucketId)!.colour;
      const picture = await potPicture({ colour, shapeId: piece.body.plan.shapeId, seed: 10 * i + index, fault: story.faults[0]?.fault });
      const photoId = uuid();
      const createdAt = new Date(load.clock.ago({ days: 12 * i + 1, hours: index }));
      await load.context.models.photos.create({ id: photoId, studioId: load.studioId, ...picture, createdAt }, { transaction: load.transaction });
      // What came out thin was in the glaze for half of its time, what ran for much longer.
      const has = (fault: Fault): boolean => story.faults.some((one) => one.fault === fault);
      const share = has('thin') ? 0.5 : has('ran') ? 3 : 1;
      const { steps } = itemOf(piece, glazes);
      const lastCoat = steps.findLast(({ kind }) => kind === 'layer');
      const glazedWith: Result['glazedWith'] = steps.map((step) => ({
        words: step.words,
        bucketId: step.bucketId ?? null,
        bucketName: step.bucketName ?? null,
        bucketCode: null,
        sg: step.bucketId ? sgOfThatDay(buckets, step.bucketId, random) : null,
        coatMm: step.coatMm ?? null,
        seconds: step.seconds === undefined ? null : Math.round(10 * share * step.seconds) / 10,
        ...(step.seconds === undefined ? {} : { plannedSeconds: step.seconds }),
        doneAt: load.clock.ago({ days: 12 * i + 4 }),
        record: {
          kind: step.kind,
          ...(step.layerIds ? { layerIds: step.layerIds } : {}),
          isSkipped: false,
          ...(step === lastCoat && story.seen ? { seen: story.seen } : {}),
        },
      }));
      const id = uuid();
      await load.context.models.results.create(
        {
          id,
          studioId: load.studioId,
          version: 1,
          pieceId: piece.id,
          firingId,
          photoId,
          body: {
            pieceId: piece.id,
            firingId,
            coneReached: soft > 10 ? '5' : '6',
            stars: story.stars,
            faults: story.faults,
            ...(story.faults.some(({ fault }) => fault === 'ran' || fault === 'stuck') ? {} : { foot: 'clean' }),
            note: story.note,
            photoId,
          },
          glazedWith,
          createdAt,
        },
        { transaction: load.transaction },
      );
      if (has('thin')) await keepSeconds(load, { resultId: id, pieceId: piece.id, at: load.clock.ago({ days: 12 * i }) });
    }
  }
  return { kilns, schedules };
}

/** Maia wrote it into the ledger; the next platter of that plan came out as it should. */
async function keepSeconds(load: DemoLoad, { resultId, pieceId, at }: { resultId: string; pieceId: string; at: string }): Promise<void> {
  const body: ResultChangeBody = {
    resultId,
    pieceId,
    fault: 'thin',
    where: 'outside',
    kind: 'keepSeconds',
    from: 0.5,
    to: 1,
    chanceBefore: 0.51,
    chanceAfter: 0.02,
    decision: 'made',
    reason: '',
    at,
    by: 'Maia',
  };
  const { models } = load.context;
  await models.resultChanges.create({ id: uuid(), studioId: load.studioId, body, madeAt: new Date(at) }, { transaction: load.transaction });
}

/** Somewhere in the range of its glaze. */
function sgOfThatDay(buckets: LoadedBuckets, bucketId: string, random: () => number): number {
  const { sgLow, sgHigh } = [...buckets.values()].find((bucket) => bucket.id === bucketId)?.recipe?.body ?? { sgLow: 1.46, sgHigh: 1.54 };
  return Number((sgLow + random() * (sgHigh - sgLow)).toFixed(2));
}

async function createFiring(
  load: DemoLoad,
  { id: kilnId, body: { name } }: LoadedKiln,
  firing: Pick<FiringBody, 'startedAt' | 'points' | 'witnessCone' | 'witnesses' | 'schedule'>,
): Promise<string> {
  const id = uuid();
  const { startedAt, witnesses = [], ...rest } = firing;
  const body: FiringBody = { kiln: name, kilnId, startedAt, wantedCone: '6', ...rest, ...(witnesses.length > 0 ? { witnesses } : {}) };
  await load.context.models.firings.create(
    { id, studioId: load.studioId, version: 1, startedAt: new Date(startedAt), body },
    { transaction: load.transaction },
  );
  return id;
}

/** A schedule as a firing keeps it. */
const asFired = ({ id, body: { name, segments } }: LoadedSchedule): NonNullable<FiringBody['schedule']> => ({ id, version: 1, name, segments });

/** A cone 6 firing that ends at a peak; a small kiln goes faster. */
function curve(peak: number, pace: number): FiringPoint[] {
  const at = (hours: number, celsius: number): FiringPoint => ({ hours: Number((hours * pace).toFixed(3)), celsius });
  return [at(0, 20), at(2, 120), at(5, 600), at(8, peak - 100), at(9.6667, peak), at(9.8334, peak), at(15, 600), at(20, 200), at(24, 60)];
}
