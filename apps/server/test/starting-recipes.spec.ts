import { recipeOutlook, STARTING_RECIPES, startingLines } from '@cazuela/core';
import { GENERIC_POWDERS } from '../src/features/powders/generic-powders';

const POWDERS = GENERIC_POWDERS.map((powder) => ({ ...powder, id: powder.name }));
const POISONS = /barium|lithium|manganese|chrom|nickel|cobalt|copper|cadmium|lead|caustic|pregnan/i;

describe('recipes to begin with, of the powders every studio starts with', () => {
  it.each(STARTING_RECIPES.map((recipe) => [recipe.name, recipe] as const))(
    '%s: melts, stands up, dries sound, and has no poison in it',
    (_name, recipe) => {
      let count = 0;
      const { lines, missing } = startingLines({ recipe, powders: POWDERS, newId: () => String(++count) });
      expect(missing).toEqual([]);
      expect(lines.filter((line) => line.part === 'base').reduce((sum, line) => sum + line.percent, 0)).toBe(100);
      const outlook = recipeOutlook({ lines, powders: POWDERS });
      expect(outlook).toMatchObject({ suspension: 'holds', dryCoat: 'sound', fire: { kind: 'moves' } });
      if (outlook.fire.kind !== 'moves') throw new Error(outlook.fire.kind);
      expect(['stays', 'moves']).toContain(outlook.fire.likely);
      // What a liner needs at cone 6: silica and alumina enough (rule H4).
      const { SiO2 = 0, Al2O3 = 0 } = outlook.unity ?? {};
      expect(SiO2).toBeGreaterThan(2.5);
      expect(Al2O3).toBeGreaterThan(0.25);
      expect(outlook.hazards.map(({ hazard }) => hazard).filter((hazard) => POISONS.test(hazard))).toEqual([]);
    },
  );
});
