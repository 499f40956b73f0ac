import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import type { SeriesDocument, StudioPowder } from '@cazuela/contract';
import { aBatch, aBucket } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('on paper', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  const pdf = async (path: string): Promise<{ bytes: Buffer; pages: number; name: string }> => {
    const answer = await server
      .get(path)
      .buffer(true)
      .parse(binary)
      .expect(200)
      .expect('Content-Type', /application\/pdf/);
    const bytes = answer.body as Buffer;
    return { bytes, pages: bytes.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0, name: String(answer.headers['content-disposition']) };
  };

  it.each(['g', 'oz', 'lb'])('a weigh sheet in %s is one page, named after its recipe', async (mass) => {
    const batch = await aBatch(server);
    const sheet = await pdf(`/batches/${batch.id}/sheet.pdf?mass=${mass}`);
    expect(sheet.bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(sheet).toMatchObject({ pages: 1, name: 'inline; filename="weigh-sheet-Leche de Higo.pdf"' });
  });

  it.each([
    ['62x29', 1],
    ['100x62', 1],
    ['a4-70x42', 1],
    ['a4-99x38&copies=15', 2],
    ['a4-99x38&copies=2&first=14', 2],
    ['a4-70x42&first=21', 1],
  ])('labels of %s fill %s pages', async (size, pages) => {
    const bucket = await aBucket(server);
    expect((await pdf(`/buckets/${bucket.id}/labels.pdf?size=${size}`)).pages).toBe(pages);
  });

  it.each([
    ['a size nobody has', 'size=3x3', 'come in these sizes'],
    ['no copies', 'copies=0', 'from 1 to 60'],
    ['a place the sheet does not have', 'size=a4-70x42&first=22', 'from 1 to 21'],
  ])('labels of %s are refused with what there is', async (_name, query, words) => {
    const bucket = await aBucket(server);
    expect((await server.get(`/buckets/${bucket.id}/labels.pdf?${query}`).expect(422)).body.detail).toContain(words);
  });

  it('the sheet of a series', async () => {
    const bucket = await aBucket(server);
    const stain = ((await server.get('/powders')).body as StudioPowder[]).find((one) => one.role === 'colourant')!;
    const cup = { bucketId: bucket.id, bucketName: 'Leche', sg: 1.45, density: 2.6 };
    const body = { kind: 'cups', name: 'Test', powderId: stain.id, powderName: stain.name, ...cup, cupBaseGrams: 50, percents: [1, 2, 3], notes: '' };
    const series = (await server.post('/series', { id: uuid(), body }).expect(201)).body as SeriesDocument;
    expect((await pdf(`/series/${series.id}/sheet.pdf`)).pages).toBe(1);
    // A label for each of its three tiles.
    expect((await pdf(`/series/${series.id}/labels.pdf?size=62x29`)).pages).toBe(3);
    expect((await pdf(`/series/${series.id}/labels.pdf?size=a4-70x42&first=20`)).pages).toBe(2);
  });

  it('nothing is printed of what is not there', async () => {
    await server.get(`/batches/${uuid()}/sheet.pdf`).expect(404);
  });

  it('a page for a fired piece, with its photo and how it was glazed; labels for the wall', async () => {
    const bucket = await aBucket(server);
    const bodyId = uuid();
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#D8C3A5', bisqueCone: '05', earthenware: false }).expect(201);
    const pieceId = uuid();
    const zones = { inside: [], outside: [{ id: uuid(), bucketId: bucket.id, method: 'dip', coatMm: 0.5 }], rim: [], foot: [] };
    const plan = { shapeId: 'bottle', zones, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] };
    await server.post('/pieces', { id: pieceId, body: { name: 'Oil bottle', bodyId, count: 1, plan } }).expect(201);
    const firingId = uuid();
    const points = [
      { hours: 0, celsius: 20 },
      { hours: 8, celsius: 1_200 },
    ];
    const startedAt = '2026-03-01T09:00:00.000Z';
    await server.post('/firings', { id: firingId, body: { kiln: 'Abuela', startedAt, wantedCone: '6', witnessCone: null, points } }).expect(201);
    const bytes = await sharp({ create: { width: 80, height: 60, channels: 3, background: '#9A5A22' } })
      .jpeg()
      .toBuffer();
    const photo = (await server.any.post(`/api/studios/${server.studio.id}/photos`).attach('photo', bytes, 'a.jpg').expect(201)).body as {
      id: string;
    };
    const resultId = uuid();
    const seen = { coneReached: '6', stars: 4, faults: [{ fault: 'ran', where: 'foot' }], note: 'like honey', photoId: photo.id };
    await server.post('/results', { id: resultId, body: { pieceId, firingId, ...seen } }).expect(201);
    const page = await pdf(`/results/${resultId}/page.pdf`);
    expect(page).toMatchObject({ pages: 1, name: 'inline; filename="piece-Oil bottle.pdf"' });
    // The photo is in it.
    expect(page.bytes.toString('latin1')).toContain('/DCTDecode');
    await server.get(`/results/${uuid()}/page.pdf`).expect(404);
    const layer = { bucketId: bucket.id, glazeId: bucket.id, glazeName: 'Leche de Higo', coatMm: 0.5, meltsTo: 0.5 };
    const runnerId = uuid();
    await server
      .post('/runner-tiles', { id: runnerId, body: { layers: [layer], bandMm: 30, by: 'Inés', bodyId, wantedCone: '6', notes: '' } })
      .expect(201);
    expect((await pdf(`/wall/labels.pdf?of=result:${resultId},runner:${runnerId}`)).pages).toBe(2);
    expect((await pdf(`/wall/labels.pdf?size=a4-70x42&of=result:${resultId},runner:${runnerId}`)).pages).toBe(1);
    await server.get(`/wall/labels.pdf?of=runner:${uuid()}`).expect(404);
    expect((await server.get('/wall/labels.pdf?of=everything').expect(422)).body.detail).toContain('Choose 1 to 60');
  });
});

function binary(answer: unknown, done: (error: Error | null, body: Buffer) => void): void {
  const response = answer as NodeJS.ReadableStream;
  const chunks: Buffer[] = [];
  response.on('data', (chunk: Buffer) => chunks.push(chunk));
  response.on('end', () => done(null, Buffer.concat(chunks)));
}
