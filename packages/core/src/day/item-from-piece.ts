import { DRY_THROUGH_HOURS } from '../coat/wall-water';
import type { GlazeFacts } from '../layering/piece-plan';
import type { TimedStep } from '../layering/step-times';
import type { DayItem, DayStep } from './day-plan';

export interface PieceForDay {
  pieceId: string;
  name: string;
  count: number;
  waxFootMm: number;
  steps: readonly TimedStep[];
  glazes: readonly GlazeFacts[];
  /** Makes ids; the core has no randomness of its own. */
  newId: () => string;
}

/** The steps of a plan as the day's list keeps them: words, bucket, seconds, waits, the caution at its step. */
export function dayItemFromPiece({ pieceId, name, count, waxFootMm, steps, glazes, newId }: PieceForDay): DayItem {
  const itemId = newId();
  const seenBuckets = new Set<string>();
  return { id: itemId, pieceId, name, count, steps: steps.map((step, index) => dayStep(step, index)) };

  function dayStep(step: TimedStep, index: number): DayStep {
    const glaze = step.layer && glazes.find((facts) => facts.bucketId === step.layer!.bucketId);
    const firstDip = glaze !== undefined && !seenBuckets.has(glaze.bucketId);
    if (glaze) seenBuckets.add(glaze.bucketId);
    const waitMinutes = step.waitFor === 'dryThrough' ? DRY_THROUGH_HOURS * 60 : step.waitMinutes;
    const caution = cautionFor(step, firstDip ? glaze.name : undefined);
    return {
      id: newId(),
      itemId,
      kind: step.kind,
      words: stepWords({ step, glazeName: glaze?.name, waxFootMm }),
      ...(caution ? { caution } : {}),
      ...(glaze ? { bucketId: glaze.bucketId, bucketName: glaze.name, lightness: glaze.lightness } : {}),
      ...(step.dip?.kind === 'ok' ? { seconds: step.dip.seconds } : {}),
      ...(step.layer ? { coatMm: step.layer.coatMm } : {}),
      handSeconds: step.handSeconds,
      waitMinutes: index === steps.length - 1 ? 0 : waitMinutes,
    };
  }
}

/** A step in the words of the bench. */
export function stepWords({ step, glazeName, waxFootMm }: { step: TimedStep; glazeName?: string | undefined; waxFootMm: number }): string {
  switch (step.kind) {
    case 'check':
      return 'Check edges and dust, wipe damp, let dry';
    case 'wax':
      return `Wax the foot and ${waxFootMm} mm up`;
    case 'waxOver':
      return 'Wax over the rim’s dry glaze, to its edge';
    case 'wipeFoot':
      return 'Wipe the foot and check it';
    case 'layer': {
      const where = step.zones.length === 2 ? 'inside and outside' : step.zones[0] === 'inside' ? 'inside' : `the ${step.zones[0]}`;
      const name = glazeName ?? 'glaze';
      if (step.layer!.way === 'brush') return `Brush ${name} on ${where}, ${step.brushCoats ?? 1} ${step.brushCoats === 1 ? 'coat' : 'coats'}`;
      const seconds = step.dip?.kind === 'ok' ? `, ${step.dip.seconds.toFixed(1)} s` : '';
      return step.layer!.way === 'dip'
        ? `Dip ${where} in ${name}${seconds}`
        : `Pour ${name} ${where === 'inside' ? 'inside' : `over ${where}`}${seconds}`;
    }
  }
}

function cautionFor(step: TimedStep, firstBucketName: string | undefined): string | undefined {
  if (step.kind === 'wax' || step.kind === 'waxOver')
    return 'Wax fumes and hot wax: open a window; wax on bare clay needs another bisque to come off.';
  if (step.kind === 'wipeFoot') return 'Wipe wet: dry glaze is silica dust. Rinse water settles in its own bucket, never the drain.';
  if (firstBucketName) return `Read the code on the bucket first: a wrong bucket or the wrong tongs cost a kiln.`;
  return undefined;
}
