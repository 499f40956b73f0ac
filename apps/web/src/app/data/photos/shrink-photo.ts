/** Longest side of a photo that travels, px: as much as the server keeps. */
const LONGEST_PX = 1_600;
const QUALITY = 0.85;
/** Under this even the dullest photo of a phone is not worth making smaller, bytes. */
const SMALL_BYTES = 250_000;

/** The file is no photo, or this device cannot unpack it. */
export class NoPhotoError extends Error {
  override readonly name = 'NoPhotoError';
  constructor() {
    super('This file is not a photo that this device can read. JPEG, PNG and WebP work; 60 megapixels are the most.');
  }
}

/**
 * Returns a photo upright and small enough to travel, as JPEG without the place and camera that its file told. A small JPEG stays as it is: the
 * server makes it anew in any case.
 *
 * @throws NoPhotoError
 */
export async function shrinkPhoto(file: Blob): Promise<Blob> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw new NoPhotoError();
  }
  const share = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  if (share === 1 && file.size <= SMALL_BYTES && file.type === 'image/jpeg') return closed(picture, file);
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(picture.width * share)), Math.max(1, Math.round(picture.height * share)));
  const pen = canvas.getContext('2d')!;
  pen.fillStyle = '#FCFAF5';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}

function closed(picture: ImageBitmap, file: Blob): Blob {
  picture.close();
  return file;
}
