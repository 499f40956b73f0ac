import type { KilnSetting } from '../plan/piece-plan';
import type { DayItem, DayStep } from './day-plan';
import type { DayStanding } from './day-standing';
import type { ApplicationMethod } from '../coat/methods/application-method';

/** What a day still takes from one bucket. */
export interface BucketNeed {
  bucketId: string;
  name: string;
  /** Pieces that go into it, and glaze that they take with what is lost, mL. */
  pieces: number;
  needMl: number;
  /** Steps of plans from before the amount was noted: their glaze is not in the sum. */
  unknownSteps: number;
  /** The deepest dip, mm; 0 where nothing is dipped. */
  depthMm: number;
  deepestName: string;
}

/** What must be at hand: pieces that need it. */
export interface ToolNeed {
  tool: 'wax' | 'tape' | 'sponge' | 'brush' | 'spray' | 'tongs' | 'jug' | 'trailer' | 'plate' | 'stilts' | 'post';
  pieces: number;
}

export interface DayNeeds {
  buckets: BucketNeed[];
  tools: ToolNeed[];
}

const TOOLS: Partial<Record<ApplicationMethod | DayStep['kind'], ToolNeed['tool']>> = {
  wax: 'wax',
  waxOver: 'wax',
  tape: 'tape',
  soak: 'sponge',
  spongeOff: 'sponge',
  wipeFoot: 'sponge',
  sponge: 'sponge',
  brush: 'brush',
  rub: 'brush',
  spray: 'spray',
  dip: 'tongs',
  halfDips: 'tongs',
  pour: 'jug',
  trail: 'trailer',
};

/** What pieces stand on in the kiln, one each. */
const STANDS: Partial<Record<KilnSetting, ToolNeed['tool']>> = { plate: 'plate', stilts: 'stilts', upsideDown: 'post' };

/**
 * Returns what a day still needs: glaze and depth of each bucket, tools by the pieces that need them.
 *
 * @param standing - how the day stands
 * @example
 * dayNeeds({ standing: dayStanding({ items: [], events: [] }) }).buckets.length // 0
 */
export function dayNeeds({ standing }: { standing: DayStanding }): DayNeeds {
  const buckets = new Map<string, BucketNeed>();
  const tools = new Map<ToolNeed['tool'], number>();
  for (const { item, open } of standing.lots) {
    const wanted = new Set<ToolNeed['tool']>();
    for (const step of item.steps.slice(open)) {
      const tool = TOOLS[step.method ?? step.kind];
      if (tool) wanted.add(tool);
      if (step.bucketId) add(buckets, item, step);
    }
    const stand = STANDS[item.setting ?? 'shelf'];
    if (stand) wanted.add(stand);
    for (const tool of wanted) tools.set(tool, (tools.get(tool) ?? 0) + item.count);
  }
  return {
    buckets: [...buckets.values()].sort((a, b) => b.needMl - a.needMl),
    tools: [...tools].filter(([, pieces]) => pieces > 0).map(([tool, pieces]) => ({ tool, pieces })),
  };
}

function add(buckets: Map<string, BucketNeed>, item: DayItem, step: DayStep): void {
  const before = buckets.get(step.bucketId!) ?? {
    bucketId: step.bucketId!,
    name: step.bucketName ?? 'Glaze',
    pieces: 0,
    needMl: 0,
    unknownSteps: 0,
    depthMm: 0,
    deepestName: '',
  };
  const isDeepest = (step.depthMm ?? 0) > before.depthMm && item.count > 0;
  buckets.set(step.bucketId!, {
    ...before,
    pieces: before.pieces + item.count,
    needMl: before.needMl + item.count * (step.glazeMl ?? 0),
    unknownSteps: before.unknownSteps + (step.glazeMl === undefined ? 1 : 0),
    ...(isDeepest ? { depthMm: step.depthMm!, deepestName: item.name } : {}),
  });
}
