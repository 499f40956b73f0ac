import type { Scale } from '@cazuela/contract';
import { lineOnScale, scaleForLine, stockDilution, type BatchPan, type BatchPlan } from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { dilutionWords, scaleWords, seriousHazards } from '../weigh-words';

export type SheetLine = BatchPlan['lines'][number] & {
  running: number;
  scale: Scale;
  /** Loads, or why this scale is too coarse for it. */
  remark: string;
  /** What its data sheet warns of beyond dust. */
  warns: string;
  /** Base of a batch that this scale can weigh well enough, g. */
  larger?: number;
  dilution?: string | undefined;
};

/**
 * The lines of a weigh sheet, each on its scale.
 *
 * @throws PotterError where no scale carries the pan
 */
export function sheetLines(
  plan: BatchPlan,
  { scales, pan, units }: { scales: readonly Scale[]; pan: BatchPan | undefined; units: Units },
): SheetLine[] {
  const panGrams = pan?.panGrams ?? 0;
  let running = 0;
  return plan.lines.map((line) => {
    running += line.targetGrams;
    const scale = scaleForLine({ targetGrams: line.targetGrams, totalGrams: plan.totalGrams, scales, pan });
    const on = lineOnScale({ ...scale, targetGrams: line.targetGrams, panGrams });
    const said = { ...line, running, scale, remark: scaleWords(on, units), warns: seriousHazards(line.hazards).join('; ') };
    if (on.kind !== 'tooSmall') return said;
    const dilution = stockDilution({ line, lines: plan.lines, divisionGrams: scale.divisionGrams });
    return {
      ...said,
      larger: Math.ceil((plan.baseGrams * on.baseFactor) / 10) * 10,
      dilution: dilution && dilutionWords(line.name, dilution, units),
    };
  });
}
