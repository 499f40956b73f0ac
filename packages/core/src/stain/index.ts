export { blendVolumes, type BlendQuestion } from './blend';
export { ladder, type Ladder } from './ladder';
export { USUAL_STAIN_PERCENT, baseDryGrams, stainForPercent, stainToRaise, baseToDilute } from './percent';
export { waterToRestoreSg, type StainedBucket, type RestoredSg } from './restore-sg';
export { MOST_STEPS, evenSteps, oneCupSeries, separateCupsSeries, blendSeries, type Series, type SeriesStep } from './series';
export { seriesSheet, type SeriesQuestion, type SeriesSheet } from './series-sheet';
