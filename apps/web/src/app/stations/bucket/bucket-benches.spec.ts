import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { BucketEvent } from '@cazuela/core';
import type { BenchEvent, Bucket, Studio } from '@cazuela/contract';
import { ago, bucket, id, POWDERS, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Outbox } from '../../data/offline/outbox';
import { BucketPage } from './bucket-page/bucket-page';
import { BucketShelf } from './bucket-shelf/bucket-shelf';

describe('the benches of a bucket', () => {
  let records: FakeRecords;
  const open = async (of: Bucket, bench?: string, others: Bucket[] = [], studio: Partial<Studio> = {}): Promise<Screen<BucketPage>> => {
    records = new FakeRecords();
    records.openStudio(studio);
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(BucketPage, { id: of.id });
    records.answer(`/buckets/${of.id}`, of);
    await screen.settle();
    records.answer('/powders', [...POWDERS, BENTONITE]);
    records.answer('/buckets', [of, ...others].map(summaryOf));
    await screen.settle();
    if (bench) await screen.press(bench);
    return screen;
  };
  const sent = (): BucketEvent[] => {
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    const { events } = request.request.body as { events: BenchEvent[] };
    request.flush({ acknowledged: events.map((entry) => entry.event.id), refused: [] });
    return events.map((entry) => entry.event as BucketEvent);
  };
  const put = () => records.http.expectOne((one) => one.method === 'PUT').request.body as { body: Bucket['body'] };
  const toggle = async (screen: Screen<BucketPage>, words: string): Promise<void> => {
    screen
      .all('mat-button-toggle button')
      .find((one) => one.textContent?.trim() === words)!
      .click();
    await screen.settle();
  };
  const BENTONITE = { ...POWDERS[0]!, id: id(), name: 'Bentonite', role: 'suspender', densityGMl: 2.5, rawClay: 5, shrinkWeight: 6 };
  const happened = (of: Bucket, ...events: BucketEvent[]): Bucket => ({ ...of, events: [...of.events, ...events] });
  const head = (minutesAgo: number): { id: string; at: string; by: string } => ({ id: id(), at: ago(minutesAgo), by: 'Bruno' });

  describe('ways into range', () => {
    it('stand side by side with what each costs and what is in its way', async () => {
      const { text } = await open(bucket({ sg: 1.38 }));
      expect(text).toContain('Ways into its range');
      expect(text).toMatch(/[\d,.]+ g of its own powder/);
      expect(text).toContain('Leave the lid off');
      expect(text).toContain('It stays up: hardly any clear water stands on it even after a day.');
    });

    it('its own powder goes in by the recipe’s shares, with one tap', async () => {
      const screen = await open(bucket({ sg: 1.38 }));
      await screen.press(/^It went in/);
      const [powder] = sent();
      expect(powder).toMatchObject({ type: 'powderAdded', reason: 'thicken' });
      const grams = powder?.type === 'powderAdded' ? powder.parts.map((part) => part.grams) : [];
      expect(grams[0]! / grams[1]!).toBeCloseTo(4000 / 3300, 6);
      await screen.settle();
      expect(screen.text).not.toContain('Ways into its range');
    });

    it('a thicker bucket of the same glaze is offered, and leads there with the amount', async () => {
      const of = bucket({ sg: 1.38 });
      const thicker = bucket({ sg: 1.6, code: 'B9' });
      const screen = await open(of, undefined, [thicker]);
      expect(screen.button('Pour it from B9').getAttribute('href')).toMatch(new RegExp(`/bucket/${thicker.id}\\?pour=${of.id}&ml=\\d+`));
    });
  });

  describe('by feel', () => {
    it('a swirl that sprang back, drips and thumbnail are kept as they were read', async () => {
      const screen = await open(bucket(), 'By feel');
      await screen.type('Swirl stops after', '4');
      const box = screen.all<HTMLInputElement>('input[type=checkbox]')[0]!;
      box.click();
      await screen.settle();
      await screen.press('Keep the swirl');
      expect(sent()[0]).toMatchObject({ type: 'swirlTimed', seconds: 4, springsBack: true });
      await screen.type('Drips from a dipped finger', '3');
      await screen.press('Keep the drips');
      expect(sent()[0]).toMatchObject({ type: 'dripsCounted', drips: 3 });
      await screen.press('edge softened');
      expect(sent()[0]).toMatchObject({ type: 'nailLooked', shows: 'softened' });
      await screen.settle();
      expect(screen.text).toContain('Swirl stopped after 4 s, and sprang back');
    });

    it('what it should feel like is kept with the bucket, and judged by', async () => {
      const of = happened(bucket(), { ...head(5), type: 'swirlTimed', seconds: 14 });
      const told = await open({ ...of, body: { ...of.body, feel: { swirl: { low: 6, high: 10 } } } }, 'By feel');
      expect(told.text).toContain('Feels too thin: swirl 14.0 s');
      expect(told.text).toContain('SG is right and it runs like water: a few drops of Epsom brine');
      // One advice: the SG is known, so no water is poured off by feel.
      expect(told.text).not.toContain('Let it settle over night');
      await told.type('Swirl from', '12');
      expect(told.text).toContain('The “from” must not be above the “to”.');
      await told.type('Swirl from', '7');
      await told.press('Keep these');
      expect(put().body.feel).toEqual({ swirl: { low: 7, high: 10 } });
    });

    it('too thick by feel has an amount of water to try, with one tap; the state is said in a word', async () => {
      const plain = bucket({ measured: false });
      const of = happened(plain, { ...head(5), type: 'swirlTimed', seconds: 3 });
      const screen = await open({ ...of, body: { ...of.body, feel: { swirl: { low: 6, high: 10 } } } }, 'By feel', [], { reads: 'feel' });
      expect(screen.text).toMatch(/Try \d+ mL of water, stir well, and feel it again\./);
      await screen.press(/^\d+ mL went in$/);
      expect(sent()[0]).toMatchObject({ type: 'waterAdded' });
      await screen.press('thickened, stops at once');
      expect(sent()[0]).toMatchObject({ type: 'stateTold', state: 'flocculated' });
    });

    it('pairs with SG: too few say so, enough tell each other', async () => {
      const pair = (day: number, sg: number, seconds: number): BucketEvent[] => [
        { ...head(day * 1440), type: 'sgMeasured', sg, sgSd: 0.005 },
        { ...head(day * 1440 - 5), type: 'swirlTimed', seconds },
      ];
      const plain = bucket({ measured: false });
      const { events } = plain;
      const first = { ...events[0]!, at: ago(90 * 1440) };
      const few = await open({ ...plain, events: [first, ...pair(60, 1.48, 6), ...pair(50, 1.46, 9)] }, 'By feel');
      expect(few.text).toContain('2 pairs of swirl and SG so far: from four different ones on');
      const enough = [...pair(60, 1.48, 6), ...pair(50, 1.46, 9), ...pair(40, 1.44, 12), ...pair(30, 1.42, 15)];
      const screen = await open({ ...plain, events: [first, ...enough, { ...head(10), type: 'swirlTimed', seconds: 10.5 }] }, 'By feel');
      expect(screen.text).toContain('A swirl of 10.5 s stands for SG 1.45 (');
      expect(screen.text).toContain('from 4 pairs in this bucket');
    });
  });

  describe('a studio that works by feel alone', () => {
    const felt = { swirl: { low: 6, high: 10 } };

    it('meets a bucket by its feel: no SG is asked for', async () => {
      const of = happened(bucket(), { ...head(5), type: 'swirlTimed', seconds: 8 });
      const { text } = await open({ ...of, body: { ...of.body, feel: felt } }, undefined, [], { reads: 'feel' });
      expect(text).toContain('Feels right: swirl 8.0 s');
      expect(text).not.toContain('Measure the SG');
      expect(text).not.toContain('Wanted 1.43');
    });

    it('sees its shelf by feel', async () => {
      const shelf = new FakeRecords();
      shelf.openStudio({ reads: 'feel' });
      const screen = await Screen.open(BucketShelf);
      const of = summaryOf(bucket());
      const at = ago(5);
      shelf.answer('/buckets', [
        { ...of, body: { ...of.body, feel: felt }, contents: { ...of.contents!, feel: { swirlSeconds: 14, at } } },
        { ...of, id: id(), code: 'B2' },
      ]);
      await screen.settle();
      expect(screen.text).toContain('14 s too thin');
      expect(screen.text).toContain('not felt');
    });
  });

  describe('settling', () => {
    it('says how it stays up and why, and first aid with the drill’s caution', async () => {
      const { text } = await open(bucket(), 'Settling');
      expect(text).toContain('Stays up.');
      expect(text).toContain('Stir it now and then.');
      expect(text).toContain('Dry hands, the cable away from water');
    });

    it('counts drops one by one with their dose, and takes the last back', async () => {
      const screen = await open(bucket(), 'Settling');
      await toggle(screen, 'Epsom drops');
      expect(screen.text).toContain('0 drops are in it, 0 mL or 0 g');
      await screen.press('Five drops');
      expect(sent()).toMatchObject([{ type: 'dropsAdded', drops: 5 }]);
      await screen.press(/One drop in/);
      expect(sent()).toMatchObject([{ type: 'dropsAdded', drops: 1 }]);
      expect(screen.text).toContain('6 drops are in it, 0.304 mL or 0.210 g: 0.003 % of the dry glaze.');
      await screen.press('Take the last back');
      expect(sent()[0]!.type).toBe('undone');
      expect(screen.text).toContain('5 drops are in it');
    });

    it('stops at the ceiling', async () => {
      const screen = await open(happened(bucket(), { ...head(5), type: 'dropsAdded', drops: 640 }), 'Settling');
      await toggle(screen, 'Epsom drops');
      expect(screen.text).toContain('At the ceiling: stop.');
      expect(screen.button(/One drop in/).disabled).toBe(true);
    });

    it('glaze that is used takes its salts along', async () => {
      const of = happened(
        bucket(),
        { ...head(9), type: 'dropsAdded', drops: 100 },
        { ...head(5), type: 'glazeTaken', millilitres: 5000, reason: 'dips' },
      );
      const screen = await open(of, 'Settling');
      await toggle(screen, 'Epsom drops');
      expect(screen.text).toContain('50 drops are in it');
    });

    it('a dose that did well is kept for the glaze, and the next bucket is offered it by its dry weight', async () => {
      const screen = await open(happened(bucket(), { ...head(9), type: 'dropsAdded', drops: 146 }), 'Settling');
      await toggle(screen, 'Epsom drops');
      await screen.press('Keep this dose for the glaze');
      const [dose] = put().body.doses!;
      expect(dose).toMatchObject({ of: 'epsom', fromCode: 'B1' });
      expect(dose!.gramsPerDryKg).toBeCloseTo(0.7, 6);
      const next = bucket({ code: 'B8' });
      const offered = await open({ ...next, body: { ...next.body, doses: [dose!] } }, 'Settling');
      await toggle(offered, 'Epsom drops');
      expect(offered.text).toContain('B1 liked 0.700 g of it to a dry kilogram: 7.41 mL here.');
    });

    it('silicate past its thinnest is stopped', async () => {
      const step = (minutesAgo: number, seconds: number): BucketEvent[] => [
        { ...head(minutesAgo), type: 'dropsAdded', drops: 5, of: 'silicate' },
        { ...head(minutesAgo - 1), type: 'flowTimed', seconds },
      ];
      const screen = await open(happened(bucket(), ...step(40, 22), ...step(30, 15), ...step(20, 19)), 'Settling');
      await toggle(screen, 'thin it: silicate');
      expect(screen.text).toContain('Past its thinnest, which was 15.0 s at 10 drops');
      expect(screen.button(/One drop in/).disabled).toBe(true);
    });

    it('bentonite goes in with its hot water, and the SG it brings is told first', async () => {
      const screen = await open(bucket(), 'Settling');
      await toggle(screen, 'bentonite');
      expect(screen.text).toMatch(/73\.0 g into 730 mL of hot water\. The bucket then stands at 1\.4\d/);
      await screen.press('Bentonite and its water went in');
      const first = sent();
      const events = first.length === 2 ? first : [...first, ...sent()];
      expect(events).toMatchObject([
        { type: 'powderAdded', reason: 'suspend', parts: [{ name: 'Bentonite', part: 'addition' }] },
        { type: 'waterAdded', grams: 730 },
      ]);
    });

    it('gum says its most water, and warns over its limit', async () => {
      const screen = await open(bucket(), 'Settling');
      await toggle(screen, 'gum');
      expect(screen.text).toContain('150 mL of gum solution; with it at most 150 mL of water.');
      await screen.type('Gum solution', '40');
      expect(screen.text).toContain('it dries too slowly to handle');
      await screen.type('Gum solution', '15');
      await screen.press('Gum went in');
      expect(sent()[0]).toMatchObject({ type: 'gumAdded', millilitres: 150 });
    });
  });

  describe('level and dipping', () => {
    const shaped = (): Bucket => {
      const of = bucket();
      return { ...of, body: { ...of.body, shape: { kind: 'cylinder', acrossMm: 300, highMm: 300 } } };
    };

    it('a dipstick gives litres where the inner sizes are known', async () => {
      const screen = await open(shaped(), 'Level');
      await screen.type('Dipstick is wet', '120');
      expect(screen.text).toContain('that is 8.5 L');
      await screen.press('Keep the depth');
      const [level] = sent();
      expect(level).toMatchObject({ type: 'volumeMeasured', depthMm: 120 });
      await screen.type('Dipstick is wet', '400');
      expect(screen.text).toContain('300 mm high inside');
    });

    it('says what goes under, what is too wide, and what a pour needs', async () => {
      const screen = await open(shaped(), 'What dips in it');
      records.answer('/pieces', []);
      await screen.settle();
      expect(screen.text).toContain('The glaze stands 141 mm deep.');
      expect(screen.text).toMatch(/Cup goes under whole; the level rises \d/);
      expect(screen.text).toMatch(/Platter too wide \(330 mm in 300 mm\): pour it/);
    });

    it('a bucket’s brim follows from its inner sizes', async () => {
      const screen = await open(bucket());
      await screen.press('Name, SG range, size');
      await screen.choose('Shape inside', 'round, straight');
      await screen.type('Across inside', '300');
      await screen.press('Keep');
      expect(put().body).toMatchObject({ shape: { kind: 'cylinder', acrossMm: 300, highMm: 300 }, capacityMl: 21206 });
    });
  });

  describe('in and out', () => {
    it('water, powder and glaze by one’s own measure, each with what the bucket then holds', async () => {
      const screen = await open(bucket(), 'In and out');
      await screen.type('How much', '0.5 L');
      expect(screen.text).toContain('It then holds 10.5 L at 1.43.');
      await screen.press('Note it');
      expect(sent()[0]).toMatchObject({ type: 'waterAdded', grams: 500, entered: { value: 0.5, unit: 'L' } });
      await toggle(screen, 'glaze used');
      await screen.type('How much', '2 L');
      await screen.press('Note it');
      expect(sent()[0]).toMatchObject({ type: 'glazeTaken', millilitres: 2000, reason: 'other' });
      await toggle(screen, 'powder in');
      await screen.choose('Powder', 'Silica');
      await screen.type('How much', '120');
      await screen.press('Note it');
      expect(sent()[0]).toMatchObject({ type: 'powderAdded', parts: [{ name: 'Silica', part: 'base', grams: 120 }] });
    });

    it.each([
      ['water in', '50 L', 'That is more than its 16.0 L'],
      ['water off', '9 L', 'of its water are in it by the records'],
      ['glaze lost', '11 L', 'Only 10.0 L are in it by the records.'],
    ])('%s, %s: asked about before it is noted', async (kind, amount, words) => {
      const screen = await open(bucket(), 'In and out');
      await toggle(screen, kind);
      await screen.type('How much', amount);
      expect(screen.text).toContain(words);
      expect(screen.button('Note it').disabled).toBe(true);
      await screen.check('It is right all the same');
      await screen.press('Note it');
      expect(sent()).toHaveLength(1);
    });
  });

  describe('time', () => {
    it('a lid that is off lets water go: an estimate says so, and is put back with one tap', async () => {
      const of = bucket({ measured: false });
      const events: BucketEvent[] = [
        { ...of.events[0]!, at: ago(20 * 1440) },
        { ...head(10 * 1440), type: 'lidSet', lid: 'open' },
        { ...head(8 * 1440), type: 'sgMeasured', sg: 1.45, sgSd: 0.005 },
      ];
      const screen = await open({ ...of, events });
      expect(screen.text).toMatch(
        /About [\d,]+ mL of water \([\d,]+ mL–[\d,]+ mL\) have left since it was measured: near 1\.\d\d by now, a starting guess/,
      );
      await screen.press(/Top up .* without measuring/);
      expect(sent()[0]!.type).toBe('waterAdded');
    });

    it('the lid is told with one tap', async () => {
      const screen = await open(bucket());
      await toggle(screen, 'on');
      expect(sent()[0]).toMatchObject({ type: 'lidSet', lid: 'closed' });
    });
  });

  describe('identity and care', () => {
    it('what got into it stays in sight until it is taken back', async () => {
      const screen = await open(bucket(), 'Notes');
      await screen.type('Something got into it', 'iron from the tongs');
      await screen.press('It is contaminated');
      sent();
      await screen.settle();
      expect(screen.text).toContain('Contaminated: iron from the tongs.');
      await screen.press('Take back: Contaminated: iron from the tongs');
      sent();
      await screen.settle();
      expect(screen.text).not.toContain('Test it before any pot');
    });

    it('the drill out of a darker bucket is washed first', async () => {
      const dark = bucket({ code: 'B3' });
      const stirred = {
        ...dark,
        body: { ...dark.body, name: 'Noche Honda', colour: '#25305C' },
        contents: { ...dark.contents!, stirredAt: ago(10) },
      };
      const { text } = await open(bucket(), undefined, [stirred]);
      expect(text).toContain('last in B3 Noche Honda, which is darker: wash them');
    });

    it('a mixture is called one, and its recipe no longer speaks for it', async () => {
      const of = bucket();
      const filled = of.events[0]!;
      const events = [filled, { ...filled, id: id(), at: ago(30), glazes: ['Tinaja, version 1', 'Marisma, version 2'] } as BucketEvent];
      const { text } = await open({ ...of, events });
      expect(text).toContain('A mixture: Tinaja, version 1 and Marisma, version 2.');
    });
  });

  describe('pouring', () => {
    it('a jar’s worth goes into a vessel of its own', async () => {
      const of = bucket();
      const screen = await open(of, 'Pour');
      const navigate = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
      await screen.press('a jar');
      await screen.press('Pour it');
      const request = records.http.expectOne((one) => one.url.endsWith('/split'));
      expect(request.request.body).toMatchObject({ takenMl: 500, name: 'Leche de Higo, a jar' });
      const made = bucket();
      request.flush(made);
      await screen.settle();
      expect(navigate).toHaveBeenCalledWith(['/bucket', made.id]);
    });

    it('waste is booked as lost, and never told to go down the drain', async () => {
      const screen = await open(bucket(), 'Pour');
      await screen.choose('Into', 'the waste bucket, lost');
      expect(screen.text).toContain('none goes down the drain');
      await screen.type('Pour', '1 L');
      await screen.press('Pour it');
      expect(sent()[0]).toMatchObject({ type: 'glazeTaken', millilitres: 1000, reason: 'waste' });
    });

    it('only an empty bucket is put away', async () => {
      const full = await open(bucket());
      await full.press('Name, SG range, size');
      expect(full.button('Put it away').disabled).toBe(true);
      const of = bucket();
      const empty = await open(happened(of, { ...head(5), type: 'glazeTaken', millilitres: 50_000, reason: 'waste' }));
      await empty.press('Name, SG range, size');
      await empty.press('Put it away');
      expect(put().body.closedAt).toBeDefined();
    });
  });

  it('a vessel is checked with water where it is used, and its true volume kept', async () => {
    const screen = await open(bucket());
    await screen.type('Full of water', '161.6');
    expect(screen.text).toContain('To that mark it holds 99.2 mL, not 100.');
    await screen.press('Keep its true volume');
    const { body } = records.http.expectOne((one) => one.method === 'PUT').request as { body: Studio };
    expect(body.vessels[0]).toMatchObject({ volumeMl: 99.2, tareGrams: 62.4 });
  });

  it('a reading that does not fit the one just before is asked about', async () => {
    const of = bucket({ measured: false });
    const screen = await open(happened(of, { ...head(10), type: 'sgMeasured', sg: 1.45, sgSd: 0.006 }));
    await screen.type('Full weight', '214.4');
    expect(screen.text).toContain('The reading just before was 1.450: 0.070 apart');
    await screen.press('Leave the earlier out');
    expect(sent()[0]).toMatchObject({ type: 'undone' });
  });
});
