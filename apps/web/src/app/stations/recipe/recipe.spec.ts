import { TestBed } from '@angular/core/testing';
import type { PowderBody, Recipe } from '@cazuela/contract';
import { bucket, id, KAOLIN, POWDERS, RECIPE, summaryOf, TIN } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { EMPTY_RECIPE, RecipeDraft } from './recipe-editor/recipe-draft';
import { RecipeEditor } from './recipe-editor/recipe-editor';
import { RecipeShelf } from './recipe-shelf/recipe-shelf';
import { recipeOutlook } from '@cazuela/core';
import { POWDERS as CORE_POWDERS, SILICA, WHITING } from '@cazuela/core/test/powders';
import { fireWords } from '../../parts/fire-words';
import { outlookChangeWords } from './recipe-words';

describe('the recipe shelf', () => {
  const open = async (recipes: unknown[], inputs = {}): Promise<Screen<RecipeShelf>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(RecipeShelf, inputs);
    records.answer('/recipes', recipes);
    records.answer('/powders', POWDERS);
    records.answer('/buckets', [summaryOf(bucket())]);
    records.answer('/results', []);
    await screen.settle();
    return screen;
  };
  const named = (name: string, change: Partial<Recipe['body']> = {}, more: Partial<Recipe> = {}): Recipe => ({
    ...RECIPE,
    id: id(),
    ...more,
    body: { ...RECIPE.body, name, ...change },
  });
  const names = (screen: Screen<RecipeShelf>): string[] => screen.all('.tile strong').map((name) => name.textContent!);

  it('shows each recipe as its tile: what it does, what is over the base, its buckets, one tap from weighing', async () => {
    const screen = await open([RECIPE]);
    expect(screen.text).toContain('Leche de Higo gloss, cone 5–6, stays + 5 % Tin oxide B1 10.0 L, in range');
    expect(screen.has('Weigh Leche de Higo')).toBe(true);
  });

  it('what stands in a bucket comes first; by cone, 06 comes long before 6', async () => {
    const screen = await open([named('Arena', { coneLow: '6' }), named('Brasa', { coneLow: '06', coneHigh: '04' }), RECIPE]);
    expect(names(screen)[0]).toBe('Leche de Higo');
    await screen.choose('Sorted by', 'cone');
    expect(names(screen)).toEqual(['Brasa', 'Leche de Higo', 'Arena']);
  });

  it('is searched by name or powder, and shows what was never fired', async () => {
    const screen = await open([RECIPE, named('Arena', { lines: RECIPE.body.lines.slice(0, 2) }, { fired: false })]);
    await screen.type('Show recipes called', 'tin');
    expect(names(screen)).toEqual(['Leche de Higo']);
    await screen.type('Show recipes called', '');
    await screen.press('never fired');
    expect(names(screen)).toEqual(['Arena']);
  });

  it('an empty shelf says what to do first', async () => {
    expect((await open([])).text).toContain('No recipe yet. Write its base lines');
  });

  it('shows only recipes with a powder when one is asked for', async () => {
    const screen = await open(
      [RECIPE, { ...RECIPE, id: KAOLIN.id, body: { ...RECIPE.body, name: 'Without tin', lines: RECIPE.body.lines.slice(0, 2) } }],
      { powder: TIN.id },
    );
    expect(screen.text).toContain('With Tin oxide');
    expect(screen.text).not.toContain('Without tin');
  });
});

describe('the recipe editor', () => {
  let records: FakeRecords;
  const open = async (id = RECIPE.id): Promise<Screen<RecipeEditor>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(RecipeEditor, { id });
    records.answer('/powders', POWDERS);
    if (id !== 'new') records.answer(`/recipes/${id}`, RECIPE);
    await screen.settle();
    return screen;
  };

  it('stands in a jar: layers in the order of the lines, additions over the rim, each moved by the arrow keys', async () => {
    const screen = await open();
    const layers = screen.all('cz-recipe-jar [role=slider]');
    expect(layers.map((layer) => layer.getAttribute('aria-valuetext'))).toEqual(['Silica, 60 percent', 'Kaolin, 40 percent', 'Tin oxide, 5 percent']);
    layers[1]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    await screen.settle();
    expect(screen.field('Percent of line 2 of the base').value).toBe('40.5');
    expect(screen.has('Bring to 100')).toBe(true);
    await screen.press('Undo');
    expect(screen.field('Percent of line 2 of the base').value).toBe('40');
    // Two presses before the jar is drawn again are two steps.
    for (let press = 0; press < 2; press++) layers[1]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
    await screen.settle();
    expect(screen.field('Percent of line 2 of the base').value).toBe('41');
  });

  it('a layer is dragged by its edge as far as the pointer goes, in halves of a percent; a tap leads to its line', async () => {
    const screen = await open();
    const silica = screen.all('cz-recipe-jar [role=slider]')[0]!;
    const drawn = silica.closest('svg')!;
    jest.spyOn(drawn, 'getBoundingClientRect').mockReturnValue({ height: 414 } as DOMRect);
    const point = (type: string, clientY: number): void => {
      silica.dispatchEvent(Object.assign(new MouseEvent(type, { clientY }), { pointerId: 1 }));
    };
    point('pointerdown', 100);
    // 3.22 drawing units are a percent.
    point('pointermove', 100 - 10 * 3.22);
    point('pointerup', 100 - 10 * 3.22);
    await screen.settle();
    expect(screen.field('Percent of line 1 of the base').value).toBe('70');
    document.body.append(screen.root);
    point('pointerdown', 50);
    point('pointerup', 50);
    expect(document.activeElement).toBe(screen.field('Percent of line 1 of the base'));
  });

  it('says one thing to change before all others', async () => {
    const screen = await open();
    expect(screen.text).toContain('What it will do Change first. Shrinks as it dries: cracks and flakes when thick. Calcine part of the clay');
  });

  it('says in plain words what it will do in the bucket, on the pot and in the fire', async () => {
    const { text } = await open();
    expect(text).toContain('Stays up. Raw clay 38.1 of 100.');
    expect(text).toContain('On the pot');
    expect(text).toContain('A starting guess from the recipe');
    expect(text).toContain('silica dust: Silica, Kaolin');
  });

  it('a base off 100 is shown as it is, one tap from tidy', async () => {
    const screen = await open();
    await screen.type('Percent of line 1 of the base', '80');
    expect(screen.text).toContain('120 %');
    await screen.press('Bring to 100');
    expect(screen.field('Percent of line 1 of the base').value).toBe('66.667');
    // Percent over the base is percent of it already.
    expect(screen.field('Percent of line 1 over the base').value).toBe('5');
  });

  it('whose base and additions make 100 together may be meant as parts: both are offered', async () => {
    const screen = await open();
    expect(screen.has('Bring to 100, additions in proportion')).toBe(false);
    await screen.type('Percent of line 1 of the base', '55');
    await screen.press('Bring to 100, additions in proportion');
    expect(screen.field('Percent of line 1 over the base').value).toBe('5.263');
  });

  it('a line over the base is marked as stain; a powder called so is one by itself', async () => {
    const screen = await open();
    const mark = (): HTMLInputElement => screen.root.querySelector('cz-recipe-line input[type=checkbox]')!;
    expect(mark().checked).toBe(false);
    await screen.choose('Powder of line 1 over the base', 'Stain (zircon type)');
    expect(mark().checked).toBe(true);
    mark().click();
    await screen.settle();
    expect(mark().checked).toBe(false);
  });

  it('is kept with a reason, with cones that rise, and a name twice only when asked', async () => {
    const screen = await open();
    await screen.type('Percent of line 1 over the base', '6');
    expect(screen.button('Keep as version 3').disabled).toBe(true);
    expect(screen.text).toContain('Say why it changed');
    await screen.type('Why it changed', 'paler');
    await screen.choose('Highest cone', '06');
    expect(screen.text).toContain('The highest cone lies below the lowest one');
    await screen.choose('Highest cone', '6');
    await screen.choose('Atmosphere', 'reduction');
    expect(screen.button('Keep as version 3').disabled).toBe(false);
    await screen.type('Name', ' tinaja');
    records.answer('/recipes', [{ ...RECIPE, id: id(), body: { ...RECIPE.body, name: 'Tinaja' } }]);
    await screen.settle();
    expect(screen.text).toContain('There is a Tinaja already');
  });

  it('every change is a version with a reason, sent with the version it was read at', async () => {
    const screen = await open();
    await screen.type('Percent of line 1 over the base', '6');
    await screen.type('Why it changed', 'came out too pale');
    await screen.press('Keep as version 3');
    const { body } = records.http.expectOne((request) => request.method === 'PUT').request as { body: { version: number; reason: string } };
    expect(body).toMatchObject({ version: 2, reason: 'came out too pale' });
  });

  it('a stale save shows both and keeps mine over theirs when told to', async () => {
    const screen = await open();
    await screen.type('Percent of line 1 over the base', '6');
    await screen.type('Why it changed', 'mine');
    await screen.press('Keep as version 3');
    records.refuse(
      `/recipes/${RECIPE.id}`,
      409,
      { code: 'stale', detail: 'Somebody saved first.', current: { ...RECIPE, version: 5, reason: 'theirs' } },
      'PUT',
    );
    await screen.settle();
    expect(screen.text).toContain('Version 5: theirs');
    await screen.press('Keep mine, as the newest version');
    expect((records.http.expectOne((request) => request.method === 'PUT').request.body as { version: number }).version).toBe(5);
  });

  it('takes lines pasted from a spreadsheet, after they were looked at', async () => {
    const screen = await open();
    const paste = (text: string): Promise<void> => screen.type('Powders and percentages, one line each', text);
    await paste('Silica\t70\nMoon dust\t30');
    expect(screen.text).toContain('Line 2: There is no powder “Moon dust” in your table');
    expect(screen.button('Put 1 line in place of these').disabled).toBe(true);
    // Said once which powder that is, it is known from then on.
    await screen.choose('“Moon dust” is our', 'Kaolin');
    const learnt = records.http.expectOne((request) => request.method === 'PUT');
    const { body } = learnt.request.body as { body: PowderBody };
    expect(body).toMatchObject({ name: 'Kaolin', aliases: ['Moon dust'] });
    learnt.flush({ ...KAOLIN, version: 2, aliases: ['Moon dust'] });
    await screen.settle();
    expect(screen.button('Put 2 lines in place of these').disabled).toBe(false);
    await paste('Silica;70,5\nKaolin;29,5\n\nTin oxide;4');
    await screen.press('Put 3 lines in place of these');
    expect(screen.field('Percent of line 1 of the base').value).toBe('70.5');
    expect(screen.field('Percent of line 1 over the base').value).toBe('4');
    await screen.key('u');
    expect(screen.field('Percent of line 1 of the base').value).toBe('60');
  });

  it('shows what each version changed, and brings an old one back into the editor', async () => {
    const screen = await open();
    await screen.unfold('Its versions');
    const old = { ...RECIPE.body, sgLow: 1.4, lines: RECIPE.body.lines.map((line) => (line.powderId === TIN.id ? { ...line, percent: 3 } : line)) };
    records.answer(`/recipes/${RECIPE.id}/versions`, [
      { versionId: RECIPE.versionId, number: 2, reason: 'a little more tin', changedAt: RECIPE.changedAt, body: RECIPE.body },
      { versionId: TIN.id, number: 1, reason: 'First written', changedAt: RECIPE.changedAt, body: old },
    ]);
    await screen.settle();
    expect(screen.text).toContain('a little more tin Tin oxide 3 % → 5 %; SG from 1.4 → 1.43.');
    expect(screen.text).toContain('The first one.');
    await screen.press('Bring version 1 back');
    expect(screen.field('Percent of line 1 over the base').value).toBe('3');
    await screen.key('u');
    expect(screen.field('Percent of line 1 over the base').value).toBe('5');
  });

  it('cannot be kept while a field holds no number, and says so', async () => {
    const screen = await open();
    await screen.type('Percent of line 1 of the base', 'a handful');
    await screen.type('Percent of line 2 of the base', '41');
    expect(screen.text).toContain('A field above holds no number yet.');
    expect(screen.button('Keep as version 3').disabled).toBe(true);
  });

  it('a new one starts empty and asks for its name', async () => {
    const screen = await open('new');
    expect(screen.text).toContain('The base is empty');
    await screen.press('A line in the base');
    expect(screen.text).toContain('Give it a name.');
    await screen.type('Name', 'Nube');
    await screen.press('Keep the recipe');
    expect((records.http.expectOne((request) => request.method === 'POST').request.body as { body: { name: string } }).body.name).toBe('Nube');
  });

  it('goes back with a key', async () => {
    const screen = await open();
    await screen.press('Take the line out');
    expect(screen.all('cz-recipe-line')).toHaveLength(2);
    await screen.key('u');
    expect(screen.all('cz-recipe-line')).toHaveLength(3);
  });
});

describe('a recipe on the screen', () => {
  let draft: RecipeDraft;
  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [RecipeDraft] });
    draft = TestBed.inject(RecipeDraft);
    sessionStorage.clear();
    draft.open(RECIPE.body, { id: RECIPE.id, version: 2 });
  });

  it('undo and redo go through every step and back', () => {
    draft.change({ name: 'A' });
    draft.change({ name: 'B' });
    draft.undo();
    expect(draft.body().name).toBe('A');
    draft.undo();
    expect(draft.isChanged()).toBe(false);
    draft.redo();
    draft.redo();
    expect(draft.body().name).toBe('B');
    draft.redo();
    expect(draft.body().name).toBe('B');
  });

  it('a new change after undo forgets what was undone', () => {
    draft.change({ name: 'A' });
    draft.undo();
    draft.change({ name: 'C' });
    expect(draft.canRedo()).toBe(false);
  });

  it('lines move among their own part only', () => {
    const [silica, kaolin, tin] = RECIPE.body.lines.map((line) => line.id);
    draft.moveLine(kaolin!, -1);
    expect(draft.body().lines.map((line) => line.id)).toEqual([kaolin, silica, tin]);
    draft.moveLine(silica!, 1);
    expect(draft.body().lines.map((line) => line.id)).toEqual([kaolin, silica, tin]);
  });

  it('what was not kept is there again after a reload, over the same version only', () => {
    draft.change({ name: 'Half written' });
    TestBed.tick();
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [RecipeDraft] });
    const again = TestBed.inject(RecipeDraft);
    again.open(RECIPE.body, { id: RECIPE.id, version: 3 });
    expect(again.body().name).toBe('Leche de Higo');
    again.open(RECIPE.body, { id: RECIPE.id, version: 2 });
    expect(again.body().name).toBe('Half written');
    expect(again.foundAgain()).toBe(true);
    again.undo();
    expect(again.body().name).toBe('Leche de Higo');
    again.change({ name: 'Other' });
    again.startOver();
    expect(again.isChanged()).toBe(false);
  });

  it('starts empty without a guess of what is in it', () => {
    expect(EMPTY_RECIPE.lines).toEqual([]);
  });
});

describe('words of the fire', () => {
  it('the guess never stands without its range', () => {
    const moves = { kind: 'moves', flow: 60 } as const;
    expect(fireWords({ ...moves, likely: 'moves', least: 'stays', most: 'runs' })).toBe('Likely moves at cone 6; may only stay or run.');
    expect(fireWords({ ...moves, likely: 'stays', least: 'stays', most: 'stays' })).toBe('Likely stays at cone 6.');
  });

  it('what is not known, what has no flux and what does not melt are three things', () => {
    expect(fireWords({ kind: 'noAnalysis', powders: ['Our ash', 'A jar'] })).toBe('Nobody can say: Our ash and A jar have no analysis.');
    expect(fireWords({ kind: 'noFlux' })).toContain('It has no flux');
    expect(fireWords({ kind: 'doesNotMelt', flow: 1.5, silica: 5.58, alumina: 0.4 })).toContain(
      'It will not melt at cone 6: dry and rough, with 5.6 of silica',
    );
  });

  it('much more silica is not “about as before”', () => {
    const lines = (silica: number) => [
      { id: 's', powderId: SILICA.id, part: 'base', percent: silica } as const,
      { id: 'w', powderId: WHITING.id, part: 'base', percent: 100 - silica } as const,
    ];
    const outlook = (silica: number) => recipeOutlook({ lines: lines(silica), powders: CORE_POWDERS });
    const said = (before: number, after: number): string => outlookChangeWords(outlook(before), outlook(after)).at(-1)!;
    expect(said(50, 51)).toContain('In the fire about as before');
    expect(said(60, 66)).toContain('In the fire, stiffer than before');
    expect(said(60, 85)).toContain('it will not melt at cone 6');
  });
});
