import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { attempt, lightnessOf, planStepTile, readNumber, type StepTilePlan, type TileMethod } from '@cazuela/core';
import type { TileBody } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';
import * as z from 'zod';
import { createMutation } from '../../../data/http/mutation';
import { apiResource } from '../../../data/http/api-resource';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { CoatScreen } from '../coat-screen';
import { TileCard } from './tile-card';
import { markerWords } from '../../../parts/words/marker-words';
import { stripProblem, tileSteps } from './tile-words';
import { TextField } from '../../../ui/text-field';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { MadeBefore } from '../../../parts/made-before';
import { PutAwayLink } from '../../../parts/records/put-away-link';

const askedSchema = z.object({ wanted: z.string().max(100), highMm: z.number().nullable(), method: z.enum(['inOneGo', 'dipOverDip']) });
type Asked = z.infer<typeof askedSchema>;

/** A step tile from the plan to the verdict: which seconds and depths give which coats, its code, its readings, how it looks fired. */
@Component({
  selector: 'cz-step-tile-panel',
  imports: [Choice, ErrorBanner, MadeBefore, MatButton, NumberField, PutAwayLink, TextField, TileCard],
  templateUrl: './step-tile-panel.html',
  styles: `
    .plan {
      display: grid;
      grid-template-columns: 150px minmax(0, 1fr);
      gap: 1.2rem;
      align-items: center;
    }
    svg {
      width: 100%;
    }
    .clay {
      fill: var(--slip);
      stroke: var(--iron);
    }
    .coat {
      stroke: var(--iron);
      stroke-width: 0.6;
    }
    text {
      font-size: 12px;
      fill: var(--iron);
    }
    ol {
      margin: 0;
      padding-left: 1.2rem;
      line-height: 1.6;
    }
    button[type='submit'] {
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepTilePanel {
  private readonly screen = inject(CoatScreen);
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  protected readonly units = inject(Units);
  protected readonly making = createMutation();
  private readonly away = inject(PutAwayStore);
  protected readonly tiles = apiResource(() => this.api.tiles());
  protected readonly made = signal<string | undefined>(undefined);
  protected readonly methods = [
    ['inOneGo', 'in one go'],
    ['dipOverDip', 'dip over dip'],
  ] as const satisfies readonly (readonly [TileMethod, string])[];
  protected readonly asked = sessionSignal<Asked>(
    'step-tile',
    { wanted: '0.3, 0.5, 0.7, 0.9', highMm: 95, method: 'inOneGo' },
    (kept) => askedSchema.safeParse(kept).data,
  );
  protected readonly colour = computed(() => this.screen.bucket()?.body.colour ?? '#999999');
  protected readonly ofPair = computed(() => {
    const { glazeId, bodyId } = this.screen.pair();
    return this.away.without('tile', this.tiles.value() ?? []).filter(({ body }) => body.glazeId === glazeId && body.bodyId === bodyId);
  });
  protected readonly plan = computed(() => {
    const situation = this.screen.situation();
    const { wanted, highMm, method } = this.asked();
    if (!situation || highMm === null) return undefined;
    // Separated by commas; a decimal comma would split one number, so only points are decimals here.
    const wantedMm = wanted
      .split(/[,;\s]+/)
      .filter(Boolean)
      .map((text) => this.readMm(text));
    return attempt(() => planStepTile({ wantedMm, tileHighMm: highMm, situation, method }, this.screen.knowledge()));
  });
  private readonly planned = computed<StepTilePlan | undefined>(() => {
    const plan = this.plan();
    return plan?.kind === 'ok' ? plan.value : undefined;
  });
  protected readonly steps = computed(() => {
    const plan = this.planned();
    return plan ? tileSteps(plan, this.asked().method, this.units) : [];
  });
  protected readonly problems = computed(() => (this.planned()?.strips ?? []).flatMap((strip) => stripProblem(strip, this.units) ?? []));
  protected readonly drawn = computed(() => {
    const strips = this.planned()?.strips ?? [];
    const high = 190 / Math.max(1, strips.length);
    return strips.map((strip, index) => ({
      top: 24 + index * high,
      high,
      // Forty times as thick as it is; the clay is not to scale.
      width: Math.min(50, 40 * (strip.coatMm ?? 0)),
      words: strip.coatMm === undefined ? '–' : this.units.coat(strip.coatMm),
    }));
  });
  protected readonly ofBody = computed(() => this.screen.pair().bodyId);
  /** What its strips would show, for the wall. */
  protected readonly combinations = computed(() => {
    const { glazeId } = this.screen.pair();
    return glazeId ? [{ upperId: glazeId }] : [];
  });
  protected readonly marker = computed(() => markerWords(lightnessOf(this.screen.body()?.colour ?? '#ffffff')));

  protected change(change: Partial<Asked>): void {
    this.asked.update((asked) => ({ ...asked, ...change }));
  }

  protected make(): void {
    const [plan, bucket, bisque, sg] = [this.planned(), this.screen.bucket(), this.screen.bisque(), this.screen.sg()];
    const highMm = this.asked().highMm;
    if (!plan || !bucket || !bisque || sg === null || highMm === null) return;
    const id = uuid();
    const body: TileBody = {
      bucketId: bucket.id,
      ...this.screen.pair(),
      glazeName: bucket.body.name,
      ...(bisque.lot ? { lotId: bisque.lot.id } : {}),
      by: this.store.by(),
      method: this.asked().method,
      highMm,
      sg,
      strips: plan.strips.map((strip) => ({
        id: uuid(),
        wantedMm: strip.wantedMm,
        depthMm: Number(strip.depthMm.toFixed(1)),
        ...(strip.coatMm === undefined ? {} : { expectedMm: Number(strip.coatMm.toFixed(3)) }),
        ...(strip.seconds.kind === 'ok' ? { seconds: Number(strip.seconds.seconds.toFixed(1)) } : {}),
      })),
      notes: '',
    };
    this.making.run(this.api.createTile(id, body), () => {
      this.made.set(id);
      this.tiles.reload();
    });
  }

  private readMm(text: string): number {
    const read = readNumber(text);
    const value = read.kind === 'ok' ? read.value : NaN;
    return this.units.coatUnit() === 'thou' ? value * 0.0254 : value;
  }
}
