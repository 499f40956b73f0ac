import { converter } from 'culori';
import sharp from 'sharp';
import { mainColours, type LinearRgb, type PhotoColour } from '@cazuela/core';

/** Colours are counted on a picture this large, px: more changes nothing that an eye sees. */
const COUNTED_PX = 72;
/** The piece stands in the middle: this share of width and height is counted. */
const MIDDLE = 0.7;
/** A patch is so much of the shorter side. */
const PATCH = 0.04;

const linear = converter('lrgb');
const oklab = converter('oklab');
/** Each byte of sRGB as linear light. */
const LIGHT = Float64Array.from({ length: 256 }, (_, byte) => linear({ mode: 'rgb', r: byte / 255, g: 0, b: 0 }).r);

/** Returns the main colours of the middle of a photo, as its grey patch makes them. */
export async function coloursOfPhoto(jpeg: Buffer, gains: LinearRgb | null): Promise<PhotoColour[]> {
  const { data, info } = await sharp(jpeg)
    .resize({ width: COUNTED_PX, height: COUNTED_PX, fit: 'inside' })
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [left, top] = [info.width, info.height].map((side) => Math.floor((side * (1 - MIDDLE)) / 2)) as [number, number];
  const pixels: number[] = [];
  for (let y = top; y < info.height - top; y++)
    for (let x = left; x < info.width - left; x++) {
      const at = (y * info.width + x) * info.channels;
      const [r, g, b] = [0, 1, 2].map((channel) => Math.min(1, LIGHT[data[at + channel]!]! * (gains?.[channel] ?? 1))) as [number, number, number];
      const colour = oklab({ mode: 'lrgb', r, g, b });
      pixels.push(colour.l, colour.a, colour.b);
    }
  return mainColours(pixels).map(({ oklab: [l, a, b], share }) => ({ oklab: [short(l), short(a), short(b)], share: short(share) }));
}

/** Returns what a patch of a photo looks like, linear: its mean. */
export async function patchOfPhoto(jpeg: Buffer, at: { across: number; down: number }): Promise<LinearRgb> {
  const { width, height } = await sharp(jpeg).metadata();
  const side = Math.max(1, Math.round(PATCH * Math.min(width, height)));
  const [left, top] = [at.across * width - side / 2, at.down * height - side / 2];
  const patch = await sharp(jpeg)
    .extract({
      left: Math.min(width - side, Math.max(0, Math.round(left))),
      top: Math.min(height - side, Math.max(0, Math.round(top))),
      width: side,
      height: side,
    })
    .removeAlpha()
    .toColourspace('srgb')
    .raw()
    .toBuffer();
  const sums: [number, number, number] = [0, 0, 0];
  patch.forEach((byte, index) => (sums[index % 3]! += LIGHT[byte]!));
  return sums.map((sum) => sum / (side * side)) as [number, number, number];
}

const short = (value: number): number => Math.round(value * 1e4) / 1e4;
