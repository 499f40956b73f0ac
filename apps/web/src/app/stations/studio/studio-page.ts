import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ReactiveFormsModule } from '@angular/forms';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { bodyBodySchema, studioSchema, type BodyBody, type Scale, type Vessel } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';
import { apiResource } from '../../data/http/api-resource';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { studioBodyOf, StudioStore } from '../../data/state/studio-store';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { Checkbox } from '../../ui/checkbox';
import { Choice } from '../../ui/choice';
import { ColourField } from '../../ui/colour-field';
import { ErrorBanner } from '../../ui/error-banner';
import { contractForm, formProblem, readForm } from '../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../ui/forms/unsaved-input';
import { NumberField } from '../../ui/number-field';
import { plainOptions } from '../../ui/options';
import { SelectField } from '../../ui/select-field';
import { TextField } from '../../ui/text-field';
import { ScaleCard } from './scale-card';
import { readStudio, scaleForm, studioForm, vesselForm, type StudioForm } from './studio-form';
import { VesselCard } from './vessel-card';
import { Notice } from '../../ui/notice';
import { PutAwayStore } from '../../data/state/put-away-store';
import { PutAwayLink } from '../../parts/records/put-away-link';

/** Checks of a scale that are kept: some years of them. */
const MOST_CHECKS = 60;
const NEW_SCALE: Omit<Scale, 'id'> = { name: 'Fine scale', divisionGrams: 0.01, capacityGrams: 300, checks: [] };
const NEW_VESSEL: Omit<Vessel, 'id'> = { name: 'Cylinder 100 mL', tareGrams: 0, volumeMl: 100, markMl: 1 };

/** The workshop: who is at the bench, its scales, vessels and clay bodies. */
@Component({
  selector: 'cz-studio-page',
  imports: [
    Checkbox,
    Choice,
    ColourField,
    ErrorBanner,
    MatButton,
    MatIcon,
    NumberField,
    PutAwayLink,
    ReactiveFormsModule,
    RouterLink,
    ScaleCard,
    SelectField,
    TextField,
    VesselCard,
  ],
  templateUrl: './studio-page.html',
  styleUrl: './studio-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudioPage {
  private readonly api = inject(StudioApi);
  protected readonly store = inject(StudioStore);
  protected readonly judgedBy = [
    ['both', 'SG and feel'],
    ['sg', 'SG'],
    ['feel', 'feel'],
  ] as const;
  protected readonly cones = CONE_OPTIONS;
  protected readonly members = computed(() => plainOptions(this.store.studio()?.members ?? []));
  protected readonly saving = createMutation();
  protected readonly adding = createMutation();
  private readonly away = inject(PutAwayStore);
  protected readonly bodies = apiResource(() => this.api.bodies());
  protected readonly shownBodies = computed(() => this.away.without('body', this.bodies.value() ?? []));
  protected readonly awayCount = computed(() => this.away.all().length);
  /** A newer studio from the records does not overwrite what is typed. */
  protected readonly form = linkedSignal<ReturnType<StudioStore['studio']>, StudioForm | undefined>({
    source: this.store.studio,
    computation: (studio, before) => (before?.value?.dirty ? before.value : studio && studioForm(studioBodyOf(studio))),
  });
  private readonly notice = inject(Notice);
  /** The thing that was just added, which opens by itself. */
  protected readonly added = signal('');
  protected readonly bodyForm = contractForm(bodyBodySchema, {
    name: '',
    bisqueCone: '06',
    absorptionPercent: null as number | null,
    colour: '#D9C7AA',
    earthenware: false,
  } satisfies Record<keyof Pick<BodyBody, 'name' | 'bisqueCone' | 'absorptionPercent' | 'colour' | 'earthenware'>, unknown>);
  protected readonly addingProblem = formProblem(
    () => this.bodyForm,
    () => this.adding.failure()?.problem,
  );

  constructor() {
    askBeforeLeaving(() => (this.form()?.dirty ?? false) || this.bodyForm.dirty);
  }

  protected addScale(form: StudioForm): void {
    this.added.set(uuid());
    form.controls.scales.push(scaleForm({ id: this.added(), ...NEW_SCALE }));
    form.markAsDirty();
  }

  protected addVessel(form: StudioForm): void {
    this.added.set(uuid());
    form.controls.vessels.push(vesselForm({ id: this.added(), ...NEW_VESSEL }));
    form.markAsDirty();
  }

  protected remove(form: StudioForm, list: 'scales' | 'vessels', at: number): void {
    form.controls[list].removeAt(at);
    form.markAsDirty();
  }

  /** A known weight on it, with what it showed: saved at once with the studio. */
  protected checkScale(form: StudioForm, at: number, { knownGrams, shownGrams }: { knownGrams: number; shownGrams: number }): void {
    const { checks } = form.controls.scales.at(at).controls;
    checks.setValue([...checks.value, { at: new Date().toISOString(), by: this.store.by(), knownGrams, shownGrams }].slice(-MOST_CHECKS));
    form.markAsDirty();
    this.save(form);
  }

  protected save(form: StudioForm): void {
    const body = readStudio(form);
    if (!body) return;
    this.saving.run(this.store.save(body), () => {
      form.markAsPristine();
      this.notice.tell('Kept.');
    });
  }

  /** Somebody changed the studio meanwhile: what was typed here is kept, and goes over theirs with the next "Keep". */
  protected afterFailure(form: StudioForm): void {
    const current = studioSchema.safeParse(this.saving.failure()?.problem.current);
    if (!current.success) return this.save(form);
    this.store.take(current.data);
    this.saving.clear();
  }

  protected addBody(): void {
    const body = readForm(this.bodyForm, bodyBodySchema);
    if (!body) return;
    this.adding.run(this.api.createBody({ id: uuid(), ...body }), () => {
      this.bodyForm.reset();
      this.notice.tell(`${body.name} is kept.`);
      this.bodies.reload();
    });
  }
}
