import { checkVessel, sgIfTypedNet } from '../../src/index';

describe('a vessel for SG', () => {
  const CYLINDER = { tareGrams: 62.4, volumeMl: 100 };

  it('holds to its mark what the water in it weighs', () => {
    expect(checkVessel({ fullGrams: 161.1, ...CYLINDER })).toEqual({ kind: 'ok', trueMl: 98.7 });
  });

  it('that holds a third of it was filled to another mark, or is another vessel', () => {
    expect(checkVessel({ fullGrams: 100, ...CYLINDER })).toEqual({ kind: 'far', trueMl: 37.6 });
    expect(checkVessel({ fullGrams: 62, ...CYLINDER })).toBeUndefined();
  });

  it.each([
    [145, 1.45],
    [207.4, undefined],
    [90, undefined],
    [250, undefined],
  ])('%s g typed for its full weight would be without the vessel: SG %s', (grossGrams, sg) => {
    expect(sgIfTypedNet({ grossGrams, ...CYLINDER })).toBe(sg);
  });
});
