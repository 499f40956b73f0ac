import { attempt, type Attempt } from '../checks/potter-error';
import type { ContactMethod } from '../coat/methods/equal-coats';
import type { PassReading } from '../coat/methods/pass-coats';
import { PASS_METHODS, type PassMethod } from '../coat/methods/pass-methods';
import type { CoatSituation } from '../coat/prediction/predict';
import { STATE_GUESSES } from '../coat/prediction/state-guesses';
import type { SlurryState } from '../slurry/slurry-state';
import type { CoatObservation } from './coat-evidence';
import { coatOfReading, type CoatReading } from './coat-reading';

/** A coat that was measured, as the records keep it. */
export interface MeasuredDip {
  id: string;
  body: Omit<CoatSituation, 'underMm' | 'underDryness' | 'wallTakenMm' | 'thirst' | 'firedUnder'> & {
    glazeId: string;
    bodyId: string;
    /** UTC, ISO 8601. */
    at: string;
    earthenware: boolean;
    /** A dip where it is left out. */
    method?: ContactMethod | PassMethod | undefined;
    /** How many, for methods in passes. */
    passes?: number | undefined;
    seconds: number;
    /** Nobody timed it: the seconds are those that were wanted. */
    secondsPlanned?: true | undefined;
    reading: CoatReading;
    /** Coat on the wall and water in it before. */
    before?: Pick<CoatSituation, 'underMm' | 'underDryness' | 'wallTakenMm' | 'thirst' | 'firedUnder'> | undefined;
    /** Why it does not count. */
    leftOut?: string | undefined;
  };
}

/**
 * Returns whether a coat was put on in passes: brushed, sponged or sprayed.
 *
 * @param method - how it was put on; undefined is a dip
 * @example
 * isPassMethod('spray') // true
 */
export const isPassMethod = (method: string | undefined): method is PassMethod => method !== undefined && method in PASS_METHODS;

/**
 * Returns the coat of a reading, mm, with the standard deviation of its logarithm; or why the reading says nothing.
 *
 * @param reading - weights in g and an area in cm², or a thickness in mm
 * @param glaze - `sg` of the slurry, `density` of its powder in g/mL, and the state of the slurry, which decides how densely a coat packs
 * @example
 * readCoat({ kind: 'thickness', coatMm: 0.5 }, { sg: 1.45, density: 2.6, state: 'normal' }) // { kind: 'ok', value: { coatMm: 0.5, lnSd: 0.2 } }
 */
export const readCoat = (
  reading: CoatReading,
  { sg, density, state }: { sg: number; density: number; state: SlurryState },
): Attempt<{ coatMm: number; lnSd: number }> => attempt(() => coatOfReading(reading, { sg, density, packing: STATE_GUESSES[state].packing }));

const counted = (dips: readonly MeasuredDip[]): MeasuredDip[] =>
  dips.filter((dip) => dip.body.leftOut === undefined).sort((a, b) => (a.body.at < b.body.at ? -1 : a.body.at > b.body.at ? 1 : 0));

/**
 * Returns the measured dips and pours that `learnCoats` learns from, oldest first. Left out are those with a reason not to count, those whose
 * reading says nothing, those nobody timed, and coats put on in passes.
 *
 * @param dips - all measured coats of the studio
 * @example
 * coatObservations([]) // []
 */
export function coatObservations(dips: readonly MeasuredDip[]): CoatObservation[] {
  return counted(dips).flatMap(({ id, body }): CoatObservation[] => {
    if (isPassMethod(body.method) || body.secondsPlanned) return [];
    const read = readCoat(body.reading, body);
    if (read.kind === 'refused') return [];
    const { glazeId, bodyId, seconds, sg, density, state, bisqueCone, earthenware, absorptionPercent, wallMm, faces, before } = body;
    const situation = { sg, density, state, bisqueCone, earthenware, absorptionPercent, wallMm, faces, ...before };
    return [{ id, glazeId, bodyId, seconds, situation, ...read.value }];
  });
}

/**
 * Returns the measured coats of one glaze that were put on in passes, oldest first.
 *
 * @param dips - all measured coats of the studio
 * @param glazeId - the glaze
 * @example
 * passReadings([], 'white') // []
 */
export function passReadings(dips: readonly MeasuredDip[], glazeId: string): PassReading[] {
  return counted(dips).flatMap(({ body }): PassReading[] => {
    if (body.glazeId !== glazeId || !isPassMethod(body.method) || body.passes === undefined) return [];
    const read = readCoat(body.reading, body);
    return read.kind === 'refused' ? [] : [{ method: body.method, passes: body.passes, ...read.value }];
  });
}
