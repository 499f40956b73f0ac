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

  it('taken by somebody else is said, and never changed in silence', async () => {
    const first = await studioPort(folder);
    const other = createServer();
    await new Promise<void>((resolve) => other.listen(first, '127.0.0.1', resolve));
    await expect(studioPort(folder, 300)).rejects.toThrow(`Port ${first}, at which this studio is always opened, is taken`);
    expect(readFileSync(join(folder, 'port'), 'utf8')).toBe(String(first));
    const later = studioPort(folder, 10_000);
    await new Promise((resolve) => other.close(resolve));
    expect(await later).toBe(first);
  });

  it('rubbish in its file is passed over', async () => {
    writeFileSync(join(folder, 'port'), 'harbour');
    expect(await studioPort(folder)).toBeGreaterThan(1024);
  });
});
