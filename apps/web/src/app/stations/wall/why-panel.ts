import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Result } from '@cazuela/contract';
import { causesOfFault, FIRED_FAULTS, learntStrengths, type FiredFault, type JudgedPiece } from '@cazuela/core';
import { RouterLink } from '@angular/router';
import { apiResource } from '../../data/http/api-resource';
import { FaultRecords, type RecordOf } from '../../data/state/fault-records';
import { Units } from '../../data/units/units';
import { ResourceState } from '../../ui/resource-state';
import { causeWords, worthRecording } from './cause-words';

/** From here on the studio's own pieces are told as a ground. */
const ENOUGH_PIECES = 8;

/** Why a fired piece has its faults: likely causes among what was recorded, what was not, and what nothing explains. */
@Component({
  selector: 'cz-why-panel',
  imports: [ResourceState, RouterLink],
  template: `
    <cz-resource-state [resource]="known" />
    @for (fault of told(); track $index) {
      <section [attr.aria-label]="'Why it ' + fault.name">
        <h3>{{ fault.title }}</h3>
        @if (fault.causes.length > 0) {
          <ol class="plain-list ruled">
            @for (cause of fault.causes; track cause.words) {
              <li class="spread">
                <span>{{ cause.words }}</span> <span class="figure">{{ cause.share }} %</span>
              </li>
            }
          </ol>
        } @else {
          <p>Nothing that was recorded explains it.</p>
        }
        @if (fault.unexplained >= 25 && fault.causes.length > 0) {
          <p class="quiet small">{{ fault.unexplained }} %: none of these.</p>
        }
        @if (fault.worth.length > 0) {
          <p class="quiet small">Not recorded, so not blamed; worth recording next time: {{ fault.worth.join('; ') }}.</p>
        }
      </section>
    }
    @if (hasRun()) {
      <p>How far it runs, and what keeps it off the shelf, is told by <a [routerLink]="['/piece', result().body.pieceId]">the run of its plan</a>.</p>
    }
    @if (told().length > 0) {
      <p class="quiet small">{{ ground() }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
      max-width: 46rem;
    }
    h3 {
      margin: 0.4rem 0 0.2rem;
    }
    .spread {
      flex-wrap: nowrap;
    }
    .figure {
      white-space: nowrap;
      font-family: var(--figures);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyPanel {
  readonly result = input.required<Result>();
  private readonly units = inject(Units);
  private readonly records = inject(FaultRecords);
  protected readonly known = apiResource(() => this.records.all());
  private readonly judged = computed((): JudgedPiece[] => {
    const known = this.known.value();
    return known ? known.results.flatMap((result) => judgedOf(result, known.recordOf)) : [];
  });
  private readonly strengths = computed(() => learntStrengths(this.judged()));
  protected readonly told = computed(() => {
    const known = this.known.value();
    if (!known) return [];
    return this.result().body.faults.flatMap(({ fault, where }) => {
      const record = isTold(fault) ? known.recordOf(this.result(), where) : undefined;
      if (!isTold(fault) || !record) return [];
      const { causes, unexplained, notRecorded } = causesOfFault(fault, record, this.strengths());
      return [
        {
          name: fault,
          title: `${capital(fault)}, ${where}: why?`,
          causes: causes.map(({ id, share }) => ({ words: capital(causeWords(id, record, this.units)), share: Math.round(100 * share) })),
          unexplained: Math.round(100 * unexplained),
          worth: worthRecording(notRecorded),
        },
      ];
    });
  });
  protected readonly hasRun = computed(() => this.result().body.faults.some(({ fault }) => isRun(fault)));
  protected readonly ground = computed(() => {
    const pieces = this.judged().length;
    const own =
      pieces >= ENOUGH_PIECES ? `put right by the ${pieces} pieces that were looked at here, good ones too` : 'not yet by pieces of this studio';
    return `Each figure is the chance that the cause was at work: from usual strengths, ${own}. Two causes may have worked together.`;
  });
}

const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
/** A run is told by the run itself, on the plan of the piece. */
const isRun = (fault: string): boolean => fault === 'ran' || fault === 'stuck';
const isTold = (fault: string): fault is FiredFault => isFired(fault) && !isRun(fault);
const isFired = (fault: string): fault is FiredFault => (FIRED_FAULTS as readonly string[]).includes(fault);

/** A piece with what is wrong with it; at the place of its first fault, outside where it has none. */
function judgedOf(result: Result, recordOf: RecordOf): JudgedPiece[] {
  const record = recordOf(result, result.body.faults[0]?.where ?? 'outside');
  return record ? [{ record, faults: result.body.faults.map(({ fault }) => fault).filter(isFired) }] : [];
}
