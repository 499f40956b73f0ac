import { readFileSync } from 'node:fs';
import type { Env } from './env';

export interface DbConfig {
  host: string;
  port: number;
  user: string;
  password: string;
  database: string;
  tls: false | { rejectUnauthorized: boolean; ca?: string };
}

export interface Config {
  bind: string;
  port: number;
  /** Host names that a browser may use for this server. They keep other sites from reaching a loopback server by a name of their own. */
  allowedHosts: string[];
  db: DbConfig;
  webFolder: string;
  logLevel: Env['CAZUELA_LOG'];
  writesPerMinute: number;
  /** Address of the one proxy that may say who the client is; false where there is none. */
  trustProxy: string | false;
}

/** Decides what the environment means. Throws, in a sentence, when it would open the records to a whole network unintentionally. */
export function configFrom(env: Env): Config {
  if (!isLoopback(env.CAZUELA_BIND) && env.CAZUELA_OPEN !== 'yes') {
    throw new Error(
      `CAZUELA_BIND=${env.CAZUELA_BIND} would let everybody on that network read and change the records, for there are no accounts yet: set CAZUELA_OPEN=yes if that is wanted, or put a proxy that asks who it is before 127.0.0.1.`,
    );
  }
  if (env.CAZUELA_DB_USER === 'root')
    throw new Error(
      'CAZUELA_DB_USER=root could change every database of that server: give Cazuela a user of its own with rights on its database only.',
    );
  const named = env.CAZUELA_HOSTS.split(',')
    .map((host) => host.trim())
    .filter(Boolean);
  return {
    bind: env.CAZUELA_BIND,
    port: env.CAZUELA_PORT,
    allowedHosts: ['127.0.0.1', 'localhost', '[::1]', ...named],
    db: {
      host: env.CAZUELA_DB_HOST,
      port: env.CAZUELA_DB_PORT,
      user: env.CAZUELA_DB_USER,
      password: env.CAZUELA_DB_PASSWORD,
      database: env.CAZUELA_DB_NAME,
      tls: tlsFrom(env),
    },
    webFolder: env.CAZUELA_WEB,
    logLevel: env.CAZUELA_LOG,
    writesPerMinute: env.CAZUELA_WRITES_PER_MINUTE,
    trustProxy: env.CAZUELA_TRUST_PROXY || false,
  };
}

const isLoopback = (address: string): boolean => address === 'localhost' || address === '::1' || /^127(\.\d{1,3}){3}$/.test(address);

function tlsFrom({ CAZUELA_DB_TLS: tls, CAZUELA_DB_CA: ca }: Env): DbConfig['tls'] {
  if (tls === 'off') return false;
  return { rejectUnauthorized: tls === 'on', ...(ca ? { ca: readFileSync(ca, 'utf8') } : {}) };
}
