import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { FAULTS } from '@cazuela/contract';
import { FAULT_DEGREES, type FiredFault, type SeenFault, type Verdict } from '@cazuela/core';
import * as z from 'zod';
import { StudioApi } from '../../../data/http/studio-api';
import { cautionsOf } from '../../../data/results/cautions';
import { sessionSignal } from '../../../data/offline/kept-signal';
import { MatDialog } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import type { EditedPhoto, PhotoEdit } from '../../../parts/photo-editor';
import { PhotoQueue } from '../../../data/photos/photo-queue';
import { PhotoButton } from '../../../ui/photo-button';
import { LinerCaution } from '../../../parts/liner-caution';
import { StarsField } from '../../../ui/stars-field';
import { TextArea } from '../../../ui/text-area';
import { shelfName } from '../load/load-words';
import { OpeningScreen, type OpenedPiece } from './opening-screen';
import { DEGREE_WORDS, FAULT_KEYS } from './opening-words';

const PLACES = ['inside', 'outside', 'rim', 'foot'] as const;
const FEET = [
  ['clean', 'clean'],
  ['touched', 'glaze on it'],
] as const;
const MOST_SUGGESTIONS = 2;
const LONGEST_SUGGESTION = 40;
const draftSchema = z.strictObject({ key: z.string(), note: z.string() });

/** What is said of one fired piece: a tap each, kept at once. */
@Component({
  selector: 'cz-verdict-panel',
  imports: [LinerCaution, MatButton, PhotoButton, StarsField, TextArea],
  templateUrl: './verdict-panel.html',
  styleUrl: './verdict-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VerdictPanel {
  readonly piece = input.required<OpenedPiece>();
  private readonly screen = inject(OpeningScreen);
  private readonly api = inject(StudioApi);
  protected readonly queue = inject(PhotoQueue);
  private readonly dialog = inject(MatDialog);
  protected readonly faults = FAULTS;
  protected readonly feet = FEET;
  protected readonly places = PLACES;
  protected readonly degrees = FAULT_DEGREES;
  protected readonly degreeWords = DEGREE_WORDS;
  protected readonly keyOf = FAULT_KEYS;
  /** Typed and not kept yet: there again after a reload. */
  private readonly draft = sessionSignal('opening-note', { key: '', note: '' }, (kept) => draftSchema.safeParse(kept).data);
  protected readonly shooting = signal(false);
  protected readonly trouble = signal('');
  protected readonly verdict = computed((): Verdict => this.piece().reading?.verdict ?? {});
  protected readonly note = computed(() => (this.draft().key === this.key() ? this.draft().note : (this.verdict().note ?? '')));
  protected readonly cautions = computed(() => cautionsOf(this.verdict().faults ?? []));
  protected readonly place = computed(() => {
    const shelf = this.screen.shelfOf(this.piece().id);
    const cone = this.piece().reading?.coneReached ?? this.screen.placeOf(this.piece().id).coneReached;
    return `${shelf ? `${shelfName(shelf, this.screen.load.shelves())}, ` : ''}cone ${cone}`;
  });
  protected readonly others = computed(() => {
    const { reading } = this.piece();
    if (!reading || reading.others.length === 0) return '';
    const given = reading.others.map(({ by, stars }) => `${by} gave it ${stars}`).join(', ');
    return `${given}; the last word, ${reading.verdict.stars ?? 'none'}, counts.`;
  });
  /** The studio's own words for this plan, newest first; those that begin as what is typed. */
  protected readonly suggestions = computed(() => {
    const typed = this.note().trim().toLowerCase();
    const { pieceId } = this.piece().lot;
    const results = this.screen.load.records.value()?.results ?? [];
    const here = this.screen.pieces().flatMap(({ reading }) => reading?.verdict.note ?? []);
    const own = results.filter(({ body }) => body.pieceId === pieceId).map(({ body }) => body.note);
    const all = [...new Set([...here, ...own, ...results.map(({ body }) => body.note)])];
    return all
      .filter((words) => words && words.length <= LONGEST_SUGGESTION && words.toLowerCase() !== typed && words.toLowerCase().startsWith(typed))
      .slice(0, MOST_SUGGESTIONS);
  });
  private readonly waiting = computed(() =>
    this.queue.waiting().filter(({ firingId, pieceIds }) => firingId === this.screen.firing.id() && pieceIds.includes(this.piece().id)),
  );
  protected readonly refused = computed(() => this.waiting().filter(({ refused }) => refused !== undefined));
  /** Photos that wait on this device have an address of their own, for as long as they wait. */
  private readonly urls = new Map<string, string>();
  protected readonly photos = computed(() => [
    ...(this.piece().reading?.photoIds ?? []).map((photoId, at) => ({
      photoId,
      key: '',
      url: this.api.photoUrl(photoId),
      label: `Photo ${at + 1} of ${this.piece().code}`,
    })),
    ...this.waiting().map(({ key, photo }) => ({
      photoId: '',
      key,
      url: this.urlOf(key, photo),
      label: `Photo of ${this.piece().code}, still on this device`,
    })),
  ]);

  constructor() {
    // A note that was being typed is kept when another piece is looked at.
    let before: OpenedPiece | undefined;
    effect(() => {
      const piece = this.piece();
      untracked(() => {
        if (before && before.id !== piece.id) this.keepNote(before);
        before = piece;
      });
    });
  }

  protected has(fault: FiredFault): boolean {
    return this.verdict().faults?.some((entry) => entry.fault === fault) ?? false;
  }

  protected say(verdict: Verdict): void {
    if (verdict.note !== undefined) this.draft.set({ key: '', note: '' });
    this.screen.say([this.piece().id], verdict);
  }

  toggle(fault: FiredFault): void {
    const list = this.verdict().faults ?? [];
    // What ran or stuck is looked for at the foot.
    const where = fault === 'stuck' ? 'foot' : 'outside';
    this.say({ faults: this.has(fault) ? list.filter((entry) => entry.fault !== fault) : [...list, { fault, where }] });
  }

  protected change(entry: SeenFault, change: Partial<SeenFault>): void {
    const list = this.verdict().faults ?? [];
    this.say({ faults: list.map((one) => (one.fault === entry.fault ? withoutEmpty({ ...one, ...change }) : one)) });
  }

  protected setFoot(foot: 'clean' | 'touched'): void {
    this.say({ foot: this.verdict().foot === foot ? null : foot });
  }

  protected type(note: string): void {
    this.draft.set({ key: this.key(), note });
  }

  keepNote(piece: OpenedPiece = this.piece()): void {
    const { key, note } = this.draft();
    if (key !== this.key(piece)) return;
    this.draft.set({ key: '', note: '' });
    if (note.trim() !== (piece.reading?.verdict.note ?? '')) this.screen.say([piece.id], { note: note.trim() });
  }

  /** Turned, cropped or taken off: what was said of its pieces goes with the new one. */
  protected async edit(photo: { photoId: string; key: string; url: string; label: string }): Promise<void> {
    const { PhotoEditor } = await import('../../../parts/photo-editor');
    const opened = this.dialog.open<unknown, EditedPhoto, PhotoEdit>(PhotoEditor, { data: photo, maxWidth: '720px' });
    const edit = await firstValueFrom(opened.afterClosed());
    if (!edit) return;
    const said = this.screen.photoEvent(photo.photoId);
    const pieceIds = said?.pieceIds ?? this.waiting().find(({ key }) => key === photo.key)?.pieceIds ?? [this.piece().id];
    if (edit.kind === 'cropped') await this.shoot([new File([edit.photo], 'photo.jpg', { type: 'image/jpeg' })], pieceIds);
    if (photo.key) this.queue.putAside(photo.key);
    if (said) this.screen.takePhotoOff(said.id);
  }

  protected async shoot(files: readonly File[], pieceIds: readonly string[] = [this.piece().id]): Promise<void> {
    const of = { firingId: this.screen.firing.id() ?? '', pieceIds };
    this.trouble.set('');
    this.shooting.set(true);
    for (const file of files) {
      try {
        await this.queue.add(file, of);
      } catch (error) {
        this.trouble.set(error instanceof Error ? error.message : 'This photo could not be taken.');
      }
    }
    this.shooting.set(false);
  }

  private key(piece = this.piece()): string {
    return `${this.screen.firing.id() ?? ''} ${piece.id}`;
  }

  private urlOf(key: string, photo: Blob): string {
    const known = this.urls.get(key) ?? URL.createObjectURL(photo);
    this.urls.set(key, known);
    return known;
  }
}

const withoutEmpty = (fault: SeenFault): SeenFault =>
  Object.fromEntries(Object.entries(fault).filter(([, value]) => value !== undefined)) as unknown as SeenFault;
