import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { studioPort } from '../lib/studio-port';

describe('the address of a studio', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'cazuela-port-'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('is the same at the next start, so that work kept in the browser is found again', async () => {
    const first = await studioPort(folder);
    expect(await studioPort(folder)).toBe(first);
    expect(statSync(join(folder, 'port')).mode & 0o777).toBe(0o600);
  });

  it('is another one when somebody else has it now', async () => {
    const first = await studioPort(folder);
    const other = createServer();
    await new Promise<void>((resolve) => other.listen(first, '127.0.0.1', resolve));
    const second = await studioPort(folder);
    expect(second).not.toBe(first);
    expect(readFileSync(join(folder, 'port'), 'utf8')).toBe(String(second));
    await new Promise((resolve) => other.close(resolve));
  });

  it('rubbish in its file is passed over', async () => {
    writeFileSync(join(folder, 'port'), 'harbour');
    expect(await studioPort(folder)).toBeGreaterThan(1024);
  });
});
