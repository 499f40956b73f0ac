import { PRIOR_KNOWLEDGE, type CoatKnowledge } from '../coat/knowledge';
import { predictSeconds, predictCoat, BODY_DENSITY, type CoatSituation } from '../coat/predict';
import type { SecondsForCoat } from '../coat/seconds-for-coat';
import { absorptionGuessPercent, wallCapacityMm } from '../coat/suction';
import type { BodyFacts, GlazeFacts } from './piece-plan';
import { WAIT_MINUTES, type PieceStep } from './steps';

/** Water an exposed face gives back to the air, mm/h, in a usual room. */
export const EVAPORATION_MM_PER_HOUR = 0.06;
/** Dry through, hours. */
export const DRY_THROUGH_HOURS = 12;
/** Thickest loaded brush coat, mm. */
export const BRUSH_COAT_MM = 0.13;
/** A handle-dry coat still holds most of its water: this much of its pores drink again. A starting guess. */
const HANDLE_DRY_DRYNESS = 0.3;
/** A damp wipe leaves this much water in the wall, mm. */
const WIPE_WATER_MM = 0.05;

export interface TimedStep extends PieceStep {
  /** Seconds in the glaze for a dip or a pour; absent for wax, wiping and the brush. */
  dip?: SecondsForCoat;
  brushCoats?: number;
  /** Minutes before the next step may touch it. */
  waitMinutes: number;
  waitFor: 'handleDry' | 'dryThrough' | 'nothing';
  /** Share of the wall's water in use after this step, 0–1 and above when it is full. */
  wallUsed: number;
}

/**
 * Seconds and waits for steps in a given order. The wall is one reservoir of water shared by both faces: what the first
 * coat drank is missing for the next, and only evaporation brings it back.
 */
export function timeSteps(question: {
  steps: readonly PieceStep[];
  glazes: readonly GlazeFacts[];
  body: BodyFacts;
  wallMm: number;
  /** What the studio's own dips taught of a glaze on this body; starting guesses where it is not given. */
  knowledge?: (glaze: GlazeFacts) => CoatKnowledge;
}): TimedStep[] {
  const { steps, glazes, body, wallMm, knowledge = () => PRIOR_KNOWLEDGE } = question;
  const absorptionPercent = body.absorptionPercent ?? absorptionGuessPercent(body);
  const capacityMm = wallCapacityMm({ absorptionPercent, bodyDensity: BODY_DENSITY, wallMm, faces: 1 });
  let takenMm = 0;
  const coatOn: Record<string, number> = {};
  return steps.map((step) => {
    const glaze = step.layer && glazes.find((facts) => facts.bucketId === step.layer!.bucketId);
    let timed: TimedStep;
    if (!step.layer || !glaze) {
      if (step.kind === 'check') takenMm += WIPE_WATER_MM;
      const waitMinutes = step.kind === 'layer' ? WAIT_MINUTES[step.layer?.way ?? 'dip'] : WAIT_MINUTES[step.kind];
      timed = { ...step, waitMinutes, waitFor: waitMinutes > 0 ? 'handleDry' : 'nothing', wallUsed: takenMm / capacityMm };
    } else {
      const zone = step.zones.includes('outside') || step.zones.includes('rim') ? 'outer' : step.zones[0]!;
      const underMm = coatOn[zone] ?? 0;
      const situation: CoatSituation = {
        sg: glaze.sg,
        density: glaze.density,
        state: glaze.slurryState,
        bisqueCone: body.bisqueCone,
        earthenware: body.earthenware,
        absorptionPercent,
        wallMm,
        faces: step.zones.length === 2 ? 2 : 1,
        underMm,
        underDryness: HANDLE_DRY_DRYNESS,
        wallTakenMm: takenMm / (step.zones.length === 2 ? 2 : 1),
      };
      const known = knowledge(glaze);
      takenMm += waterFor(step, situation, known);
      const pairMm = underMm + step.layer.coatMm;
      coatOn[zone] = pairMm;
      timed = layerTimes(step, situation, known, pairMm, takenMm / capacityMm, Math.max(0, capacityMm - takenMm));
    }
    takenMm = Math.max(0, takenMm - (2 * EVAPORATION_MM_PER_HOUR * timed.waitMinutes) / 60);
    return timed;
  });
}

function layerTimes(step: PieceStep, situation: CoatSituation, known: CoatKnowledge, pairMm: number, wallUsed: number, roomMm: number): TimedStep {
  const { way, coatMm } = step.layer!;
  // Minutes × (coat/0.6) × clamp(0.5/room left, 0.5, 6): a full wall keeps the coat wet.
  const handleDry = WAIT_MINUTES[way] * (coatMm / 0.6) * Math.min(6, Math.max(0.5, 0.5 / Math.max(roomMm, 0.01)));
  const through = pairMm > 0.8 || wallUsed > 0.7;
  return {
    ...step,
    ...(way === 'brush' ? { brushCoats: Math.max(1, Math.round(coatMm / BRUSH_COAT_MM)) } : { dip: predictSeconds({ ...situation, coatMm }, known) }),
    handSeconds: way === 'brush' ? step.handSeconds * Math.max(1, Math.round(coatMm / BRUSH_COAT_MM)) : step.handSeconds,
    waitMinutes: Math.max(1, Math.round(handleDry)),
    waitFor: through ? 'dryThrough' : 'handleDry',
    wallUsed,
  };
}

/** Water this coat leaves in the wall, mm, both faces counted once each. */
function waterFor(step: PieceStep, situation: CoatSituation, known: CoatKnowledge): number {
  const wanted = predictSeconds({ ...situation, coatMm: step.layer!.coatMm }, known);
  const seconds = wanted.kind === 'ok' ? wanted.seconds : wanted.kind === 'filmAlreadyExceeds' ? 0.5 : 10;
  const { coat } = predictCoat({ ...situation, seconds }, known);
  return coat.kind === 'ok' ? coat.waterTakenMm * step.zones.length : 0;
}
