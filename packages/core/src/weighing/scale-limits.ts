import { PotterError } from '../checks/potter-error';
import { requirePositive } from '../checks/require';

/** A line should be weighed to 2 % or better: beyond that its colour changes. */
export const LARGEST_WEIGHING_ERROR = 0.02;

export type LineOnScale = { kind: 'fine'; error: number; loads: number } | { kind: 'tooSmall'; error: number; loads: 1; baseFactor: number };

export interface ScaleLimits {
  name: string;
  divisionGrams: number;
  capacityGrams: number;
}

/** How a batch is weighed: on which scale, in which pan, and whether the pan is emptied after each line. */
export interface BatchPan {
  /** Weight of the empty pan, g: the scale carries it too. */
  panGrams: number;
  /** One scale for all of it; the finest that holds each line when left out. */
  scaleId?: string | undefined;
  emptied: 'eachLine' | 'whenFull';
}

/** What a scale still holds with the pan on it, g; 0 where the pan alone is too heavy. */
const roomGrams = ({ capacityGrams }: { capacityGrams: number }, panGrams: number): number => Math.max(0, capacityGrams - panGrams);

/**
 * Returns what the scale makes of one line: a relative error of half a division/target, and loads where it exceeds what the scale holds besides
 * the pan. `baseFactor` is how much larger the batch must be for this line to come within 2 %.
 *
 * @param line - `targetGrams`, `divisionGrams` and `capacityGrams`, above 0; `panGrams`, below the capacity, 0 when left out
 * @throws PotterError for 0 or less, or a pan as heavy as the scale can carry
 * @example
 * lineOnScale({ targetGrams: 274, divisionGrams: 0.01, capacityGrams: 300, panGrams: 80 }).loads // 2
 */
export function lineOnScale(line: { targetGrams: number; divisionGrams: number; capacityGrams: number; panGrams?: number | undefined }): LineOnScale {
  const error = requirePositive('divisionGrams', line.divisionGrams) / 2 / requirePositive('targetGrams', line.targetGrams);
  if (error > LARGEST_WEIGHING_ERROR) return { kind: 'tooSmall', error, loads: 1, baseFactor: error / LARGEST_WEIGHING_ERROR };
  const room = roomGrams({ capacityGrams: requirePositive('capacityGrams', line.capacityGrams) }, line.panGrams ?? 0);
  if (room <= 0) throw panTooHeavy(line.panGrams ?? 0, line.capacityGrams);
  return { kind: 'fine', error, loads: Math.ceil(line.targetGrams / room) };
}

/**
 * Returns the scale to weigh a line on: the finest that holds it in one load besides the pan, else the one that needs the fewest loads.
 *
 * @param question - `targetGrams`, above 0; `scales`, at least one; `panGrams`, weight of the empty pan, 0 when left out
 * @throws PotterError when there is no scale, or none that carries the pan
 * @example
 * scaleFor({ targetGrams: 274, panGrams: 80, scales: [{ divisionGrams: 0.01, capacityGrams: 300 }, { divisionGrams: 0.1, capacityGrams: 6000 }] }).divisionGrams
 * // 0.1
 */
export function scaleFor<Scale extends ScaleLimits>({
  targetGrams,
  scales,
  panGrams = 0,
}: {
  targetGrams: number;
  scales: readonly Scale[];
  panGrams?: number | undefined;
}): Scale {
  if (scales.length === 0) throw new PotterError('emptyList', 'scales', 0, 'The studio has no scale: note one on the studio page.');
  const loads = (scale: Scale): number => Math.ceil(targetGrams / roomGrams(scale, panGrams));
  const [first] = scales.filter((scale) => roomGrams(scale, panGrams) > 0).sort((a, b) => loads(a) - loads(b) || a.divisionGrams - b.divisionGrams);
  if (!first) throw panTooHeavy(panGrams, Math.max(...scales.map((scale) => scale.capacityGrams)));
  return first;
}

/**
 * Returns the scale for a line of a batch: the one that was chosen for all of it; one for the whole where the pan stays on it and is filled on; else
 * the finest that holds the line.
 *
 * @param question - `targetGrams` of the line and `totalGrams` of the batch, above 0; `scales` of the studio; `pan`, as the batch says
 * @throws PotterError when there is no scale, or none that carries the pan
 * @example
 * scaleForLine({ targetGrams: 5, totalGrams: 500, pan: { panGrams: 0, emptied: 'whenFull' }, scales: [{ id: 'f', divisionGrams: 0.01, capacityGrams: 300 }, { id: 'c', divisionGrams: 0.1, capacityGrams: 6000 }] }).id
 * // 'c'
 */
export function scaleForLine<Scale extends ScaleLimits & { id: string }>({
  targetGrams,
  totalGrams,
  scales,
  pan,
}: {
  targetGrams: number;
  totalGrams: number;
  scales: readonly Scale[];
  pan: BatchPan | undefined;
}): Scale {
  const chosen = scales.find((scale) => scale.id === pan?.scaleId);
  return chosen ?? scaleFor({ targetGrams: pan?.emptied === 'whenFull' ? totalGrams : targetGrams, scales, panGrams: pan?.panGrams });
}

/**
 * Returns what lies in a pan that is filled on line after line, before the next one; it is emptied when that one would not fit.
 *
 * @param question - `weighedGrams` of the lines so far, oldest first; `targetGrams` of the next; `roomGrams`, what the scale holds besides the pan
 * @example
 * inPanBefore({ weighedGrams: [200, 150], targetGrams: 100, roomGrams: 400 }) // { grams: 0, emptyFirst: true }
 */
export function inPanBefore({
  weighedGrams,
  targetGrams,
  roomGrams: room,
}: {
  weighedGrams: readonly number[];
  targetGrams: number;
  roomGrams: number;
}): {
  grams: number;
  emptyFirst: boolean;
} {
  let grams = 0;
  for (const next of weighedGrams) grams = grams + next > room ? next : grams + next;
  const fits = grams + targetGrams <= room;
  return { grams: fits ? grams : 0, emptyFirst: !fits && grams > 0 };
}

const panTooHeavy = (panGrams: number, capacityGrams: number): PotterError =>
  new PotterError(
    'tooLarge',
    'panGrams',
    panGrams,
    `The empty pan weighs ${panGrams} g, and the scale carries ${capacityGrams} g: take a lighter pan or another scale.`,
  );
