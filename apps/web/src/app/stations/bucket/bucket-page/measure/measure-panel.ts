import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  SAME_VISIT_MS,
  againstEarlier,
  compareWithRecords,
  attempt,
  measuredSg,
  measuredSgSd,
  requireSg,
  SG_SCALES,
  sgFromScale,
  type SgScale,
  HYDROMETER_SG_SD,
  POOR_SG_SD,
  vesselErrors,
} from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../../data/http/mutation';
import { ScaleFeed } from '../../../../data/devices/scale-feed';
import { studioBodyOf, StudioStore } from '../../../../data/state/studio-store';
import { Units } from '../../../../data/units/units';
import { NumberField, type TypedNumber } from '../../../../ui/number-field';
import { bookWords, earlierWords } from '../../bucket-words';
import { BucketScreen } from '../bucket-screen';
import { Expansion } from '../../../../ui/expansion';
import { SelectField } from '../../../../ui/select-field';
import { type FieldOption, plainOptions } from '../../../../ui/options';

const HYDROMETER = 'hydrometer';
const ANOTHER = 'another';

/** SG from a vessel's full and empty weight and its volume, with how sure it is; or from a hydrometer. */
@Component({
  selector: 'cz-measure-panel',
  imports: [Expansion, MatButton, NumberField, SelectField],
  templateUrl: './measure-panel.html',
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(150px, 1.1fr) repeat(auto-fit, minmax(190px, 1fr));
      gap: 0.9rem;
      align-items: end;
      margin-top: 0.4rem;
    }
    ol {
      margin: 0.3rem 0;
      padding-left: 1.2rem;
    }
    .reads {
      min-height: 44px;
      display: flex;
      align-items: center;
      gap: 0.5rem;
      white-space: nowrap;
    }
    .big {
      font-size: 1.6rem;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasurePanel {
  private readonly screen = inject(BucketScreen);
  private readonly studios = inject(StudioStore);
  private readonly feed = inject(ScaleFeed);
  protected readonly units = inject(Units);
  protected readonly storing = createMutation();
  protected readonly hydrometer = HYDROMETER;
  protected readonly another = ANOTHER;
  protected readonly vessels = computed(() => this.studios.studio()?.vessels ?? []);
  protected readonly chosenVessel = signal<string | undefined>(undefined);
  protected readonly withOptions = computed((): FieldOption[] => [
    ...this.vessels().map((vessel) => [vessel.id, vessel.name] as const),
    [ANOTHER, 'Another vessel'],
    [HYDROMETER, 'Hydrometer'],
  ]);
  protected readonly vesselId = computed(() => this.chosenVessel() ?? this.vessels()[0]?.id ?? ANOTHER);
  protected readonly vessel = computed(() => this.vessels().find((vessel) => vessel.id === this.vesselId()));
  protected readonly gross = signal<TypedNumber>({ value: null });
  protected readonly direct = signal<number | null>(null);
  protected readonly scales = plainOptions(SG_SCALES);
  protected readonly scale = signal<SgScale>('SG');
  protected readonly tare = signal<number | null>(null);
  protected readonly volume = signal<number | null>(100);
  protected readonly watered = signal<number | null>(null);
  /** A gram of water is a millilitre: its weight full of water, less its own, is its true volume. */
  protected readonly trueMl = computed(() => {
    const [vessel, full] = [this.vessel(), this.watered()];
    return vessel && full !== null && full > vessel.tareGrams ? Number((full - vessel.tareGrams).toFixed(2)) : undefined;
  });
  private readonly filled = computed(() => {
    const vessel = this.vessel();
    const division = this.studios.studio()?.scales[0]?.divisionGrams ?? 0.1;
    const grossGrams = this.gross().value;
    const tareGrams = vessel?.tareGrams ?? this.tare();
    const volumeMl = vessel?.volumeMl ?? this.volume();
    if (grossGrams === null || tareGrams === null || volumeMl === null) return undefined;
    // Half a division, half a mark; an unmarked vessel is read to 1 % of its volume.
    return { grossGrams, tareGrams, volumeMl, ...vesselErrors({ divisionGrams: division, volumeMl, markMl: vessel?.markMl }) };
  });
  protected readonly reading = computed(() => {
    const direct = this.direct();
    if (this.vesselId() === HYDROMETER)
      return direct === null ? undefined : attempt(() => ({ sg: sgFromScale({ value: direct, scale: this.scale() }), sgSd: HYDROMETER_SG_SD }));
    const filled = this.filled();
    return filled && attempt(() => ({ sg: requireSg('sg', measuredSg(filled)), sgSd: measuredSgSd(filled) }));
  });
  protected readonly fieldError = computed(() => {
    const reading = this.reading();
    return reading?.kind === 'refused' ? reading.error.message : undefined;
  });
  protected readonly poor = computed(() => {
    const reading = this.reading();
    return reading?.kind === 'ok' && reading.value.sgSd > POOR_SG_SD;
  });

  /** A reading that contradicts the records is asked about before it is kept. */
  protected readonly book = computed(() => {
    const [reading, contents] = [this.reading(), this.screen.contents()];
    if (reading?.kind !== 'ok' || !contents || contents.dryGrams <= 0) return '';
    const { dryGrams, waterGrams, density } = contents;
    return bookWords(compareWithRecords({ ...reading.value, dryGrams, waterGrams, density }), this.units);
  });

  /** What would make the reading surer: more glaze, or marks closer together. */
  protected readonly better = computed(() => {
    if (this.vesselId() === HYDROMETER)
      return 'A hydrometer hangs in a thick glaze and reads high: stir, push it down a little, read when it stands still. A weighed vessel is surer.';
    const filled = this.filled();
    if (!filled) return '';
    const fuller = attempt(() =>
      measuredSgSd({ ...filled, grossGrams: filled.tareGrams + 10 * (filled.grossGrams - filled.tareGrams), volumeMl: 10 * filled.volumeMl }),
    );
    return fuller.kind === 'ok' ? `Ten times as much, read as finely, would be ± ${this.units.sgFine(fuller.value)}.` : '';
  });

  /** Readings of this visit are combined; one that does not fit them is asked about. */
  protected readonly earlier = computed(() => {
    const [reading, contents] = [this.reading(), this.screen.contents()];
    if (reading?.kind !== 'ok' || !contents?.sgSd || !contents.measuredAt || contents.changedSinceMeasured) return undefined;
    if (Date.parse(this.screen.nowAt()) - Date.parse(contents.measuredAt) > SAME_VISIT_MS) return undefined;
    const words = earlierWords(againstEarlier({ reading: reading.value, earlier: { sg: contents.sg, sgSd: contents.sgSd } }), this.units);
    const last = this.screen
      .history()
      .filter((moment) => !moment.undone && moment.event.type === 'sgMeasured')
      .at(-1);
    return words && last ? { words, eventId: last.event.id } : undefined;
  });

  /** A settled weight on the connected scale. */
  protected readonly onScale = computed(() => {
    const now = this.feed.now();
    return now.kind === 'reading' && (now.settling.settledGrams ?? 0) > 0 ? now.settling.settledGrams : undefined;
  });

  protected take(grams: number): void {
    this.gross.set({ value: grams, entered: { value: grams, unit: 'g' } });
  }

  protected leaveOut(eventId: string): void {
    this.screen.note({ type: 'undone', eventId });
  }

  protected keep(): void {
    const reading = this.reading();
    if (reading?.kind !== 'ok') return;
    const filled = this.vesselId() === HYDROMETER ? undefined : this.filled();
    const { entered } = this.gross();
    this.screen.note({
      type: 'sgMeasured',
      ...reading.value,
      ...(filled
        ? { reading: { ...filled, vessel: this.vessel()?.name ?? 'another vessel' } }
        : { how: `hydrometer, ${this.direct()} ${this.scale()}` }),
      ...(filled && entered ? { entered } : {}),
    });
    this.gross.set({ value: null });
    this.direct.set(null);
  }

  protected fine = (millilitres: number): string => this.units.typed(millilitres);

  protected correct(vesselId: string, volumeMl: number): void {
    const studio = this.studios.studio();
    if (!studio) return;
    const body = studioBodyOf(studio);
    const vessels = body.vessels.map((vessel) => (vessel.id === vesselId ? { ...vessel, volumeMl } : vessel));
    this.storing.run(this.studios.save({ ...body, vessels }), () => this.watered.set(null));
  }

  protected store(): void {
    const studio = this.studios.studio();
    const filled = this.filled();
    if (!studio || !filled) return;
    const vessel = {
      id: uuid(),
      name: `Vessel ${this.units.millilitres(filled.volumeMl)}`,
      tareGrams: filled.tareGrams,
      volumeMl: filled.volumeMl,
      markMl: filled.volumeSd * 2,
    };
    const body = studioBodyOf(studio);
    this.storing.run(this.studios.save({ ...body, vessels: [...body.vessels, vessel] }), () => this.chosenVessel.set(vessel.id));
  }
}
