import { Injectable } from '@angular/core';
import type { ThirstTest } from '@cazuela/core';
import * as z from 'zod';
import { deviceSignal } from '../../../data/offline/kept-signal';

const figure = z.number().nullable();
const draftSchema = z.object({
  dryGrams: figure,
  afterGrams: figure,
  soakedGrams: figure,
  seconds: figure,
  faceCm2: figure,
  faces: z.union([z.literal(1), z.literal(2)]),
  divisionGrams: z.number(),
});
/** A thirst test as far as it is weighed; null for what is not. */
export type ThirstDraft = { [Key in keyof ThirstTest]: Key extends 'faces' | 'divisionGrams' ? ThirstTest[Key] : ThirstTest[Key] | null };

/** Thirst tests whose tile still soaks, by lot, on this device. */
@Injectable({ providedIn: 'root' })
export class ThirstTestsUnderWay {
  private readonly tests = deviceSignal<Record<string, ThirstDraft>>(
    'thirst-tests',
    {},
    (kept) => z.record(z.string(), draftSchema).safeParse(kept).data,
  );

  of(lotId: string): ThirstDraft | undefined {
    return this.tests()[lotId];
  }

  set(lotId: string, draft: ThirstDraft): void {
    this.tests.update((tests) => ({ ...tests, [lotId]: draft }));
  }

  forget(lotId: string): void {
    this.tests.update(({ [lotId]: _forgotten, ...others }) => others);
  }
}
