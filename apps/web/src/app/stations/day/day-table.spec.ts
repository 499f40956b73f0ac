import type { Day } from '@cazuela/contract';
import { DayTest } from '../../../testing/day-test';
import { day, id, piece } from '../../../testing/made-up';
import type { Screen } from '../../../testing/screen';
import type { DayPage } from './day-page';

describe('the glazing day at a table', () => {
  const test = new DayTest();

  describe('planned at a table', () => {
    const planned = (change: Partial<Day> = {}): Promise<Screen<DayPage>> => test.open([day(piece(), change)], { bench: 'plan' });
    const answerPut = async (screen: Screen<DayPage>, of: Day): Promise<unknown> => {
      test.records.answer('/days', [of]);
      const put = test.records.http.expectOne((one) => one.method === 'PUT');
      put.flush({ ...of, ...(put.request.body as object), version: of.version + 1 });
      await screen.settle();
      return put.request.body;
    };

    it('says when hands are done, and shows each block with who and when', async () => {
      const screen = await planned();
      expect(screen.text).toMatch(/\d\d:\d\d hands are done/);
      expect(screen.all('g[role="button"]').map((bar) => bar.getAttribute('aria-label'))[0]).toMatch(
        /^Check edges and dust, 20 × Cup, Somebody, \d\d:\d\d to \d\d:\d\d$/,
      );
    });

    it('who comes is one tap, with usual hours; who cannot be there is told', async () => {
      const of = day(piece());
      const screen = await test.open([of], { bench: 'plan' });
      await screen.press('Bruno comes too');
      const body = await answerPut(screen, of);
      expect(body).toMatchObject({ version: of.version, planning: { people: [{ name: 'Bruno', fromTime: '09:00', untilTime: '17:00' }] } });
    });

    it('hours that cannot be stay in their field until they are mended, though the day is read anew', async () => {
      const of = day(piece());
      of.planning = { ...of.planning, people: [{ name: 'Bruno', fromTime: '09:00', untilTime: '17:00', breaks: [], doesNotDo: [] }] };
      const screen = await test.open([of], { bench: 'plan' });
      await screen.type('Bruno leaves', '08:00');
      expect(screen.text).toContain('Bruno leaves before coming: say a later time.');
      jest.advanceTimersByTime(100);
      jest.advanceTimersByTime(300);
      test.records.answer(`/days/${of.id}/stamp`, { version: 1, events: 1 });
      await screen.settle();
      test.records.answer('/days', [structuredClone(of)]);
      await screen.settle();
      expect(screen.text).toContain('Bruno leaves before coming: say a later time.');
    });

    it('what cannot be kept now is kept on the device, shown, and sent when the records answer again', async () => {
      const of = day(piece());
      const screen = await test.open([of], { bench: 'plan' });
      await screen.press('Bruno comes too');
      test.records.drop('/days');
      await screen.settle();
      expect(screen.has('Bruno does not come')).toBe(true);
      expect(localStorage.getItem('cazuela.day-planning') ?? JSON.stringify(localStorage)).toContain('Bruno');
      jest.advanceTimersByTime(500);
      test.records.answer(`/days/${of.id}/stamp`, { version: 1, events: 0 });
      // Somebody else named the fair meanwhile.
      const theirs = { ...of, version: 3, planning: { ...of.planning, deadlineWords: 'the fair' } };
      expect(await answerPut(screen, theirs)).toMatchObject({ version: 3, planning: { people: [{ name: 'Bruno' }], deadlineWords: 'the fair' } });
    });

    it('a block that is chosen is held fast to a person, and let go again', async () => {
      const people = ['Inés', 'Bruno'].map((name) => ({ name, fromTime: '00:00', untilTime: '23:59', breaks: [], doesNotDo: [] }));
      const of = day(piece());
      of.planning = { ...of.planning, people };
      const screen = await test.open([of], { bench: 'plan' });
      screen.all('g[role="button"]')[0]!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
      await screen.settle();
      await screen.choose('Done by', 'Bruno');
      expect(await answerPut(screen, of)).toMatchObject({ planning: { pins: [{ stepId: of.items[0]!.steps[0]!.id, person: 'Bruno' }] } });
      expect(screen.all('g[role="button"]')[0]!.getAttribute('aria-label')).toContain('Bruno');
    });

    it('the order that is found is kept with the day, once', async () => {
      const of = day(piece());
      const screen = await test.open([of], { bench: 'plan' });
      jest.advanceTimersByTime(200);
      await screen.settle();
      const body = (await answerPut(screen, of)) as { planning: { order: { stepId: string }[] } };
      expect(body.planning.order.map(({ stepId }) => stepId)).toEqual(of.items[0]!.steps.map((step) => step.id));
      expect(screen.text).toContain('In four of five days by');
    });
  });

  describe('before the first dip', () => {
    it('says what each bucket has to give, and what is lacking leads to the next tap', async () => {
      const of = day(piece());
      Object.assign(of.items[0]!.steps[1]!, { bucketId: test.white.id, bucketName: 'Leche de Higo', glazeMl: 2_000, depthMm: 400, method: 'dip' });
      const { text } = await test.open([of], { bench: 'before' });
      expect(text).toMatch(/short: these coats take 40\.0 L, it holds/);
      expect(text).toContain('for 20 pieces');
      expect(text).toContain('Tongs, or a free hand, washed');
    });

    it('a glaze that is in no bucket is to be weighed', async () => {
      const of = day(piece());
      Object.assign(of.items[0]!.steps[1]!, { bucketId: id(), bucketName: 'Nube', glazeMl: 20 });
      expect((await test.open([of], { bench: 'before' })).text).toContain('Nube is in no bucket.');
    });
  });

  it('places to stand wet pots are said with the plan, and left out again', async () => {
    const of = day(piece());
    const screen = await test.open([of], { bench: 'plan' });
    await screen.type('Wet pots that have a place to stand', '12');
    test.records.answer('/days', [of]);
    const put = test.records.http.expectOne((one) => one.method === 'PUT');
    expect(put.request.body).toMatchObject({ planning: { dryingPlaces: 12 } });
  });

  it('a lot larger than all places is told, and split with one tap', async () => {
    const of = day(piece());
    of.planning = { ...of.planning, dryingPlaces: 12 };
    const screen = await test.open([of], { bench: 'plan' });
    expect(screen.text).toContain('20 × Cup are more than there are places for wet pots');
    await screen.press('Split off 10 of them');
    expect(test.sent()).toMatchObject({ type: 'lotSplit', count: 10 });
  });

  it('what pots stand on in the kiln is to be at hand', async () => {
    const of = day(piece());
    of.items[0]!.setting = 'stilts';
    expect((await test.open([of], { bench: 'before' })).text).toContain('Stilts');
  });

  describe('how it ended', () => {
    it('says who did what, what it took out of the buckets, and what is left with its waits', async () => {
      const of = day(piece());
      const [check, dip] = of.items[0]!.steps;
      Object.assign(dip!, { bucketId: test.white.id, bucketName: 'Leche de Higo', glazeMl: 30 });
      const events = [test.record(check!.id, 60), test.record(dip!.id, 0)];
      const { text } = await test.open([{ ...of, events }], { bench: 'end' });
      expect(text).toContain('Maia 2 steps, 40 pieces in hand');
      expect(text).toContain('Leche de Higo 600 mL');
      expect(text).toMatch(/Wipe the foot and check it: (dries until \d\d:\d\d|dry, can go on)\./);
      expect(text).toContain('“It is dry”, “Not dry yet” and ticks in their time teach waits and labor.');
    });

    it('finished lots are for the kiln, once they are dry through', async () => {
      const of = day(piece());
      const events = of.items[0]!.steps.map(({ id: stepId }, at) => test.record(stepId, 60 - 20 * at));
      const { text } = await test.open([{ ...of, events }], { bench: 'end' });
      expect(text).toContain('Nothing: all steps are done.');
      expect(text).toContain('Dry through before the kiln');
    });
  });
});
