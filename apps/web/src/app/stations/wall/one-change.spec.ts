import { TestBed } from '@angular/core/testing';
import type { Result, ResultChangeEntry } from '@cazuela/contract';
import { CHANGE_KINDS, FIRED_FAULTS } from '@cazuela/core';
import { Units } from '../../data/units/units';
import { bucket, firing, id, piece, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { changeWords, outcomeWords, TO_FAULT } from './change-words';
import { ChangesPage } from './changes-page';
import { WhyPanel } from './why-panel';

const WHITE = bucket();
const of = firing(60);
const cup = piece({ zones: { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip', coatMm: 0.6 }], rim: [], foot: [] } });
const coat: Result['glazedWith'][number] = {
  words: 'Dip the outside',
  bucketId: WHITE.id,
  bucketName: 'White',
  bucketCode: 'B1',
  sg: null,
  coatMm: 0.6,
  seconds: 2,
  plannedSeconds: 4,
  doneAt: '2026-03-08T10:00:00.000Z',
};
const THIN: Result = { ...result(cup, of, { faults: [{ fault: 'thin', where: 'outside' }] }), glazedWith: [coat] };
const entry = (change: Partial<ResultChangeEntry['body']> = {}): ResultChangeEntry => ({
  id: id(),
  body: {
    resultId: THIN.id,
    pieceId: cup.id,
    fault: 'thin',
    where: 'outside',
    kind: 'keepSeconds',
    from: 0.5,
    to: 1,
    chanceBefore: 0.51,
    chanceAfter: 0.02,
    decision: 'made',
    reason: '',
    at: '2026-03-09T10:00:00.000Z',
    by: 'Inés',
    ...change,
  },
});

describe('one change for next time', () => {
  let records: FakeRecords;
  const open = async (entries: ResultChangeEntry[] = [], others: Result[] = []): Promise<Screen<WhyPanel>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(WhyPanel, { result: THIN });
    await answer(entries, others);
    await screen.settle();
    return screen;
  };
  const answer = (entries: ResultChangeEntry[] = [], others: Result[] = []): Promise<void> => {
    const lists: Record<string, unknown[]> = {
      '/buckets': [summaryOf(WHITE)],
      '/pieces': [cup],
      '/firings': [of],
      '/results': [THIN, ...others],
      '/changes': entries,
    };
    for (const request of records.http.match(({ method }) => method === 'GET'))
      request.flush(lists[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []);
    return Promise.resolve();
  };

  it('says what it should do, from the same figures as the causes', async () => {
    const { text } = await open();
    expect(text).toContain('Keep to the planned seconds, by the timer: they were 0.5 times the plan');
    expect(text).toMatch(/The chance to come out thin: \d\d % as it was, 2 % with it\. Not tried here yet\./);
    expect(text).toContain('The ledger keeps it.');
  });

  it('is made with one tap: the ledger has what it stands on', async () => {
    const screen = await open();
    await screen.press('Make this change');
    const request = records.http.expectOne(({ method, url }) => method === 'POST' && url.endsWith('/changes'));
    expect(request.request.body).toMatchObject({
      body: { resultId: THIN.id, pieceId: cup.id, fault: 'thin', where: 'outside', kind: 'keepSeconds', decision: 'made' },
    });
    request.flush(entry());
    await screen.settle();
    await answer([entry()]);
    await screen.settle();
    expect(screen.text).toContain('Made by Inés, Mon 9 Mar.');
    expect(screen.text).toContain('Not tried yet.');
    expect(screen.has('Make this change')).toBe(false);
  });

  it('is refused with why, and the reason is kept', async () => {
    const screen = await open();
    await screen.press('Not this one');
    await screen.type('Why not', 'the timer broke');
    await screen.press('Keep that');
    const request = records.http.expectOne(({ method, url }) => method === 'POST' && url.endsWith('/changes'));
    expect(request.request.body).toMatchObject({ body: { decision: 'refused', reason: 'the timer broke' } });
  });

  it('the next pieces of that plan say whether it helped, and how often such a change did', async () => {
    const next: Result = { ...result(cup, of, { faults: [] }), glazedWith: [{ ...coat, seconds: 4, doneAt: '2026-03-09T18:00:00.000Z' }] };
    const screen = await open([entry()], [next]);
    expect(screen.text).toContain('Helped: the next one is without it.');
    const again = await open([entry({ resultId: id() })], [next]);
    expect(again.text).toContain('Such a change helped here 1 of 1 time.');
  });

  it('every kind of change and every fault has its words', () => {
    new FakeRecords();
    const units = TestBed.inject(Units);
    for (const kind of CHANGE_KINDS) expect(changeWords(kind, { from: 2, to: 1 }, units)).toMatch(/^[A-Z].{8,}/);
    for (const fault of FIRED_FAULTS) expect(TO_FAULT[fault]).toMatch(/^(to|of) /);
    expect(outcomeWords({ kind: 'notHelped', pieces: 12, faulty: 8, resultId: 'r' }).words).toBe('did not help: 8 of the next 12 have it');
  });

  it('the ledger: what was made and refused, and what became of it', async () => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(ChangesPage);
    await answer([entry(), entry({ decision: 'refused', kind: 'stir', reason: 'it was stirred' })]);
    await screen.settle();
    expect(screen.text).toContain('1 made, 0 tried, 0 of those helped.');
    expect(screen.text).toContain('51 % → 2 %');
    expect(screen.text).toContain('not wanted: it was stirred');
    expect(screen.all('li')).toHaveLength(2);
  });

  it('an empty ledger says where changes come from', async () => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(ChangesPage);
    await answer();
    await screen.settle();
    expect(screen.text).toContain('No change yet.');
  });
});
