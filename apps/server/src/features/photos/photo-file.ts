import pLimit from 'p-limit';
import sharp, { type OutputInfo } from 'sharp';
import { ProblemError } from '../../http/problem-error';

/** Longest side that is kept, px: enough to see crawling, small enough for a database. */
const LONGEST_PX = 1600;
/** A picture that unpacks to more than this is an attack or a mistake. */
const MOST_PIXELS = 60_000_000;
/** The largest photo of a phone takes about two seconds on a slow machine. */
const MOST_SECONDS = 15;
/** More at once would only make each slower, and need more memory. */
const AT_ONCE = 2;

/** First bytes of the files that cameras and phones write. */
const BEGINNINGS: readonly ((bytes: Buffer) => boolean)[] = [
  (jpeg) => jpeg.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])),
  (png) => png.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])),
  (webp) => webp.toString('latin1', 0, 4) === 'RIFF' && webp.toString('latin1', 8, 12) === 'WEBP',
];

/** From here on this process decodes photos only: a drawing or a document can be a small file that takes minutes. */
export function blockOtherDecoders(): void {
  sharp.block({ operation: ['VipsForeignLoad'] });
  sharp.unblock({ operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer'] });
}

/** Takes its turn before a photo is decoded. */
export const decoding = pLimit(AT_ONCE);

/** Re-encodes a photo before it is stored: what is served is upright, made by us, without place or camera data. Throws `notAPhoto`. */
export function reencode(bytes: Buffer): Promise<{ data: Buffer; info: OutputInfo }> {
  const words = 'This file is not a photo we can read, whatever its name says. JPEG, PNG and WebP work.';
  if (!BEGINNINGS.some((begins) => begins(bytes))) return Promise.reject(new ProblemError('notAPhoto', words));
  return decoding(async () => {
    try {
      return await sharp(bytes, { limitInputPixels: MOST_PIXELS })
        .rotate()
        .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#FCFAF5' })
        .jpeg({ quality: 82 })
        .timeout({ seconds: MOST_SECONDS })
        .toBuffer({ resolveWithObject: true });
    } catch (error) {
      throw new ProblemError('notAPhoto', words, {}, { cause: error });
    }
  });
}

/**
 * Returns a photo that we made before as it is; any other is made anew. A file that comes in from outside may name anything a photo: what is kept is
 * upright, small enough and without place or camera data. Throws `notAPhoto`.
 */
export async function keptJpeg(bytes: Buffer): Promise<{ jpeg: Buffer; width: number; height: number }> {
  if (BEGINNINGS[0]!(bytes)) {
    const meta = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .metadata()
      .catch(() => undefined);
    const isOurs =
      meta &&
      [meta.exif, meta.iptc, meta.xmp, meta.icc, meta.orientation].every((one) => one === undefined) &&
      Math.max(meta.width, meta.height) <= LONGEST_PX;
    if (isOurs) return { jpeg: bytes, width: meta.width, height: meta.height };
  }
  const { data, info } = await reencode(bytes);
  return { jpeg: data, width: info.width, height: info.height };
}
