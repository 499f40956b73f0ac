import sharp from 'sharp';
import { decoding } from './photo-file';

/** Longest side, px: a card of 150 px on a screen with two points to each. */
const THUMBNAIL_PX = 300;

/** Returns a photo that we keep, small: a wall of hundreds of them is drawn from these. */
export const thumbnailOf = (jpeg: Buffer): Promise<Buffer> =>
  decoding(() =>
    sharp(jpeg).resize({ width: THUMBNAIL_PX, height: THUMBNAIL_PX, fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 76 }).toBuffer(),
  );
