import type { Kiln, Schedule } from '@cazuela/contract';
import { id } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { readSchedule, NEW_SCHEDULE } from './schedule-draft';
import { SchedulePage } from './schedule-page';

const KILN: Kiln = {
  id: id(),
  version: 1,
  body: {
    name: 'Grillo',
    chamber: { kind: 'round', diameterMm: 360, heightMm: 420 },
    shelves: [],
    postsMm: [],
    powerWatts: 4500,
    mostCelsius: 1280,
    note: '',
  },
};
const SCHEDULE: Schedule = {
  id: id(),
  version: 2,
  body: {
    name: 'Cone 6',
    wantedCone: '6',
    segments: [
      { celsiusPerHour: 120, toCelsius: 1100, holdMinutes: 0 },
      { celsiusPerHour: 60, toCelsius: 1206, holdMinutes: 10 },
    ],
    note: '',
  },
  earlier: [
    {
      version: 1,
      until: '2026-03-01T10:00:00.000Z',
      body: { name: 'Cone 6', wantedCone: '6', segments: [{ celsiusPerHour: 150, toCelsius: 1190, holdMinutes: 30 }], note: '' },
    },
  ],
};

describe('a schedule of firings', () => {
  let records: FakeRecords;
  const open = async (which = SCHEDULE.id): Promise<Screen<SchedulePage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(SchedulePage, { id: which });
    records.answer('/schedules', [SCHEDULE]);
    records.answer('/kilns', [KILN]);
    records.answer('/firings', []);
    records.answer('/loads', []);
    await screen.settle();
    return screen;
  };

  it('tells what its steps do while they are typed: cone, hours, energy', async () => {
    const screen = await open();
    expect(screen.text).toMatch(/Cone 6 by these steps/);
    expect(screen.text).toMatch(/\d+ h until it can be opened/);
    const before = /About (\d+) kWh/.exec(screen.text)![1]!;
    expect(screen.text).toContain('Grillo can follow it, by its card.');
    await screen.press('A step');
    await screen.press('Take step 2 away');
    await screen.press('Take step 2 away');
    expect(screen.text).not.toMatch(/Cone 6 by these steps/);
    expect(Number(/About (\d+) kWh/.exec(screen.text)![1])).toBeLessThan(Number(before));
  });

  it('what the kiln cannot follow is said before', async () => {
    const screen = await open();
    await screen.type('Rate an hour', '900');
    await screen.leave('Rate an hour');
    expect(screen.text).toMatch(/Grillo cannot follow from .* °C: 900 °C\/h wanted, about \d+ °C\/h can come/);
  });

  it('is kept at its version, and an earlier one is taken up again', async () => {
    const screen = await open();
    expect(screen.text).toContain('Version 1, until');
    await screen.press('Take up version 1');
    await screen.press('Keep the schedule');
    const put = records.http.expectOne(({ method }) => method === 'PUT').request.body as { version: number; body: Schedule['body'] };
    expect(put).toMatchObject({ version: 2, body: { segments: [{ celsiusPerHour: 150, toCelsius: 1190 }] } });
  });

  it('a new one begins with steps that lead to cone 6, and asks for a name', async () => {
    const screen = await open('new');
    await screen.check('in reduction');
    expect(screen.text).toContain('carbon monoxide');
    expect(readSchedule(NEW_SCHEDULE)).toEqual({ problem: 'Give the schedule a name.' });
    const step = { ...NEW_SCHEDULE, name: 'X', segments: [{ celsiusPerHour: null, toCelsius: null, holdMinutes: 0 }] };
    expect(readSchedule(step)).toEqual({ problem: 'Say of each step where it ends, and how long it is held there: 0 for not at all.' });
    expect((await open(id())).text).toContain('There is no such schedule.');
  });
});
