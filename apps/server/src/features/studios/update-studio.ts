import type { studioUpdateSchema } from '@cazuela/contract';
import { type Studio } from '@cazuela/contract';
import type * as z from 'zod';
import { updateVersioned } from '../../db/versioned';
import type { Call } from '../../http/route';
import { studioFromRow } from './studio-from-row';

export async function updateStudio({ context, studioId, body }: Call<z.infer<typeof studioUpdateSchema>>): Promise<Studio> {
  const { version, ...values } = body;
  const row = await updateVersioned({
    table: context.models.studios,
    where: { id: studioId },
    version,
    values: { body: values },
    missing: 'There is no such studio.',
    toContract: studioFromRow,
  });
  return studioFromRow(row);
}
