import { promisify } from 'node:util';
import { buffer } from 'node:stream/consumers';
import { open, type Entry, type ZipFile } from 'yauzl';
import { LIMITS } from '@cazuela/contract';
import { ProblemError } from '../../../http/problem-error';
import { eventFault, studioFileSchema, type StudioFile } from './studio-tables';

/** More text than any studio has: a zip that unpacks to more is an attack or a mistake. */
const MOST_JSON_BYTES = 400 * 1024 * 1024;
const PHOTO_PATH = /^photos\/([0-9a-f-]{36})\.jpg$/;
const openZip = promisify<string, { lazyEntries: true; autoClose: false }, ZipFile>(open);

/** A studio's file that was opened: its records, and its photos when they are asked for. */
export interface OpenStudioFile {
  file: StudioFile;
  photo: (id: string) => Promise<Buffer | undefined>;
  close: () => void;
}

/** Opens the zip of a whole studio and checks every row of it. Throws `notReadable` in words. */
export async function openStudioFile(path: string): Promise<OpenStudioFile> {
  let zip: ZipFile;
  try {
    zip = await openZip(path, { lazyEntries: true, autoClose: false });
  } catch (error) {
    throw new ProblemError('notReadable', 'This file is no zip of a studio.', {}, { cause: error });
  }
  try {
    const entries = await entriesOf(zip);
    const json = entries.get('studio.json');
    if (!json) throw new ProblemError('notReadable', 'There is no studio.json in this zip: it is no file of a whole studio.');
    const file = parsed(await bytesOf(zip, json, MOST_JSON_BYTES));
    const photos = new Map([...entries].flatMap(([name, entry]) => (PHOTO_PATH.test(name) ? [[PHOTO_PATH.exec(name)![1]!, entry] as const] : [])));
    const photo = async (id: string): Promise<Buffer | undefined> => {
      const entry = photos.get(id);
      return entry && entry.uncompressedSize > 0 ? bytesOf(zip, entry, LIMITS.photoBytes) : undefined;
    };
    return { file, photo, close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}

function parsed(bytes: Buffer): StudioFile {
  let json: unknown;
  try {
    json = JSON.parse(bytes.toString('utf8'));
  } catch (error) {
    throw new ProblemError('notReadable', 'studio.json in this zip is broken: it is no JSON.', {}, { cause: error });
  }
  const checked = studioFileSchema.safeParse(json);
  if (!checked.success) {
    const [issue] = checked.error.issues;
    throw new ProblemError('notReadable', `This file does not fit: ${issue?.path.join(' · ')}: ${issue?.message} Nothing was taken in.`);
  }
  for (const event of checked.data.tables.benchEvents) {
    const fault = eventFault(event);
    if (fault) throw new ProblemError('notReadable', `This file does not fit: an entry of a ${event.stream}: ${fault} Nothing was taken in.`);
  }
  return checked.data;
}

function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  return new Promise((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.on('end', () => resolve(entries));
    zip.on('error', (error) => reject(new ProblemError('notReadable', 'This zip is broken.', {}, { cause: error })));
    zip.readEntry();
  });
}

async function bytesOf(zip: ZipFile, entry: Entry, most: number): Promise<Buffer> {
  if (entry.uncompressedSize > most) throw new ProblemError('tooLarge', `${entry.fileName} in this zip is larger than any studio makes it.`);
  try {
    // The reader itself stops at the size that the zip names.
    const stream = await promisify(zip.openReadStream.bind(zip))(entry);
    return await buffer(stream);
  } catch (error) {
    throw new ProblemError('notReadable', `${entry.fileName} in this zip is broken.`, {}, { cause: error });
  }
}
