import { TestBed } from '@angular/core/testing';
import type { Firing, FiringEvent, FiringLog, Kiln } from '@cazuela/contract';
import { scheduleCurve, type FiringPoint } from '@cazuela/core';
import { Outbox } from '../../../data/offline/outbox';
import { PreferencesStore } from '../../../data/state/preferences';
import { AT, FakeRecords } from '../../../../testing/records';
import { id } from '../../../../testing/made-up';
import { Screen } from '../../../../testing/screen';
import { FiringPage } from './firing-page';

const KILN: Kiln = {
  id: id(),
  version: 1,
  body: {
    name: 'Grillo',
    chamber: { kind: 'round', diameterMm: 360, heightMm: 420 },
    shelves: [],
    postsMm: [],
    powerWatts: 4_500,
    openBelowCelsius: 80,
    note: '',
  },
};
const SEGMENTS = [
  { celsiusPerHour: 100, toCelsius: 1_100, holdMinutes: 0 },
  { celsiusPerHour: 60, toCelsius: 1_206, holdMinutes: 10 },
];
const WANTED = scheduleCurve({ segments: SEGMENTS });
const hoursAgo = (hours: number): string => new Date(AT.getTime() - hours * 3_600_000).toISOString();

const firingOf = (hours: number, more: Partial<Firing> = {}): Firing => ({
  id: id(),
  version: 1,
  body: {
    kiln: 'Grillo',
    kilnId: KILN.id,
    startedAt: hoursAgo(hours),
    wantedCone: '6',
    witnessCone: null,
    points: WANTED,
    schedule: { id: id(), version: 1, name: 'Cone 6', segments: SEGMENTS },
  },
  ...more,
});
/** A log as its controller wrote it, from a curve, until so many hours. */
const logOf = (beganHoursAgo: number, curve: (hours: number) => number, until: number, more: Partial<FiringLog> = {}): FiringLog => {
  const points: FiringPoint[] = Array.from({ length: Math.floor(until * 5) + 1 }, (_, at) => ({ hours: at / 5, celsius: curve(at / 5) }));
  const last = points.at(-1)!;
  return {
    source: 'controller',
    beganAt: hoursAgo(beganHoursAgo),
    endedAt: null,
    readings: 1_200,
    dropped: 0,
    points,
    last: { seconds: last.hours * 3_600, celsius: last.celsius, setCelsius: null, share: 1 },
    fullPowerHours: 4,
    ...more,
  };
};
const asWanted = (hours: number): number => 20 + 100 * hours;

describe('a firing', () => {
  let records: FakeRecords;
  const open = async (firing: Firing, others: Firing[] = []): Promise<Screen<FiringPage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(FiringPage, { id: firing.id });
    records.answer('/kilns', [KILN]);
    records.answer('/firings', [firing, ...others]);
    records.answer('/loads', []);
    records.answer(`/firings/${firing.id}`, firing);
    await screen.settle();
    return screen;
  };

  it('that runs as wanted tells where it is, its cone, when it is done and when it may be opened', async () => {
    const { text } = await open(firingOf(6, { log: logOf(6, asWanted, 6) }));
    expect(text).toContain('Firing. Read by its controller, 1,200 readings.');
    expect(text).toContain('620 °C, 6 h 00 after its begin');
    expect(text).toContain('100 °C/h over the last half hour');
    expect(text).toMatch(/Done at.*in 6 h \d\d by its pace/);
    expect(text).toMatch(/To open.*below 80 °C; not before/);
    expect(text).toContain('18 kWh, by the time it was on');
    expect(text).toContain('Its cooling is a usual guess');
    expect(text).not.toContain('What is wrong');
  });

  it('that comes too slowly says so, with who looks at it; one that is silent too', async () => {
    const slow = await open(firingOf(6, { log: logOf(6, (hours) => (hours < 3 ? asWanted(hours) : 320 + 40 * (hours - 3)), 6) }));
    expect(slow.text).toMatch(/100 °C\/h are wanted, 40 °C\/h come: a dead element.*An electrician looks at it/);
    const silent = await open(firingOf(6, { log: logOf(6, asWanted, 4) }));
    expect(silent.text).toContain('Its controller was not heard for 2 h 00');
    const faulty = await open(firingOf(6, { log: logOf(6, asWanted, 6, { fault: 'ERR TC open' }) }));
    expect(faulty.text).toContain('Its controller says “ERR TC open”: go and look.');
  });

  it('that is over tells what was different, and never that a hot kiln may be opened', async () => {
    const came = (hours: number): number => (hours < 12 ? 20 + 98 * hours : 20 + 1_176 * Math.exp(-(hours - 12) / 6));
    const hot = await open(firingOf(20, { log: logOf(20, came, 20) }));
    expect(hot.text).toContain('Cooling. Read by its controller');
    expect(hot.text).toMatch(/Hottest 1,19\d °C, 1\d °C under what was wanted/);
    expect(hot.text).not.toContain('To open now');
    const cold = await open(firingOf(60, { log: logOf(60, came, 40, { endedAt: hoursAgo(20) }) }));
    expect(cold.text).toMatch(/To open\s*now: below 80 °C/);
    expect(cold.has('End the log')).toBe(false);
  });

  it('nobody reads begins with its controller, or with a practice kiln; not while another runs in that kiln', async () => {
    const firing = firingOf(0.1);
    const screen = await open(firing);
    expect(screen.text).toContain('Nobody read it yet.');
    await screen.press('Practice kiln: begin');
    const request = records.http.expectOne((one) => one.url.endsWith(`/firings/${firing.id}/begin`));
    expect(request.request.body).toEqual({ practice: { speed: 600, isPowerCut: false, isDoorOpen: false, isElementDead: false, readsOver: 0 } });
    request.flush(
      { type: 'about:blank', title: 'No', status: 409, code: 'conflict', detail: 'Grillo is being fired already, since 18:05.' },
      { status: 409, statusText: 'No' },
    );
    await screen.settle();
    expect(screen.text).toContain('Grillo is being fired already');

    const other = firingOf(30, { log: logOf(30, asWanted, 6) });
    const taken = await open(firingOf(0.1), [other]);
    expect(taken.text).toContain('Grillo is read for');
    expect(taken.button('Practice kiln: begin').disabled).toBe(true);
    await taken.press('End that log');
    expect(records.http.expectOne((one) => one.url.endsWith(`/firings/${other.id}/end`)).request.method).toBe('POST');
  });

  it('the practice kiln is switched: each trouble is one tap, and its clock is its own', async () => {
    const practice = { speed: 600, isPowerCut: false, isDoorOpen: false, isElementDead: false, readsOver: 0 };
    const firing = firingOf(0.05, { log: logOf(0.05, asWanted, 5, { source: 'practice', practice, practiceSeconds: 18_060 }) });
    const screen = await open(firing);
    expect(screen.text).toContain('520 °C, 5 h 00 after its begin');
    expect(screen.text).not.toContain('was not heard');
    await screen.check('power cut');
    const request = records.http.expectOne((one) => one.method === 'PUT' && one.url.endsWith('/practice'));
    expect(request.request.body).toEqual({ ...practice, isPowerCut: true });
  });

  it('read off the display now and then tells between which cones it was', async () => {
    const startedAt = hoursAgo(12);
    const note = (hours: number, celsius: number): FiringEvent => ({
      id: id(),
      at: hoursAgo(1),
      by: 'Inés',
      type: 'kilnRead',
      readAt: new Date(Date.parse(startedAt) + hours * 3_600_000).toISOString(),
      celsius,
    });
    const firing = firingOf(12, { events: [note(0, 20), note(6, 600), note(11.9, 1_190)] });
    const screen = await open(firing);
    expect(screen.text).toContain('Read by hand.');
    expect(screen.text).toMatch(/cone \S+ to cone .*: nobody read it for 11 h 54/);
    await screen.type('It shows', '1195');
    await screen.press('Note it');
    const noted = TestBed.inject(Outbox).localEvents('firing', firing.id);
    expect(noted).toMatchObject([{ type: 'kilnRead', celsius: 1_195, readAt: AT.toISOString() }]);
    await screen.settle();
    expect(screen.text).toContain('1,195 °C, 12 h 00 after its begin');
    await screen.press(/Take back .*1,195 °C/);
    expect(TestBed.inject(Outbox).localEvents('firing', firing.id)).toHaveLength(2);
    expect(screen.text).not.toContain('1,195 °C, 12 h 00');
  });

  it('the meter, read twice, tells what it took', async () => {
    const came = (hours: number): number => (hours < 12 ? 20 + 98 * hours : 20 + 1_176 * Math.exp(-(hours - 12) / 6));
    const meter = (hours: number, kilowattHours: number): FiringEvent => ({
      id: id(),
      at: hoursAgo(1),
      by: 'Bruno',
      type: 'meterRead',
      readAt: hoursAgo(20 - hours),
      kilowattHours,
    });
    const { text } = await open(firingOf(20, { log: logOf(20, came, 20), events: [meter(0, 1_200), meter(15, 1_242.4)] }));
    expect(text).toContain('42 kWh, by the meter');
    expect(text).toContain('meter 1242.4 kWh');
  });

  it('is told in °F to who reads °F', async () => {
    const firing = firingOf(6, { log: logOf(6, asWanted, 6) });
    const screen = await open(firing);
    TestBed.inject(PreferencesStore).set({ temperature: 'F' });
    await screen.settle();
    expect(screen.text).toContain('1,148 °F, 6 h 00 after its begin');
    expect(screen.text).toContain('180 °F/h over the last half hour');
  });

  it('that is not there is said', async () => {
    records = new FakeRecords();
    records.openStudio();
    const missing = id();
    const screen = await Screen.open(FiringPage, { id: missing });
    for (const path of ['/kilns', '/firings', '/loads']) records.answer(path, []);
    records.refuse(`/firings/${missing}`, 404, { code: 'notFound', detail: 'There is no such firing.' });
    await screen.settle();
    expect(screen.text).toContain('There is no such firing.');
  });
});
