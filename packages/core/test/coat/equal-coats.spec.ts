import { equalCoats, labelCoats, predictCoat, type CoatSituation } from '../../src/index';

const situation: CoatSituation = { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '06', wallMm: 5, faces: 1 };
/** 1 mL of glaze at 1.45 of density 2.6 holds 0.73125 g dry. */
const question = { coatMm: 0.52, areaCm2: 100, situation, volumeMlPerDryGram: 1 / 0.73125 };
const method = (name: string) => equalCoats(question).find((one) => one.method === name)!;

describe('the same coat another way', () => {
  it('a dip and a pour of its contact time give it', () => {
    const { seconds } = method('dip');
    if (seconds?.kind !== 'ok') throw new Error('no seconds');
    const { coat } = predictCoat({ ...situation, seconds: seconds.seconds });
    expect(coat.kind === 'ok' && coat.coatMm).toBeCloseTo(0.52, 6);
    expect(method('pour').seconds).toEqual(seconds);
    expect(method('ladle').seconds).toEqual(seconds);
  });

  it.each([
    ['brushLoaded', 4, 0.52],
    ['brushDry', 7, 0.56],
    ['sponge', 7, 0.56],
    ['spray', 10, 0.5],
  ])('by %s in %p whole passes, which give %p mm', (name, passes, givesMm) => {
    const one = method(name);
    expect(one.passes).toBe(passes);
    expect(one.givesMm).toBeCloseTo(givesMm, 9);
  });

  it('costs hands and glaze: four brushed coats are ten minutes, spray loses the most', () => {
    expect(method('brushLoaded')).toMatchObject({ laborSeconds: 600, waitMinutes: 60 });
    const perMm = (name: string): number => method(name).glazeMl / method(name).givesMm;
    expect(perMm('spray')).toBeGreaterThan(perMm('brushLoaded'));
    expect(perMm('brushLoaded')).toBeGreaterThan(perMm('dip'));
    // 100 cm² × 0.052 cm × 0.5 × 2.6 g dry, 10 % lost.
    expect(method('dip').glazeMl).toBeCloseTo((100 * 0.052 * 0.5 * 2.6 * 1.1) / 0.73125, 6);
  });

  it('a label’s three coats are beside what the glaze wants', () => {
    expect(labelCoats({ coats: 3, coatMm: 0.6 })).toMatchObject({ wantsCoats: 5 });
    expect(labelCoats({ coats: 3, coatMm: 0.6 }).givesMm).toBeCloseTo(0.39, 9);
    // Thin passes, weighed twice, need more of them.
    const thin = [1, 2].map(() => ({ method: 'brushLoaded' as const, passes: 3, coatMm: 0.27, lnSd: 0.08 }));
    expect(labelCoats({ coats: 3, coatMm: 0.6 }, thin).wantsCoats).toBeGreaterThan(5);
  });
});
