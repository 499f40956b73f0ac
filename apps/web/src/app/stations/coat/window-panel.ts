import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { coatWindowSchema, type CoatWindowDocument } from '@cazuela/contract';
import type { CoatWindow } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { NOW } from '../../data/clock';
import { deed } from '../../data/deed';
import { StudioApi } from '../../data/studio-api';
import { StudioStore } from '../../data/studio-store';
import { sayWhen } from '../../data/times';
import { Units } from '../../data/units';
import { NumberField } from '../../parts/number-field';
import { TwoVersions } from '../../parts/two-versions';

const START: CoatWindow = { thinMm: 0.4, thickMm: 0.8, looks: { thin: '', right: '', thick: '' } };

/** How thick this glaze looks right on this body, how it looks outside of that, and every change of mind with its reason. */
@Component({
  selector: 'cz-window-panel',
  imports: [NumberField, TwoVersions],
  template: `
    <details>
      <summary>{{ document() ? 'Its window on this body' : 'Tell how thick it looks right on this body' }}</summary>
      <form class="stack" (submit)="$event.preventDefault(); keep()">
        <div class="fields">
          <cz-number-field
            label="Too thin below"
            unit="mm"
            [value]="draft().thinMm"
            [least]="0.05"
            [most]="5"
            (changed)="$event.value && edit({ thinMm: $event.value })"
          />
          <cz-number-field
            label="Too thick above"
            unit="mm"
            [value]="draft().thickMm"
            [least]="0.05"
            [most]="5"
            [says]="crossed()"
            (changed)="$event.value && edit({ thickMm: $event.value })"
          />
          <label class="named">Thin, it looks<input maxlength="300" [value]="draft().looks.thin" (input)="look('thin', $event)" /></label>
          <label class="named">Right, it looks<input maxlength="300" [value]="draft().looks.right" (input)="look('right', $event)" /></label>
          <label class="named">Thick, it looks<input maxlength="300" [value]="draft().looks.thick" (input)="look('thick', $event)" /></label>
          <label class="named"
            >Why<input maxlength="2000" placeholder="from the step tile of May" [value]="reason()" (input)="reason.set($any($event.target).value)"
          /></label>
        </div>
        @if (stale(); as both) {
          <cz-two-versions [detail]="both.detail" [theirs]="both.theirs" [mine]="both.mine" (takeTheirs)="theirs()" (keepMine)="keep(both.version)" />
        } @else if (keeping.failure(); as failure) {
          <p class="says" role="alert">{{ failure.problem.detail }}</p>
        }
        <button type="submit" class="press quiet-press" [disabled]="!!crossed() || !edited() || keeping.busy()">Keep the window</button>
      </form>
      @if (history().length > 0) {
        <ul class="plain-list small">
          @for (line of history(); track $index) {
            <li class="quiet">{{ line }}</li>
          }
        </ul>
      }
    </details>
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
      gap: 0.8rem 1rem;
      align-items: end;
    }
    button[type='submit'] {
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WindowPanel {
  readonly document = input<CoatWindowDocument>();
  readonly pair = input.required<{ glazeId: string; bodyId: string }>();
  readonly changed = output<void>();
  private readonly api = inject(StudioApi);
  private readonly store = inject(StudioStore);
  private readonly units = inject(Units);
  private readonly now = inject(NOW);
  protected readonly keeping = deed();
  protected readonly edited = signal<CoatWindow | undefined>(undefined);
  protected readonly reason = signal('');
  private readonly current = computed(() => this.document()?.changes.at(-1)?.window);
  protected readonly draft = computed(() => this.edited() ?? this.current() ?? START);
  protected readonly crossed = computed(() => (this.draft().thinMm >= this.draft().thickMm ? 'Too thick must lie above too thin.' : undefined));
  protected readonly history = computed(() =>
    [...(this.document()?.changes ?? [])]
      .reverse()
      .map(({ at, by, reason, window }) => `${sayWhen(at)}, ${by}: ${this.range(window)}${reason ? `, ${reason}` : ''}`),
  );
  protected readonly stale = computed(() => {
    const failure = this.keeping.failure();
    const current = failure?.problem.code === 'stale' ? coatWindowSchema.safeParse(failure.problem.current) : undefined;
    return current?.success
      ? {
          detail: failure!.problem.detail,
          version: current.data.version,
          theirs: this.range(current.data.changes.at(-1)!.window),
          mine: this.range(this.draft()),
        }
      : undefined;
  });

  protected edit(change: Partial<CoatWindow>): void {
    this.edited.set({ ...this.draft(), ...change });
  }

  protected look(which: keyof CoatWindow['looks'], event: Event): void {
    this.edit({ looks: { ...this.draft().looks, [which]: (event.target as HTMLInputElement).value } });
  }

  protected keep(version = this.document()?.version ?? 0): void {
    const window = this.edited();
    if (!window || this.crossed()) return;
    const change = { at: this.now().toISOString(), by: this.store.by(), reason: this.reason().trim(), window };
    this.keeping.run(this.api.putCoatWindow(this.document()?.id ?? uuid(), { version, ...this.pair(), change }), () => this.theirs());
  }

  protected theirs(): void {
    this.edited.set(undefined);
    this.reason.set('');
    this.keeping.clear();
    this.changed.emit();
  }

  private range = ({ thinMm, thickMm }: CoatWindow): string => `${this.units.millimetres(thinMm)}–${this.units.millimetres(thickMm)}`;
}
