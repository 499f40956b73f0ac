import { configFrom } from './config';
import type { Context } from './context';
import { readEnv } from './env';
import { start, type Running } from './start';

/**
 * Runs the server as a process of its own: reads the environment, starts, prints the address as a line of JSON, and stops on SIGINT and SIGTERM.
 * When it cannot start it says why in a sentence and ends with code 1.
 *
 * @param prepare - runs before the first request, when the tables are up to date
 */
export async function serve(prepare?: (context: Context) => Promise<void>): Promise<void> {
  const running = await startOrExit(prepare);
  console.log(JSON.stringify({ listening: running.address }));
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      running.stop().then(
        () => process.exit(0),
        () => process.exit(1),
      );
    });
  }
}

async function startOrExit(prepare: Parameters<typeof serve>[0]): Promise<Running> {
  try {
    return await start(configFrom(readEnv(process.env)), prepare);
  } catch (error) {
    const { code, port } = error as { code?: string; port?: number };
    console.error(
      code === 'EADDRINUSE'
        ? `Port ${port} is taken by another program: close that one, or choose another with CAZUELA_PORT.`
        : (error as Error).message,
    );
    process.exit(1);
  }
}
