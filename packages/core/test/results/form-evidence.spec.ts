import { formEvidence, shapeOf, type FormQuestion, type PiecePlan } from '../../src/index';

const PLAN: PiecePlan = {
  shapeId: 'cup',
  zones: {
    inside: [{ id: 'i', bucketId: 'white', method: 'dip', coatMm: 0.5 }],
    outside: [
      { id: 'u', bucketId: 'pink', method: 'brush', coatMm: 0.25, coatingKind: 'underglaze' },
      { id: 'o', bucketId: 'white', method: 'dip', coatMm: 0.5 },
    ],
    rim: [],
    foot: [],
  },
  waxFootMm: 10,
  rimBandMm: 0,
  order: [],
  putAside: [],
};
const of = (change: Partial<FormQuestion> = {}): ReturnType<typeof formEvidence> => {
  const plan = change.plan ?? PLAN;
  return formEvidence({ shape: shapeOf(plan), glazes: [], where: 'outside', ...change, plan });
};

describe('what plan, form and clay say of a fault', () => {
  it('a platter is wide and flat, a cup is not', () => {
    expect(of().wideAndFlat).toBe(false);
    expect(of({ plan: { ...PLAN, shapeId: 'platter' } }).wideAndFlat).toBe(true);
  });

  it('underglaze counts where it lies: outside and at the rim above, not inside', () => {
    expect(of().underglazeMm).toBe(0.25);
    expect(of({ where: 'rim' }).underglazeMm).toBe(0.25);
    expect(of({ where: 'inside' }).underglazeMm).toBe(0);
  });

  it('a soaked foot is near to the outside, and not to the inside', () => {
    const soaked = { ...PLAN, footBy: 'soak' as const };
    expect(of({ plan: soaked }).soakedPartNear).toBe(true);
    expect(of({ plan: soaked, where: 'inside' }).soakedPartNear).toBe(false);
    expect(of().soakedPartNear).toBe(false);
  });

  it('glaze on both faces of a thin wall; a wall that nobody measured says nothing', () => {
    expect(of({ clay: { wallMm: 3 } }).bothFacesOfThinWall).toBe(true);
    expect(of({ clay: { wallMm: 6 } }).bothFacesOfThinWall).toBe(false);
    expect(of({ clay: { wallMm: 3 }, plan: { ...PLAN, zones: { ...PLAN.zones, inside: [] } } }).bothFacesOfThinWall).toBe(false);
    expect(of()).not.toHaveProperty('bothFacesOfThinWall');
  });

  it('a bisque that takes up much less than its card is denser, much more is thirstier', () => {
    expect(of({ clay: { absorptionPercent: 9, cardAbsorptionPercent: 12 } })).toMatchObject({ bisqueDenser: true, bisqueThirstier: false });
    expect(of({ clay: { absorptionPercent: 15, cardAbsorptionPercent: 12 } })).toMatchObject({ bisqueDenser: false, bisqueThirstier: true });
    expect(of({ clay: { absorptionPercent: 12.5, cardAbsorptionPercent: 12 } })).toMatchObject({ bisqueDenser: false, bisqueThirstier: false });
    expect(of({ clay: { absorptionPercent: 12 } })).not.toHaveProperty('bisqueDenser');
  });

  it('a pink that quarrels with zinc is known before the fire; without such a colour nothing is said', () => {
    const glaze = {
      bucketId: 'white',
      name: 'White',
      lightness: 0.9,
      sg: 1.45,
      density: 2.6,
      packing: 0.5,
      filmMm: 0.15,
      slurryState: 'normal' as const,
      shrinkShare: 12,
      loiPercent: 6,
      flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' as const },
      surface: 'gloss',
      foodTested: true,
      firedPercent: { ZnO: 6, CaO: 10, SiO2: 60 },
      unity: {},
    };
    const colour = { id: 'pink', name: 'Pink', colour: '#CC7788', coatingKind: 'underglaze' as const, colourant: 'chromeTinPink' as const };
    const plan = { ...PLAN, decoratingColours: [colour] };
    expect(of({ plan, glazes: [glaze] }).stainAgainstChemistry).toBe(true);
    expect(of({ plan, glazes: [{ ...glaze, firedPercent: { CaO: 12, SiO2: 60 } }] }).stainAgainstChemistry).toBe(false);
    expect(of({ glazes: [glaze] })).not.toHaveProperty('stainAgainstChemistry');
  });
});
