import { TestBed } from '@angular/core/testing';
import type { PieceBody } from '@cazuela/contract';
import type { PiecePlan } from '@cazuela/core';
import { id, piece } from '../../../../../testing/made-up';
import { FakeRecords } from '../../../../../testing/records';
import { PieceDraft } from './piece-draft';

describe('a piece being planned', () => {
  const of = piece();
  let records: FakeRecords;
  let draft: PieceDraft;
  beforeEach(() => {
    records = new FakeRecords([PieceDraft]);
    records.openStudio();
    draft = TestBed.inject(PieceDraft);
    draft.saves$.subscribe();
    draft.open(of);
  });
  const put = () => records.http.expectOne((request) => request.method === 'PUT');

  it('saves one after another, each with the newest state and version', () => {
    draft.plan({ waxFootMm: 11 });
    draft.plan({ waxFootMm: 12 });
    draft.plan({ waxFootMm: 13 });
    const first = put();
    expect(first.request.body).toMatchObject({ version: 1, body: { plan: { waxFootMm: 11 } } });
    first.flush({ ...of, version: 2, body: { ...of.body } });
    const second = put();
    expect(second.request.body).toMatchObject({ version: 2, body: { plan: { waxFootMm: 13 } } });
    second.flush({ ...of, version: 3 });
    records.http.expectNone((request) => request.method === 'PUT');
  });

  it('undo is a change like any other and is kept too', () => {
    draft.plan({ waxFootMm: 30 });
    put().flush({ ...of, version: 2 });
    draft.undo();
    expect(draft.body()?.plan.waxFootMm).toBe(10);
    expect(put().request.body).toMatchObject({ version: 2, body: { plan: { waxFootMm: 10 } } });
  });

  it('a failed save keeps what was planned and can be sent again', () => {
    draft.plan({ waxFootMm: 30 });
    put().error(new ProgressEvent('error'), { status: 0 });
    expect(draft.failure()?.isAway).toBe(true);
    expect(draft.body()?.plan.waxFootMm).toBe(30);
    draft.again();
    put().flush({ ...of, version: 2 });
    expect(draft.failure()).toBeUndefined();
  });

  /** Somebody else saved first. */
  const stale = (plan: Partial<PiecePlan>, change: Partial<PieceBody> = {}): void =>
    records.refuse(
      `/pieces/${of.id}`,
      409,
      {
        code: 'stale',
        detail: 'Changed meanwhile.',
        current: { ...of, version: 7, body: { ...of.body, ...change, plan: { ...of.body.plan, ...plan } } },
      },
      'PUT',
    );

  it('two who plan one piece: what does not touch is joined and kept of both', () => {
    draft.plan({ waxFootMm: 30 });
    stale({ cone: '7' }, { count: 9 });
    expect(draft.stale()).toBeUndefined();
    expect(draft.merged()).toBe(1);
    expect(put().request.body).toMatchObject({ version: 7, body: { count: 9, plan: { waxFootMm: 30, cone: '7' } } });
    expect(draft.body()).toMatchObject({ count: 9, plan: { waxFootMm: 30, cone: '7' } });
  });

  it('joined to what nothing can stand as, it is asked about and nothing is sent', () => {
    // A foot waxed as high as their form is tall leaves no outside.
    draft.open(piece({ zones: { inside: [], outside: [{ id: id(), bucketId: id(), method: 'dip', coatMm: 0.4 }], rim: [], foot: [] } }));
    const opened = draft.body()!;
    draft.plan({ waxFootMm: 80 });
    const [request] = records.http.match((one) => one.method === 'PUT');
    const low = { ...opened, plan: { ...opened.plan, shapeId: 'platter' } };
    request!.flush(
      {
        type: 'x',
        title: 'x',
        status: 409,
        code: 'stale',
        detail: 'Changed meanwhile.',
        current: { ...of, id: request!.request.url.split('/').at(-1), version: 3, body: low },
      },
      { status: 409, statusText: 'Conflict' },
    );
    expect(draft.stale()?.differences).toEqual(['the plan']);
    records.http.expectNone((one) => one.method === 'PUT');
  });

  it('two who plan one piece: mine goes over theirs only when I say so', () => {
    draft.plan({ waxFootMm: 30 });
    stale({ waxFootMm: 20 });
    expect(draft.stale()?.current.version).toBe(7);
    expect(draft.stale()?.differences).toEqual(['the waxed foot (yours 30, theirs 20)']);
    draft.keepMine(draft.stale()!.current);
    expect(put().request.body).toMatchObject({ version: 7, body: { plan: { waxFootMm: 30 } } });
  });

  it('what the records would not take is refused at once, in their words, and nothing is sent', () => {
    const mask = () => ({ id: id(), kind: 'wax' as const, where: 'band' as const, fromMm: 20, toMm: 24 });
    const masks = Array.from({ length: 6 }, mask);
    draft.plan({ masks });
    put().flush({ ...of, version: 2 });
    draft.plan({ masks: [...masks, mask()] });
    expect(draft.refused()).toBe('A piece has at most 6 masks.');
    expect(draft.body()!.plan.masks).toHaveLength(6);
    expect(draft.canRedo()).toBe(false);
    records.http.expectNone((request) => request.method === 'PUT');
    // The next possible change is kept as usual.
    draft.plan({ waxFootMm: 11 });
    expect(draft.refused()).toBeUndefined();
    expect(put().request.body).toMatchObject({ version: 2, body: { plan: { waxFootMm: 11 } } });
  });

  it('dragged to where the records would not take it, it goes back when the hand lets go', () => {
    const before = draft.body();
    draft.drag({ edges: { rim: { kind: 'waving', riseMm: 2, waves: 99 } } });
    draft.drop();
    expect(draft.refused()).toBe('At most 24 waves go round.');
    expect(draft.body()).toBe(before);
    expect(draft.settledBody()).toBe(before);
    expect(draft.canUndo()).toBe(false);
  });

  it('a plan that was past its limits already can still be mended', () => {
    const layers = Array.from({ length: 5 }, () => ({ id: id(), bucketId: id(), method: 'dip' as const, coatMm: 0.2 }));
    draft.open(piece({ zones: { inside: [], outside: layers, rim: [], foot: [] } }));
    draft.removeLayer('outside', layers[4]!.id);
    expect(draft.refused()).toBeUndefined();
    expect(draft.body()!.plan.zones.outside).toHaveLength(4);
  });
});
