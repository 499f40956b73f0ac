import { coatPredictor, dryWall, faceNow, knowledgeOf, learnCoats, type CoatSituation, type PieceWall } from '@cazuela/core';
import { comparisonCurves, SECOND_AFTER_MINUTES } from './comparison-curves';

const WALL: PieceWall = { wallMm: 5, absorptionPercent: 12, bisqueCone: '05' };
const STATE = dryWall(WALL);
const SITUATION: CoatSituation = { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', absorptionPercent: 12, wallMm: 5, faces: 1 };
const KNOWLEDGE = knowledgeOf(learnCoats({ observations: [] }), { glazeId: 'g', bodyId: 'b' });
const HALF_A_FILM_MM = 0.08;
const asked = (change: Partial<Parameters<typeof comparisonCurves>[0]>): ReturnType<typeof comparisonCurves> =>
  comparisonCurves({
    which: [],
    situation: { ...SITUATION, ...faceNow(STATE, ['outside']) },
    knowledge: KNOWLEDGE,
    wall: WALL,
    state: STATE,
    faces: ['outside'],
    sgWanted: 1.52,
    firstSeconds: 3,
    mostSeconds: 12,
    ...change,
  });
const endOf = (curve: { points: { y: number }[] } | undefined): number => curve!.points.at(-1)!.y;
const mainEnd = (): number => {
  const { coat } = coatPredictor({ ...SITUATION, ...faceNow(STATE, ['outside']) }, KNOWLEDGE)(12);
  return coat.kind === 'ok' ? coat.coatMm : Number.NaN;
};

describe('curves beside the one asked about', () => {
  it('none where none is asked for', () => expect(asked({})).toEqual([]));

  it('thicker slurry builds the thicker coat', () => {
    const [curve] = asked({ which: ['sg'] });
    expect(curve!.words).toBe('SG 1.52');
    expect(endOf(curve)).toBeGreaterThan(mainEnd());
  });

  it('the SG that stands in the bucket is no second curve', () => expect(asked({ which: ['sg'], sgWanted: 1.452 })).toEqual([]));

  it('a second dip over a damp coat builds less than the first', () => {
    const [curve] = asked({ which: ['second'] });
    expect(curve!.words).toContain(`${SECOND_AFTER_MINUTES} min after`);
    expect(endOf(curve)).toBeLessThan(mainEnd());
  });

  it('a thin wall is full sooner than a thick one; where both draw alike it says so', () => {
    const [thin, thick] = asked({ which: ['walls'], mostSeconds: 60 });
    expect([thin!.id, thick!.id]).toEqual(['wall 0.6', 'wall 1.6']);
    expect(endOf(thin)).toBeLessThan(endOf(thick));
    expect(asked({ which: ['walls'], mostSeconds: 1 }).every((curve) => curve.words.endsWith('the same here'))).toBe(true);
  });

  it('curves go only as far as they mean something, and up; where a wall fills they step down by half their film', () => {
    for (const { points } of asked({ which: ['sg', 'second', 'walls'] }))
      for (const [at, point] of points.entries()) {
        expect(Number.isFinite(point.y)).toBe(true);
        if (at > 0) expect(point.y).toBeGreaterThanOrEqual(points[at - 1]!.y - HALF_A_FILM_MM);
      }
  });
});
