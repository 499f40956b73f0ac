import { STUCK_FILM_MM } from './run-solver';
import { PotterError } from '../checks/potter-error';
import { NINETY_FIVE_PERCENT_Z } from '../math/normal';
import { bandRunMm } from '../melt/band';
import type { FlowGuess } from '../chemistry/flow-guess';

/** Two glazes together run more than either: starting guess of ω and the sd of its ln; learnt for each pair. */
export const OVERLAP_OMEGA = { omega: 1.3, lnSd: 0.4 } as const;

export interface MeltedLayer {
  meltedMm: number;
  flow: FlowGuess;
}

/**
 * Returns the flow figure of a stack and the sd of its ln: ln F is the mean by melted share, plus ln ω · 4x₁x₂ for every pair of different
 * glazes.
 *
 * @param question - `layers`, mm melted with their flow
 * @throws PotterError when nothing melts
 * @example
 * stackFlow({ layers: [{ meltedMm: 0.3, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' } }] }) // { flow: 60, lnSd: 0.5 }
 */
export function stackFlow({ layers }: { layers: readonly MeltedLayer[] }): { flow: number; lnSd: number } {
  const total = layers.reduce((sum, layer) => sum + layer.meltedMm, 0);
  if (!(total > 0)) throw new PotterError('emptyList', 'layers', total, 'There is no glaze here to run.');
  let lnFlow = 0;
  let variance = 0;
  layers.forEach((layer, i) => {
    const share = layer.meltedMm / total;
    lnFlow += share * Math.log(layer.flow.flow);
    variance += (share * layer.flow.lnSd) ** 2;
    for (const other of layers.slice(i + 1)) {
      const overlap = (4 * share * other.meltedMm) / total;
      lnFlow += overlap * Math.log(OVERLAP_OMEGA.omega);
      variance += (overlap * OVERLAP_OMEGA.lnSd) ** 2;
    }
  });
  return { flow: Math.exp(lnFlow), lnSd: Math.sqrt(variance) };
}

/**
 * Returns how far the lower edge of a stack runs on an upright wall, mm: the middle and the 95 % case, for the coats as planned in the
 * reference firing. A wall that leans holds more, so this errs on the safe side.
 *
 * @param question - `layers`, mm melted with their flow; `bandMm`, above 0
 * @throws PotterError when nothing melts, or a band of 0 mm or less
 * @example
 * stackRun({ layers: [{ meltedMm: 0.35, flow: { flow: 60, lnSd: 0, basis: 'pottersWord' } }], bandMm: 50 }) // { runMm: 5.4, run95Mm: 5.4 }
 */
export function stackRun({ layers, bandMm }: { layers: readonly MeltedLayer[]; bandMm: number }): { runMm: number; run95Mm: number } {
  const { flow, lnSd } = stackFlow({ layers });
  const meltedMm = Math.max(0, layers.reduce((sum, layer) => sum + layer.meltedMm, 0) - STUCK_FILM_MM);
  return {
    runMm: bandRunMm({ meltedMm, bandMm, flow }),
    run95Mm: bandRunMm({ meltedMm, bandMm, flow: flow * Math.exp(NINETY_FIVE_PERCENT_Z * lnSd) }),
  };
}
