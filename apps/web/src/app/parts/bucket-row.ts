import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BucketSummary } from '@cazuela/contract';
import { rangeVerdict } from '@cazuela/core';
import { Units } from '../data/units';
import { BucketDrawing, verdictTone, verdictWords } from './bucket-drawing';

/** The shelf: every bucket as a vessel with its level and SG, one tap from its page. */
@Component({
  selector: 'cz-bucket-row',
  imports: [BucketDrawing, RouterLink],
  template: `
    <ul class="plain-list">
      @for (entry of entries(); track entry.id) {
        <li>
          <a [routerLink]="['/bucket', entry.id]">
            <cz-bucket-drawing [bucket]="entry" />
            <span class="board" aria-hidden="true"></span>
            <strong>{{ entry.name }}</strong>
            <span class="reading"
              ><span class="figure">{{ entry.sg === undefined ? '·' : units.sg(entry.sg) }}</span>
              <span [class]="entry.tone">{{ entry.words }}</span></span
            >
            <span class="quiet small">{{ entry.code }}{{ entry.volumeMl === undefined ? '' : ', ' + units.litres(entry.volumeMl) }} </span>
          </a>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(148px, 1fr));
      row-gap: 1.4rem;
    }
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
    @media (max-width: 480px) {
      ul {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketRow {
  readonly buckets = input.required<readonly BucketSummary[]>();
  protected readonly units = inject(Units);
  protected readonly entries = computed(() =>
    this.buckets().map((bucket) => {
      const { contents, body } = bucket;
      const verdict = contents ? rangeVerdict({ sg: contents.sg, sgSd: contents.sgSd, lowSg: body.sgLow, highSg: body.sgHigh }) : 'unmeasured';
      return {
        id: bucket.id,
        code: bucket.code,
        ...body,
        sg: contents?.sg,
        sgSd: contents?.sgSd,
        volumeMl: contents?.volumeMl,
        words: contents ? verdictWords(verdict) : 'empty',
        tone: verdictTone(verdict),
      };
    }),
  );
}
