import { TestBed } from '@angular/core/testing';
import type { Day } from '@cazuela/contract';
import type { DayEvent, DayStep } from '@cazuela/core';
import { DayTest } from '../../../../testing/day-test';
import { day, piece } from '../../../../testing/made-up';
import { Outbox } from '../../../data/offline/outbox';

type Done = Extract<DayEvent, { type: 'stepDone' }>;

describe('the step these hands are at', () => {
  const test = new DayTest();
  const DIP: Partial<DayStep> = { method: 'dip', seconds: 4, coatMm: 0.6, sg: 1.45, glazeMl: 44 };
  /** Checked a quarter of an hour ago: the dip is next. */
  const dipNext = (): Day => {
    const of = day(piece());
    Object.assign(of.items[0]!.steps[1]!, DIP);
    return { ...of, events: [test.record(of.items[0]!.steps[0]!.id, 15)] };
  };
  const noted = (of: Day): DayEvent[] => {
    TestBed.tick();
    return TestBed.inject(Outbox).localEvents('day', of.id);
  };

  it('says what other seconds made of the coat, and what to do now', async () => {
    const screen = await test.open([dipNext()]);
    await screen.type('Really in the glaze', '4');
    expect(screen.text).toContain('About 0.60 mm instead of 0.60 mm, by the plan’s own seconds. As near as hands come.');
    await screen.type('Really in the glaze', '16');
    expect(screen.text).toContain('Much thicker: it may crawl');
  });

  it('pieces are weighed before and after: what they gained is their coat', async () => {
    const of = dipNext();
    const screen = await test.open([of]);
    await screen.press('Otherwise than planned, piece by piece');
    await screen.type('Piece 1, before', '400');
    await screen.type('Piece 1, after', '458');
    expect(screen.text).toContain('+ 58.0 g');
    expect(screen.text).toContain('by its weight. As near as hands come.');
    await screen.press('Done');
    expect(noted(of).find((event): event is Done => event.type === 'stepDone')?.pieces).toEqual([{ beforeGrams: 400, afterGrams: 458 }]);
  });

  it('those that went another way become a lot of their own, ticked with their own seconds', async () => {
    const of = dipNext();
    const screen = await test.open([of]);
    await screen.press('Otherwise than planned, piece by piece');
    for (const [at, seconds] of [4, 4, 16].entries()) await screen.type(`Piece ${at + 1}, seconds`, String(seconds));
    expect(screen.text).toContain('Piece 3: About');
    await screen.press('Done; that one is a lot of its own');
    const events = noted(of);
    const split = events.find((event) => event.type === 'lotSplit');
    expect(split).toMatchObject({ itemId: of.items[0]!.id, count: 1 });
    const done = events.filter((event): event is Done => event.type === 'stepDone');
    expect(done.map(({ stepId, seconds }) => [stepId, seconds])).toEqual([
      [of.items[0]!.steps[1]!.id, 4],
      [split?.type === 'lotSplit' && split.stepIds[1], 16],
    ]);
  });

  it('brushed instead, with the coat by eye and prints touched up, is kept as it was done', async () => {
    const of = dipNext();
    const screen = await test.open([of]);
    await screen.press('Otherwise than planned, piece by piece');
    await screen.choose('Done by', 'brush');
    await screen.type('Coat, by eye or pin', '0.3');
    await screen.check('Prints of fingers and tongs touched up');
    expect(screen.text).toContain('About 0.30 mm instead of 0.60 mm, by your own look. Thinner');
    await screen.press('Done');
    expect(noted(of).at(-1)).toMatchObject({ type: 'stepDone', method: 'brush', coatMm: 0.3, isTouchedUp: true });
  });

  it('what was seen at a coat goes with its tick, and may be unticked', async () => {
    const of = dipNext();
    const screen = await test.open([of]);
    await screen.press('Otherwise than planned, piece by piece');
    await screen.check('Hairlines in the coat below were left open');
    await screen.check('Wax strayed');
    await screen.check('Wax strayed');
    await screen.press('Done');
    expect(noted(of).at(-1)).toMatchObject({ type: 'stepDone', seen: ['hairlines'] });
  });

  it('a reload in the middle of a dip finds the watch running, and what was typed', async () => {
    const of = dipNext();
    const kept = { stepId: of.items[0]!.steps[1]!.id, said: { sg: 1.5, timedSinceMs: Date.now() - 3_000 } };
    const screen = await test.open([of], {}, { 'cazuela.here.day-step': kept });
    expect(screen.has(/Out of the glaze/)).toBe(true);
    await screen.press('Otherwise than planned, piece by piece');
    expect(screen.field('SG then').value).toBe('1.5');
  });

  it('fills the screen with its one line, and Space ticks it there too', async () => {
    const of = dipNext();
    const screen = await test.open([of]);
    await screen.press('Fill the screen with it');
    expect(document.querySelector('[aria-label="The step at hand"]')?.textContent).toContain('Dip the outside');
    await screen.key(' ');
    expect(noted(of).at(-1)).toMatchObject({ type: 'stepDone', stepId: of.items[0]!.steps[1]!.id });
  });
});
