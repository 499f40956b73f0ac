import { TestBed } from '@angular/core/testing';
import type { Day } from '@cazuela/contract';
import type { DayEvent } from '@cazuela/core';
import { DayTest } from '../../../testing/day-test';
import { ago, day, id, piece, POWDERS } from '../../../testing/made-up';
import { Outbox } from '../../data/offline/outbox';

describe('the glazing day', () => {
  const test = new DayTest();

  it('says what hands do now, and what comes after', async () => {
    const screen = await test.open([day(piece())]);
    expect(screen.all('.now .words')[0]!.textContent).toContain('Check edges and dust');
    expect(screen.text).toContain('20 × Cup');
    expect(screen.text).toContain('0 of 3 steps done');
  });

  it('a tick is one key; then it dries until a time', async () => {
    const of = day(piece());
    const screen = await test.open([of]);
    await screen.key(' ');
    expect(test.sent()).toMatchObject({ type: 'stepDone', stepId: of.items[0]!.steps[0]!.id });
    await screen.settle();
    expect(screen.text).toContain('1 of 3 steps done');
    expect(screen.text).toMatch(/20 × Cup until \d\d:\d\d, 1 min/);
    expect(screen.text).toContain('Hands are free');
  });

  it('the seconds really taken and the bucket’s SG are kept with the dip', async () => {
    const of = day(piece());
    of.items[0]!.steps[1]!.bucketId = test.white.id;
    const screen = await test.open([{ ...of, events: [test.record(of.items[0]!.steps[0]!.id, 15)] }]);
    await screen.type('Code on the bucket', 'b1');
    await screen.press('Read it');
    expect(test.records.http.expectOne((one) => one.url.endsWith('/events')).request.body).toMatchObject({
      events: [{ stream: 'bucket', streamId: test.white.id, event: { type: 'codeRead' } }],
    });
    await screen.settle();
    await screen.type('Really in the glaze', '4');
    await screen.press('Done');
    TestBed.tick();
    const [event] = TestBed.inject(Outbox).localEvents('day', of.id);
    expect(event).toMatchObject({ type: 'stepDone', seconds: 4 });
    expect(event?.type === 'stepDone' && event.sg).toBeCloseTo(1.45, 6);
  });

  it('the first dip waits for the code, and says which bucket it is when it is the wrong one', async () => {
    const of = day(piece());
    of.items[0]!.steps[1]!.bucketId = test.white.id;
    const screen = await test.open([{ ...of, events: [test.record(of.items[0]!.steps[0]!.id, 15)] }]);
    expect(screen.button('Done').disabled).toBe(true);
    await screen.type('Code on the bucket', 'B2');
    await screen.press('Read it');
    expect(screen.text).toContain('Stop: that is B2 Noche Honda. Wanted is B1 Leche de Higo.');
    await screen.type('Code on the bucket', 'B77');
    await screen.press('Read it');
    expect(screen.text).toContain('No bucket of this studio has the code “B77”.');
    await screen.press('No code on it, but I looked');
    expect(screen.button('Done').disabled).toBe(false);
    expect(screen.text).toContain('Stir it: now and then');
  });

  it('"not dry yet" waits ten minutes more', async () => {
    const of = day(piece());
    const screen = await test.open([{ ...of, events: [test.record(of.items[0]!.steps[0]!.id, 11)] }]);
    expect(screen.text).toContain('dry enough');
    await screen.press('Not dry yet: Cup');
    expect(test.sent()).toMatchObject({ type: 'notDryYet', minutes: 10 });
    await screen.settle();
    expect(screen.text).toMatch(/until \d\d:\d\d, 10 min/);
  });

  it('“it is dry” is told of the pieces: their next step is for the hands, with its code still to be read', async () => {
    const of = day(piece());
    const [check] = of.items[0]!.steps;
    const screen = await test.open([{ ...of, events: [test.record(check!.id, 0)] }]);
    expect(screen.text).toContain('Hands are free');
    await screen.press('It is dry');
    expect(test.sent()).toMatchObject({ type: 'feltDry', stepId: check!.id });
    await screen.settle();
    expect(screen.all('.now .words')[0]!.textContent).toContain('Dip the outside in Leche de Higo');
    expect(screen.text).toContain('1 of 3 steps done; hands are done about');
  });

  it('pieces put on by mistake are taken off, as the day is in the records now', async () => {
    const [of, other] = [day(piece()), day(piece())];
    const screen = await test.open([of], { bench: 'pots' });
    await screen.press('Take off the day: Cup');
    // Somebody put other pieces on meanwhile: those stay.
    test.records.answer('/days', [{ ...of, version: 4, items: [...of.items, ...other.items] }]);
    const put = test.records.http.expectOne((request) => request.method === 'PUT');
    expect(put.request.body).toEqual({ version: 4, items: other.items });
    put.flush({ ...of, version: 5, items: other.items });
    await screen.settle();
    test.records.answer('/days', [{ ...of, version: 5, items: other.items }]);
    test.records.answer('/buckets', []);
    test.records.answer('/powders', POWDERS);
    await screen.settle();
    expect(screen.all('.list h3')).toHaveLength(1);
  });

  it('a group of which something is done stays on the day', async () => {
    const of = day(piece());
    const screen = await test.open([{ ...of, events: [test.record(of.items[0]!.steps[0]!.id, 3)] }], { bench: 'pots' });
    expect(screen.button('Take off the day: Cup').disabled).toBe(true);
  });

  it('a tick is taken back, a step is skipped', async () => {
    const of = day(piece());
    const screen = await test.open([of]);
    await screen.key('s');
    expect(test.sent().type).toBe('stepSkipped');
    await screen.settle();
    await screen.press(/Take the last tick back/);
    expect(test.sent().type).toBe('undone');
    await screen.settle();
    expect(screen.text).toContain('0 of 3 steps done');
  });

  it('all done says what comes next', async () => {
    const of = day(piece());
    const { text } = await test.open([{ ...of, events: of.items[0]!.steps.map((step, i) => test.record(step.id, 60 - i)) }]);
    expect(text).toContain('All done.');
    expect(text).toContain('damp pots burst');
  });

  it('an empty day says how to fill it', async () => {
    expect((await test.open([])).text).toContain('Nothing is planned for this day');
  });

  it('a bucket is fetched while its pots still dry', async () => {
    const of = day(piece());
    Object.assign(of.items[0]!.steps[1]!, { bucketId: test.white.id, bucketName: 'Leche de Higo' });
    const screen = await test.open([{ ...of, events: [test.record(of.items[0]!.steps[0]!.id, 0)] }]);
    expect(screen.text).toContain('Hands are free: fetch Leche de Higo meanwhile');
    expect(screen.text).toMatch(/Next, at \d\d:\d\d: Dip the outside/);
  });

  describe('with two people', () => {
    const person = (name: string) => ({ name, fromTime: '00:00', untilTime: '23:59', breaks: [], doesNotDo: [] });
    const two = (change: Partial<Day> = {}): Day => {
      const [cups, bowls] = [day(piece()), day(piece())];
      bowls.items[0]!.name = 'Bowl';
      const people = [person('Inés'), person('Bruno')];
      return { ...cups, items: [...cups.items, ...bowls.items], planning: { ...cups.planning, people }, ...change };
    };

    it('each has a step of their own, and sees what the other is at', async () => {
      const screen = await test.open([two()]);
      expect(screen.text).toContain('Now, Inés');
      expect(screen.text).toMatch(/The others Bruno Check edges and dust/);
    });

    it('a device whose person is not in the plan asks who is there', async () => {
      const screen = await test.open([two({ planning: { ...two().planning, people: [person('Bruno')] } })]);
      expect(screen.text).toContain('Who is at this device?');
      await screen.press('Bruno');
      expect(screen.text).toContain('Now, Bruno');
    });

    it('who ticks what somebody had ticked before is told so', async () => {
      const of = two();
      const screen = await test.open([of]);
      await screen.press('Done');
      const mine = test.sent();
      expect(mine).toMatchObject({ type: 'stepDone' });
      const before: DayEvent = { id: id(), at: ago(1), by: 'Bruno', type: 'stepDone', stepId: mine.type === 'stepDone' ? mine.stepId : '' };
      jest.advanceTimersByTime(800);
      test.records.answer(`/days/${of.id}/stamp`, { version: of.version, events: 2 });
      await screen.settle();
      test.records.answer('/days', [{ ...of, events: [mine, before] }]);
      await screen.settle();
      expect(screen.text).toMatch(/Bruno had ticked that step at \d\d:\d\d: it counts once, as Bruno’s\./);
      expect(screen.text).toContain('1 of 6 steps done');
    });

    it('who leaves is planned for no more', async () => {
      const screen = await test.open([two()]);
      await screen.press('Somebody leaves or comes');
      await screen.press('Bruno leaves');
      expect(test.sent()).toMatchObject({ type: 'personAway', person: 'Bruno' });
      await screen.settle();
      expect(screen.text).not.toContain('The others');
      await screen.press('Somebody leaves or comes');
      await screen.press('Bruno is back');
      expect(test.sent()).toMatchObject({ type: 'personBack' });
    });
  });

  describe('what no plan knew', () => {
    it('one is dropped: the rest goes on', async () => {
      const screen = await test.open([day(piece())]);
      await screen.press('Dropped or cracked');
      await screen.press('dropped');
      expect(test.sent()).toMatchObject({ type: 'piecesOff', count: 1, why: 'dropped' });
      await screen.settle();
      expect(screen.text).toContain('19 × Cup');
    });

    it('more than there are cannot be dropped', async () => {
      const screen = await test.open([day(piece())]);
      await screen.press('Dropped or cracked');
      await screen.type('How many', '21');
      expect(screen.text).toContain('20');
      expect(screen.text).not.toContain('-1 × Cup');
    });

    it('some go another way, as a lot of their own', async () => {
      const screen = await test.open([day(piece())]);
      await screen.press('Some go another way');
      await screen.type('How many of them', '3');
      await screen.press('Make them a lot of their own');
      expect(test.sent()).toMatchObject({ type: 'lotSplit', count: 3 });
      await screen.settle();
      expect(screen.text).toContain('17 × Cup');
      expect(screen.text).toContain('3 × Cup');
    });

    it('a bucket that runs out in mid-lot: what is done is ticked, and the rest waits', async () => {
      const of = day(piece());
      const [check, dip] = of.items[0]!.steps;
      Object.assign(dip!, { bucketId: test.white.id, bucketName: 'Leche de Higo' });
      const screen = await test.open([{ ...of, events: [test.record(check!.id, 30)] }]);
      await screen.press('A bucket is short');
      await screen.type('Pieces done before it ran out', '5');
      await screen.press('It is short');
      TestBed.tick();
      const events = TestBed.inject(Outbox).localEvents('day', of.id);
      expect(events).toMatchObject([
        { type: 'lotSplit', count: 15 },
        { type: 'stepDone', stepId: dip!.id },
        { type: 'bucketShort', bucketId: test.white.id },
      ]);
    });

    it('a pause of an hour: nobody works, and things dry', async () => {
      const screen = await test.open([day(piece())]);
      await screen.press('A pause');
      await screen.press('60 min for everybody');
      expect(test.sent()).toMatchObject({ type: 'paused', untilAt: '2026-03-10T11:00:00.000Z' });
      await screen.settle();
      expect(screen.text).toContain('Hands are free until');
    });
  });

  describe('a day that was begun and not finished', () => {
    const yesterday = (): Day => {
      const of = day(piece(), { date: '2026-03-09' });
      return { ...of, events: [test.record(of.items[0]!.steps[0]!.id, 24 * 60)] };
    };

    it('goes on after midnight, where nothing else is planned', async () => {
      const { text } = await test.open([yesterday()]);
      expect(text).toContain('Monday 9 March');
      expect(text).toContain('This day was begun and not finished: it goes on from where it stands.');
    });

    it('is said beside today’s', async () => {
      const { text } = await test.open([yesterday(), day(piece())]);
      expect(text).toContain('Tuesday 10 March');
      expect(text).toContain('Monday 9 March was begun and not finished.');
    });
  });
});
