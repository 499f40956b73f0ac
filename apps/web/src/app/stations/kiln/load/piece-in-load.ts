import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import {
  KILN_SETTINGS,
  sortWarnings,
  type KilnSetting,
  type LoadLot,
  type LoadLotChange,
  type PlanFix,
  type StackedShelf,
  type Warning,
} from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { Units } from '../../../data/units/units';
import { WarningList } from '../../../parts/warning-list';
import type { FieldOption } from '../../../ui/options';
import { SelectField } from '../../../ui/select-field';
import { LoadScreen } from './load-screen';
import { pieceName, readyWords, SETTING_WORDS, shelfName } from './load-words';
import { leftOnDay } from './lots-to-load';

const WISHES: readonly FieldOption<'any' | 'hot' | 'cool'>[] = [
  ['any', 'any shelf'],
  ['hot', 'a hot shelf'],
  ['cool', 'a cool shelf'],
];

/** One piece of a load: whether it is dry, what speaks against it at the heat of its shelf, and where else it could stand. */
@Component({
  selector: 'cz-piece-in-load',
  imports: [MatButton, SelectField, WarningList],
  templateUrl: './piece-in-load.html',
  styles: `
    article {
      display: grid;
      gap: 0.5rem;
      padding: 0.8rem 0.9rem;
      background: var(--paper);
      border: 1px solid var(--line);
      border-radius: var(--round);
      margin-bottom: 1rem;
    }
    h2,
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceInLoad {
  readonly lot = input.required<LoadLot>();
  readonly pieceId = input.required<string>();
  /** Where it stands. */
  readonly shelf = input<StackedShelf>();
  readonly putOn = output<StackedShelf>();
  readonly takenOut = output<void>();
  protected readonly screen = inject(LoadScreen);
  protected readonly units = inject(Units);
  protected readonly settingWords = SETTING_WORDS;
  protected readonly settings: readonly FieldOption<KilnSetting>[] = KILN_SETTINGS.map((setting) => [setting, SETTING_WORDS[setting]]);
  protected readonly wishes = WISHES;
  protected readonly name = computed(() => `${this.screen.looks().get(this.pieceId())?.code}: ${pieceName(this.lot(), this.pieceId())}`);
  protected readonly size = computed(() => {
    const { footprint, heightMm } = this.lot();
    const across =
      footprint.kind === 'circle'
        ? `${this.units.length(2 * footprint.radiusMm)} across`
        : `${this.units.length(footprint.widthMm)} by ${this.units.length(footprint.depthMm)}`;
    return `${across}, ${this.units.length(heightMm)} high,`;
  });
  protected readonly ready = computed((): { words: string; tone: string } =>
    this.lot().isDry
      ? { words: 'Dry through: somebody said so.', tone: 'good' }
      : readyWords(this.screen.ready().get(this.lot().id), this.screen.nowAt()),
  );
  protected readonly isWaiting = computed(() => {
    const ready = this.screen.ready().get(this.lot().id);
    return !this.lot().isDry && ready?.kind === 'drying';
  });
  /** Fewer are left on the day than are on the load. */
  protected readonly fewer = computed(() => {
    const left = leftOnDay(this.lot(), this.screen.days());
    return left !== undefined && left > 0 && left < this.lot().count && !this.screen.isFired() ? left : undefined;
  });
  protected readonly warnings = computed((): Warning[] => {
    const shelf = this.shelf() ?? this.screen.shelvesOf(this.lot().id)[0];
    const found = shelf && this.screen.warnings().get(`${this.lot().id} ${shelf.id}`);
    // A glazed pot is not glazed anew: only how it stands can still be changed.
    return sortWarnings({ warnings: found ?? [] }).map((warning) => ({
      ...warning,
      fixes: (warning.fixes ?? []).filter(({ change }) => change.setting !== undefined && Object.keys(change).length === 1),
    }));
  });
  protected readonly others = computed(() => this.screen.shelves().filter(({ id }) => id !== this.shelf()?.id));
  protected readonly canHaveShelf = computed(() => this.screen.shelves().length < (this.screen.toLoad()?.shelves ?? 0));
  /** Pots of the same plan on which a lid can be fired. */
  protected readonly potLot = computed(() => {
    const { pieceId, dayId, id, setting, onLotId } = this.lot();
    if (setting !== 'onRim' || onLotId) return undefined;
    return this.screen.standing().lots.find((one) => one.id !== id && one.pieceId === pieceId && one.dayId === dayId && one.setting !== 'onRim');
  });

  protected nameOf(shelf: StackedShelf): string {
    return shelfName(shelf, this.screen.shelves());
  }

  protected heat(shelf: StackedShelf): string {
    const offset = this.screen.offsetAt(shelf);
    return offset && this.screen.isLearnt() ? `, ${this.units.temperatureStep(offset.celsius)}` : '';
  }

  protected change(words: string, change: LoadLotChange): void {
    this.screen.note(words, { type: 'lotChanged', lotId: this.lot().id, change });
  }

  protected wish(wants: 'any' | 'hot' | 'cool'): void {
    this.change('What it wants', { wants: wants === 'any' ? null : wants });
  }

  protected fix({ change, words }: PlanFix): void {
    if (change.setting) this.change(words, { setting: change.setting });
  }

  protected removeLot(): void {
    this.screen.note(`${this.lot().count} × ${this.lot().name} out of the load`, { type: 'lotRemoved', lotId: this.lot().id });
  }

  /** On top of all, or of the lower stack of half shelves. */
  protected newShelf(): void {
    const shelves = this.screen.shelves();
    const top = (side: 'left' | 'right'): number =>
      Math.max(0, ...shelves.filter((one) => one.side === side).map(({ fromMm, roomMm }) => fromMm + roomMm));
    const side = this.screen.toLoad()?.isHalved ? (top('left') <= top('right') ? 'left' : 'right') : undefined;
    this.screen.note('A shelf put in', { type: 'shelfAdded', shelfId: uuid(), ...(side ? { side } : {}) });
  }
}
