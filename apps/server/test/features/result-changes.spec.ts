import { v7 as uuid } from 'uuid';
import type { ResultChangeBody, ResultChangeEntry } from '@cazuela/contract';
import { firingFromPeak } from '@cazuela/core';
import { NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('the ledger of changes, kept in MariaDB', () => {
  let server: ServerUnderTest;
  const [pieceId, resultId] = [uuid(), uuid()];
  beforeAll(async () => {
    server = await serverUnderTest();
    const [bodyId, firingId] = [uuid(), uuid()];
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
    const plan = { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] };
    await server.post('/pieces', { id: pieceId, body: { name: 'Cup', bodyId, count: 12, plan } }).expect(201);
    const points = firingFromPeak({ peakCelsius: 1206, hoursUp: 9.5, holdMinutes: 10 });
    const firing = { kiln: 'Abuela', startedAt: NOW, wantedCone: '6', witnessCone: null, points };
    await server.post('/firings', { id: firingId, body: firing }).expect(201);
    const body = { pieceId, firingId, coneReached: '6', stars: 2, faults: [{ fault: 'crawled', where: 'rim' }], note: '', photoId: null };
    await server.post('/results', { id: resultId, body }).expect(201);
  });
  const entry = (change: Partial<ResultChangeBody> = {}): { id: string; body: ResultChangeBody } => ({
    id: uuid(),
    body: {
      resultId,
      pieceId,
      fault: 'crawled',
      where: 'rim',
      kind: 'thinnerCoat',
      from: 0.9,
      to: 0.6,
      chanceBefore: 0.46,
      chanceAfter: 0.12,
      decision: 'made',
      reason: '',
      became: { what: 'plan', id: pieceId, version: 2 },
      at: NOW,
      by: 'Inés',
      ...change,
    },
  });

  it('what was made is kept, once, however often it is sent', async () => {
    const made = entry();
    await server.post('/changes', made).expect(201);
    await server.post('/changes', made).expect(201);
    const all = (await server.get('/changes').expect(200)).body as ResultChangeEntry[];
    expect(all.filter(({ id }) => id === made.id)).toEqual([made]);
  });

  it.each([
    ['a result that is gone', { resultId: uuid() }, 'not here any more'],
    ['a plan that is gone', { pieceId: uuid() }, 'not here any more'],
    ['a chance above one', { chanceAfter: 1.2 }, ''],
    ['a kind nobody knows', { kind: 'magic' as ResultChangeBody['kind'] }, ''],
  ])('%s is refused in words', async (_name, change, words) => {
    const answer = await server.post('/changes', entry(change)).expect(422);
    expect(answer.body.detail).toContain(words);
  });

  it('a result with a change hangs on it: it is put away, and goes once the change is deleted', async () => {
    const made = entry();
    await server.post('/changes', made).expect(201);
    expect((await server.remove(`/records/result/${resultId}`).expect(409)).body.detail).toContain('in the ledger');
    for (const { id } of (await server.get('/changes').expect(200)).body as ResultChangeEntry[])
      await server.remove(`/records/change/${id}`).expect(200);
    await server.remove(`/records/result/${resultId}`).expect(200);
  });
});
