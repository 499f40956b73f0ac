import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { FAULTS, SURFACES, type PhotoColours, type Result } from '@cazuela/contract';
import { colourNearness, type Oklab } from '@cazuela/core';
import { converter } from 'culori';
import { format, parseISO } from 'date-fns';
import { combineLatest } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { TextField } from '../../ui/text-field';
import { SelectField } from '../../ui/select-field';
import { plainOptions, type FieldOption } from '../../ui/options';
import { ColourField } from '../../ui/colour-field';
import { ResourceState } from '../../ui/resource-state';
import { EmptyState } from '../../ui/empty-state';
import { Outbox } from '../../data/offline/outbox';
import { PutAwayStore } from '../../data/state/put-away-store';
import { LinerCaution } from '../../parts/liner-caution';
import { RecordMenu } from '../../parts/records/record-menu';
import { PutAwayLink } from '../../parts/records/put-away-link';
import { ExplainedText } from '../../parts/words/explained-text';
import { cautionsOf } from '../../data/results/cautions';
import { isKeeper, Keepers } from '../../data/results/keepers';
import { createMutation } from '../../data/http/mutation';
import { ErrorBanner } from '../../ui/error-banner';
import { correctionOf } from '../../data/results/correction';
import { addressed } from '../../data/state/address';
import { BalancedPhoto } from './balanced-photo';
import { PhotoSpot } from './photo-spot';
import { findOnWall, monthOf, type WallFacts, type WallSearch } from './wall-search';
import { WhyPanel } from './why-panel';

const oklab = converter('oklab');
const ROWS_AT_ONCE = 40;
const NO_SEARCH: WallSearch = { words: '', stars: 0, fault: '', bodyId: '', surface: '', month: '', like: undefined };
const NEARNESS_WORDS = { same: 'looks the same', near: 'near', far: 'further off' } as const;

/** Pieces of one lot that came out alike are told once; one with a photo of its own is not like the others. */
function alikeTogether(groups: Map<string, Result[]>, result: Result): Map<string, Result[]> {
  const { loadPieceId, shelfId: _shelf, coneReached, ...said } = result.body;
  const key = loadPieceId ? JSON.stringify({ ...said, coneReached }) : result.id;
  return groups.set(key, [...(groups.get(key) ?? []), result]);
}

/** What the kiln gave back, each with its bucket, SG, coat and plan. */
@Component({
  selector: 'cz-wall',
  imports: [
    ErrorBanner,
    BalancedPhoto,
    ColourField,
    PhotoSpot,
    WhyPanel,
    EmptyState,
    ExplainedText,
    LinerCaution,
    MatButton,
    PutAwayLink,
    RecordMenu,
    ResourceState,
    RouterLink,
    SelectField,
    TextField,
  ],
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
  readonly clay = input<string>();
  readonly surface = input<string>();
  readonly month = input<string>();
  /** A colour, as "#a08060". */
  readonly like = input<string>();
  protected readonly chosenWords = addressed('called', () => this.called());
  protected readonly chosenFault = addressed('fault', () => this.fault());
  protected readonly chosenStars = addressed('stars', () => this.stars());
  protected readonly chosenClay = addressed('clay', () => this.clay());
  protected readonly chosenSurface = addressed('surface', () => this.surface());
  protected readonly chosenMonth = addressed('month', () => this.month());
  protected readonly chosenLike = addressed('like', () => this.like());
  protected readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly keepers = inject(Keepers);
  protected readonly keeping = createMutation();
  private readonly away = inject(PutAwayStore);
  protected readonly units = inject(Units);
  protected readonly when = formatWhen;
  protected readonly correctionOf = correctionOf;
  protected readonly cautionsOf = cautionsOf;
  protected readonly faultOptions = [['', 'any fault or none'], ...plainOptions(FAULTS)] as const;
  protected readonly starOptions = [0, 1, 2, 3, 4, 5].map(
    (stars) => [stars, stars === 0 ? 'any stars' : stars === 1 ? '1 star and more' : `${stars} stars and more`] as const,
  );
  /** Steps that this device has not brought to the records yet. */
  private readonly onTheirWay = inject(Outbox).pendingCount;
  protected readonly all = apiResource(() => this.api.results());
  /** Beside the results: what they are found by. */
  protected readonly facts = apiResource(() =>
    combineLatest({
      pieces: this.api.pieces(),
      bodies: this.api.bodies(),
      buckets: this.api.buckets(),
      recipes: this.api.recipes(),
      colours: this.api.photoColours(),
    }),
  );
  /** Photos whose grey patch was tapped here. */
  private readonly balanced = signal<readonly PhotoColours[]>([]);
  protected readonly colours = computed(
    () => new Map([...(this.facts.value()?.colours ?? []), ...this.balanced()].map((photo) => [photo.id, photo] as const)),
  );
  private readonly known = computed((): WallFacts => {
    const { pieces = [], buckets = [], recipes = [] } = this.facts.value() ?? {};
    const surfaces = new Map(recipes.map(({ id, body }) => [id, body.surface] as const));
    return {
      pieces: new Map(pieces.map((piece) => [piece.id, piece] as const)),
      surfaces: new Map(buckets.map(({ id, recipeId }) => [id, surfaces.get(recipeId ?? '') ?? 'unknown'] as const)),
      colours: this.colours(),
    };
  });
  protected readonly bodyOptions = computed((): FieldOption[] => [
    ['', 'any clay'],
    ...(this.facts.value()?.bodies ?? []).map(({ id, name }) => [id, name] as const),
  ]);
  protected readonly monthOptions = computed((): FieldOption[] => [
    ['', 'any month'],
    ...[...new Set((this.all.value() ?? []).map(({ firedAt }) => monthOf(firedAt)))]
      .sort((a, b) => b.localeCompare(a))
      .map((month) => [month, monthWords(month)] as const),
  ]);
  protected readonly surfaceOptions: FieldOption[] = [
    ['', 'any surface'],
    ...SURFACES.filter((surface) => surface !== 'unknown').map((surface) => [surface, surface] as const),
  ];
  protected readonly least = computed(() => Math.min(5, Math.max(0, Math.round(Number(this.chosenStars())) || 0)));
  protected readonly isSought = computed(
    () =>
      [this.chosenWords(), this.chosenFault(), this.chosenClay(), this.chosenSurface(), this.chosenMonth(), this.chosenLike()].some(Boolean) ||
      this.least() > 0,
  );
  protected readonly keptAs = computed(
    () => new Map((this.facts.value()?.pieces ?? []).filter(isKeeper).map(({ id, body }) => [body.keeper.resultId, id] as const)),
  );
  private readonly likeness = computed((): Oklab | undefined => {
    const colour = this.chosenLike() ? oklab(this.chosenLike()) : undefined;
    return colour && [colour.l, colour.a, colour.b];
  });
  /** So many are drawn; the rest when somebody asks for them. */
  protected readonly most = signal(ROWS_AT_ONCE);
  protected readonly rest = computed(() => Math.max(0, this.found().length - this.most()));
  protected readonly shown = computed(() => this.found().slice(0, this.most()));
  private readonly found = computed(() => {
    const all = this.all.value() ?? [];
    const here = (this.result() ? all : this.away.without('result', all))
      .filter((result) => !this.result() || result.id === this.result())
      .filter((result) => !this.firing() || result.body.firingId === this.firing());
    const search: WallSearch = {
      words: this.chosenWords(),
      stars: this.least(),
      fault: this.chosenFault(),
      bodyId: this.chosenClay(),
      surface: this.chosenSurface(),
      month: this.chosenMonth(),
      like: this.likeness(),
    };
    const found = findOnWall(here, this.result() ? NO_SEARCH : search, this.known());
    const differences = new Map(found.map(({ result, difference }) => [result.id, difference]));
    const told = found.map(({ result }) => result).reduce(alikeTogether, new Map<string, Result[]>());
    return [...told.values()].map((alike) => ({
      ...alike[0]!,
      count: alike.length,
      coats: alike[0]!.glazedWith.filter((coat) => coat.bucketName),
      nearness: nearnessWords(differences.get(alike[0]!.id)),
    }));
  });

  /** Seconds nobody timed are called planned. */
  protected secondsWords({ seconds, secondsPlanned }: Result['glazedWith'][number]): string {
    return seconds === null ? '' : `${this.units.seconds(seconds)}${secondsPlanned ? ' planned' : ''}`;
  }

  /** Saves its plan as a keeper, and shows what it is to be made again with. */
  protected keep(result: Result): void {
    this.keeping.run(this.keepers.keep(result), () => void this.router.navigate(['/wall/keepers']));
  }

  constructor() {
    // What was read at the opening a moment ago may be on its way to the records still: it hangs here as soon as it is there.
    let before = untracked(this.onTheirWay);
    effect(() => {
      const now = this.onTheirWay();
      if (now < before) untracked(() => this.all.reload());
      before = now;
    });
  }

  protected showMore(): void {
    this.most.update((most) => most + ROWS_AT_ONCE);
  }

  protected tookGrey(photo: PhotoColours): void {
    this.balanced.update((list) => [...list, photo]);
  }

  /** From a result to all that has its colour. */
  protected findLike(colour: string): void {
    void this.router.navigate(['/wall'], { queryParams: { like: colour } });
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

const monthWords = (month: string): string => format(parseISO(`${month}-01`), 'MMMM yyyy');

const nearnessWords = (difference: number | undefined): string =>
  difference === undefined ? '' : `ΔE ${difference.toFixed(1)}: ${NEARNESS_WORDS[colourNearness(difference)]}`;
