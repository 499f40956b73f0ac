/** What can be wrong with a fired piece and has causes among what was recorded. */
export const FIRED_FAULTS = [
  'crawled',
  'pinholed',
  'blistered',
  'thin',
  'thick',
  'cracked',
  'shivered',
  'crazed',
  'dull',
  'off colour',
  'flaked',
  'ran',
  'stuck',
] as const;
export type FiredFault = (typeof FIRED_FAULTS)[number];

/** All that was recorded of a fired piece and may tell why it has a fault. What is left out was not recorded, and blames nothing. */
export interface FaultRecord {
  /** The coat where the fault is, and the window of its glaze on this body. */
  coatMm?: number | undefined;
  windowLowMm?: number | undefined;
  windowTopMm?: number | undefined;
  /** Shrinking powders of the glaze on top, percent; and how much more than the one below it, points. */
  upperShrinkPercent?: number | undefined;
  shrinkDifference?: number | undefined;
  hairlinesLeftOpen?: boolean | undefined;
  wipeLeftOut?: boolean | undefined;
  /** Steps of the cone table that the bisque went over cone 04, and under cone 05; 0 where it did not. */
  bisqueConesOver04?: number | undefined;
  bisqueConesUnder05?: number | undefined;
  /** Share of its drying time that it had before it was loaded. */
  driedShare?: number | undefined;
  /** Tin, zircon, zinc and magnesia together, percent. */
  stiffeningPercent?: number | undefined;
  underglazeMm?: number | undefined;
  waxStrayed?: boolean | undefined;
  /** Fastest over 1,000 °C on the way up, and on the way down from the peak, °C per hour. */
  fastestOver1000PerHour?: number | undefined;
  fastestFromPeakPerHour?: number | undefined;
  /** Fastest between 520 and 620 °C, either way, °C per hour. */
  fastestAt570PerHour?: number | undefined;
  /** From 1,100 to 900 °C, °C per hour. */
  from1100To900PerHour?: number | undefined;
  holdMinutes?: number | undefined;
  flowFigure?: number | undefined;
  bodyIsDark?: boolean | undefined;
  bodyIsGroggy?: boolean | undefined;
  blendedWithinHour?: boolean | undefined;
  /** Cones that it saw over, or under, the range of its glaze; 0 where it did not. */
  conesOver?: number | undefined;
  conesUnder?: number | undefined;
  /** Cones that the body saw under its own range. */
  bodyConesUnder?: number | undefined;
  bothFacesOfThinWall?: boolean | undefined;
  /** How far the SG was under, and over, its range. */
  sgUnder?: number | undefined;
  sgOver?: number | undefined;
  /** Real seconds beside those of the plan. */
  secondsShare?: number | undefined;
  wallWasFull?: boolean | undefined;
  soakedPartNear?: boolean | undefined;
  bisqueDenser?: boolean | undefined;
  bisqueThirstier?: boolean | undefined;
  /** Coats that were put on, less those of the plan. */
  coatsMore?: number | undefined;
  stirredInTime?: boolean | undefined;
  flocculated?: boolean | undefined;
  openedCelsius?: number | undefined;
  refired?: boolean | undefined;
  /** The thicker of inside and outside over the thinner. */
  coatsDiffer?: number | undefined;
  wideAndFlat?: boolean | undefined;
  /** Expansion of the body less that of the glaze, 10⁻⁶ per K. */
  bodyLessGlazeExpansion?: number | undefined;
  muchCalciaMagnesiaZinc?: boolean | undefined;
  otherAtmosphere?: boolean | undefined;
  otherPowderLot?: boolean | undefined;
  recipeChanged?: boolean | undefined;
  checkDiffered?: boolean | undefined;
  contaminated?: boolean | undefined;
  untestedBody?: boolean | undefined;
  stainAgainstChemistry?: boolean | undefined;
  powderyBelow?: boolean | undefined;
  /** For ran and stuck: the chance to reach the shelf as it was recorded, and with one thing set back to the plan. */
  reach?: { chance: number; without: Readonly<Partial<Record<ReachCause, number>>> } | undefined;
}

/** What can be set back to the plan to see what it did to a run. */
export const REACH_CAUSES = ['coat', 'overlap', 'flow', 'cone', 'hold', 'edge', 'handle', 'grooves'] as const;
export type ReachCause = (typeof REACH_CAUSES)[number];
