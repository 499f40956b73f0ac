import { ChangeDetectionStrategy, Component, computed, inject, input, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { lineOnScale, replayBatch, rescueOvershoot, type Entered } from '@cazuela/core';
import { tap, timer } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BenchLog, withDoneHere, type NewEvent } from '../../../data/bench-log';
import { deed } from '../../../data/deed';
import { Keys } from '../../../data/keys';
import { loadedFor } from '../../../data/load';
import { Outbox } from '../../../data/outbox';
import { StudioApi } from '../../../data/studio-api';
import { StudioStore } from '../../../data/studio-store';
import { Units } from '../../../data/units';
import { Coming } from '../../../parts/coming';
import { NumberField, type TypedNumber } from '../../../parts/number-field';
import { Says } from '../../../parts/says';
import { powderHint, rescueWords, scaleWords, sieveWords } from '../weigh-words';

/** Another tablet may weigh the same batch: the records are asked again this often, ms. */
const LOOK_AGAIN_MS = 4_000;

/** One line fills the screen; one key goes on. What happened is an event, so a reload stands at the same line. */
@Component({
  selector: 'cz-weigh-bench',
  imports: [NumberField, Says, Coming],
  templateUrl: './weigh-bench.html',
  styleUrl: './weigh-bench.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeighBench {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly store = inject(StudioStore);
  private readonly router = inject(Router);
  private readonly field = viewChild(NumberField);
  protected readonly units = inject(Units);
  protected readonly finishing = deed();
  protected readonly loadedBatch = loadedFor(
    () => this.id(),
    (id) => this.api.batch(id),
  );
  protected readonly batch = this.loadedBatch.value;
  protected readonly typed = signal<TypedNumber>({ value: null });
  protected readonly noting = signal(false);
  protected readonly bucketName = signal<string | undefined>(undefined);
  protected readonly state = computed(() => {
    const batch = this.batch();
    return batch && replayBatch({ plan: batch.plan, events: withDoneHere(batch.events, this.outbox.doneHere('batch', batch.id)) });
  });
  protected readonly step = computed(() => this.state()?.step);
  protected readonly line = computed(() => {
    const step = this.step();
    return step?.kind === 'line' ? step.line : undefined;
  });
  protected readonly target = computed(() => {
    const step = this.step();
    return step?.kind === 'water' ? step.toPourGrams : this.line()?.toWeighGrams;
  });
  protected readonly coming = computed(
    () =>
      this.state()
        ?.lines.filter((line) => line.state === 'waiting' && line !== this.line())
        .slice(0, 6) ?? [],
  );
  protected readonly remark = computed(() => {
    const scale = this.store.studio()?.scale;
    const line = this.line();
    return scale && line ? scaleWords(lineOnScale({ ...scale, targetGrams: line.toWeighGrams }), this.units) : '';
  });
  protected readonly hint = computed(() => powderHint(this.line()?.hazards ?? []));
  protected readonly sieve = computed(() => sieveWords(this.batch()?.plan.lines.map((line) => line.sieveMesh) ?? []));
  private readonly division = computed(() => this.store.studio()?.scale.divisionGrams ?? 0.1);
  /** Too much or too little against the target, beyond what the scale can tell. */
  protected readonly off = computed(() => {
    const target = this.target();
    const { value } = this.typed();
    if (target === undefined || value === null || Math.abs(value - target) <= Math.max(this.division(), 0.005 * target)) return undefined;
    const amount = this.units.mass(Math.abs(value - target));
    return value > target
      ? `${amount} too much. Still in the pan: take it out and type again. In the bucket already: raise the batch, or go on as it is; the bucket is made of what really went in.`
      : `${amount} short. Add it and type again, or go on: the bucket is made of what really went in.`;
  });
  /** What raising the whole batch to a typed overshoot would mean; nothing when there is none. */
  protected readonly rescue = computed(() => {
    const state = this.state();
    const line = this.line();
    const batch = this.batch();
    const { value } = this.typed();
    if (!state || !line || !batch || value === null || !this.off() || value <= line.toWeighGrams) return undefined;
    const lines = state.lines.map((one, index) => ({
      lineId: one.lineId,
      targetGrams: batch.plan.lines[index]!.targetGrams,
      inGrams: one.inGrams + (one.lineId === line.lineId ? value : 0),
    }));
    const { factor } = rescueOvershoot({ lines, divisionGrams: this.division() });
    return rescueWords({ factor, plan: batch.plan, units: this.units });
  });
  protected readonly waiting = computed(() => this.outbox.isWaiting(this.id()));

  constructor() {
    toSignal(timer(LOOK_AGAIN_MS, LOOK_AGAIN_MS).pipe(tap(() => this.loadedBatch.reload())));
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'next', inFields: true, run: () => this.next() },
      { keys: ['backspace'], words: 'back: take the last weight back', run: () => this.back() },
      { keys: ['s'], words: 'skip this line', run: () => this.skip() },
      { keys: ['o'], words: 'too much is in: raise the batch', inFields: true, run: () => this.raise() },
      { keys: ['n'], words: 'note something', run: () => this.noting.set(true) },
      { keys: ['escape'], words: 'leave; it keeps its place', inFields: true, run: () => this.leave() },
      // A digit goes straight into the weight, without aiming at the field.
      {
        keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '.', ','],
        words: 'type what the scale shows',
        passOn: true,
        run: () => this.field()?.focus(),
      },
    ]);
  }

  /** A wet finger taps twice: the second tap of a double one never ticks the line that has just come up. */
  protected tap(event: MouseEvent): void {
    if (event.detail <= 1) this.next();
  }

  protected next(): void {
    const step = this.step();
    if (this.noting() || !step) return;
    switch (step.kind) {
      case 'respirator':
        return this.note({ type: 'respiratorOn' });
      case 'water':
        return this.note({ type: 'waterPoured', ...this.weighed() });
      case 'line':
        return this.note({ type: 'lineWeighed', lineId: step.line.lineId, ...this.weighed() });
      case 'mix':
        return this.finish();
      case 'finished':
        void this.router.navigate(['/bucket', step.bucketId]);
    }
  }

  protected back(): void {
    const eventId = this.state()?.lastUndoable;
    if (eventId && this.step()?.kind !== 'finished') this.note({ type: 'undone', eventId });
  }

  /** Too much is in the bucket already: every other line and the water follow, so that the ratio holds. */
  protected raise(): void {
    const rescue = this.rescue();
    const line = this.line();
    if (!rescue?.can || !line) return;
    this.note({ type: 'lineWeighed', lineId: line.lineId, ...this.weighed() });
    this.note({ type: 'batchRaised', factor: rescue.factor, divisionGrams: this.division() });
  }

  protected skip(): void {
    const line = this.line();
    if (line) this.note({ type: 'lineSkipped', lineId: line.lineId });
  }

  protected keepNote(text: string): void {
    const lineId = this.line()?.lineId;
    if (text.trim()) this.note({ type: 'noted', text: text.trim(), ...(lineId ? { lineId } : {}) });
    this.noting.set(false);
  }

  protected leave(): void {
    if (this.noting()) this.noting.set(false);
    else void this.router.navigateByUrl('/weigh');
  }

  protected finish(): void {
    const batch = this.batch();
    if (!batch || this.waiting()) return;
    const finish = {
      bucketId: uuid(),
      filledEventId: uuid(),
      finishedEventId: uuid(),
      at: new Date().toISOString(),
      by: this.store.by(),
      name: this.bucketName()?.trim() || batch.recipeName,
    };
    this.finishing.run(this.api.finishBatch(batch.id, finish), (bucket) => void this.router.navigate(['/bucket', bucket.id]));
  }

  protected value(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }

  private weighed(): { grams: number; entered?: Entered } {
    const { value, entered } = this.typed();
    return value === null ? { grams: this.target()! } : { grams: value, ...(entered ? { entered } : {}) };
  }

  private note(event: NewEvent<'batch'>): void {
    this.log.note('batch', this.id(), event);
    this.typed.set({ value: null });
    if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
  }
}
