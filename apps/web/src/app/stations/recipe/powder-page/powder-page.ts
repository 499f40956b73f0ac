import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { POWDER_ROLES, powderBodySchema, powderSchema, type PowderBody, type StudioPowder } from '@cazuela/contract';
import { MOLAR_MASS } from '@cazuela/core';
import { combineLatest, of } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { formatDateTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { Loading } from '../../../ui/loading';
import { NumberField, type TypedNumber } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { TwoVersions } from '../../../parts/two-versions';
import { TextField } from '../../../ui/text-field';
import { SelectField } from '../../../ui/select-field';
import { Expansion } from '../../../ui/expansion';
import { plainOptions } from '../../../ui/options';
import { TextArea } from '../../../ui/text-area';

const NEW: PowderBody = { name: '', role: 'flux', densityGMl: 2.6, rawClay: 0, shrinkWeight: 0, oxides: {}, loiPercent: 0, hazards: ['silica dust'] };
const OXIDES = [...Object.keys(MOLAR_MASS), 'other'];

/** One powder: what is on the shelf and where it went, its price, and the figures that decide what it does. */
@Component({
  selector: 'cz-powder-page',
  imports: [Choice, ErrorBanner, Expansion, Loading, NumberField, RouterLink, SelectField, TextArea, TextField, TwoVersions],
  templateUrl: './powder-page.html',
  styleUrl: './powder-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PowderPage {
  /** From the address: a powder's id, or "new". */
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly store = inject(StudioStore);
  protected readonly units = inject(Units);
  protected readonly currency = computed(() => this.store.studio()?.currency ?? '');
  protected readonly roles = plainOptions(POWDER_ROLES);
  protected readonly oxides = OXIDES;
  protected readonly moves = [
    ['counted', 'counted'],
    ['received', 'came in'],
    ['thrownOut', 'thrown out'],
  ] as const;
  protected readonly all = keyedResource(
    () => this.id(),
    (id) => combineLatest({ powders: this.api.powders(), history: id === 'new' ? of({ moves: [], uses: [] }) : this.api.powderMoves(id) }),
  );
  protected readonly powder = computed(() => this.all.value()?.powders.find((one) => one.id === this.id()));
  protected readonly saving = createMutation();
  protected readonly moving = createMutation();
  private readonly saved = signal<{ version: number; body: PowderBody }>({ version: 0, body: NEW });
  protected readonly body = signal<PowderBody>(NEW);
  protected readonly kind = signal<'counted' | 'received' | 'thrownOut'>('counted');
  protected readonly grams = signal<number | null>(null);
  protected readonly lot = signal('');
  private readonly wrongFields = signal<ReadonlySet<string>>(new Set());
  protected readonly isChanged = computed(() => JSON.stringify(this.body()) !== JSON.stringify(this.saved().body));
  protected readonly unfit = computed(() => {
    if (this.wrongFields().size > 0) return 'A field holds no number yet.';
    const read = powderBodySchema.safeParse(this.body());
    return read.success ? undefined : read.error.issues[0]?.message;
  });
  protected readonly oxideSum = computed(() => Object.values(this.body().oxides).reduce((sum, percent) => sum + percent, 0) + this.body().loiPercent);
  protected readonly stale = computed(() => {
    const failure = this.saving.failure();
    const current = failure?.problem.code === 'stale' ? powderSchema.safeParse(failure.problem.current) : undefined;
    return current?.success ? { detail: failure!.problem.detail, current: current.data } : undefined;
  });
  protected readonly history = computed(() =>
    (this.all.value()?.history.moves ?? []).map((move) => ({
      ...move,
      when: formatDateTime(move.at),
      words: { counted: 'counted', received: 'came in', thrownOut: 'thrown out' }[move.kind],
    })),
  );
  protected readonly uses = computed(() => {
    const links = { batch: '/weigh', bucket: '/bucket', series: '/weigh/series' };
    return (this.all.value()?.history.uses ?? []).map((use) => ({ ...use, link: [links[use.what], use.id] }));
  });

  constructor() {
    effect(() => {
      const powder = this.powder();
      if (powder) untracked(() => !this.isChanged() && this.show(powder));
    });
  }

  protected change(change: Partial<PowderBody>): void {
    this.body.update((body) => ({ ...body, ...change }));
  }

  /** A required figure; an empty field waits. */
  protected figure(field: 'densityGMl' | 'rawClay' | 'shrinkWeight' | 'loiPercent', { value }: TypedNumber): void {
    this.mark(field, value === null);
    if (value !== null) this.change({ [field]: value });
  }

  /** A figure that may be missing. */
  protected maybe(field: 'pricePerKg' | 'lowGrams' | 'sieveMesh', { value }: TypedNumber): void {
    const { [field]: _gone, ...rest } = this.body();
    this.body.set(value === null ? rest : { ...rest, [field]: value });
  }

  protected oxide(name: string, { value }: TypedNumber): void {
    const { [name]: _gone, ...rest } = this.body().oxides;
    this.change({ oxides: value ? { ...rest, [name]: value } : rest });
  }

  protected hazards(text: string): void {
    this.change({
      hazards: text
        .split('\n')
        .map((line) => line.trim())
        .filter(Boolean),
    });
  }

  protected keep(overVersion = this.saved().version): void {
    if (this.unfit()) return;
    if (this.id() === 'new') {
      const id = uuid();
      this.saving.run(this.api.createPowder(id, this.body()), () => void this.router.navigate(['/recipe/powders', id], { replaceUrl: true }));
    } else this.saving.run(this.api.updatePowder(this.id(), overVersion, this.body()), (powder) => this.show(powder));
  }

  protected show({ id: _id, version, stockGrams: _stock, ...body }: StudioPowder): void {
    this.saved.set({ version, body });
    this.body.set(body);
    this.wrongFields.set(new Set());
    this.saving.clear();
  }

  protected move(): void {
    const grams = this.grams();
    if (grams === null) return;
    const move = { id: uuid(), kind: this.kind(), grams, at: new Date().toISOString(), by: this.store.by(), lot: this.lot().trim() };
    this.moving.run(this.api.moveStock(this.id(), move), () => {
      this.grams.set(null);
      this.lot.set('');
      this.all.reload();
    });
  }

  private mark(field: string, wrong: boolean): void {
    this.wrongFields.update((all) => {
      const next = new Set(all);
      if (wrong) next.add(field);
      else next.delete(field);
      return next;
    });
  }
}
