import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { FAULTS, type Result } from '@cazuela/contract';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { TextField } from '../../ui/text-field';
import { SelectField } from '../../ui/select-field';
import { plainOptions } from '../../ui/options';
import { ResourceState } from '../../ui/resource-state';
import { EmptyState } from '../../ui/empty-state';
import { PutAwayStore } from '../../data/state/put-away-store';
import { LinerCaution } from '../../parts/liner-caution';
import { RecordMenu } from '../../parts/records/record-menu';
import { PutAwayLink } from '../../parts/records/put-away-link';
import { ExplainedText } from '../../parts/words/explained-text';
import { cautionsOf } from '../../data/results/cautions';
import { correctionOf } from '../../data/results/correction';
import { addressed } from '../../data/state/address';
import { WhyPanel } from './why-panel';

/** Pieces of one lot that came out alike are told once; one with a photo of its own is not like the others. */
function alikeTogether(groups: Map<string, Result[]>, result: Result): Map<string, Result[]> {
  const { loadPieceId, shelfId: _shelf, coneReached, ...said } = result.body;
  const key = loadPieceId ? JSON.stringify({ ...said, coneReached }) : result.id;
  return groups.set(key, [...(groups.get(key) ?? []), result]);
}

/** What the kiln gave back, each with its bucket, SG, coat and plan. */
@Component({
  selector: 'cz-wall',
  imports: [WhyPanel, EmptyState, ExplainedText, LinerCaution, MatButton, PutAwayLink, RecordMenu, ResourceState, RouterLink, SelectField, TextField],
  templateUrl: './wall.html',
  styleUrl: './wall.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Wall {
  /** From the address: the result. */
  readonly result = input<string>();
  /** From the address: what came out of one firing. */
  readonly firing = input<string>();
  readonly called = input<string>();
  readonly fault = input<string>();
  readonly stars = input<string>();
  protected readonly chosenWords = addressed('called', () => this.called());
  protected readonly chosenFault = addressed('fault', () => this.fault());
  protected readonly chosenStars = addressed('stars', () => this.stars());
  protected readonly api = inject(StudioApi);
  private readonly away = inject(PutAwayStore);
  protected readonly units = inject(Units);
  protected readonly when = formatWhen;
  protected readonly correctionOf = correctionOf;
  protected readonly cautionsOf = cautionsOf;
  protected readonly faultOptions = [['', 'any fault or none'], ...plainOptions(FAULTS)] as const;
  protected readonly starOptions = [0, 1, 2, 3, 4, 5].map(
    (stars) => [stars, stars === 0 ? 'any stars' : stars === 1 ? '1 star and more' : `${stars} stars and more`] as const,
  );
  protected readonly all = apiResource(() => this.api.results());
  protected readonly least = computed(() => Math.min(5, Math.max(0, Math.round(Number(this.chosenStars())) || 0)));
  protected readonly shown = computed(() => {
    const words = this.chosenWords().trim().toLowerCase();
    const all = this.all.value() ?? [];
    const told = (this.result() ? all : this.away.without('result', all))
      .filter((result) => !this.result() || result.id === this.result())
      .filter((result) => !this.firing() || result.body.firingId === this.firing())
      .filter(
        (result) =>
          result.body.stars >= this.least() && (!this.chosenFault() || result.body.faults.some((entry) => entry.fault === this.chosenFault())),
      )
      .filter((result) =>
        [result.pieceName, result.body.note, ...result.glazedWith.map((coat) => coat.bucketName ?? '')].join(' ').toLowerCase().includes(words),
      )
      .reduce(alikeTogether, new Map<string, Result[]>());
    return [...told.values()].map((alike) => ({ ...alike[0]!, count: alike.length, coats: alike[0]!.glazedWith.filter((coat) => coat.bucketName) }));
  });

  /** Seconds nobody timed are called planned. */
  protected secondsWords({ seconds, secondsPlanned }: Result['glazedWith'][number]): string {
    return seconds === null ? '' : `${this.units.seconds(seconds)}${secondsPlanned ? ' planned' : ''}`;
  }

  /** Its photos after the first. */
  protected more({ body }: Result): string[] | undefined {
    const rest = (body.photoIds ?? []).slice(1);
    return rest.length > 0 ? rest : undefined;
  }

  protected faultWords(faults: Result['body']['faults']): string {
    return faults.map((one) => `${one.fault} (${one.where})`).join(', ');
  }
}
