import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Transaction } from 'sequelize';
import { ZipFile } from 'yazl';
import type { Context } from '../../../context';
import type { AnyTable } from '../../records/record-kinds';
import { studioById } from '../../studios/studio-from-row';
import type { Call } from '../../../http/route';
import { STUDIO_FORMAT, STUDIO_TABLES, type StudioFile, type StudioTable } from './studio-tables';

/** Columns of a row that stay at home: the studio, the place in a table, the picture itself, and what runs a log. */
const AT_HOME: ReadonlySet<string> = new Set(['studioId', 'seq', 'jpeg', 'thumbnail', 'runningKilnId', 'reader', 'practice']);

/** Sends everything of a studio as one zip: `studio.json`, and its photos as they are. */
export async function sendStudioFile({ context, studioId, response }: Call<unknown>): Promise<void> {
  const file = await readStudio(context, studioId);
  const zip = new ZipFile();
  zip.addBuffer(Buffer.from(JSON.stringify(file)), 'studio.json');
  for (const { id } of file.tables.photos)
    // One after the other, when its turn comes: all photos together would not fit into memory.
    zip.addReadStreamLazy(`photos/${id}.jpg`, { compress: false }, (taken) => {
      context.models.photos.findOne({ where: { id, studioId } }).then(
        (row) => taken(null, Readable.from([row?.get().jpeg ?? Buffer.alloc(0)])),
        (error: unknown) => taken(error, Readable.from([])),
      );
    });
  zip.end();
  response.type('application/zip').setHeader('Content-Disposition', `attachment; filename="studio.zip"`);
  // Whoever stops the download has it broken off; there is nobody left to tell.
  await pipeline(zip.outputStream, response).catch(() => response.destroy());
}

/** All rows of a studio at one moment. */
async function readStudio(context: Context, studioId: string): Promise<StudioFile> {
  const studio = await studioById(context, studioId);
  const writtenAt = context.now();
  const tables = await context.sequelize.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ }, async (transaction) => {
    const rows: Partial<Record<StudioTable, object[]>> = {};
    for (const table of STUDIO_TABLES) {
      const exclude = table === 'photos' ? ['jpeg', 'thumbnail'] : [];
      const found = await (context.models[table] as unknown as AnyTable).findAll({ where: { studioId }, attributes: { exclude }, transaction });
      rows[table] = found.map((row) => portable(row.get() as Record<string, unknown>, table, writtenAt));
    }
    return rows as StudioFile['tables'];
  });
  return { format: STUDIO_FORMAT, version: 1, writtenAt: writtenAt.toISOString(), studio: studio.body, tables };
}

function portable(row: Record<string, unknown>, table: StudioTable, writtenAt: Date): object {
  const kept = Object.fromEntries(
    Object.entries(row)
      .filter(([column]) => !AT_HOME.has(column))
      .map(([column, value]) => [column, value instanceof Date ? value.toISOString() : value]),
  );
  // A log that is still being written ends here: no controller sends into another studio.
  return table === 'firingLogs' ? { ...kept, endedAt: kept['endedAt'] ?? writtenAt.toISOString() } : kept;
}
