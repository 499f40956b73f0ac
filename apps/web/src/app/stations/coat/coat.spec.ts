import { TestBed } from '@angular/core/testing';
import type { CoatDip, CoatWindowDocument } from '@cazuela/contract';
import { ago, bucket, CLAY, id, POWDERS, RECIPE, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Units } from '../../data/units/units';
import { CoatStation } from './coat-station';
import { basisWords, cannotWords, curveSeconds } from './coat-words';

describe('the coat station', () => {
  let records: FakeRecords;
  const white = bucket();
  const thick = bucket({ sg: 1.55, code: 'B2', body: { ...white.body, name: 'Marisma' } });
  const open = async (
    inputs = {},
    buckets = [white, thick],
    bodies = [CLAY],
    dips: CoatDip[] = [],
    windows: CoatWindowDocument[] = [],
  ): Promise<Screen<CoatStation>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(CoatStation, inputs);
    records.answer('/buckets', buckets.map(summaryOf));
    records.answer('/bodies', bodies);
    records.answer('/powders', POWDERS);
    records.answer('/coats', dips);
    records.answer('/windows', windows);
    await screen.settle();
    return screen;
  };
  const seconds = (screen: Screen<CoatStation>): number => Number(/(\d+\.\d)\s*s for/.exec(screen.text)?.[1]);

  it('gives seconds for a coat and a coat for seconds, each with its range and its ground', async () => {
    const { text } = await open();
    expect(text).toMatch(/\d\.\d s for 0\.60 mm; the next dip gives 0\.\d\d mm to 0\.\d\d mm/);
    expect(text).toMatch(/0\.\d\d mm after 3\.0 s; the next dip 0\.\d\d mm to \d\.\d\d mm/);
    expect(text).toContain('Starting guess: from SG, how the liquid stands, bisque cone and wall alone.');
  });

  it('opens with the bucket the potter came from; a thicker one needs less time', async () => {
    const thin = seconds(await open());
    const screen = await open({ bucket: thick.id });
    expect(screen.text).toContain('the bucket: 1.550');
    expect(seconds(screen)).toBeLessThan(thin);
  });

  it('an SG left behind says loudly that it is not the bucket’s, and goes back with one tap', async () => {
    const screen = await open();
    expect(screen.text).not.toContain('What if');
    await screen.type('SG', '1.5');
    expect(screen.text).toContain('What if it were 1.500: the bucket stands at 1.450.');
    await screen.press('Back to the bucket’s');
    expect(screen.text).not.toContain('What if');
    expect(screen.field('SG').value).toBe('1.45');
  });

  it('says how the bucket stands and why, and what that does to film and packing', async () => {
    const contents = {
      ...white.contents!,
      slurryState: 'flocculated' as const,
      feel: { swirlSeconds: 4, at: white.createdAt },
      additives: { epsomGrams: 3.15, silicateGrams: 0, gumMl: 60 },
      contaminated: ['iron from the tongs'],
    };
    const { text } = await open({}, [{ ...white, contents }]);
    expect(text).toContain('Reckoned as flocculated, by a swirl of 4 s, Tue 10 Mar, 3.1 g of Epsom salts in it: film 0.30 mm, packing 0.42.');
    expect(text).toContain('Stir it first, then now and then.');
    expect(text).toContain('Gum in it: it drinks slower than reckoned here');
    expect(text).toContain('Contaminated: iron from the tongs.');
  });

  describe('what was dipped and measured', () => {
    const dip = (seconds: number, coatMm: number, change: Partial<CoatDip['body']> = {}): CoatDip => ({
      id: id(),
      version: 1,
      body: {
        bucketId: white.id,
        glazeId: RECIPE.id,
        bodyId: CLAY.id,
        at: ago(500 - seconds),
        by: 'Maia',
        seconds,
        sg: 1.45,
        density: 2.6,
        state: 'normal',
        bisqueCone: '05',
        earthenware: false,
        wallMm: 5,
        faces: 1,
        reading: { kind: 'thickness', coatMm },
        ...change,
      },
    });
    const openWith = async (...dips: CoatDip[]): Promise<[Screen<CoatStation>, FakeRecords]> => {
      const screen = await open({}, [white, thick], [CLAY], dips);
      return [screen, records];
    };

    it('moves the answer to this studio’s own glaze and body, and says what it leans on', async () => {
      const guess = seconds(await open());
      const thin = [1, 2, 3, 4, 6].map((time) =>
        dip(time, 0.22 * Math.sqrt(time), { reading: { kind: 'dryWeight', gainGrams: 2.86 * Math.sqrt(time), areaCm2: 100, divisionGrams: 0.01 } }),
      );
      const [screen] = await openWith(...thin);
      expect(seconds(screen)).toBeGreaterThan(1.3 * guess);
      expect(screen.text).toContain('Learnt: from 5 dips of this glaze on this body.');
      expect(screen.text).toMatch(/\d of the studio’s last 5 dips fell inside the band shown for them\./);
    });

    it('of another body still helps, and says so', async () => {
      const [screen] = await openWith(dip(3, 0.5, { bodyId: id() }));
      expect(screen.text).toContain('from 1 dip of this glaze on other bodies; how thirsty this one is stays a guess.');
    });

    it('is told in one go: a step tile of three, each with its own error', async () => {
      const [screen] = await openWith();
      await screen.press('A step tile: 3 dips');
      for (const [index, coat] of ['0.3', '0.5', '0.7'].entries()) {
        await screen.type(`Time in the glaze, dip ${index + 1}`, String(index + 1));
        await screen.type(`It measures, dip ${index + 1}`, coat);
      }
      expect(screen.text).toContain('0.50 mm ± 0.10 mm');
      await screen.press('Keep 3 dips');
      const { dips } = records.http.expectOne((one) => one.method === 'POST').request.body as { dips: CoatDip[] };
      expect(dips.map((one) => one.body.reading)).toEqual([0.3, 0.5, 0.7].map((coatMm) => ({ kind: 'thickness', coatMm })));
      expect(dips[0]!.body).toMatchObject({ glazeId: RECIPE.id, bodyId: CLAY.id, wallMm: 5, faces: 1, state: 'normal' });
    });

    it('by weight: the area comes from the form, and a pot that lost weight is asked about', async () => {
      const [screen] = await openWith();
      await screen.choose('Glazed area of a', 'Cup, outside');
      await screen.type('Time in the glaze, dip 1', '3');
      await screen.type('Before, dip 1', '210');
      await screen.type('After, dip 1', '205');
      expect(screen.text).toContain('After the dip it must weigh more than before.');
      expect(screen.button(/^Keep/).disabled).toBe(true);
      await screen.type('After, dip 1', '235');
      await screen.press('Keep the dip');
      const { dips } = records.http.expectOne((one) => one.method === 'POST').request.body as { dips: CoatDip[] };
      expect(dips[0]!.body.reading).toMatchObject({ kind: 'wetWeight', gainGrams: 25, areaCm2: expect.any(Number) as number });
    });

    it('that does not fit is asked about, left out with a reason, and can count again', async () => {
      const others = [1, 2, 3, 4, 5].map((time) => dip(time, 0.35 * Math.sqrt(time)));
      const odd = dip(2.5, 2.6);
      const [screen] = await openWith(...others, odd);
      expect(screen.text).toContain('It does not fit the others');
      await screen.press(/^Leave out: 2\.5 s/);
      await screen.type('Why it does not count', 'the comb slipped');
      await screen.press('Leave it out');
      const put = records.http.expectOne((one) => one.method === 'PUT').request.body as CoatDip;
      expect(put.body.leftOut).toBe('the comb slipped');
      const [again] = await openWith(...others, { ...odd, body: { ...odd.body, leftOut: 'the comb slipped' } });
      expect(again.text).toContain('Left out: the comb slipped');
      await again.press('Count it again');
      expect((records.http.expectOne((one) => one.method === 'PUT').request.body as CoatDip).body.leftOut).toBeUndefined();
    });
  });

  describe('the window of a glaze on a body', () => {
    const looks = { thin: 'grey and dry', right: 'sea-green', thick: 'blue, runs' };
    const set = (thinMm: number, thickMm: number): CoatWindowDocument => ({
      id: id(),
      version: 3,
      glazeId: RECIPE.id,
      bodyId: CLAY.id,
      changes: [{ at: ago(900), by: 'Maia', reason: 'from the tile', window: { thinMm, thickMm, looks } }],
    });

    it('says how the wanted coat will look, and how many dips miss it', async () => {
      const { text } = await open({}, [white, thick], [CLAY], [], [set(0.5, 0.75)]);
      expect(text).toMatch(
        /Right for this body \(0\.50 mm–0\.75 mm\), sea-green\. Of dips like this \d\d % come out right; \d+ % thin, grey and dry; \d+ % thick, blue, runs\./,
      );
      expect((await open({}, [white, thick], [CLAY], [], [set(0.7, 0.9)])).text).toContain('Thin for this body (0.70 mm–0.90 mm), grey and dry.');
    });

    it('is changed with a reason, and keeps what was thought before', async () => {
      const screen = await open({}, [white, thick], [CLAY], [], [set(0.5, 0.75)]);
      await screen.press('Its window');
      expect(screen.text).toContain('Maia: 0.50 mm–0.75 mm, from the tile');
      await screen.type('Too thin below', '0.8');
      expect(screen.text).toContain('Too thick must lie above too thin.');
      await screen.type('Too thin below', '0.45');
      await screen.type('Why', 'grey only below that');
      await screen.press('Keep the window');
      const put = records.http.expectOne((one) => one.method === 'PUT').request.body as {
        version: number;
        change: CoatWindowDocument['changes'][number];
      };
      expect(put).toMatchObject({ version: 3, change: { reason: 'grey only below that', window: { thinMm: 0.45, thickMm: 0.75, looks } } });
    });
  });

  it('a coat that no hand is quick enough for is answered with what would do: thinner glaze, the coat of a second, another method', async () => {
    const screen = await open();
    await screen.type('SG', '1.6');
    await screen.type('Coat wanted', '0.3');
    expect(screen.text).toMatch(/0\.30 mm would take 0\.\d s: under and out is 1\.0 s at the quickest\./);
    expect(screen.text).toMatch(/Thin the bucket to SG 1\.\d\d with [\d,]+ mL of water: then it is 1\.0 s\./);
    expect(screen.text).toMatch(/Or take the 0\.\d\d mm that 1\.0 s give\./);
  });

  it('the same coat by other ways, with glaze and hands', async () => {
    const screen = await open();
    await screen.press('Another way');
    expect(screen.text).toMatch(/Brush, loaded 5 passes 0\.65 mm \(0\.34–1\.23 mm\) \d+ mL 13 min, and 80 min drying between starting guess/);
    expect(screen.text).toMatch(/Spray 12 passes 0\.60 mm/);
    expect(screen.text).toContain('no figure known: taken as a brush drawn dry');
    await screen.type('A label asks for', '3');
    expect(screen.text).toMatch(/The label’s 3 brushed coats give about 0\.39 mm \(0\.21 mm to 0\.74 mm\); for 0\.60 mm put on 5\./);
  });

  describe('the dip timer', () => {
    it('is one key: count in, out; the real seconds wait beside the weights', async () => {
      const clock = jest.spyOn(performance, 'now').mockReturnValue(10_000);
      const screen = await open();
      await screen.press('Dip timer');
      expect(screen.text).toMatch(/Leche de Higo take it out at \d\.\d s/);
      await screen.key(' ');
      expect(screen.text).toContain('Not yet, Space');
      clock.mockReturnValue(16_400);
      await screen.key(' ');
      expect(screen.text).toContain('3.4 s');
      await screen.key('escape');
      expect(screen.field('Time in the glaze, dip 1').value).toBe('3.4');
      clock.mockRestore();
      await new Promise((closed) => setTimeout(closed));
      expect(screen.has('Count in, Space')).toBe(false);
    });
  });

  it('moves with every key', async () => {
    const screen = await open();
    const before = seconds(screen);
    await screen.type('Coat wanted', '0.8');
    expect(seconds(screen)).toBeGreaterThan(before);
    await screen.type('SG', '1.5');
    await screen.type('Coat wanted', '0.6');
    expect(seconds(screen)).toBeLessThan(before);
  });

  it('a thin wall with both faces in the glaze may be full before the coat is there', async () => {
    const screen = await open();
    await screen.type('Wall', '2');
    await screen.type('Coat wanted', '2');
    expect(screen.text).toContain('The wall is full at');
    expect(screen.text).toContain('→ A thicker bucket');
  });

  it('without a bucket or a body it says what comes first', async () => {
    expect((await open({}, [])).text).toContain('There is no bucket to dip in yet.');
    expect((await open({}, [white], [])).text).toContain('Add the clay body of your pieces first');
  });
});

describe('words of the coat', () => {
  let units: Units;
  beforeEach(() => {
    const records = new FakeRecords();
    records.openStudio();
    units = TestBed.inject(Units);
  });

  it.each([
    [{ kind: 'tooThickToDip' }, 'too thick to dip', 'Thin it with water'],
    [{ kind: 'filmAlreadyExceeds', filmCoatMm: 0.2 }, 'already 0.20 mm', 'shake at once'],
    [{ kind: 'noSuction', filmCoatMm: 0.1 }, 'drinks nothing', 'Warm the piece'],
    [{ kind: 'wallSaturated', mostMm: 0.9 }, 'full at 0.90 mm', 'a second coat'],
    [{ kind: 'tooSlow' }, 'longer than a minute', 'two dips'],
  ] as const)('%p has its own sentence and remedy', (answer, what, remedy) => {
    const words = cannotWords(answer, { coatMm: 0.6, sg: 1.6 }, units);
    expect(words?.what).toContain(what);
    expect(words?.remedy).toContain(remedy);
  });

  it('a time that does it needs no excuse', () => {
    expect(cannotWords({ kind: 'ok', seconds: 2 }, { coatMm: 0.6, sg: 1.45 }, units)).toBeUndefined();
  });

  it('the curve shows the answer and no useless stretch', () => {
    expect(curveSeconds({ kind: 'ok', seconds: 10 }, 1)).toBe(22);
    expect(curveSeconds({ kind: 'tooSlow' }, 0)).toBe(6);
    expect(curveSeconds({ kind: 'ok', seconds: 50 }, 1)).toBe(60);
  });
});

describe('what an answer rests on', () => {
  const basis = { kind: 'learnt', pair: 0, glaze: 0, body: 4, thirstTest: true } as const;
  const coverage = { inside: 0, of: 0 };

  it('says whose wall was tested in water: this lot’s, or another of the same clay', () => {
    expect(basisWords(basis, coverage, true).how).toContain('Its wall was tested in water.');
    expect(basisWords(basis, coverage, false).how).toContain('Another lot of this clay was tested in water, this one never.');
    expect(basisWords({ ...basis, body: 0 }, coverage, false).how).toContain('a thirst test of another lot of this clay in water');
  });
});
