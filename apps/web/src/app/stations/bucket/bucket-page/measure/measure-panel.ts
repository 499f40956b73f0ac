import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  SAME_VISIT_MS,
  againstEarlier,
  compareWithRecords,
  attempt,
  measuredSg,
  measuredSgSd,
  requireSg,
  checkVessel,
  HYDROMETER_SCALES,
  pintSgSd,
  sgIfTypedNet,
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
const PINT = 'pint';
/** Marks of a vessel that nobody described: a millilitre, or a hundredth of a large one. */
const usualMarkMl = (volumeMl: number): number => Math.max(1, volumeMl / 100);

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
  protected readonly pint = PINT;
  /** Read off, not weighed in grams. */
  protected readonly isDirect = computed(() => this.vesselId() === HYDROMETER || this.vesselId() === PINT);
  protected readonly vessels = computed(() => this.studios.studio()?.vessels ?? []);
  protected readonly chosenVessel = signal<string | undefined>(undefined);
  protected readonly withOptions = computed((): FieldOption[] => [
    ...this.vessels().map((vessel) => [vessel.id, vessel.name] as const),
    [ANOTHER, 'Another vessel'],
    [HYDROMETER, 'Hydrometer'],
    [PINT, 'A pint, in ounces'],
  ]);
  protected readonly vesselId = computed(() => this.chosenVessel() ?? this.vessels()[0]?.id ?? ANOTHER);
  protected readonly vessel = computed(() => this.vessels().find((vessel) => vessel.id === this.vesselId()));
  protected readonly gross = signal<TypedNumber>({ value: null });
  protected readonly direct = signal<number | null>(null);
  protected readonly scales = computed((): readonly FieldOption<SgScale>[] =>
    this.vesselId() === PINT
      ? [
          ['oz/imp pt', 'imperial pint'],
          ['oz/US pt', 'US pint'],
        ]
      : plainOptions(HYDROMETER_SCALES),
  );
  protected readonly scale = linkedSignal<readonly FieldOption<SgScale>[], SgScale>({
    source: this.scales,
    computation: (options) => (options[0]![0] === 'SG' ? 'SG' : this.units.volumeSystem() === 'US' ? 'oz/US pt' : 'oz/imp pt'),
  });
  protected readonly tare = signal<number | null>(null);
  protected readonly volume = signal<number | null>(100);
  protected readonly markMl = linkedSignal<number | null>(() => usualMarkMl(this.volume() ?? 100));
  protected readonly watered = signal<number | null>(null);
  protected readonly waterCheck = computed(() => {
    const [vessel, fullGrams] = [this.vessel(), this.watered()];
    return vessel && fullGrams !== null ? checkVessel({ fullGrams, ...vessel }) : undefined;
  });
  /** A weight that makes sense only without the vessel. */
  protected readonly netSg = computed(() => {
    const filled = this.filled();
    return filled && !this.isDirect() ? sgIfTypedNet(filled) : undefined;
  });
  private readonly filled = computed(() => {
    const vessel = this.vessel();
    const division = this.studios.studio()?.scales[0]?.divisionGrams ?? 0.1;
    const grossGrams = this.gross().value;
    const tareGrams = vessel?.tareGrams ?? this.tare();
    const volumeMl = vessel?.volumeMl ?? this.volume();
    if (grossGrams === null || tareGrams === null || volumeMl === null) return undefined;
    // Half a division, half a mark.
    return {
      grossGrams,
      tareGrams,
      volumeMl,
      ...vesselErrors({ divisionGrams: division, volumeMl, markMl: vessel?.markMl ?? this.markMl() ?? undefined }),
    };
  });
  protected readonly reading = computed(() => {
    const direct = this.direct();
    const scale = this.scale();
    if (this.isDirect()) {
      const sgSd = scale === 'oz/imp pt' || scale === 'oz/US pt' ? pintSgSd({ scale }) : HYDROMETER_SG_SD;
      return direct === null ? undefined : attempt(() => ({ sg: sgFromScale({ value: direct, scale }), sgSd }));
    }
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
    if (this.vesselId() === PINT) return 'Half an ounce is a wide step for a pint: a cylinder on a scale in grams is surer.';
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

  /** It was weighed without the vessel: its weight is added again. */
  protected addVessel(): void {
    const filled = this.filled();
    if (filled) this.gross.set({ value: filled.grossGrams + filled.tareGrams });
  }

  protected leaveOut(eventId: string): void {
    this.screen.note({ type: 'undone', eventId });
  }

  protected keep(): void {
    const reading = this.reading();
    if (reading?.kind !== 'ok') return;
    const filled = this.isDirect() ? undefined : this.filled();
    const { entered } = this.gross();
    this.screen.note({
      type: 'sgMeasured',
      ...reading.value,
      ...(filled
        ? { reading: { ...filled, vessel: this.vessel()?.name ?? 'another vessel' } }
        : { how: `${this.vesselId() === PINT ? 'a pint weighed' : 'hydrometer'}, ${this.direct()} ${this.scale()}` }),
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
