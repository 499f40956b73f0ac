import { v7 as uuid } from 'uuid';
import {
  chosenOrder,
  dayItemFromPiece,
  glazeFacts,
  PIECE_SHAPES,
  timeSteps,
  type BucketContents,
  type DayEvent,
  type DayItem,
  type GlazeFacts,
} from '@cazuela/core';
import { appendToStream } from '../apps/server/src/features/events/append-events';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';
import type { LoadedPiece } from './load-pieces';

/** Today's list, half way: pots dry enough, cups drying, platters not begun. */
export async function loadDays(load: DemoLoad, pieces: readonly LoadedPiece[], buckets: LoadedBuckets): Promise<void> {
  const glazes = await factsOf(load, buckets);
  const [, liddedPots, platters, cups] = pieces as [LoadedPiece, LoadedPiece, LoadedPiece, LoadedPiece];
  const items = [liddedPots, cups, platters].map((piece) => itemOf(piece, glazes));
  const id = uuid();
  await load.context.models.days.create(
    { id, studioId: load.studioId, version: 1, date: load.clock.localDate(0), items, createdAt: new Date(load.clock.ago({ hours: 2 })) },
    { transaction: load.transaction },
  );
  const [potItem, cupItem] = items as [DayItem, DayItem];
  const done = (item: DayItem, index: number, minutesAgo: number, by: string): DayEvent => {
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
    };
  };
  const events = [
    done(potItem, 0, 100, 'Bruno'),
    done(potItem, 1, 84, 'Bruno'),
    done(cupItem, 0, 60, 'Maia'),
    done(potItem, 2, 40, 'Bruno'),
    done(cupItem, 1, 7, 'Maia'),
  ];
  await appendToStream(load.context, { studioId: load.studioId, stream: 'day', streamId: id }, events, load.transaction);
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
