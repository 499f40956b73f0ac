import type { RecipeBody, StockMove, StudioPowder } from '@cazuela/contract';
import { bucket, id, KAOLIN, POWDERS, RECIPE, SILICA, summaryOf, TIN } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { ConvertPage } from './convert-page/convert-page';
import { FilesPage } from './files-page/files-page';
import { outcomeWords } from './files-page/files-words';
import { PowderPage } from './powder-page/powder-page';
import { PowderShelf } from './powder-shelf/powder-shelf';
import { SubstitutePage } from './substitute-page/substitute-page';

const start = (): FakeRecords => {
  const records = new FakeRecords();
  records.openStudio();
  return records;
};

describe('the shelf of powders', () => {
  it('shows what is low first, and says nothing of what nobody counted', async () => {
    const records = start();
    const screen = await Screen.open(PowderShelf);
    records.answer('/powders', [
      { ...SILICA, stockGrams: 21_400, lowGrams: 5000, pricePerKg: 1.1 },
      { ...TIN, stockGrams: 80, lowGrams: 100 },
      KAOLIN,
    ]);
    await screen.settle();
    const rows = (): string[] => screen.all('tr[mat-row]').map((row) => row.textContent!.replace(/\s+/g, ' ').trim());
    expect(rows()[0]).toMatch(/^Tin oxide ?opacifier ?80 g ?low/);
    expect(rows()[1]).toContain('21.4 kg');
    expect(rows()[1]).toContain('1.10 €');
    // The order leads from there.
    expect(screen.all('.order tbody tr').map((row) => row.textContent)).toEqual(['Tin oxide80 g200 gno price']);
    expect(rows()[2]).toContain('never counted');
    expect(screen.text).toContain('1 is low.');
    await screen.sort('Powder');
    expect(screen.all('tbody strong').map((name) => name.textContent!.split(' ')[0])).toEqual(['Kaolin', 'Silica', 'Tin']);
    await screen.sort('On the shelf');
    expect(screen.all('tbody strong').map((name) => name.textContent!.split(' ')[0])).toEqual(['Tin', 'Silica', 'Kaolin']);
  });
});

describe('one powder', () => {
  let records: FakeRecords;
  const open = async (powder: StudioPowder = { ...SILICA, stockGrams: 4000 }): Promise<Screen<PowderPage>> => {
    records = start();
    const screen = await Screen.open(PowderPage, { id: powder.id });
    records.answer('/powders', [powder]);
    records.answer(`/powders/${powder.id}/stock`, {
      moves: [{ id: id(), kind: 'received', grams: 5000, at: '2026-03-01T10:00:00.000Z', by: 'Maia', lot: 'bag 3' }],
      uses: [{ what: 'batch', id: id(), name: 'Leche de Higo', grams: 600 }],
    });
    await screen.settle();
    return screen;
  };

  it('tells what came, with its lot, and where it went', async () => {
    const screen = await open();
    expect(screen.text).toContain('came in, lot bag 3');
    expect(screen.has('Leche de Higo')).toBe(true);
  });

  it('is counted in any unit, and the count is sent in grams', async () => {
    const screen = await open();
    await screen.type('There is', '2 kg');
    await screen.press('Note it');
    const sent = records.http.expectOne((one) => one.method === 'POST').request.body as StockMove;
    expect(sent).toMatchObject({ kind: 'counted', grams: 2000, by: 'Inés' });
  });

  it('keeps the studio’s own analysis; a field without a number waits', async () => {
    const screen = await open();
    expect(screen.has('Keep')).toBe(false);
    await screen.type('SiO2', '99.2');
    await screen.type('Density', 'heavy');
    await screen.press('Keep');
    records.http.expectNone((one) => one.method === 'PUT');
    await screen.type('Density', '2.64');
    await screen.press('Keep');
    const sent = records.http.expectOne((one) => one.method === 'PUT').request.body as { body: StudioPowder };
    expect(sent.body).toMatchObject({ densityGMl: 2.64, oxides: { SiO2: 99.2 } });
    expect(sent.body).not.toHaveProperty('stockGrams');
  });

  it('somebody else changed is shown beside what was typed', async () => {
    const screen = await open();
    await screen.type('Density', '2.7');
    await screen.press('Keep');
    const current = { ...SILICA, version: 5 };
    records.refuse(`/powders/${SILICA.id}`, 409, { code: 'stale', detail: 'Somebody changed this.', current }, 'PUT');
    await screen.settle();
    expect(screen.text).toContain('Somebody changed this.');
  });
});

describe('from one recipe to another', () => {
  const other = { ...RECIPE, id: id(), body: { ...RECIPE.body, name: 'Nieve', lines: RECIPE.body.lines.slice(0, 2) } };
  const open = async (recipeId: string): Promise<Screen<ConvertPage>> => {
    const records = start();
    const screen = await Screen.open(ConvertPage, { id: recipeId });
    records.answer('/recipes', [RECIPE, other]);
    records.answer('/powders', POWDERS);
    records.answer('/buckets', [summaryOf(bucket())]);
    await screen.settle();
    return screen;
  };

  it('says what to add to a dry batch', async () => {
    const screen = await open(other.id);
    expect(screen.all('tr').map((row) => row.textContent!.replace(/\s+/g, ' ').trim())).toEqual([expect.stringMatching(/^Tin oxide ?50\.0 g$/)]);
    expect(screen.text).toContain('It becomes 1,050.0 g');
  });

  it('says which powder forbids it', async () => {
    expect((await open(RECIPE.id)).text).toContain('Tin oxide is in it, and Nieve has none.');
  });

  it('knows what a measured bucket holds, and its water', async () => {
    const screen = await open(other.id);
    await screen.press('a bucket, measured');
    await screen.type('Volume', '10 L');
    expect(screen.text).toMatch(/Then \d+ mL of water for SG 1\.45/);
  });
});

describe('from other powders', () => {
  it('is solved at every tick, and kept as an untested version', async () => {
    const records = start();
    const screen = await Screen.open(SubstitutePage, { id: RECIPE.id, instead: KAOLIN.id });
    records.answer(`/recipes/${RECIPE.id}`, RECIPE);
    records.answer('/powders', POWDERS);
    await screen.settle();
    expect(screen.text).toContain('What it does');
    await screen.press(/marked untested/);
    const sent = records.http.expectOne((one) => one.method === 'PUT').request.body as { reason: string; body: RecipeBody };
    expect(sent.reason).toContain('Without Kaolin');
    expect(sent.body).toMatchObject({ foodTested: false, untested: 'Without Kaolin: solved from other powders. Nobody has fired it.' });
    expect(sent.body.lines.some((line) => line.powderId === KAOLIN.id)).toBe(false);
  });

  it('without any powder asks for one', async () => {
    const records = start();
    const screen = await Screen.open(SubstitutePage, { id: RECIPE.id });
    records.answer(`/recipes/${RECIPE.id}`, RECIPE);
    records.answer('/powders', POWDERS);
    await screen.settle();
    for (const box of screen.all<HTMLInputElement>('input[type=checkbox]')) if (box.checked) box.click();
    await screen.settle();
    expect(screen.text).toContain('Choose the powders the base may be made of.');
  });
});

describe('files in and out', () => {
  let records: FakeRecords;
  const open = async (): Promise<Screen<FilesPage>> => {
    records = start();
    const screen = await Screen.open(FilesPage);
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    await screen.settle();
    return screen;
  };
  const read = async (screen: Screen<FilesPage>, text: string): Promise<void> => {
    (screen.fixture.componentInstance as unknown as { read: (name: string, text: string) => void }).read('ours.csv', text);
    await screen.settle();
  };

  it('a broken file is told row by row and cannot be taken in', async () => {
    const screen = await open();
    await read(screen, 'recipe,part,powder,percent\nNueva,base,Moon dust,100');
    expect(screen.text).toContain('1 row cannot be taken.');
    expect(screen.text).toContain('row 2');
    expect(screen.has('Take it in')).toBe(false);
  });

  it('a file chosen before the studio’s own recipes came is read once they are there', async () => {
    records = start();
    const screen = await Screen.open(FilesPage);
    await read(screen, 'recipe,part,powder,percent\nNueva,base,Silica,100');
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    await screen.settle();
    await screen.settle();
    expect(screen.text).toContain('ours.csv: 1 recipe.');
  });

  it('a good file is sent, then taken in at once; what is here is left alone unless it is said otherwise', async () => {
    const screen = await open();
    await read(screen, 'recipe,part,powder,percent\nNueva,base,Silica,100\nLeche de Higo,base,Silica,100');
    expect(screen.text).toContain('ours.csv: 2 recipes.');
    expect(screen.text).toContain('Here already: Leche de Higo.');
    await screen.press('Take it in');
    const rows = records.http.expectOne((one) => one.url.endsWith('/rows'));
    expect((rows.request.body as { rows: unknown[] }).rows).toHaveLength(2);
    rows.flush({ rows: 2 }, { status: 201, statusText: 'Created' });
    await screen.settle();
    const commit = records.http.expectOne((one) => one.url.endsWith('/commit'));
    expect(commit.request.body).toEqual({ rows: 2, choice: 'leaveMine' });
    commit.flush({ powders: 0, recipes: 1, versions: 0, batches: 0, left: 1 });
    await screen.settle();
    expect(screen.text).toContain('Taken in: 1 recipe, 1 was here already and was left alone.');
  });

  it('can be stopped on the way: nothing is taken in', async () => {
    const screen = await open();
    await read(screen, 'recipe,part,powder,percent\nNueva,base,Silica,100');
    await screen.press('Take it in');
    const rows = records.http.expectOne((one) => one.url.endsWith('/rows'));
    await screen.press('Stop, take nothing in');
    expect(rows.cancelled).toBe(true);
    records.http.expectNone((one) => one.url.endsWith('/commit'));
  });

  it.each([
    [{ powders: 2, recipes: 0, versions: 1, batches: 0, left: 0 }, 'Taken in: 2 powders, 1 became a new version.'],
    [{ powders: 0, recipes: 0, versions: 0, batches: 0, left: 3 }, 'Taken in: nothing, 3 were here already and were left alone.'],
    [{ powders: 1, recipes: 2, versions: 0, batches: 1, left: 0 }, 'Taken in: 2 recipes, 1 powder and 1 batch.'],
  ])('say what they did', (outcome, words) => {
    expect(outcomeWords(outcome)).toBe(words);
  });
});
