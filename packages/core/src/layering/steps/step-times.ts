import { PRIOR_KNOWLEDGE, type CoatKnowledge } from '../../coat/prediction/knowledge';
import { predictSeconds, predictCoat, type CoatSituation } from '../../coat/prediction/predict';
import type { SecondsForCoat } from '../../coat/prediction/seconds-for-coat';
import { DRY_THROUGH_HOURS, dryWall, faceNow, wallUsed, WIPE_WATER_MM, type Face } from '../../coat/wall/wall-state';
import { coatedAt, placeOf, waitedAt, wallAt, wallWithPlaces, type WallWithPlaces } from './places-apart';
import type { ContactMethod } from '../../coat/methods/equal-coats';
import { tooShortForHands } from '../../coat/methods/shortest-time';
import { PASS_METHODS } from '../../coat/methods/pass-methods';
import { WAIT_MINUTES, type PieceStep } from './steps';
import { TRAILED_LINE_MM } from '../../plan/change-method';
import type { ApplicationMethod } from '../../coat/methods/application-method';
import type { BodyFacts, GlazeFacts } from '../../plan/facts';

/** Thickest loaded brush coat, mm. */
type Bath = 'dip' | 'halfDips' | 'pour';
export const BRUSH_COAT_MM = PASS_METHODS.brushLoaded.guessMm;
/** Dry coat of one pass, for methods that build up, mm. A rubbed wash is one pass. */
const PASS_MM: Record<Exclude<ApplicationMethod, Bath>, number> = {
  brush: BRUSH_COAT_MM,
  spray: PASS_METHODS.spray.guessMm,
  sponge: PASS_METHODS.sponge.guessMm,
  trail: TRAILED_LINE_MM,
  rub: Infinity,
};
const isBath = (method: ApplicationMethod): method is Bath => method === 'dip' || method === 'halfDips' || method === 'pour';
/** A coat that would be on before hands are out again. */
export interface ShortestStepTime {
  wantedSeconds: number;
  shortestSeconds: number;
  /** Coat that the shortest time gives, mm. */
  givesMm: number;
  /** SG at which the planned coat takes the shortest time, and the water for it; left out where thinning does not do it. */
  thinner?: { sg: number; waterMlPerLitre: number };
}

export interface TimedStep extends PieceStep {
  /** Seconds in the glaze for a dip or a pour, no fewer than hands can do; left out for wax, wiping and passes. */
  dip?: SecondsForCoat;
  /** The planned coat would take less time than hands can do: what the shortest time gives, and what would make it possible. */
  tooShort?: ShortestStepTime;
  /** Passes of brush, spray or sponge. */
  brushCoats?: number;
  /** Minutes before the next step may touch it. */
  waitMinutes: number;
  waitFor: 'handleDry' | 'dryThrough' | 'nothing';
  /** Share of the wall's water in use after this step, 0–1, and more when it is full. */
  wallUsed: number;
}

/**
 * Returns seconds and waits for steps in a given order. The wall is one reservoir of water for both faces: what the first coat drank is
 * missing for the next, and only evaporation brings it back. Waits are starting guesses.
 *
 * @param question - `steps` in order; `glazes`; `body`; `wallMm`, above 0; `knowledge` of a glaze, starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * timeSteps({ steps: stepsOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] } }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false }, wallMm: 4 }).find((step) => step.layer).dip.kind
 * // 'ok'
 */
export function timeSteps(question: {
  steps: readonly PieceStep[];
  glazes: readonly GlazeFacts[];
  body: BodyFacts;
  wallMm: number;
  /** What the studio's own dips taught of a glaze on this body; starting guesses when left out. */
  knowledge?: (glaze: GlazeFacts) => CoatKnowledge;
}): TimedStep[] {
  const { steps, glazes, body, wallMm, knowledge = () => PRIOR_KNOWLEDGE } = question;
  const wall = { ...body, wallMm };
  let state = wallWithPlaces(dryWall(wall), steps);
  /** The last coat, and the wall after it. */
  let last: { at: number; state: WallWithPlaces } | undefined;
  const done: TimedStep[] = [];
  for (const step of steps) {
    const glaze = step.layer && glazes.find((facts) => facts.bucketId === step.layer!.bucketId);
    if (!step.layer || !glaze) {
      const wetMm = (step.wetShare ?? 0) * state.wall.capacityMm + (step.kind === 'check' ? WIPE_WATER_MM : 0);
      if (wetMm > 0) state = { ...state, wall: { ...state.wall, takenMm: Math.min(state.wall.capacityMm, state.wall.takenMm + wetMm) } };
      const waitMinutes = step.kind === 'layer' ? WAIT_MINUTES[step.layer?.method ?? 'dip'] : WAIT_MINUTES[step.kind];
      done.push({ ...step, waitMinutes, waitFor: waitMinutes > 0 ? 'handleDry' : 'nothing', wallUsed: wallUsed(state.wall) });
      state = waitedAt(state, waitMinutes);
      continue;
    }
    const faces = facesOf(step);
    const place = placeOf(state, step);
    // Rule O5: over a thick pair, or on a full wall, the next coat waits until all is dry through.
    const pairMm = faceNow(wallAt(state, place), faces).underMm + step.layer.coatMm;
    const isOver = pairMm > step.layer.coatMm;
    if (last && ((isOver && pairMm > THICK_PAIR_MM) || wallUsed(last.state.wall) > FULL_SHARE)) {
      done[last.at] = { ...done[last.at]!, waitFor: 'dryThrough' };
      state = waitedAt(last.state, DRY_THROUGH_HOURS * 60);
    }
    const situation: CoatSituation = { ...glaze, state: glaze.slurryState, ...wall, ...faceNow(wallAt(state, place), faces) };
    const known = knowledge(glaze);
    const tooShort = tooShortStep(step, situation, known);
    const coatMm = tooShort?.givesMm ?? step.layer.coatMm;
    const { waterMm, full } = waterFor(coatMm, situation, known);
    state = coatedAt(state, place, { faces, coatMm, waterMm, full });
    last = { at: done.length, state };
    const timed = layerTimes(step, {
      situation,
      known,
      tooShort,
      used: wallUsed(state.wall),
      roomMm: Math.max(0, state.wall.capacityMm - state.wall.takenMm),
    });
    done.push(timed);
    state = waitedAt(state, timed.waitMinutes);
  }
  return done;
}

/** When coats are thicker together than this, or more of the wall's water is in use than this share, they must be dry through before the next. */
const THICK_PAIR_MM = 0.8;
const FULL_SHARE = 0.7;

/** A rim band and a foot lie on the outside; a dip of inside and outside touches both. */
function facesOf({ zones, face }: PieceStep): Face[] {
  const inside = zones.includes('inside') || face === 'inside';
  const outside = face === undefined && zones.some((zone) => zone !== 'inside');
  return [...(inside ? (['inside'] as const) : []), ...(outside ? (['outside'] as const) : [])];
}

/** Poured over the outside is as quick as a ladle; poured in, the glaze is rolled round and out again. */
function contactOf({ layer, zones }: PieceStep): ContactMethod {
  if (layer!.method === 'dip' || layer!.method === 'halfDips') return 'dip';
  return zones.includes('inside') ? 'pour' : 'ladle';
}

function tooShortStep(step: PieceStep, situation: CoatSituation, known: CoatKnowledge): ShortestStepTime | undefined {
  const { method, coatMm } = step.layer!;
  if (!isBath(method)) return undefined;
  const bucket = { sg: situation.sg, volumeMl: 1000 };
  const wanted = predictSeconds({ ...situation, coatMm }, known);
  const short = tooShortForHands({ ...situation, coatMm, method: contactOf(step), bucket }, known);
  if (!short || wanted.kind !== 'ok' || short.atShortest.coat.kind !== 'ok') return undefined;
  const { shortestSeconds, thinner } = short;
  return {
    wantedSeconds: wanted.seconds,
    shortestSeconds,
    givesMm: short.atShortest.coat.coatMm,
    ...(thinner && thinner.waterMl > 0 ? { thinner: { sg: thinner.sg, waterMlPerLitre: thinner.waterMl } } : {}),
  };
}

interface LayerQuestion {
  situation: CoatSituation;
  known: CoatKnowledge;
  tooShort: ShortestStepTime | undefined;
  /** Share of the wall's water in use after it. */
  used: number;
  roomMm: number;
}

function layerTimes(step: PieceStep, { situation, known, tooShort, used, roomMm }: LayerQuestion): TimedStep {
  const { method } = step.layer!;
  const coatMm = tooShort?.givesMm ?? step.layer!.coatMm;
  // Minutes × (coat/0.6) × clamp(0.5/room left, 0.5, 6): a full wall keeps the coat wet.
  const handleDry = WAIT_MINUTES[method] * (coatMm / 0.6) * Math.min(6, Math.max(0.5, 0.5 / Math.max(roomMm, 0.01)));
  const passes = isBath(method) ? 0 : Math.max(1, Math.round(coatMm / PASS_MM[method]));
  return {
    ...step,
    ...(isBath(method) ? { dip: bathSeconds() } : { brushCoats: passes }),
    ...(tooShort ? { tooShort } : {}),
    laborSeconds: step.laborSeconds * Math.max(1, passes),
    waitMinutes: Math.max(1, Math.round(handleDry)),
    waitFor: 'handleDry',
    wallUsed: used,
  };

  function bathSeconds(): SecondsForCoat {
    return tooShort ? { kind: 'ok', seconds: tooShort.shortestSeconds } : predictSeconds({ ...situation, coatMm }, known);
  }
}

/** Water that a face drinks for this coat, mm, and whether the wall is full then. */
function waterFor(coatMm: number, situation: CoatSituation, known: CoatKnowledge): { waterMm: number; full: boolean } {
  const wanted = predictSeconds({ ...situation, coatMm }, known);
  const seconds = wanted.kind === 'ok' ? wanted.seconds : wanted.kind === 'filmAlreadyExceeds' ? 0.5 : 10;
  const { coat } = predictCoat({ ...situation, seconds }, known);
  return coat.kind === 'ok' ? { waterMm: coat.waterTakenMm, full: coat.saturated } : { waterMm: 0, full: false };
}
