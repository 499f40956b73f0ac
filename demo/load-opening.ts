import { v7 as uuid } from 'uuid';
import {
  kilnToLoad,
  loadPieces,
  lotFromItem,
  planLoad,
  scheduleCurve,
  type DayEvent,
  type DayItem,
  type LoadEvent,
  type LoadLot,
} from '@cazuela/core';
import type { FiringBody } from '@cazuela/contract';
import { appendToStream } from '../apps/server/src/features/events/append-events';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';
import { factsOf, itemOf } from './load-days';
import type { LoadedKiln, LoadedSchedule } from './load-kilns';
import type { LoadedPiece } from './load-pieces';

/** A tile as it stands in a kiln, mm. */
const TILE = { kind: 'box', widthMm: 60, depthMm: 40 } as const;
const CUPS = 4;
const BOTTLES = 2;
/** The last of the cups were in the glaze for longer than planned. */
const SECONDS_SHARE = 1.5;

/** Yesterday’s firing of the small kiln: cool by now, its cups and bottles are still to be read. */
export async function loadOpening(
  load: DemoLoad,
  { pieces, buckets, kiln, schedule }: { pieces: readonly LoadedPiece[]; buckets: LoadedBuckets; kiln: LoadedKiln; schedule: LoadedSchedule },
): Promise<void> {
  const { context, studioId, transaction, clock } = load;
  const glazes = await factsOf(load, buckets);
  const [cups, bottles] = [pieces[3]!, pieces[4]!];
  const items: DayItem[] = [
    { ...itemOf(cups, glazes), code: 'A', count: CUPS },
    { ...itemOf(bottles, glazes), code: 'B', count: BOTTLES },
  ];
  const dayId = uuid();
  const day = {
    id: dayId,
    studioId,
    version: 1,
    date: clock.localDate(4),
    items,
    planning: null,
    createdAt: new Date(clock.ago({ days: 4, hours: 2 })),
  };
  await context.models.days.create(day, { transaction });
  const steps = items.flatMap((item) => item.steps.map((step) => ({ step, isLong: item === items[0] })));
  const done = steps.map(({ step, isLong }, at): DayEvent => {
    const sg = glazes.find((glaze) => glaze.bucketId === step.bucketId)?.sg;
    const seconds = step.seconds && Number((step.seconds * (isLong ? SECONDS_SHARE : 1)).toFixed(1));
    return {
      id: uuid(),
      at: clock.ago({ days: 4, minutes: 20 * (steps.length - at) }),
      by: 'Maia',
      type: 'stepDone',
      stepId: step.id,
      ...(seconds ? { seconds } : {}),
      ...(sg ? { sg } : {}),
    };
  });
  await appendToStream(context, { studioId, stream: 'day', streamId: dayId }, done, transaction);

  const firingId = uuid();
  const startedAt = clock.ago({ hours: 44 });
  const { name, segments } = schedule.body;
  const body: FiringBody = {
    kiln: kiln.body.name,
    kilnId: kiln.id,
    startedAt,
    wantedCone: '6',
    witnessCone: '6',
    points: scheduleCurve(schedule.body),
    schedule: { id: schedule.id, version: 1, name, segments },
  };
  await context.models.firings.create({ id: firingId, studioId, version: 1, startedAt: new Date(startedAt), body }, { transaction });

  const loadId = uuid();
  await context.models.loads.create(
    { id: loadId, studioId, version: 1, kilnId: kiln.id, createdAt: new Date(clock.ago({ hours: 46 })) },
    { transaction },
  );
  const lots: LoadLot[] = [...items.flatMap((item) => lotFromItem(item, { id: item.id, dayId }) ?? []), ...(await unreadTiles(load))];
  const { shelves } = planLoad(loadPieces(lots), kilnToLoad(kiln.body, 0));
  const head = (minutes: number): { id: string; at: string; by: string } => ({
    id: uuid(),
    at: clock.ago({ hours: 45, minutes: -minutes }),
    by: 'Bruno',
  });
  const events: LoadEvent[] = [
    ...lots.map((lot, at): LoadEvent => ({ ...head(at), type: 'lotAdded', lot })),
    { ...head(10), type: 'placesSet', shelves: shelves.map(({ pieces: places }) => ({ id: uuid(), pieces: places })) },
    { ...head(40), type: 'fired', firingId },
  ];
  await appendToStream(context, { studioId, stream: 'load', streamId: loadId }, events, transaction);
}

/** Step tiles that were fired and nobody looked at: they stood in this kiln. */
async function unreadTiles({ context, studioId, transaction }: DemoLoad): Promise<LoadLot[]> {
  const tiles = (await context.models.tiles.findAll({ where: { studioId }, transaction })).map((row) => row.get());
  return tiles
    .filter(({ body }) => body.firedAt !== undefined && body.strips.every(({ verdict }) => verdict === undefined))
    .map(({ id, code, body }) => ({
      id: uuid(),
      tileId: id,
      name: `Step tile of ${body.glazeName}`,
      code,
      count: 1,
      footprint: TILE,
      heightMm: body.highMm,
      setting: 'plate',
      wants: 'cool',
    }));
}
