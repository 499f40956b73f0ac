import fc from 'fast-check';
import {
  coatOfReading,
  coverageOf,
  knowledgeOf,
  learnCoats,
  OUTLIER_SDS,
  PRIOR_KNOWLEDGE,
  PRIOR_LN_SD,
  predictCoat,
  predictSeconds,
  type CoatKnowledge,
  type CoatObservation,
  type CoatSituation,
} from '../../src/index';

const SITUATION: CoatSituation = { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '06', wallMm: 5, faces: 1 };
let count = 0;
/** A dip as it comes out when glaze and body differ this much from the starting guesses. */
function dipped(truth: CoatKnowledge['shift'], dip: Partial<CoatObservation> & { seconds: number; noise?: number }): CoatObservation {
  const { noise = 0, ...rest } = dip;
  const situation = rest.situation ?? SITUATION;
  const { coat } = predictCoat({ ...situation, seconds: dip.seconds }, { ...PRIOR_KNOWLEDGE, shift: truth });
  if (coat.kind !== 'ok') throw new Error(coat.kind);
  return { id: `dip-${++count}`, glazeId: 'marisma', bodyId: 'claro', situation, coatMm: coat.coatMm * Math.exp(noise), lnSd: 0.08, ...rest };
}
const PAIR = { glazeId: 'marisma', bodyId: 'claro' };
const bandOf = (knowledge: CoatKnowledge, seconds = 3): number => {
  const { lowMm, highMm } = predictCoat({ ...SITUATION, seconds }, knowledge);
  return highMm! / lowMm!;
};

describe('a coat measured', () => {
  const glaze = { sg: 1.48, density: 2.71, packing: 0.44 };

  it('by weight carries 8 % and the scale, by caliper a tenth of a millimetre', () => {
    const wet = coatOfReading({ kind: 'wetWeight', gainGrams: 47.2, areaCm2: 233, divisionGrams: 0.1 }, glaze);
    expect(wet.coatMm).toBeCloseTo(0.8732062041300805, 6);
    expect(wet.lnSd).toBeCloseTo(0.08, 3);
    expect(coatOfReading({ kind: 'wetWeight', gainGrams: 2, areaCm2: 20, divisionGrams: 1 }, glaze).lnSd).toBeGreaterThan(0.3);
    expect(coatOfReading({ kind: 'thickness', coatMm: 0.5 }, glaze)).toEqual({ coatMm: 0.5, lnSd: 0.2 });
  });

  it('that weighs no more than before was no dip', () => {
    expect(() => coatOfReading({ kind: 'dryWeight', gainGrams: 0, areaCm2: 233, divisionGrams: 0.1 }, glaze)).toThrow('really dipped');
  });
});

describe('what the studio’s dips teach', () => {
  it('nothing measured gives the starting guess', () => {
    expect(knowledgeOf(learnCoats({ observations: [] }), PAIR)).toEqual(PRIOR_KNOWLEDGE);
  });

  it('many dips without error find how glaze and body really are', () => {
    const truth = [0.35, -0.3, 0.2] as const;
    const observations = [0.5, 1, 1.5, 2, 3, 4, 6, 8, 12, 16].map((seconds) => dipped(truth, { seconds, lnSd: 0.02 }));
    const knowledge = knowledgeOf(learnCoats({ observations }), PAIR);
    for (const seconds of [1, 2.5, 5, 10]) {
      const wanted = predictCoat({ ...SITUATION, seconds }, { ...PRIOR_KNOWLEDGE, shift: truth }).coat;
      const found = predictCoat({ ...SITUATION, seconds }, knowledge).coat;
      if (wanted.kind !== 'ok' || found.kind !== 'ok') throw new Error('too thick');
      expect(found.coatMm / wanted.coatMm).toBeGreaterThan(0.97);
      expect(found.coatMm / wanted.coatMm).toBeLessThan(1.03);
    }
  });

  it('the band narrows with every dip', () => {
    const observations = [2, 3, 4, 2.5, 3.5, 5].map((seconds) => dipped([0.2, 0.1, 0], { seconds }));
    const widths = observations.map((_, index) => bandOf(knowledgeOf(learnCoats({ observations: observations.slice(0, index) }), PAIR)));
    widths.slice(1).forEach((width, index) => expect(width).toBeLessThan(widths[index]!));
  });

  it('one dip of a glaze sharpens it on every body, one dip on a body sharpens every glaze on it', () => {
    const learning = learnCoats({ observations: [dipped([0.3, 0.3, 0.3], { seconds: 3 })] });
    const none = bandOf(PRIOR_KNOWLEDGE);
    const shared = [
      { glazeId: 'marisma', bodyId: 'tostado' },
      { glazeId: 'tinaja', bodyId: 'claro' },
    ].map((pair) => knowledgeOf(learning, pair));
    shared.forEach((knowledge) => expect(bandOf(knowledge)).toBeLessThan(none));
    expect(bandOf(knowledgeOf(learning, PAIR))).toBeLessThan(Math.min(...shared.map((knowledge) => bandOf(knowledge))));
    expect(knowledgeOf(learning, { glazeId: 'tinaja', bodyId: 'tostado' })).toEqual(PRIOR_KNOWLEDGE);
  });

  it('says what it leans on: this pair, this glaze, this body', () => {
    const observations = [
      dipped([0, 0, 0], { seconds: 3 }),
      dipped([0, 0, 0], { seconds: 3, bodyId: 'tostado' }),
      dipped([0, 0, 0], { seconds: 3, glazeId: 'tinaja' }),
    ];
    expect(knowledgeOf(learnCoats({ observations }), PAIR).basis).toEqual({ kind: 'learnt', pair: 1, glaze: 2, body: 2 });
  });

  it('the order of the dips does not matter', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.5, max: 12, noNaN: true }), { minLength: 1, maxLength: 8 }), (times) => {
        const observations = times.map((seconds, index) => dipped([0.2, -0.2, 0.1], { seconds, noise: 0.05 * Math.sin(7 * index) }));
        const [one, other] = [observations, [...observations].reverse()].map((list) => knowledgeOf(learnCoats({ observations: list }), PAIR));
        one!.shift.forEach((value, index) => expect(value).toBeCloseTo(other!.shift[index]!, 5));
      }),
    );
  });

  it('seconds for a coat follow what was learnt: a thirstier pair needs less time', () => {
    const observations = [2, 3, 4].map((seconds) => dipped([0.5, 0.5, 0], { seconds }));
    const learnt = predictSeconds({ ...SITUATION, coatMm: 0.6 }, knowledgeOf(learnCoats({ observations }), PAIR));
    const guess = predictSeconds({ ...SITUATION, coatMm: 0.6 });
    if (learnt.kind !== 'ok' || guess.kind !== 'ok') throw new Error('no seconds');
    expect(learnt.seconds).toBeLessThan(guess.seconds);
  });

  it('a dip that fits nothing stands out, and a bucket too thick to dip teaches nothing', () => {
    const observations = [2, 3, 4, 5, 6].map((seconds) => dipped([0, 0, 0], { seconds }));
    const slip = dipped([0, 0, 0], { seconds: 3, noise: 1.2 });
    const thick: CoatObservation = { ...slip, id: 'thick', situation: { ...SITUATION, sg: 1.9 } };
    const learning = learnCoats({ observations: [...observations, slip, thick] });
    expect(learning.unusable).toEqual(['thick']);
    expect(learning.fits.filter((fit) => Math.abs(fit.sds) > OUTLIER_SDS).map((fit) => fit.id)).toEqual([slip.id]);
    expect(learning.converged).toBe(true);
  });

  it('one absurd dip among six moves the answer by no more than its sixth', () => {
    const observations = [2, 3, 4, 5, 6].map((seconds) => dipped([0, 0, 0], { seconds }));
    const lnCoatAfter = (list: CoatObservation[]): number => {
      const { coat } = predictCoat({ ...SITUATION, seconds: 3 }, knowledgeOf(learnCoats({ observations: list }), PAIR));
      return coat.kind === 'ok' ? Math.log(coat.coatMm) : NaN;
    };
    const absurd = dipped([0, 0, 0], { seconds: 3, noise: 1.2 });
    const moved = lnCoatAfter([...observations, absurd]) - lnCoatAfter(observations);
    expect(moved).toBeGreaterThan(0);
    expect(moved).toBeLessThan(1.2 / 6);
  });

  it('is told how often it was right', () => {
    const observations = [2, 3, 4, 5, 6, 2.5].map((seconds) => dipped([0.1, 0, 0], { seconds }));
    expect(coverageOf({ observations, newest: 5 })).toEqual({ inside: 5, of: 5 });
  });
});

describe('its ranges, over seven hundred studios', () => {
  /** Repeatable noise: the same in every run. */
  function normals(seed: number): () => number {
    let state = seed >>> 0;
    const next = (): number => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return (state + 0.5) / 4294967296;
    };
    return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
  }

  it('hold four times in five: that of the mean the true coat, that of the next dip the dip that hands make', () => {
    const STUDIOS = 700;
    const normal = normals(20_260_301);
    let inside = 0;
    let nextInside = 0;
    for (let studio = 0; studio < STUDIOS; studio++) {
      const glazes = [0, 1].map(() => [PRIOR_LN_SD * normal(), PRIOR_LN_SD * normal()] as const);
      const bodies = [0, 1].map(() => PRIOR_LN_SD * normal());
      const truth = (glaze: number, body: number): CoatKnowledge['shift'] => [glazes[glaze]![0], bodies[body]!, glazes[glaze]![1]];
      const observations = Array.from({ length: studio % 7 }, (_, index): CoatObservation => {
        const [glaze, body] = [index % 2, (index >> 1) % 2];
        const told = 1 + ((studio + 3 * index) % 7);
        const real = Math.max(0.1, told + 0.3 * normal());
        const seen = dipped(truth(glaze, body), { seconds: real, noise: 0.08 * normal() });
        return { ...seen, seconds: told, glazeId: `g${glaze}`, bodyId: `b${body}` };
      });
      const knowledge = knowledgeOf(learnCoats({ observations }), { glazeId: 'g0', bodyId: 'b1' });
      const seconds = 2 + (studio % 4);
      const really = predictCoat({ ...SITUATION, seconds }, { ...PRIOR_KNOWLEDGE, shift: truth(0, 1) }).coat;
      const { coat, lowMm, highMm, meanLowMm, meanHighMm } = predictCoat({ ...SITUATION, seconds }, knowledge);
      if (really.kind !== 'ok' || coat.kind !== 'ok') throw new Error('too thick');
      if (really.coatMm >= meanLowMm! && really.coatMm <= meanHighMm!) inside += 1;
      const next = dipped(truth(0, 1), { seconds: Math.max(0.1, seconds + 0.3 * normal()), noise: 0.08 * normal() }).coatMm;
      if (next >= lowMm! && next <= highMm!) nextInside += 1;
    }
    for (const share of [inside / STUDIOS, nextInside / STUDIOS]) {
      expect(share).toBeGreaterThan(0.74);
      expect(share).toBeLessThan(0.86);
    }
  });
});
