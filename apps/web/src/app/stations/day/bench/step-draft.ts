import { Injectable } from '@angular/core';
import { middleSeconds, type DayStep, type PieceDone, type StepDone } from '@cazuela/core';
import { stepDoneSchema } from '@cazuela/contract';
import * as z from 'zod';
import { deviceSignal } from '../../../data/offline/kept-signal';

/** What is said of a step while hands are at it. */
export interface StepSaid extends StepDone {
  /** The stopwatch runs since then, ms. */
  timedSinceMs?: number | undefined;
}

const keptSchema = z.strictObject({ stepId: z.string(), said: stepDoneSchema.extend({ timedSinceMs: z.number().optional() }) });

/** What was timed, typed and weighed of a step before it is ticked: there again after a reload, even in the middle of a dip. */
@Injectable({ providedIn: 'root' })
export class StepDraft {
  private readonly kept = deviceSignal<{ stepId: string; said: StepSaid }>(
    'day-step',
    { stepId: '', said: {} },
    (kept) => keptSchema.safeParse(kept).data,
  );

  of(stepId: string | undefined): StepSaid {
    const { stepId: known, said } = this.kept();
    return known === stepId ? said : {};
  }

  say(stepId: string, change: Partial<StepSaid>): void {
    const said = { ...this.of(stepId), ...change };
    this.kept.set({ stepId, said: Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) });
  }

  /** One more dip was timed: the next piece that has no seconds yet. */
  timed(stepId: string, seconds: number, count: number): void {
    const pieces = [...(this.of(stepId).pieces ?? [])];
    const at = pieces.findIndex((piece) => piece.seconds === undefined);
    if (at >= 0) pieces[at] = { ...pieces[at], seconds };
    else if (pieces.length < count) pieces.push({ seconds });
    else pieces[pieces.length - 1] = { ...pieces.at(-1), seconds };
    this.say(stepId, { pieces, seconds: middleSeconds(pieces), timedSinceMs: undefined });
  }

  piece(stepId: string, at: number, change: PieceDone): void {
    const pieces = [...(this.of(stepId).pieces ?? [])];
    while (pieces.length <= at) pieces.push({});
    pieces[at] = Object.fromEntries(Object.entries({ ...pieces[at], ...change }).filter(([, value]) => value !== undefined));
    this.say(stepId, { pieces, ...('seconds' in change ? { seconds: middleSeconds(pieces) } : {}) });
  }

  /** As it is kept with the tick. */
  done({ id }: DayStep): StepDone {
    const { timedSinceMs: _since, pieces, ...done } = this.of(id);
    const said = (pieces ?? []).some((piece) => Object.keys(piece).length > 0);
    return { ...done, ...(said ? { pieces } : {}) };
  }

  /** The same of some of the pieces: a lot of their own. */
  ofPieces({ seconds: _all, pieces: _pieces, ...done }: StepDone, pieces: readonly PieceDone[]): StepDone {
    const seconds = middleSeconds(pieces);
    return { ...done, ...(seconds === undefined ? {} : { seconds }), ...(pieces.length > 0 ? { pieces: [...pieces] } : {}) };
  }

  clear(): void {
    this.kept.set({ stepId: '', said: {} });
  }
}
