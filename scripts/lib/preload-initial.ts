import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Names every chunk that the start of the interface imports in its index.html, so that the browser fetches all of them at once. Angular names the
 * first ten; one of the others, Angular's own code, is the largest, and would be asked for only when the first ones are read.
 */
export function preloadInitial(webFolder: string): void {
  const main = readdirSync(webFolder).find((name) => /^main-[A-Z0-9]+\.js$/.test(name));
  if (!main) throw new Error(`There is no main script in ${webFolder}.`);
  const indexFile = join(webFolder, 'index.html');
  const index = readFileSync(indexFile, 'utf8');
  const links = [...initialChunks(webFolder, main)]
    .filter((name) => name !== main && !index.includes(`"${name}"`))
    .map((name) => `<link rel="modulepreload" href="${name}">`);
  writeFileSync(indexFile, index.replace('</head>', `${links.join('')}</head>`));
}

/** The script itself and whatever it imports before it runs, and so on. */
function initialChunks(webFolder: string, name: string, found = new Set<string>()): Set<string> {
  if (found.has(name)) return found;
  found.add(name);
  const source = readFileSync(join(webFolder, name), 'utf8');
  for (const [, imported] of source.matchAll(/(?:from|import)"\.\/([\w-]+\.js)"/g)) initialChunks(webFolder, imported!, found);
  return found;
}
