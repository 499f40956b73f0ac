import { kilnModel, scheduleCurve, type FiringPoint, type KilnTrouble } from '@cazuela/core';
import type { FiringBody, Kiln, PracticeState } from '@cazuela/contract';
import type { PracticeRun } from '../../../db/rows';

/** What stands in a practice kiln, g: half a load. */
const LOAD_GRAMS = 20_000;
/** The practice kiln has so many elements. */
const ELEMENTS = 3;

/** A practice kiln that begins now. */
export function newPractice(kiln: Kiln['body'], firing: FiringBody, state: PracticeState, nowMs: number): PracticeRun {
  const curve: readonly FiringPoint[] = firing.schedule ? scheduleCurve(firing.schedule) : firing.points;
  const run: PracticeRun = {
    speed: state.speed,
    anchorMs: nowMs,
    anchorSeconds: 0,
    model: kilnModel(kiln, LOAD_GRAMS),
    curve: [...curve],
    trouble: {},
  };
  return changedPractice(run, state, nowMs);
}

/** How far a practice kiln is by now, seconds of its own clock. */
export const secondsOf = ({ speed, anchorMs, anchorSeconds }: PracticeRun, nowMs: number): number =>
  anchorSeconds + (Math.max(0, nowMs - anchorMs) / 1_000) * speed;

/** The same kiln with other troubles or another speed from now on; what was stays. */
export function changedPractice(run: PracticeRun, state: PracticeState, nowMs: number): PracticeRun {
  const now = secondsOf(run, nowMs);
  const { powerCuts, doorOpen, deadElement } = run.trouble;
  const trouble: KilnTrouble = {
    powerCuts: spansOf(powerCuts, state.isPowerCut, now),
    doorOpen: spansOf(doorOpen, state.isDoorOpen, now),
    ...(state.isElementDead ? { deadElement: deadElement ?? { fromSeconds: now, elements: ELEMENTS } } : {}),
    ...(state.readsOver === 0 ? {} : { readsOver: state.readsOver }),
  };
  return { ...run, speed: state.speed, anchorMs: nowMs, anchorSeconds: now, trouble };
}

type Spans = NonNullable<KilnTrouble['powerCuts']>;
function spansOf(spans: Spans = [], isOn: boolean, now: number): Spans {
  const isOpen = spans.some(({ untilSeconds }) => untilSeconds === undefined);
  if (isOn === isOpen) return spans;
  return isOn ? [...spans, { fromSeconds: now }] : spans.map((span) => ({ ...span, untilSeconds: span.untilSeconds ?? now }));
}
