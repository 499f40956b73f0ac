import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { attempt, dayNeeds, depthAtVolume, FINGER_MM, type BucketNeed } from '@cazuela/core';
import { formatAge } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { BucketDrawing } from '../../../parts/bucket-drawing';
import { TOOL_WORDS } from '../day-words';
import { DayScreen } from '../day-screen';

interface Lack {
  words: string;
  tone: 'look' | 'stop';
  /** What to do about it, one tap away. */
  to?: { words: string; link: string[]; params?: Record<string, string> } | undefined;
}

/** Over the tallest piece of a shelf, mm. */
const POST_ROOM_MM = 10;
/** Less than so much of a bucket over what is needed is not enough to dip in to the last, as a share. */
const STAYS_SHARE = 0.15;

/** Before the first dip: each bucket with what it has to give, what must be at hand, and room in the kiln. */
@Component({
  selector: 'cz-before-panel',
  imports: [BucketDrawing, MatButton, MatIcon, RouterLink],
  templateUrl: './before-panel.html',
  styleUrl: './before-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeforePanel {
  private readonly screen = inject(DayScreen);
  protected readonly units = inject(Units);
  protected readonly toolWords = TOOL_WORDS;
  private readonly needs = computed(() => {
    const standing = this.screen.state()?.standing;
    return standing && dayNeeds({ standing });
  });
  protected readonly tools = computed(() => this.needs()?.tools ?? []);
  protected readonly buckets = computed(() =>
    (this.needs()?.buckets ?? []).map((need) => {
      const bucket = this.screen.buckets.find(need.bucketId);
      const lacks = this.lacksOf(need);
      return { need, bucket, lacks, ready: this.readyWords(need) };
    }),
  );
  protected readonly lackCount = computed(() => this.buckets().reduce((sum, { lacks }) => sum + lacks.length, 0));
  protected readonly kiln = computed(() => {
    const kiln = this.needs()?.kiln;
    if (!kiln || kiln.pieces === 0) return '';
    const known = kiln.pieces - kiln.unknownPieces;
    const room =
      known === 0
        ? ''
        : `${known} pieces take ${(kiln.areaCm2 / 10_000).toFixed(2)} m² of shelf with ${FINGER_MM} mm between them; the tallest wants posts of ${kiln.tallestMm + POST_ROOM_MM} mm.`;
    const unknown =
      kiln.unknownPieces > 0 ? ` The size of ${kiln.unknownPieces} is not known: they were put on the day before sizes were noted.` : '';
    return `${room}${unknown} Compare it with your shelves: how pieces stand is not worked out yet.`.trim();
  });

  private lacksOf(need: BucketNeed): Lack[] {
    const bucket = this.screen.buckets.find(need.bucketId);
    if (!bucket) return [{ words: `${need.name} is in no bucket`, tone: 'stop', to: { words: 'Weigh a batch', link: ['/weigh'] } }];
    const contents = bucket.contents;
    const page = ['/bucket', bucket.id];
    if (!contents) return [{ words: 'Its bucket is empty', tone: 'stop', to: { words: 'Weigh a batch', link: ['/weigh'] } }];
    const now = this.screen.buckets.at(bucket);
    const wantedMl = need.needMl / (1 - STAYS_SHARE);
    const shape = bucket.body.shape;
    const depth = shape && attempt(() => depthAtVolume({ shape, volumeMl: contents.volumeMl }));
    const deepMm = depth?.kind === 'ok' ? depth.value.depthMm : undefined;
    return [
      ...(need.needMl > 0 && contents.volumeMl < wantedMl
        ? [
            {
              words: `${this.units.litres(wantedMl - contents.volumeMl)} short: these coats take ${this.units.litres(need.needMl)}, it holds ${this.units.litres(contents.volumeMl)}`,
              tone: 'stop' as const,
              to: {
                words: `Weigh ${this.units.litres(wantedMl - contents.volumeMl)}`,
                link: ['/weigh'],
                ...weighParams(bucket.recipeId, wantedMl - contents.volumeMl),
              },
            },
          ]
        : []),
      ...(need.depthMm > 0 && deepMm !== undefined && deepMm < need.depthMm
        ? [
            {
              words: `${Math.round(deepMm)} mm deep; ${need.deepestName} wants ${need.depthMm} mm: pour it over, or use a narrower vessel`,
              tone: 'look' as const,
              to: { words: 'Its dips', link: page, params: { bench: 'dips' } },
            },
          ]
        : []),
      ...(now.verdict ? [{ words: `It is ${now.verdict}`, tone: 'look' as const, to: { words: 'To the bucket', link: page } }] : []),
      ...(now.contaminated
        ? [{ words: `Contaminated: ${now.contaminated}`, tone: 'stop' as const, to: { words: 'To the bucket', link: page } }]
        : []),
      ...(contents.sgSd === undefined
        ? [{ words: 'Its SG was never measured', tone: 'look' as const, to: { words: 'Measure it', link: page } }]
        : []),
      ...(now.stir ? [{ words: 'Stir it before the first dip', tone: 'look' as const }] : []),
      ...(need.unknownSteps > 0
        ? [{ words: 'Some of its pots were put on the day before amounts were noted: take them off and put them on again', tone: 'look' as const }]
        : []),
    ];
  }

  private readyWords(need: BucketNeed): string {
    const contents = this.screen.buckets.find(need.bucketId)?.contents;
    const amount = need.needMl > 0 ? `${this.units.litres(need.needMl)} for ${need.pieces} pieces` : `${need.pieces} pieces`;
    const measuredAt = contents?.measuredAt;
    return measuredAt ? `${amount}; SG ${this.units.sg(contents.sg)}, ${formatAge(measuredAt, this.screen.nowAt())}` : amount;
  }

  protected stirred(bucketId: string): void {
    this.screen.buckets.note(bucketId, { type: 'stirred' });
  }
}

const weighParams = (recipeId: string | null | undefined, millilitres: number): { params?: Record<string, string> } =>
  recipeId ? { params: { recipe: recipeId, ml: String(Math.ceil(millilitres / 100) * 100) } } : {};
