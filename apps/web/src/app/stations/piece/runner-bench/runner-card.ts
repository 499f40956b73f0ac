import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormArray, FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { runnerLayerSchema, runnerTileBodySchema, runnerTileSchema, type RunnerTile, type RunnerTileBody } from '@cazuela/contract';
import { runnerReadings, attempt, flowOfReading, movementWord, USUAL_CONE } from '@cazuela/core';
import { map } from 'rxjs';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { contractForm, contractValidator, formProblem } from '../../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { NumberField } from '../../../ui/number-field';
import { TwoVersions } from '../../../parts/two-versions';
import { SelectField } from '../../../ui/select-field';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { Notice } from '../../../ui/notice';
import { RecordMenu } from '../../../parts/records/record-menu';
import { ExplainedText } from '../../../parts/words/explained-text';

const UNMEASURED = { bandMm: null as number | null, cone: USUAL_CONE, holdMinutes: 10 as number | null, runMm: null as number | null };

/** One runner tile: how it is made, where it was fired, and how far it ran. */
@Component({
  selector: 'cz-runner-card',
  imports: [ExplainedText, MatButton, NumberField, ReactiveFormsModule, RecordMenu, SelectField, TwoVersions],
  templateUrl: './runner-card.html',
  styles: `
    article {
      display: grid;
      gap: 0.6rem;
      justify-items: start;
      padding: 0.9rem 1rem;
      background: var(--paper);
      border: 1px solid var(--line);
      border-radius: var(--round);
    }
    svg {
      float: right;
      width: 90px;
      height: 120px;
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
      gap: 0.7rem;
      width: 100%;
      align-items: end;
    }
    .clay {
      fill: var(--slip);
      stroke: var(--iron);
    }
    .glaze {
      fill: var(--rutile);
    }
    .ran {
      fill: var(--rutile);
      opacity: 0.55;
    }
    .start {
      stroke: var(--iron);
      stroke-dasharray: 3 3;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunnerCard {
  readonly tile = input.required<RunnerTile>();
  /** How it is made; none once it was fired. */
  readonly steps = input<readonly string[]>([]);
  readonly kept = output<RunnerTile>();
  readonly deleted = output<void>();
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  private readonly notice = inject(Notice);
  protected readonly saving = createMutation();
  protected readonly cones = CONE_OPTIONS;
  protected readonly form = new FormGroup({
    ...contractForm(runnerTileBodySchema, UNMEASURED).controls,
    coats: new FormArray<FormControl<number | null>>([]),
  });
  private readonly typed = toSignal(this.form.valueChanges.pipe(map(() => this.body())));
  protected readonly draft = computed(() => this.typed() ?? this.tile().body);
  protected readonly problem = formProblem(
    () => this.form,
    () => this.saving.failure()?.problem,
  );
  protected readonly stale = computed(() => {
    const problem = this.saving.failure()?.problem;
    return problem?.code === 'stale' ? runnerTileSchema.safeParse(problem.current).data : undefined;
  });
  protected readonly title = computed(() =>
    [...this.tile().body.layers]
      .reverse()
      .map((layer) => layer.glazeName)
      .join(' over '),
  );
  protected readonly made = computed(() => `Planned by ${this.tile().body.by}, ${formatWhen(this.tile().createdAt)}.`);
  /** What this run says by itself. */
  protected readonly tells = computed(() => {
    const [reading] = runnerReadings([{ ...this.tile(), body: this.draft() }]);
    const flow = reading && attempt(() => flowOfReading(reading));
    if (flow?.kind !== 'ok') return undefined;
    const together = this.draft().layers.length > 1 ? 'Together they' : 'It';
    return `${together} ${movementWord({ flow: flow.value })} at a normal dip in a usual cone 6 firing: flow figure ${Number(flow.value.toPrecision(2))} per mm. Plans reckon with it, give or take what a ruler and a kiln leave open.`;
  });
  private readonly whole = computed(() => this.draft().bandMm + Math.max(40, this.draft().runMm ?? 0));
  protected readonly bandHigh = computed(() => this.high(this.draft().bandMm));

  constructor() {
    askBeforeLeaving(() => this.form.dirty);
    effect(() => {
      const { layers, bandMm, cone = UNMEASURED.cone, holdMinutes = UNMEASURED.holdMinutes, runMm = null } = this.tile().body;
      const coats = layers.map(({ coatMm }) => coatMm);
      const rule = contractValidator(runnerLayerSchema.shape.coatMm);
      this.form.setControl('coats', new FormArray(coats.map((coatMm) => new FormControl<number | null>(coatMm, rule))));
      this.form.reset({ bandMm, cone, holdMinutes, runMm, coats });
    });
  }

  protected high(mm: number): number {
    return (96 * mm) / this.whole();
  }

  protected save(version: number): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    this.saving.run(this.api.updateRunnerTile({ id: this.tile().id, version, body: this.body() }), (tile) => {
      this.form.markAsPristine();
      this.kept.emit(tile);
      this.notice.tell('The tile is kept.');
    });
  }

  protected takeTheirs(tile: RunnerTile): void {
    this.form.markAsPristine();
    this.saving.clear();
    this.kept.emit(tile);
  }

  /** The tile as it is typed; a run that is emptied was not measured, any other emptied figure is as it was. */
  private body(): RunnerTileBody {
    const { runMm: _before, ...made } = this.tile().body;
    const { bandMm, cone, holdMinutes, runMm, coats } = this.form.getRawValue();
    return {
      ...made,
      layers: made.layers.map((layer, at) => ({ ...layer, coatMm: coats[at] ?? layer.coatMm })),
      bandMm: bandMm ?? made.bandMm,
      cone,
      ...(holdMinutes === null ? {} : { holdMinutes }),
      ...(runMm === null ? {} : { runMm }),
    };
  }
}
