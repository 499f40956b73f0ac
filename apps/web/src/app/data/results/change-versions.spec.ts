import { TestBed } from '@angular/core/testing';
import type { CoatWindowDocument, Recipe, ResultChangeBody, StudioPowder } from '@cazuela/contract';
import type { ResultChange } from '@cazuela/core';
import { bucket, id, piece, result, firing, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { ChangeVersions, type ChangeOfPiece } from './change-versions';

const RECIPE_ID = id();
const WHITE = { ...bucket(), recipeId: RECIPE_ID };
const cup = piece({ zones: { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip', coatMm: 0.42 }], rim: [], foot: [] } });
const powder = (name: string, change: Partial<StudioPowder>): StudioPowder =>
  ({
    id: id(),
    version: 1,
    name,
    role: 'glass former',
    densityGMl: 2.6,
    rawClay: 0,
    shrinkWeight: 0,
    loiPercent: 0,
    oxides: { SiO2: 100 },
    hazards: [],
    ...change,
  }) as StudioPowder;
const KAOLIN = powder('Kaolin', { role: 'clay', rawClay: 1, shrinkWeight: 1, loiPercent: 14, oxides: { SiO2: 46.5, Al2O3: 39.5 } });
const CALCINED = powder('Calcined kaolin', { role: 'clay', shrinkWeight: 0.1, oxides: { SiO2: 54.1, Al2O3: 45.9 } });
const SILICA = powder('Silica', {});
const line = (powderId: string, percent: number): Recipe['body']['lines'][number] => ({ id: id(), powderId, part: 'base', percent });
const recipe = {
  id: RECIPE_ID,
  version: 3,
  versionId: id(),
  reason: '',
  changedAt: '2026-03-01T09:00:00.000Z',
  fired: true,
  body: {
    name: 'White',
    lines: [line(KAOLIN.id, 30), line(SILICA.id, 70)],
    coneLow: '5',
    coneHigh: '6',
    atmosphere: 'oxidation',
    surface: 'gloss',
    colour: '#FFFFFF',
    sgLow: 1.44,
    sgHigh: 1.5,
    movement: 'stays',
    foodTested: true,
    notes: '',
  },
} satisfies Recipe;
const window: CoatWindowDocument = {
  id: id(),
  version: 2,
  glazeId: RECIPE_ID,
  bodyId: cup.body.bodyId,
  changes: [
    {
      at: '2026-02-01T09:00:00.000Z',
      by: 'Inés',
      reason: '',
      window: { thinMm: 0.4, thickMm: 0.8, looks: { thin: 'dry', right: 'silk', thick: '' } },
    },
  ],
};

describe('a change becomes a new version', () => {
  let records: FakeRecords;
  const write = (
    change: Pick<ResultChange, 'kind' | 'from' | 'to'>,
    more: Partial<ChangeOfPiece> = {},
  ): { became: () => ResultChangeBody['became'] | 'waiting' } => {
    records = new FakeRecords();
    records.openStudio();
    let became: ResultChangeBody['became'] | 'waiting' = 'waiting';
    TestBed.inject(ChangeVersions)
      .write({ pieceId: cup.id, fault: 'thin', where: 'outside', change: { ...change, chanceBefore: 0.6, chanceAfter: 0.1 }, ...more })
      .subscribe((made) => (became = made));
    return { became: () => became };
  };
  const answer = (lists: Record<string, unknown[]> = {}): void => {
    const known: Record<string, unknown[]> = {
      '/buckets': [summaryOf(WHITE)],
      '/pieces': [cup],
      '/windows': [window],
      '/recipes': [recipe],
      '/powders': [KAOLIN, CALCINED, SILICA],
      ...lists,
    };
    for (const request of records.http.match(({ method }) => method === 'GET'))
      request.flush(known[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []);
  };
  const put = (path: string) => records.http.expectOne(({ method, url }) => method === 'PUT' && url.includes(path));

  it('of the window: the end that the fault is at moves, its words stay', () => {
    const { became } = write({ kind: 'moveWindow', from: 0.4, to: 0.5 });
    answer();
    const request = put(`/windows/${window.id}`);
    expect(request.request.body).toMatchObject({
      version: 2,
      glazeId: RECIPE_ID,
      change: { reason: `${cup.body.name} came out thin`, window: { thinMm: 0.5, thickMm: 0.8, looks: { right: 'silk' } } },
    });
    request.flush({ ...window, version: 3 });
    expect(became()).toEqual({ what: 'window', id: window.id, version: 3 });
  });

  it('of a window that nobody kept: what the fires show becomes one', () => {
    const { became } = write({ kind: 'moveWindow', to: 0.5 });
    const of = firing(60);
    const coat = { words: '', bucketId: WHITE.id, bucketName: 'White', bucketCode: 'B1', sg: null, seconds: null, doneAt: null };
    const good = { ...result(cup, of, { faults: [] }), glazedWith: [{ ...coat, coatMm: 0.6 }] };
    answer({ '/windows': [], '/results': [{ ...good, body: { ...good.body, stars: 5 } }] });
    const request = put('/windows/');
    expect(request.request.body).toMatchObject({ version: 0, change: { window: { thinMm: 0.57, thickMm: 0.63 } } });
    request.flush({ ...window, version: 1 });
    expect(became()).toMatchObject({ what: 'window', version: 1 });
  });

  it('of the recipe: part of its clay calcined, and not food tested any more', () => {
    const { became } = write({ kind: 'calcineClay', from: 30, to: 18 }, { fault: 'crawled' });
    answer();
    const request = put(`/recipes/${RECIPE_ID}`);
    const { version, reason, body } = request.request.body as { version: number; reason: string; body: Recipe['body'] };
    expect({ version, reason }).toEqual({ version: 3, reason: `Less of its clay shrinks: ${cup.body.name} came out crawled` });
    expect(body.lines.find(({ powderId }) => powderId === CALCINED.id)?.percent).toBeGreaterThan(5);
    expect(body).toMatchObject({ foodTested: false, untested: expect.stringContaining('nobody fired it yet') });
    request.flush({ ...recipe, version: 4 });
    expect(became()).toEqual({ what: 'recipe', id: RECIPE_ID, version: 4 });
  });

  it('of a recipe whose clay is nowhere calcined: it is done by hand, and nothing is written', () => {
    const { became } = write({ kind: 'calcineClay', from: 30, to: 18 }, { fault: 'crawled' });
    answer({ '/powders': [KAOLIN, SILICA] });
    records.http.expectNone(({ method }) => method === 'PUT');
    expect(became()).toBeUndefined();
  });

  it('of the recipe: made to fit its clay, with the powders of the studio', () => {
    const SPAR = powder('Soda feldspar', { role: 'flux', oxides: { SiO2: 68, Al2O3: 19.5, Na2O: 12 } });
    const WHITING = powder('Whiting', { role: 'flux', oxides: { CaO: 56 }, loiPercent: 44 });
    const lines = [line(SPAR.id, 48), line(SILICA.id, 18), line(KAOLIN.id, 14), line(WHITING.id, 20)];
    const { became } = write({ kind: 'closerFit', from: -0.2, to: 0.3 }, { fault: 'crazed' });
    answer({ '/recipes': [{ ...recipe, body: { ...recipe.body, lines } }], '/powders': [KAOLIN, SILICA, SPAR, WHITING] });
    const request = put(`/recipes/${RECIPE_ID}`);
    const { reason, body } = request.request.body as { reason: string; body: Recipe['body'] };
    expect(reason).toBe(`It fits its clay better: ${cup.body.name} came out crazed`);
    expect(body.lines.find(({ powderId }) => powderId === SPAR.id)!.percent).toBeLessThan(48);
    expect(body).toMatchObject({ foodTested: false, untested: expect.stringContaining('by calculation') });
    request.flush({ ...recipe, version: 4 });
    expect(became()).toMatchObject({ what: 'recipe', version: 4 });
  });

  it('of the plan: how long it dries before it is loaded', () => {
    const { became } = write({ kind: 'dryLonger', from: 0.4, to: 1 }, { fault: 'crawled' });
    answer();
    const request = put(`/pieces/${cup.id}`);
    expect(request.request.body).toMatchObject({ body: { plan: { dryHours: 12 } } });
    request.flush({ ...cup, version: 2 });
    expect(became()).toEqual({ what: 'plan', id: cup.id, version: 2 });
  });

  it('a habit is no record: nothing is written', () => {
    const { became } = write({ kind: 'stir' });
    expect(became()).toBeUndefined();
  });
});
