import type { BatchPlan } from '../weighing/batch-plan';
import type { BatchCheck, BatchEvent } from './batch-events';
import type { BatchPlanLine } from '../weighing/batch-plan-line';

export interface BatchLineState extends BatchPlanLine {
  state: 'waiting' | 'weighed' | 'skipped';
  /** What was weighed in, g; 0 before the first weight and when the line was skipped. */
  inGrams: number;
  /** Still to weigh: the target, or what is missing after the batch was raised. 0 when done. */
  toWeighGrams: number;
  eventId?: string;
  /** Loads that are in, of a line the scale cannot hold at once. */
  loadsIn: number;
  /** The powder the recipe names, when another took its place. */
  insteadOf?: string;
  lot?: string;
}

export interface CheckDone {
  check: BatchCheck;
  lineId?: string | undefined;
  value?: number | undefined;
  text?: string | undefined;
}

export type BatchStep =
  | { kind: 'respirator' }
  | { kind: 'line'; line: BatchLineState; number: number }
  | { kind: 'water'; toPourGrams: number }
  | { kind: 'mix' }
  | { kind: 'finished'; bucketId: string };

export interface BatchState {
  lines: BatchLineState[];
  respiratorOn: boolean;
  setAside: boolean;
  /** Weights of the practice scale are in it: nothing of it leaves the shelf, and it makes no bucket. */
  practice: boolean;
  waterInGrams?: number;
  dryInGrams: number;
  /** 1, or how many times the plan the batch was raised to after an overshoot. */
  factor: number;
  step: BatchStep;
  notes: { text: string; lineId?: string | undefined }[];
  /** The newest of each kind; powder lots are kept with their lines. */
  checks: CheckDone[];
  /** What Backspace takes back. */
  lastUndoable?: string;
  startedBy?: string;
  lastAt?: string;
}

/** Water is poured to the nearest gram at best. */
const WATER_DIVISION_GRAMS = 1;

/**
 * Returns a batch as it stands, from its plan and its events. The first accepted weight of a line counts: a second record of the same line
 * (two clicks, two tablets) changes nothing. A raised batch asks for what is missing of the lines already in. Events that were undone count
 * as never made.
 *
 * @param batch - `plan`, its lines and water; `events`, in any order
 * @example
 * replayBatch({ plan: { lines: [], waterGrams: 0 }, events: [] }).factor // 1
 */
export function replayBatch({ plan, events }: { plan: Pick<BatchPlan, 'lines' | 'waterGrams'>; events: readonly BatchEvent[] }): BatchState {
  const undone = new Set(events.filter((event) => event.type === 'undone').map((event) => event.eventId));
  const lines: BatchLineState[] = plan.lines.map((line) => ({ ...line, state: 'waiting', inGrams: 0, toWeighGrams: line.targetGrams, loadsIn: 0 }));
  const state: Running = {
    lines,
    respiratorOn: false,
    setAside: false,
    practice: false,
    factor: 1,
    notes: [],
    checks: [],
    waterWanted: plan.waterGrams,
  };
  for (const event of events) {
    if (undone.has(event.id)) continue;
    state.startedBy ??= event.by;
    state.lastAt = event.at;
    apply(state, event, plan);
  }
  const { finished, waterWanted: _wanted, ...seen } = state;
  return { ...seen, dryInGrams: lines.reduce((sum, line) => sum + line.inGrams, 0), step: nextStep(state, finished) };
}

type Running = Omit<BatchState, 'step' | 'dryInGrams'> & { finished?: string; waterWanted: number };

function apply(state: Running, event: BatchEvent, plan: Pick<BatchPlan, 'lines' | 'waterGrams'>): void {
  switch (event.type) {
    case 'respiratorOn':
      state.respiratorOn = true;
      break;
    case 'lineWeighed':
    case 'lineSkipped': {
      const line = state.lines.find((candidate) => candidate.lineId === event.lineId);
      if (!line || line.state !== 'waiting') break;
      state.practice ||= event.type === 'lineWeighed' && event.practice === true;
      line.state = event.type === 'lineWeighed' || line.inGrams > 0 ? 'weighed' : 'skipped';
      line.inGrams += event.type === 'lineWeighed' ? event.grams : 0;
      line.toWeighGrams = 0;
      line.eventId = event.id;
      state.lastUndoable = event.id;
      break;
    }
    case 'loadWeighed': {
      const line = state.lines.find((candidate) => candidate.lineId === event.lineId);
      if (!line || line.state !== 'waiting' || event.load !== line.loadsIn + 1) break;
      state.practice ||= event.practice === true;
      line.loadsIn = event.load;
      line.inGrams += event.grams;
      line.toWeighGrams = Math.max(0, line.toWeighGrams - event.grams);
      state.lastUndoable = event.id;
      break;
    }
    case 'waterPoured':
      if (state.waterInGrams !== undefined && waterMissing(state) === 0) break;
      state.waterInGrams = (state.waterInGrams ?? 0) + event.grams;
      // The poured amount is final: a little less than the target is not asked for again.
      state.waterWanted = Math.min(state.waterWanted, state.waterInGrams);
      state.lastUndoable = event.id;
      break;
    case 'batchRaised':
      raise(state, event, plan);
      state.lastUndoable = event.id;
      break;
    case 'lineSubstituted': {
      const line = state.lines.find((candidate) => candidate.lineId === event.lineId);
      // What is in the bucket stays what it is. Only a line without any weight can become another powder.
      if (!line || line.state !== 'waiting' || line.inGrams > 0) break;
      line.insteadOf ??= line.name;
      Object.assign(line, { powderId: event.powderId, name: event.name, density: event.density, hazards: event.hazards, sieveMesh: event.sieveMesh });
      state.lastUndoable = event.id;
      break;
    }
    case 'checked':
      takeCheck(state, event);
      break;
    case 'noted':
      state.notes.push({ text: event.text, lineId: event.lineId });
      break;
    case 'batchFinished':
      state.finished ??= event.bucketId;
      break;
    case 'setAside':
      state.setAside = true;
      break;
    case 'undone':
      break;
  }
}

function takeCheck(state: Running, { check, lineId, value, text }: Extract<BatchEvent, { type: 'checked' }>): void {
  if (check === 'powderLot') {
    const line = state.lines.find((candidate) => candidate.lineId === lineId);
    if (line && text) line.lot = text;
    return;
  }
  state.checks = [...state.checks.filter((one) => one.check !== check), { check, lineId, value, text }];
}

/** Every target rises. A finished line opens again for what it lacks, unless that is less than the scale can show. */
function raise(
  state: Running,
  { factor, divisionGrams }: { factor: number; divisionGrams: number },
  plan: Pick<BatchPlan, 'lines' | 'waterGrams'>,
): void {
  if (factor <= state.factor) return;
  state.factor = factor;
  state.waterWanted = plan.waterGrams * factor;
  state.lines.forEach((line, index) => {
    line.targetGrams = plan.lines[index]!.targetGrams * factor;
    if (line.state === 'skipped') return;
    const missing = line.targetGrams - line.inGrams;
    if (line.state === 'waiting' || missing > divisionGrams) {
      line.state = 'waiting';
      line.toWeighGrams = missing;
    }
  });
}

function waterMissing({ waterWanted, waterInGrams }: Pick<Running, 'waterWanted' | 'waterInGrams'>): number {
  const missing = waterWanted - (waterInGrams ?? 0);
  return missing > WATER_DIVISION_GRAMS ? missing : 0;
}

/** Water stands in the bucket before the first clay goes in, so it comes first; then the lines, more water if the batch was raised, then mixing. */
function nextStep(state: Running, finished: string | undefined): BatchStep {
  if (finished) return { kind: 'finished', bucketId: finished };
  if (!state.respiratorOn) return { kind: 'respirator' };
  if (state.waterInGrams === undefined) return { kind: 'water', toPourGrams: state.waterWanted };
  const index = state.lines.findIndex((line) => line.state === 'waiting');
  if (index >= 0) return { kind: 'line', line: state.lines[index]!, number: index + 1 };
  const missing = waterMissing(state);
  return missing > 0 ? { kind: 'water', toPourGrams: missing } : { kind: 'mix' };
}
