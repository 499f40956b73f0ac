import { createConnection, type Connection } from 'mariadb';
import { v7 as uuid } from 'uuid';
import type { MariaDbAddress } from '../scripts/lib/private-mariadb';
import { percentile, timesMs, type Row } from './measure';

const BUCKETS = 500;
const EVENTS = 20_000;
const REQUESTS = 300;
const MOST_TIMES_SQL = 3;

/** The shelf with 500 buckets and 20,000 steps of history, beside the bare SQL of the same rows in the same run. */
export async function listRows(address: string, db: MariaDbAddress): Promise<Row[]> {
  const sql = await createConnection({ host: db.host, port: db.port, user: db.user, password: db.password, database: db.database });
  try {
    const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
    await fillShelf(sql, studio.id);
    const url = `${address}/api/studios/${studio.id}/buckets`;
    const list = async (): Promise<void> => {
      const answer = (await (await fetch(url)).json()) as unknown[];
      if (answer.length < BUCKETS) throw new Error(`the list has ${answer.length} buckets`);
    };
    const bare = (): Promise<unknown> =>
      sql.query(
        'SELECT id, studio_id, code, version, name, body, recipe_id, recipe_version_id, contents, created_at FROM buckets WHERE studio_id = ? ORDER BY created_at',
        [studio.id],
      );
    await timesMs(list, 30);
    await timesMs(bare, 30);
    // Taken in turns, so that other work on the machine affects both alike.
    const api: number[] = [];
    const query: number[] = [];
    for (let i = 0; i < REQUESTS / 10; i++) {
      api.push(...(await timesMs(list, 10)));
      query.push(...(await timesMs(bare, 10)));
    }
    const ratio = percentile(api, 0.95) / percentile(query, 0.95);
    return [
      {
        what: `the list of ${BUCKETS} buckets, p95`,
        measured: `${percentile(api, 0.95).toFixed(1)} ms`,
        wanted: `see the ratio (bare SQL ${percentile(query, 0.95).toFixed(1)} ms)`,
        ok: true,
      },
      { what: 'the same against bare SQL', measured: `${ratio.toFixed(2)} ×`, wanted: `at most ${MOST_TIMES_SQL} ×`, ok: ratio <= MOST_TIMES_SQL },
    ];
  } finally {
    await sql.end();
  }
}

/** Five hundred measured buckets and their history, straight into the tables. */
export async function fillShelf(sql: Connection, studioId: string, letter = 'T'): Promise<void> {
  const body = JSON.stringify({ name: 'Prueba', sgLow: 1.44, sgHigh: 1.47, capacityMl: 12_000, colour: '#7FA08C', notes: '' });
  const parts = Array.from({ length: 9 }, (_, i) => ({ powderId: uuid(), name: `Powder ${i}`, part: 'base', grams: 500, density: 2.6 }));
  const contents = JSON.stringify({
    parts,
    dryGrams: 4500,
    baseDryGrams: 4500,
    stainGrams: 0,
    stainPercent: 0,
    waterGrams: 5000,
    density: 2.6,
    volumeMl: 6730,
    sg: 1.41,
    sgSd: 0.006,
    measuredAt: '2026-03-01T09:00:00.000Z',
    changedSinceMeasured: false,
    slurryState: 'normal',
  });
  const ids = Array.from({ length: BUCKETS }, () => uuid());
  await sql.batch(
    'INSERT INTO buckets (id, studio_id, code, version, name, body, recipe_id, recipe_version_id, contents, created_at) VALUES (?, ?, ?, 1, ?, ?, NULL, NULL, ?, NOW(3))',
    ids.map((id, i) => [id, studioId, `${letter}${i}`, 'Prueba', body, contents]),
  );
  const event = JSON.stringify({ id: 'x', at: '2026-03-01T09:00:00.000Z', by: 'Inés', type: 'stirred' });
  await sql.batch(
    "INSERT INTO bench_events (id, studio_id, stream, stream_id, body, received_at) VALUES (?, ?, 'bucket', ?, ?, NOW(3))",
    Array.from({ length: EVENTS }, (_, i) => [uuid(), studioId, ids[i % BUCKETS], event]),
  );
}
