export { type DayStep, type DayItem, type DayEvent } from './day-plan';
export { cautionFor, dayItemFromPiece, stepWords, type PieceForDay } from './item-from-piece';
export { replayDay, type DayStepState, type Drying, type DayState } from './replay-day';
export { BUCKET_CHANGE_MINUTES, scheduleDay, type Scheduled, type ScheduleQuestion } from './schedule';
export { shortestDay, type ShortestDay } from './shortest/shortest-day';
export { type DayGroup, type GroupStep, type ShortestDayQuestion } from './shortest/day-question';
export { type PlannedTask } from './shortest/day-board';
