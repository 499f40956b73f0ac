import { v7 as uuid } from 'uuid';
import { kilnToLoad, loadPieces, lotFromItem, planLoad, type LoadEvent, type LoadLot } from '@cazuela/core';
import { appendToStream } from '../apps/server/src/features/events/append-events';
import type { DemoLoad } from './demo-load';
import type { LoadedDay } from './load-days';
import type { LoadedKiln } from './load-kilns';

/** The load for the fair: planters that are dry, and places kept for what is glazed today. */
export async function loadKilnLoad(load: DemoLoad, days: readonly LoadedDay[], kiln: LoadedKiln): Promise<void> {
  const id = uuid();
  await load.context.models.loads.create(
    { id, studioId: load.studioId, version: 1, kilnId: kiln.id, createdAt: new Date(load.clock.ago({ hours: 1 })) },
    { transaction: load.transaction },
  );
  const lots = days.flatMap(({ id: dayId, items }) =>
    items.flatMap((item): LoadLot[] => {
      const lot = lotFromItem(item, { id: item.id, dayId });
      return lot ? [lot] : [];
    }),
  );
  const { shelves } = planLoad(loadPieces(lots), kilnToLoad(kiln.body, kiln.heightCelsius));
  const head = (seconds: number): { id: string; at: string; by: string } => ({
    id: uuid(),
    at: load.clock.ago({ minutes: 60 - seconds / 60 }),
    by: 'Inés',
  });
  const events: LoadEvent[] = [
    ...lots.map((lot, at): LoadEvent => ({ ...head(at), type: 'lotAdded', lot })),
    { ...head(lots.length), type: 'placesSet', shelves: shelves.map(({ pieces }) => ({ id: uuid(), pieces })) },
  ];
  await appendToStream(load.context, { studioId: load.studioId, stream: 'load', streamId: id }, events, load.transaction);
}
