import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import type { StudioBody } from '@cazuela/contract';
import { GENERIC_POWDERS } from '../powders/generic-powders';
import type { Context } from '../../context';

/** What an empty studio starts with: a name to change, a cylinder, a kitchen-fine scale and the generic powders. */
const FRESH_STUDIO: Omit<StudioBody, 'vessels'> = {
  name: 'Our studio',
  members: ['Me'],
  scale: { name: 'Bench scale', divisionGrams: 0.1, capacityGrams: 6000 },
};

/** A new database gets one empty studio; an old one stays as it is. */
export async function ensureStudio(context: Context): Promise<void> {
  await context.sequelize.transaction(async (transaction) => {
    if ((await context.models.studios.count({ transaction })) > 0) return;
    const cylinder = { id: uuid(), name: 'Cylinder 100 mL', tareGrams: 62, volumeMl: 100, markMl: 1 };
    await createStudio(context, { id: uuid(), body: { ...FRESH_STUDIO, vessels: [cylinder] }, demo: false, transaction });
  });
}

/** A studio with its own copy of the powder table, so that each can correct it. */
export async function createStudio(
  context: Context,
  studio: { id: string; body: StudioBody; demo: boolean; transaction: Transaction },
): Promise<void> {
  const { id, body, demo, transaction } = studio;
  await context.models.studios.create({ id, version: 1, demo, body, createdAt: context.now() }, { transaction });
  const rows = GENERIC_POWDERS.map(({ name, ...rest }) => ({ id: uuid(), studioId: id, name, body: rest }));
  await context.models.powders.bulkCreate(rows, { transaction });
}
