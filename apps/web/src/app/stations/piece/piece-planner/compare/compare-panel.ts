import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { attempt, layersOf, quickForecast, type PieceRunQuestion, type RunForecast, type TimedStep } from '@cazuela/core';
import { catchError, concat, debounceTime, defer, filter, map, of, scan, switchMap, take, type Observable } from 'rxjs';
import { CONE_OPTIONS } from '../../../../data/units/cone-options';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import type { FieldOption } from '../../../../ui/options';
import { SelectField } from '../../../../ui/select-field';
import { PieceDraft } from '../draft/piece-draft';
import { stepsOn, worstOn } from '../figures/plan-on';
import { PieceScreen } from '../piece-screen';
import { PieceRuns } from '../run/piece-runs';
import { verdictWords } from '../run/run-words';
import { isThicker, knownOfVariant, variantChange, variantWords, type PlanVariant } from './plan-variant';

const MOST_VARIANTS = 6;
const PLANNED: PlanVariant = {};
/** The draws of variants begin once nothing was added for so long, ms. */
const REST_MS = 300;
/** What decides a run: a coat runs the same from a thinner bucket and on another body, so nothing is drawn twice for them. */
const keyOf = ({ plan, overlaps = [] }: PieceRunQuestion): string => JSON.stringify([{ ...plan, thinned: undefined }, overlaps]);

/** The same plan on another body, at another cone or from a thinner bucket, side by side: seconds, risk, and what speaks most against each. */
@Component({
  selector: 'cz-compare-panel',
  imports: [MatButton, NumberField, SelectField],
  templateUrl: './compare-panel.html',
  styleUrl: './compare-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparePanel {
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  private readonly runs = inject(PieceRuns);
  private readonly units = inject(Units);
  private readonly variants = signal<readonly PlanVariant[]>([]);
  private readonly plan = computed(() => this.screen.settledBody()!.plan);
  protected readonly isFull = computed(() => this.variants().length >= MOST_VARIANTS);
  protected readonly bodyOptions = computed((): FieldOption[] => [
    ['', 'this body'],
    ...this.screen
      .bodies()
      .filter(({ id }) => id !== this.screen.clay()?.id)
      .map(({ id, name }) => [id, name] as const),
  ]);
  protected readonly coneOptions: readonly FieldOption[] = [['', 'this cone'], ...CONE_OPTIONS];
  /** Buckets that are dipped or poured from: their SG decides the seconds. */
  protected readonly bucketOptions = computed((): FieldOption[] => {
    const used = new Set(layersOf(this.plan()).map(({ bucketId }) => bucketId));
    return this.screen
      .facts()
      .filter(({ bucketId }) => used.has(bucketId))
      .map(({ bucketId, name }) => [bucketId, name] as const);
  });
  private readonly chosenBucket = signal('');
  protected readonly bodyId = signal('');
  protected readonly cone = signal('');
  protected readonly sg = signal<number | null>(null);
  protected readonly hasChoice = computed(() => this.bodyId() !== '' || this.cone() !== '' || this.sg() !== null);
  protected readonly bucketId = computed(() => this.bucketOptions().find(([id]) => id === this.chosenBucket())?.[0] ?? this.bucketOptions()[0]?.[0]);
  /** Each variant with what it stands on. */
  private readonly cases = computed(() =>
    [PLANNED, ...this.variants()].map((variant) => {
      const change = variantChange(variant, this.plan());
      const plan = change.plan ?? this.plan();
      const clay = change.bodyId ? this.screen.bodies().find(({ id }) => id === change.bodyId) : this.screen.clay();
      const known = knownOfVariant(this.screen.knownWith({ clay, plan }), variant);
      const question: PieceRunQuestion = { plan, shape: this.screen.restedShape(), glazes: known.glazes, overlaps: known.overlaps };
      return { variant, change, plan, known, question, key: keyOf(question) };
    }),
  );
  /** Forecasts from the draws, by what decides them; one after another. */
  private readonly drawn = toSignal(
    toObservable(computed(() => this.cases().map(({ question, key }) => ({ question, key })))).pipe(
      debounceTime(REST_MS),
      switchMap((cases) =>
        concat(...[...new Map(cases.slice(1).map((one) => [one.key, one])).values()].map((one) => this.drawnFor(one))).pipe(
          scan((all, [key, forecast]) => new Map(all).set(key, forecast), new Map<string, RunForecast>()),
        ),
      ),
    ),
    { initialValue: new Map<string, RunForecast>() },
  );
  protected readonly rows = computed(() => {
    const plannedKey = this.cases()[0]!.key;
    return this.cases().map(({ variant, change, plan, known, question, key }, at) => {
      // The same run as planned is the same figure.
      const forecast = key === plannedKey ? this.screen.run.forecast() : (this.drawn().get(key) ?? quickOf(question));
      const verdict = forecast && verdictWords(forecast, undefined, { plan, shape: question.shape, units: this.units });
      return {
        id: at,
        words: variantWords(variant, { bodies: this.screen.bodies(), names: this.screen.names() }),
        dips: this.dipWords(stepsOn(plan, known), known.glazes),
        risk: verdict ? `${verdict.figure} ${verdict.words}` : 'Nothing runs.',
        tone: verdict?.tone ?? 'small',
        isQuick: forecast?.from === 'quickLook',
        worst: worstOn(plan, known, forecast) ?? 'Nothing speaks against it.',
        change: at === 0 || isThicker(variant, this.screen.facts()) ? undefined : change,
        isThicker: isThicker(variant, this.screen.facts()),
      };
    });
  });

  private drawnFor({ question, key }: { question: PieceRunQuestion; key: string }): Observable<[string, RunForecast]> {
    return defer(() => this.runs.run(question)).pipe(
      map(({ forecast }) => forecast),
      filter((forecast) => forecast !== undefined),
      take(1),
      map((forecast): [string, RunForecast] => [key, forecast]),
      // The quick look stays where the draws fail.
      catchError(() => of<[string, RunForecast]>()),
    );
  }

  private dipWords(steps: readonly TimedStep[], glazes: readonly { bucketId: string; name: string; sg: number }[]): string[] {
    return steps.flatMap(({ layer, dip }) => {
      const glaze = glazes.find(({ bucketId }) => bucketId === layer?.bucketId);
      if (!layer || !glaze || !dip) return [];
      const seconds = dip.kind === 'ok' ? this.units.seconds(dip.seconds) : 'not possible';
      return [`${glaze.name} ${this.units.coat(layer.coatMm)}: ${seconds} at SG ${glaze.sg.toFixed(2)}`];
    });
  }

  /** What is chosen in the fields, together as one variant. */
  protected add(): void {
    const [bodyId, cone, sg, bucketId] = [this.bodyId(), this.cone(), this.sg(), this.bucketId()];
    const variant: PlanVariant = {
      ...(bodyId ? { bodyId } : {}),
      ...(cone ? { cone } : {}),
      ...(sg !== null && bucketId ? { bucket: { bucketId, sg } } : {}),
    };
    const isThere = this.variants().some((one) => JSON.stringify(one) === JSON.stringify(variant));
    if (!this.hasChoice() || this.isFull()) return;
    if (!isThere) this.variants.update((all) => [...all, variant]);
    this.bodyId.set('');
    this.cone.set('');
    this.sg.set(null);
  }

  protected chooseBucket(bucketId: string): void {
    this.chosenBucket.set(bucketId);
  }

  protected remove(at: number): void {
    this.variants.update((all) => all.filter((_, index) => index !== at - 1));
  }
}

function quickOf(question: PieceRunQuestion): RunForecast | undefined {
  const made = attempt(() => quickForecast(question));
  return made.kind === 'ok' ? made.value : undefined;
}
