export { blendVolumes, shareVolumes, type BlendQuestion, type TwoBuckets } from './blend';
export { ladder, type Ladder, type LadderCup } from './ladder';
export { USUAL_STAIN_PERCENT, baseDryGrams, stainForPercent, stainToRaise, baseToDilute } from './percent';
export { waterToRestoreSg, type StainedBucket, type RestoredSg } from './restore-sg';
export { MOST_STEPS, evenSteps, oneCupSeries, separateCupsSeries, blendSeries, shareSeries, type Series, type SeriesStep } from './series';
export { seriesSheet, type SeriesQuestion, type SeriesSheet } from './series-sheet';
export { rescueParts, stainInside, type StainInside } from './stain-inside';
