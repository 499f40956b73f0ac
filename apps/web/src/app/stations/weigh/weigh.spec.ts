import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { BatchCreate, BenchEvent } from '@cazuela/contract';
import { ago, batch, id, POWDERS, RECIPE, SILICA } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Outbox } from '../../data/offline/outbox';
import { Units } from '../../data/units/units';
import { WeighBench } from './weigh-bench/weigh-bench';
import { WeighPlan } from './weigh-plan/weigh-plan';
import { powderHint, scaleWords, sieveWords } from './weigh-words';

describe('planning a batch', () => {
  let records: FakeRecords;
  const open = async (batches: unknown[] = []): Promise<Screen<WeighPlan>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(WeighPlan, { recipe: RECIPE.id });
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    records.answer('/batches', batches);
    records.answer('/pieces', []);
    records.answer('/buckets', []);
    await screen.settle();
    return screen;
  };

  it('shows the sheet in working order with running totals, water first', async () => {
    const screen = await open();
    const rows = screen.all('tbody tr').map((row) => row.textContent!.replace(/\s+/g, ' ').trim());
    expect(rows[0]).toMatch(/^Water first/);
    expect(rows.slice(1).map((row) => row.split(' ')[0])).toEqual(['Kaolin', 'Silica', 'Tin']);
    expect(rows[2]).toContain('1,000.0 g');
  });

  it('moves with every key: no "calculate" anywhere', async () => {
    const screen = await open();
    await screen.type('Base', '2000');
    expect(screen.text).toContain('2,100.0 g of powder');
  });

  it('says what is wrong instead of a sheet', async () => {
    const screen = await open();
    await screen.type('Base', 'plenty');
    expect(screen.text).toContain('“plenty” is not a number');
    expect(screen.has('Start weighing')).toBe(false);
  });

  it('warns of a line too small for the scale', async () => {
    const screen = await open();
    await screen.type('Base', '40');
    expect(screen.text).toContain('on this scale: weigh a batch');
  });

  const openWith = async (recipe: object, powders: object[] = POWDERS): Promise<Screen<WeighPlan>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(WeighPlan, { recipe: RECIPE.id });
    records.answer('/recipes', [{ ...RECIPE, ...recipe }]);
    records.answer('/powders', powders);
    for (const path of ['/batches', '/pieces', '/buckets']) records.answer(path, []);
    await screen.settle();
    return screen;
  };

  it('of a recipe nobody here has fired is a test first, unless somebody knows it', async () => {
    const screen = await openWith({ fired: false });
    expect(screen.button('Start weighing').disabled).toBe(true);
    await screen.press(/Make it a 300/);
    expect(screen.button('Start weighing').disabled).toBe(false);
    expect(screen.text).toContain('315.0 g of powder');
  });

  it('says what the shelf lacks before the first powder, and how much it allows', async () => {
    const screen = await openWith(
      {},
      POWDERS.map((powder) => (powder.name === 'Kaolin' ? { ...powder, stockGrams: 100 } : powder)),
    );
    expect(screen.text).toContain('Kaolin: 400 g wanted, 100 g there.');
    await screen.press('Weigh 250 g of base');
    expect(screen.text).not.toContain('Short on the shelf');
  });

  it('tells what it costs, and which price is missing', async () => {
    const screen = await openWith(
      {},
      POWDERS.map((powder) => (powder.name === 'Tin oxide' ? powder : { ...powder, pricePerKg: 2 })),
    );
    expect(screen.text).toMatch(/At least 2\.00 € for the powder, \d\.\d\d € a litre; no price yet for Tin oxide\./);
  });

  it('a sum that lacks a tenth of its powder is not said, and a bought base costs what its pack does', async () => {
    const product = { kind: 'base', label: { powder: { value: 1, unit: 'kg' }, water: { value: 1, unit: 'L' } }, packGrams: 5000, packPrice: 20 };
    const lines = [{ id: id(), powderId: SILICA.id, part: 'base', percent: 100 }];
    const bought = await openWith({ body: { ...RECIPE.body, lines, product } });
    expect(bought.text).toContain('4.00 € for the powder');
    const unpriced = await openWith(
      {},
      POWDERS.map((powder) => (powder.name === 'Silica' ? powder : { ...powder, pricePerKg: 2 })),
    );
    expect(unpriced.text).toContain('Nobody can say what it costs: no price yet for Silica.');
  });

  it('is enough for pots without a plan: so many, their face and their coat', async () => {
    const screen = await openWith({});
    await screen.press('for my pieces');
    expect(screen.text).toContain('Say how many of which pieces');
    await screen.type('How many pieces', '36');
    // 36 × 350 cm² × 0.06 cm × half of 2.68 g/mL, and a tenth of waste.
    expect(screen.text).toContain('1,114.3 g of powder');
  });

  it('a jar is opened, not weighed: no other recipe takes its place', async () => {
    const product = { kind: 'jar', coats: 3, jarMl: 473, makerSaysFoodSafe: 'unsaid' };
    const screen = await openWith({ body: { ...RECIPE.body, name: 'Agua Quieta', product } });
    expect(screen.text).toContain('Agua Quieta is bought ready in a jar: it is opened, not weighed.');
    expect(screen.has('Start weighing')).toBe(false);
  });

  it('of everything together counts the additions in', async () => {
    const screen = await openWith({});
    await screen.press('grams in all');
    await screen.type('All powder together', '1050');
    expect(screen.all('tbody tr')[2]!.textContent).toContain('600.0 g');
  });

  it('of a bought base takes its water from the label', async () => {
    const label = { powder: { value: 1, unit: 'lb' }, water: { value: 1, unit: 'US pt' } };
    const screen = await openWith({ body: { ...RECIPE.body, product: { kind: 'base', label, packGrams: 5000 } } });
    await screen.press('by the label');
    expect(screen.all('tbody tr')[0]!.textContent).toContain('1,043.2 g');
  });

  it('is given up from the list, and taken up again', async () => {
    const { events: _events, ...lying } = batch({ linesDone: 1, lastAt: ago(30), lastBy: 'Bruno' });
    const screen = await open([lying]);
    await screen.press('Give Leche de Higo up');
    expect(screen.text).toContain('no longer waits. What was weighed of it is kept.');
    await screen.press('Take it up again');
    expect(screen.has('Go on weighing Leche de Higo')).toBe(true);
  });

  it('is sent as the question alone, with what was typed', async () => {
    const screen = await open();
    await screen.type('Base', '2 lb');
    await screen.press('Start weighing');
    const sent = records.http.expectOne((request) => request.method === 'POST').request.body as BatchCreate;
    expect(sent).toMatchObject({
      recipeVersionId: RECIPE.versionId,
      size: { kind: 'base', baseGrams: 907.18474 },
      entered: { value: 2, unit: 'lb' },
      order: 'clayFirst',
    });
    expect(sent).not.toHaveProperty('plan');
  });

  it('offers what lies unfinished first', async () => {
    const { events: _events, ...lying } = batch({ linesDone: 1, lastAt: ago(30), lastBy: 'Bruno' });
    const screen = await open([lying]);
    expect(screen.text).toContain('waits at line 2 of 3, Bruno');
    expect(screen.has('Go on weighing Leche de Higo')).toBe(true);
  });
});

describe('the weighing bench', () => {
  let records: FakeRecords;
  const one = batch();
  const open = async (of = one): Promise<Screen<WeighBench>> => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'setImmediate', 'setTimeout', 'clearTimeout', 'performance'] });
    records = new FakeRecords();
    records.openStudio();
    TestBed.inject(Outbox).run$.subscribe();
    const screen = await Screen.open(WeighBench, { id: of.id });
    records.answer(`/batches/${of.id}`, of);
    await screen.settle();
    return screen;
  };
  afterEach(() => jest.useRealTimers());
  const title = (screen: Screen<WeighBench>): string => screen.all('h2')[0]!.textContent!.trim();
  const sent = (): BenchEvent['event'] => {
    const request = records.http.expectOne((each) => each.url.endsWith('/events'));
    const [first] = (request.request.body as { events: BenchEvent[] }).events;
    request.flush({ acknowledged: [first!.event.id], refused: [] });
    return first!.event;
  };

  it('asks for the respirator before the first powder, then water, then clay', async () => {
    const screen = await open();
    expect(title(screen)).toBe('Respirator on');
    await screen.key(' ');
    expect(sent().type).toBe('respiratorOn');
    expect(title(screen)).toBe('Water');
    await screen.key('Enter');
    sent();
    expect(title(screen)).toBe('Kaolin');
    expect(screen.text).toContain('Silica dust: scoop low');
  });

  it('an empty field means the target; a typed weight is what went in', async () => {
    const screen = await open({
      ...one,
      events: [
        { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' },
        { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured', grams: 1100 },
      ],
    });
    await screen.type('What the scale shows', '412.5');
    expect(screen.text).toContain('12.5 g too much. Still in the pan: take it out');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 412.5, entered: { value: 412.5, unit: 'g' } });
    expect(title(screen)).toBe('Silica');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 600 });
  });

  it('too much in the bucket: the whole batch is raised with one key, and what is in is topped up', async () => {
    const silica = one.plan.lines[1]!;
    const started = [
      { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' as const },
      { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured' as const, grams: 1100 },
      { id: id(), at: ago(3), by: 'Inés', type: 'lineWeighed' as const, lineId: one.plan.lines[0]!.lineId, grams: 400 },
    ];
    const screen = await open({ ...one, events: started });
    await screen.type('What the scale shows', '660');
    expect(screen.text).toContain('Raised to 110 %: 105.0 g of powder more in all');
    await screen.key('o');
    const first = sent();
    expect(first).toMatchObject({ type: 'lineWeighed', lineId: silica.lineId, grams: 660 });
    const raised = sent();
    expect(raised).toMatchObject({ type: 'batchRaised', divisionGrams: 0.1 });
    expect(raised.type === 'batchRaised' && raised.factor).toBeCloseTo(1.1, 9);
    await screen.settle();
    expect(title(screen)).toBe('Kaolin');
    expect(screen.text).toContain('Once more: 400.0 g are in');
    expect(screen.text).toContain('raised to 110 %');
    await screen.key('Backspace');
    expect(title(screen)).toBe('Tin oxide');
  });

  it('a slip of the decimal point is not taken for an overshoot', async () => {
    const screen = await open({
      ...one,
      events: [
        { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' },
        { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured', grams: 1100 },
      ],
    });
    await screen.type('What the scale shows', '40000');
    expect(screen.text).toContain('weigh this line out again instead');
    expect(screen.has(/Raise the batch/)).toBe(false);
  });

  it('back, skip and note each have their key', async () => {
    const screen = await open({
      ...one,
      events: [
        { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' },
        { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured', grams: 1100 },
      ],
    });
    await screen.key('s');
    expect(sent().type).toBe('lineSkipped');
    expect(title(screen)).toBe('Silica');
    await screen.key('Backspace');
    expect(sent().type).toBe('undone');
    expect(title(screen)).toBe('Kaolin');
    await screen.key('n');
    // Letters belong to the question while it is open.
    await screen.key('s');
    expect(title(screen)).toBe('Kaolin');
    await screen.type('Note', 'new sack, lot 7');
    await screen.press('Keep it');
    expect(sent()).toMatchObject({ type: 'noted', text: 'new sack, lot 7' });
    expect(screen.text).toContain('Note: new sack, lot 7');
  });

  it('is a bucket only when the last weight has reached the records', async () => {
    const events = [
      { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' as const },
      { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured' as const, grams: 1100 },
      ...one.plan.lines
        .slice(0, 2)
        .map((line) => ({ id: id(), at: ago(3), by: 'Inés', type: 'lineWeighed' as const, lineId: line.lineId, grams: line.targetGrams })),
    ];
    const screen = await open({ ...one, events });
    await screen.key(' ');
    expect(title(screen)).toBe('Mix it');
    expect(screen.button(/It is a bucket/).disabled).toBe(true);
    sent();
    await screen.settle();
    expect(screen.button(/It is a bucket/).disabled).toBe(false);
    await screen.type('Name of the bucket', 'Leche, big bucket');
    await screen.press(/It is a bucket/);
    const made = records.http.expectOne((request) => request.url.endsWith('/bucket'));
    expect(made.request.body).toMatchObject({ name: 'Leche, big bucket', by: 'Inés' });
  });

  /** The bench at its first line, with water in. */
  const atFirstLine = (of = one) =>
    open({
      ...of,
      events: [
        { id: id(), at: ago(5), by: 'Inés', type: 'respiratorOn' },
        { id: id(), at: ago(4), by: 'Inés', type: 'waterPoured', grams: 1100 },
      ],
    });

  it('a line the scale cannot hold at once comes in equal loads', async () => {
    const heavy = batch({ plan: { ...one.plan, lines: one.plan.lines.map((line) => ({ ...line, targetGrams: line.targetGrams * 20 })) } });
    const screen = await atFirstLine(heavy);
    expect(screen.text).toContain('Line 1 of 3, load 1 of 2, on the bench scale');
    expect(screen.text).toContain('4,000.0');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'loadWeighed', load: 1, grams: 4000 });
    expect(screen.text).toContain('load 2 of 2');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 4000 });
    expect(title(screen)).toBe('Silica');
  });

  it('a weight that cannot be read is not taken for the target: the line stays until it is right', async () => {
    const screen = await atFirstLine();
    await screen.type('What the scale shows', '41o.2');
    await screen.key(' ');
    records.http.expectNone((each) => each.url.endsWith('/events'));
    expect(title(screen)).toBe('Kaolin');
    expect(screen.text).toContain('“41o.2” is not a number');
    await screen.type('What the scale shows', '410.2');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 410.2 });
  });

  it('a skipped powder is said at the end, and weighed after all with one press', async () => {
    const screen = await atFirstLine();
    await screen.key('s');
    sent();
    for (let line = 0; line < 2; line++) {
      await screen.key(' ');
      sent();
    }
    expect(title(screen)).toBe('Mix it');
    expect(screen.text).toContain('Kaolin, 400.0 g, was skipped.');
    await screen.type('It weighs', String(1100 + 600 + 400 + one.plan.lines[2]!.targetGrams));
    expect(screen.text).toContain('400.0 g too much: the weight of Kaolin, noted as skipped.');
    sent();
    await screen.press('Weigh it now');
    expect(sent().type).toBe('undone');
    expect(title(screen)).toBe('Kaolin');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', lineId: one.plan.lines[0]!.lineId, grams: 400 });
    expect(title(screen)).toBe('Mix it');
    expect(screen.text).not.toContain('was skipped');
  });

  it('any line is gone back to; what was noted for it stands in the field until it is typed anew', async () => {
    const screen = await atFirstLine();
    await screen.key(' ');
    sent();
    await screen.press('Kaolin, 400.0 g in: type it anew');
    sent();
    expect(title(screen)).toBe('Kaolin');
    expect(screen.field('What the scale shows').value).toBe('400');
    await screen.type('What the scale shows', '404');
    await screen.key(' ');
    expect(sent()).toMatchObject({ type: 'lineWeighed', grams: 404 });
    expect(title(screen)).toBe('Silica');
  });

  it('another powder takes a line’s place once what it changes was said', async () => {
    const screen = await atFirstLine();
    await screen.key('p');
    for (const request of records.http.match((each) => each.url.endsWith('/powders'))) request.flush(POWDERS);
    await screen.settle();
    await screen.choose('Weigh instead of Kaolin', 'Silica');
    expect(screen.text).toContain('In the bucket it settles hard instead of stays up');
    expect(screen.text).toContain('dip a tile of it before any pot is trusted to it');
    await screen.press('Take it');
    expect(sent()).toMatchObject({ type: 'lineSubstituted', name: 'Silica', lineId: one.plan.lines[0]!.lineId });
    expect(screen.text).toContain('Instead of Kaolin.');
  });

  it('the lot of a powder is noted on its line', async () => {
    const screen = await atFirstLine();
    await screen.key('l');
    await screen.type('Lot of Kaolin', 'bag 14');
    await screen.press('Keep it');
    expect(sent()).toMatchObject({ type: 'checked', check: 'powderLot', text: 'bag 14', lineId: one.plan.lines[0]!.lineId });
  });

  it('raising says what the shelf lacks for it', async () => {
    const screen = await atFirstLine();
    for (const request of records.http.match((each) => each.url.endsWith('/powders')))
      request.flush(POWDERS.map((powder) => (powder.name === 'Silica' ? { ...powder, stockGrams: 500 } : powder)));
    await screen.settle();
    await screen.type('What the scale shows', '440');
    expect(screen.text).toContain('The shelf does not: Silica: 660 g wanted, 500 g there.');
  });

  it('leaving keeps its place', async () => {
    const screen = await open();
    const navigate = jest.spyOn(TestBed.inject(Router), 'navigateByUrl').mockResolvedValue(true);
    await screen.key('Escape');
    expect(navigate).toHaveBeenCalledWith('/weigh');
  });
});

describe('words of the weighing bench', () => {
  it('a small line offers the larger batch and the dilution', () => {
    const records = new FakeRecords();
    records.openStudio();
    const units = TestBed.inject(Units);
    expect(scaleWords({ kind: 'tooSmall', error: 0.5, loads: 1, baseFactor: 25 }, units)).toBe(
      '± 50.0 % on this scale: weigh a batch 25.0 times as large, or dilute 1 + 9 in another powder of the recipe.',
    );
    expect(scaleWords({ kind: 'fine', error: 0.001, loads: 3 }, units)).toBe('in 3 loads');
    expect(scaleWords({ kind: 'fine', error: 0.001, loads: 1 }, units)).toBe('');
  });

  it('a poison is named before dust is', () => {
    expect(powderHint(['silica dust', 'toxic if swallowed'])).toBe(
      'Toxic if swallowed. Its data sheet comes first. Silica dust: scoop low, pour slowly, wipe wet.',
    );
    expect(powderHint(['toxic if swallowed', 'not during pregnancy'])).toBe('Toxic if swallowed; not during pregnancy. Its data sheet comes first.');
    expect(powderHint([])).toBe('');
  });

  it('the finest mesh decides the last sieve', () => {
    expect(sieveWords([60, 100, undefined])).toContain('then through 100');
    expect(sieveWords([60])).toBe('Sieve through 60 mesh. Again if lumps stay.');
    expect(sieveWords([])).toContain('no powder here asks for a sieve');
  });
});
