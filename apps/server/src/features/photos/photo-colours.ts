import { Op } from 'sequelize';
import type * as z from 'zod';
import type { greyPatchSchema, PhotoColours } from '@cazuela/contract';
import { greyGains } from '@cazuela/core';
import type { PhotoRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { coloursOfPhoto, patchOfPhoto } from './photo-pixels';

/** Photos from before colours were counted are counted when they are first asked for, so many at a time. */
const COUNTED_AT_ONCE = 60;

/** The main colours of all photos of a studio. */
export async function listPhotoColours({ context: { models }, studioId }: Call<unknown>): Promise<PhotoColours[]> {
  const uncounted = await models.photos.findAll({ where: { studioId, colours: { [Op.is]: null } }, limit: COUNTED_AT_ONCE });
  for (const row of uncounted) {
    const { id, jpeg, gains } = row.get();
    await models.photos.update({ colours: await coloursOfPhoto(jpeg, gains ?? null) }, { where: { id, studioId } });
  }
  const rows = await models.photos.findAll({ where: { studioId, colours: { [Op.not]: null } }, attributes: ['id', 'colours', 'gains'] });
  return rows.map((row) => coloursFromRow(row.get()));
}

/** Makes neutral what is neutral: the grey patch of a photo. */
export async function setGreyPatch({
  context: { models },
  studioId,
  id,
  body: { at },
}: Call<z.infer<typeof greyPatchSchema>>): Promise<PhotoColours> {
  const row = await models.photos.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such photo.');
  const { jpeg } = row.get();
  const gains = at && ([...greyGains(await patchOfPhoto(jpeg, at))] as [number, number, number]);
  const colours = await coloursOfPhoto(jpeg, gains);
  await models.photos.update({ colours, gains }, { where: { id, studioId } });
  return { id, colours: colours.map(({ oklab, share }) => ({ oklab: [...oklab], share })), gains };
}

const coloursFromRow = ({ id, colours, gains }: Pick<PhotoRow, 'id' | 'colours' | 'gains'>): PhotoColours => ({
  id,
  colours: (colours ?? []).map(({ oklab, share }) => ({ oklab: [...oklab], share })),
  gains: gains ?? null,
});
