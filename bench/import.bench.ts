import { createConnection } from 'mariadb';
import { v7 as uuid } from 'uuid';
import { checkAgainst, readFile, importParts } from '../packages/formats/src/index';
import type { MariaDbAddress } from '../scripts/lib/private-mariadb';
import type { Row } from './measure';

const RECIPES = 5_000;
const MOST_SECONDS = 10;

/** Five thousand recipes from a table of ours, read, checked, sent and taken in, beside a bare insert of the same rows. */
export async function importRows(address: string, db: MariaDbAddress): Promise<Row[]> {
  const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
  const base = `${address}/api/studios/${studio.id}`;
  const post = async (path: string, body: unknown): Promise<void> => {
    const answer = await fetch(base + path, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  };
  const table = tableOf(RECIPES);
  const started = performance.now();
  const file = checkAgainst(readFile(table, new Date().toISOString()), {
    powderNames: ['Silica', 'Kaolin', 'Whiting', 'Tin oxide'],
    recipeNames: [],
  });
  if (file.problems.length > 0) throw new Error(file.problems[0]!.message);
  const readMs = performance.now() - started;
  const id = uuid();
  for (const part of importParts(file.rows)) await post(`/imports/${id}/rows`, part);
  await post(`/imports/${id}/commit`, { rows: file.rows.length, choice: 'leaveMine' });
  const seconds = (performance.now() - started) / 1000;
  const bareSeconds = await bareInsert(studio.id, db);
  return [
    { what: `${RECIPES} recipes from a table`, measured: `${seconds.toFixed(1)} s`, wanted: `under ${MOST_SECONDS} s`, ok: seconds < MOST_SECONDS },
    {
      what: 'recipes a second',
      measured: `${(RECIPES / seconds).toFixed(0)}`,
      wanted: `told, not judged: a bare insert of the same rows makes ${(RECIPES / bareSeconds).toFixed(0)} (${(seconds / bareSeconds).toFixed(1)} ×); reading took ${(readMs / 1000).toFixed(2)} s`,
      ok: true,
    },
  ];
}

function tableOf(count: number): string {
  const recipe = (index: number): string[] => [
    `Prueba ${index};base;Silica;${30 + (index % 20)},5`,
    ';base;Kaolin;30',
    `;base;Whiting;${39 - (index % 20)},5`,
    ';addition;Tin oxide;4',
  ];
  return ['recipe;part;powder;percent', ...Array.from({ length: count }, (_, index) => recipe(index)).flat()].join('\r\n');
}

/** The rows that were just made, read back and inserted again under other ids. */
async function bareInsert(studioId: string, db: MariaDbAddress): Promise<number> {
  const sql = await createConnection({
    host: db.host,
    port: db.port,
    user: db.user,
    password: db.password,
    database: db.database,
    autoJsonMap: false,
  });
  try {
    const recipes = (await sql.query("SELECT id, name, created_at FROM recipes WHERE studio_id = ? AND name LIKE 'Prueba %'", [studioId])) as {
      id: string;
      name: string;
      created_at: Date;
    }[];
    const versions = (await sql.query('SELECT recipe_id, reason, body, changed_at FROM recipe_versions WHERE studio_id = ?', [studioId])) as {
      recipe_id: string;
      reason: string;
      body: string;
      changed_at: Date;
    }[];
    const newIds = new Map(recipes.map((row) => [row.id, uuid()]));
    const some = versions.filter((row) => newIds.has(row.recipe_id));
    const started = performance.now();
    await sql.beginTransaction();
    await sql.batch(
      'INSERT INTO recipes (id, studio_id, version, name, created_at) VALUES (?, ?, 1, ?, ?)',
      recipes.map((row) => [newIds.get(row.id), studioId, row.name, row.created_at]),
    );
    await sql.batch(
      'INSERT INTO recipe_versions (id, studio_id, recipe_id, number, reason, body, changed_at) VALUES (?, ?, ?, 1, ?, ?, ?)',
      some.map((row) => [uuid(), studioId, newIds.get(row.recipe_id), row.reason, row.body, row.changed_at]),
    );
    await sql.commit();
    return (performance.now() - started) / 1000;
  } finally {
    await sql.end();
  }
}
