import { loadDemo } from '../../../demo/load-demo';
import { configFrom } from './config';
import { readEnv } from './env';
import { start } from './start';

const config = configFrom(readEnv(process.env));
const running = await start(config, config.loadDemo ? loadDemo : undefined);
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
