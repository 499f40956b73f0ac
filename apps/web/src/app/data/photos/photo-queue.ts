import { computed, inject, Injectable, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { toFailure } from '../http/api';
import { StudioApi } from '../http/studio-api';
import { BenchLog } from '../offline/bench-log';
import { StudioStore } from '../state/studio-store';
import { PhotoStorage, type WaitingPhoto } from './photo-storage';
import { shrinkPhoto } from './shrink-photo';

/** Waits between tries while nothing is taken, ms. */
const RETRY_MS = [1_000, 2_000, 5_000, 15_000, 30_000];

/**
 * Photos of fired pieces on their way to the records: made small, stored on this device, sent one after the other, sent again until the records have
 * them. Then an event says which pieces a photo shows. Safe to send twice: a photo that no event names is forgotten by the server.
 */
@Injectable({ providedIn: 'root' })
export class PhotoQueue {
  private readonly storage = inject(PhotoStorage);
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly studio = inject(StudioStore);
  private readonly list = signal<readonly WaitingPhoto[]>([]);
  /** For these the device had no room: only the open page keeps them. */
  private readonly unkept = signal<readonly string[]>([]);
  private isSending = false;
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Not in the records yet, oldest first. */
  readonly waiting = this.list.asReadonly();
  readonly unkeptCount = computed(() => this.list().filter(({ key }) => this.unkept().includes(key)).length);

  /** Takes in what this device kept when the app was last open. */
  async open(): Promise<void> {
    const kept = await this.storage.all();
    this.list.update((list) => [...kept.filter(({ key }) => !list.some((one) => one.key === key)), ...list]);
    void this.sendAll();
  }

  /**
   * Takes a photo of pieces; resolves when this device keeps it.
   *
   * @throws NoPhotoError
   */
  async add(file: Blob, of: { firingId: string; pieceIds: readonly string[] }): Promise<void> {
    const photo = await shrinkPhoto(file);
    const studioId = this.studio.studio()?.id ?? '';
    const waiting: WaitingPhoto = { key: uuid(), studioId, firingId: of.firingId, pieceIds: [...of.pieceIds], photo };
    this.list.update((list) => [...list, waiting]);
    if (!(await this.storage.put(waiting))) this.unkept.update((keys) => [...keys, waiting.key]);
    void this.sendAll();
  }

  /** Not wanted after all. */
  putAside(key: string): void {
    this.list.update((list) => list.filter((one) => one.key !== key));
    void this.storage.remove(key);
  }

  private async sendAll(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    try {
      for (;;) {
        const next = this.list().find(({ refused, studioId }) => refused === undefined && studioId === this.studio.studio()?.id);
        if (!next) break;
        await this.send(next);
      }
    } finally {
      this.isSending = false;
    }
  }

  private async send(photo: WaitingPhoto): Promise<void> {
    try {
      const photoId = photo.photoId ?? (await firstValueFrom(this.api.photo(new File([photo.photo], 'photo.jpg', { type: 'image/jpeg' })))).id;
      await this.change(photo.key, { photoId });
      this.log.note('firing', photo.firingId, { type: 'piecesPhotographed', pieceIds: photo.pieceIds, photoId });
      this.failures = 0;
      this.putAside(photo.key);
    } catch (error) {
      const failure = toFailure(error);
      if (!failure.isAway) return this.change(photo.key, { refused: failure.problem.detail });
      await this.pause();
    }
  }

  private async change(key: string, change: Partial<WaitingPhoto>): Promise<void> {
    this.list.update((list) => list.map((one) => (one.key === key ? { ...one, ...change } : one)));
    const changed = this.list().find((one) => one.key === key);
    if (changed) await this.storage.put(changed);
  }

  /** Until the network is said to be there again, or for a while. */
  private pause(): Promise<void> {
    const wait = RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)]!;
    return new Promise((go) => {
      const over = (): void => {
        clearTimeout(this.timer);
        removeEventListener('online', over);
        go();
      };
      addEventListener('online', over);
      this.timer = setTimeout(over, wait);
    });
  }
}
