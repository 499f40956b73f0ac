import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';

// jsdom has neither IndexedDB nor what it copies values with; what is stored here is plain JSON.
globalThis.structuredClone ??= <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The storage of a device that Cazuela was never opened on. */
export function emptyDeviceStorage(): void {
  localStorage.clear();
  sessionStorage.clear();
  globalThis.indexedDB = new IDBFactory();
}
