import {
  knowledgeOf,
  learnCoats,
  passCoatOf,
  PRIOR_KNOWLEDGE,
  predictCoat,
  readThirstTest,
  wallSuctionGuess,
  type PassReading,
  type ThirstTest,
} from '../../src/index';

const TEST: ThirstTest = { dryGrams: 52, afterGrams: 56, soakedGrams: 57.7, seconds: 3, faceCm2: 40, faces: 2, divisionGrams: 0.1 };

describe('the thirst test in water', () => {
  it('4 g in 3 s into both faces of 40 cm² is 0.5 mm, J 0.042 mm²/s', () => {
    const thirst = readThirstTest(TEST);
    expect(thirst.takenMm).toBeCloseTo(0.5, 9);
    expect(thirst.wallSuction).toBeCloseTo(0.25 / 6, 9);
    expect(thirst.waterMm).toBeCloseTo(57 / 40, 9);
    expect(thirst.absorptionPercent).toBeCloseTo(10.96, 2);
    expect(thirst.lnSd).toBeGreaterThan(0.16);
    expect(thirst.lnSd).toBeLessThan(0.3);
  });

  it.each([
    [{ afterGrams: 52 }, 'After the water it must weigh more than dry'],
    [{ soakedGrams: 56 }, 'leave it in until it gains no more'],
    [{ afterGrams: 57.5 }, 'It was full before 3 s were over'],
    [{ faceCm2: 0 }, 'The glazed area must be more than 0'],
  ])('%p is refused', (wrong, words) => {
    expect(() => readThirstTest({ ...TEST, ...wrong })).toThrow(words);
  });

  it('makes a body known without any glaze: its band narrows, and other bodies are left alone', () => {
    const lnWall = Math.log(0.09 / wallSuctionGuess({ bisqueCone: '06' }));
    const learning = learnCoats({ observations: [], walls: [{ bodyId: 'claro', lnWall, lnSd: 0.2 }] });
    const known = knowledgeOf(learning, { glazeId: 'any', bodyId: 'claro' });
    const width = (knowledge: typeof known) => {
      const { lowMm, highMm } = predictCoat(
        { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '06', wallMm: 6, faces: 1, seconds: 3 },
        knowledge,
      );
      return highMm! / lowMm!;
    };
    expect(known.basis).toEqual({ kind: 'learnt', pair: 0, glaze: 0, body: 0, thirstTest: true });
    expect(width(known)).toBeLessThan(width(PRIOR_KNOWLEDGE));
    // The test weighs 1/0.2², the starting guess 1/0.5².
    expect(known.shift[1]).toBeCloseTo((lnWall * 25) / (25 + 4), 6);
    expect(knowledgeOf(learning, { glazeId: 'any', bodyId: 'tostado' })).toEqual(PRIOR_KNOWLEDGE);
  });

  it('stands beside dips on the same body: the two agree on one wall', () => {
    const situation = { sg: 1.45, density: 2.6, state: 'normal' as const, bisqueCone: '06', wallMm: 6, faces: 1 as const };
    const { coat } = predictCoat({ ...situation, seconds: 3 });
    if (coat.kind !== 'ok') throw new Error(coat.kind);
    const observations = [{ id: 'd', glazeId: 'g', bodyId: 'claro', situation, seconds: 3, coatMm: coat.coatMm, lnSd: 0.08 }];
    const alone = knowledgeOf(learnCoats({ observations }), { glazeId: 'g', bodyId: 'claro' });
    const both = knowledgeOf(learnCoats({ observations, walls: [{ bodyId: 'claro', lnWall: 0, lnSd: 0.2 }] }), { glazeId: 'g', bodyId: 'claro' });
    expect(both.covariance[1]![1]).toBeLessThan(alone.covariance[1]![1]!);
    expect(both.shift[1]).toBeCloseTo(0, 6);
  });
});

describe('what a pass of the brush gives', () => {
  const three: PassReading = { method: 'brushLoaded', passes: 3, coatMm: 0.27, lnSd: 0.08 };

  it('nothing measured is the starting guess', () => {
    expect(passCoatOf('brushLoaded', [])).toEqual({ perPassMm: expect.closeTo(0.13, 9), lnSd: 0.5, readings: 0 });
    expect(passCoatOf('sponge', []).lnSd).toBe(1);
  });

  it('moves towards what is weighed, narrower with each, and leaves other ways alone', () => {
    const one = passCoatOf('brushLoaded', [three]);
    expect(one.perPassMm).toBeLessThan(0.1);
    expect(one.perPassMm).toBeGreaterThan(0.09);
    expect(passCoatOf('brushLoaded', [three, three]).lnSd).toBeLessThan(one.lnSd);
    expect(passCoatOf('spray', [three])).toEqual(passCoatOf('spray', []));
  });

  it('no passes is no reading', () => {
    expect(() => passCoatOf('spray', [{ method: 'spray', passes: 0, coatMm: 0.3, lnSd: 0.1 }])).toThrow('must be more than 0');
  });
});
