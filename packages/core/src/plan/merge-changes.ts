/** A value of a record: what JSON can hold. */
type Json = unknown;

export interface MergedChanges<T> {
  merged: T;
  /** Where both changed the same to something different: names of fields from the outside in, joined by dots. There `merged` has mine. */
  conflicts: readonly string[];
}

/**
 * Returns a record with the changes of two people who both began from the same one. Fields of records are merged one by one, parts of lists by
 * their `id`; any other list counts as one value.
 *
 * @param base - what both began from
 * @param mine - one of the two
 * @param theirs - the other
 * @example
 * mergeChanges({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }) // { merged: { a: 2, b: 3 }, conflicts: [] }
 */
export function mergeChanges<T>(base: T, mine: T, theirs: T): MergedChanges<T> {
  const conflicts: string[] = [];
  return { merged: merge(base, mine, theirs, []) as T, conflicts };

  function merge(before: Json, here: Json, there: Json, path: readonly string[]): Json {
    if (isSame(here, there) || isSame(before, there)) return here;
    if (isSame(before, here)) return there;
    if (isRecord(here) && isRecord(there)) return mergeRecords(isRecord(before) ? before : {}, here, there, path);
    if (isListOfParts(here) && isListOfParts(there)) return mergeLists(isListOfParts(before) ? before : [], here, there, path);
    conflicts.push(path.join('.'));
    return here;
  }

  function mergeRecords(before: Fields, here: Fields, there: Fields, path: readonly string[]): Fields {
    const keys = [...new Set([...Object.keys(here), ...Object.keys(there)])];
    return Object.fromEntries(
      keys.flatMap((key) => {
        const value = merge(before[key], here[key], there[key], [...path, key]);
        return value === undefined ? [] : [[key, value]];
      }),
    );
  }

  /** In my order; what they added comes after it, what one of us took away stays away. */
  function mergeLists(before: readonly Part[], here: readonly Part[], there: readonly Part[], path: readonly string[]): Part[] {
    const of = (list: readonly Part[], id: string): Part | undefined => list.find((part) => part.id === id);
    const ids = [...new Set([...here, ...there].map(({ id }) => id))];
    return ids.flatMap((id) => {
      const merged = merge(of(before, id), of(here, id), of(there, id), [...path, id]);
      return merged === undefined ? [] : [merged as Part];
    });
  }
}

type Fields = Readonly<Record<string, Json>>;
type Part = Fields & { id: string };

const isRecord = (value: Json): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value);
const isListOfParts = (value: Json): value is readonly Part[] =>
  Array.isArray(value) && value.every((one) => isRecord(one) && typeof one['id'] === 'string');

/** Two values that say the same, whatever the order of their fields. */
function isSame(a: Json, b: Json): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, at) => isSame(one, b[at]));
  if (!isRecord(a) || !isRecord(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => isSame(a[key], b[key]));
}
