import { Injectable } from '@angular/core';
import { benchEventSchema, type BenchEvent } from '@cazuela/contract';
import * as z from 'zod';

const PREFIX = 'cazuela.outbox.';
const refusedSchema = z.object({ refused: z.object({ detail: z.string(), at: z.string() }) });

/** An event that the records refused, with their sentence. */
export interface Refusal {
  /** The storage key. */
  key: string;
  /** The event; undefined when this version of the app cannot read it. */
  entry: BenchEvent | undefined;
  /** The stored text, for a file. */
  text: string;
  detail: string;
}

/**
 * Bench events not yet acknowledged, one localStorage entry each: written before anything is sent, there again after a reload, and safe with two
 * tabs, because each event has its own key. Ids are time-ordered, so the keys sort by age. A refused event stays under its key, marked, until the
 * potter puts it aside: nothing is deleted because of an error.
 */
@Injectable({ providedIn: 'root' })
export class OutboxStorage {
  /** Returns false when the device has no room: then only the open page keeps the event. */
  put(event: BenchEvent): boolean {
    return write(PREFIX + event.event.id, JSON.stringify(event));
  }

  /** Marks an event as refused. */
  refuse(event: BenchEvent, detail: string, at: Date): Refusal {
    const key = PREFIX + event.event.id;
    const text = JSON.stringify({ ...event, refused: { detail, at: at.toISOString() } });
    write(key, text);
    return { key, entry: event, text, detail };
  }

  /** Keeps again what was put aside a moment ago. */
  bringBack({ key, text }: Refusal): void {
    write(key, text);
  }

  remove(ids: readonly string[]): void {
    this.removeKeys(ids.map((id) => PREFIX + id));
  }

  removeKeys(keys: readonly string[]): void {
    for (const key of keys) {
      try {
        localStorage.removeItem(key);
      } catch {
        // A device that stores nothing has nothing to remove.
      }
    }
  }

  /** Returns what waits to be sent, oldest first. */
  all(): BenchEvent[] {
    return entries().flatMap(({ event, isRefused }) => (event && !isRefused ? [event] : []));
  }

  /** Returns what was refused, and what cannot be read, oldest first. */
  refused(): Refusal[] {
    return entries().flatMap(({ key, text, event, isRefused, detail }): Refusal[] =>
      event && !isRefused
        ? []
        : [{ key, entry: event, text, detail: detail ?? 'This step was noted by another version of Cazuela, and cannot be read by this one.' }],
    );
  }
}

interface Entry {
  key: string;
  text: string;
  event: BenchEvent | undefined;
  isRefused: boolean;
  detail: string | undefined;
}

function entries(): Entry[] {
  return keys().map((key) => {
    const text = read(key) ?? '';
    const value = parse(text);
    const refused = refusedSchema.safeParse(value);
    const { refused: _mark, ...rest } = (value ?? {}) as Record<string, unknown>;
    const event = benchEventSchema.safeParse(rest);
    return { key, text, event: event.data, isRefused: refused.success, detail: refused.data?.refused.detail };
  });
}

function keys(): string[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(PREFIX))
      .sort();
  } catch {
    return [];
  }
}

function read(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

function write(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
