import { v7 as uuid } from 'uuid';
import type { Bucket, PowderBody, PowderMoves, Recipe, RecipeUses, SeriesDocument, StudioPowder } from '@cazuela/contract';
import { aBatch, aBucket, aRecipe, finishOf, head, NOW, recipeBody, sendBatchEvents, weighAll } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('the shelf, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeEach(async () => {
    server = await serverUnderTest();
  });

  const powders = async (): Promise<StudioPowder[]> => (await server.get('/powders').expect(200)).body as StudioPowder[];
  const powder = async (name: string): Promise<StudioPowder> => (await powders()).find((one) => one.name === name)!;
  const bodyOf = ({ id: _id, version: _version, stockGrams: _stock, ...body }: StudioPowder): PowderBody => body;
  const move = async (name: string, kind: string, grams: number): Promise<PowderMoves> => {
    const { id } = await powder(name);
    return (await server.post(`/powders/${id}/stock`, { id: uuid(), kind, grams, at: NOW, by: 'Maia', lot: '' }).expect(201)).body as PowderMoves;
  };

  it('says nothing of a powder nobody ever counted', async () => {
    expect(await powder('Silica')).not.toHaveProperty('stockGrams');
  });

  it('goes down with every line that is weighed, and up again when the weight is taken back', async () => {
    await move('Kaolin', 'counted', 5000);
    const batch = await aBatch(server);
    const events = weighAll(batch).slice(0, 3);
    await sendBatchEvents(server, batch.id, events).expect(201);
    expect((await powder('Kaolin')).stockGrams).toBeCloseTo(4700, 6);
    await sendBatchEvents(server, batch.id, [{ ...head(), type: 'undone', eventId: events[2]!.id }]).expect(201);
    expect((await powder('Kaolin')).stockGrams).toBeCloseTo(5000, 6);
  });

  it('is what was counted, whatever the sums said before', async () => {
    const batch = await aBatch(server);
    await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
    await move('Kaolin', 'received', 1000);
    expect((await powder('Kaolin')).stockGrams).toBeCloseTo(1000, 6);
    await move('Kaolin', 'thrownOut', 100);
    const { uses } = await move('Kaolin', 'counted', 750);
    expect((await powder('Kaolin')).stockGrams).toBeCloseTo(750, 6);
    expect(uses).toEqual([{ what: 'batch', id: batch.id, name: 'Leche de Higo', grams: 300 }]);
  });

  it('is moved once, though the tablet sends it twice', async () => {
    const { id } = await powder('Talc');
    const received = { id: uuid(), kind: 'received', grams: 500, at: NOW, by: 'Maia', lot: 'bag 3' };
    await Promise.all([1, 2].map(() => server.post(`/powders/${id}/stock`, received).expect(201)));
    expect((await powder('Talc')).stockGrams).toBeCloseTo(500, 6);
  });

  it('throws nothing out that nobody counted', async () => {
    const { id } = await powder('Talc');
    const answer = await server.post(`/powders/${id}/stock`, { id: uuid(), kind: 'thrownOut', grams: 5, at: NOW, by: 'Maia', lot: '' }).expect(422);
    expect(answer.body.detail).toContain('weigh what is there first');
  });

  it('takes the studio’s own analysis, density and price; the second of two writers is shown the first', async () => {
    const silica = await powder('Silica');
    const body = { ...bodyOf(silica), densityGMl: 2.64, pricePerKg: 1.2, lowGrams: 2000 };
    const saved = (await server.put(`/powders/${silica.id}`, { version: silica.version, body }).expect(200)).body as StudioPowder;
    expect(saved).toMatchObject({ densityGMl: 2.64, pricePerKg: 1.2, version: 2 });
    const stale = await server.put(`/powders/${silica.id}`, { version: silica.version, body: { ...body, pricePerKg: 1.3 } }).expect(409);
    expect(stale.body.current).toMatchObject({ version: 2 });
  });

  it('holds no two powders of one name', async () => {
    const body = { ...bodyOf(await powder('Silica')), hazards: [] };
    const answer = await server.post('/powders', { id: uuid(), body }).expect(422);
    expect(answer.body.detail).toContain('is a powder “Silica” already');
    await server.post('/powders', { id: uuid(), body: { ...body, name: 'Silica, coarse' } }).expect(201);
  });

  it.each([
    ['a density that floats', { densityGMl: 0.9 }, 'sinks'],
    ['a negative oxide', { oxides: { SiO2: -1 } }, 'cannot be less than 0 %'],
    ['a negative price', { pricePerKg: -3 }, 'price'],
  ])('refuses %s', async (_name, change, words) => {
    const silica = await powder('Silica');
    const answer = await server.put(`/powders/${silica.id}`, { version: 1, body: { ...bodyOf(silica), ...change } }).expect(422);
    expect(JSON.stringify(answer.body)).toContain(words);
  });

  describe('where a recipe is used', () => {
    it('names its batches and buckets with the version they were made from', async () => {
      const batch = await aBatch(server);
      await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
      const bucket = (await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(201)).body as Bucket;
      const uses = (await server.get(`/recipes/${batch.recipeId}/uses`).expect(200)).body as RecipeUses;
      expect(uses.batches).toMatchObject([{ id: batch.id, number: 1, bucketId: bucket.id }]);
      expect(uses.buckets).toEqual([{ id: bucket.id, code: bucket.code, name: bucket.body.name, number: 1 }]);
      expect(((await server.get(`/recipes/${batch.recipeId}`)).body as Recipe).fired).toBe(false);
    });
  });

  describe('a jar', () => {
    const jar = { kind: 'jar', coats: 3, jarMl: 470, makerSaysFoodSafe: 'yes' } as const;
    it('is opened into a small bucket at the middle of its range, once', async () => {
      const recipe = await aRecipe(server, { name: 'Agua Quieta', product: jar, sgLow: 1.46, sgHigh: 1.54 });
      const open = { bucketId: uuid(), filledEventId: uuid(), at: NOW, by: 'Maia', versionId: recipe.versionId };
      const [bucket] = await Promise.all([1, 2].map(async () => (await server.post(`/recipes/${recipe.id}/jar`, open).expect(201)).body as Bucket));
      expect(bucket!.contents).toMatchObject({ slurryState: 'normal' });
      expect(bucket!.contents!.volumeMl).toBeCloseTo(470, 0);
      expect(bucket!.contents!.sg).toBeCloseTo(1.5, 3);
    });

    it('is the only thing that opens like one', async () => {
      const recipe = await aRecipe(server);
      const open = { bucketId: uuid(), filledEventId: uuid(), at: NOW, by: 'Maia', versionId: recipe.versionId };
      expect((await server.post(`/recipes/${recipe.id}/jar`, open).expect(422)).body.detail).toContain('weigh a batch');
    });
  });

  describe('a batch given up', () => {
    it('no longer waits, keeps what was weighed, and can be taken up again', async () => {
      const batch = await aBatch(server);
      const aside = { ...head(), type: 'setAside' as const };
      await sendBatchEvents(server, batch.id, [...weighAll(batch).slice(0, 3), aside]).expect(201);
      expect((await server.get(`/batches/${batch.id}`)).body).toMatchObject({ setAside: true, linesDone: 1 });
      await sendBatchEvents(server, batch.id, [{ ...head(), type: 'undone', eventId: aside.id }]).expect(201);
      expect((await server.get(`/batches/${batch.id}`)).body).toMatchObject({ setAside: false });
    });
  });

  describe('a series of tiles', () => {
    const ladder = async (bucket: Bucket) => {
      const stain = await powder('Stain (spinel type)');
      const body = {
        kind: 'oneCup',
        name: 'Black in Leche',
        powderId: stain.id,
        powderName: stain.name,
        bucketId: bucket.id,
        bucketName: bucket.body.name,
      };
      return { id: uuid(), body: { ...body, sg: 1.45, density: 2.6, baseGrams: 200, drawGrams: 6, percents: [1, 2, 4, 6, 8], notes: '' } };
    };

    it('has a code of its own, and takes stain and glaze once when its tiles are dipped', async () => {
      await move('Stain (spinel type)', 'counted', 100);
      const bucket = await aBucket(server);
      const series = (await server.post('/series', await ladder(bucket)).expect(201)).body as SeriesDocument;
      expect(series.code).toBe('K1');
      const done = { at: NOW, by: 'Oriol', eventIds: [uuid(), uuid()] };
      await Promise.all([1, 2].map(() => server.post(`/series/${series.id}/done`, done).expect(201)));
      const left = (await powder('Stain (spinel type)')).stockGrams!;
      expect(left).toBeGreaterThan(84);
      expect(left).toBeLessThan(86);
      const after = (await server.get(`/buckets/${bucket.id}`)).body as Bucket;
      expect(after.events.filter((event) => event.type === 'glazeTaken')).toHaveLength(1);
      expect(((await server.get(`/series/${series.id}`)).body as SeriesDocument).doneAt).toBe(NOW);
    });

    it('whose steps fall is refused with the reason', async () => {
      const asked = await ladder(await aBucket(server));
      asked.body.percents = [4, 2];
      expect((await server.post('/series', asked).expect(422)).body.detail).toContain('must rise');
    });
  });

  it('a recipe on a powder of the studio’s own has its label’s water', async () => {
    const label = { powder: { value: 1, unit: 'lb' as const }, water: { value: 1, unit: 'US pt' as const } };
    const body = await recipeBody(server, { product: { kind: 'base', label, packGrams: 5000 } });
    const recipe = (await server.post('/recipes', { id: uuid(), body }).expect(201)).body as Recipe;
    const batch = {
      id: uuid(),
      recipeVersionId: recipe.versionId,
      size: { kind: 'base', baseGrams: 453.59237 },
      water: { kind: 'label', rule: label },
      order: 'clayFirst',
    };
    expect((await server.post('/batches', batch).expect(201)).body.plan.waterGrams).toBeCloseTo(473.176473, 6);
  });
});
