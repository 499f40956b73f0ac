import { v7 as uuid } from 'uuid';
import type { LinePart, Powder } from '@cazuela/core';
import type { RecipeBody } from '@cazuela/contract';
import type { DemoLoad, LoadedRecipe } from './demo-load';
import { DEMO_RECIPES, type DemoRecipe } from './recipes';

/** The studio's recipes; Marisma has a history of three versions. */
export async function loadRecipes({ context, transaction, studioId, clock }: DemoLoad): Promise<Map<string, LoadedRecipe>> {
  const rows = await context.models.powders.findAll({ where: { studioId }, transaction });
  const powders: Powder[] = rows.map((row) => ({ id: row.get().id, name: row.get().name, ...row.get().body }));
  const loaded = new Map<string, LoadedRecipe>();
  for (const recipe of DEMO_RECIPES) {
    const id = uuid();
    const versions = versionsOf(recipe, powders);
    await context.models.recipes.create(
      { id, studioId, version: versions.length, name: recipe.body.name, createdAt: new Date(clock.ago({ days: 180 })) },
      { transaction },
    );
    let versionId = '';
    for (const [index, { body, reason }] of versions.entries()) {
      versionId = uuid();
      const changedAt = new Date(clock.ago({ days: 180 - 40 * index }));
      await context.models.recipeVersions.create(
        { id: versionId, studioId, recipeId: id, number: index + 1, reason, body, changedAt },
        { transaction },
      );
    }
    loaded.set(recipe.body.name, { id, versionId, version: versions.length, body: versions.at(-1)!.body, powders });
  }
  return loaded;
}

function versionsOf(recipe: DemoRecipe, powders: readonly Powder[]): { body: RecipeBody; reason: string }[] {
  const newest = bodyOf(recipe, powders);
  if (recipe.body.name !== 'Marisma') return [{ body: newest, reason: 'First written' }];
  const nameOf = (powderId: string): string | undefined => powders.find((powder) => powder.id === powderId)?.name;
  /** Before version 3 there was no bentonite in it. */
  const withCopper = (percent: number): RecipeBody => ({
    ...newest,
    lines: newest.lines
      .filter((line) => nameOf(line.powderId) !== 'Bentonite')
      .map((line) => (nameOf(line.powderId) === 'Copper carbonate' ? { ...line, percent } : line)),
  });
  return [
    { body: withCopper(4), reason: 'First written' },
    { body: withCopper(3), reason: 'Less copper, it went metallic where thick' },
    { body: newest, reason: 'Copper down again, bentonite in: it settled hard' },
  ];
}

function bodyOf({ base, additions, stains = [], body }: DemoRecipe, powders: readonly Powder[]): RecipeBody {
  const line =
    (part: LinePart) =>
    ([name, percent]: [string, number]) => {
      const powder = powders.find((candidate) => candidate.name === name);
      if (!powder) throw new Error(`The demo names a powder that is not there: ${name}`);
      return { id: uuid(), powderId: powder.id, part, percent };
    };
  return {
    ...body,
    lines: [...base.map(line('base')), ...additions.map(line('addition')), ...stains.map(line('stain'))],
    coneLow: '5',
    coneHigh: '6',
    atmosphere: 'oxidation',
  };
}
