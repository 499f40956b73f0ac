import type { RunnerTile, RunnerTileBody } from '@cazuela/contract';
import { bucket, CLAY, firing, id, piece, POWDERS, RECIPE, result, summaryOf } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { RunnerBench } from './runner-bench';

const WHITE = bucket();
const BLUE = bucket({ code: 'B2', recipeId: null, body: { ...bucket().body, name: 'Noche Honda' } });
const layer = (of: typeof WHITE, glazeId: string) => ({ bucketId: of.id, glazeId, glazeName: of.body.name, coatMm: 0.5, meltsTo: 0.5 });
const tile = (change: Partial<RunnerTileBody> = {}, code = 'R1'): RunnerTile => ({
  id: id(),
  version: 1,
  code,
  createdAt: '2026-03-01T10:00:00.000Z',
  body: { layers: [layer(BLUE, BLUE.id)], bandMm: 30, by: 'Maia', notes: '', ...change },
});

describe('the bench of runner tiles', () => {
  let records: FakeRecords;
  const open = async (tiles: RunnerTile[]): Promise<Screen<RunnerBench>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(RunnerBench);
    records.answer('/runner-tiles', tiles);
    records.answer('/buckets', [summaryOf(WHITE), summaryOf(BLUE)]);
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    records.answer('/coats', []);
    records.answer('/bodies', [CLAY]);
    await screen.settle();
    return screen;
  };

  it('without a tile it says which one to make first', async () => {
    expect((await open([])).text).toContain('No tile yet. One of your runniest glaze tells most.');
  });

  it('a measured tile tells how the glaze moves, and what was learnt stands above', async () => {
    const { text } = await open([tile({ runMm: 6, cone: '6' })]);
    expect(text).toMatch(/Noche Honda runs about [\d.]+ mm at a normal dip \(two of three times [\d.]+ to [\d.]+\)/);
    expect(text).toMatch(/It (runs|pours) at a normal dip in a usual cone 6 firing/);
  });

  it('typed in, the run is kept with one press, and learnt from at once', async () => {
    const of = tile();
    const screen = await open([of]);
    expect(screen.button('Keep it').disabled).toBe(true);
    await screen.type('It ran', '4');
    await screen.press('Keep it');
    const request = records.http.expectOne((one) => one.method === 'PUT' && one.url.endsWith(`/runner-tiles/${of.id}`));
    expect(request.request.body).toMatchObject({ version: 1, body: { runMm: 4 } });
    request.flush({ ...of, version: 2, body: { ...of.body, runMm: 4 } });
    await screen.settle();
    expect(screen.text).toContain('What tiles and fired pieces taught');
  });

  it('a tile found by its code stands first', async () => {
    const [first, second] = [tile({}, 'R1'), tile({}, 'R2')];
    const screen = await open([first, second]);
    screen.fixture.componentRef.setInput('tile', second.id);
    await screen.settle();
    expect(screen.all('article').map((one) => one.getAttribute('aria-label'))).toEqual(['Runner tile R2', 'Runner tile R1']);
  });

  it('a run nobody can have measured is said at the field', async () => {
    const screen = await open([tile()]);
    await screen.type('It ran', '900');
    expect(screen.text).toContain('at most 400 mm');
  });

  it('when another measured it meanwhile, both are shown', async () => {
    const of = tile();
    const screen = await open([of]);
    await screen.type('It ran', '4');
    await screen.press('Keep it');
    records.http
      .expectOne((one) => one.method === 'PUT')
      .flush(
        {
          type: 'about:blank',
          title: 'x',
          status: 409,
          code: 'stale',
          detail: 'Somebody else changed it.',
          current: { ...of, version: 2, body: { ...of.body, runMm: 7 } },
        },
        { status: 409, statusText: 'Conflict' },
      );
    await screen.settle();
    expect(screen.text).toContain('7 mm run');
    await screen.press('Take theirs');
    expect(screen.field('It ran').value).toBe('7');
  });

  it('a tile on a clay tells each step: its form, its code, the seconds of each dip, its cone', async () => {
    const pair = tile({ layers: [layer(WHITE, RECIPE.id), { ...layer(BLUE, BLUE.id), coatMm: 0.35 }], bodyId: CLAY.id, wantedCone: '5' });
    const screen = await open([pair]);
    const steps = screen.all('ol[aria-label="How R1 is made"] li').map((one) => one.textContent.trim());
    expect(steps).toHaveLength(6);
    expect(steps[0]).toContain('of Barro Claro');
    expect(steps[1]).toContain('Its code is R1. Write its code on the foot with an iron wash');
    expect(steps[2]).toMatch(/Dip its upper 30 mm.*Leche de Higo \(B1, SG 1\.\d+\): [\d.]+ s for 0\.50 mm/);
    expect(steps[3]).toMatch(/Once its shine is gone: the same band in Noche Honda/);
    expect(steps[5]).toContain('to cone 5');
  });

  it('once it was measured its steps are over', async () => {
    const screen = await open([tile({ runMm: 6 })]);
    expect(screen.all('ol')).toHaveLength(0);
  });

  it('the clay and the cone that a next test asks for go into its plan', async () => {
    const screen = await open([]);
    screen.fixture.componentRef.setInput('clay', CLAY.id);
    screen.fixture.componentRef.setInput('at', '5');
    await screen.settle();
    await screen.press('Plan a tile');
    const { body } = records.http.expectOne((one) => one.method === 'POST').request as { body: { body: RunnerTileBody } };
    expect(body.body).toMatchObject({ bodyId: CLAY.id, wantedCone: '5' });
  });

  it('where it was made before, that is said before it is planned', async () => {
    const screen = await open([]);
    const cup = piece();
    const of = firing(60);
    const plan = {
      ...cup.body.plan,
      zones: { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip', coatMm: 0.5 } as const], rim: [], foot: [] },
    };
    const asked: Record<string, unknown> = {
      '/pieces': [{ ...cup, body: { ...cup.body, plan } }],
      '/results': [result(cup, of, { stars: 4, faults: [] })],
      '/buckets': [summaryOf(WHITE), summaryOf(BLUE)],
      '/recipes': [RECIPE],
    };
    for (const request of records.http.match(({ method }) => method === 'GET'))
      request.flush((asked[request.request.url.replace(/^.*studios\/[^/]+/, '')] ?? []) as object);
    await screen.settle();
    expect(screen.text).toContain('You have made this one: Leche de Higo on the clay, fired once, ★★★★.');
  });

  it('a pair is planned with both glazes, the lower first', async () => {
    const screen = await open([]);
    await screen.choose('Over it', 'Noche Honda');
    await screen.press('Plan a tile');
    const { body } = records.http.expectOne((one) => one.method === 'POST' && one.url.endsWith('/runner-tiles')).request as {
      body: { body: RunnerTileBody };
    };
    expect(body.body.layers.map((one) => one.glazeName)).toEqual(['Leche de Higo', 'Noche Honda']);
    body.body.layers.forEach((one) => expect(one.meltsTo).toBeGreaterThan(0.2));
  });
});
