import { PotterError } from '../../checks/potter-error';
import { requireNotNegative, requirePositive } from '../../checks/require';
import { MOST_BENTONITE_PERCENT } from '../../powder/behaviour';
import { sgOfMix } from '../../slurry/mix';

/** Bentonite, percent of the dry glaze, and the hot water it slakes in first, mL a gram. */
export const BENTONITE = { mostPercent: MOST_BENTONITE_PERCENT, usualPercent: 1, waterMlPerGram: 10 } as const;
/** Gum solution of 1.5 %: most per litre of a dipping glaze. About ten times that makes a brushing glaze of it. */
export const GUM = { mostMlPerLitre: 30, brushingTimes: 10, usualMlPerLitre: 15 } as const;

export interface BentonitePlan {
  grams: number;
  waterMl: number;
  /** Bentonite in all, with what the recipe and earlier cures hold, percent of the other dry powder. */
  percentAfter: number;
  overMost: boolean;
  sgAfter: number;
  newVolumeMl: number;
}

/**
 * Returns the bentonite to stir in, the hot water it is slaked in, and what that does to the SG.
 *
 * @param question - `dryGrams`, `waterGrams` and `density` of the bucket; `insideGrams` of bentonite already in it; `percent` of the dry
 * glaze; `bentoniteDensity`, g/mL; `waterMlPerGram`
 * @throws PotterError for what lies outside
 * @example
 * planBentonite({ dryGrams: 1000, waterGrams: 1000, density: 2.6, insideGrams: 0, percent: 1, bentoniteDensity: 2.5 }).grams // 10
 */
export function planBentonite(question: {
  dryGrams: number;
  waterGrams: number;
  density: number;
  insideGrams: number;
  percent: number;
  bentoniteDensity: number;
  waterMlPerGram?: number;
}): BentonitePlan {
  const { dryGrams, waterGrams, density, insideGrams, percent, bentoniteDensity, waterMlPerGram = BENTONITE.waterMlPerGram } = question;
  const grams = (requirePositive('dryGrams', dryGrams - insideGrams) * requirePositive('percent', percent)) / 100;
  const waterMl = grams * requireNotNegative('waterGrams', waterMlPerGram);
  const powderMl = dryGrams / density + grams / requirePositive('density', bentoniteDensity);
  const allDry = dryGrams + grams;
  const percentAfter = (100 * (insideGrams + grams)) / (dryGrams - insideGrams);
  return {
    grams,
    waterMl,
    percentAfter,
    overMost: percentAfter > BENTONITE.mostPercent + 1e-9,
    sgAfter: sgOfMix({ dryGrams: allDry, waterGrams: waterGrams + waterMl, density: allDry / powderMl }),
    newVolumeMl: powderMl + waterGrams + waterMl,
  };
}

export interface GumPlan {
  millilitres: number;
  /** In all, per litre of glaze. */
  perLitreAfter: number;
  overMost: boolean;
  /** Water that may go in with it; never more than the gum solution itself. */
  mostWaterMl: number;
}

/**
 * Returns the gum solution to stir in.
 *
 * @param question - `volumeMl` of the bucket, above 0; `insideMl`, already in it; `mlPerLitre`, the wanted dose; `forBrushing`
 * @throws PotterError for a dose that makes a brushing glaze of a dipping one, unless that is wanted
 * @example
 * planGum({ volumeMl: 5000, insideMl: 0, mlPerLitre: 10, forBrushing: false }).millilitres // 50
 */
export function planGum(question: { volumeMl: number; insideMl: number; mlPerLitre: number; forBrushing: boolean }): GumPlan {
  const { volumeMl, insideMl, mlPerLitre, forBrushing } = question;
  const litres = requirePositive('volumeMl', volumeMl) / 1000;
  const millilitres = requirePositive('volumeMl', mlPerLitre) * litres;
  const perLitreAfter = (requireNotNegative('volumeMl', insideMl) + millilitres) / litres;
  const most = GUM.mostMlPerLitre * (forBrushing ? GUM.brushingTimes : 1);
  if (perLitreAfter > 2 * most) {
    throw new PotterError(
      'tooLarge',
      'volumeMl',
      mlPerLitre,
      `That is ${Math.round(perLitreAfter)} mL a litre: past ${most} it no longer dries on the pot.`,
    );
  }
  return { millilitres, perLitreAfter, overMost: perLitreAfter > most + 1e-9, mostWaterMl: millilitres };
}
