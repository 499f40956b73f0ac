import { computed, type Signal } from '@angular/core';
import type { Scale } from '@cazuela/contract';
import {
  attempt,
  inPanBefore,
  lineOnScale,
  scaleForLine,
  type BatchLineState,
  type BatchPlan,
  type BatchState,
  type ScaleLimits,
} from '@cazuela/core';
import type { Units } from '../../../data/units/units';
import { scaleTrust, scaleWords } from '../weigh-words';

interface AtTheBench {
  plan: Signal<BatchPlan | undefined>;
  state: Signal<BatchState | undefined>;
  line: Signal<BatchLineState | undefined>;
  /** The connected scale, if there is one. */
  connected: Signal<ScaleLimits | undefined>;
  scales: Signal<readonly Scale[]>;
  units: Units;
}

/** What is weighed now, on which scale, in which pan. */
export interface BenchScale {
  /** The connected one, that of the batch, or the finest that holds the line. */
  scale: Signal<ScaleLimits | undefined>;
  /** The line, or one of its loads when the scale cannot hold all of it. */
  load: Signal<{ grams: number; number: number; of: number; last: boolean } | undefined>;
  /** What lies in a pan that is filled on. */
  inPan: Signal<{ grams: number; emptyFirst: boolean }>;
  /** Its name, and whether it was ever checked. */
  named: Signal<string>;
  /** Loads, or why it is too coarse. */
  remark: Signal<string>;
}

export function benchScale({ plan, state, line, connected, scales, units }: AtTheBench): BenchScale {
  const panGrams = computed(() => plan()?.pan?.panGrams ?? 0);
  const scale = computed((): ScaleLimits | undefined => {
    const now = line();
    const batch = plan();
    if (connected() || !now || !batch || scales().length === 0) return connected();
    const totalGrams = batch.totalGrams * (state()?.factor ?? 1);
    const asked = attempt(() => scaleForLine({ targetGrams: Math.max(now.toWeighGrams, 1e-3), totalGrams, scales: scales(), pan: batch.pan }));
    return asked.kind === 'ok' ? asked.value : undefined;
  });
  /** What the scale holds besides the pan, g. */
  const roomGrams = computed(() => Math.max(1, (scale()?.capacityGrams ?? Number.POSITIVE_INFINITY) - panGrams()));
  const load = computed(() => {
    const now = line();
    if (!now) return undefined;
    const left = Math.max(1, Math.ceil(now.toWeighGrams / roomGrams()));
    return { grams: now.toWeighGrams / left, number: now.loadsIn + 1, of: now.loadsIn + left, last: left === 1 };
  });
  return {
    scale,
    load,
    inPan: computed(() => {
      const [asked, now] = [load(), state()];
      // A connected scale begins each line at zero by itself.
      if (!asked || !now || connected() || plan()?.pan?.emptied !== 'whenFull') return { grams: 0, emptyFirst: false };
      const weighedGrams = now.lines.map((one) => one.inGrams).filter((grams) => grams > 0);
      return inPanBefore({ weighedGrams, targetGrams: asked.grams, roomGrams: roomGrams() });
    }),
    named: computed(() => {
      const used = scale();
      const known = scales().find((one) => one.name === used?.name);
      return used && line() ? `, on the ${used.name.toLowerCase()}${known ? scaleTrust(known) : ''}` : '';
    }),
    remark: computed(() => {
      const [used, now] = [scale(), line()];
      if (!used || !now || now.toWeighGrams <= 0) return '';
      const on = attempt(() => lineOnScale({ ...used, targetGrams: now.toWeighGrams, panGrams: panGrams() }));
      return on.kind === 'ok' ? scaleWords(on.value, units) : on.error.message;
    }),
  };
}
