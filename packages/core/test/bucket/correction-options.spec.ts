import { planBentonite, planGum, twoTargets, correctionOptions, type Correction, type CorrectionOptionsQuestion } from '../../src/index';

const thin: CorrectionOptionsQuestion = {
  volumeMl: 8000,
  sg: 1.4,
  sgSd: 0.005,
  sgLow: 1.43,
  sgHigh: 1.47,
  density: 2.6,
  capacityMl: 10_000,
  surfaceCm2: 700,
  waterGrams: 6000,
  suspension: 'settles',
  soluble: [],
  others: [],
};
const options = (question: CorrectionOptionsQuestion): Correction[] => {
  const answer = correctionOptions(question);
  return answer.kind === 'options' ? answer.options : [];
};
const correction = (question: CorrectionOptionsQuestion, kind: Correction['kind']): Correction => options(question).find((one) => one.kind === kind)!;

describe('ways into range, side by side', () => {
  it('a thin bucket: water off, powder in, a thicker bucket, or the lid off', () => {
    const others = [{ id: 'b', code: 'B9', sg: 1.6, volumeMl: 5000 }];
    expect(new Set(options({ ...thin, others }).map((one) => one.kind))).toEqual(new Set(['pourOff', 'powder', 'otherBucket', 'evaporate']));
  });

  it('each brings it to the middle of its range', () => {
    const { volumeMl, sg, density } = thin;
    const off = correction(thin, 'pourOff').allMl;
    expect((volumeMl * sg - off) / (volumeMl - off)).toBeCloseTo(1.45, 9);
    const powder = correction(thin, 'powder');
    if (powder.kind !== 'powder') throw new Error(powder.kind);
    expect((volumeMl * sg + powder.grams) / (volumeMl + powder.grams / density)).toBeCloseTo(1.45, 9);
    const blended = correction({ ...thin, others: [{ id: 'b', code: 'B9', sg: 1.6, volumeMl: 5000 }] }, 'otherBucket').allMl;
    expect((volumeMl * sg + blended * 1.6) / (volumeMl + blended)).toBeCloseTo(1.45, 9);
  });

  it('a thick one: water, or a thinner bucket of the same glaze', () => {
    const thick = { ...thin, sg: 1.52, others: [{ id: 'b', code: 'B9', sg: 1.38, volumeMl: 9000 }] };
    const blended = correction(thick, 'otherBucket').allMl;
    expect((8000 * 1.52 + blended * 1.38) / (8000 + blended)).toBeCloseTo(1.45, 9);
    expect(correction(thick, 'water').firstMl).toBeCloseTo(0.8 * correction(thick, 'water').allMl, 9);
  });

  it('says what is in the way: the brim, soluble powders, a glaze that never clears, too little of the other', () => {
    expect(correction({ ...thin, sg: 1.6, capacityMl: 8500 }, 'water').blocks).toEqual(['overflows']);
    expect(correction({ ...thin, soluble: ['Lithium carbonate'] }, 'pourOff').blocks).toEqual(['soluble']);
    expect(correction({ ...thin, suspension: 'holds' }, 'pourOff').blocks).toEqual(['doesNotClear']);
    expect(correction({ ...thin, capacityMl: 16_000, others: [{ id: 'b', code: 'B9', sg: 1.6, volumeMl: 100 }] }, 'otherBucket').blocks).toEqual([
      'notEnoughOther',
    ]);
    expect(correction({ ...thin, waterGrams: 500 }, 'pourOff').blocks).toEqual(['moreThanItsWater']);
  });

  it('puts what is possible and quick first', () => {
    const list = options({ ...thin, suspension: 'holds' });
    expect(list[0]!.kind).toBe('powder');
    expect(list.at(-1)!.kind).toBe('pourOff');
  });

  it('refuses to correct noise', () => {
    expect(correctionOptions({ ...thin, sg: 1.425, sgSd: 0.02 })).toMatchObject({ kind: 'measureBetter' });
    expect(correctionOptions({ ...thin, sg: 1.45 })).toEqual({ kind: 'inRange' });
  });
});

describe('SG and liquid at once', () => {
  it.each([
    ['thick', 'thick', 'water'],
    ['thick', 'right', 'waterThenSalts'],
    ['thick', 'thin', 'waterThenSalts'],
    ['right', 'thick', 'silicate'],
    ['right', 'right', 'right'],
    ['right', 'thin', 'salts'],
    ['thin', 'thick', 'thickenThenSilicate'],
    ['thin', 'right', 'thickenThenSilicate'],
    ['thin', 'thin', 'thicken'],
  ] as const)('SG %s, liquid %s: %s', (sg, liquid, does) => {
    expect(twoTargets({ sg, liquid })).toBe(does);
  });
});

describe('cures', () => {
  const bucket = { dryGrams: 7000, waterGrams: 7200, density: 2.6, insideGrams: 0, bentoniteDensity: 2.5 };

  it('bentonite comes with its hot water, and the SG it brings is told', () => {
    const plan = planBentonite({ ...bucket, percent: 1 });
    expect(plan).toMatchObject({ grams: 70, waterMl: 700, percentAfter: 1, overMost: false });
    expect(plan.sgAfter).toBeCloseTo(14_970 / (7000 / 2.6 + 70 / 2.5 + 7900), 9);
  });

  it('bentonite counts with what the recipe holds, to 2 % at most', () => {
    expect(planBentonite({ ...bucket, insideGrams: 100, percent: 1 })).toMatchObject({ overMost: true });
  });

  it('gum: at most 30 mL a litre for dipping, ten times that for brushing, water never more than the gum', () => {
    expect(planGum({ volumeMl: 10_000, insideMl: 0, mlPerLitre: 20, forBrushing: false })).toEqual({
      millilitres: 200,
      perLitreAfter: 20,
      overMost: false,
      mostWaterMl: 200,
    });
    expect(planGum({ volumeMl: 10_000, insideMl: 200, mlPerLitre: 20, forBrushing: false }).overMost).toBe(true);
    expect(planGum({ volumeMl: 1000, insideMl: 0, mlPerLitre: 200, forBrushing: true }).overMost).toBe(false);
    expect(() => planGum({ volumeMl: 1000, insideMl: 0, mlPerLitre: 200, forBrushing: false })).toThrow('no longer dries');
  });
});
