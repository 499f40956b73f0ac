import { PotterError } from '../checks/potter-error';
import { requireNumber } from '../checks/require';

/** A colour in OKLab: lightness 0–1, green to red, blue to yellow. */
export type Oklab = readonly [lightness: number, a: number, b: number];
/** Light of red, green and blue, linear, 0–1. */
export type LinearRgb = readonly [red: number, green: number, blue: number];

/** One of the main colours of a photo. */
export interface PhotoColour {
  oklab: Oklab;
  /** How much of the photo has it, 0–1. */
  share: number;
}

/** Colours nearer than this look the same, or are near, as `colourDifference` counts. Source: science §11. */
const SAME = 2;
const NEAR = 5;
const ROUNDS = 30;
/** Centres that move less than this have settled. */
const SETTLED = 1e-5;

/**
 * Returns the main colours of a photo, the largest first: k-means in OKLab. Starts from the mean and the colours furthest from what was chosen, so the
 * same photo always gives the same colours.
 *
 * Source: science §11; Lloyd's algorithm, k-means++ seeds without chance (Gonzalez, 1985).
 *
 * @param pixels - lightness, a and b of every pixel, one after the other; at least one pixel
 * @param count - how many at most, 1 or more; fewer where the photo has fewer
 * @throws PotterError for no pixels, or a list that is cut short
 * @example
 * mainColours([0.5, 0, 0, 0.5, 0, 0], 3) // [{ oklab: [0.5, 0, 0], share: 1 }]
 */
export function mainColours(pixels: ArrayLike<number>, count = 3): PhotoColour[] {
  const size = pixels.length / 3;
  if (size < 1 || !Number.isInteger(size)) throw new PotterError('emptyList', 'photo', pixels.length, 'The photo has no pixels.');
  const centres = seeds(pixels, size, count);
  const sums = new Float64Array(centres.length * 4);
  for (let round = 0; round < ROUNDS; round++) {
    sums.fill(0);
    for (let at = 0; at < size; at++) {
      const nearest = 4 * nearestOf(centres, pixels, at);
      for (let part = 0; part < 3; part++) sums[nearest + part]! += pixels[3 * at + part]!;
      sums[nearest + 3]! += 1;
    }
    let moved = 0;
    centres.forEach((centre, which) => {
      const held = sums[4 * which + 3]!;
      if (held === 0) return;
      for (let part = 0; part < 3; part++) {
        const mean = sums[4 * which + part]! / held;
        moved = Math.max(moved, Math.abs(mean - centre[part]!));
        centre[part] = mean;
      }
    });
    if (moved < SETTLED) break;
  }
  return centres
    .map(([lightness = 0, a = 0, b = 0], which): PhotoColour => ({ oklab: [lightness, a, b], share: sums[4 * which + 3]! / size }))
    .filter(({ share }) => share > 0)
    .sort((one, other) => other.share - one.share);
}

/** The pixel nearest to the mean, then each time the one furthest from all that were chosen; none that is there already. */
function seeds(pixels: ArrayLike<number>, size: number, count: number): number[][] {
  const mean = [0, 0, 0];
  for (let at = 0; at < pixels.length; at++) mean[at % 3]! += pixels[at]! / size;
  const chosen = [mean];
  const far = new Float64Array(size).fill(Infinity);
  while (chosen.length < count) {
    const last = chosen.at(-1)!;
    let furthest = -1;
    for (let at = 0; at < size; at++) {
      far[at] = Math.min(far[at]!, squared(last, pixels, at));
      if (furthest < 0 || far[at]! > far[furthest]!) furthest = at;
    }
    if (far[furthest]! < SETTLED ** 2) break;
    chosen.push([pixels[3 * furthest]!, pixels[3 * furthest + 1]!, pixels[3 * furthest + 2]!]);
  }
  return chosen;
}

function nearestOf(centres: readonly (readonly number[])[], pixels: ArrayLike<number>, at: number): number {
  let best = 0;
  let least = Infinity;
  for (let which = 0; which < centres.length; which++) {
    const away = squared(centres[which]!, pixels, at);
    if (away >= least) continue;
    least = away;
    best = which;
  }
  return best;
}

const squared = (centre: readonly number[], pixels: ArrayLike<number>, at: number): number =>
  (centre[0]! - pixels[3 * at]!) ** 2 + (centre[1]! - pixels[3 * at + 1]!) ** 2 + (centre[2]! - pixels[3 * at + 2]!) ** 2;

/**
 * Returns how different two colours look: ΔE in OKLab, times 100.
 *
 * @param one - a colour
 * @param other - a colour
 * @example
 * colourDifference([0.5, 0, 0], [0.53, 0.04, 0]) // 5
 */
export const colourDifference = (one: Oklab, other: Oklab): number => 100 * Math.hypot(one[0] - other[0], one[1] - other[1], one[2] - other[2]);

/**
 * Returns how near two colours are to the eye.
 *
 * @param difference - from `colourDifference`
 * @example
 * colourNearness(1.4) // 'same'
 */
export const colourNearness = (difference: number): 'same' | 'near' | 'far' => (difference < SAME ? 'same' : difference < NEAR ? 'near' : 'far');

/** Darker or lighter than this no camera tells the colour of the light, linear 0–1. */
const DARKEST = 0.02;
const LIGHTEST = 0.95;
/** The light of no studio is more coloured than this: largest over smallest channel. */
const MOST_COLOURED = 3;

/**
 * Returns by how much each channel of a photo has to be multiplied for a patch of it to be grey, as light as it is.
 *
 * @param patch - what the patch looks like on the photo, linear
 * @throws PotterError for a patch that is too dark, too light or no grey
 * @example
 * greyGains([0.2, 0.2, 0.2]) // [1, 1, 1]
 */
export function greyGains(patch: LinearRgb): LinearRgb {
  const [red, green, blue] = patch.map((channel) => requireNumber('patch', channel)) as [number, number, number];
  const lightness = 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  const [least, most] = [Math.min(red, green, blue), Math.max(red, green, blue)];
  if (lightness < DARKEST || least <= 0) throw new PotterError('tooSmall', 'patch', lightness, 'That spot is too dark to tell the light by.');
  if (most > LIGHTEST) throw new PotterError('tooLarge', 'patch', most, 'That spot is burnt out: take a darker grey.');
  if (most / least > MOST_COLOURED) throw new PotterError('impossible', 'patch', most / least, 'That spot is no grey: it is too coloured.');
  return [lightness / red, lightness / green, lightness / blue];
}
