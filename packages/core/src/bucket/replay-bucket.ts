import { densityOfPowders, sgOfMix } from '../slurry/mix';
import { waterPerDryGram } from '../slurry/contents';
import type { BucketState as SlurryState } from '../coat/predict';
import type { BucketEvent, BucketPart } from './bucket-events';

export interface BucketContents {
  parts: BucketPart[];
  dryGrams: number;
  baseDryGrams: number;
  stainGrams: number;
  /** Percent of the dry base. */
  stainPercent: number;
  waterGrams: number;
  density: number;
  volumeMl: number;
  /** SG now, from the last reading and everything added since. */
  sg: number;
  /** Standard deviation of that SG; absent when nobody ever measured it. */
  sgSd?: number;
  measuredAt?: string;
  /** True when water, powder or stain went in after the last reading. */
  changedSinceMeasured: boolean;
  slurryState: SlurryState;
  stirredAt?: string;
}

export type BucketReplay = { kind: 'empty' } | { kind: 'ok'; contents: BucketContents };

/** Spread of an SG nobody measured, computed from weighed powder and water: water loss, moisture, density. */
export const UNMEASURED_SG_SD = 0.02;

/** A bucket in the middle of its replay. */
export interface RunningBucket {
  parts: BucketPart[];
  waterGrams: number;
  sgSd?: number;
  measuredAt?: string;
  changed: boolean;
  slurryState: SlurryState;
  stirredAt?: string;
}

/**
 * What is in a bucket, replayed from its events. Powder is known best (it was weighed), so an SG reading corrects the
 * water and leaves the powder; a measured volume scales both. Taking glaze takes powder and water alike.
 */
export function replayBucket({ events }: { events: readonly BucketEvent[] }): BucketReplay {
  const undone = new Set(events.filter((event) => event.type === 'undone').map((event) => event.eventId));
  const running = emptyBucket();
  for (const event of events) if (!undone.has(event.id)) applyBucketEvent(running, event);
  return standOf(running);
}

export const emptyBucket = (): RunningBucket => ({ parts: [], waterGrams: 0, changed: false, slurryState: 'normal' });

/** What the bucket holds at this point of its replay. */
export function standOf(running: RunningBucket): BucketReplay {
  if (!(sumGrams(running.parts) > 0) || !(running.waterGrams >= 0)) return { kind: 'empty' };
  return { kind: 'ok', contents: contentsOf(running) };
}

/** One event further; changes `running` in place, for it is never shared. */
export function applyBucketEvent(running: RunningBucket, event: BucketEvent): void {
  switch (event.type) {
    case 'filled':
      running.parts = mergeParts(running.parts, event.parts);
      running.waterGrams += event.waterGrams;
      running.changed = true;
      break;
    case 'sgMeasured':
      if (running.parts.length === 0) break;
      {
        const density = densityOfPowders({ parts: running.parts });
        if (event.sg >= density) break;
        running.waterGrams = sumGrams(running.parts) * waterPerDryGram({ sg: event.sg, density });
      }
      running.sgSd = event.sgSd;
      running.measuredAt = event.at;
      running.changed = false;
      break;
    case 'volumeMeasured': {
      const before = volumeOf(running);
      if (before > 0) scale(running, event.volumeMl / before);
      break;
    }
    case 'waterAdded':
      running.waterGrams += event.grams;
      running.changed = true;
      break;
    case 'waterPouredOff':
      running.waterGrams = Math.max(0, running.waterGrams - event.grams);
      running.changed = true;
      break;
    case 'powderAdded':
      running.parts = mergeParts(running.parts, event.parts);
      running.changed = true;
      break;
    case 'glazeTaken': {
      const before = volumeOf(running);
      if (before > 0) scale(running, Math.max(0, 1 - event.millilitres / before));
      break;
    }
    case 'stirred':
      running.stirredAt = event.at;
      break;
    case 'swirlTimed':
      running.slurryState = slurryStateFromSwirl({ seconds: event.seconds });
      break;
    case 'dropsAdded':
    case 'noted':
    case 'undone':
      break;
  }
}

/** A swirl that stops within 5 s is flocculated; one that runs over 15 s is deflocculated or thin. */
export function slurryStateFromSwirl({ seconds }: { seconds: number }): SlurryState {
  return seconds < 5 ? 'flocculated' : seconds > 15 ? 'deflocculated' : 'normal';
}

function contentsOf(running: RunningBucket): BucketContents {
  const { parts, waterGrams } = running;
  const dryGrams = sumGrams(parts);
  const density = densityOfPowders({ parts });
  const of = (kind: BucketPart['part']): number => sumGrams(parts.filter((part) => part.part === kind));
  const baseDryGrams = of('base');
  return {
    parts,
    dryGrams,
    baseDryGrams,
    stainGrams: of('stain'),
    stainPercent: baseDryGrams > 0 ? (100 * of('stain')) / baseDryGrams : 0,
    waterGrams,
    density,
    volumeMl: dryGrams / density + waterGrams,
    sg: sgOfMix({ dryGrams, waterGrams, density }),
    ...(running.sgSd === undefined ? {} : { sgSd: running.sgSd }),
    ...(running.measuredAt ? { measuredAt: running.measuredAt } : {}),
    changedSinceMeasured: running.changed,
    slurryState: running.slurryState,
    ...(running.stirredAt ? { stirredAt: running.stirredAt } : {}),
  };
}

function mergeParts(into: readonly BucketPart[], added: readonly BucketPart[]): BucketPart[] {
  const merged = into.map((part) => ({ ...part }));
  for (const part of added) {
    const same = merged.find((other) => other.powderId === part.powderId && other.part === part.part);
    if (same) same.grams += part.grams;
    else merged.push({ ...part });
  }
  return merged;
}

function scale(running: RunningBucket, factor: number): void {
  running.parts = running.parts.map((part) => ({ ...part, grams: part.grams * factor }));
  running.waterGrams *= factor;
}

const sumGrams = (parts: readonly BucketPart[]): number => parts.reduce((sum, part) => sum + part.grams, 0);

function volumeOf(running: RunningBucket): number {
  if (running.parts.length === 0) return running.waterGrams;
  return running.parts.reduce((sum, part) => sum + part.grams / part.density, 0) + running.waterGrams;
}
