import { Injectable } from '@angular/core';
import { benchEventSchema, type BenchEvent } from '@cazuela/contract';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import * as z from 'zod';

/** An event that the records refused, with their sentence. */
export interface Refusal {
  /** The storage key: the event's id. */
  key: string;
  /** The event; undefined when this version of the app cannot read it. */
  entry: BenchEvent | undefined;
  /** The stored text, for a file. */
  text: string;
  detail: string;
}

export interface Stored {
  /** What waits to be sent, oldest first. */
  waiting: BenchEvent[];
  /** What was refused, and what cannot be read, oldest first. */
  refused: Refusal[];
}

interface Row {
  key: string;
  text: string;
  refused?: { detail: string; at: string };
}

interface OutboxDatabase extends DBSchema {
  events: { key: string; value: Row };
}

const NOT_READABLE = 'This step was noted by another version of Cazuela, and cannot be read by this one.';
/** Earlier versions kept each event as a text in localStorage under this prefix. */
const OLD_PREFIX = 'cazuela.outbox.';
const oldRefusedSchema = z.object({ refused: z.object({ detail: z.string(), at: z.string() }) });

/**
 * Bench events not yet acknowledged, one row of IndexedDB each: there again after a reload, and safe with two tabs, because each event has its own
 * key. Ids are time-ordered, so the keys sort by age. A write counts when the disk has it (`durability: 'strict'`), so it survives a browser that
 * is killed. A refused event stays under its key, marked, until the potter puts it aside: nothing is deleted because of an error. No call rejects;
 * on a device that stores nothing, `put` says false and the rest has nothing to do.
 */
@Injectable({ providedIn: 'root' })
export class OutboxStorage {
  private opened: Promise<IDBPDatabase<OutboxDatabase>> | undefined;

  /** Resolves to false when the device has no room: then only the open page keeps the event. */
  put(event: BenchEvent): Promise<boolean> {
    return this.write({ key: event.event.id, text: JSON.stringify(event) });
  }

  /** Marks an event as refused. */
  refuse(event: BenchEvent, detail: string, at: Date): Refusal {
    const key = event.event.id;
    const text = JSON.stringify(event);
    void this.write({ key, text, refused: { detail, at: at.toISOString() } });
    return { key, entry: event, text, detail };
  }

  /** Keeps again what was put aside a moment ago. */
  bringBack({ key, text, detail }: Refusal, at: Date): void {
    void this.write({ key, text, refused: { detail, at: at.toISOString() } });
  }

  async remove(keys: readonly string[]): Promise<void> {
    try {
      const change = await this.change();
      await Promise.all([...keys.map((key) => change.store.delete(key)), change.done]);
    } catch {
      // A device that stores nothing has nothing to remove.
    }
  }

  async all(): Promise<Stored> {
    await this.takeOver();
    const stored: Stored = { waiting: [], refused: [] };
    for (const { key, text, refused } of await this.rows()) {
      const entry = readEvent(text);
      if (entry && !refused) stored.waiting.push(entry);
      else stored.refused.push({ key, entry, text, detail: refused?.detail ?? NOT_READABLE });
    }
    return stored;
  }

  private async rows(): Promise<Row[]> {
    try {
      return await (await this.database()).getAll('events');
    } catch {
      return [];
    }
  }

  private async write(row: Row): Promise<boolean> {
    try {
      const change = await this.change();
      const put = change.store.put(row);
      // Handed over whole: it is written even when the page is closed this moment.
      change.commit();
      await Promise.all([put, change.done]);
      return true;
    } catch {
      return false;
    }
  }

  /** Moves what an earlier version of the app kept on this device; a text is removed there once it is here. */
  private async takeOver(): Promise<void> {
    for (const oldKey of oldKeys()) {
      const text = localStorage.getItem(oldKey) ?? '';
      const mark = oldRefusedSchema.safeParse(parse(text)).data?.refused;
      const moved = await this.write({
        key: oldKey.slice(OLD_PREFIX.length),
        text: mark ? withoutMark(text) : text,
        ...(mark ? { refused: mark } : {}),
      });
      if (moved) localStorage.removeItem(oldKey);
    }
  }

  private async change(): Promise<IDBPTransaction<OutboxDatabase, ['events'], 'readwrite'>> {
    return (await this.database()).transaction('events', 'readwrite', { durability: 'strict' });
  }

  private database(): Promise<IDBPDatabase<OutboxDatabase>> {
    this.opened ??= openDB<OutboxDatabase>('cazuela.outbox', 1, {
      upgrade: (database) => void database.createObjectStore('events', { keyPath: 'key' }),
      // The browser closed it, e.g. because the site's data was cleared: the next call opens it anew.
      terminated: () => (this.opened = undefined),
    });
    const opened = this.opened;
    opened.catch(() => {
      if (this.opened === opened) this.opened = undefined;
    });
    return opened;
  }
}

function readEvent(text: string): BenchEvent | undefined {
  return benchEventSchema.safeParse(parse(text)).data;
}

function withoutMark(text: string): string {
  const { refused: _mark, ...event } = parse(text) as Record<string, unknown>;
  return JSON.stringify(event);
}

function oldKeys(): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key.startsWith(OLD_PREFIX));
  } catch {
    return [];
  }
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
