import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { planCorrection, type BucketEvent } from '@cazuela/core';
import type { BenchEvent, Bucket } from '@cazuela/contract';
import { ago, bucket, id, KAOLIN, POWDERS, RECIPE, SILICA, STAIN, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Outbox } from '../../data/offline/outbox';
import { Units } from '../../data/units/units';
import { BucketPage } from './bucket-page/bucket-page';
import { historySeries, movedWindow, thinned } from './bucket-page/history/history-chart';
import { BucketShelf } from './bucket-shelf/bucket-shelf';
import { eventWords, rangeAdvice } from './bucket-words';

describe('a bucket', () => {
  let records: FakeRecords;
  const open = async (of: Bucket, inputs = {}, others: Bucket[] = []): Promise<Screen<BucketPage>> => {
    records = new FakeRecords();
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(BucketPage, { id: of.id, ...inputs });
    records.answer(`/buckets/${of.id}`, of);
    await screen.settle();
    records.answer('/powders', POWDERS);
    records.answer('/buckets', [of, ...others].map(summaryOf));
    await screen.settle();
    return screen;
  };
  /** Accepts the waiting events, as the records do. */
  const sent = (): BucketEvent[] => {
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    const { events } = request.request.body as { events: BenchEvent[] };
    request.flush({ acknowledged: events.map((entry) => entry.event.id), refused: [] });
    return events.map((entry) => entry.event as BucketEvent);
  };

  it('shows what is inside: litres, dry powder, water', async () => {
    const { text } = await open(bucket());
    expect(text).toContain('Holds 10.0 L');
    expect(text).toContain('Dry powder 7,300.0 g');
    expect(text).toContain('In range.');
  });

  it('says what was weighed in otherwise than its recipe wants: a powder that was skipped is known of the bucket too', async () => {
    const screen = await open(bucket());
    records.answer(`/recipes/${RECIPE.id}/versions`, [
      { versionId: RECIPE.versionId, number: 2, reason: '', changedAt: ago(9000), body: RECIPE.body },
    ]);
    await screen.settle();
    expect(screen.text).toContain('Not as its recipe: 633.3 g too much Kaolin; Tin oxide is missing, 333.3 g.');
  });

  it('too thick: water in two stages, booked with one tap, then it wants to be measured', async () => {
    const screen = await open(bucket({ sg: 1.65 }));
    expect(screen.text).toMatch(/Add \d,\d\d0 mL of water, stir, measure\./);
    await screen.press(/mL went in/);
    const [water] = sent();
    expect(water).toMatchObject({ type: 'waterAdded', entered: { unit: 'mL' } });
    await screen.settle();
    expect(screen.text).toContain('Stir, then measure again.');
    expect(screen.text).toContain('of water in');
  });

  it('never measured: it does not correct what it only computed', async () => {
    const { text } = await open(bucket({ measured: false, body: { ...bucket().body, sgLow: 1.3, sgHigh: 1.34 } }));
    expect(text).toContain('Measure it before you correct it.');
  });

  it.each([
    ['°Bé', '45', 1.45],
    ['°Tw', '90', 1.45],
  ])('a hydrometer in %s reads %s', async (scale, value, sg) => {
    const screen = await open(bucket({ sg: 1.46 }));
    await screen.choose('With', 'Hydrometer');
    await screen.choose('Its scale', scale);
    await screen.type('It reads', value);
    await screen.press('Keep the reading');
    const [measured] = sent();
    expect(measured?.type === 'sgMeasured' && measured.sg).toBeCloseTo(sg, 9);
  });

  it('a pint weighed in ounces says which pint, and is no hydrometer', async () => {
    const screen = await open(bucket({ sg: 1.46 }));
    await screen.choose('With', 'A pint, in ounces');
    await screen.choose('Which pint', 'US pint');
    await screen.type('It weighs, without its vessel', '24.2');
    expect(screen.text).toContain('Half an ounce is a wide step');
    await screen.press('Keep the reading');
    expect(sent()[0]).toMatchObject({ type: 'sgMeasured', how: 'a pint weighed, 24.2 oz/US pt' });
  });

  it('a weight typed without its vessel is asked about, and put right with one tap', async () => {
    const screen = await open(bucket());
    await screen.type('Full weight', '145');
    expect(screen.text).toContain('Weighed without the vessel? Then it is SG 1.450.');
    await screen.press('Yes, without it');
    expect(screen.field('Full weight').value).toBe('207.4');
    expect(screen.button('Keep the reading').disabled).toBe(false);
  });

  it('a small cup with wide marks reads roughly, and says so', async () => {
    const screen = await open(bucket());
    await screen.choose('With', 'Another vessel');
    await screen.type('Empty weight', '24');
    await screen.type('Filled to', '10');
    await screen.type('Marks every', '1');
    await screen.type('Full weight', '38.5');
    expect(screen.text).toContain('1.450 ± 0.073');
    expect(screen.text).toContain('That is a rough reading');
  });

  it('a reading the records contradict is asked about before it is kept', async () => {
    const screen = await open(bucket({ sg: 1.45 }));
    await screen.type('Full weight', '172.4');
    expect(screen.text).toContain('By the records it should be near 1.45');
    await screen.type('Full weight', '217.4');
    expect(screen.text).toMatch(/By the records it was 1\.45: about [\d,]+ mL of water have left it since\./);
    await screen.type('Full weight', '207.6');
    expect(screen.text).not.toContain('By the records');
  });

  it('says how fast it thickens, what that rests on, and how long it will do', async () => {
    const reading = (daysAgo: number, sg: number): BucketEvent => ({
      id: id(),
      at: ago(daysAgo * 1440),
      by: 'Inés',
      type: 'sgMeasured',
      sg,
      sgSd: 0.004,
    });
    const { events, ...one } = bucket({ sg: 1.45, measured: false });
    const drift = { perDay: 0.001, perDaySd: 0.0003, spells: 2 };
    const { text } = await open({
      ...one,
      contents: { ...one.contents!, drift },
      events: [{ ...events[0]!, at: ago(31 * 1440) }, reading(30, 1.432), reading(20, 1.442), reading(10, 1.452)],
    });
    expect(text).toContain('Thickens by 0.001 a day, from 2 spells between its readings. Leaves its range in about 8 days (');
  });

  const pouring = async (of: Bucket, others: Bucket[]): Promise<Screen<BucketPage>> => {
    const screen = await open(of, {}, others);
    await screen.press('Pour');
    return screen;
  };

  it('leftovers go into the scraps, and one is led to them', async () => {
    const one = bucket();
    const screen = await pouring(one, []);
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await screen.type('Pour', '0.5 L');
    await screen.press('Pour it');
    const request = records.http.expectOne((each) => each.url.endsWith('/pour'));
    expect(request.request.body).toMatchObject({ toId: null, takenMl: 500, by: 'Inés' });
    const scraps = bucket({ body: { ...one.body, name: 'Scraps' } });
    request.flush(scraps);
    await screen.settle();
    expect(navigate).toHaveBeenCalledWith(['/bucket', scraps.id]);
  });

  it('poured into another says what that becomes, and warns of a mixture', async () => {
    const other = bucket({ sg: 1.4, code: 'B7', recipeId: id(), recipeVersionId: id() });
    const screen = await pouring(bucket({ sg: 1.5 }), [other]);
    await screen.choose('Into', 'B7 Leche de Higo');
    await screen.type('Pour', '4 L');
    expect(screen.text).toMatch(/B7 then holds 1\d\.\d L at 1\.4\d\./);
    expect(screen.text).toContain('it becomes a mixture of both');
  });

  it('its label says what belongs on the lid, and leads to one to print', async () => {
    const one = bucket();
    const screen = await open(one);
    await screen.press('Label');
    expect(screen.text).toContain('Its code opens this bucket');
    await screen.choose('Label size', 'A4, 14 of 99 × 38 mm');
    expect(screen.button('Print the label').getAttribute('href')).toContain(`/buckets/${one.id}/labels.pdf?size=a4-99x38`);
  });

  it('a full cylinder is read with its error and kept with the vessel', async () => {
    const screen = await open(bucket({ sg: 1.55 }));
    await screen.type('Full weight', '207.6');
    expect(screen.text).toContain('1.452 ± 0.007');
    await screen.press('Keep the reading');
    expect(sent()[0]).toMatchObject({
      type: 'sgMeasured',
      reading: { grossGrams: 207.6, tareGrams: 62.4, volumeMl: 100, vessel: 'Cylinder 100 mL' },
      entered: { value: 207.6, unit: 'g' },
    });
    await screen.settle();
    expect(screen.text).toContain('In range.');
  });

  it.each([
    ['60', 'must be more than the empty vessel'],
    ['140', 'above 1.00'],
    ['400', 'above 2.20'],
  ])('%s g in that cylinder is no glaze, and it says why', async (grams, words) => {
    const screen = await open(bucket());
    await screen.type('Full weight', grams);
    expect(screen.text).toContain(words);
    expect(screen.button('Keep the reading').disabled).toBe(true);
  });

  it('another vessel can be used at once and kept for next time', async () => {
    const screen = await open(bucket());
    await screen.choose('With', 'Another vessel');
    await screen.type('Empty weight', '24');
    await screen.type('Filled to', '60');
    await screen.type('Full weight', '111');
    expect(screen.text).toContain('1.450');
    await screen.press('Keep this vessel for next time');
    const { body } = records.http.expectOne((one) => one.method === 'PUT').request as { body: { vessels: { volumeMl: number }[] } };
    expect(body.vessels.at(-1)).toMatchObject({ tareGrams: 24, volumeMl: 60 });
  });

  it('level, swirl and note are one field and one tap each', async () => {
    const screen = await open(bucket());
    await screen.press('Level');
    await screen.type('It holds', '8');
    await screen.press('Keep the level');
    expect(sent()[0]).toMatchObject({ type: 'volumeMeasured', volumeMl: 8000, entered: { value: 8, unit: 'L' } });
    await screen.press('By feel');
    await screen.type('Swirl stops after', '4');
    await screen.press('Keep the swirl');
    expect(sent()[0]).toMatchObject({ type: 'swirlTimed', seconds: 4 });
    await screen.key('s');
    expect(sent()[0]).toMatchObject({ type: 'stirred', by: 'Inés' });
  });

  it('the last step is taken back with a key, the first filling never', async () => {
    const of = bucket();
    const screen = await open(of);
    await screen.key('u');
    expect(sent()[0]).toMatchObject({ type: 'undone', eventId: of.events[1]!.id });
    await screen.settle();
    await screen.key('u');
    records.http.expectNone((one) => one.url.endsWith('/events'));
    expect(screen.text).toContain('never measured');
  });

  describe('stain', () => {
    it('says stain, water and new volume together, and books both', async () => {
      const screen = await open(bucket());
      await screen.press('Stain it');
      await screen.type('Percent of the dry base', '5');
      expect(screen.text).toMatch(/Add 365\.0 g of Stain \(zircon type\)\. That brings it to 1\.4\d/);
      expect(screen.text).toContain('Start low: stain cannot be taken out');
      await screen.press('Stain and water went in');
      const first = sent();
      const events = first.length === 2 ? first : [...first, ...sent()];
      expect(events[0]).toMatchObject({ type: 'powderAdded', reason: 'stain', parts: [{ part: 'stain', powderId: STAIN.id }] });
      expect(events[1]).toMatchObject({ type: 'waterAdded' });
      await screen.settle();
      expect(screen.text).toContain('5.00 % of the base');
    });

    it('coming down is only possible with base, in the bucket’s own shares', async () => {
      const stained: BucketEvent = {
        id: id(),
        at: ago(30),
        by: 'Inés',
        type: 'powderAdded',
        reason: 'stain',
        parts: [{ powderId: STAIN.id, name: STAIN.name, part: 'stain', grams: 365, density: 4.5 }],
      };
      const plain = bucket();
      const screen = await open({ ...plain, events: [...plain.events, stained] });
      await screen.press('Stain it');
      await screen.type('Percent of the dry base', '4');
      expect(screen.text).toContain('add 1,825.0 g of dry base');
      await screen.press('The base went in');
      const [rescue] = sent();
      expect(rescue).toMatchObject({ type: 'powderAdded', reason: 'rescue' });
      expect(rescue?.type === 'powderAdded' && rescue.parts.map((part) => part.powderId)).toEqual([SILICA.id, KAOLIN.id]);
    });

    it('a part is poured off first, and its percentage goes along', async () => {
      const screen = await open(bucket());
      await screen.press('Stain it');
      await screen.type('Percent of the dry base', '3');
      screen
        .all('mat-button-toggle button')
        .find((toggle) => toggle.textContent?.includes('a part'))!
        .click();
      await screen.settle();
      await screen.type('Pour off', '5');
      await screen.press('Poured into a new bucket');
      expect(records.http.expectOne((one) => one.url.endsWith('/split')).request.body).toMatchObject({
        takenMl: 5000,
        name: 'Leche de Higo, stained',
      });
    });

    it('is there already filled in where it came from a pouring', async () => {
      const screen = await open(bucket(), { stain: '3' });
      expect(screen.field('Percent of the dry base').value).toBe('3');
    });
  });

  it('two who rename it: both names are offered', async () => {
    const of = bucket();
    const screen = await open(of);
    await screen.press('Name, SG range, size');
    await screen.type('Name', 'Mine');
    await screen.press('Keep');
    records.refuse(
      `/buckets/${of.id}`,
      409,
      { code: 'stale', detail: 'Changed meanwhile.', current: { ...summaryOf(of), version: 4, body: { ...of.body, name: 'Theirs' } } },
      'PUT',
    );
    await screen.settle();
    expect(screen.text).toContain('Theirs, SG 1.43–1.47');
    await screen.press('Keep mine, as the newest version');
    expect(records.http.expectOne((one) => one.method === 'PUT').request.body).toMatchObject({ version: 4, body: { name: 'Mine' } });
  });
});

describe('the shelf of buckets', () => {
  it('shows level, SG and verdict of each, and finds by code', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(BucketShelf);
    records.answer('/buckets', [
      summaryOf(bucket()),
      summaryOf(bucket({ sg: 1.55, code: 'B2', body: { ...bucket().body, name: 'Marisma' } })),
      { ...summaryOf(bucket({ code: 'B3' })), contents: null },
    ]);
    await screen.settle();
    expect(screen.text).toContain('Marisma 1.55 ± 0.006 too thick');
    expect(screen.text).toContain('· empty');
    expect(screen.all('svg')[1]!.getAttribute('aria-label')).toMatch(/Marisma: \d+ % full, too thick/);
    const search = screen.all<HTMLInputElement>('input')[0]!;
    search.value = 'b2';
    search.dispatchEvent(new Event('input'));
    await screen.settle();
    expect(screen.all('li')).toHaveLength(1);
  });

  it('a scanned label opens its bucket', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(BucketShelf);
    const [one, two] = [bucket(), bucket({ code: 'B2' })];
    records.answer('/buckets', [one, two].map(summaryOf));
    await screen.settle();
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const search = screen.all<HTMLInputElement>('input')[0]!;
    search.value = `http://studio.local:4310/bucket/${two.id}`;
    search.dispatchEvent(new Event('input'));
    await screen.settle();
    search.form!.dispatchEvent(new Event('submit'));
    expect(navigate).toHaveBeenCalledWith(['/bucket', two.id]);
  });

  it.each([
    ['opens once they are there', 'b2', 1],
    ['unless something else was typed since', 'b', 0],
  ])('a code entered before the buckets are there %s', async (_words, typedSince, opened) => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(BucketShelf);
    const [one, two] = [bucket(), bucket({ code: 'B2' })];
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    const search = screen.all<HTMLInputElement>('input')[0]!;
    const type = (text: string): void => {
      search.value = text;
      search.dispatchEvent(new Event('input'));
    };
    type('b2');
    search.form!.dispatchEvent(new Event('submit'));
    if (typedSince !== 'b2') type(typedSince);
    records.answer('/buckets', [one, two].map(summaryOf));
    await screen.settle();
    expect(navigate.mock.calls).toEqual(opened ? [[['/bucket', two.id]]] : []);
  });

  it('puts what is off first, and keeps what was put away out of sight', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(BucketShelf);
    const body = bucket().body;
    records.answer('/buckets', [
      summaryOf(bucket()),
      summaryOf(bucket({ sg: 1.55, code: 'B2', body: { ...body, name: 'Marisma' } })),
      { ...summaryOf(bucket({ code: 'B3', body: { ...body, name: 'Old', closedAt: ago(900) } })), contents: null },
    ]);
    await screen.settle();
    expect(screen.text).not.toContain('Old');
    await screen.choose('Sorted by', 'what is off first');
    expect(screen.all('li')[0]!.textContent).toContain('Marisma');
  });
});

describe('words of the bucket', () => {
  let units: Units;
  beforeEach(() => {
    const records = new FakeRecords();
    records.openStudio();
    units = TestBed.inject(Units);
  });
  const head = { id: 'e', at: ago(1), by: 'Inés' };

  it.each([
    [{ ...head, type: 'waterAdded', grams: 473.18, entered: { value: 1, unit: 'US pt' } }, '1 US pt of water in'],
    [{ ...head, type: 'waterPouredOff', grams: 300 }, '300 mL of clear water poured off and kept'],
    [{ ...head, type: 'volumeMeasured', volumeMl: 9000 }, 'Holds 9.0 L'],
    [{ ...head, type: 'glazeTaken', millilitres: 250, reason: 'dips' }, '250 mL out: on pots'],
    [{ ...head, type: 'sgMeasured', sg: 1.452, sgSd: 0.006 }, 'SG 1.452 ± 0.006'],
    [{ ...head, type: 'swirlTimed', seconds: 4 }, 'Swirl stopped after 4 s'],
    [{ ...head, type: 'noted', text: 'white got iron' }, 'white got iron'],
    [{ ...head, type: 'filled', parts: [], waterGrams: 0, from: 'shelf' }, 'Put on the shelf'],
  ] as [BucketEvent, string][])('history reads %#: %s', (event, words) => {
    expect(eventWords(event, units)).toBe(words);
  });

  it('a small difference asks for a better measurement, not for water', () => {
    const plan = planCorrection({ volumeMl: 10_000, sg: 1.475, targetSg: 1.45, tolerance: 0.02, sgSd: 0.02 });
    const advice = rangeAdvice(plan, { changedSinceMeasured: false, sg: 1.475, targetSg: 1.45, volumeMl: 10_000, measured: true }, units);
    expect(advice).toMatchObject({ tone: 'look', what: 'Measure with more glaze first.' });
    expect(advice.action).toBeUndefined();
  });

  it('a thin bucket is settled and poured off, and the water is kept', () => {
    const plan = planCorrection({ volumeMl: 10_000, sg: 1.38, targetSg: 1.45, tolerance: 0.02, sgSd: 0.005 });
    const advice = rangeAdvice(plan, { changedSinceMeasured: false, sg: 1.38, targetSg: 1.45, volumeMl: 10_000, measured: true }, units);
    expect(advice.what).toContain('pour off 1,240 mL of clear water');
    expect(advice.how).toContain('Keep the water');
    expect(advice.action).toMatchObject({ kind: 'pourOff', grams: 1240 });
  });

  it('one reading makes no chart', () => {
    expect(historySeries([], 'sg')).toBeUndefined();
  });
});

describe('the chart of a long history', () => {
  const points = Array.from({ length: 5000 }, (_, x) => ({ x, y: x === 2500 ? 9 : Math.sin(x / 300) }));

  it('is thinned to what a screen can show, and no peak is lost', () => {
    const shown = thinned(points, { fromMs: 0, toMs: 4999 });
    expect(shown.length).toBeLessThanOrEqual(330);
    expect(Math.max(...shown.map((point) => point.y))).toBe(9);
    expect(shown.map((point) => point.x)).toEqual([...shown.map((point) => point.x)].sort((a, b) => a - b));
  });

  it('close by, every point is drawn', () => {
    expect(thinned(points, { fromMs: 100, toMs: 200 }).map((point) => point.x)).toEqual(Array.from({ length: 103 }, (_, index) => 99 + index));
  });

  it('is moved and widened within what there is', () => {
    const all = { fromMs: 0, toMs: 1000 };
    expect(movedWindow({ fromMs: 0, toMs: 100 }, all, { by: 0.5 })).toEqual({ fromMs: 50, toMs: 150 });
    expect(movedWindow({ fromMs: 0, toMs: 100 }, all, { by: -5 })).toEqual({ fromMs: 0, toMs: 100 });
    expect(movedWindow({ fromMs: 400, toMs: 600 }, all, { times: 99 })).toEqual(all);
  });
});
