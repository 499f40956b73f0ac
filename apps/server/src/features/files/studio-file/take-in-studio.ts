import type { Transaction } from 'sequelize';
import type { ResultBody, StudioOutcome } from '@cazuela/contract';
import type { Context } from '../../../context';
import { inTransaction } from '../../../db/in-transaction';
import { nextCode, type CodeLetter } from '../../../db/next-code';
import type { AnyTable } from '../../records/record-kinds';
import { coloursOfPhoto } from '../../photos/photo-pixels';
import { keptJpeg } from '../../photos/photo-file';
import { studioById } from '../../studios/studio-from-row';
import { withFreeIds } from './new-ids';
import type { OpenStudioFile } from './read-studio-file';
import { STUDIO_TABLES, type StudioFile, type StudioTable } from './studio-tables';

type Row = Record<string, unknown>;

/** Rows that go with another one: they are taken in where that one is. */
const OWNERS: Partial<Record<StudioTable, string>> = {
  stockMoves: 'powderId',
  recipeVersions: 'recipeId',
  powderUses: 'whatId',
  firingLogs: 'firingId',
  kilnReadings: 'firingId',
  benchEvents: 'streamId',
  putAway: 'recordId',
};
/** Rows with a code that is written on the thing itself. */
const CODES: Partial<Record<StudioTable, CodeLetter>> = { buckets: 'B', series: 'K', tiles: 'T', runnerTiles: 'R' };
const TIMES: ReadonlySet<string> = new Set(['createdAt', 'changedAt', 'doneAt', 'lastAt', 'startedAt', 'beganAt', 'endedAt', 'madeAt', 'receivedAt']);
const CHUNK = 200;

/**
 * Takes everything of a file in that is not here yet, all of it or nothing. What is here stays as it is: the same record by its id, a powder also by its
 * name, a day by its date, a coat window by its pair.
 */
export async function takeInStudio(context: Context, studioId: string, opened: OpenStudioFile): Promise<StudioOutcome> {
  const free = await withFreeIds(context, studioId, opened.file);
  const photoNames = new Map(free.tables.photos.map(({ id }, at) => [id, opened.file.tables.photos[at]!.id]));
  return inTransaction(context.sequelize, async (transaction) => {
    const taking = new Taking(context, studioId, transaction);
    const file = await taking.withPowdersHere(free);
    await taking.members(file);
    for (const table of STUDIO_TABLES) await taking.table(table, file.tables[table] as Row[], (id) => opened.photo(photoNames.get(id) ?? id));
    return taking.outcome;
  });
}

class Taking {
  readonly outcome: StudioOutcome = { added: 0, here: 0, photos: 0, left: [] };
  /** Records of this import, and powders that are here without a stock of their own. */
  private readonly owners = new Set<string>();
  /** Photos that the file names and does not have. */
  private readonly missing = new Set<string>();

  constructor(
    private readonly context: Context,
    private readonly studioId: string,
    private readonly transaction: Transaction,
  ) {}

  /** A powder of the same name is the same powder. */
  async withPowdersHere(file: StudioFile): Promise<StudioFile> {
    const { studioId, transaction } = this;
    const here = await this.context.models.powders.findAll({ where: { studioId }, transaction });
    const ids = new Set(here.map((row) => row.get().id));
    const byName = new Map(here.map((row) => [row.get().name.toLowerCase(), row.get().id]));
    const same = new Map(
      file.tables.powders.flatMap(({ id, name }) => {
        const found = byName.get(name.toLowerCase());
        return !ids.has(id) && found ? [[id, found] as const] : [];
      }),
    );
    const moved = await this.context.models.stockMoves.findAll({ where: { studioId }, attributes: ['powderId'], transaction });
    const withStock = new Set(moved.map((row) => row.get().powderId));
    for (const found of same.values()) if (!withStock.has(found)) this.owners.add(found);
    if (same.size === 0) return file;
    const tables = { ...file.tables, powders: file.tables.powders.filter(({ id }) => !same.has(id)) };
    this.outcome.here += same.size;
    const text = JSON.stringify({ ...file, tables });
    return JSON.parse([...same].reduce((so, [from, to]) => so.replaceAll(from, to), text)) as StudioFile;
  }

  /** People, vessels and scales that are not here by their name. */
  async members({ studio }: StudioFile): Promise<void> {
    const { body, version } = await studioById(this.context, this.studioId);
    const added = <Named extends { name: string }>(mine: readonly Named[], theirs: readonly Named[]): Named[] => [
      ...mine,
      ...theirs.filter(({ name }) => !mine.some((one) => one.name === name)),
    ];
    const next = {
      ...body,
      members: [...new Set([...body.members, ...studio.members])].slice(0, 30),
      vessels: added(body.vessels, studio.vessels).slice(0, 30),
      scales: added(body.scales, studio.scales).slice(0, 10),
    };
    if (JSON.stringify(next) === JSON.stringify(body)) return;
    await this.context.models.studios.update({ body: next, version: version + 1 }, { where: { id: this.studioId }, transaction: this.transaction });
  }

  async table(table: StudioTable, rows: readonly Row[], photo: (id: string) => Promise<Buffer | undefined>): Promise<void> {
    for (let at = 0; at < rows.length; at += CHUNK) {
      const fresh = await this.notHere(table, rows.slice(at, at + CHUNK));
      const made: Row[] = [];
      for (const row of fresh) {
        const ready = table === 'photos' ? await this.withPicture(row, photo) : await this.withCode(table, row);
        if (!ready) continue;
        if (typeof row['id'] === 'string') this.owners.add(row['id']);
        made.push({
          ...timed(ready),
          studioId: this.studioId,
          ...(table === 'firingLogs' ? { runningKilnId: null, reader: {}, practice: null } : {}),
        });
      }
      await (this.context.models[table] as unknown as AnyTable).bulkCreate(made, { transaction: this.transaction });
      if (table === 'photos') this.outcome.photos += made.length;
      else if (!OWNERS[table]) this.outcome.added += made.length;
    }
  }

  private async notHere(table: StudioTable, rows: readonly Row[]): Promise<Row[]> {
    const owner = OWNERS[table];
    if (owner) return rows.filter((row) => this.owners.has(String(row[owner])));
    const model = this.context.models[table] as unknown as AnyTable;
    const { studioId, transaction } = this;
    const where = { studioId, id: rows.map(({ id }) => String(id)) };
    const there = new Set((await model.findAll({ where, attributes: ['id'], transaction })).map((row) => String(row.get('id'))));
    const fresh = rows.filter(({ id }) => !there.has(String(id)));
    this.outcome.here += there.size;
    if (table === 'days') return this.withoutSame(fresh, model, ['date'], ({ date }) => `The day ${String(date)} is here already, with other pots.`);
    if (table === 'coatWindows')
      return this.withoutSame(fresh, model, ['glazeId', 'bodyId'], () => 'A coat window is here already for that glaze on that clay.');
    return table === 'results' && this.missing.size > 0 ? fresh.map((row) => this.withoutMissingPhotos(row)) : fresh;
  }

  /** Without those of which another one is here in its place; each is told. */
  private async withoutSame(rows: readonly Row[], model: AnyTable, columns: readonly string[], words: (row: Row) => string): Promise<Row[]> {
    const kept: Row[] = [];
    for (const row of rows) {
      const where = { studioId: this.studioId, ...Object.fromEntries(columns.map((column) => [column, row[column] as string])) };
      if ((await model.count({ where, transaction: this.transaction })) === 0) kept.push(row);
      else this.outcome.left.push(words(row));
    }
    return kept;
  }

  /** A piece whose photo is missing keeps its result, with the photos that are there. */
  private withoutMissingPhotos(row: Row): Row {
    const body = row['body'] as ResultBody;
    const photoIds = body.photoIds?.filter((id) => !this.missing.has(id));
    const photoId = body.photoId && this.missing.has(body.photoId) ? (photoIds?.[0] ?? null) : body.photoId;
    return { ...row, photoId, body: { ...body, photoId, ...(photoIds ? { photoIds } : {}) } };
  }

  private async withPicture(row: Row, photo: (id: string) => Promise<Buffer | undefined>): Promise<Row | undefined> {
    const bytes = await photo(String(row['id']));
    if (!bytes) {
      this.missing.add(String(row['id']));
      this.outcome.left.push('A photo is named in the file, and is not in it.');
      return undefined;
    }
    const { jpeg, width, height } = await keptJpeg(bytes);
    const gains = row['gains'] as [number, number, number] | null;
    return { ...row, jpeg, width, height, colours: row['colours'] ?? (await coloursOfPhoto(jpeg, gains)) };
  }

  /** A code that is taken here is another thing's: this one gets the next. */
  private async withCode(table: StudioTable, row: Row): Promise<Row> {
    const letter = CODES[table];
    if (!letter) return row;
    const { studioId, transaction } = this;
    const model = this.context.models[table] as unknown as AnyTable;
    const isTaken = (await model.count({ where: { studioId, code: String(row['code']) }, transaction })) > 0;
    if (!isTaken) {
      await this.raiseCounter(letter, Number(String(row['code']).slice(1)));
      return row;
    }
    const code = await nextCode(this.context, studioId, letter, transaction);
    this.outcome.left.push(`${String(row['code'])} is taken here: it is ${code} now. Write that on it.`);
    return { ...row, code };
  }

  private async raiseCounter(letter: CodeLetter, last: number): Promise<void> {
    if (!Number.isInteger(last)) return;
    await this.context.sequelize.query(
      'INSERT INTO code_counters (studio_id, letter, last) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE last = GREATEST(last, VALUES(last))',
      { replacements: [this.studioId, letter, last], transaction: this.transaction },
    );
  }
}

const timed = (row: Row): Row =>
  Object.fromEntries(
    Object.entries(row).map(([column, value]) => [
      column,
      TIMES.has(column) || column === 'at' ? (value === null ? null : new Date(String(value))) : value,
    ]),
  );
