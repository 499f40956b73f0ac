import { computed, inject, Injectable, signal } from '@angular/core';
import { studioSchema, type Studio, type StudioBody } from '@cazuela/contract';
import { map, shareReplay, tap, type Observable } from 'rxjs';
import * as z from 'zod';
import { Api } from '../http/api';

const BY_KEY = 'cazuela.by';

/** What can be edited of a studio, without its id and version. */
export const studioBodyOf = ({ id: _id, version: _version, demo: _demo, ...body }: Studio): StudioBody => body;

/** The studio that is open, and who is at this device. */
@Injectable({ providedIn: 'root' })
export class StudioStore {
  private readonly api = inject(Api);
  private readonly current = signal<Studio | undefined>(undefined);
  private readonly chosenMember = signal(localStorage.getItem(BY_KEY) ?? '');

  readonly studio = this.current.asReadonly();
  /** The author of what is done here: the chosen member, else the first. */
  readonly by = computed(() => {
    const members = this.current()?.members ?? [];
    return members.includes(this.chosenMember()) ? this.chosenMember() : (members[0] ?? 'Me');
  });

  /** The studio's id, requested once. */
  readonly id$: Observable<string> = this.api.get('/studios', z.array(studioSchema).min(1)).pipe(
    tap((studios) => this.current.set(studios[0])),
    map((studios) => studios[0]!.id),
    shareReplay({ bufferSize: 1, refCount: false }),
  );

  choose(member: string): void {
    localStorage.setItem(BY_KEY, member);
    this.chosenMember.set(member);
  }

  /** The studio as it is in the records now. */
  take(studio: Studio): void {
    this.current.set(studio);
  }

  save(body: StudioBody): Observable<Studio> {
    const { id, version } = this.current()!;
    return this.api.put(`/studios/${id}`, { ...body, version }, studioSchema).pipe(tap((studio) => this.current.set(studio)));
  }
}
