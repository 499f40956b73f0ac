import { EVAPORATION_GUESS } from '../care/lid';
import type { Suspension } from '../../powder/behaviour';
import { powderToThicken, slurryToBlend, waterToPourOff, waterToThin } from '../../slurry/into-range';
import { planCorrection, FIRST_STAGE_SHARE } from '../../slurry/correction-plan';

/** Another bucket of the same glaze. */
export interface OtherBucket {
  id: string;
  code: string;
  sg: number;
  volumeMl: number;
}

export interface CorrectionOptionsQuestion {
  volumeMl: number;
  sg: number;
  sgSd: number;
  sgLow: number;
  sgHigh: number;
  density: number;
  capacityMl: number;
  surfaceCm2: number;
  waterGrams: number;
  suspension: Suspension;
  /** Powders of the recipe that go into solution: water poured off would carry them away. */
  soluble: readonly string[];
  others: readonly OtherBucket[];
}

/** What prevents one correction; empty when nothing does. */
export type CorrectionObstacle = 'overflows' | 'soluble' | 'doesNotClear' | 'notEnoughOther' | 'moreThanItsWater';

interface CorrectionHead {
  /** All of it, and what goes first: four fifths, then stir and measure. */
  allMl: number;
  firstMl: number;
  newVolumeMl: number;
  /** Time before the rest can be measured. */
  minutes: number;
  blocks: CorrectionObstacle[];
}

export type Correction =
  | (CorrectionHead & { kind: 'water' })
  | (CorrectionHead & { kind: 'pourOff' })
  | (CorrectionHead & { kind: 'evaporate'; days: number })
  | (CorrectionHead & { kind: 'powder'; grams: number; firstGrams: number })
  | (CorrectionHead & { kind: 'otherBucket'; other: OtherBucket });

export type CorrectionOptions =
  | { kind: 'inRange' }
  | { kind: 'measureBetter'; off: number; neededSd: number }
  | { kind: 'options'; side: 'tooThick' | 'tooThin'; options: Correction[] };

/** Minutes until clear water stands on top, by how the powder stays up: starting guesses. A glaze that holds hardly clears at all. */
export const SETTLING_MINUTES: Readonly<Record<Suspension, number>> = { hardPans: 30, settles: 90, holds: 24 * 60 };
const STIR_MINUTES = 5;
/** Powder that is sprinkled in must soak before it can be stirred and sieved. */
const POWDER_MINUTES = 30;

/**
 * Returns every option to bring a bucket to the middle of its range, each with what it costs and what prevents it. Those that nothing
 * prevents come first, the quickest before the others.
 *
 * @param question - the bucket, its range, and other buckets of the same glaze
 * @throws PotterError for an SG that no slurry has
 * @example
 * correctionOptions({ volumeMl: 10_000, sg: 1.52, sgSd: 0.005, sgLow: 1.43, sgHigh: 1.47, density: 2.6, capacityMl: 15_000, surfaceCm2: 700, waterGrams: 7000, suspension: 'holds', soluble: [], others: [] }).kind
 * // 'options'
 */
export function correctionOptions(question: CorrectionOptionsQuestion): CorrectionOptions {
  const { volumeMl, sg, sgSd, sgLow, sgHigh } = question;
  const targetSg = (sgLow + sgHigh) / 2;
  const plan = planCorrection({ volumeMl, sg, sgSd, targetSg, tolerance: (sgHigh - sgLow) / 2 });
  if (plan.kind === 'inRange') return { kind: 'inRange' };
  if (plan.kind === 'measureBetter') return plan;
  const side = plan.kind === 'thin' ? 'tooThick' : 'tooThin';
  const options = side === 'tooThick' ? [water(question, targetSg), ...others(question, targetSg, side)] : thickening(question, targetSg);
  return { kind: 'options', side, options: options.sort((a, b) => a.blocks.length - b.blocks.length || a.minutes - b.minutes) };
}

function water({ volumeMl, sg, capacityMl }: CorrectionOptionsQuestion, targetSg: number): Correction {
  const allMl = waterToThin({ volumeMl, sg, targetSg });
  return { kind: 'water', ...head(allMl, volumeMl + allMl, STIR_MINUTES, capacityMl) };
}

function thickening(question: CorrectionOptionsQuestion, targetSg: number): Correction[] {
  const { volumeMl, sg, density, capacityMl, suspension, soluble, surfaceCm2, waterGrams } = question;
  const offMl = waterToPourOff({ volumeMl, sg, targetSg });
  const grams = powderToThicken({ volumeMl, sg, targetSg, density });
  const days = offMl / (EVAPORATION_GUESS.open * surfaceCm2);
  const tooMuch: CorrectionObstacle[] = offMl > waterGrams ? ['moreThanItsWater'] : [];
  const pourOff = head(offMl, volumeMl - offMl, SETTLING_MINUTES[suspension], capacityMl);
  pourOff.blocks.push(
    ...tooMuch,
    ...(soluble.length > 0 ? (['soluble'] as const) : []),
    ...(suspension === 'holds' ? (['doesNotClear'] as const) : []),
  );
  const evaporate = head(offMl, volumeMl - offMl, days * 24 * 60, capacityMl);
  evaporate.blocks.push(...tooMuch);
  return [
    { kind: 'pourOff', ...pourOff },
    {
      kind: 'powder',
      grams,
      firstGrams: FIRST_STAGE_SHARE * grams,
      ...head(grams / density, volumeMl + grams / density, POWDER_MINUTES, capacityMl),
    },
    ...others(question, targetSg, 'tooThin'),
    { kind: 'evaporate', days, ...evaporate },
  ];
}

/** Glaze of the same kind in another bucket, on the other side of the wanted SG. */
function others(
  { volumeMl, sg, capacityMl, others: buckets }: CorrectionOptionsQuestion,
  targetSg: number,
  side: 'tooThick' | 'tooThin',
): Correction[] {
  return buckets
    .filter((other) => (side === 'tooThin' ? other.sg > targetSg + 0.005 : other.sg < targetSg - 0.005 && other.sg > 1))
    .map((other) => {
      // Thinning with a thinner bucket is the same balance from the other side: V(d − t)/(t − e).
      const allMl =
        side === 'tooThin' ? slurryToBlend({ volumeMl, sg, targetSg, otherSg: other.sg }) : (volumeMl * (sg - targetSg)) / (targetSg - other.sg);
      const correction = head(allMl, volumeMl + allMl, STIR_MINUTES, capacityMl);
      if (allMl > other.volumeMl) correction.blocks.push('notEnoughOther');
      return { kind: 'otherBucket', other, ...correction } as const;
    });
}

function head(allMl: number, newVolumeMl: number, minutes: number, capacityMl: number): CorrectionHead {
  return { allMl, firstMl: FIRST_STAGE_SHARE * allMl, newVolumeMl, minutes, blocks: newVolumeMl > capacityMl ? ['overflows'] : [] };
}

export type Thickness = 'thick' | 'right' | 'thin';
export type TwoTargets =
  | 'right'
  /** SG always comes first: it decides the coat. */
  | 'water'
  | 'waterThenSalts'
  | 'thicken'
  | 'thickenThenSilicate'
  | 'salts'
  | 'silicate';

/**
 * Returns how SG and the liquid are brought right together: SG by water or powder first, then the liquid by salts or silicate.
 *
 * @param question - `sg` and `liquid`, each thick, right or thin
 * @example
 * twoTargets({ sg: 'thick', liquid: 'thin' }) // 'waterThenSalts'
 */
export function twoTargets({ sg, liquid }: { sg: Thickness; liquid: Thickness }): TwoTargets {
  if (sg === 'thick') return liquid === 'thick' ? 'water' : 'waterThenSalts';
  if (sg === 'thin') return liquid === 'thin' ? 'thicken' : 'thickenThenSilicate';
  return liquid === 'thick' ? 'silicate' : liquid === 'thin' ? 'salts' : 'right';
}
