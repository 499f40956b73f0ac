import { v7 as uuid } from 'uuid';
import type { ScaleCheck } from '@cazuela/contract';
import type { DemoClock } from './clock';
import type { DemoLoad } from './demo-load';

/** What the studio counted on its shelf: grams, price per kilogram, and the limit below which it is low. All made up. */
const SHELF: Record<string, [grams: number, pricePerKg: number, lowGrams: number]> = {
  Silica: [21_400, 1.1, 5000],
  Kaolin: [14_800, 1.6, 4000],
  'Ball clay': [6200, 1.5, 2000],
  'Potash feldspar': [2300, 2.2, 3000],
  'Soda feldspar': [8900, 2.3, 3000],
  'Nepheline syenite': [7600, 2.6, 2000],
  Whiting: [9800, 1.2, 3000],
  Talc: [3900, 2, 1000],
  Dolomite: [4100, 1.3, 1000],
  'Frit alumina-boron': [11_200, 5.4, 3000],
  'Zirconium silicate': [1900, 7.8, 500],
  'Copper carbonate': [240, 38, 200],
  'Cobalt carbonate': [96, 92, 100],
  'Red iron oxide': [1450, 6.5, 300],
  'Tin oxide': [610, 46, 200],
  Bentonite: [900, 2.4, 300],
  'Stain (spinel type)': [420, 41, 150],
  'Clear base, bought': [8600, 4.9, 2000],
};

export async function loadShelf({ context, transaction, studioId, clock }: DemoLoad): Promise<void> {
  const { models } = context;
  const rows = await models.powders.findAll({ where: { studioId }, transaction });
  for (const row of rows) {
    const { id, name, body } = row.get();
    const counted = SHELF[name];
    if (!counted) continue;
    const [grams, pricePerKg, lowGrams] = counted;
    await models.powders.update({ body: { ...body, pricePerKg, lowGrams } }, { where: { id }, transaction });
    const used = Number((await models.powderUses.sum('grams', { where: { studioId, powderId: id }, transaction })) ?? 0);
    const move = { id: uuid(), kind: 'counted', grams, at: clock.ago({ days: 1, hours: 3 }), by: 'Maia', lot: '' } as const;
    await models.stockMoves.create({ id: move.id, studioId, powderId: id, deltaGrams: grams + used, body: move }, { transaction });
  }
}

/** The bench scale against the studio's 500 g weight: it has crept up as its battery went down. */
export function scaleChecks(clock: DemoClock): ScaleCheck[] {
  const shown = [500, 500, 500.1, 500.1, 500.3, 500.4];
  return shown.map((shownGrams, index) => ({ at: clock.ago({ days: 26 * (shown.length - index) }), by: 'Oriol', knownGrams: 500, shownGrams }));
}
