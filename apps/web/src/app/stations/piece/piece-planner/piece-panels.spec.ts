import type { TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { stepSheetSchema, type ClayBody, type PieceBody, type Recipe } from '@cazuela/contract';
import { shapeOf, type PiecePlan } from '@cazuela/core';
import { CLAY, id, RECIPE } from '../../../../testing/made-up';
import { BLUE, coat, PlannerScreen, WHITE, zones } from '../../../../testing/planner-screen';
import type { FakeRecords } from '../../../../testing/records';
import type { Screen } from '../../../../testing/screen';
import type { PiecePlanner } from './piece-planner';

describe('the panels of a piece plan', () => {
  let planner: PlannerScreen;
  let records: FakeRecords;
  const open = async (
    plan: Partial<PiecePlan> = {},
    body: Partial<PieceBody> = {},
    recipes: Recipe[] = [RECIPE],
    bodies: ClayBody[] = [CLAY],
  ): Promise<Screen<PiecePlanner>> => {
    planner = await PlannerScreen.open(plan, { body, recipes, bodies });
    records = planner.records;
    return planner.screen;
  };
  const last = (): PieceBody => planner.saved();
  const steps = (): string => planner.steps();
  const at = (place: string): Promise<void> => planner.at(place);

  it('a strip is added, coated, waved and glazed first', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    await screen.press('A strip');
    expect(last().plan.strips).toEqual([{ id: expect.any(String), layers: [], fromMm: 35.2, toMm: 52.8 }]);
    await screen.press('A coat on the strip 1');
    expect(last().plan.strips![0]!.layers).toHaveLength(1);
    await screen.choose('Its edges', 'waving edge');
    expect(last().plan.strips![0]!.edge).toEqual({ kind: 'waving', riseMm: 10, waves: 5 });
    await screen.check('glazed first and waxed over');
    expect(last().plan.strips![0]!.first).toBe(true);
    expect(steps()).toContain('Wax over the strip 35–53 mm up');
    await screen.type('From', '60');
    expect(screen.text).toContain('A strip has no height');
    // What was refused does not stay in its field.
    await screen.leave('From');
    expect(screen.field('From').value).toBe('35.2');
    await screen.press('Take strip 1 away');
    expect(last().plan.strips).toEqual([]);
  });

  it('a strip has a surface of its own, or the one around it', async () => {
    const screen = await open();
    await screen.press('A strip');
    await screen.choose('Surface of strip 1', 'flutes');
    expect(last().plan.strips![0]!.texture).toEqual({ kind: 'flutes', pitchMm: 8, valleyMm: 5 });
    await screen.type('Valley width', '4');
    expect(last().plan.strips![0]!.texture).toEqual({ kind: 'flutes', pitchMm: 8, valleyMm: 4 });
    await screen.choose('Surface of strip 1', 'clay as around it');
    expect(last().plan.strips![0]!.texture).toBeUndefined();
  });

  it('what stands in a bucket may be a slip: it does not run, and whether it holds is asked', async () => {
    const screen = await open({ zones: zones({ outside: [coat(WHITE.id)] }) });
    await at('Outside');
    await screen.check('Coat 1 is a slip: it does not melt');
    expect(last().plan.zones.outside[0]).toMatchObject({ bucketId: WHITE.id, coatingKind: 'slip' });
    expect(screen.text).toContain('Whether Leche de Higo holds on Barro Claro is not known.');
    expect(screen.text).toContain('Nothing is on it yet that could run.');
    await screen.check('Coat 1 is a slip: it does not melt');
    expect(last().plan.zones.outside[0]!.coatingKind).toBeUndefined();
  });

  it('a panel is a part of the turn, told in percent', async () => {
    const screen = await open();
    await screen.press('A panel');
    expect(last().plan.strips![0]!.turn).toEqual({ from: 0.9, to: 0.15 });
    await screen.type('Round to', '30');
    expect(last().plan.strips![0]!.turn).toEqual({ from: 0.9, to: 0.3 });
    await screen.type('Round to', '90');
    expect(screen.text).toContain('A panel has no width: its sides lie on one another.');
  });

  it('a line is kept bare by wax, tape or scraping; the foot by what is chosen', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    await screen.press('A bare band');
    expect(steps()).toContain('Wax the band 44–48 mm up');
    last();
    await screen.choose('By', 'tape');
    expect(steps()).toContain('Take the tape off the band 44–48 mm up before the glaze is bone dry');
    await screen.choose('The foot is kept bare by', 'soaking it in water');
    expect(steps()).toContain('Soak the foot 10 mm deep in water');
    expect(screen.text).toContain('A soaked foot keeps its water for hours.');
    if (!screen.has('Wax it instead')) await screen.press('What to do: A soaked foot keeps its water for hours.');
    await screen.press('Wax it instead');
    expect(steps()).toContain('Wax the foot and 10 mm up');
  });

  it('a small pot is named and chosen as a coat: brushed, or rubbed in when it is a wash', async () => {
    const screen = await open({ zones: zones({ outside: [coat(WHITE.id)] }) });
    await screen.press('A small pot');
    const decoratingColourId = last().plan.decoratingColours![0]!.id;
    await screen.press('One over it on the outside');
    await screen.choose('Outside, coat 2: bucket', 'Colour 1 (underglaze)');
    expect(last().plan.zones.outside[1]).toMatchObject({ bucketId: decoratingColourId, method: 'brush', coatingKind: 'underglaze' });
    expect(steps()).toContain('Brush Colour 1 on the outside');
    await at('Small pots');
    await screen.choose('It is', 'slip');
    expect(last().plan.zones.outside[1]!.coatingKind).toBe('slip');
    expect(screen.text).toContain('Whether Colour 1 holds on Barro Claro is not known.');
    expect(screen.button('Take Colour 1 away').disabled).toBe(true);
  });

  it('area, glaze and lift stand for each place and for all', async () => {
    const screen = await open({ zones: zones({ inside: [coat(WHITE.id, 0.4, 'pour')], outside: [coat(BLUE.id)] }) });
    const rows = screen.all('cz-piece-sums tbody tr').map((row) => row.textContent!.replace(/\s+/g, ' ').trim());
    expect(rows).toHaveLength(3);
    expect(rows[0]).toMatch(/^inside ?[\d.]+ cm² ?\d+ mL ?[\d.]+ g ?–$/);
    expect(rows[1]).toMatch(/^outside ?[\d.]+ cm² ?\d+ mL ?[\d.]+ g ?\d+ mL$/);
    // What is shown is what screen readers get, each figure under its column.
    const seen = screen.all('cz-piece-sums .live')[0]!.textContent!.split('\n');
    expect(seen.map((line) => line.length)).toEqual([40, 40, 40]);
    expect(seen.map((line) => line.replace(/\s+/g, ''))).toEqual(
      screen.all('cz-piece-sums tbody tr').map((row) =>
        [...row.querySelectorAll('td')]
          .map((cell) => cell.textContent!)
          .join('')
          .replace(/\s+/g, ''),
      ),
    );
  });

  it('a strip and a panel are named by their heights, short enough for a phone', async () => {
    const strip = { fromMm: 35, toMm: 53, layers: [coat(BLUE.id)] };
    const screen = await open({
      zones: zones({ outside: [coat(WHITE.id)] }),
      strips: [
        { id: '01920000-0000-7000-8000-0000000000a1', ...strip },
        { id: '01920000-0000-7000-8000-0000000000a2', ...strip, turn: { from: 0, to: 0.25 } },
      ],
    });
    const names = screen.all('cz-piece-sums tbody th').map((name) => name.textContent!.trim());
    expect(names).toEqual(['outside', 'strip 35–53 mm', 'panel 35–53 mm', 'all']);
    expect(screen.all('cz-piece-sums .rows span').map((name) => name.textContent!.trim())).toEqual(names);
  });

  it('a set: each one different, by a rule that is kept; too many are refused in words', async () => {
    const screen = await open({ zones: zones({ inside: [coat(WHITE.id)], outside: [coat(BLUE.id)] }) }, { count: 3 });
    await screen.press(/^Set of/);
    await screen.check('each one different');
    const { variations } = last();
    expect(variations!.rule.places).toEqual(['inside', 'outside']);
    expect(variations!.pieces).toHaveLength(3);
    expect(screen.all('.pieces li')).toHaveLength(3);
    expect(new Set(screen.all('.pieces li').map((one) => one.textContent!.replace(/^\s*\d+\./, ''))).size).toBe(3);
    await screen.type('How many', '9');
    expect(screen.text).toContain('make 4 different pieces, and 9 are wanted: add a glaze or a place.');
    await screen.check('each one different');
    expect(last().variations).toBeUndefined();
  });

  it('pinned, a step stays before the next whatever the search finds; let go, it does not', async () => {
    const screen = await open({ zones: zones({ inside: [coat(WHITE.id, 0.4, 'pour')], outside: [coat(BLUE.id)] }) });
    await screen.press(/^Pin before the next: Pour Leche de Higo inside/);
    const { pins, zones: placed } = last().plan;
    expect(pins).toEqual([{ before: `layer:${placed.inside[0]!.id}`, after: `layer:${placed.outside[0]!.id}` }]);
    await screen.press(/^Let go: Pour Leche de Higo inside/);
    expect(last().plan.pins).toEqual([]);
  });

  it('a bucket that holds another version than was planned is said, and taken with one tap', async () => {
    const old = { bucketId: WHITE.id, recipeVersionId: id(), number: 1 };
    const screen = await open({ zones: zones({ inside: [coat(WHITE.id)] }), versions: [old] });
    expect(screen.text).toMatch(/was version 1 when this was planned; its bucket now holds version \d/);
    await screen.press(/^Plan it with version/);
    expect(last().plan.versions![0]!.recipeVersionId).toBe(WHITE.recipeVersionId);
    expect(screen.text).not.toContain('when this was planned');
  });

  it('a recipe that was changed since is said; plan and bucket keep theirs', async () => {
    const kept = { bucketId: WHITE.id, recipeVersionId: WHITE.recipeVersionId!, number: 1 };
    const changed = { ...RECIPE, id: WHITE.recipeId!, versionId: id(), reason: 'less kaolin' };
    const screen = await open({ zones: zones({ inside: [coat(WHITE.id)] }), versions: [kept] }, {}, [changed]);
    expect(screen.text).toContain('was changed since (less kaolin). This plan and its bucket keep version 1.');
  });

  it('the bisque lot it comes from decides its thirst, and another body has none of its lots', async () => {
    const lots = ['04', '08'].map((bisqueCone) => ({ id: id(), name: `Lot ${bisqueCone}`, at: '2026-02-01T10:00:00.000Z', bisqueCone }));
    const screen = await open(
      { zones: zones({ outside: [coat(BLUE.id, 0.6)] }) },
      {},
      [RECIPE],
      [
        { ...CLAY, lots },
        { ...CLAY, id: id(), name: 'Barro Tostado' },
      ],
    );
    const seconds = (): string => /Dip the outside in Noche Honda, ([\d.]+) s/.exec(steps())![1]!;
    const newest = seconds();
    await screen.choose('Bisque lot', 'Lot 04, cone 04');
    expect(last().lotId).toBe(lots[0]!.id);
    expect(screen.text).toContain('bisque 04');
    expect(Number(seconds())).toBeGreaterThan(Number(newest));
    await screen.choose('Clay body', 'Barro Tostado');
    expect(last().lotId).toBeUndefined();
  });

  it('undo and redo by their buttons and keys', async () => {
    const screen = await open();
    await at('Outside');
    await screen.type('Wax up the foot', '20');
    await screen.press('Undo');
    expect(screen.field('Wax up the foot').value).toBe('10');
    await screen.key('r');
    expect(screen.field('Wax up the foot').value).toBe('20');
    await screen.key('u');
    expect(screen.field('Wax up the foot').value).toBe('10');
  });

  it('texture and edge are part of the plan; the wanted edge gives a start and coats', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id, 0.8)] }), waxFootMm: 30 });
    await at('Outside');
    await screen.choose('Surface outside', 'grooves');
    expect(last().plan.textures).toEqual({ outside: { kind: 'grooves', depthMm: 0.5 } });
    await screen.type('Depth', '0.8');
    expect(last().plan.textures).toEqual({ outside: { kind: 'grooves', depthMm: 0.8 } });
    await screen.choose('Surface outside', 'smooth clay');
    expect(last().plan.textures).toEqual({});
    await screen.choose('Its edge', 'slanted edge');
    expect(last().plan.edges).toEqual({ wax: { kind: 'slanted', riseMm: 10 } });
    await new Promise((resolve) => setTimeout(resolve, 400));
    await screen.settle();
    await screen.press('Run');
    await screen.type('Its edge should end', '15');
    expect(screen.text).toMatch(/starts \d+ mm up/);
  });

  it('a form is drawn under the same plan: F goes there and back', async () => {
    const screen = await open();
    await screen.key('f');
    expect(screen.text).toContain('Started from');
    await screen.choose('Started from', 'Bowl');
    expect(last().plan).toMatchObject({ shapeId: 'bowl' });
    await screen.key('f');
    expect(screen.text).not.toContain('Started from');
    expect(shapeOf({ shapeId: 'bowl' }).name).toBe('Bowl');
    TestBed.tick();
  });

  it('the step sheet carries the drawing, what lies where, the steps and what speaks against them; one that failed is asked for again', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id)] }), footBy: 'soak' }, { count: 3 });
    await screen.press('Files');
    await screen.press('Step sheet (PDF)');
    const asked = (): TestRequest => records.http.expectOne((request) => request.method === 'POST' && request.url.endsWith('/steps.pdf'));
    const first = asked();
    const sheet = stepSheetSchema.parse(first.request.body);
    expect(sheet.lines[0]).toMatch(/^3 of Barro Claro, for cone 6$/);
    expect(sheet.lines).toContain('Outside: Noche Honda 0.4 mm');
    expect(sheet.steps.map((step) => step.words).join(' | ')).toContain('Noche Honda');
    expect(sheet.warnings.join(' ')).toContain('A soaked foot keeps its water for hours.');
    first.error(new ProgressEvent('error'), { status: 0 });
    await screen.settle();
    expect(screen.text).toContain('cannot be reached');
    await screen.press('Try again');
    expect(stepSheetSchema.parse(asked().request.body)).toEqual(sheet);
  });

  it('a small pot is named, told what it is, and stays while a coat is of it', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    await screen.press('A small pot');
    await screen.choose('It is', 'slip');
    await screen.type('Shrinks', '12');
    const [decoratingColour] = last().plan.decoratingColours!;
    expect(decoratingColour).toMatchObject({ name: 'Colour 1', coatingKind: 'slip', shrinkagePercent: 12 });
    await at('Outside');
    await screen.choose('Outside, coat 1: bucket', 'Colour 1 (slip)');
    expect(last().plan.zones.outside[0]).toMatchObject({ bucketId: decoratingColour!.id, coatingKind: 'slip', method: 'brush' });
    await at('Small pots');
    expect(screen.button('Take Colour 1 away').disabled).toBe(true);
    await screen.choose('It is', 'underglaze');
    expect(last().plan.zones.outside[0]!.coatingKind).toBe('underglaze');
    await at('Outside');
    await screen.choose('Outside, coat 1: bucket', 'Noche Honda');
    await at('Small pots');
    await screen.press('Take Colour 1 away');
    expect(last().plan.decoratingColours).toEqual([]);
  });

  it('the coats of a place lie the uppermost first, and change places with one tap', async () => {
    const screen = await open({ zones: zones({ outside: [coat(WHITE.id), coat(BLUE.id, 0.3)] }) });
    await at('Outside');
    const order = (): string[] => screen.all<HTMLInputElement>('cz-place-panel cz-autocomplete input').map((input) => input.value);
    expect(order()).toEqual(['Noche Honda', 'Leche de Higo']);
    await screen.press('Coat 2 beneath the one under it');
    expect(last().plan.zones.outside.map((layer) => layer.bucketId)).toEqual([BLUE.id, WHITE.id]);
    expect(order()).toEqual(['Leche de Higo', 'Noche Honda']);
  });

  it('each coat tells its seconds with the SG they are for, and every bucket is offered once', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id, 0.6)] }) });
    await at('Outside');
    expect(screen.all('cz-place-panel .told')[0]!.textContent).toMatch(/^[\d.]+ s at SG 1\.\d\d$/);
    screen.field('Outside, coat 1: bucket').focus();
    screen.field('Outside, coat 1: bucket').dispatchEvent(new Event('focusin'));
    await screen.settle();
    const offered = [...document.querySelectorAll('mat-option')].map((one) => one.textContent!.trim());
    expect(new Set(offered).size).toBe(offered.length);
  });

  it('fired again, its coats lie beneath and new ones are planned; let go, they are planned as before', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id)] }) });
    await screen.check('glazed and fired before');
    expect(last().plan).toMatchObject({ refire: true, zones: { outside: [] }, fired: { outside: [{ bucketId: BLUE.id }] } });
    expect(screen.text).toContain('Fired beneath: Noche Honda 0.40 mm outside. It melts and runs again.');
    await screen.check('glazed and fired before');
    const back = last().plan;
    expect(back.zones.outside).toHaveLength(1);
    expect(back.fired).toBeUndefined();
  });

  it('a part thinned for it, and gum, stand before the first step, and are left out with one tap', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id, 0.5)] }), gumIn: [BLUE.id], thinned: [{ bucketId: BLUE.id, sg: 1.2 }] });
    const before = (): string =>
      screen
        .all('.before li')
        .map((one) => one.textContent!.replace(/\s+/g, ' '))
        .join(' | ');
    expect(before()).toContain('Thin part of Noche Honda to SG 1.20 in a second bucket');
    expect(before()).toMatch(/Stir gum into Noche Honda: 30 mL of a 1.5 % solution a litre, \d+ mL for its/);
    await screen.press('Leave it out');
    expect(last().plan.thinned).toEqual([]);
    await screen.press('Leave it out');
    expect(last().plan.gumIn).toEqual([]);
    expect(before()).toBe('');
  });

  it('the verdict is first: the worst warning in full, the others a line each until asked for', async () => {
    const screen = await open({ waxFootMm: 0, zones: zones({ outside: [coat(BLUE.id, 1.2)], foot: [coat(BLUE.id, 0.3)] }) });
    const warnings = screen.all('cz-warning-list article');
    expect(warnings).toHaveLength(3);
    expect(warnings.filter((one) => one.querySelector('.remedies'))).toHaveLength(1);
    await screen.press(/^What to do: /);
    expect(screen.all('cz-warning-list article')[0]!.querySelector('.remedies')).toBeNull();
  });

  it('thirty alike: within what seconds and SG they match; each different: what speaks against each', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id, 0.5)] }) }, { count: 30 });
    await screen.press('Set of 30');
    expect(screen.text).toMatch(
      /Noche Honda, 0\.50 mm: [\d.]+ s each, from [\d.]+ to [\d.]+ s\. Measure its SG after every 10: from 1\.\d\d to 1\.\d\d/,
    );
    expect(screen.text).toContain('The first one is the reference');
    await screen.check('each one different');
    expect(screen.text).not.toContain('The first one is the reference');
  });

  it('it is fired again as a plan of its own: what was planned is what was fired', async () => {
    const screen = await open({ zones: zones({ outside: [coat(BLUE.id, 0.5)] }) });
    await screen.press('Files');
    await screen.press('Fire it again: new coats over these');
    const { body } = records.http.expectOne((request) => request.method === 'POST').request.body as { body: PieceBody };
    expect(body.name).toMatch(/, again$/);
    expect(body.plan).toMatchObject({ refire: true, fired: { outside: [{ bucketId: BLUE.id }] }, zones: { outside: [] } });
  });

  it('a band inside, and one beneath the coats around it, are told so', async () => {
    const screen = await open({ zones: zones({ inside: [coat(WHITE.id, 0.5, 'pour')] }) });
    await screen.press('A strip');
    await screen.check('on the inside');
    expect(last().plan.strips![0]!.face).toBe('inside');
    await screen.press('A coat on the strip 1');
    expect(steps()).toContain('the strip 35–53 mm up inside');
    await screen.check('beneath the coats around it');
    expect(last().plan.strips![0]!.under).toBe(true);
    await screen.press('A dip from the rim');
    expect(last().plan.strips![1]).toMatchObject({ fromRim: true, toMm: 88 });
  });
});
