import { glazesOfVersions, recipeOfGlaze, versionKey, type GlazeVersion } from '../../src/index';

const version = (number: number, silica: number, recipeId = 'ash'): GlazeVersion => ({
  recipeId,
  number,
  lines: [
    { id: `a${number}`, powderId: 'silica', part: 'base', percent: silica },
    { id: `b${number}`, powderId: 'feldspar', part: 'base', percent: 60 },
  ],
});
const glazeOf = (versions: readonly GlazeVersion[], number: number) => glazesOfVersions(versions).get(versionKey({ recipeId: 'ash', number }));

describe('which glaze a version of a recipe is', () => {
  it('the newest is the recipe itself', () => {
    expect(glazeOf([version(1, 30), version(2, 33)], 2)).toBe('ash');
  });

  it('an older one that differs is another glaze', () => {
    expect(glazeOf([version(1, 30), version(2, 33)], 1)).toBe('ash@1');
  });

  it('a rounding makes no other glaze, nor does a new note or another order of lines', () => {
    const turned = { ...version(2, 30.0003), lines: [...version(2, 30.0003).lines].reverse() };
    expect(glazeOf([version(1, 30), turned], 1)).toBe('ash');
  });

  it('back to what it was before, it is that glaze again', () => {
    const all = [version(1, 30), version(2, 33), version(3, 30)];
    expect([1, 2, 3].map((number) => glazeOf(all, number))).toEqual(['ash', 'ash@2', 'ash']);
  });

  it('older ones that are alike are one glaze, named after the newest of them', () => {
    const all = [version(3, 40), version(1, 30), version(2, 30)];
    expect([1, 2].map((number) => glazeOf(all, number))).toEqual(['ash@2', 'ash@2']);
  });

  it('recipes stay apart', () => {
    expect([...glazesOfVersions([version(1, 30), version(1, 30, 'iron')]).values()]).toEqual(['ash', 'iron']);
  });

  it('leads back to its recipe; a bucket without one to itself', () => {
    expect(['ash', 'ash@2', 'B7'].map(recipeOfGlaze)).toEqual(['ash', 'ash', 'B7']);
  });
});
