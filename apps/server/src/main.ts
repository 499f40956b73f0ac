import { loadDemo } from '../../../demo/load-demo';
import { configFrom } from './config';
import { readEnv } from './env';
import { start, type Running } from './start';

const running = await open();
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

/** Starts, or says in a sentence why not. */
async function open(): Promise<Running> {
  try {
    const config = configFrom(readEnv(process.env));
    return await start(config, config.loadDemo ? loadDemo : undefined);
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
