import { computed, Injectable, signal } from '@angular/core';
import * as z from 'zod';

/** What is known of a row that cannot be read. */
export interface UnreadableRow {
  id: string;
  code?: string | undefined;
  name?: string | undefined;
}

const knownSchema = z.looseObject({
  id: z.string(),
  code: z.string().optional().catch(undefined),
  name: z.string().optional().catch(undefined),
  body: z.looseObject({ name: z.string() }).optional().catch(undefined),
});

/** Lists whose rows have a screen of their own for mending; the list of buckets names them itself. */
const MENDED_ELSEWHERE = '/buckets';

/** Rows of lists that could not be read: the others are shown all the same, and these are reported. */
@Injectable({ providedIn: 'root' })
export class UnreadableRows {
  private readonly byPath = signal<Readonly<Record<string, UnreadableRow[]>>>({});
  readonly lists = computed(() =>
    Object.entries(this.byPath())
      .filter(([path, rows]) => path !== MENDED_ELSEWHERE && rows.length > 0)
      .map(([path, rows]) => ({ path, name: path.slice(1).replaceAll('-', ' '), count: rows.length })),
  );

  of(path: string): readonly UnreadableRow[] {
    return this.byPath()[path] ?? [];
  }

  /** Returns each row as it was read, undefined for one that does not fit; those are stored under the list's path. A known row is not read again. */
  sort<T>(path: string, rows: readonly { row: unknown; known: unknown }[], schema: z.ZodType<T>): (T | undefined)[] {
    const bad: UnreadableRow[] = [];
    const good = rows.map(({ row, known }) => {
      if (known !== undefined) return known as T;
      const read = schema.safeParse(row);
      if (read.success) return read.data;
      const told = knownSchema.safeParse(row).data;
      bad.push({ id: told?.id ?? '', code: told?.code, name: told?.name ?? told?.body?.name });
      return undefined;
    });
    if (bad.length > 0 || this.byPath()[path]) this.byPath.update((all) => ({ ...all, [path]: bad }));
    return good;
  }
}
