import { TestBed } from '@angular/core/testing';
import { bucket, CLAY, POWDERS, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Units } from '../../data/units';
import { CoatStation } from './coat-station';
import { cannotWords, curveSeconds } from './coat-words';

describe('the coat station', () => {
  const white = bucket();
  const thick = bucket({ sg: 1.55, code: 'B2', body: { ...white.body, name: 'Marisma' } });
  const open = async (inputs = {}, buckets = [white, thick], bodies = [CLAY]): Promise<Screen<CoatStation>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(CoatStation, inputs);
    records.answer('/buckets', buckets.map(summaryOf));
    records.answer('/bodies', bodies);
    records.answer('/powders', POWDERS);
    await screen.settle();
    return screen;
  };
  const seconds = (screen: Screen<CoatStation>): number => Number(/(\d+\.\d)\s*s for/.exec(screen.text)?.[1]);

  it('gives seconds for a coat and a coat for seconds, each with its range and its ground', async () => {
    const { text } = await open();
    expect(text).toMatch(/\d\.\d s for 0\.60 mm; expect 0\.\d\d mm to 0\.\d\d mm/);
    expect(text).toMatch(/0\.\d\d mm after 3\.0 s; 0\.\d\d mm to \d\.\d\d mm/);
    expect(text).toContain('Starting guess: from SG, how the liquid stands, bisque cone and wall alone.');
  });

  it('opens with the bucket the potter came from; a thicker one needs less time', async () => {
    const thin = seconds(await open());
    const screen = await open({ bucket: thick.id });
    expect(screen.text).toContain('the bucket: 1.550');
    expect(seconds(screen)).toBeLessThan(thin);
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
    expect(text).toContain('Reckoned as flocculated, by a swirl of 4 s, 3.1 g of Epsom salts in it: film 0.30 mm, packing 0.42.');
    expect(text).toContain('Stir it first, then now and then.');
    expect(text).toContain('Gum in it: it drinks slower than reckoned here');
    expect(text).toContain('Contaminated: iron from the tongs.');
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
