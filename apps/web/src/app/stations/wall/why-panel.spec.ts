import type { Result } from '@cazuela/contract';
import { CAUSES_OF_FAULTS, REACH_CAUSES } from '@cazuela/core';
import { TestBed } from '@angular/core/testing';
import { Units } from '../../data/units/units';
import { bucket, firing, id, piece, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { causeWords, worthRecording } from './cause-words';
import { WhyPanel } from './why-panel';

const WHITE = bucket();
const of = firing(60);
const cup = piece({ zones: { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip', coatMm: 0.6 }], rim: [], foot: [] } });

describe('why a piece has a fault', () => {
  let records: FakeRecords;
  const open = async (fired: Result, others: Result[] = []): Promise<Screen<WhyPanel>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(WhyPanel, { result: fired });
    const lists: Record<string, unknown[]> = { '/buckets': [summaryOf(WHITE)], '/pieces': [cup], '/firings': [of], '/results': [fired, ...others] };
    for (const request of records.http.match(({ method }) => method === 'GET')) {
      const path = request.request.url.replace(/^\/api\/studios\/[^/]+/, '');
      request.flush(lists[path] ?? []);
    }
    await screen.settle();
    return screen;
  };
  const thin = (glazedWith: Partial<Result['glazedWith'][number]>): Result => ({
    ...result(cup, of, { faults: [{ fault: 'thin', where: 'outside' }] }),
    glazedWith: [
      {
        words: 'Dip the outside',
        bucketId: WHITE.id,
        bucketName: 'White',
        bucketCode: 'B1',
        sg: null,
        coatMm: 0.6,
        seconds: null,
        doneAt: '2026-03-08T10:00:00.000Z',
        ...glazedWith,
      },
    ],
  });

  it('a dip that was timed much too short is the first cause, with its figure and its chance', async () => {
    const { text } = await open(thin({ seconds: 2, plannedSeconds: 4 }));
    expect(text).toContain('Thin, outside: why?');
    expect(text).toMatch(/In the glaze for 50 % of the planned time\s*9\d %/);
    expect(text).toContain('worth recording next time: the SG on the day');
    expect(text).toContain('from usual strengths, not yet by pieces of this studio');
  });

  it('seconds that nobody timed blame nothing: that is said', async () => {
    const { text } = await open(thin({ seconds: 4, secondsPlanned: true }));
    expect(text).toContain('Nothing that was recorded explains it.');
    expect(text).toContain('the seconds, timed');
  });

  it('what never does it here weighs less: good pieces teach too', async () => {
    const good = Array.from({ length: 30 }, (): Result => ({ ...thin({ seconds: 2, plannedSeconds: 4 }), body: { ...thin({}).body, faults: [] } }));
    const alone = await open(thin({ seconds: 2, plannedSeconds: 4 }));
    const share = (text: string): number => Number(/planned time\s*(\d+) %/.exec(text)?.[1] ?? 0);
    const before = share(alone.text);
    const after = await open(thin({ seconds: 2, plannedSeconds: 4 }), good);
    expect(share(after.text)).toBeLessThan(before);
    expect(after.text).toContain('put right by the 31 pieces that were looked at here');
  });

  it('a run is told by the run of its plan', async () => {
    const { text } = await open({ ...thin({}), body: { ...thin({}).body, faults: [{ fault: 'stuck', where: 'foot' }] } });
    expect(text).toContain('the run of its plan');
    expect(text).toContain('Stuck, foot: why?');
  });

  it('what a piece taught itself is no cause of its own run; what others taught is', async () => {
    const ran = (): Result => {
      const timed = thin({ seconds: 4, plannedSeconds: 4 });
      return { ...timed, body: { ...timed.body, ranMm: 40, faults: [{ fault: 'ran', where: 'outside' }] } };
    };
    const further = 'Its glaze flows further than was thought when it was planned';
    expect((await open(ran())).text).not.toContain(further);
    expect((await open(ran(), [ran(), ran(), ran()])).text).toContain(further);
  });

  describe('what the bench recorded of a coat that crawled', () => {
    const crawled = (record: NonNullable<Result['glazedWith'][number]['record']>): Result => {
      const fired = thin({ seconds: 4, plannedSeconds: 4, record });
      return { ...fired, body: { ...fired.body, lotId: id(), faults: [{ fault: 'crawled', where: 'outside' }] } };
    };

    it('hairlines that were seen and left open are told, and smearing them shut is the change', async () => {
      const { text } = await open(crawled({ kind: 'layer', seen: ['hairlines'] }));
      expect(text).toMatch(/Topped over hairlines that were not smeared shut\s*9\d %/);
      expect(text).toContain('Smear hairlines shut before the next coat');
    });

    it('a wipe that was skipped is told', async () => {
      expect((await open(crawled({ kind: 'check', isSkipped: true }))).text).toContain('Dust, edges or the damp wipe were left out');
    });
  });

  it('something that got into its bucket explains another colour', async () => {
    const fired = thin({ record: { kind: 'layer', bucket: { isContaminated: true } } });
    const { text } = await open({ ...fired, body: { ...fired.body, lotId: id(), faults: [{ fault: 'off colour', where: 'outside' }] } });
    expect(text).toContain('Something got into the bucket');
    expect(text).toContain('Sieve the bucket, and find out what fell in');
  });

  it('a recipe that was changed since the last good piece is told; the same version is not', async () => {
    const made = (recipeVersion: number, change: Partial<Result>): Result => {
      const fired = thin({ record: { kind: 'layer', bucket: { recipeVersion } } });
      return { ...fired, id: id(), ...change, body: { ...fired.body, lotId: id(), ...change.body } };
    };
    const odd = made(3, {
      firedAt: '2026-04-01T09:00:00.000Z',
      body: { ...thin({}).body, lotId: id(), faults: [{ fault: 'off colour', where: 'outside' }] },
    });
    const good = (version: number): Result =>
      made(version, { firedAt: '2026-03-01T09:00:00.000Z', body: { ...thin({}).body, lotId: id(), stars: 5, faults: [] } });
    expect((await open(odd, [good(2)])).text).toContain('The recipe was changed');
    expect((await open(odd, [good(3)])).text).not.toContain('The recipe was changed');
    // Nothing of this glaze was on this clay before: that is told by itself.
    expect((await open(odd)).text).toContain('A clay it was not tested on');
  });

  it('every cause has words with its figure, and something to record where nobody did', async () => {
    await open(thin({}));
    const units = TestBed.inject(Units);
    for (const id of [...CAUSES_OF_FAULTS.map((cause) => cause.id), ...REACH_CAUSES]) {
      expect(causeWords(id, {}, units)).not.toBe(id);
      expect(causeWords(id, {}, units)).not.toMatch(/NaN|undefined/);
      expect(worthRecording([id])).toHaveLength(1);
    }
  });
});
