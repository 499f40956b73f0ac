import fc from 'fast-check';
import { convertMix, MOLAR_MASS, oxideGrams, siblings, substitute } from '../../src/index';
import { addition, base, BENTONITE, COPPER, FRIT, KAOLIN, POWDERS, SILICA, STAIN, WHITING } from '../powders';

const share = (grams: number, total: number): number => (100 * grams) / total;

describe('from one recipe to another', () => {
  it('adds only what is missing, so that the ratio of the other recipe is met', () => {
    const answer = convertMix({
      present: [
        { powderId: SILICA.id, grams: 400 },
        { powderId: KAOLIN.id, grams: 600 },
      ],
      target: [base(SILICA.id, 30), base(KAOLIN.id, 30), base(WHITING.id, 40)],
    });
    // Kaolin is furthest ahead: 600 g is 30 % of 2000 g.
    expect(answer).toMatchObject({ kind: 'ok', totalGrams: 2000 });
    expect(answer.kind === 'ok' && answer.add).toEqual([
      { powderId: SILICA.id, grams: 200 },
      { powderId: WHITING.id, grams: 800 },
    ]);
  });

  it('counts additions as shares of the whole, as they lie in the bucket', () => {
    const answer = convertMix({ present: [{ powderId: SILICA.id, grams: 100 }], target: [base(SILICA.id, 100), addition(COPPER.id, 25)] });
    expect(answer).toEqual({ kind: 'ok', totalGrams: 125, add: [{ powderId: COPPER.id, grams: 25 }] });
  });

  it('is forbidden by a powder the other recipe does not have, and says which', () => {
    const present = [
      { powderId: SILICA.id, grams: 100 },
      { powderId: STAIN.id, grams: 2 },
    ];
    expect(convertMix({ present, target: [base(SILICA.id, 100)] })).toEqual({ kind: 'impossible', powderIds: [STAIN.id] });
  });

  it.each([
    ['an empty batch', [], 'There is no powder to start from'],
    ['less than nothing', [{ powderId: SILICA.id, grams: -1 }], 'cannot be less than 0'],
  ])('refuses %s', (_name, present, words) => {
    expect(() => convertMix({ present, target: [base(SILICA.id, 100)] })).toThrow(words);
  });

  it('arrives at the other recipe exactly and takes nothing out', () => {
    const grams = fc.double({ min: 0.1, max: 5000, noNaN: true });
    const percent = fc.double({ min: 0.5, max: 80, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(grams, grams), fc.tuple(percent, percent, percent), ([a, b], [p, q, r]) => {
        const present = [
          { powderId: SILICA.id, grams: a },
          { powderId: KAOLIN.id, grams: b },
        ];
        const answer = convertMix({ present, target: [base(SILICA.id, p), base(KAOLIN.id, q), addition(COPPER.id, r)] });
        if (answer.kind !== 'ok') throw new Error('it is possible');
        const after = new Map(present.map((one) => [one.powderId, one.grams]));
        for (const { powderId, grams: more } of answer.add) {
          expect(more).toBeGreaterThan(0);
          after.set(powderId, (after.get(powderId) ?? 0) + more);
        }
        expect(share(after.get(SILICA.id)!, answer.totalGrams)).toBeCloseTo(share(p, p + q + r), 6);
        expect(share(after.get(COPPER.id)!, answer.totalGrams)).toBeCloseTo(share(r, p + q + r), 6);
      }),
    );
  });
});

describe('a powder that is no longer to be had', () => {
  const RECIPE = [base(SILICA.id, 30), base(KAOLIN.id, 25), base(FRIT.id, 30), base(WHITING.id, 15), addition(COPPER.id, 4)];
  const solve = (allowedIds: string[]) => substitute({ lines: RECIPE, powders: POWDERS, allowedIds, newId: (id) => `new-${id}` });

  it('changes nothing while every powder of the recipe is on the shelf', () => {
    const { lines, differences } = solve([SILICA.id, KAOLIN.id, FRIT.id, WHITING.id, BENTONITE.id]);
    expect(differences).toEqual([]);
    expect(lines.map((line) => [line.powderId, Number(line.percent.toFixed(2))])).toEqual([
      [SILICA.id, 30],
      [KAOLIN.id, 25],
      [FRIT.id, 30],
      [WHITING.id, 15],
      [COPPER.id, 4],
    ]);
  });

  it('is replaced by the nearest oxides, and what remains different is told in unity', () => {
    const { lines, differences } = solve([SILICA.id, 'ballClay', FRIT.id, WHITING.id]);
    expect(lines.map((line) => line.powderId)).toEqual([SILICA.id, FRIT.id, WHITING.id, 'ballClay', COPPER.id]);
    expect(lines.filter((line) => line.part === 'base').reduce((sum, line) => sum + line.percent, 0)).toBeCloseTo(100, 9);
    expect(lines.find((line) => line.powderId === 'ballClay')!.id).toBe('new-ballClay');
    // Ball clay brings more potash with its alumina.
    expect(differences.every((one) => Math.abs(one.after - one.before) >= 0.005)).toBe(true);
    expect(Math.abs(differences[0]!.after - differences[0]!.before)).toBeLessThan(0.1);
  });

  it('is replaced by the best there is: no mixture of the same powders comes nearer', () => {
    const allowed = ['ballClay', SILICA.id, FRIT.id, WHITING.id];
    const powders = POWDERS.filter((powder) => allowed.includes(powder.id));
    const molesOf = (parts: { powderId: string; grams: number }[]): Record<string, number> => {
      const grams = oxideGrams({
        parts: parts.map((part) => ({ grams: part.grams, powder: POWDERS.find((powder) => powder.id === part.powderId)! })),
      });
      return Object.fromEntries(Object.entries(grams).map(([oxide, value]) => [oxide, value / MOLAR_MASS[oxide as keyof typeof MOLAR_MASS]]));
    };
    const wanted = molesOf(RECIPE.filter((line) => line.part === 'base').map((line) => ({ powderId: line.powderId, grams: line.percent })));
    const distance = (parts: { powderId: string; grams: number }[]): number => {
      const got = molesOf(parts);
      return [...new Set([...Object.keys(wanted), ...Object.keys(got)])].reduce(
        (sum, oxide) => sum + ((wanted[oxide] ?? 0) - (got[oxide] ?? 0)) ** 2,
        0,
      );
    };
    const { lines } = solve(allowed);
    // The mixture was brought to 100: its best amount is found again along its own ratio.
    const ratio = lines.filter((line) => line.part === 'base').map((line) => ({ powderId: line.powderId, grams: line.percent }));
    const best = Math.min(
      ...Array.from({ length: 400 }, (_, step) => distance(ratio.map((one) => ({ ...one, grams: one.grams * (0.8 + step / 1000) })))),
    );
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { minLength: 4, maxLength: 4 }), (amounts) => {
        const other = distance(powders.map((powder, index) => ({ powderId: powder.id, grams: amounts[index]! })));
        expect(other).toBeGreaterThan(best - 1e-5);
      }),
      { numRuns: 500 },
    );
  });

  it('is never replaced by less than nothing of another', () => {
    fc.assert(
      fc.property(fc.subarray([SILICA.id, KAOLIN.id, 'ballClay', FRIT.id, WHITING.id, 'ash'], { minLength: 2 }), (allowedIds) => {
        for (const line of solve(allowedIds).lines) expect(line.percent).toBeGreaterThan(0);
      }),
    );
  });

  it.each([
    ['no powder is chosen', [], 'Choose at least one powder'],
    ['what is chosen has none of its oxides', [STAIN.id.replace('stain', 'copper')], 'bring none of the oxides'],
  ])('is refused when %s', (_name, allowedIds, words) => {
    expect(() => solve(allowedIds)).toThrow(words);
  });
});

describe('siblings', () => {
  const plain = [base(SILICA.id, 50), base(KAOLIN.id, 50)];
  it('stand on the same base, however it was written, and differ in what is over it', () => {
    const others = [
      { id: 'green', lines: [base(KAOLIN.id, 500), base(SILICA.id, 500), addition(COPPER.id, 20)] },
      { id: 'green and white', lines: [...plain, addition(COPPER.id, 2), addition(STAIN.id, 5)] },
      { id: 'another base', lines: [base(SILICA.id, 60), base(KAOLIN.id, 40)] },
      { id: 'me', lines: plain },
      { id: 'empty', lines: [] },
    ];
    expect(siblings({ recipe: { id: 'me', lines: plain }, others })).toEqual([
      { id: 'green', differingPowderIds: [COPPER.id] },
      { id: 'green and white', differingPowderIds: [COPPER.id, STAIN.id] },
    ]);
  });
});
