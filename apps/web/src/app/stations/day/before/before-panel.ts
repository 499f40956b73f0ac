import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Firing, Kiln } from '@cazuela/contract';
import { attempt, dayNeeds, depthAtVolume, kilnToLoad, loadPieces, lotFromItem, lotIdOf, type BucketNeed, type LoadLot } from '@cazuela/core';
import { combineLatest, forkJoin, map, of, switchMap, type Observable } from 'rxjs';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { formatAge } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { LEFT_OUT_WORDS } from '../../../data/loads/left-out-words';
import { LoadFinder } from '../../../data/loads/load-finder';
import { offsetsOf } from '../../../data/state/kiln-offsets';
import { BucketDrawing } from '../../../parts/bucket-drawing';
import { TOOL_WORDS } from '../day-words';
import { DayScreen } from '../day-screen';

interface Lack {
  words: string;
  tone: 'look' | 'stop';
  /** What to do about it, one tap away. */
  to?: { words: string; link: string[]; params?: Record<string, string> } | undefined;
}

/** What a kiln takes of a day. */
interface KilnFit {
  id: string;
  words: string;
  out: string[];
  isEnough: boolean;
}

const isEqual = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
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
  private readonly api = inject(StudioApi);
  private readonly finder = inject(LoadFinder);
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
  private readonly toFire = computed(() => {
    const [day, standing] = [this.screen.day(), this.screen.state()?.standing];
    if (!day || !standing) return undefined;
    const items = standing.lots.map(({ item }) => item);
    const lots = items.flatMap((item): LoadLot[] => {
      const lot = lotFromItem(item, { id: item.id, dayId: day.id });
      return lot ? [lot] : [];
    });
    const unknown = items.reduce((sum, { id, count }) => sum + (lots.some((lot) => lot.id === id) ? 0 : count), 0);
    return { lots, unknown };
  });
  private readonly places = apiResource(() => combineLatest({ kilns: this.api.kilns(), firings: this.api.firings() }));
  /** How all of the day would stand in each kiln, worked out as for a load. */
  protected readonly fits = toSignal(
    toObservable(computed(() => ({ toFire: this.toFire(), places: this.places.value() }), { equal: isEqual })).pipe(
      switchMap(({ toFire, places }) => {
        const lots = toFire?.lots ?? [];
        const kilns = (places?.kilns ?? []).filter(({ body }) => body.shelves.length > 0);
        if (lots.length === 0 || kilns.length === 0) return of([]);
        return forkJoin(kilns.map((kiln) => this.fitOf(kiln, lots, places!.firings)));
      }),
    ),
    { initialValue: [] },
  );
  protected readonly kiln = computed(() => {
    const toFire = this.toFire();
    if (!toFire || toFire.lots.length + toFire.unknown === 0) return 'Nothing is to be fired.';
    const unknown = toFire.unknown > 0 ? `The size of ${toFire.unknown} is not known: they were put on the day before sizes were noted.` : '';
    return this.places.value()?.kilns.length === 0
      ? `No kiln has a card yet: make one, and it is worked out how all of it stands. ${unknown}`.trim()
      : unknown;
  });

  private fitOf(kiln: Kiln, lots: readonly LoadLot[], firings: readonly Firing[]): Observable<KilnFit> {
    const pieces = loadPieces(lots);
    const offsets = offsetsOf(kiln, firings);
    const warmer = offsets.readings > 0 ? offsets.at(1).celsius - offsets.at(0).celsius : 0;
    return this.finder.places(pieces, kilnToLoad(kiln.body, warmer)).pipe(
      map((found): KilnFit => {
        if (found.kind === 'failed') return { id: kiln.id, words: `${kiln.body.name}: ${found.message}`, out: [], isEnough: false };
        const placed = pieces.length - found.leftOut.length;
        const shelves = `${found.shelves.length} ${found.shelves.length === 1 ? 'shelf' : 'shelves'}`;
        const isEnough = found.leftOut.length === 0;
        return {
          id: kiln.id,
          words: isEnough
            ? `All ${placed} stand in ${kiln.body.name}, on ${shelves}.`
            : `${placed} of ${pieces.length} stand in ${kiln.body.name}, on ${shelves}.`,
          out: lots.flatMap(({ id, name, code }) => {
            const left = found.leftOut.filter(({ pieceId }) => lotIdOf(pieceId) === id);
            const why = [...new Set(left.map((one) => LEFT_OUT_WORDS[one.why] ?? one.why))].join(', ');
            return left.length > 0 ? [`${code ? `${code}: ` : ''}${left.length} × ${name} ${left.length === 1 ? 'stays' : 'stay'} out: ${why}`] : [];
          }),
          isEnough,
        };
      }),
    );
  }

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
