import { v7 as uuid } from 'uuid';
import type { KilnBody, ScheduleBody } from '@cazuela/contract';
import { coneReached, heightShareOf, shiftedFiring, type FiringPoint, type ShelfWitness } from '@cazuela/core';
import type { DemoLoad } from './demo-load';

export interface LoadedKiln {
  id: string;
  body: KilnBody;
  /** How it really is, °C: in the middle of its height, and from floor to lid. What cones show comes from it. */
  middleCelsius: number;
  heightCelsius: number;
}

export interface LoadedSchedule {
  id: string;
  body: ScheduleBody;
}

const shelf = (name: string, heightMm: number): KilnBody['shelves'][number] => ({ id: uuid(), name, heightMm });

/** "Abuela", front-loading, whose top is hot; "Grillo", small, of which nobody has read a cone yet. */
export async function loadKilns({ context, studioId, transaction }: DemoLoad): Promise<{ kilns: LoadedKiln[]; schedules: LoadedSchedule[] }> {
  const kilns: LoadedKiln[] = [
    {
      id: uuid(),
      middleCelsius: -3,
      heightCelsius: 17,
      body: {
        name: 'Abuela',
        chamber: { kind: 'rectangular', widthMm: 620, depthMm: 580, heightMm: 900 },
        shelves: [shelf('Lowest', 60), shelf('Second', 280), shelf('Third', 490), shelf('Top', 700)],
        postsMm: [50, 50, 50, ...Array<number>(6).fill(100), ...Array<number>(6).fill(150), ...Array<number>(3).fill(200)],
        powerWatts: 18_000,
        mostCelsius: 1_300,
        thermocoupleMm: 480,
        shelfCarriesGrams: 25_000,
        note: 'Opened at the front; the lowest shelf on three short posts.',
      },
    },
    {
      id: uuid(),
      middleCelsius: 2,
      heightCelsius: -6,
      body: {
        name: 'Grillo',
        chamber: { kind: 'round', diameterMm: 360, heightMm: 420 },
        shelves: [shelf('Lower', 40), shelf('Upper', 220)],
        postsMm: [150, 150, 150],
        powerWatts: 4_500,
        mostCelsius: 1_280,
        thermocoupleMm: 210,
        note: 'For tests and small loads.',
      },
    },
  ];
  for (const { id, body } of kilns) await context.models.kilns.create({ id, studioId, version: 1, name: body.name, body }, { transaction });
  return { kilns, schedules: await loadSchedules({ context, studioId, transaction }) };
}

/** How the studio fires: glaze to cone 6, and bisque. */
async function loadSchedules({ context, studioId, transaction }: Pick<DemoLoad, 'context' | 'studioId' | 'transaction'>): Promise<LoadedSchedule[]> {
  const bodies: ScheduleBody[] = [
    {
      name: 'Cone 6, slow end',
      wantedCone: '6',
      segments: [
        { celsiusPerHour: 80, toCelsius: 120, holdMinutes: 30 },
        { celsiusPerHour: 140, toCelsius: 1_100, holdMinutes: 0 },
        { celsiusPerHour: 60, toCelsius: 1_206, holdMinutes: 10 },
        { celsiusPerHour: 80, toCelsius: 950, holdMinutes: 0 },
      ],
      note: 'The last hundred degrees slowly; down slowly to 950 for Marisma.',
    },
    {
      name: 'Bisque, cone 05',
      wantedCone: '05',
      segments: [
        { celsiusPerHour: 50, toCelsius: 120, holdMinutes: 120 },
        { celsiusPerHour: 100, toCelsius: 600, holdMinutes: 0 },
        { celsiusPerHour: 120, toCelsius: 1_015, holdMinutes: 20 },
      ],
      note: 'Two hours of drying first.',
    },
  ];
  const schedules = bodies.map((body) => ({ id: uuid(), body }));
  for (const { id, body } of schedules)
    await context.models.schedules.create({ id, studioId, version: 1, name: body.name, body, earlier: [] }, { transaction });
  return schedules;
}

/** Cones of some shelves, as an eye reads them to a quarter; `elsewhere` is how much hotter that firing was everywhere, °C. */
export function conesOn(
  kiln: LoadedKiln,
  points: readonly FiringPoint[],
  { names, elsewhere }: { names: readonly string[]; elsewhere: number },
): ShelfWitness[] {
  return kiln.body.shelves
    .filter(({ name }) => names.includes(name))
    .flatMap((one): ShelfWitness[] => {
      const offset = kiln.middleCelsius + kiln.heightCelsius * (heightShareOf(one, kiln.body.chamber) - 0.5) + elsewhere;
      const cone = coneReached({ firing: shiftedFiring(points, offset) });
      if (cone.kind !== 'between') return [];
      return [{ shelfId: one.id, lower: cone.lower, upper: cone.upper, fraction: Math.round(4 * cone.fraction) / 4 }];
    });
}
