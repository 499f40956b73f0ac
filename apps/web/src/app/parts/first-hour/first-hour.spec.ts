import { TestBed } from '@angular/core/testing';
import type { Studio } from '@cazuela/contract';
import { FIRST_STEPS } from '@cazuela/core';
import { FirstHourStore } from '../../data/state/first-hour-store';
import { bucket, CLAY, piece, RECIPE, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { FirstHourPanel } from './first-hour-panel';
import { FirstHourStrip } from './first-hour-strip';
import { firstStepWords } from './first-step-words';

const LISTS = ['bodies', 'recipes', 'buckets', 'tiles', 'pieces'] as const;
type Has = Partial<Record<(typeof LISTS)[number], unknown[]>> & { example?: boolean };

describe('the first hour', () => {
  let records: FakeRecords;
  const settles = (): Promise<void> => new Promise((done) => setTimeout(done, 70));
  const answer = async (screen: Screen<unknown>, has: Has): Promise<void> => {
    await settles();
    for (const list of LISTS) records.answer(`/${list}`, has[list] ?? []);
    records.answer('/example', { there: has.example ?? false });
    await screen.settle();
  };
  const open = async (has: Has, studio: Partial<Studio> = { vessels: [] }): Promise<Screen<FirstHourPanel>> => {
    records = new FakeRecords();
    records.openStudio({ demo: false, ...studio });
    const screen = await Screen.open(FirstHourPanel);
    await answer(screen, has);
    return screen;
  };
  const next = (screen: Screen<FirstHourPanel>): string => screen.all('[aria-current="step"] strong')[0]?.textContent ?? '';

  it('leads a new studio: the clay first, every step with its button', async () => {
    const screen = await open({});
    expect(next(screen)).toBe('Your clay body');
    expect(screen.all('li').length).toBe(FIRST_STEPS.length);
    expect(screen.all('li a').map((one) => one.textContent)).toEqual([
      'Add a clay',
      'Add a vessel',
      'Write it',
      'Weigh',
      'Measure',
      'Plan a tile',
      'Plan a piece',
    ]);
  });

  it('goes on where it was left, into the recipe and the bucket that are there', async () => {
    const screen = await open({ bodies: [CLAY], recipes: [RECIPE], buckets: [summaryOf(bucket({ measured: false }))] }, {});
    expect(next(screen)).toBe('Measure its SG');
    expect(screen.button('Measure').getAttribute('href')).toContain('/bucket/');
    expect(screen.all('li.done').length).toBe(4);
  });

  it('on other pages a line says how far it is and what comes next', async () => {
    records = new FakeRecords();
    records.openStudio({ demo: false, vessels: [] });
    const strip = await Screen.open(FirstHourStrip, { url: '/studio?x=1' });
    await answer(strip, { bodies: [CLAY] });
    expect(strip.text).toBe('First hour: 1 of 7 Next: A scale and a vessel');
    strip.fixture.componentRef.setInput('url', '/');
    await strip.settle();
    expect(strip.text).toBe('');
  });

  it('is put off with one tap and shown again with one', async () => {
    const screen = await open({});
    await screen.press('Not now');
    expect(screen.all('li').length).toBe(0);
    await screen.press('Show the first hour again');
    expect(screen.all('li').length).toBe(FIRST_STEPS.length);
  });

  it('an example is put in and taken out with one tap each; what is needed elsewhere is named', async () => {
    const screen = await open({});
    await screen.press('Put an example in, to look around');
    records.answer('/example', { there: true, putAway: [] }, 'PUT');
    await answer(screen, { bodies: [CLAY], recipes: [RECIPE], example: true });
    expect(screen.text).toContain('An example is in your studio');
    await screen.press('Take the example out');
    const put = records.http.expectOne((one) => one.method === 'PUT');
    expect(put.request.body).toMatchObject({ there: false, by: 'Inés' });
    put.flush({ there: false, putAway: ['Example clay'] });
    await answer(screen, {});
    expect(screen.has('Put an example in, to look around')).toBe(true);
  });

  it('a studio that has been through it is not asked again on this device, and the demo never', async () => {
    const all = { bodies: [CLAY], recipes: [RECIPE], buckets: [summaryOf(bucket())], tiles: [], pieces: [piece()] };
    const screen = await open(all, {});
    expect(next(screen)).toBe('The first step tile');
    records = new FakeRecords();
    records.openStudio({ demo: true });
    await Screen.open(FirstHourPanel);
    await settles();
    records.http.expectNone((one) => one.url.endsWith('/example'));
    expect(TestBed.inject(FirstHourStore).hour()).toBeUndefined();
  });

  it('every step says what it is, why, and where it is done', () => {
    for (const step of FIRST_STEPS) {
      const { what, why, action, path } = firstStepWords(step, {});
      expect([what, why, action].every((words) => words.length > 3)).toBe(true);
      expect(path[0]).toMatch(/^\//);
    }
    expect(firstStepWords('weigh', { recipeId: 'r' }).query).toEqual({ recipe: 'r' });
    expect(firstStepWords('tile', { bucketId: 'b' }).query).toEqual({ bucket: 'b', bench: 'tile' });
  });
});
