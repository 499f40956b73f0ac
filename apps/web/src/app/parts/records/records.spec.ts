import { TestBed } from '@angular/core/testing';
import type { PutAway } from '@cazuela/contract';
import { PutAwayStore } from '../../data/state/put-away-store';
import { PutAwayPage } from '../../stations/studio/put-away-page/put-away-page';
import { AT, FakeRecords, settle } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { PutAwayLink } from './put-away-link';
import { PutAwayNote } from './put-away-note';
import { RecordActions } from './record-actions';
import { recordLink } from './record-paths';

const ID = '0198c0de-0000-7000-8000-0000000000a1';
const OTHER = '0198c0de-0000-7000-8000-0000000000a2';
const HUMO = { kind: 'recipe' as const, id: ID, name: 'Humo' };
const away = (change: Partial<PutAway> = {}): PutAway => ({ ...HUMO, code: null, at: AT.toISOString(), by: 'Inés', ...change });

/** The list is asked for as soon as the screen stands. */
const asked = (): Promise<void> => new Promise((done) => setTimeout(done));

describe('records that are put away', () => {
  let records: FakeRecords;
  let store: PutAwayStore;
  const begin = async (list: PutAway[] = []): Promise<void> => {
    records = new FakeRecords();
    records.openStudio();
    store = TestBed.inject(PutAwayStore);
    await asked();
    records.answer('/away', list);
  };
  const dialogButton = (name: string): HTMLButtonElement =>
    [...document.querySelectorAll<HTMLButtonElement>('mat-dialog-container button')].find((one) => one.textContent!.trim() === name)!;
  const opened = async (): Promise<void> => {
    for (let turn = 0; turn < 20 && !document.querySelector('mat-dialog-container'); turn++) await new Promise((done) => setTimeout(done, 5));
    await settle();
  };

  it('are out of the lists, and everything that names them still finds them', async () => {
    await begin([away()]);
    const list = [{ id: ID }, { id: OTHER }];
    expect(store.without('recipe', list)).toEqual([{ id: OTHER }]);
    expect(store.without('piece', list)).toEqual(list);
    expect(store.find(HUMO)?.by).toBe('Inés');
    expect([store.count('recipe'), store.count('powder')]).toEqual([1, 0]);
  });

  it('where nobody can say what is put away, the lists are whole', async () => {
    records = new FakeRecords();
    records.openStudio();
    store = TestBed.inject(PutAwayStore);
    await asked();
    records.drop('/away');
    expect(store.without('recipe', [{ id: ID }])).toEqual([{ id: ID }]);
  });

  it('one tap puts away and says who did it; one more brings it back', async () => {
    await begin();
    const actions = TestBed.inject(RecordActions);
    actions.putAway(HUMO);
    const put = records.http.expectOne((one) => one.method === 'PUT');
    expect(put.request.body).toEqual({ away: true, at: AT.toISOString(), by: 'Inés' });
    put.flush([away()]);
    expect(store.find(HUMO)).toBeDefined();
    actions.bringBack(HUMO);
    records.answer(`/records/recipe/${ID}/away`, [], 'PUT');
    await settle();
    expect(store.find(HUMO)).toBeUndefined();
  });

  it('before something is deleted it is said what goes with it', async () => {
    await begin();
    const gone = TestBed.inject(RecordActions).delete(HUMO);
    await opened();
    records.answer(`/records/recipe/${ID}/uses`, { name: 'Humo', uses: [], goesWith: ['3 versions'] });
    await settle();
    expect(document.querySelector('mat-dialog-container')!.textContent).toMatch(/Delete Humo\?.*With it go:.*3 versions.*cannot be taken back/s);
    dialogButton('Delete for good').click();
    records.answer(`/records/recipe/${ID}`, { kind: 'recipe', id: ID }, 'DELETE');
    await settle();
    expect(await gone).toBe(true);
  });

  it('what is needed elsewhere is named, cannot be deleted, and is put away with one tap', async () => {
    await begin();
    const gone = TestBed.inject(RecordActions).delete(HUMO);
    await opened();
    records.answer(`/records/recipe/${ID}/uses`, { name: 'Humo', uses: ['2 batches', '1 bucket'], goesWith: ['3 versions'] });
    await settle();
    const dialog = document.querySelector('mat-dialog-container')!;
    expect(dialog.textContent).toMatch(/cannot be deleted:.*2 batches.*1 bucket/s);
    expect(dialogButton('Delete for good')).toBeUndefined();
    dialogButton('Put it away').click();
    await settle();
    expect(await gone).toBe(false);
    records.answer(`/records/recipe/${ID}/away`, [away()], 'PUT');
    expect(store.find(HUMO)).toBeDefined();
  });

  it('used by somebody meanwhile: said, and looked at again', async () => {
    await begin();
    const gone = TestBed.inject(RecordActions).delete(HUMO);
    await opened();
    records.answer(`/records/recipe/${ID}/uses`, { name: 'Humo', uses: [], goesWith: [] });
    await settle();
    dialogButton('Delete for good').click();
    records.refuse(`/records/recipe/${ID}`, 409, { code: 'conflict', detail: 'Somebody used it just now: put it away instead.' }, 'DELETE');
    await settle();
    expect(document.querySelector('mat-dialog-container')!.textContent).toContain('Somebody used it just now');
    dialogButton('Try again').click();
    await settle();
    records.answer(`/records/recipe/${ID}/uses`, { name: 'Humo', uses: ['1 batch'], goesWith: [] });
    await settle();
    dialogButton('Leave it').click();
    expect(await gone).toBe(false);
  });

  it('its own page says so, and its shelf says how many there are', async () => {
    await begin([away(), away({ id: OTHER, name: 'Retama' })]);
    const note = await Screen.open(PutAwayNote, { kind: 'recipe', recordId: ID });
    expect(note.text).toMatch(/^Put away by Inés, .*\. Bring it back$/);
    const link = await Screen.open(PutAwayLink, { kind: 'recipe' });
    expect(link.text).toBe('2 put away');
    expect((await Screen.open(PutAwayLink, { kind: 'piece' })).text).toBe('');
  });

  it('are found again by name, code and kind, on one page', async () => {
    await begin([
      away(),
      away({ kind: 'tile', id: OTHER, name: 'Humo on Barro Claro', code: 'T4' }),
      away({ kind: 'day', id: OTHER, name: '2026-03-01' }),
    ]);
    expect((await Screen.open(PutAwayPage, {})).all('li').length).toBe(3);
    const tiles = await Screen.open(PutAwayPage, { kind: 'tile' });
    expect(tiles.text).toContain('T4 Humo on Barro Claro');
    expect(tiles.all('li').length).toBe(1);
    expect((await Screen.open(PutAwayPage, { called: 't4' })).all('li').length).toBe(1);
    expect((await Screen.open(PutAwayPage, { called: 'zzz' })).text).toContain('Nothing of that kind or name is put away.');
  });

  it('each leads to where it can be looked at', () => {
    expect(recordLink(HUMO)).toEqual({ path: ['/recipe', ID], query: {} });
    expect(recordLink({ kind: 'day', id: ID, name: '2026-03-01' })).toEqual({ path: ['/day'], query: { date: '2026-03-01' } });
    expect(recordLink({ kind: 'firing', id: ID, name: '' })).toEqual({ path: ['/kiln'], query: { firing: ID } });
    expect(recordLink({ kind: 'result', id: ID, name: '' }).query).toEqual({ result: ID });
    expect(recordLink({ kind: 'window', id: ID, name: '' }).path).toEqual(['/coat']);
  });
});
