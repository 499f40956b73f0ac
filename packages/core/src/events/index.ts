export { type EventHead } from './event-head';
export { inBenchOrder, standingEvents, takenBack } from './event-order';
