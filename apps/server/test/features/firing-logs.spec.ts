import { once } from 'node:events';
import { v7 as uuid } from 'uuid';
import { WebSocket } from 'ws';
import { CONTROLLER_SOCKET, firingSchema, type Firing, type FiringBody, type Kiln, type LogReadings, type PracticeState } from '@cazuela/contract';
import { scheduleCurve, type FiringSchedule } from '@cazuela/core';
import { PracticeKilns } from '../../src/devices/practice-kilns';
import { head } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

const CONE_6: FiringSchedule = {
  segments: [
    { celsiusPerHour: 100, toCelsius: 600, holdMinutes: 0 },
    { celsiusPerHour: 120, toCelsius: 1_215, holdMinutes: 15 },
  ],
};
const PRACTICE: PracticeState = { speed: 600, isPowerCut: false, isDoorOpen: false, isElementDead: false, readsOver: 0 };

describe('logs of firings, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  const aKiln = async (): Promise<Kiln> => {
    const chamber = { kind: 'round', diameterMm: 420, heightMm: 460 };
    const body = { name: 'Grillo', chamber, shelves: [], postsMm: [], powerWatts: 7_000, openBelowCelsius: 80, note: '' };
    return (await server.post('/kilns', { id: uuid(), body }).expect(201)).body as Kiln;
  };
  const bodyOf = (kiln: Kiln, startedAt = new Date().toISOString()): FiringBody => ({
    kiln: kiln.body.name,
    kilnId: kiln.id,
    startedAt,
    wantedCone: '6',
    witnessCone: null,
    points: scheduleCurve(CONE_6),
  });
  const aFiring = async (kiln: Kiln, startedAt?: string): Promise<Firing> =>
    (await server.post('/firings', { id: uuid(), body: bodyOf(kiln, startedAt) }).expect(201)).body as Firing;
  const begin = (firing: Firing, practice?: PracticeState) => server.post(`/firings/${firing.id}/begin`, practice ? { practice } : {});
  const minutesAgo = (minutes: number): string => new Date(Date.now() - minutes * 60_000).toISOString();
  const again = async ({ id }: Firing): Promise<Firing> => (await server.get(`/firings/${id}`).expect(200)).body as Firing;

  const controllers: WebSocket[] = [];
  afterAll(() => controllers.forEach((one) => one.terminate()));
  /** A controller on its line: sends, and tells what was answered. */
  async function controllerOf(kiln: Kiln, name = 'Hall'): Promise<(lines: string) => Promise<string>> {
    const query = new URLSearchParams({ studio: server.studio.id, kiln: kiln.id, controller: name });
    const socket = new WebSocket(`${server.origin.replace('http', 'ws')}${CONTROLLER_SOCKET}?${query.toString()}`);
    controllers.push(socket);
    await once(socket, 'open');
    return async (lines) => {
      const answer = once(socket, 'message');
      socket.send(lines);
      return String((await answer)[0]);
    };
  }

  describe('a controller sends lines of text', () => {
    it('each that is acknowledged is in the log, also after it was sent twice', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln);
      const send = await controllerOf(kiln);
      expect(await send('0:00:30; 24; 25; 40 %')).toBe('ERR no firing runs in this kiln: begin one in Cazuela');
      await begin(firing).expect(201);
      expect(await send('0:00:30; 24; 25; 40 %\n0:01:00; 25; 26; 45 %')).toBe('OK 60');
      expect(await send('0:01:00; 25; 26; 45 %\n0:01:30; 26; 27; 50 %')).toBe('OK 90');
      const { log } = await again(firing);
      expect(log).toMatchObject({ source: 'controller', readings: 3, endedAt: null, last: { seconds: 90, celsius: 26, setCelsius: 27, share: 0.5 } });
      expect(log!.points.at(-1)).toEqual({ hours: 0.025, celsius: 26 });
    });

    it('in °F, with noise and a fault between', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln, minutesAgo(11));
      await begin(firing).expect(201);
      const send = await controllerOf(kiln);
      expect(await send('hello')).toBe('ERR not understood: hello');
      expect(await send('0:10:00 T=212F\nERR TC open')).toBe('OK 600');
      expect((await again(firing)).log).toMatchObject({ fault: 'ERR TC open', last: { celsius: 100 } });
      expect(await send('0:11:00 T=214F')).toBe('OK 660');
      expect((await again(firing)).log).not.toHaveProperty('fault');
    });

    it('noise on its line never makes the list of firings unreadable', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln, minutesAgo(3));
      await begin(firing).expect(201);
      const send = await controllerOf(kiln);
      await send('0:01:00; 30; 99999; 900 %');
      expect(await send('0:02:00; -2000')).toMatch(/^ERR not understood/);
      expect(firingSchema.safeParse(await again(firing)).error).toBeUndefined();
      const now = server.context.now;
      server.context.now = () => new Date(Date.now() + 40 * 86_400_000);
      expect(await send('0:03:00; 20')).toMatch(/^ERR this firing began over a month ago/);
      server.context.now = now;
    });

    it('a spike of 1,800 °C is kept as it came, and is not in the curve', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln, minutesAgo(3));
      await begin(firing).expect(201);
      const send = await controllerOf(kiln);
      await send('0:01:00 30\n0:02:00 1800\n0:03:00 34');
      const { log } = await again(firing);
      expect(log).toMatchObject({ readings: 3, dropped: 1 });
      expect(log!.points.map(({ celsius }) => celsius)).toEqual([30, 34]);
      const raw = (await server.get(`/firings/${firing.id}/readings`).expect(200)).body as LogReadings;
      expect(raw.celsius).toEqual([30, 1_800, 34]);
    });

    it('two controllers at once: the second is refused by name, until the first has gone', async () => {
      const kiln = await aKiln();
      await begin(await aFiring(kiln)).expect(201);
      const [one, other] = [await controllerOf(kiln, 'Hall'), await controllerOf(kiln, 'Shed')];
      expect(await one('0:01:00 30')).toBe('OK 60');
      expect(await other('0:01:10 480')).toBe('ERR another controller (Hall) sends for this kiln');
      const now = server.context.now;
      server.context.now = () => new Date(Date.now() + 180_000);
      expect(await other('0:03:00 36')).toBe('OK 180');
      server.context.now = now;
    });

    it('is told of nothing that is not its own: another studio, no kiln, the practice kiln’s name', async () => {
      const kiln = await aKiln();
      const changes: Record<string, string>[] = [{ studio: uuid() }, { kiln: uuid() }, { kiln: 'x' }, { controller: 'practice' }];
      for (const change of changes) {
        const query = new URLSearchParams({ studio: server.studio.id, kiln: kiln.id, ...change });
        const socket = new WebSocket(`${server.origin.replace('http', 'ws')}${CONTROLLER_SOCKET}?${query.toString()}`);
        expect(String((await once(socket, 'error'))[0])).toContain('404');
      }
    });

    it('the log goes on after the server was killed: what was acknowledged is there, and the next line fits', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln, minutesAgo(60));
      await begin(firing).expect(201);
      const before = await controllerOf(kiln);
      expect(await before('1:00:00; 100; 100; 40 %')).toBe('OK 3600');
      controllers.at(-1)!.terminate();
      const after = await controllerOf(kiln);
      expect(await after('1:00:30; 101; 101; 40 %')).toBe('OK 3630');
      expect((await again(firing)).log).toMatchObject({ readings: 2 });
    });
  });

  describe('a kiln is fired once at a time', () => {
    it('begun twice by two people at once: one log; another firing is refused with what runs', async () => {
      const kiln = await aKiln();
      const [one, other] = [await aFiring(kiln), await aFiring(kiln)];
      const answers = await Promise.all([begin(one), begin(one), begin(other)]);
      expect(answers.map(({ status }) => status).sort()).toEqual(answers[2].status === 201 ? [201, 409, 409] : [201, 201, 409]);
      const refused = answers.find(({ status }) => status === 409)!;
      expect(refused.body.detail).toContain('Grillo is being fired already');
      const runs = answers[2].status === 201 ? other : one;
      await server.post(`/firings/${runs.id}/end`, {}).expect(201);
      await begin(runs).expect(409);
      await begin(runs === one ? other : one).expect(201);
    });

    it('needs a kiln with a card, and begins when it is lit where it was noted before', async () => {
      const kiln = await aKiln();
      const bare = (await server.post('/firings', { id: uuid(), body: { ...bodyOf(kiln), kilnId: undefined } }).expect(201)).body as Firing;
      expect((await begin(bare).expect(422)).body.detail).toContain('a kiln with a card');
      const tomorrow = await aFiring(kiln, new Date(Date.now() + 86_400_000).toISOString());
      const lit = (await begin(tomorrow).expect(201)).body as Firing;
      expect(Date.parse(lit.body.startedAt)).toBeLessThanOrEqual(Date.now());
      expect(lit.log!.beganAt).toBe(lit.body.startedAt);
    });
  });

  describe('the practice kiln', () => {
    /** The clock of the server, moved by hours of the practice kiln. */
    async function run(kilns: PracticeKilns, from: number, hours: number): Promise<number> {
      const until = from + (hours * 3_600_000) / PRACTICE.speed;
      server.context.now = () => new Date(until);
      await kilns.runOn();
      return until;
    }
    let now: () => Date;
    beforeAll(() => (now = server.context.now));
    afterEach(() => (server.context.now = now));

    it('fires through a power cut and a killed server to its cone, and ends by itself when it is cold', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln);
      await begin(firing, PRACTICE).expect(201);
      let at = await run(new PracticeKilns(server.context), Date.now(), 4);
      const four = (await again(firing)).log!;
      expect(four.last!.seconds).toBeGreaterThan(3.9 * 3_600);
      await server.put(`/firings/${firing.id}/practice`, { ...PRACTICE, isPowerCut: true }).expect(200);
      at = await run(new PracticeKilns(server.context), at, 1);
      expect((await again(firing)).log!.readings).toBe(four.readings);
      await server.put(`/firings/${firing.id}/practice`, PRACTICE).expect(200);
      // Another server, which never saw it before, runs it on.
      at = await run(new PracticeKilns(server.context), at, 4);
      const nine = (await again(firing)).log!;
      expect(nine.points.slice(0, 20)).toEqual(four.points.slice(0, 20));
      const gap = nine.points.findIndex(({ hours }, index) => index > 0 && hours - nine.points[index - 1]!.hours > 0.9);
      expect(nine.points[gap]!.celsius).toBeLessThan(nine.points[gap - 1]!.celsius - 20);
      const last = new PracticeKilns(server.context);
      for (let step = 0; step < 6; step++) at = await run(last, at, 8);
      const over = (await again(firing)).log!;
      expect(Math.max(...over.points.map(({ celsius }) => celsius))).toBeGreaterThan(1_200);
      expect(over.endedAt).not.toBeNull();
      expect(over.fullPowerHours).toBeGreaterThan(2);
    });

    it('two servers that run it write one log; a real controller is refused meanwhile', async () => {
      const kiln = await aKiln();
      const firing = await aFiring(kiln);
      await begin(firing, PRACTICE).expect(201);
      const start = Date.now();
      await Promise.all([run(new PracticeKilns(server.context), start, 2), run(new PracticeKilns(server.context), start, 2)]);
      const { log } = await again(firing);
      expect(log!.readings).toBe(log!.last!.seconds / 20);
      const send = await controllerOf(kiln);
      expect(await send('0:01:00 30')).toBe('ERR the practice kiln fires here: end that firing first');
      await server.post(`/firings/${firing.id}/end`, {}).expect(201);
      await server.put(`/firings/${firing.id}/practice`, PRACTICE).expect(409);
    });
  });

  describe('a log from a file', () => {
    const readings: LogReadings = { seconds: [0, 3_600, 7_200, 10_800], celsius: [20, 400, 1_000, 600], share: [1, 1, null, 0] };

    it('makes a firing whole: both, or neither', async () => {
      const kiln = await aKiln();
      const id = uuid();
      const made = (await server.post('/firings', { id, body: bodyOf(kiln), readings }).expect(201)).body as Firing;
      expect(made.log).toMatchObject({ source: 'file', readings: 4, dropped: 0 });
      expect(made.log!.points).toHaveLength(4);
      expect((await server.post('/firings', { id, body: bodyOf(kiln), readings }).expect(201)).body).toEqual(made);
      const bad = uuid();
      await server.post('/firings', { id: bad, body: bodyOf(kiln), readings: { ...readings, celsius: [20] } }).expect(422);
      await server.get(`/firings/${bad}`).expect(404);
    });

    it('goes to a firing that has none, once', async () => {
      const firing = await aFiring(await aKiln());
      await server.post(`/firings/${firing.id}/readings`, readings).expect(201);
      await server.post(`/firings/${firing.id}/readings`, readings).expect(201);
      const other = { seconds: [0, 60], celsius: [20, 21] };
      expect((await server.post(`/firings/${firing.id}/readings`, other).expect(409)).body.detail).toContain('has a log already');
      await server.post(`/firings/${firing.id}/readings`, { seconds: [0], celsius: [20] }).expect(422);
      await server.post(`/firings/${uuid()}/readings`, readings).expect(404);
    });
  });

  it('readings off the display and the meter are events: sent twice they are there once', async () => {
    const firing = await aFiring(await aKiln());
    const event = { ...head('Maia'), type: 'kilnRead', readAt: '2026-11-14T20:00:00.000Z', celsius: 640 };
    const meter = { ...head('Maia'), type: 'meterRead', readAt: '2026-11-14T20:00:00.000Z', kilowattHours: 1_204.5 };
    const events = [event, meter].map((one) => ({ stream: 'firing', streamId: firing.id, event: one }));
    await server.post('/events', { events }).expect(201);
    await server.post('/events', { events }).expect(201);
    expect((await again(firing)).events).toEqual([event, meter]);
    const hot = { ...event, id: uuid(), celsius: 2_200 };
    const answer = await server.post('/events', { events: [{ stream: 'firing', streamId: firing.id, event: hot }] }).expect(201);
    expect(answer.body.refused[0].detail).toContain('check the unit');
  });

  it('is deleted with its firing', async () => {
    const kiln = await aKiln();
    const firing = await aFiring(kiln);
    await begin(firing, PRACTICE).expect(201);
    await server.remove(`/records/firing/${firing.id}`).expect(200);
    expect(await server.context.models.kilnReadings.count({ where: { firingId: firing.id } })).toBe(0);
    await begin(await aFiring(kiln)).expect(201);
  });
});
