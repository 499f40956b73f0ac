import { v7 as uuid } from 'uuid';
import {
  chosenOrder,
  dayItemFromPiece,
  glazeFacts,
  lotsAfter,
  PIECE_SHAPES,
  timeSteps,
  type BucketContents,
  shapeOf,
  type DayEvent,
  type DayItem,
  type DayPerson,
  type DayPlanning,
  type DayStep,
  type GlazeFacts,
  type StepDone,
} from '@cazuela/core';
import { appendToStream } from '../apps/server/src/features/events/append-events';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';
import type { LoadedPiece } from './load-pieces';

export interface LoadedDay {
  id: string;
  items: DayItem[];
}

/** The soup fair's day, half way: three people, pots dry enough, cups found wet, cazuelas behind, a bucket short, platters not begun. */
export async function loadDays(load: DemoLoad, pieces: readonly LoadedPiece[], buckets: LoadedBuckets): Promise<LoadedDay[]> {
  const glazes = await factsOf(load, buckets);
  const [cazuelas, liddedPots, platters, cups, bottles] = pieces as [LoadedPiece, LoadedPiece, LoadedPiece, LoadedPiece, LoadedPiece];
  const items = [liddedPots, cups, platters, cazuelas, bottles].map((piece, at) => ({ ...itemOf(piece, glazes), code: 'ABCDE'[at]! }));
  const id = uuid();
  await load.context.models.days.create(
    {
      id,
      studioId: load.studioId,
      version: 1,
      date: load.clock.localDate(0),
      items,
      planning: planningOf(load.clock),
      createdAt: new Date(load.clock.ago({ hours: 2 })),
    },
    { transaction: load.transaction },
  );
  const [potItem, cupItem, , cazuelaItem] = items as [DayItem, DayItem, DayItem, DayItem];
  const done = (item: DayItem, index: number, minutesAgo: number, by: string, change: Partial<StepDone> = {}): DayEvent => {
    const step = item.steps[index]!;
    const sg = glazes.find((glaze) => glaze.bucketId === step.bucketId)?.sg;
    return {
      id: uuid(),
      at: load.clock.ago({ minutes: minutesAgo }),
      by,
      type: 'stepDone',
      stepId: step.id,
      ...(step.seconds ? { seconds: Number(step.seconds.toFixed(1)) } : {}),
      ...(sg ? { sg } : {}),
      ...change,
    };
  };
  const ash = glazes.find(({ name }) => name === 'Ceniza Clara')!;
  const noted = (minutes: number, by: string): { id: string; at: string; by: string } => ({ id: uuid(), at: load.clock.ago({ minutes }), by });
  const events: DayEvent[] = [
    done(potItem, 0, 100, 'Bruno'),
    done(cazuelaItem, 0, 95, 'Inés'),
    done(potItem, 1, 90, 'Bruno'),
    done(cazuelaItem, 1, 68, 'Inés'),
    done(cupItem, 0, 24, 'Maia'),
    done(potItem, 2, 78, 'Bruno'),
    // A telephone rang: twice as long in the glaze.
    done(potItem, 3, 67, 'Bruno', longer(potItem.steps[3]!)),
    { ...noted(30, 'Bruno'), type: 'bucketShort', bucketId: ash.bucketId },
    { ...noted(28, 'Inés'), type: 'piecesOff', itemId: cazuelaItem.id, count: 1, why: 'dropped' },
    { ...noted(26, 'Inés'), type: 'stepBegun', stepId: cazuelaItem.steps[2]!.id },
    done(cupItem, 1, 9, 'Maia'),
    { ...noted(2, 'Maia'), type: 'notDryYet', stepId: cupItem.steps[1]!.id, minutes: 10 },
  ];
  await appendToStream(load.context, { studioId: load.studioId, stream: 'day', streamId: id }, events, load.transaction);
  return [await finishedDay(load, pieces[5]!, glazes), { id, items: lotsAfter(items, events) }];
}

/** The day before yesterday Oriol glazed the planters: dry by now, they wait for the kiln. */
async function finishedDay(load: DemoLoad, planters: LoadedPiece, glazes: readonly GlazeFacts[]): Promise<LoadedDay> {
  const id = uuid();
  const item = { ...itemOf(planters, glazes), code: 'A' };
  await load.context.models.days.create(
    {
      id,
      studioId: load.studioId,
      version: 1,
      date: load.clock.localDate(2),
      items: [item],
      planning: null,
      createdAt: new Date(load.clock.ago({ days: 2, hours: 1 })),
    },
    { transaction: load.transaction },
  );
  const events = item.steps.map((step, at): DayEvent => ({
    id: uuid(),
    at: load.clock.ago({ days: 2, minutes: 30 * (item.steps.length - at) }),
    by: 'Oriol',
    type: 'stepDone',
    stepId: step.id,
    ...(step.seconds ? { seconds: Number(step.seconds.toFixed(1)) } : {}),
  }));
  await appendToStream(load.context, { studioId: load.studioId, stream: 'day', streamId: id }, events, load.transaction);
  return { id, items: [item] };
}

/** The last pot stayed in for longer, and the middle one counts for the lot. */
function longer({ seconds }: DayStep): Partial<StepDone> {
  if (seconds === undefined) return {};
  const pieces = [1.9, 2.1, 1.8].map((times) => ({ seconds: Number((times * seconds).toFixed(1)) }));
  return { seconds: pieces[0]!.seconds, pieces, isTouchedUp: true };
}

/** Three of the four are there, since two hours and for eight more. */
function planningOf(clock: DemoLoad['clock']): DayPlanning {
  const [fromTime, untilTime] = [clock.clockTime(-2), clock.clockTime(8)];
  const pause = { fromTime: clock.clockTime(3), untilTime: clock.clockTime(3.75) };
  // Opened late in the evening, the demo's day ends before its break.
  const breaks = pause.fromTime < pause.untilTime && pause.untilTime < untilTime ? [pause] : [];
  const people: DayPerson[] = [
    { name: 'Inés', fromTime, untilTime, breaks, doesNotDo: ['spray'] },
    { name: 'Bruno', fromTime, untilTime, breaks, doesNotDo: [] },
    { name: 'Maia', fromTime, untilTime, breaks, doesNotDo: ['brush'] },
  ];
  return { people, pins: [], order: [], deadlineAt: clock.ago({ hours: -30 }) };
}

export function itemOf(piece: LoadedPiece, glazes: readonly GlazeFacts[]): DayItem {
  const shape = PIECE_SHAPES.find((candidate) => candidate.id === piece.body.plan.shapeId)!;
  const steps = timeSteps({ steps: chosenOrder({ plan: piece.body.plan, glazes }), glazes, body: piece.clay, wallMm: shape.wallMm });
  return dayItemFromPiece({
    pieceId: piece.id,
    name: piece.body.name,
    count: piece.body.count,
    waxFootMm: piece.body.plan.waxFootMm,
    steps,
    glazes,
    plan: piece.body.plan,
    shape: shapeOf(piece.body.plan),
    lot: { pieceVersion: 1, clayBodyId: piece.clay.id },
    newId: uuid,
  });
}

export async function factsOf({ context, studioId, transaction }: DemoLoad, buckets: LoadedBuckets): Promise<GlazeFacts[]> {
  const rows = await context.models.buckets.findAll({ where: { studioId }, transaction });
  const powders = [...buckets.values()].find((bucket) => bucket.recipe)!.recipe!.powders;
  return rows.map((row) => {
    const bucket = row.get();
    const recipe = [...buckets.values()].find((candidate) => candidate.id === bucket.id)?.recipe;
    return glazeFacts({
      bucketId: bucket.id,
      name: bucket.name,
      colour: bucket.body.colour,
      surface: recipe?.body.surface ?? 'unknown',
      movement: recipe?.body.movement ?? 'unknown',
      foodTested: recipe?.body.foodTested ?? false,
      contents: bucket.contents as BucketContents,
      powders,
    });
  });
}
