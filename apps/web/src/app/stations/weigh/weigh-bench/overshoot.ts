import type { Batch, StudioPowder } from '@cazuela/contract';
import { rescueOvershoot, shortage, toleranceGrams, type BatchState, type BatchLineState } from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { rescueWords } from '../weigh-words';

/** Too much or too little against the target, beyond what the scale can tell; undefined when it is right. */
export function offWords(
  { grams, targetGrams, divisionGrams }: { grams: number; targetGrams: number; divisionGrams: number },
  units: Units,
): string | undefined {
  if (Math.abs(grams - targetGrams) <= toleranceGrams({ targetGrams, divisionGrams })) return undefined;
  const amount = units.mass(Math.abs(grams - targetGrams));
  return grams > targetGrams
    ? `${amount} too much. Still in the pan: take it out and type again. In the bucket already: raise the batch, or go on as it is; the bucket is made of what really went in.`
    : `${amount} short. Add it and type again, or go on: the bucket is made of what really went in.`;
}

/** What raising the whole batch to an overshoot of one line means, and what the shelf lacks for it. */
export function raisedWords({
  state,
  line,
  plan,
  grams,
  divisionGrams,
  powders,
  units,
}: {
  state: BatchState;
  line: BatchLineState;
  plan: Batch['plan'];
  grams: number;
  divisionGrams: number;
  powders: readonly StudioPowder[];
  units: Units;
}): ReturnType<typeof rescueWords> {
  const lines = state.lines.map((one, index) => ({
    lineId: one.lineId,
    targetGrams: plan.lines[index]!.targetGrams,
    inGrams: one.inGrams + (one.lineId === line.lineId ? grams : 0),
  }));
  const rescue = rescueOvershoot({ lines, divisionGrams });
  const missing = rescue.lines.map(({ lineId, topUpGrams }) => {
    const { powderId, name } = state.lines.find((one) => one.lineId === lineId)!;
    return { powderId, name, targetGrams: topUpGrams };
  });
  const stock = powders.map(({ id, stockGrams }) => ({ powderId: id, stockGrams }));
  return rescueWords({ factor: rescue.factor, plan, short: shortage({ lines: missing, stock }).short, units });
}
