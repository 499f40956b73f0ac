import { createHash } from 'node:crypto';
import { createReadStream, existsSync } from 'node:fs';
import { Transform, type TransformCallback } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';

/**
 * A backup is SQL, packed with gzip, so that any MariaDB can read it without us. Its first line says what it is, its last one how many bytes lie
 * between and their checksum: a file that was cut off or changed is recognised before anything is written.
 */
export const BACKUP_FORMAT = 'cazuela-backup';
export const BACKUP_VERSION = 1;
const HEAD = `-- ${BACKUP_FORMAT} `;
const FOOT = `\n-- ${BACKUP_FORMAT} end `;

export interface BackupHeader {
  version: number;
  madeAt: string;
  /** Migrations that were done when it was made: a program that knows fewer cannot read it. */
  migrations: string[];
}

/**
 * Returns the SQL of a backup as it is read. Throws, in a sentence, when the file is none of ours, was cut off or changed; the part returned until
 * then must not be kept.
 */
export async function readBackup(file: string, use: (sql: Transform, head: BackupHeader) => Promise<void>): Promise<void> {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`);
  const parts = new BackupReader();
  const read = pipeline(createReadStream(file), createGunzip(), parts);
  // Reported by whoever awaits it below; until then a broken file must not end the process.
  read.catch(() => undefined);
  try {
    await use(parts, await parts.head);
    await read;
  } catch (error) {
    const packed = /^Z_|unexpected end|incorrect header/i.test(`${(error as { code?: string }).code ?? ''} ${(error as Error).message}`);
    throw packed ? new Error('This file is no backup, or was cut off on its way: it cannot be unpacked to its end.', { cause: error }) : error;
  }
}

/** Puts the first and the last line around the stream. */
export function addHeaderAndChecksum(head: BackupHeader): Transform {
  const hash = createHash('sha256');
  let bytes = 0;
  let isBegun = false;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      if (!isBegun) this.push(`${HEAD}${JSON.stringify(head)}\n`);
      isBegun = true;
      hash.update(chunk);
      bytes += chunk.length;
      done(null, chunk);
    },
    flush(done) {
      this.push(`${FOOT}${JSON.stringify({ bytes, sha256: hash.digest('hex') })}\n`);
      done();
    },
  });
}

const LONGEST_FOOT = 300;
const LONGEST_HEAD = 20_000;

/** Takes the first and the last line off, and fails when what lay between does not match the last one. */
class BackupReader extends Transform {
  private readonly hash = createHash('sha256');
  private bytes = 0;
  private waiting = Buffer.alloc(0);
  private isBegun = false;
  private begin!: (head: BackupHeader) => void;
  readonly head: Promise<BackupHeader>;

  constructor() {
    super();
    this.head = new Promise((resolve, reject) => {
      this.begin = resolve;
      this.once('error', reject);
      this.once('close', () => reject(new Error('This file is no backup of Cazuela.')));
    });
    this.head.catch(() => undefined);
  }

  override _transform(chunk: Buffer, _encoding: BufferEncoding, done: TransformCallback): void {
    this.waiting = Buffer.concat([this.waiting, chunk]);
    if (!this.isBegun) {
      const end = this.waiting.indexOf('\n');
      if (end < 0 && this.waiting.length < LONGEST_HEAD) return done();
      const head = parse<BackupHeader>(this.waiting.toString('utf8', 0, Math.max(0, end)), HEAD);
      if (!head) return done(new Error('This file is no backup of Cazuela.'));
      if (head.version !== BACKUP_VERSION) return done(new Error('This backup was made by a newer Cazuela. Restore it with that one.'));
      this.isBegun = true;
      this.begin(head);
      this.waiting = this.waiting.subarray(end + 1);
    }
    // The last line may come in any number of pieces, so this much is held back.
    const sure = this.waiting.length - LONGEST_FOOT;
    if (sure > 0) {
      this.pass(this.waiting.subarray(0, sure));
      this.waiting = this.waiting.subarray(sure);
    }
    done();
  }

  override _flush(done: TransformCallback): void {
    const at = this.waiting.lastIndexOf(FOOT);
    const foot = at < 0 ? undefined : parse<{ bytes: number; sha256: string }>(this.waiting.toString('utf8', at).trim(), FOOT.trim());
    if (at > 0) this.pass(this.waiting.subarray(0, at));
    if (!foot || foot.bytes !== this.bytes || foot.sha256 !== this.hash.digest('hex'))
      return done(new Error('This backup is not whole: it was cut off or changed since it was made. Take another one.'));
    done();
  }

  private pass(part: Buffer): void {
    this.hash.update(part);
    this.bytes += part.length;
    this.push(part);
  }
}

function parse<T>(line: string, beginning: string): T | undefined {
  if (!line.startsWith(beginning)) return undefined;
  try {
    return JSON.parse(line.slice(beginning.length)) as T;
  } catch {
    return undefined;
  }
}
