import { BATCH_COLUMNS, OXIDE_COLUMNS, POWDER_COLUMNS, RECIPE_COLUMNS } from './columns';
import { writeTable } from './csv';
import type { PortableBatch, PortablePowder, PortableRecipe, PortableRecipeBody } from './portable';

/**
 * Returns a table with one row for each powder.
 *
 * @param powders - by name
 * @example
 * powdersToCsv([]).includes('loi') // true
 */
export function powdersToCsv(powders: readonly PortablePowder[]): string {
  const rows = powders.map((powder) => [
    powder.name,
    powder.role,
    powder.densityGMl,
    powder.rawClay,
    powder.shrinkWeight,
    powder.loiPercent,
    powder.sieveMesh,
    powder.pricePerKg,
    powder.lowGrams,
    powder.hazards.join(' | '),
    ...OXIDE_COLUMNS.map((oxide) => powder.oxides[oxide]),
  ]);
  return writeTable(POWDER_COLUMNS, rows);
}

/**
 * Returns a table with one row for each line of a recipe, the newest version. What belongs to the whole recipe stands on each of its rows.
 *
 * @param recipes - by name
 * @example
 * recipesToCsv([]).includes('percent') // true
 */
export function recipesToCsv(recipes: readonly PortableRecipe[]): string {
  const rows = recipes.flatMap(({ versions }) => {
    const { body, reason, changedAt } = versions.at(-1)!;
    const lines = body.lines.length > 0 ? body.lines : [{ powder: '', part: undefined, percent: undefined }];
    return lines.map(({ powder, part, percent }) => [
      body.name,
      part,
      powder,
      percent,
      coneCell(body.coneLow),
      coneCell(body.coneHigh),
      body.atmosphere,
      body.surface,
      body.colour,
      body.sgLow,
      body.sgHigh,
      body.movement,
      body.foodTested ? 'yes' : 'no',
      body.notes,
      reason,
      changedAt,
      body.untested,
      ...productCells(body.product),
    ]);
  });
  return writeTable(RECIPE_COLUMNS, rows);
}

/**
 * Returns a cone in words: a spreadsheet makes 6 of 06, and those are 224 °C apart.
 *
 * @param cone - as in CONES
 * @example
 * coneCell('06') // 'cone 06'
 */
export const coneCell = (cone: string): string => `cone ${cone}`;

function productCells(product: PortableRecipeBody['product']): (string | number | undefined)[] {
  if (!product) return Array<undefined>(8).fill(undefined);
  if (product.kind === 'base') {
    const { powder, water } = product.label;
    return [
      'base',
      `${powder.value} ${powder.unit}`,
      `${water.value} ${water.unit}`,
      product.packGrams,
      undefined,
      undefined,
      product.packPrice,
      undefined,
    ];
  }
  return ['jar', undefined, undefined, undefined, product.coats, product.jarMl, product.jarPrice, product.makerSaysFoodSafe];
}

/**
 * Returns a table with one row for each line of a batch. An empty `in_g` was skipped.
 *
 * @param batches - by recipe
 * @example
 * batchesToCsv([]).includes('in_g') // true
 */
export function batchesToCsv(batches: readonly PortableBatch[]): string {
  const rows = batches.flatMap((batch, index) =>
    batch.lines.map((line) => [
      index + 1,
      batch.recipe,
      batch.version,
      batch.weighedAt,
      batch.by,
      batch.waterGrams,
      batch.waterInGrams ?? undefined,
      batch.expectedSg,
      line.part,
      line.powder,
      line.targetGrams,
      line.inGrams ?? undefined,
    ]),
  );
  return writeTable(BATCH_COLUMNS, rows);
}
