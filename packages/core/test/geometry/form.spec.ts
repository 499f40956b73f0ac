import fc from 'fast-check';
import {
  areaCm2,
  bowMm,
  curveThrough,
  formFault,
  formOf,
  gripAreaCm2,
  insideProfile,
  PIECE_FORMS,
  shapeFromForm,
  shapeOf,
  tallMm,
  volumeMl,
  type PieceForm,
} from '../../src/index';

const CUP = PIECE_FORMS.find((form) => form.id === 'cup')!.form;
const MUG = PIECE_FORMS.find((form) => form.id === 'mug')!.form;
const with_ = (change: Partial<PieceForm>): PieceForm => ({ ...CUP, ...change });

describe('a line drawn through points', () => {
  it('passes through every point, in their order', () => {
    const points = [
      { radiusMm: 30, heightMm: 0 },
      { radiusMm: 45, heightMm: 20 },
      { radiusMm: 40, heightMm: 70 },
    ];
    const dense = curveThrough(points);
    points.forEach((point) => expect(dense).toContainEqual(point));
    expect(dense.findIndex((point) => point.heightMm === 20)).toBeLessThan(dense.findIndex((point) => point.heightMm === 70));
  });

  it('three points in a line stay a line, and a corner ends the curve on either side', () => {
    const straight = curveThrough([0, 40, 80].map((heightMm) => ({ radiusMm: 30, heightMm })));
    straight.forEach((point) => expect(point.radiusMm).toBeCloseTo(30, 9));
    const bent = [
      { radiusMm: 60, heightMm: 0 },
      { radiusMm: 30, heightMm: 30, corner: true },
      { radiusMm: 60, heightMm: 60 },
    ];
    curveThrough(bent).forEach((point) => expect(point.radiusMm).toBeCloseTo(30 + Math.abs(point.heightMm - 30), 6));
  });

  it('never leaves the middle for the other side, whatever is drawn', () => {
    const radius = fc.double({ min: 0, max: 200, noNaN: true });
    fc.assert(
      fc.property(fc.array(radius, { minLength: 2, maxLength: 12 }), (radii) => {
        const dense = curveThrough(radii.map((radiusMm, at) => ({ radiusMm, heightMm: at * 17 })));
        return dense.every((point) => Number.isFinite(point.heightMm) && point.radiusMm >= 0);
      }),
    );
  });

  it('a cylinder by points has the area and volume of a cylinder', () => {
    const form = with_({ points: [0, 30, 60, 100].map((heightMm) => ({ radiusMm: 40, heightMm })) });
    const { outside } = shapeFromForm(form, { id: 'x', name: 'x' });
    expect(areaCm2({ profile: outside })).toBeCloseTo((2 * Math.PI * 40 * 100) / 100, 6);
    expect(volumeMl({ profile: outside })).toBeCloseTo((Math.PI * 40 ** 2 * 100) / 1000, 6);
  });
});

describe('a form that cannot be made', () => {
  it.each([
    [
      'foot above rim',
      {
        points: [
          { radiusMm: 30, heightMm: 50 },
          { radiusMm: 30, heightMm: 10 },
        ],
      },
      'footAboveRim',
      'The foot is above the rim',
    ],
    [
      'a wall that turns down again',
      { points: [0, 60, 40, 80].map((heightMm) => ({ radiusMm: 30, heightMm })) },
      'turnsDown',
      'goes up from foot to rim',
    ],
    ['a wall thicker than the radius', { wallMm: 35 }, 'wallTooThick', 'nothing is left inside'],
    ['a wall of no thickness', { wallMm: 0 }, 'wallTooThin', 'at least 1 mm'],
    ['a floor up to the rim', { floorMm: 87 }, 'floorTooThick', 'as high as the rim'],
    [
      'two points in one place',
      {
        points: [
          { radiusMm: 30, heightMm: 0 },
          { radiusMm: 30, heightMm: 0 },
          { radiusMm: 30, heightMm: 80 },
        ],
      },
      'pointsTogether',
      'one place',
    ],
    ['one point', { points: [{ radiusMm: 30, heightMm: 0 }] }, 'fewPoints', 'two points at least'],
    [
      'a metre in the wrong unit',
      {
        points: [
          { radiusMm: 30, heightMm: 0 },
          { radiusMm: 30, heightMm: 9000 },
        ],
      },
      'tooLarge',
      'check the unit',
    ],
    ['a hole wider than its floor', { holeMm: 70 }, 'holeTooWide', 'wider than the floor'],
    [
      'a number that is none',
      {
        points: [
          { radiusMm: Number.NaN, heightMm: 0 },
          { radiusMm: 30, heightMm: 80 },
        ],
      },
      'tooSmall',
      'needs a radius',
    ],
  ] as const)('%s is refused in words', (_name, change, fault, words) => {
    const found = formFault(with_(change as unknown as Partial<PieceForm>));
    expect(found?.fault).toBe(fault);
    expect(found?.message).toContain(words);
  });

  it('a handle joined above the rim or upside down is refused', () => {
    const { grip } = MUG;
    expect(formFault({ ...MUG, grip: { ...grip!, upperMm: 140 } })?.fault).toBe('gripOff');
    expect(formFault({ ...MUG, grip: { ...grip!, upperMm: 20, lowerMm: 60 } })?.message).toContain('must lie above');
  });

  it.each(PIECE_FORMS.map((form) => [form.name, form.form] as const))('%s can be made', (_name, form) => {
    expect(formFault(form)).toBeUndefined();
  });
});

describe('handles, lugs and tiles', () => {
  it('a bow is half an ellipse: half a circle where it stands out as far as it is high', () => {
    expect(bowMm({ kind: 'handle', upperMm: 80, lowerMm: 20, outMm: 30, widthMm: 18, thickMm: 8 })).toBeCloseTo(Math.PI * 30, 1);
  });

  it('lugs are two, and each takes glaze on all its sides', () => {
    const grip = { upperMm: 54, lowerMm: 34, outMm: 10, widthMm: 30, thickMm: 9 };
    expect(gripAreaCm2({ kind: 'lugs', ...grip })).toBeCloseTo(2 * gripAreaCm2({ kind: 'handle', ...grip }), 9);
    expect(gripAreaCm2({ kind: 'handle', ...grip })).toBeCloseTo((Math.PI * 10 * 2 * 39) / 100, 1);
  });

  it('a tile has the face it is wide and high', () => {
    const tile = shapeOf({ shapeId: 'tile' });
    expect(areaCm2({ profile: tile.outside })).toBeCloseTo((60 * 110) / 100, 6);
  });

  it('a plan without a form of its own has the one it started from; an unknown one falls back to the first', () => {
    expect(formOf({ shapeId: 'mug' })).toBe(MUG);
    expect(shapeOf({ shapeId: 'no such' }).id).toBe('cup');
    expect(
      tallMm(
        shapeOf({
          shapeId: 'mug',
          form: with_({
            points: [
              { radiusMm: 30, heightMm: 0 },
              { radiusMm: 30, heightMm: 66 },
            ],
          }),
        }),
      ),
    ).toBe(66);
  });

  it('the inside of any drawn form climbs from the floor to the rim and holds less than the outside', () => {
    const radius = fc.double({ min: 15, max: 120, noNaN: true });
    fc.assert(
      fc.property(fc.array(radius, { minLength: 3, maxLength: 8 }), (radii) => {
        const form = with_({ points: radii.map((radiusMm, at) => ({ radiusMm, heightMm: at * 24 })) });
        const shape = shapeFromForm(form, { id: 'x', name: 'x' });
        const inside = insideProfile(shape);
        expect(inside.every((point, at) => at === 0 || point.heightMm >= inside[at - 1]!.heightMm)).toBe(true);
        expect(inside.every((point) => Number.isFinite(point.radiusMm))).toBe(true);
      }),
    );
  });
});
