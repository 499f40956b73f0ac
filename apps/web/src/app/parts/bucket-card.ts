import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BucketSummary } from '@cazuela/contract';
import { daysLeft, mixtureOf, type EvaporationBasis, type FeelNow } from '@cazuela/core';
import { Clock } from '../data/state/clock';
import { StudioStore } from '../data/state/studio-store';
import { formatAge } from '../data/units/times';
import { Units } from '../data/units/units';
import { BucketDrawing } from './bucket-drawing';
import { bucketVerdict } from './bucket-verdict';
import { PrefetchOnHover } from './prefetch-on-hover';

/** A bucket in the list, as a vessel with its level and SG, one tap from its page. */
@Component({
  selector: 'cz-bucket-card',
  imports: [BucketDrawing, PrefetchOnHover, RouterLink],
  template: `
    @let entry = this.entry();
    <a [routerLink]="['/bucket', entry.id]" [czPrefetchOnHover]="entry.id">
      <cz-bucket-drawing [bucket]="entry" />
      <span class="board" aria-hidden="true"></span>
      <strong>{{ entry.name }}</strong>
      <span class="reading"
        ><span class="figure">{{ entry.reading }}</span> <span class="quiet small">{{ entry.sure }}</span></span
      >
      <span class="reading" [class]="entry.tone">{{ entry.words }}</span>
      <span class="quiet small">{{ entry.code }}{{ entry.volumeMl === undefined ? '' : ', ' + units.litres(entry.volumeMl) }} </span>
      @if (entry.age) {
        <span class="quiet small">{{ entry.age }}</span>
      }
      @if (entry.left) {
        <span class="small" [class.look]="entry.soon">{{ entry.left }}</span>
      }
      @if (entry.warns) {
        <span class="small stop">{{ entry.warns }}</span>
      }
    </a>
  `,
  styles: `
    a {
      display: grid;
      justify-items: center;
      padding-top: 0.8rem;
      color: inherit;
      text-decoration: none;
      text-align: center;
      line-height: 1.3;
    }
    cz-bucket-drawing {
      width: 118px;
      margin-left: 16px;
    }
    .board {
      width: 100%;
      height: 9px;
      margin: -2px 0 0.4rem;
      background: linear-gradient(var(--shelf) 55%, var(--shelf-edge) 55%);
    }
    a:hover strong {
      color: var(--cobalt);
      text-decoration: underline;
    }
    .reading {
      font-size: 0.93rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketCard {
  readonly bucket = input.required<BucketSummary>();
  protected readonly units = inject(Units);
  private readonly studio = inject(StudioStore).studio;
  private readonly nowAt = inject(Clock).at;
  protected readonly entry = computed(() => {
    const bucket = this.bucket();
    const { contents, body } = bucket;
    const byFeel = this.studio()?.reads === 'feel';
    const left = contents && !byFeel ? daysLeft({ contents, ...body, nowAt: this.nowAt() }) : undefined;
    const at = byFeel ? contents?.feel?.at : contents?.measuredAt;
    return {
      id: bucket.id,
      code: bucket.code,
      ...body,
      sg: byFeel ? undefined : contents?.sg,
      sgSd: contents?.sgSd,
      volumeMl: contents?.volumeMl,
      reading: contents ? (byFeel ? feelFigure(contents.feel) : this.units.sg(contents.sg)) : '·',
      sure: !byFeel && contents?.sgSd !== undefined ? `± ${this.units.sgFine(contents.sgSd)}` : '',
      ...bucketVerdict(bucket, byFeel),
      age: at ? formatAge(at, this.nowAt()) : '',
      left: left ? daysWords(left) : '',
      soon: (left?.days ?? 99) < 4,
      warns: contents?.contaminated ? 'contaminated' : contents && mixtureOf(contents) ? 'a mixture' : '',
    };
  });
}

/** The newest swirl, else the flow cup, else the drips. */
function feelFigure(feel: FeelNow | undefined): string {
  if (feel?.swirlSeconds !== undefined) return `${feel.swirlSeconds} s`;
  if (feel?.flowSeconds !== undefined) return `${feel.flowSeconds} s`;
  return feel?.drips === undefined ? '·' : `${feel.drips} drips`;
}

function daysWords({ days, basis }: { days: number; basis: EvaporationBasis }): string {
  const said = days > 60 ? 'over two months' : days < 1 ? 'less than a day' : `${Math.round(days)} ${Math.round(days) === 1 ? 'day' : 'days'}`;
  return `good for ${said}${basis === 'guess' ? ', a guess' : ''}`;
}
