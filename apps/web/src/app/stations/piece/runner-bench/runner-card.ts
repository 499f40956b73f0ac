import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { runnerTileSchema, type RunnerTile, type RunnerTileBody } from '@cazuela/contract';
import { runnerReadings, attempt, flowOfReading, movementWord, USUAL_CONE } from '@cazuela/core';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { TwoVersions } from '../../../parts/two-versions';
import { SelectField } from '../../../ui/select-field';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { Notice } from '../../../ui/notice';

/** One runner tile: how it is made, where it was fired, and how far it ran. */
@Component({
  selector: 'cz-runner-card',
  imports: [MatButton, NumberField, SelectField, TwoVersions],
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
  readonly kept = output<RunnerTile>();
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  private readonly notice = inject(Notice);
  protected readonly saving = createMutation();
  protected readonly cones = CONE_OPTIONS;
  protected readonly usualCone = USUAL_CONE;
  protected readonly draft = linkedSignal(() => this.tile().body);
  protected readonly isChanged = computed(() => JSON.stringify(this.draft()) !== JSON.stringify(this.tile().body));
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
  protected readonly made = computed(
    () =>
      `Upright on a foot that catches, in a cup or on a scrap: dip a band, draw a line at its lower edge, fire it standing. Planned by ${this.tile().body.by}, ${formatWhen(this.tile().createdAt)}.`,
  );
  /** What this run says by itself. */
  protected readonly tells = computed(() => {
    const [reading] = runnerReadings([{ ...this.tile(), body: this.draft() }]);
    const flow = reading && attempt(() => flowOfReading(reading));
    if (flow?.kind !== 'ok') return undefined;
    const together = this.draft().layers.length > 1 ? 'Together they' : 'It';
    return `${together} ${movementWord({ flow: flow.value })} at a normal dip in a usual cone 6 firing: flow figure ${flow.value.toPrecision(2)} per mm. Plans reckon with it, give or take what a ruler and a kiln leave open.`;
  });
  private readonly whole = computed(() => this.draft().bandMm + Math.max(40, this.draft().runMm ?? 0));
  protected readonly bandHigh = computed(() => this.high(this.draft().bandMm));

  protected high(mm: number): number {
    return (96 * mm) / this.whole();
  }

  protected edit(change: Partial<RunnerTileBody>): void {
    const body = { ...this.draft(), ...change };
    // Leaves out what is undefined.
    this.draft.set(Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined)) as RunnerTileBody);
  }

  protected coat(index: number, coatMm: number | null): void {
    if (coatMm) this.edit({ layers: this.draft().layers.map((layer, at) => (at === index ? { ...layer, coatMm } : layer)) });
  }

  protected save(version: number): void {
    this.saving.run(this.api.updateRunnerTile({ id: this.tile().id, version, body: this.draft() }), (tile) => {
      this.kept.emit(tile);
      this.notice.tell('The tile is kept.');
    });
  }
}
