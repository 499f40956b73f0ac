import { NgTemplateOutlet } from '@angular/common';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  type OnInit,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { MatStepperModule } from '@angular/material/stepper';
import { thirstTestSchema } from '@cazuela/contract';
import { attempt, readThirstTest, type ThirstTest } from '@cazuela/core';
import { map } from 'rxjs';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { contractForm } from '../../../ui/forms/contract-form';
import { NumberField } from '../../../ui/number-field';
import { ThirstTestsUnderWay, type ThirstDraft } from './thirst-tests-under-way';
import { Sure } from '../../../ui/sure';

/** Absorption of usual bisque, percent. */
const USUAL_ABSORPTION = [3, 30] as const;
const START: ThirstDraft = { dryGrams: null, afterGrams: null, soakedGrams: null, seconds: 3, faceCm2: null, faces: 2, divisionGrams: 0.1 };

/** The thirst test without any glaze, weight by weight. It takes until tomorrow, so what is weighed waits on this device. */
@Component({
  selector: 'cz-thirst-bench',
  imports: [Choice, MatButton, MatIcon, MatStepperModule, NgTemplateOutlet, NumberField, ReactiveFormsModule, Sure],
  templateUrl: './thirst-bench.html',
  styles: `
    .bench {
      display: grid;
      gap: 0.8rem;
      margin: 0.6rem 0;
      padding: 0.9rem 1.1rem;
      background: var(--kaolin);
      border-radius: var(--round);
    }
    .mat-stepper-vertical p {
      margin-bottom: 0.6rem;
    }
    .weighed {
      display: flex;
      flex-wrap: wrap;
      gap: 1rem;
      align-items: end;
      margin: 0.6rem 0 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThirstBench implements OnInit {
  readonly lotId = input.required<string>();
  readonly lotName = input.required<string>();
  readonly start = input<ThirstTest>();
  readonly kept = output<ThirstTest>();
  readonly left = output<void>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly injector = inject(Injector);
  private readonly feed = inject(ScaleFeed);
  private readonly underWay = inject(ThirstTestsUnderWay);
  protected readonly units = inject(Units);
  protected readonly form = contractForm<ThirstDraft>(thirstTestSchema, START);
  protected readonly faces = [
    [2, 'both faces'],
    [1, 'one face'],
  ] as const;
  protected firstOpen = 0;
  private readonly draft = toSignal(this.form.valueChanges.pipe(map(() => this.form.getRawValue())));
  protected readonly onScale = computed(() => {
    const now = this.feed.now();
    return now.kind === 'reading' && now.settling.settledGrams !== undefined && now.settling.settledGrams > 0 ? now.settling.settledGrams : undefined;
  });
  protected readonly read = computed(() => {
    const test = wholeTest(this.draft());
    return test && attempt(() => readThirstTest({ ...test, divisionGrams: this.units.divisionFor(test.dryGrams) }));
  });

  /** No clay drinks so much, and bisque seldom so little: a weight was mistyped, or the tile was not dry. */
  protected readonly odd = computed(() => {
    const read = this.read();
    const drinks = read?.kind === 'ok' ? read.value.absorptionPercent : undefined;
    return drinks !== undefined && (drinks < USUAL_ABSORPTION[0] || drinks > USUAL_ABSORPTION[1])
      ? `Bisque drinks ${USUAL_ABSORPTION.join(' to ')} %: is one of the weights mistyped, or was the tile damp?`
      : undefined;
  });

  constructor() {
    effect(() => {
      const draft = this.draft();
      if (this.form.dirty && draft) this.underWay.set(this.lotId(), draft);
    });
  }

  ngOnInit(): void {
    const draft = this.underWay.of(this.lotId()) ?? this.start() ?? START;
    this.firstOpen = draft.dryGrams === null || draft.faceCm2 === null ? 0 : draft.afterGrams === null ? 1 : 2;
    this.form.setValue(draft);
  }

  /** A step that opened takes its weight at once. */
  protected focusWeight(step: number): void {
    afterNextRender(() => this.host.querySelectorAll<HTMLElement>('.large input')[step]?.focus(), { injector: this.injector });
  }

  protected keep(): void {
    const test = wholeTest(this.draft());
    if (!test) return;
    this.underWay.forget(this.lotId());
    this.kept.emit({ ...test, divisionGrams: this.units.divisionFor(test.dryGrams) });
  }

  protected forget(): void {
    this.underWay.forget(this.lotId());
    this.left.emit();
  }
}

const wholeTest = (draft: ThirstDraft | undefined): ThirstTest | undefined =>
  draft && Object.values(draft).every((value) => value !== null) ? (draft as ThirstTest) : undefined;
