import { TestBed } from '@angular/core/testing';
import type { ClayBody, CoatDip, StepTile, TileBody } from '@cazuela/contract';
import { ago, bucket, CLAY, id, POWDERS, RECIPE, summaryOf } from '../../../testing/made-up';
import { FakeRecords, STUDIO } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { ScaleFeed, type ScaleNow } from '../../data/devices/scale-feed';
import { signal } from '@angular/core';
import { CoatStation } from './coat-station';
import { markerWords } from '../../parts/words/marker-words';

const white = bucket();
const thick = bucket({ sg: 1.55, code: 'B2', body: { ...white.body, name: 'Marisma' } });
let records: FakeRecords;
const open = async ({ bodies = [CLAY], dips = [], inputs = {} }: { bodies?: ClayBody[]; dips?: CoatDip[]; inputs?: object } = {}): Promise<
  Screen<CoatStation>
> => {
  records.openStudio();
  const screen = await Screen.open(CoatStation, { ...inputs });
  records.answer('/buckets', [white, thick].map(summaryOf));
  records.answer('/bodies', bodies);
  records.answer('/powders', POWDERS);
  records.answer('/coats', dips);
  records.answer('/windows', []);
  await screen.settle();
  return screen;
};
const seconds = (screen: Screen<CoatStation>): number => Number(/(\d+\.\d)\s*s for/.exec(screen.text)?.[1]);

describe('what was done to the piece before', () => {
  beforeEach(() => (records = new FakeRecords()));

  it('inside first takes the outside’s water: a thin wall is full, and says how long to wait', async () => {
    const screen = await open();
    await screen.type('Wall', '2.5');
    await screen.press('Inside first, 45 min ago');
    expect(screen.text).toMatch(/The wall holds \d\d % of the water it can\. Wait \d+ (h|min)/);
    await screen.press('A fresh dry piece');
    expect(screen.text).not.toContain('The wall holds');
  });

  it('a soaked foot and a fired glaze drink nothing', async () => {
    const screen = await open();
    await screen.press('Foot soaked');
    expect(screen.text).toContain('This wall drinks nothing: only the film');
    await screen.press('A fresh dry piece');
    await screen.check('a fired glaze beneath');
    expect(screen.text).toContain('Warm the piece, thicken the glaze');
  });

  it('a second coat takes longer, each step can be changed and taken out, and a measured dip remembers it', async () => {
    const screen = await open();
    const bare = seconds(screen);
    await screen.press('A first coat, half dry');
    await screen.type('Waited', '60');
    expect(seconds(screen)).toBeGreaterThan(bare);
    await screen.type('Time in the glaze, dip 1', '4');
    await screen.press('A step tile: 3 dips');
    await screen.type('It measures, dip 1', '0.4');
    await screen.press('Keep the dip');
    const { dips } = records.http.expectOne((one) => one.method === 'POST').request.body as { dips: CoatDip[] };
    expect(dips[0]!.body.before).toMatchObject({ underMm: expect.any(Number) as number, thirst: expect.any(Number) as number });
    await screen.press('Take out step 2');
    await screen.press('Take out step 1');
    expect(seconds(screen)).toBeCloseTo(bare, 1);
  });
});

describe('the body and its bisque lot', () => {
  beforeEach(() => (records = new FakeRecords()));
  const thirst = { dryGrams: 45.6, afterGrams: 48, soakedGrams: 51.1, seconds: 3, faceCm2: 40, faces: 2 as const, divisionGrams: 0.01 };
  const clay: ClayBody = {
    ...CLAY,
    wallMm: 6,
    lots: [
      { id: id(), name: 'September', at: ago(9000), bisqueCone: '05', thirst },
      { id: id(), name: 'November', at: ago(900), bisqueCone: '04', wallMm: 4 },
    ],
  };

  it('the newest lot is reckoned with: its cone, its wall; another can be chosen', async () => {
    const screen = await open({ bodies: [clay] });
    expect(screen.field('Wall').value).toBe('4');
    const hard = seconds(screen);
    await screen.choose('Bisque lot', 'September, cone 05');
    expect(screen.field('Wall').value).toBe('6');
    expect(seconds(screen)).toBeLessThan(hard);
    expect(screen.text).toContain('Drinks 12.1 %');
  });

  it('a thirst test alone makes the answer less of a guess, and says so', async () => {
    const guess = await open();
    expect(guess.text).toContain('Starting guess:');
    records = new FakeRecords();
    const { text } = await open({ bodies: [clay] });
    expect(text).toContain('Learnt: from a thirst test of another lot of this clay in water; how this glaze builds up stays a guess.');
  });
});

describe('the step tile', () => {
  beforeEach(() => (records = new FakeRecords()));
  const tileBody = (change: Partial<TileBody> = {}): TileBody => ({
    bucketId: white.id,
    glazeId: RECIPE.id,
    glazeName: 'Leche de Higo',
    bodyId: CLAY.id,
    by: 'Maia',
    method: 'inOneGo',
    highMm: 95,
    sg: 1.45,
    strips: [0.3, 0.6].map((wantedMm, index) => ({ id: id(), wantedMm, expectedMm: wantedMm, seconds: 1 + index, depthMm: 80 - 40 * index })),
    notes: '',
    ...change,
  });
  const openTiles = async (...tiles: StepTile[]): Promise<Screen<CoatStation>> => {
    const screen = await open();
    await screen.press('Step tile');
    records.answer('/tiles', tiles);
    await screen.settle();
    return screen;
  };

  it('says seconds, depths and the pen, and is made with all of it', async () => {
    const screen = await openTiles();
    expect(screen.text).toContain('Mark 80 mm, 60 mm, 40 mm, 20 mm from the lower end with a pencil');
    expect(screen.text).toMatch(/At \d\.\d s draw it out altogether: 0\.90 mm at the foot\./);
    expect(screen.text).toContain('with an iron wash');
    await screen.press('Make this tile');
    const { body } = records.http.expectOne((one) => one.method === 'POST').request.body as { body: TileBody };
    expect(body.strips.map((strip) => strip.wantedMm)).toEqual([0.3, 0.5, 0.7, 0.9]);
    expect(body).toMatchObject({ glazeId: RECIPE.id, bodyId: CLAY.id, method: 'inOneGo', highMm: 95 });
  });

  it('dip over dip is told dip by dip; too many strips for the tile are refused in a sentence', async () => {
    const screen = await openTiles();
    screen.all<HTMLButtonElement>('cz-step-tile-panel mat-button-toggle button')[1]!.click();
    await screen.settle();
    expect(screen.text).toContain('When it is handle-dry, 20 min, dip to the 60 mm line');
    await screen.type('Tile height', '40');
    expect(screen.text).toContain('4 strips need a tile of at least 55 mm');
  });

  it('measured, its strips become measured dips under their own ids', async () => {
    const tile: StepTile = { id: id(), version: 2, code: 'T7', createdAt: ago(60), body: tileBody() };
    const screen = await openTiles(tile);
    await screen.type('Measured, strip 2', '0.55');
    await screen.press('Keep what was read');
    const put = records.http.expectOne((one) => one.method === 'PUT');
    expect(put.request.body).toMatchObject({ version: 2, body: { dippedAt: expect.any(String) as string } });
    put.flush({ ...tile, version: 3 });
    await screen.settle();
    const { dips } = records.http.expectOne((one) => one.method === 'POST').request.body as { dips: CoatDip[] };
    expect(dips).toMatchObject([{ id: tile.body.strips[1]!.id, body: { seconds: 2, sg: 1.45, reading: { kind: 'thickness', coatMm: 0.55 } } }]);
  });

  it('looked at by two, each is shown the other', async () => {
    const tile: StepTile = { id: id(), version: 2, code: 'T7', createdAt: ago(60), body: tileBody() };
    const screen = await openTiles(tile);
    await screen.choose('Strip 1 looks', 'thin');
    await screen.press('Keep what was read');
    records.refuse(`/tiles/${tile.id}`, 409, { code: 'stale', current: { ...tile, version: 3, body: tileBody({ cone: '5' }) } }, 'PUT');
    await screen.settle();
    expect(screen.text).toContain('fired to cone 5, not looked at yet');
    await screen.press('Keep mine, as the newest version');
    expect(records.http.expectOne((one) => one.method === 'PUT').request.body).toMatchObject({ version: 3, body: { cone: '6' } });
  });

  it('read, it makes the window of the glaze on this body', async () => {
    const strips = [
      ['thin', 0.3, 'grey'],
      ['right', 0.6, 'green'],
      ['thick', 0.9, 'runs'],
    ] as const;
    const read = tileBody({
      cone: '6',
      strips: strips.map(([verdict, measuredMm, words]) => ({ id: id(), wantedMm: measuredMm, depthMm: 20, verdict, measuredMm, words })),
    });
    const screen = await open();
    await screen.press('Its window');
    await screen.press('Make it from tiles and results');
    records.answer('/tiles', [{ id: id(), version: 1, code: 'T3', createdAt: ago(60), body: read }]);
    records.answer('/results', []);
    records.answer('/pieces', []);
    await screen.settle();
    expect(screen.text).toContain('3 from tiles, 0 from results. Look at it, then keep it.');
    expect(screen.field('Too thin below').value).toBe('0.42');
    expect(screen.field('Why').value).toBe('from tiles T3');
    await screen.press('Keep the window');
    expect(records.http.expectOne((one) => one.method === 'PUT').request.body).toMatchObject({
      change: { window: { thinMm: 0.42, thickMm: 0.73, looks: { thin: 'grey', right: 'green', thick: 'runs' } } },
    });
  });

  it('a dark clay wants a darker pen', () => {
    expect(markerWords(0.3)).toContain('black stain wash');
    expect(markerWords(0.8)).toContain('iron wash; it stays readable');
  });
});

describe('brush, sponge and spray', () => {
  beforeEach(() => (records = new FakeRecords()));

  it('are measured by passes, and the pass becomes this glaze’s own', async () => {
    const screen = await open();
    await screen.choose('Put on by', 'Brush, loaded');
    await screen.press('A step tile: 3 dips');
    await screen.type('Passes, piece 1', '3');
    await screen.type('It measures, dip 1', '0.27');
    await screen.press('Keep the dip');
    const { dips } = records.http.expectOne((one) => one.method === 'POST').request.body as { dips: CoatDip[] };
    expect(dips[0]!.body).toMatchObject({ method: 'brushLoaded', passes: 3, seconds: 0 });
    records = new FakeRecords();
    const again = await open({ dips: dips.map((dip) => ({ ...dip, version: 1 })) });
    await again.press('Another way');
    expect(again.text).toMatch(/Brush, loaded 6 passes .* 1 measured/);
    // A brushed coat says nothing of how a dip builds up.
    expect(again.text).toContain('Starting guess:');
  });
});

describe('as it dries, and glaze for pieces', () => {
  beforeEach(() => (records = new FakeRecords()));

  it('a thick coat crawls, and the thinner one is one tap away', async () => {
    const screen = await open();
    await screen.press('As it dries');
    await screen.type('Coat wanted', '1.2');
    expect(screen.text).toContain('Wide cracks, and it crawls in the fire.');
    await screen.press('Plan 0.50 mm');
    expect(screen.field('Coat wanted').value).toBe('0.5');
  });

  it('a list of pieces takes so much, and says what is short', async () => {
    const screen = await open();
    await screen.press('Glaze for pieces');
    expect(screen.text).toMatch(/Enough: \d+\.\d L are left over\./);
    await screen.type('How many', '900');
    expect(screen.text).toMatch(/\d+\.\d L short\./);
    expect(screen.button('Weigh a batch for it').getAttribute('href')).toMatch(/weigh\?recipe=.*&ml=\d+00/);
  });
});

describe('the map of seconds and SG', () => {
  beforeEach(() => (records = new FakeRecords()));

  it('says its band, with a word on each of its regions', async () => {
    // jsdom does not draw; painting is checked in the browser.
    jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
    const screen = await open();
    screen.all<HTMLButtonElement>('.picture mat-button-toggle button')[1]!.click();
    await screen.settle();
    await screen.settle();
    expect(screen.text).toContain('Band: the coat wanted within a tenth, 0.54 mm to 0.66 mm; no window is told yet.');
    // A word on each region, since colour alone says nothing.
    expect(screen.text).toContain('thin right thick 0 s 10.0 s');
  });
});

describe('the bucket on the scale', () => {
  const now = signal<ScaleNow>({ kind: 'connecting' });
  const listening = signal<string | null>(STUDIO.scales[0]!.id);
  let clockMs = 0;
  /** The scale shows a weight, still or in motion. */
  const weigh = async (screen: Screen<CoatStation>, grams: number, still = true): Promise<void> => {
    clockMs += 1_000;
    now.set({ kind: 'reading', settling: { window: [], shownGrams: grams, settled: still, ...(still ? { settledGrams: grams } : {}) } });
    await screen.settle();
  };
  beforeEach(() => {
    jest.spyOn(performance, 'now').mockImplementation(() => clockMs);
    const feed = {
      now,
      scale: () => (listening() ? STUDIO.scales[0] : undefined),
      listenTo: (scaleId: string | null) => listening.set(scaleId),
      acceptsCommands: () => now().kind !== 'connecting' && now().kind !== 'away',
      send: () => undefined,
    };
    now.set({ kind: 'connecting' });
    listening.set(STUDIO.scales[0]!.id);
    records = new FakeRecords([{ provide: ScaleFeed, useValue: feed }]);
  });
  afterEach(() => jest.restoreAllMocks());
  const openScale = async (): Promise<Screen<CoatStation>> => {
    const screen = await open();
    await screen.press('Bucket on the scale');
    await screen.type('Area', '250');
    return screen;
  };

  it('a dip it did not see is kept with the seconds that were wanted, called planned', async () => {
    const screen = await openScale();
    await weigh(screen, 5000);
    await weigh(screen, 4964);
    expect(screen.text).toContain('planned');
    expect(screen.text).toContain('Seconds nobody timed are kept as planned');
    await screen.press('Keep the dip');
    const post = records.http.expectOne((one) => one.url.endsWith('/coats') && one.method === 'POST');
    expect((post.request.body as { dips: CoatDip[] }).dips[0]!.body.secondsPlanned).toBe(true);
  });

  it('weighs every dip by itself, and books it in bucket and learning', async () => {
    const screen = await openScale();
    await weigh(screen, 5000);
    for (const grams of [5150, 5200, 5190, 4990]) await weigh(screen, grams, false);
    await weigh(screen, 4964);
    expect(screen.text).toMatch(/36\.0 g 0\.\d\d mm ± 0\.\d\d mm/);
    expect(screen.field('Seconds of dip 1').value).toBe('3');
    await screen.press('Keep the dip');
    const post = records.http.expectOne((one) => one.url.endsWith('/coats') && one.method === 'POST');
    expect((post.request.body as { dips: CoatDip[] }).dips[0]!.body).toMatchObject({
      seconds: 3,
      reading: { kind: 'wetWeight', gainGrams: 36, areaCm2: 250 },
    });
    post.flush([]);
    await screen.settle();
    expect(screen.text).not.toContain('Seconds of dip 1');
  });

  it('asks about a spill and books nothing', async () => {
    const screen = await openScale();
    await weigh(screen, 5000);
    await weigh(screen, 4300);
    expect(screen.text).toContain('700.0 g less at once: more than a coat. Spilled, poured out, or several pieces?');
    await screen.press('No dip');
    expect(screen.has(/^Keep/)).toBe(false);
  });

  it('what it lost overnight is water, and becomes a reading', async () => {
    localStorage.setItem('cazuela.here.bucket-rest', JSON.stringify({ [`${STUDIO.scales[0]!.id} ${white.id}`]: { grams: 5000, at: ago(14 * 60) } }));
    const screen = await openScale();
    await weigh(screen, 4940);
    expect(screen.text).toMatch(/Since .* it lost 60\.0 g of water to the air and nothing else: SG 1\.4\d\d now, without a cylinder\./);
    await screen.press('Keep it as a reading');
    expect(screen.text).not.toContain('without a cylinder');
  });

  it('a line that broke is said, and hands at the practice scale wait for it', async () => {
    const screen = await openScale();
    expect(screen.text).toContain('being connected');
    expect(screen.button('Dip a piece').disabled).toBe(true);
    await weigh(screen, 5000);
    expect(screen.button('Dip a piece').disabled).toBe(false);
    now.set({ kind: 'away' });
    await screen.settle();
    expect(screen.text).toContain('– the line to it broke, and is opened again by itself');
    expect(screen.button('Dip a piece').disabled).toBe(true);
  });

  it('without a scale it offers those of the studio', async () => {
    listening.set(null);
    const screen = await open();
    await screen.press('Bucket on the scale');
    await screen.press('Listen to Bench scale');
    expect(TestBed.inject(ScaleFeed).scale()).toBeDefined();
  });
});
