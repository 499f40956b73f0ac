import type {
  AgainstEarlier,
  RecordsComparison,
  BucketContents,
  CorrectionPlan,
  DaysInRange,
  Evaporated,
  EvaporationBasis,
  WeighedDifference,
} from '@cazuela/core';
import type { NewEvent } from '../../data/offline/bench-log';
import type { Units } from '../../data/units/units';
import { DROP_NAMES } from './bucket-page/cures/cure-words';
import { NAIL_WORDS } from './bucket-page/feel/feel-words';

/** An event of a bucket's history in the words of the bench. */
export function eventWords(event: NewEvent<'bucket'>, units: Units): string {
  switch (event.type) {
    case 'filled':
      return { batch: 'Filled from the batch', split: 'Poured from another bucket', shelf: 'Put on the shelf' }[event.from];
    case 'sgMeasured':
      return `SG ${units.sgFine(event.sg)} ± ${units.sgFine(event.sgSd)}${event.reading ? `, ${event.reading.vessel}` : event.how ? `, ${event.how}` : ''}`;
    case 'volumeMeasured':
      return event.depthMm
        ? `Stands ${Math.round(event.depthMm)} mm deep: ${units.litres(event.volumeMl)}`
        : `Holds ${event.entered ? `${units.typed(event.entered.value)} ${event.entered.unit}` : units.litres(event.volumeMl)}`;
    case 'waterAdded':
      return `${event.entered ? `${units.typed(event.entered.value)} ${event.entered.unit}` : units.millilitres(event.grams)} of water in`;
    case 'waterPouredOff':
      return `${units.millilitres(event.grams)} of clear water poured off and kept`;
    case 'powderAdded': {
      const grams = event.parts.reduce((sum, part) => sum + part.grams, 0);
      const what = {
        stain: event.parts[0]?.name ?? 'stain',
        rescue: 'base, to rescue it',
        thicken: 'powder of the recipe',
        suspend: event.parts[0]?.name ?? 'suspender',
      }[event.reason];
      return `${units.mass(grams)} of ${what} in`;
    }
    case 'glazeTaken':
      return `${units.millilitres(event.millilitres)} out: ${{ split: 'poured into another bucket', dips: 'on pots', other: 'poured on', waste: 'thrown away' }[event.reason]}`;
    case 'stirred':
      return 'Stirred';
    case 'dropsAdded':
      return `${event.drops} ${event.drops === 1 ? 'drop' : 'drops'} of ${DROP_NAMES[event.of ?? 'epsom']} in`;
    case 'gumAdded':
      return `${units.millilitres(event.millilitres)} of gum solution in`;
    case 'swirlTimed':
      return `Swirl stopped after ${units.typed(event.seconds)} s${event.springsBack ? ', and sprang back' : ''}`;
    case 'stateTold':
      return `Said to be ${event.state}`;
    case 'flowTimed':
      return `Flow cup empty after ${units.typed(event.seconds)} s`;
    case 'dripsCounted':
      return `${event.drips} ${event.drips === 1 ? 'drip' : 'drips'} from a finger`;
    case 'nailLooked':
      return `Thumbnail: ${NAIL_WORDS[event.shows]}`;
    case 'lidSet':
      return event.lid === 'open' ? 'Lid off' : 'Lid on';
    case 'codeRead':
      return 'Code read before dipping';
    case 'contaminated':
      return `Contaminated: ${event.text}`;
    case 'noted':
      return event.text;
    case 'undone':
      return 'Taken back';
  }
}

export interface RangeAdvice {
  tone: 'good' | 'look' | 'stop';
  what: string;
  how: string;
  /** A button that books what was done. */
  action?: { words: string; kind: 'water' | 'pourOff'; grams: number };
}

/** What to do about an SG, in two stages. After the first one it asks for a measurement. */
export function rangeAdvice(
  plan: CorrectionPlan,
  bucket: { changedSinceMeasured: boolean; sg: number; targetSg: number; volumeMl: number; measured: boolean },
  units: Units,
): RangeAdvice {
  const sum = `${units.litres(bucket.volumeMl)} × ${units.sgFine(bucket.sg)} → ${units.sgFine(bucket.targetSg)}`;
  const first = units.pourable(plan.kind === 'thin' || plan.kind === 'thicken' ? plan.firstMl : 0);
  const measureFirst = bucket.changedSinceMeasured && bucket.measured;
  if (!bucket.measured && plan.kind !== 'inRange') {
    return {
      tone: 'look',
      what: 'Measure it before you correct it.',
      how: 'Its SG is only the sum of what was weighed: moisture and spilt water are not in it.',
    };
  }
  switch (plan.kind) {
    case 'inRange':
      return {
        tone: 'good',
        what: measureFirst ? 'In range by the sum: stir and measure to be sure.' : 'In range.',
        how: bucket.measured ? '' : 'By the sum of what was weighed; a measurement makes it sure.',
      };
    case 'measureBetter':
      return {
        tone: 'look',
        what: 'Measure with more glaze first.',
        how: `It is off by ${units.sgFine(Math.abs(plan.off))}, less than twice the error of the reading. A fuller or finer vessel: ± ${units.sgFine(plan.neededSd)} would tell.`,
      };
    case 'thin':
      return measureFirst
        ? {
            tone: 'look',
            what: 'Stir, then measure again.',
            how: `By the sum ${units.millilitres(plan.waterMl)} are still missing (${sum}); the new measurement decides.`,
            action: { words: `${units.millilitres(plan.waterMl)} more went in`, kind: 'water', grams: plan.waterMl },
          }
        : {
            tone: 'stop',
            what: `Add ${units.millilitres(first)} of water, stir, measure.`,
            how: `${sum}: ${units.millilitres(plan.waterMl)} in all, four fifths of it first; then ${units.millilitres(plan.waterMl - first)} or what the new measurement says.`,
            action: { words: `${units.millilitres(first)} went in`, kind: 'water', grams: first },
          };
    case 'thicken':
      return measureFirst
        ? { tone: 'look', what: 'Stir, then measure again.', how: `By the sum it is still thin (${sum}).` }
        : {
            tone: 'stop',
            what: `Let it settle and pour off ${units.millilitres(first)} of clear water.`,
            how: `${sum}: ${units.millilitres(plan.pourOffMl)} in all, four fifths first. Keep the water: soluble flux is in it. Not for recipes with soluble powders.`,
            action: { words: `${units.millilitres(first)} poured off`, kind: 'pourOff', grams: first },
          };
  }
}

/** What a reading means beside the records; undefined when they agree. */
export function bookWords(against: RecordsComparison, units: Units): string {
  switch (against.kind) {
    case 'agrees':
      return '';
    case 'thicker':
      return `By the records it was ${units.sg(against.bookSg)}: about ${units.millilitres(against.waterGrams)} of water have left it since.`;
    case 'thinner':
      return `By the records it was ${units.sg(against.bookSg)}: about ${units.millilitres(against.waterGrams)} more water is in it, or powder lies on the bottom. Was it stirred from the bottom up?`;
    case 'impossible':
      return `By the records it should be near ${units.sg(against.bookSg)}, and nothing that happens to a bucket makes this of it. Stir, check the empty weight, the volume and the unit, and measure again before you keep it.`;
  }
}

/** A reading beside those of the same visit; undefined when they agree. */
export function earlierWords(against: AgainstEarlier, units: Units): string {
  if (against.kind === 'agrees') return '';
  return `The reading just before was ${units.sgFine(against.earlierSg)}: ${units.sgFine(Math.abs(against.apart))} apart is more than both can be off. Stirred from the bottom up both times? Keep this one too, or leave the earlier out.`;
}

/** Water gone since the last reading, as an estimate that says what it rests on. */
export function evaporatedWords({ basis, waterMl, lowMl, highMl, sgNow }: Evaporated, units: Units): string {
  const rests = basis === 'learnt' ? 'from its own readings' : 'a starting guess from its surface and lid';
  return `About ${units.millilitres(waterMl)} of water (${units.millilitres(lowMl)}–${units.millilitres(highMl)}) have left since it was measured: near ${units.sg(sgNow)} by now, ${rests}.`;
}

/** Days it has left in its range, short enough for the list. */
export function daysLeftWords(left: DaysInRange & { basis: EvaporationBasis }): string {
  const days = Math.round(left.days);
  const about = days > 60 ? 'over two months' : days < 1 ? 'less than a day' : `about ${days} ${days === 1 ? 'day' : 'days'}`;
  return `${about} in range${left.basis === 'guess' ? ', a guess' : ''}`;
}

/** How a bucket drifts and how long it will stay in range, with what that rests on. */
export function driftWords(drift: NonNullable<BucketContents['drift']>, left: DaysInRange | undefined, units: Units): string {
  const basis = `from ${drift.spells} spells between its readings`;
  const direction = drift.perDay > 0 ? 'Thickens' : 'Thins';
  const speed = `${direction} by ${units.sgFine(Math.abs(drift.perDay))} a day, ${basis}.`;
  if (!left) return speed;
  const days = (count: number): string => String(Math.round(count));
  const range = left.mostDays === undefined ? `${days(left.leastDays)} or more` : `${days(left.leastDays)}–${days(left.mostDays)}`;
  if (left.days < 1.5) return `${speed} Leaves its range ${left.days < 0.5 ? 'today' : 'tomorrow'}.`;
  return `${speed} Leaves its range in about ${days(left.days)} days (${range}).`;
}

/** One powder that went in otherwise than its recipe wants. */
export function differenceWords(name: string, { isGrams, wantedGrams }: WeighedDifference, units: Units): string {
  if (isGrams === 0) return `${name} is missing, ${units.mass(wantedGrams)}`;
  if (wantedGrams === 0) return `${name} is in, ${units.mass(isGrams)}, and is not in the recipe`;
  return `${units.mass(Math.abs(isGrams - wantedGrams))} too ${isGrams > wantedGrams ? 'much' : 'little'} ${name}`;
}
