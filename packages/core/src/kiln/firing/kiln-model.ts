import { requireNotNegative, requirePositive } from '../../checks/require';
import type { KilnChamber } from '../kiln';

/** An electric kiln as two masses that exchange heat: what stands in it with its furniture, and its brick. */
export interface KilnModel {
  /** With all elements on, W. */
  powerWatts: number;
  /** Of the heat of the elements, what the ware takes at once; the rest goes into the brick. */
  wareShare: number;
  wareJoulePerKelvin: number;
  brickJoulePerKelvin: number;
  /** Between ware and brick, from brick to room, and from the ware out of an open door, W per K. */
  exchangeWattsPerKelvin: number;
  lossWattsPerKelvin: number;
  doorWattsPerKelvin: number;
  roomCelsius: number;
}

/** How hot its two masses are, and what went in and out since the start, J. */
export interface KilnHeat {
  wareCelsius: number;
  brickCelsius: number;
  inJoule: number;
  lostJoule: number;
}

/** Fired clay, shelves and brick take about this much heat, J per kg and K. */
const HEAT_CAPACITY = 1_050;
/** Inner brick that heats with the ware: so deep, of such density, m and kg/m³. */
const BRICK_DEEP_M = 0.075;
const BRICK_DENSITY = 800;
/** Shelves and posts, kg for each m³ of chamber. */
const FURNITURE_DENSITY = 110;
/** At its hottest a kiln holds its temperature with this share of its power. */
const HOLDING_SHARE = 0.6;
const USUAL_MOST_CELSIUS = 1_280;
const USUAL_WATTS_PER_M3 = 60_000;
/** The longest step of the integration, s. */
const MOST_STEP_SECONDS = 10;
const ROOM_CELSIUS = 20;

/** What of a kiln its model is made from. */
export interface KilnToModel {
  chamber: KilnChamber;
  powerWatts?: number | undefined;
  mostCelsius?: number | undefined;
}

/**
 * Returns a kiln as two masses, guessed from its card and its load: a starting guess, good to a third or so, until its logs tell.
 *
 * @param kiln - its chamber, power and hottest
 * @param loadGrams - of what stands in it, without furniture
 * @throws PotterError where a size or weight is none
 * @example
 * kilnModel({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, powerWatts: 6000 }, 10_000).powerWatts // 6000
 */
export function kilnModel({ chamber, powerWatts, mostCelsius = USUAL_MOST_CELSIUS }: KilnToModel, loadGrams: number): KilnModel {
  requireNotNegative('grams', loadGrams);
  const { m3, wallM2 } = insideOf(chamber);
  const watts = powerWatts ?? USUAL_WATTS_PER_M3 * m3;
  requirePositive('powerWatts', watts);
  const brickKg = wallM2 * BRICK_DEEP_M * BRICK_DENSITY;
  const wareKg = loadGrams / 1_000 + FURNITURE_DENSITY * m3;
  return {
    powerWatts: watts,
    wareShare: 0.6,
    wareJoulePerKelvin: wareKg * HEAT_CAPACITY,
    brickJoulePerKelvin: brickKg * HEAT_CAPACITY,
    // Within some ten minutes what stands in a kiln follows its wall.
    exchangeWattsPerKelvin: (Math.min(wareKg, brickKg) * HEAT_CAPACITY) / 1_200,
    lossWattsPerKelvin: (HOLDING_SHARE * watts) / (mostCelsius - ROOM_CELSIUS),
    doorWattsPerKelvin: (0.5 * watts) / (mostCelsius - ROOM_CELSIUS),
    roomCelsius: ROOM_CELSIUS,
  };
}

/**
 * Returns how much longer a full kiln cools than an empty one: 1 + 0.8 × load / (furniture and inner brick).
 *
 * Source: science §9.
 *
 * @param kiln - its chamber
 * @param loadGrams - of what stands in it, without furniture
 * @throws PotterError where a weight is none
 * @example
 * fullnessFactor({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 } }, 0) // 1
 */
export function fullnessFactor({ chamber }: Pick<KilnToModel, 'chamber'>, loadGrams: number): number {
  requireNotNegative('grams', loadGrams);
  const { m3, wallM2 } = insideOf(chamber);
  return 1 + (0.8 * loadGrams) / 1_000 / (FURNITURE_DENSITY * m3 + wallM2 * BRICK_DEEP_M * BRICK_DENSITY);
}

/**
 * Returns a kiln some seconds later. What goes in is what is stored and what is lost, to rounding: the steps keep every balance that is linear.
 *
 * @param heat - before
 * @param model - of the kiln
 * @param during - `share` of the power, 0–1, `seconds`, and whether the door is open
 * @throws PotterError for a share or time below 0
 * @example
 * heatAfter({ wareCelsius: 20, brickCelsius: 20, inJoule: 0, lostJoule: 0 }, kilnModel({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, powerWatts: 6000 }, 0), { share: 1, seconds: 60 }).inJoule
 * // 360000
 */
export function heatAfter(
  heat: KilnHeat,
  model: KilnModel,
  { share, seconds, isDoorOpen = false }: { share: number; seconds: number; isDoorOpen?: boolean },
): KilnHeat {
  requireNotNegative('share', share);
  requireNotNegative('seconds', seconds);
  const steps = Math.max(1, Math.ceil(seconds / MOST_STEP_SECONDS));
  const step = seconds / steps;
  let now = heat;
  for (let at = 0; at < steps; at++) now = afterStep(now, model, { watts: share * model.powerWatts, isDoorOpen }, step);
  return now;
}

/** Runge–Kutta of fourth order, over both masses and both sums. */
function afterStep(heat: KilnHeat, model: KilnModel, during: { watts: number; isDoorOpen: boolean }, seconds: number): KilnHeat {
  const first = flowOf(heat, model, during);
  const second = flowOf(moved(heat, first, seconds / 2), model, during);
  const third = flowOf(moved(heat, second, seconds / 2), model, during);
  const last = flowOf(moved(heat, third, seconds), model, during);
  const mean = (key: keyof KilnHeat): number => (first[key] + 2 * second[key] + 2 * third[key] + last[key]) / 6;
  return moved(
    heat,
    { wareCelsius: mean('wareCelsius'), brickCelsius: mean('brickCelsius'), inJoule: mean('inJoule'), lostJoule: mean('lostJoule') },
    seconds,
  );
}

/** What changes in a second. */
function flowOf({ wareCelsius, brickCelsius }: KilnHeat, model: KilnModel, { watts, isDoorOpen }: { watts: number; isDoorOpen: boolean }): KilnHeat {
  const toBrick = model.exchangeWattsPerKelvin * (wareCelsius - brickCelsius);
  const throughDoor = isDoorOpen ? model.doorWattsPerKelvin * (wareCelsius - model.roomCelsius) : 0;
  const throughBrick = model.lossWattsPerKelvin * (brickCelsius - model.roomCelsius);
  return {
    wareCelsius: (model.wareShare * watts - toBrick - throughDoor) / model.wareJoulePerKelvin,
    brickCelsius: ((1 - model.wareShare) * watts + toBrick - throughBrick) / model.brickJoulePerKelvin,
    inJoule: watts,
    lostJoule: throughDoor + throughBrick,
  };
}

const moved = (heat: KilnHeat, perSecond: KilnHeat, seconds: number): KilnHeat => ({
  wareCelsius: heat.wareCelsius + perSecond.wareCelsius * seconds,
  brickCelsius: heat.brickCelsius + perSecond.brickCelsius * seconds,
  inJoule: heat.inJoule + perSecond.inJoule * seconds,
  lostJoule: heat.lostJoule + perSecond.lostJoule * seconds,
});

/**
 * Returns the heat that is stored in a kiln over its room, J.
 *
 * @param heat - how hot it is
 * @param model - of the kiln
 * @example
 * storedJoule({ wareCelsius: 20, brickCelsius: 20, inJoule: 0, lostJoule: 0 }, kilnModel({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 } }, 0)) // 0
 */
export const storedJoule = ({ wareCelsius, brickCelsius }: KilnHeat, model: KilnModel): number =>
  model.wareJoulePerKelvin * (wareCelsius - model.roomCelsius) + model.brickJoulePerKelvin * (brickCelsius - model.roomCelsius);

function insideOf(chamber: KilnChamber): { m3: number; wallM2: number } {
  const high = chamber.heightMm / 1_000;
  if (chamber.kind === 'round') {
    const radius = requirePositive('diameterMm', chamber.diameterMm) / 2_000;
    return { m3: Math.PI * radius ** 2 * high, wallM2: 2 * Math.PI * radius * (radius + high) };
  }
  const [wide, deep] = [requirePositive('widthMm', chamber.widthMm) / 1_000, chamber.depthMm / 1_000];
  return { m3: wide * deep * high, wallM2: 2 * (wide * deep + wide * high + deep * high) };
}
