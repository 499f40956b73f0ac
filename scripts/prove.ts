import { ensureBuilt } from './lib/build';
import { crowd } from './prove/crowd';
import { fuzz } from './prove/fuzz';
import { killLoop } from './prove/kill';
import { Random } from './prove/random';

/**
 * `./cazuela prove [minutes] [kill|fuzz|crowd]`: kills, floods and crowds studios made for it, on loopback and with limits, and counts what was
 * lost. `--short` is the part that belongs to `./cazuela test`.
 */
const WHOLE = { kills: 200, requests: 100_000, crowdMinutes: 2 };
const SHORT = { kills: 12, requests: 4_000, crowdMinutes: 0.2 };
const MOST_MINUTES = 40;

const words = process.argv.slice(2);
const isShort = words.includes('--short');
const named = words.find((word) => ['kill', 'fuzz', 'crowd'].includes(word));
const asked = words.find((word) => /^[\d.]+$/.test(word));
const minutes = isShort ? 5 : Number(asked ?? MOST_MINUTES);
const size = isShort ? SHORT : WHOLE;
const say = (line: string): void => console.log(line);
const seed = Number(process.env['CAZUELA_SEED'] ?? (isShort ? 20_261_129 : Date.now() % 2 ** 31));
const until = (share: number): number => Date.now() + share * minutes * 60_000;

await ensureBuilt(say);
say(`Seed ${seed} (again: CAZUELA_SEED=${seed} ./cazuela prove …)`);
const random = new Random(seed);
const faults: string[] = [];
let passed = 0;

async function part(name: string, work: () => Promise<{ faults: string[] }>): Promise<void> {
  if (named && named !== name) return;
  const started = performance.now();
  const { faults: found, ...counts } = await work();
  const seconds = ((performance.now() - started) / 1000).toFixed(0);
  say(`${found.length === 0 ? 'ok    ' : 'FAILED'} ${name} (${seconds} s): ${JSON.stringify(counts)}`);
  if (found.length === 0) passed += 1;
  faults.push(...found.slice(0, 40).map((fault) => `${name}: ${fault}`));
}

await part('crowd', () => crowd(random, Math.min(until(0.3), Date.now() + size.crowdMinutes * 60_000)));
await part('fuzz', () => fuzz(random, size.requests, until(0.5), say));
await part('kill', () => killLoop(random, size.kills, until(0.7), say));
for (const fault of faults) console.error(`- ${fault}`);
say(`${passed} parts held, ${faults.length} faults`);
process.exit(faults.length === 0 ? 0 : 1);
