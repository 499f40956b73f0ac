import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { coatWindowBodySchema, coatWindowSchema } from '@cazuela/contract';
import { windowFromLooks, type CoatWindow } from '@cazuela/core';
import { map } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { NOW } from '../../../data/state/clock';
import { createMutation } from '../../../data/http/mutation';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { contractForm, formProblem, readForm } from '../../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { TwoVersions } from '../../../parts/two-versions';
import { CoatScreen } from '../coat-screen';
import { FiredLooks } from '../../../data/state/fired-looks';
import { TextField } from '../../../ui/text-field';
import { RecordMenu } from '../../../parts/records/record-menu';
import { PutAwayNote } from '../../../parts/records/put-away-note';

const START: CoatWindow = { thinMm: 0.4, thickMm: 0.8, looks: { thin: '', right: '', thick: '' } };

/** How thick this glaze looks right on this body, how it looks outside that range, and every change with its reason. */
@Component({
  selector: 'cz-window-panel',
  imports: [ErrorBanner, MatButton, NumberField, PutAwayNote, ReactiveFormsModule, RecordMenu, TextField, TwoVersions],
  templateUrl: './window-panel.html',
  styles: `
    button[type='submit'] {
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WindowPanel {
  private readonly screen = inject(CoatScreen);
  private readonly fired = inject(FiredLooks);
  protected readonly document = this.screen.windowDocument;
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  private readonly units = inject(Units);
  private readonly now = inject(NOW);
  protected readonly keeping = createMutation();
  /** Fetched only when the window is to be made from fired pieces. */
  private readonly asked = signal(0);
  protected readonly looks = keyedResource(
    () => (this.asked() > 0 ? `${this.asked()} ${this.screen.pair().glazeId} ${this.screen.pair().bodyId}` : undefined),
    () => this.fired.of(this.screen.pair(), this.screen.buckets()),
  );
  protected readonly made = computed(() => {
    const found = this.looks.value();
    if (!found) return '';
    const sources = `${found.fromTiles} from tiles, ${found.fromResults} from results`;
    if (found.looks.length === 0) return 'Nothing of this glaze on this body was fired and read yet: make a step tile.';
    const window = windowFromLooks({ looks: found.looks });
    if (window.kind === 'nothingRight') return `${sources}: none of them looked right yet.`;
    const open = [...(window.thinOpen ? ['nothing too thin was seen'] : []), ...(window.thickOpen ? ['nothing too thick was seen'] : [])];
    const odd = window.contradictions > 0 ? `; ${window.contradictions} contradict it` : '';
    return `${sources}${open.length > 0 ? `; ${open.join(', ')}` : ''}${odd}. Look at it, then keep it.`;
  });
  protected readonly form = new FormGroup({
    window: new FormGroup({
      ...contractForm(coatWindowBodySchema, { thinMm: START.thinMm, thickMm: START.thickMm }).controls,
      looks: contractForm(coatWindowBodySchema.shape.looks, START.looks),
    }),
    reason: new FormControl('', { nonNullable: true }),
  });
  private readonly typed = toSignal(this.form.valueChanges.pipe(map(() => this.form.getRawValue().window)), { initialValue: START });
  private readonly current = computed(() => this.document()?.changes.at(-1)?.window ?? START);
  protected readonly crossed = computed(() => (this.typed().thinMm >= this.typed().thickMm ? 'Too thick must lie above too thin.' : undefined));
  protected readonly history = computed(() =>
    [...(this.document()?.changes ?? [])]
      .reverse()
      .map(({ at, by, reason, window }) => `${formatWhen(at)}, ${by}: ${this.range(window)}${reason ? `, ${reason}` : ''}`),
  );
  protected readonly problem = formProblem(
    () => this.form,
    () => this.keeping.failure()?.problem,
  );
  protected readonly stale = computed(() => {
    const failure = this.keeping.failure();
    const current = failure?.problem.code === 'stale' ? coatWindowSchema.safeParse(failure.problem.current) : undefined;
    return current?.success
      ? {
          detail: failure!.problem.detail,
          version: current.data.version,
          theirs: this.range(current.data.changes.at(-1)!.window),
          mine: this.range(this.typed()),
        }
      : undefined;
  });

  constructor() {
    askBeforeLeaving(() => this.form.dirty);
    let pair = '';
    effect(() => {
      const { glazeId, bodyId } = this.screen.pair();
      const window = this.current();
      // What is typed stays, for this glaze on this body; the write then tells that somebody else was here.
      if (!this.form.dirty || pair !== `${glazeId} ${bodyId}`) this.form.reset({ window, reason: '' });
      pair = `${glazeId} ${bodyId}`;
    });
    effect(() => {
      const found = this.looks.value();
      const window = found && windowFromLooks({ looks: found.looks });
      if (window?.kind !== 'ok') return;
      const { thinMm, thickMm, looks } = window.window;
      const before = this.form.getRawValue().window.looks;
      // Words that were written by hand stay where the tiles have none.
      const kept = { thin: looks.thin || before.thin, right: looks.right || before.right, thick: looks.thick || before.thick };
      const rounded = { thinMm: Number(thinMm.toFixed(2)), thickMm: Number(thickMm.toFixed(2)), looks: kept };
      this.form.setValue({ window: rounded, reason: found!.message });
      this.form.markAsDirty();
    });
  }

  protected look(): void {
    this.asked.update((count) => count + 1);
  }

  protected keep(version = this.document()?.version ?? 0): void {
    const window = readForm(this.form.controls.window, coatWindowBodySchema);
    if (!window || this.crossed() || !this.form.dirty) return;
    const change = { at: this.now().toISOString(), by: this.store.by(), reason: this.form.getRawValue().reason.trim(), window };
    this.keeping.run(this.api.putCoatWindow(this.document()?.id ?? uuid(), { version, ...this.screen.pair(), change }), () => this.theirs());
  }

  protected theirs(): void {
    this.form.markAsPristine();
    this.keeping.clear();
    this.screen.all.reload();
  }

  private range = ({ thinMm, thickMm }: Pick<CoatWindow, 'thinMm' | 'thickMm'>): string => `${this.units.coat(thinMm)}–${this.units.coat(thickMm)}`;

  protected reload(): void {
    this.screen.all.reload();
  }
}
