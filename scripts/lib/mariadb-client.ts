import { spawn } from 'node:child_process';
import type { MariaDbAddress } from './private-mariadb';

/** Runs one of MariaDB's own programs on this database. The password is not among its arguments, where everybody could read it. */
export function mariadbClient(name: 'mariadb' | 'mariadb-dump', { host, port, user, password, tls }: MariaDbAddress, args: readonly string[]) {
  const secure = tls ? ['--ssl', ...(tls.verify ? ['--ssl-verify-server-cert'] : []), ...(tls.caFile ? [`--ssl-ca=${tls.caFile}`] : [])] : [];
  const where = ['--no-defaults', `--host=${host}`, `--port=${port}`, `--user=${user}`, '--protocol=tcp', '--default-character-set=utf8mb4'];
  const child = spawn(name, [...where, '--max-allowed-packet=1G', ...secure, ...args], {
    stdio: ['pipe', 'pipe', 'pipe'],
    env: { ...process.env, MYSQL_PWD: password },
  });
  let words = '';
  child.stderr.on('data', (chunk: Buffer) => (words = (words + chunk.toString()).slice(-2_000)));
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', () => reject(new Error(`The program ${name} is missing. Install it with: sudo apt-get install mariadb-client`)));
    child.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`${name} stopped: ${words.trim() || code}`))));
  });
  ended.catch(() => undefined);
  return { in: child.stdin, out: child.stdout, ended };
}

/** Returns the answer to one query, as text. */
export async function ask(db: MariaDbAddress, sql: string): Promise<string> {
  const asked = mariadbClient('mariadb', db, ['--batch', '--skip-column-names', '--execute', sql, db.database]);
  asked.in.end();
  let text = '';
  for await (const chunk of asked.out) text += (chunk as Buffer).toString();
  await asked.ended;
  return text.trim();
}
