import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Studio } from '@cazuela/contract';
import { NOW } from '../app/data/state/clock';
import { StudioStore } from '../app/data/state/studio-store';
import { provideIcons } from '../app/icons';
import { emptyDeviceStorage } from './device-storage';

export const STUDIO: Studio = {
  id: '0198c0de-0000-7000-8000-000000000001',
  version: 1,
  demo: true,
  name: 'Taller La Perdiz',
  members: ['Inés', 'Bruno'],
  vessels: [{ id: '0198c0de-0000-7000-8000-000000000002', name: 'Cylinder 100 mL', tareGrams: 62.4, volumeMl: 100, markMl: 1 }],
  scales: [{ id: '0198c0de-0000-7000-8000-000000000003', name: 'Bench scale', divisionGrams: 0.1, capacityGrams: 6000, checks: [] }],
  currency: '€',
};
export const AT = new Date('2026-03-10T10:00:00.000Z');

/** A browser without a server: requests are answered by the test. */
export class FakeRecords {
  readonly http: HttpTestingController;

  constructor(providers: Parameters<typeof TestBed.configureTestingModule>[0]['providers'] = []) {
    TestBed.resetTestingModule();
    emptyDeviceStorage();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([]),
        provideIcons(),
        { provide: NOW, useValue: () => AT },
        ...(providers ?? []),
      ],
    });
    this.http = TestBed.inject(HttpTestingController);
  }

  /** The studio is known before anything else is asked. */
  openStudio(change: Partial<Studio> = {}): void {
    TestBed.inject(StudioStore).id$.subscribe();
    this.http.expectOne('/api/studios').flush([{ ...STUDIO, ...change }]);
  }

  answer(path: string, body: unknown, method = 'GET'): void {
    this.http.expectOne((request) => request.method === method && request.url === `/api/studios/${STUDIO.id}${path}`).flush(body as object);
  }

  /** Refuses with problem details, as the server does. */
  refuse(path: string, status: number, problem: object, method = 'GET'): void {
    this.http
      .expectOne((request) => request.method === method && request.url === `/api/studios/${STUDIO.id}${path}`)
      .flush({ type: 'about:blank', title: 'No', status, code: 'checkInput', detail: 'No.', ...problem }, { status, statusText: 'No' });
  }

  /** As when the server is gone. */
  drop(path: string): void {
    this.http.expectOne((request) => request.url === `/api/studios/${STUDIO.id}${path}`).error(new ProgressEvent('error'), { status: 0 });
  }
}

/** Lets signals, effects and microtasks settle. */
export async function settle(): Promise<void> {
  TestBed.tick();
  await Promise.resolve();
  TestBed.tick();
}
