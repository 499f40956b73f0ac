import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import type { StudioBody } from '@cazuela/contract';
import { withLease } from '../../db/lease';
import { GENERIC_POWDERS } from '../powders/generic-powders';
import type { Context } from '../../context';

/** What an empty studio starts with: names to change. No vessel: a wrong empty weight would go unnoticed. */
const freshStudio = (): StudioBody => ({
  name: 'Our studio',
  members: ['Me'],
  vessels: [],
  scales: [{ id: uuid(), name: 'Bench scale', divisionGrams: 0.1, capacityGrams: 6000, checks: [] }],
  currency: '€',
});

/** The lease of whoever makes the first studio of a database. */
export const FIRST_STUDIO = 'first_studio';

/** Gives a new database one empty studio, also when several servers start at once; an old one stays as it is. */
export async function ensureStudio(context: Context): Promise<void> {
  await withLease(context.sequelize, FIRST_STUDIO, async () => {
    if ((await context.models.studios.count()) > 0) return;
    await context.sequelize.transaction((transaction) => createStudio(context, { id: uuid(), body: freshStudio(), demo: false, transaction }));
  });
}

/** Creates a studio with its own copy of the powder table, so that each can correct it. */
export async function createStudio(
  context: Context,
  studio: { id: string; body: StudioBody; demo: boolean; transaction: Transaction },
): Promise<void> {
  const { id, body, demo, transaction } = studio;
  await context.models.studios.create({ id, version: 1, demo, body, createdAt: context.now() }, { transaction });
  const rows = GENERIC_POWDERS.map(({ name, ...rest }) => ({ id: uuid(), studioId: id, version: 1, name, body: rest }));
  await context.models.powders.bulkCreate(rows, { transaction });
}
