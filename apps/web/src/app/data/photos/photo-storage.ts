import { Injectable } from '@angular/core';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A photo of pieces of a firing that is not in the records yet. */
export interface WaitingPhoto {
  key: string;
  studioId: string;
  firingId: string;
  pieceIds: string[];
  /** As it travels. */
  photo: Blob;
  /** It travelled; what is left is to say which pieces it shows. */
  photoId?: string;
  /** Why the records did not take it. */
  refused?: string;
}

interface PhotoDatabase extends DBSchema {
  photos: { key: string; value: WaitingPhoto };
}

/** Photos on their way, one row of IndexedDB each. No call rejects: on a device that stores nothing, `put` says false. */
@Injectable({ providedIn: 'root' })
export class PhotoStorage {
  private opened: Promise<IDBPDatabase<PhotoDatabase>> | undefined;

  async put(photo: WaitingPhoto): Promise<boolean> {
    try {
      const change = (await this.database()).transaction('photos', 'readwrite', { durability: 'strict' });
      await Promise.all([change.store.put(photo), change.done]);
      return true;
    } catch {
      return false;
    }
  }

  async remove(key: string): Promise<void> {
    try {
      await (await this.database()).delete('photos', key);
    } catch {
      // A device that stores nothing has nothing to remove.
    }
  }

  async all(): Promise<WaitingPhoto[]> {
    try {
      return await (await this.database()).getAll('photos');
    } catch {
      return [];
    }
  }

  private database(): Promise<IDBPDatabase<PhotoDatabase>> {
    this.opened ??= openDB<PhotoDatabase>('cazuela.photos', 1, {
      upgrade: (database) => void database.createObjectStore('photos', { keyPath: 'key' }),
      terminated: () => (this.opened = undefined),
    });
    const opened = this.opened;
    opened.catch(() => {
      if (this.opened === opened) this.opened = undefined;
    });
    return opened;
  }
}
