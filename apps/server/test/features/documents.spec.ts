import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { recipeVersionSchema, type Day, type Piece, type PieceBody, type Recipe, type Studio } from '@cazuela/contract';
import type { DayItem } from '@cazuela/core';
import { aBucket, aRecipe, head, recipeBody } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('documents, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  const clay = async (): Promise<string> => {
    const id = uuid();
    await server.post('/bodies', { id, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
    return id;
  };
  const pieceBody = async (change: Partial<PieceBody> = {}): Promise<PieceBody> => ({
    name: 'Cup',
    bodyId: await clay(),
    count: 4,
    plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] },
    ...change,
  });
  const aPiece = async (): Promise<Piece> => (await server.post('/pieces', { id: uuid(), body: await pieceBody() }).expect(201)).body as Piece;
  const dayItem = (pieceId: string): DayItem => {
    const itemId = uuid();
    return {
      id: itemId,
      pieceId,
      name: 'Cup',
      count: 4,
      steps: [{ id: uuid(), itemId, kind: 'wipeFoot', words: 'Wipe the foot', laborSeconds: 30, waitMinutes: 0 }],
    };
  };

  describe('recipes', () => {
    it('every change is a new version with its reason; old batches keep pointing at theirs', async () => {
      const recipe = await aRecipe(server);
      const body = { ...recipe.body, notes: 'more tin' };
      const next = (await server.put(`/recipes/${recipe.id}`, { version: 1, reason: 'came out too pale', body }).expect(200)).body as Recipe;
      expect(next).toMatchObject({ version: 2, reason: 'came out too pale', body: { notes: 'more tin' } });
      expect(next.versionId).not.toBe(recipe.versionId);
      await server
        .post('/batches', {
          id: uuid(),
          recipeVersionId: recipe.versionId,
          size: { kind: 'base', baseGrams: 100 },
          water: { kind: 'perBaseGram', millilitres: 1 },
          order: 'recipe',
        })
        .expect(201);
    });

    it('keeps every version with its reason, newest first, for this studio only', async () => {
      const recipe = await aRecipe(server);
      await server.put(`/recipes/${recipe.id}`, { version: 1, reason: 'more tin', body: recipe.body }).expect(200);
      const versions = z.array(recipeVersionSchema).parse((await server.get(`/recipes/${recipe.id}/versions`).expect(200)).body);
      expect(versions.map(({ number, reason }) => [number, reason])).toEqual([
        [2, 'more tin'],
        [1, 'First written'],
      ]);
      const other = await server.otherStudio();
      await other.get(`/recipes/${recipe.id}/versions`).expect(404);
    });

    it('two who change it: the second is shown the first one’s', async () => {
      const recipe = await aRecipe(server);
      await server.put(`/recipes/${recipe.id}`, { version: 1, reason: 'a', body: recipe.body }).expect(200);
      const late = await server.put(`/recipes/${recipe.id}`, { version: 1, reason: 'b', body: recipe.body }).expect(409);
      expect(late.body).toMatchObject({ code: 'stale', current: { version: 2, reason: 'a' } });
    });

    it('created twice with the same id is created once', async () => {
      const body = await recipeBody(server);
      const id = uuid();
      const answers = await Promise.all([1, 2, 3].map(() => server.post('/recipes', { id, body })));
      expect(answers.filter((answer) => answer.status === 201).length).toBeGreaterThan(0);
      expect(((await server.get('/recipes')).body as Recipe[]).filter((recipe) => recipe.id === id)).toHaveLength(1);
    });

    it.each([
      ['a cone nobody has', { coneHigh: '11' }, 'There is no such cone'],
      [
        'more than forty lines',
        { lines: Array.from({ length: 41 }, () => ({ id: uuid(), powderId: uuid(), part: 'base' as const, percent: 1 })) },
        'at most 40 lines',
      ],
      ['less than nothing of a powder', { lines: [{ id: uuid(), powderId: uuid(), part: 'base' as const, percent: -1 }] }, 'cannot be less than 0'],
    ])('%s is refused with what to do', async (_name, change, words) => {
      const answer = await server.post('/recipes', { id: uuid(), body: await recipeBody(server, change) }).expect(422);
      expect(answer.body.detail).toContain(words);
    });

    it('a batch of a recipe with an empty base is refused in the core’s own words', async () => {
      const recipe = await aRecipe(server, { lines: [] });
      const answer = await server
        .post('/batches', {
          id: uuid(),
          recipeVersionId: recipe.versionId,
          size: { kind: 'base', baseGrams: 100 },
          water: { kind: 'perBaseGram', millilitres: 1 },
          order: 'recipe',
        })
        .expect(422);
      expect(answer.body.detail).toContain('The base is empty');
    });
  });

  describe('pieces and days', () => {
    it('a plan is kept as it was drawn', async () => {
      const bucket = await aBucket(server);
      const body = await pieceBody();
      body.plan.zones.outside = [{ id: uuid(), bucketId: bucket.id, method: 'dip', coatMm: 0.5 }];
      body.plan.putAside = [{ rule: 'M4', reason: 'stands on a plate' }];
      const id = uuid();
      await server.post('/pieces', { id, body }).expect(201);
      expect(((await server.get(`/pieces/${id}`).expect(200)).body as Piece).body).toEqual(body);
    });

    it.each([
      [
        'four coats on one zone',
        { outside: Array.from({ length: 4 }, () => ({ id: uuid(), bucketId: uuid(), method: 'dip' as const, coatMm: 0.3 })) },
        'at most 3 coats',
      ],
      ['a coat of 6 mm', { outside: [{ id: uuid(), bucketId: uuid(), method: 'dip' as const, coatMm: 6 }] }, 'falls off'],
    ])('%s is refused', async (_name, zones, words) => {
      const body = await pieceBody();
      const answer = await server
        .post('/pieces', { id: uuid(), body: { ...body, plan: { ...body.plan, zones: { ...body.plan.zones, ...zones } } } })
        .expect(422);
      expect(answer.body.detail).toContain(words);
    });

    it('a change sent twice, its first answer lost on the way, finds itself done; another one is shown the newer plan', async () => {
      const body = await pieceBody();
      const id = uuid();
      await server.post('/pieces', { id, body }).expect(201);
      const raised = { ...body, plan: { ...body.plan, waxFootMm: 14 } };
      const put = (version: number, plan: Piece['body']) => server.put(`/pieces/${id}`, { version, body: plan });
      const first = (await put(1, raised).expect(200)).body as Piece;
      const again = (await put(1, raised).expect(200)).body as Piece;
      expect(again).toEqual(first);
      expect(again.version).toBe(2);
      const late = await put(1, { ...body, plan: { ...body.plan, waxFootMm: 15 } }).expect(409);
      expect(late.body).toMatchObject({ code: 'stale', current: { version: 2, body: { plan: { waxFootMm: 14 } } } });
      // The same words two versions later are no repeat: somebody else changed it in between.
      await put(2, { ...body, name: 'Cup, tall' }).expect(200);
      await put(1, raised).expect(409);
    });

    it('a piece needs a body of this studio', async () => {
      const answer = await server.post('/pieces', { id: uuid(), body: await pieceBody({ bodyId: uuid() }) }).expect(422);
      expect(answer.body.detail).toContain('Choose a clay body');
    });

    it('two who open the same day get the same day', async () => {
      const piece = await aPiece();
      const make = () => server.post('/days', { id: uuid(), date: '2026-03-11', items: [dayItem(piece.id)] });
      const answers = await Promise.all([make(), make(), make()]);
      expect(new Set(answers.map((answer) => (answer.body as Day).id)).size).toBe(1);
    });

    it('its ticks are kept and a stale list is not written over a newer one', async () => {
      const piece = await aPiece();
      const item = dayItem(piece.id);
      const day = (await server.post('/days', { id: uuid(), date: '2026-03-12', items: [item] }).expect(201)).body as Day;
      await server
        .post('/events', { events: [{ stream: 'day', streamId: day.id, event: { ...head(), type: 'stepDone', stepId: item.steps[0]!.id } }] })
        .expect(201);
      await server.put(`/days/${day.id}`, { version: 1, items: [item, dayItem(piece.id)] }).expect(200);
      await server.put(`/days/${day.id}`, { version: 1, items: [] }).expect(409);
      const back = ((await server.get('/days').expect(200)).body as Day[]).find((one) => one.id === day.id)!;
      expect(back.items).toHaveLength(2);
      expect(back.events).toHaveLength(1);
    });
  });

  describe('studios', () => {
    it('see nothing of each other, whatever id they name', async () => {
      const recipe = await aRecipe(server);
      const bucket = await aBucket(server);
      const piece = await aPiece();
      const other = await server.otherStudio();
      for (const path of [`/recipes/${recipe.id}`, `/buckets/${bucket.id}`, `/pieces/${piece.id}`]) await other.get(path).expect(404);
      for (const path of ['/recipes', '/buckets', '/pieces', '/days', '/firings', '/results', '/batches'])
        expect((await other.get(path).expect(200)).body).toEqual([]);
      expect((await other.get(`/search?q=${bucket.code}`)).body).toEqual([]);
      const stolen = await other
        .post('/events', { events: [{ stream: 'bucket', streamId: bucket.id, event: { ...head(), type: 'stirred' } }] })
        .expect(201);
      expect(stolen.body.refused).toHaveLength(1);
    });

    it('an id of another studio is not taken over', async () => {
      const recipe = await aRecipe(server);
      const other = await server.otherStudio();
      const answer = await other.post('/recipes', { id: recipe.id, body: recipe.body });
      expect(answer.status).toBe(409);
      expect(answer.body.code).toBe('conflict');
    });

    it('members, scale and vessels carry a version', async () => {
      const other = await server.otherStudio();
      const body = {
        version: 1,
        name: 'Taller Vecino',
        members: ['Maia'],
        vessels: [],
        scales: [{ id: uuid(), name: 'Scale', divisionGrams: 1, capacityGrams: 3000, checks: [] }],
        currency: '€',
      };
      const saved = (await server.any.put(`/api/studios/${other.id}`).send(body).expect(200)).body as Studio;
      expect(saved).toMatchObject({ version: 2, members: ['Maia'] });
      await server.any
        .put(`/api/studios/${other.id}`)
        .send({ ...body, members: ['Bruno'] })
        .expect(409);
    });
  });
});
