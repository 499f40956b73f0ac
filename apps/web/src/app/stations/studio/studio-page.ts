import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { bodyBodySchema, studioSchema, type BodyBody, type Scale, type StudioBody, type Vessel } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../data/http/mutation';
import { apiResource } from '../../data/http/api-resource';
import { PreferencesStore } from '../../data/state/preferences';
import { StudioApi } from '../../data/http/studio-api';
import { studioBodyOf, StudioStore } from '../../data/state/studio-store';
import { Choice } from '../../ui/choice';
import { NumberField } from '../../ui/number-field';
import { ErrorBanner } from '../../ui/error-banner';
import { ScaleCard } from './scale-card';
import { TextField } from '../../ui/text-field';
import { SelectField } from '../../ui/select-field';
import { Checkbox } from '../../ui/checkbox';
import { ColourField } from '../../ui/colour-field';
import { plainOptions } from '../../ui/options';
import { CONE_OPTIONS } from '../../data/units/cone-options';

/** Checks of a scale that are kept: some years of them. */
const MOST_CHECKS = 60;

/** Members, scales, vessels and clay bodies of the studio; units and theme of this device. */
@Component({
  selector: 'cz-studio-page',
  imports: [Checkbox, Choice, ColourField, ErrorBanner, MatIcon, NumberField, RouterLink, ScaleCard, SelectField, TextField],
  templateUrl: './studio-page.html',
  styleUrl: './studio-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudioPage {
  private readonly api = inject(StudioApi);
  protected readonly store = inject(StudioStore);
  protected readonly preferences = inject(PreferencesStore);
  protected readonly masses = [
    ['g', 'g'],
    ['oz', 'oz'],
    ['lb', 'lb'],
  ] as const;
  protected readonly volumes = [
    ['metric', 'mL, L'],
    ['US', 'US'],
    ['imp', 'imperial'],
  ] as const;
  protected readonly coats = [
    ['mm', 'mm'],
    ['thou', 'thou'],
  ] as const;
  protected readonly lengths = [
    ['mm', 'mm'],
    ['in', 'inches'],
  ] as const;
  protected readonly temperatures = [
    ['C', '°C'],
    ['F', '°F'],
  ] as const;
  protected readonly themes = [
    ['auto', 'device'],
    ['light', 'light'],
    ['dark', 'dark'],
  ] as const;
  protected readonly judgedBy = [
    ['both', 'SG and feel'],
    ['sg', 'SG'],
    ['feel', 'feel'],
  ] as const;
  protected readonly saving = createMutation();
  protected readonly adding = createMutation();
  protected readonly cones = CONE_OPTIONS;
  protected readonly bodies = apiResource(() => this.api.bodies());
  protected readonly draft = linkedSignal<StudioBody | undefined>(() => {
    const studio = this.store.studio();
    return studio && studioBodyOf(studio);
  });
  protected readonly isChanged = computed(() => {
    const studio = this.store.studio();
    return studio !== undefined && JSON.stringify(this.draft()) !== JSON.stringify(studioBodyOf(studio));
  });
  protected readonly kept = signal(false);
  protected readonly newBody = signal<BodyBody>({ name: '', colour: '#D9C7AA', bisqueCone: '06', earthenware: false });
  protected readonly bodyFits = computed(() => bodyBodySchema.safeParse(this.newBody()).success);
  protected readonly memberOptions = computed(() => plainOptions(this.store.studio()?.members ?? []));

  protected change(change: Partial<StudioBody>): void {
    this.kept.set(false);
    this.draft.update((draft) => ({ ...draft!, ...change }));
  }

  protected vessel(id: string, change: Partial<Vessel>): void {
    this.change({ vessels: this.draft()!.vessels.map((vessel) => (vessel.id === id ? { ...vessel, ...change } : vessel)) });
  }

  protected scale(id: string, change: Partial<Scale>): void {
    this.change({ scales: this.draft()!.scales.map((scale) => (scale.id === id ? { ...scale, ...change } : scale)) });
  }

  protected addScale(): void {
    this.change({ scales: [...this.draft()!.scales, { id: uuid(), name: 'Fine scale', divisionGrams: 0.01, capacityGrams: 300, checks: [] }] });
  }

  protected removeScale(id: string): void {
    this.change({ scales: this.draft()!.scales.filter((scale) => scale.id !== id) });
  }

  /** A known weight on it, with what it showed: saved at once with the studio. */
  protected checkScale(id: string, { knownGrams, shownGrams }: { knownGrams: number; shownGrams: number }): void {
    const check = { at: new Date().toISOString(), by: this.store.by(), knownGrams, shownGrams };
    const scale = this.draft()!.scales.find((one) => one.id === id)!;
    this.scale(id, { checks: [...scale.checks, check].slice(-MOST_CHECKS) });
    this.save();
  }

  /** Filled with water to its mark: what that weighs in grams is the true volume in millilitres, whatever is printed on it. */
  protected checkVessel(vessel: Vessel, fullGrams: number | null): void {
    if (fullGrams !== null && fullGrams > vessel.tareGrams) this.vessel(vessel.id, { volumeMl: Number((fullGrams - vessel.tareGrams).toFixed(2)) });
  }

  protected addVessel(): void {
    this.change({ vessels: [...this.draft()!.vessels, { id: uuid(), name: 'Cylinder 100 mL', tareGrams: 0, volumeMl: 100, markMl: 1 }] });
  }

  protected removeVessel(id: string): void {
    this.change({ vessels: this.draft()!.vessels.filter((vessel) => vessel.id !== id) });
  }

  protected members(text: string): void {
    this.change({
      members: text
        .split(',')
        .map((name) => name.trim())
        .filter(Boolean),
    });
  }

  protected save(): void {
    this.saving.run(this.store.save(this.draft()!), () => this.kept.set(true));
  }

  /** Somebody changed the studio meanwhile: theirs is shown, what was typed here is kept beside it. */
  protected afterStale(): void {
    const current = studioSchema.safeParse(this.saving.failure()?.problem.current);
    if (!current.success) return this.save();
    const mine = this.draft();
    this.store.take(current.data);
    this.draft.set(mine);
    this.saving.clear();
  }

  protected patchBody(change: Partial<BodyBody>): void {
    this.newBody.update((body) => ({ ...body, ...change }));
  }

  protected addBody(): void {
    this.adding.run(this.api.createBody({ id: uuid(), ...this.newBody() }), () => {
      this.newBody.update((body) => ({ ...body, name: '' }));
      this.bodies.reload();
    });
  }
}
