export {
  NO_PLANNING,
  BENCH_SIGHTS,
  PIECES_OFF,
  type BenchSight,
  plannedCoatOf,
  workOf,
  type ClockTime,
  type DayEvent,
  type DayItem,
  type DayPerson,
  type DayPin,
  type DayPlanning,
  type DayStep,
  type DayTurn,
  type DayWork,
  type PieceDone,
  type StepDone,
} from './day-plan';
export { lotsAfter } from './day-lots';
export { dayStanding, type DayStanding, type LotStanding, type StepEnd } from './day-standing';
export { cautionFor, dayItemFromPiece, stepWords, type PieceForDay } from './item-from-piece';
export { replayDay, type DayStepState, type Drying, type DayState } from './replay-day';
export { datesFrom, DAYS_AHEAD, workHours, type WorkSpan } from './plan/work-hours';
export {
  askedDay,
  FETCH_MINUTES,
  FIRST_MINUTES,
  SOMEBODY,
  TOOL_WASH_MINUTES,
  type AskedDay,
  type DayPlanQuestion,
  type OpenStep,
} from './plan/plan-question';
export { dayTimetable, type Timetable, type TimetableTask } from './plan/day-timetable';
export { DayPlanner, WORTH_MINUTES, type DayPlan } from './plan/plan-day';
export { dayOdds, type DayOdds } from './plan/day-odds';
export { DAY_HELPS, dayHelps, FAN_SHARE, PIECES_FEWER, PLACES_MORE, THINNER_SHARE, type DayHelp } from './plan/day-helps';
export { shortestDay, type ShortestDay } from './shortest/shortest-day';
export { type DayBucket, type DayGroup, type DayWorker, type GroupStep, type ShortestDayQuestion, type StepScatter } from './shortest/day-question';
export { type PlannedTask } from './shortest/day-board';
export { type WorkWindow } from './shortest/work-windows';
export { dayNeeds, type BucketNeed, type DayNeeds, type ToolNeed } from './day-needs';
export { dryTaps, waitsOfDays, withLearntWaits, type DayOfWaits } from './learnt-waits';
export { coatDeviation, type CoatDeviation, type CoatDone, type PlannedCoat } from './deviation';
export { daySummary, type DaySummary, type OpenLot, type OddCoat, type PersonSummary } from './day-summary';
export { middleSeconds, oddPieces, stepDeviation, type OddPiece } from './step-deviation';
export { laborOfDays, withLearntLabor, type LaborKnowledge } from './learnt-labor';
export { learntScatter } from './learnt-scatter';
