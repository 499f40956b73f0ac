import { TestBed } from '@angular/core/testing';
import type { Result } from '@cazuela/contract';
import { lastValueFrom } from 'rxjs';
import { bucket, CLAY, firing, id, piece, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { FaultRecords, type FiredPieces } from '../state/fault-records';
import { CauseLearning } from './cause-learning';
import * as factory from './learn-strengths.worker-factory';

const WHITE = bucket();
const cup = piece({ zones: { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip', coatMm: 0.9 }], rim: [], foot: [] } });
const of = firing(60);
/** Thick, and crawled or not. */
const fired = (isCrawled: boolean): Result => {
  const made = result(cup, of, { faults: isCrawled ? [{ fault: 'crawled', where: 'outside' }] : [] });
  const coat = {
    words: '',
    bucketId: WHITE.id,
    bucketName: 'White',
    bucketCode: 'B1',
    sg: 1.45,
    seconds: 3,
    plannedSeconds: 3,
    doneAt: of.body.startedAt,
  };
  return { ...made, glazedWith: [{ ...coat, coatMm: 1.2 }] };
};
const window = {
  id: id(),
  version: 1,
  glazeId: WHITE.recipeId ?? WHITE.id,
  bodyId: cup.body.bodyId,
  changes: [{ at: of.body.startedAt, by: 'Inés', reason: '', window: { thinMm: 0.3, thickMm: 0.6, looks: { thin: '', right: 'silk', thick: '' } } }],
};

describe('what fired pieces taught of the causes of faults', () => {
  let records: FakeRecords;
  const known = async (results: Result[]): Promise<FiredPieces> => {
    const all = lastValueFrom(TestBed.inject(FaultRecords).all());
    const lists: Record<string, unknown[]> = {
      '/results': results,
      '/pieces': [cup],
      '/firings': [of],
      '/bodies': [CLAY],
      '/buckets': [summaryOf(WHITE)],
      '/windows': [window],
    };
    for (const request of records.http.match(({ method }) => method === 'GET'))
      request.flush(JSON.stringify(lists[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []));
    return all;
  };
  const learnt = (pieces: FiredPieces) => lastValueFrom(TestBed.inject(CauseLearning).from(pieces));

  beforeEach(() => {
    records = new FakeRecords();
    records.openStudio();
  });

  it('thick coats that all crawled make a thick coat a stronger cause, thick ones that did not a weaker one', async () => {
    const crawled = await learnt(await known(Array.from({ length: 20 }, () => fired(true))));
    expect(crawled.pieces).toBe(20);
    const good = await learnt(await known(Array.from({ length: 20 }, () => fired(false))));
    expect(crawled.strengths.get('crawled/coatOverWindow')!).toBeGreaterThan(0.6);
    expect(good.strengths.get('crawled/coatOverWindow')!).toBeLessThan(0.3);
  });

  it('is learnt once while nothing changed, and anew when a piece was added', async () => {
    const results = [fired(true), fired(false)];
    const [first, again] = [await known(results), await known(results)];
    expect(again).toBe(first);
    const learning = TestBed.inject(CauseLearning);
    expect(learning.from(again)).toBe(learning.from(first));
    const more = await known([...results, fired(true)]);
    expect(more).not.toBe(first);
    expect((await learnt(more)).pieces).toBe(3);
  });

  it('where the worker fails, the usual strengths are told, and that no piece taught them', async () => {
    const broken = {
      onmessage: null,
      onerror: null as (() => void) | null,
      postMessage: (): void => broken.onerror?.(),
      terminate: (): void => undefined,
    };
    const made = jest.spyOn(factory, 'learnStrengthsWorker').mockReturnValue(broken as unknown as Worker);
    const { strengths, pieces } = await learnt(await known([fired(true)]));
    expect([strengths.get('crawled/coatOverWindow'), pieces]).toEqual([0.5, 0]);
    made.mockRestore();
  });

  it('a piece whose plan is gone teaches nothing', async () => {
    const gone = { ...fired(true), body: { ...fired(true).body, pieceId: id() } };
    expect((await learnt(await known([gone]))).pieces).toBe(0);
  });
});
