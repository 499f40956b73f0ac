import { GENERIC_POWDERS } from '../apps/server/src/features/powders/generic-powders';
import {
  bucketDrift,
  coatCurve,
  convertMix,
  monotoneFit,
  planBatch,
  recipeOutlook,
  replayBucket,
  rescueOvershoot,
  substitute,
  turningPoint,
  type BucketEvent,
  type Powder,
  type RecipeLine,
} from '@cazuela/core';
import { middleMs, type Row } from './measure';

const POWDERS: Powder[] = GENERIC_POWDERS.map((powder, index) => ({ id: `p${index}`, ...powder }));
const LINES: RecipeLine[] = POWDERS.slice(0, 12).map((powder, index) => ({
  id: `l${index}`,
  powderId: powder.id,
  part: index < 9 ? 'base' : 'addition',
  percent: 5 + index,
}));
const head = { id: 'e', at: '2026-03-01T09:00:00.000Z', by: 'Inés' };

/** The computation behind a keystroke: a batch with its bucket, a coat curve, a long history. */
export function coreRows(): Row[] {
  const batch = (): unknown => {
    const plan = planBatch({
      lines: LINES,
      powders: POWDERS,
      size: { kind: 'volume', volumeMl: 10_000, sg: 1.45 },
      water: { kind: 'toSg', sg: 1.45 },
    });
    const parts = plan.lines.map((line) => ({
      powderId: line.powderId,
      name: line.name,
      part: line.part,
      grams: line.targetGrams,
      density: line.density,
    }));
    const events: BucketEvent[] = [{ ...head, type: 'filled', parts, waterGrams: plan.waterGrams, from: 'batch' }];
    return [replayBucket({ events }), recipeOutlook({ lines: LINES, powders: POWDERS })];
  };
  const curve = (): unknown =>
    coatCurve({ sg: 1.45, density: 2.62, state: 'normal', bisqueCone: '05', wallMm: 5, faces: 1, points: 200, mostSeconds: 10 });
  const history: BucketEvent[] = [
    { ...head, type: 'filled', parts: [{ powderId: 'p', name: 'Kaolin', part: 'base', grams: 9000, density: 2.6 }], waterGrams: 9000, from: 'batch' },
    ...Array.from({ length: 4999 }, (_, i): BucketEvent => {
      const own = { ...head, id: `e${i}`, at: new Date(Date.UTC(2026, 0, 1) + i * 3_600_000).toISOString() };
      return i % 2 ? { ...own, type: 'waterAdded', grams: 1 } : { ...own, type: 'sgMeasured', sg: 1.45 + 0.01 * Math.sin(i), sgSd: 0.005 };
    }),
  ];
  // As tablets send it when some were offline: the last third first.
  const late = [...history.slice(3333), ...history.slice(0, 3333)];
  const drops = Array.from({ length: 24 }, (_, i) => ({ drops: 5 * i, seconds: i < 8 ? 14 : Math.max(4, 14 - (i - 8)) + 0.1 * Math.sin(i) }));
  const pairs = Array.from({ length: 120 }, (_, i) => ({ x: 4 + (i % 40) / 4, y: 1.5 - i / 2000 + 0.004 * Math.sin(i) }));
  const present = LINES.slice(0, 10).map((line) => ({ powderId: line.powderId, grams: 100 * line.percent }));
  const convert = (): unknown => convertMix({ present, target: LINES });
  const overshoot = (): unknown =>
    rescueOvershoot({
      lines: LINES.map((line) => ({ lineId: line.id, targetGrams: line.percent, inGrams: line.percent * 1.1 })),
      divisionGrams: 0.1,
    });
  const solve = (): unknown =>
    substitute({ lines: LINES, powders: POWDERS, allowedIds: POWDERS.slice(2, 30).map((powder) => powder.id), newId: (powderId) => powderId });
  const rows = [
    { what: 'from one recipe to another, 12 lines', ms: middleMs(convert), most: 1 },
    { what: 'an overshoot rescued, 12 lines', ms: middleMs(overshoot), most: 1 },
    { what: 'a base solved from 28 powders', ms: middleMs(solve, { warmUp: 20, perRound: 5 }), most: 50 },
    { what: 'a 12-line batch, its bucket and its outlook', ms: middleMs(batch), most: 1 },
    { what: 'a coat curve of 200 points with its band', ms: middleMs(curve, { perRound: 20 }), most: 2 },
    { what: 'its drift from 2,500 readings', ms: middleMs(() => bucketDrift({ events: history }), { warmUp: 10, perRound: 5 }), most: 20 },
    { what: 'a bucket replayed from 5,000 events', ms: middleMs(() => replayBucket({ events: history }), { warmUp: 10, perRound: 5 }), most: 20 },
    { what: 'the same, a third of them come late', ms: middleMs(() => replayBucket({ events: late }), { warmUp: 10, perRound: 5 }), most: 20 },
    { what: 'the turning point of 24 steps', ms: middleMs(() => turningPoint({ points: drops }), { warmUp: 10, perRound: 5 }), most: 20 },
    {
      what: 'feel and SG from 120 pairs, with its spread',
      ms: middleMs(() => monotoneFit({ points: pairs, direction: 'falling' }), { warmUp: 10, perRound: 5 }),
      most: 20,
    },
  ];
  return rows.map(({ what, ms, most }) => ({ what, measured: `${ms.toFixed(3)} ms`, wanted: `under ${most} ms`, ok: ms < most }));
}
