import { isIP } from 'node:net';
import * as z from 'zod';

/** The environment as text; `config.ts` decides what it means. Documented in the README. */
const envSchema = z.object({
  CAZUELA_BIND: z.string().default('127.0.0.1'),
  CAZUELA_PORT: z.coerce.number().int().min(0).max(65535).default(0),
  /** Further host names under which the app may be opened, comma separated. */
  CAZUELA_HOSTS: z.string().default(''),
  CAZUELA_DB_HOST: z.string().default('127.0.0.1'),
  CAZUELA_DB_PORT: z.coerce.number().int().min(1).max(65535).default(3306),
  CAZUELA_DB_USER: z.string().default('cazuela'),
  CAZUELA_DB_PASSWORD: z.string().default(''),
  CAZUELA_DB_NAME: z.string().default('cazuela'),
  CAZUELA_DB_TLS: z.enum(['off', 'on', 'skip-verify']).default('off'),
  /** File with the certificate that signed the database's own, where no public authority did. */
  CAZUELA_DB_CA: z.string().default(''),
  CAZUELA_WEB: z.string().default(''),
  CAZUELA_LOG: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('warn'),
  /** “yes” lets a server listen beyond loopback without accounts. */
  CAZUELA_OPEN: z.enum(['', 'yes']).default(''),
  /** The address of one proxy before this server, whose X-Forwarded-For is believed. */
  CAZUELA_TRUST_PROXY: z
    .string()
    .refine((text) => text === '' || isIP(text) > 0, 'is the address of one proxy, like 127.0.0.1.')
    .default(''),
  /** Writes that a client may make in a minute. */
  CAZUELA_WRITES_PER_MINUTE: z.coerce.number().int().min(1).default(600),
});
export type Env = z.infer<typeof envSchema>;

export function readEnv(source: NodeJS.ProcessEnv): Env {
  const read = envSchema.safeParse(source);
  if (read.success) return read.data;
  throw new Error(read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`).join('\n'));
}
