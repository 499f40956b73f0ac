import type { BatchPlan, BatchPlanLine } from '../weighing/batch-plan';
import type { BatchEvent } from './batch-events';

export interface BatchLineState extends BatchPlanLine {
  state: 'waiting' | 'weighed' | 'skipped';
  /** What really went in; 0 while waiting or when skipped. */
  inGrams: number;
  eventId?: string;
}

export type BatchStep =
  | { kind: 'respirator' }
  | { kind: 'line'; line: BatchLineState; number: number }
  | { kind: 'water' }
  | { kind: 'mix' }
  | { kind: 'finished'; bucketId: string };

export interface BatchState {
  lines: BatchLineState[];
  respiratorOn: boolean;
  waterInGrams?: number;
  dryInGrams: number;
  step: BatchStep;
  notes: { text: string; lineId?: string | undefined }[];
  /** The last thing that Backspace takes back. */
  lastUndoable?: string;
  startedBy?: string;
  lastAt?: string;
}

/**
 * A batch as it stands, from its plan and its events. The first accepted weight of a line wins: a second tick of the
 * same line (two clicks, two tablets) changes nothing. Events that were undone count as never made.
 */
export function replayBatch({ plan, events }: { plan: Pick<BatchPlan, 'lines'>; events: readonly BatchEvent[] }): BatchState {
  const undone = new Set(events.filter((event) => event.type === 'undone').map((event) => event.eventId));
  const lines: BatchLineState[] = plan.lines.map((line) => ({ ...line, state: 'waiting', inGrams: 0 }));
  const byId = new Map(lines.map((line) => [line.lineId, line]));
  const state: Omit<BatchState, 'step' | 'dryInGrams'> = { lines, respiratorOn: false, notes: [] };
  let finished: string | undefined;
  for (const event of events) {
    if (undone.has(event.id)) continue;
    state.startedBy ??= event.by;
    state.lastAt = event.at;
    switch (event.type) {
      case 'respiratorOn':
        state.respiratorOn = true;
        break;
      case 'lineWeighed':
      case 'lineSkipped': {
        const line = byId.get(event.lineId);
        if (!line || line.state !== 'waiting') break;
        line.state = event.type === 'lineWeighed' ? 'weighed' : 'skipped';
        line.inGrams = event.type === 'lineWeighed' ? event.grams : 0;
        line.eventId = event.id;
        state.lastUndoable = event.id;
        break;
      }
      case 'waterPoured':
        if (state.waterInGrams !== undefined) break;
        state.waterInGrams = event.grams;
        state.lastUndoable = event.id;
        break;
      case 'noted':
        state.notes.push({ text: event.text, lineId: event.lineId });
        break;
      case 'batchFinished':
        finished ??= event.bucketId;
        break;
      case 'undone':
        break;
    }
  }
  return { ...state, dryInGrams: lines.reduce((sum, line) => sum + line.inGrams, 0), step: nextStep(state, finished) };
}

/** Water waits in the bucket before the first clay goes in, so it is the first weight; then the lines, then mixing. */
function nextStep(state: Pick<BatchState, 'lines' | 'respiratorOn' | 'waterInGrams'>, finished: string | undefined): BatchStep {
  if (finished) return { kind: 'finished', bucketId: finished };
  if (!state.respiratorOn) return { kind: 'respirator' };
  if (state.waterInGrams === undefined) return { kind: 'water' };
  const index = state.lines.findIndex((line) => line.state === 'waiting');
  return index >= 0 ? { kind: 'line', line: state.lines[index]!, number: index + 1 } : { kind: 'mix' };
}
