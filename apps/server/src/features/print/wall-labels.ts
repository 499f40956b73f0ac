import * as z from 'zod';
import { glazeIdOf, seenCombinations } from '@cazuela/core';
import { idSchema } from '@cazuela/contract';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { labelPages, labelsAsked } from './label-pages';
import { MM } from './paper';
import { sendPdf } from './weigh-sheet';

const PAD_MM = 3;
const MOST = 60;
const askedSchema = z
  .array(z.tuple([z.enum(['result', 'tile', 'runner']), idSchema]))
  .min(1)
  .max(MOST);

/** What hangs beside a piece or tile on the wall. */
interface WallLabel {
  title: string;
  lines: string[];
}

/** Labels for the wall: what is on each tile or piece, on which clay, to which cone. `of` names them: `runner:<id>,tile:<id>,result:<id>`. */
export async function wallLabelsPdf({ context, studioId, query, response }: Call<unknown>): Promise<void> {
  const named = typeof query['of'] === 'string' ? query['of'].split(',').map((part) => part.split(':')) : [];
  const asked = askedSchema.safeParse(named);
  if (!asked.success) throw new ProblemError('checkInput', `Choose 1 to ${MOST} pieces or tiles to print labels of.`);
  const labels = await labelsOf(context, studioId, asked.data);
  if (labels.length === 0) throw new ProblemError('notFound', 'None of these pieces or tiles is here any more.');
  const doc = await labelPages('Labels of the wall', labelsAsked(query, labels.length), (page, { xMm, yMm, index }) => {
    const { title, lines } = labels[index % labels.length]!;
    const at = [(xMm + PAD_MM) * MM, (yMm + PAD_MM) * MM] as const;
    page
      .font('heading')
      .fontSize(12)
      .text(title, ...at, { width: 56 * MM, lineBreak: false, ellipsis: true });
    page
      .font('text')
      .fontSize(9)
      .text(lines.join('\n'), at[0], at[1] + 6 * MM, { width: 56 * MM, height: 18 * MM, ellipsis: true });
  });
  await sendPdf(response, doc, 'wall-labels');
}

async function labelsOf({ models }: Context, studioId: string, asked: z.infer<typeof askedSchema>): Promise<WallLabel[]> {
  const ids = (kind: 'result' | 'tile' | 'runner'): string[] => asked.flatMap(([of, id]) => (of === kind ? [id] : []));
  const [results, tiles, runners, bodies, buckets] = await Promise.all([
    models.results.findAll({ where: { studioId, id: ids('result') } }),
    models.tiles.findAll({ where: { studioId, id: ids('tile') } }),
    models.runnerTiles.findAll({ where: { studioId, id: ids('runner') } }),
    models.bodies.findAll({ where: { studioId }, attributes: ['id', 'name'] }),
    models.buckets.findAll({ where: { studioId } }),
  ]);
  const pieces = await models.pieces.findAll({ where: { studioId, id: results.map((row) => row.get().pieceId) } });
  const clay = new Map(bodies.map((row) => [row.get().id, row.get().name]));
  const names = new Map(buckets.map((row) => [glazeIdOf(row.get()), row.get().name]));
  const glazeOf = new Map(buckets.map((row) => [row.get().id, glazeIdOf(row.get())]));
  const found = new Map<string, WallLabel>();
  for (const { id, code, body } of tiles.map((row) => row.get()))
    found.set(id, {
      title: `${code} ${body.glazeName}`,
      lines: [
        `${clay.get(body.bodyId) ?? ''}${body.cone ? `, cone ${body.cone}` : ''}`,
        body.strips.map(({ measuredMm, expectedMm }) => mm(measuredMm ?? expectedMm)).join(' · '),
      ],
    });
  for (const { id, code, body } of runners.map((row) => row.get()))
    found.set(id, {
      title: `${code} ${[...body.layers]
        .reverse()
        .map(({ glazeName }) => glazeName)
        .join(' over ')}`,
      lines: [
        [body.bodyId ? clay.get(body.bodyId) : undefined, body.cone ? `cone ${body.cone}` : undefined].filter(Boolean).join(', '),
        body.layers.map(({ coatMm }) => mm(coatMm)).join(' + '),
        body.runMm === undefined ? '' : `ran ${body.runMm} mm from a band of ${body.bandMm} mm`,
      ],
    });
  for (const { id, pieceId, body } of results.map((row) => row.get())) {
    const piece = pieces.find((row) => row.get().id === pieceId)?.get();
    if (!piece) continue;
    const seen = seenCombinations(piece.body.plan, (bucketId) => glazeOf.get(bucketId));
    found.set(id, {
      title: piece.name,
      lines: [
        ...seen
          .slice(0, 2)
          .map(({ lowerId, upperId }) => `${names.get(upperId) ?? ''}${lowerId === undefined ? '' : ` over ${names.get(lowerId) ?? ''}`}`),
        `${clay.get(piece.clayBodyId) ?? ''}, cone ${body.coneReached}${body.stars > 0 ? `, ${body.stars} of 5` : ''}`,
      ],
    });
  }
  return asked.flatMap(([, id]) => found.get(id) ?? []);
}

const mm = (value: number | undefined): string => (value === undefined ? '–' : `${value.toFixed(2)} mm`);
