import type { Firing, Piece, Result, ResultBody } from '@cazuela/contract';
import { firing, piece, result } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Wall } from '../wall/wall';
import { KilnStation } from './kiln-station';
import { coneWords, nearestCone } from './kiln-words';
import { ResultForm } from './result-form';

const CUP = piece();

describe('the kiln', () => {
  let records: FakeRecords;
  const open = async (firings: Firing[], results: Result[] = []): Promise<Screen<KilnStation>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(KilnStation);
    records.answer('/kilns', []);
    records.answer('/firings', firings);
    records.answer('/results', results);
    records.answer('/pieces', [CUP]);
    records.answer('/days', []);
    records.answer('/loads', []);
    records.answer('/schedules', []);
    await screen.settle();
    return screen;
  };

  it('says which cone the curve amounts to, and that nobody logged it', async () => {
    const { text } = await open([firing(13)]);
    expect(text).toContain('Wanted cone 6. By its curve cone 6.');
    expect(text).toMatch(/Can be opened about .*, by its curve\. Nobody logged it/);
    expect(text).toContain('Still hot by its curve');
  });

  it('the witness cone read by eye overrides the curve', async () => {
    const of = firing(60);
    const screen = await open([of]);
    await screen.choose('Witness cone, read by eye', '5');
    expect(records.http.expectOne((one) => one.method === 'PUT').request.body).toMatchObject({ version: 1, body: { witnessCone: '5' } });
  });

  it('two who read the cone: the second is shown the first one’s and chooses again', async () => {
    const of = firing(60);
    const screen = await open([of]);
    await screen.choose('Witness cone, read by eye', '5');
    records.refuse(`/firings/${of.id}`, 409, { code: 'stale', detail: 'Changed.' }, 'PUT');
    await screen.settle();
    records.answer('/kilns', []);
    records.answer('/firings', [{ ...of, version: 2, body: { ...of.body, witnessCone: '6' } }]);
    records.answer('/results', []);
    records.answer('/pieces', [CUP]);
    records.answer('/days', []);
    records.answer('/loads', []);
    records.answer('/schedules', []);
    await screen.settle();
    expect(screen.text).toContain('look, and choose again');
    expect(screen.field('Witness cone, read by eye').value).toBe('6');
  });

  it('a firing is noted from peak, way up and hold; the peak for the cone is worked out', async () => {
    const screen = await open([]);
    await screen.press('Note a firing');
    expect(Number(screen.field('Peak').value)).toBeGreaterThan(1200);
    expect(Number(screen.field('Peak').value)).toBeLessThan(1222);
    expect(screen.text).toContain('That much heat-work is cone 6');
    await screen.choose('Cone wanted', '5');
    expect(screen.text).toContain('That much heat-work is cone 5');
    await screen.type('Kiln', 'Grillo');
    await screen.press('Keep the firing');
    const { body } = records.http.expectOne((one) => one.method === 'POST').request.body as { body: Firing['body'] };
    expect(body).toMatchObject({ kiln: 'Grillo', wantedCone: '5', witnessCone: null });
    expect(body.points.length).toBeGreaterThan(4);
  });

  it('a peak no glaze kiln has is refused in words', async () => {
    const screen = await open([]);
    await screen.press('Note a firing');
    await screen.type('Peak', '2000');
    expect(screen.text).toContain('Peak: at most 1350');
    expect(screen.button('Keep the firing').disabled).toBe(true);
  });

  it('what came out hangs below its firing', async () => {
    const of = firing(60);
    const { text } = await open([of], [result(CUP, of)]);
    expect(text).toContain('Cup ★★★★ just as drawn');
  });
});

describe('correcting what was noted', () => {
  let records: FakeRecords;
  const of = firing(60);
  const cup = result(CUP, of);
  const open = async (inputs: Record<string, unknown>): Promise<Screen<KilnStation>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(KilnStation, inputs);
    records.answer('/kilns', []);
    records.answer('/firings', [of]);
    records.answer('/results', [cup]);
    records.answer('/pieces', [CUP]);
    records.answer('/days', []);
    records.answer('/loads', []);
    records.answer('/schedules', []);
    await screen.settle();
    return screen;
  };

  it('a result: everything that was said stands there, and what is changed is kept at its version', async () => {
    const screen = await open({ firing: of.id, correct: cup.id });
    expect(screen.text).toContain('Correct Cup');
    expect(screen.field('What it looks like').value).toBe('just as drawn');
    await screen.press('2 stars');
    await screen.press('crawled');
    await screen.press('Keep the correction');
    const put = records.http.expectOne((one) => one.method === 'PUT');
    expect(put.request.body).toMatchObject({
      version: 1,
      body: { pieceId: CUP.id, stars: 2, faults: [{ fault: 'crawled' }], note: 'just as drawn' },
    });
  });

  it('two cones read one after the other: the second goes on from what the first made of the firing', async () => {
    const screen = await open({ firing: of.id });
    const version = (): number => records.http.expectOne((one) => one.method === 'PUT').request.body.version as number;
    await screen.choose('Witness cone, read by eye', '6');
    const first = records.http.expectOne((one) => one.method === 'PUT');
    first.flush({ ...of, version: 2, body: { ...of.body, witnessCone: '6' } });
    await screen.settle();
    // The lists are not read again yet.
    await screen.choose('Witness cone, read by eye', '7');
    expect(version()).toBe(2);
  });

  it('a firing: its peak is read from its curve, and a curve that is not touched stays as it was', async () => {
    const screen = await open({ firing: of.id });
    await screen.press('Correct what was noted');
    expect(screen.field('Kiln').value).toBe(of.body.kiln);
    await screen.type('Kiln', 'Grillo');
    await screen.press('Keep the correction');
    const put = records.http.expectOne((one) => one.method === 'PUT');
    expect(put.request.body).toMatchObject({ version: 1, body: { ...of.body, kiln: 'Grillo' } });
  });
});

describe('noting a result', () => {
  let records: FakeRecords;
  const of = firing(60);
  const open = async (): Promise<Screen<ResultForm>> => {
    records = new FakeRecords();
    records.openStudio();
    return Screen.open(ResultForm, { firingId: of.id, cone: '6', pieces: [CUP] satisfies Piece[] });
  };
  const attach = async (screen: Screen<ResultForm>, bytes: number): Promise<void> => {
    const field = screen.field('Photo, up to 8 MB');
    const file = new File(['x'], 'pot.jpg', { type: 'image/jpeg' });
    Object.defineProperty(file, 'size', { value: bytes });
    Object.defineProperty(field, 'files', { value: [file], configurable: true });
    field.dispatchEvent(new Event('change'));
    await screen.settle();
  };

  it('takes stars, faults with their place and a note; the rest is known', async () => {
    const screen = await open();
    await screen.choose('Piece', 'Cup');
    await screen.press('4 stars');
    await screen.press('pinholed');
    await screen.choose('pinholed, where', 'inside');
    await screen.type('What it looks like', 'two holes');
    await screen.choose('Its foot', 'clean');
    await screen.press('Keep the result');
    const { body } = records.http.expectOne((one) => one.url.endsWith('/results')).request.body as { body: ResultBody };
    expect(body).toEqual({
      pieceId: CUP.id,
      firingId: of.id,
      coneReached: '6',
      stars: 4,
      faults: [{ fault: 'pinholed', where: 'inside' }],
      foot: 'clean',
      note: 'two holes',
      photoId: null,
    });
  });

  it('a photo goes first, then the result with it', async () => {
    const screen = await open();
    await screen.choose('Piece', 'Cup');
    await attach(screen, 1000);
    await screen.press('Keep the result');
    records.answer('/photos', { id: CUP.id, width: 10, height: 10 }, 'POST');
    const { body } = records.http.expectOne((one) => one.url.endsWith('/results')).request.body as { body: ResultBody };
    expect(body.photoId).toBe(CUP.id);
  });

  it('a refused photo loses nothing that was typed', async () => {
    const screen = await open();
    await screen.choose('Piece', 'Cup');
    await screen.type('What it looks like', 'worth keeping');
    await attach(screen, 1000);
    await screen.press('Keep the result');
    records.refuse('/photos', 415, { code: 'notAPhoto', detail: 'This file is not a photo we can read.' }, 'POST');
    await screen.settle();
    expect(screen.text).toContain('not a photo we can read');
    expect(screen.field('What it looks like').value).toBe('worth keeping');
  });

  it('a photo too large is told before it is sent', async () => {
    const screen = await open();
    await screen.choose('Piece', 'Cup');
    await attach(screen, 10 * 1024 * 1024);
    expect(screen.text).toContain('This photo has 10 MB; 8 MB is the most.');
    expect(screen.button('Keep the result').disabled).toBe(true);
  });

  it('shivering and stuck pots carry their caution', async () => {
    const screen = await open();
    await screen.press('shivered');
    await screen.press('stuck');
    expect(screen.text).toContain('never for food, discard');
    expect(screen.text).toContain('goggles and a mask');
    await screen.press('stuck');
    expect(screen.text).not.toContain('goggles');
  });
});

describe('the wall', () => {
  const of = firing(60);
  const open = async (inputs = {}): Promise<Screen<Wall>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(Wall, inputs);
    records.answer('/results', [result(CUP, of), result(CUP, of, { stars: 1, faults: [{ fault: 'ran', where: 'foot' }], note: 'to the shelf' })]);
    await screen.settle();
    return screen;
  };

  it('each hangs with its bucket, SG and coat', async () => {
    const { text } = await open();
    expect(text).toContain('Dip the outside in Leche de Higo SG 1.46 0.50 mm');
    expect(text).toContain('ran (foot)');
  });

  it('is searched by word, stars and fault', async () => {
    const screen = await open();
    await screen.type('Piece, glaze or word', 'shelf');
    expect(screen.all('li')).toHaveLength(1);
    await screen.type('Piece, glaze or word', '');
    await screen.choose('Stars at least', '4 stars and more');
    expect(screen.all('li')).toHaveLength(1);
    await screen.choose('With the fault', 'ran');
    expect(screen.text).toContain('Nothing on the wall is like that.');
  });
});

describe('words of the kiln', () => {
  it.each([
    [{ kind: 'between', lower: '5', upper: '6', fraction: 0.95 }, 'cone 6', '6'],
    [{ kind: 'between', lower: '5', upper: '6', fraction: 0.05 }, 'cone 5', '5'],
    [{ kind: 'between', lower: '5', upper: '6', fraction: 0.5 }, 'between cone 5 and 6', '6'],
    [{ kind: 'below', cone: '022' }, 'below cone 022', '022'],
    [{ kind: 'above', cone: '10' }, 'above cone 10', '10'],
  ] as const)('%p reads as %s', (reached, words, nearest) => {
    expect(coneWords(reached)).toBe(words);
    expect(nearestCone(reached)).toBe(nearest);
  });
});
