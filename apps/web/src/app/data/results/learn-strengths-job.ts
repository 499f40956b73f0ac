import { learntStrengths, type CauseStrengths, type JudgedPiece } from '@cazuela/core';

/** All pieces of the studio that were looked at. */
export interface LearnStrengthsJob {
  pieces: JudgedPiece[];
}

/** What one worker does. */
export const doLearnStrengthsJob = ({ pieces }: LearnStrengthsJob): CauseStrengths => learntStrengths(pieces);
