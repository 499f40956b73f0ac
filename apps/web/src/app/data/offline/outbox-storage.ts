import { Injectable } from '@angular/core';
import { benchEventSchema, type BenchEvent } from '@cazuela/contract';
import * as z from 'zod';

const PREFIX = 'cazuela.outbox.';
const refusedSchema = z.object({ refused: z.object({ detail: z.string(), at: z.string() }) });

/** A step the records would not take, with their sentence. */
export interface Refusal {
  /** What it is kept under. */
  key: string;
  /** As it was noted; undefined when this version of the app cannot read it. */
  entry: BenchEvent | undefined;
  /** The same as it lies on the device, for a file. */
  text: string;
  detail: string;
}

/**
 * Bench work not yet acknowledged, one entry an event in localStorage: written before anything is sent, there again after
 * a reload, and safe with two tabs, since each event has its own key. Ids are time-ordered, so the keys sort by age. A refused event stays
 * under its key, marked, until the potter puts it aside: nothing is deleted because of an error.
 */
@Injectable({ providedIn: 'root' })
export class OutboxStorage {
  /** False when the device has no room: the event is then kept by the open page alone. */
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

  /** What was put aside a moment ago is kept again. */
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
        // A device that keeps nothing has nothing to remove.
      }
    }
  }

  /** What waits to be sent, oldest first. */
  all(): BenchEvent[] {
    return entries().flatMap(({ event, isRefused }) => (event && !isRefused ? [event] : []));
  }

  /** What was refused, and what cannot be read, oldest first. */
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
