import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { bucketSummarySchema, type BucketBody } from '@cazuela/contract';
import { attempt, brimMl, type BucketShape } from '@cazuela/core';
import { NOW } from '../../../../data/state/clock';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import { TwoVersions } from '../../../../parts/two-versions';
import { BucketScreen } from '../bucket-screen';
import { TextField } from '../../../../ui/text-field';
import { SelectField } from '../../../../ui/select-field';

const SHAPES = [
  ['none', 'not measured'],
  ['cylinder', 'round, straight'],
  ['cone', 'round, wider at the top'],
  ['box', 'square'],
] as const;
/** Sizes to start from, mm: a common pail. */
const START: Readonly<Record<BucketShape['kind'], BucketShape>> = {
  cylinder: { kind: 'cylinder', acrossMm: 280, highMm: 300 },
  cone: { kind: 'cone', bottomMm: 250, topMm: 290, highMm: 300 },
  box: { kind: 'box', longMm: 400, wideMm: 300, highMm: 200 },
};
const SIDES: Readonly<Record<string, string>> = {
  acrossMm: 'Across inside',
  bottomMm: 'Across at the bottom',
  topMm: 'Across at the top',
  longMm: 'Long inside',
  wideMm: 'Wide inside',
  highMm: 'High inside',
};

/** What describes a bucket: its name, SG range, inner sizes; and putting it away when it is empty. */
@Component({
  selector: 'cz-bucket-form',
  imports: [NumberField, SelectField, TextField, TwoVersions],
  templateUrl: './bucket-form.html',
  styles: `
    .card {
      padding: 1rem 1.1rem;
      background: var(--paper);
      border: 1px solid var(--line);
      border-radius: var(--round);
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
      gap: 1rem;
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketForm {
  readonly closed = output<void>();
  protected readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  private readonly now = inject(NOW);
  protected readonly shapes = SHAPES;
  private readonly draft = signal<BucketBody | undefined>(undefined);
  protected readonly body = computed(() => this.draft() ?? this.screen.bucket()!.body);
  protected readonly sides = computed(() => {
    const shape = this.body().shape;
    return shape
      ? Object.entries(shape)
          .filter(([key]) => key in SIDES)
          .map(([key, mm]) => ({ key, words: SIDES[key]!, mm: mm as number }))
      : [];
  });
  protected readonly stale = computed(() => {
    const failure = this.screen.saving.failure();
    const current = failure?.problem.code === 'stale' ? bucketSummarySchema.safeParse(failure.problem.current) : undefined;
    const say = (body: BucketBody): string => `${body.name}, SG ${this.units.sg(body.sgLow)}–${this.units.sg(body.sgHigh)}`;
    return current?.success
      ? { detail: failure!.problem.detail, version: current.data.version, theirs: say(current.data.body), mine: say(this.body()) }
      : undefined;
  });

  protected edit(change: Partial<BucketBody>): void {
    this.draft.set({ ...this.body(), ...change });
  }

  protected shape(kind: string): void {
    if (kind === 'none') {
      const { shape: _shape, ...rest } = this.body();
      return this.draft.set(rest);
    }
    this.withShape(START[kind as BucketShape['kind']]);
  }

  protected size(key: string, mm: number | null): void {
    if (mm) this.withShape({ ...this.body().shape, [key]: mm } as BucketShape);
  }

  protected save(version?: number): void {
    this.screen.replace(this.body(), () => this.leave(), version);
  }

  protected close(): void {
    this.screen.change({ closedAt: this.now().toISOString() }, () => this.leave());
  }

  protected leave(): void {
    this.draft.set(undefined);
    if (this.screen.saving.failure()) {
      this.screen.saving.clear();
      this.screen.all.reload();
    }
    this.closed.emit();
  }

  /** The brim follows from the sizes, so that the two never disagree. */
  private withShape(shape: BucketShape): void {
    const brim = attempt(() => brimMl({ shape }));
    this.edit({ shape, ...(brim.kind === 'ok' ? { capacityMl: Math.round(brim.value) } : {}) });
  }
}
